// @vitest-environment happy-dom
import { act, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { Game } from '@/core/rules/format/game';
import { starter } from '../../tests/examples/starters';
import { useAutosave } from './use-autosave';

const sent: unknown[] = [];
beforeEach(() => {
  vi.useFakeTimers();
  sent.length = 0;
  vi.stubGlobal('fetch', (_url: string, { body }: RequestInit = {}) => {
    if (body) sent.push(JSON.parse(body as string));
    return Promise.resolve(Response.json({ revision: sent.length + 1, savedAt: '2026-11-27T09:00:00Z' }));
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const first = starter('harbour-lamps');
const open = () =>
  renderHook(({ game }: { game: Game }) => useAutosave({ url: '/api/v1/games/game', what: 'game', value: { game, ageYears: 8 }, revision: 1 }), {
    initialProps: { game: first },
  });
const wait = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));

it('says that a change is not saved yet at once, and saves it a moment later', async () => {
  const { result, rerender } = open();
  rerender({ game: { ...first, title: 'Lantern Bay' } });
  expect(result.current.state.kind).toBe('changed');
  await wait(1000);
  expect(result.current.state).toEqual({ kind: 'saved', at: '2026-11-27T09:00:00Z' });
  expect(sent).toHaveLength(1);
});

it('is saved again, with nothing sent, when a change is undone before it was sent', async () => {
  const { result, rerender } = open();
  rerender({ game: { ...first, title: 'Lantern Bay' } });
  await wait(300);
  rerender({ game: first });
  expect(result.current.state.kind).toBe('saved');
  await wait(5000);
  expect(sent).toEqual([]);
  expect(result.current.state.kind).toBe('saved');
});

it('does not say saved of a change that was made while an earlier one was under way; an undo meanwhile is saved too', async () => {
  const { result, rerender } = open();
  const second = { ...first, title: 'Lantern Bay' };
  let answer = (_: Response) => undefined as void;
  vi.stubGlobal('fetch', (_url: string, { body }: RequestInit = {}) => {
    if (body) sent.push(JSON.parse(body as string));
    return new Promise<Response>((resolve) => {
      answer = resolve;
    });
  });
  const answered = () =>
    act(async () => {
      answer(Response.json({ revision: sent.length + 1, savedAt: '2026-11-27T09:00:00Z' }));
      await vi.advanceTimersByTimeAsync(0);
    });
  rerender({ game: second });
  await wait(800);
  expect(result.current.state.kind).toBe('saving');
  // Undone to what was saved before, while the change is on its way.
  rerender({ game: first });
  await answered();
  expect(result.current.state.kind).toBe('changed');
  await wait(1000);
  expect(sent.map((one) => (one as { game: Game }).game.title)).toEqual(['Lantern Bay', first.title]);
  await answered();
  expect(result.current.state.kind).toBe('saved');
});
