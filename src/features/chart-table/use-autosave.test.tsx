// @vitest-environment happy-dom
import { act, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { Game } from '@/core/rules/game';
import { starter } from '../../../tests/examples/starters';
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
const open = () => renderHook(({ game }: { game: Game }) => useAutosave('game', game, 8, 1), { initialProps: { game: first } });
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
