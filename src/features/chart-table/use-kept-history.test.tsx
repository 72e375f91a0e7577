// @vitest-environment happy-dom
import { renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { starter } from '../../../tests/examples/starters';
import { beginDraft, changeDraft, type DraftHistory } from './draft';
import type { SaveState } from '@/ui/use-autosave';
import { keptHistory, useKeptHistory } from './use-kept-history';

beforeEach(() => {
  vi.useFakeTimers();
  sessionStorage.clear();
});
afterEach(() => {
  vi.useRealTimers();
});

const first = beginDraft(starter('harbour-lamps'), 8);
const older = changeDraft(first, { do: 'age', ageYears: 10 });
const renamed = changeDraft(older, { do: 'title', title: 'Lamps at dusk' });

const keep = (history: DraftHistory, state: SaveState = { kind: 'changed', at: '' }) =>
  renderHook((props: { history: DraftHistory; state: SaveState }) => useKeptHistory('game', props.history, props.state), {
    initialProps: { history, state },
  });

describe('the steps of undo', () => {
  it('are there after a reload, and can be taken back', () => {
    keep(renamed);
    vi.advanceTimersByTime(1000);
    const kept = keptHistory('game', renamed.now.game)!;
    expect(changeDraft(kept, { do: 'undo' }).now.game.title).toBe(first.now.game.title);
  });

  it('are kept when the page is left right after a change', () => {
    const { rerender } = keep(older);
    vi.advanceTimersByTime(1000);
    rerender({ history: renamed, state: { kind: 'saving' } });
    window.dispatchEvent(new Event('pagehide'));
    expect(keptHistory('game', renamed.now.game)?.past).toHaveLength(2);
  });

  it('do not wait longer because the draft was saved meanwhile', () => {
    const { rerender } = keep(renamed);
    vi.advanceTimersByTime(700);
    rerender({ history: renamed, state: { kind: 'saved', at: '' } });
    vi.advanceTimersByTime(300);
    expect(keptHistory('game', renamed.now.game)).not.toBeNull();
  });

  it('of another draft, or of none, are not taken', () => {
    expect(keptHistory('game', first.now.game)).toBeNull();
    keep(renamed);
    vi.advanceTimersByTime(1000);
    expect(keptHistory('game', older.now.game)).toBeNull();
    expect(keptHistory('another', renamed.now.game)).toBeNull();
  });

  it('are not kept of a draft that another window overtook', () => {
    keep(renamed, { kind: 'conflict', problem: 'changed elsewhere' });
    vi.advanceTimersByTime(1000);
    window.dispatchEvent(new Event('pagehide'));
    expect(keptHistory('game', renamed.now.game)).toBeNull();
  });
});
