'use client';
import { useEffect } from 'react';
import type { DraftHistory } from './draft';
import type { SaveState } from '@/ui/use-autosave';

const MOST_KEPT = 60;
const WAIT_MS = 900;

const keyOf = (id: string) => `lochside history ${id}`;

/** The steps of undo of a sitting, as this tab kept them; null when there are none or they belong to another draft. */
export function keptHistory(id: string, game: DraftHistory['now']['game']): DraftHistory | null {
  try {
    const text = sessionStorage.getItem(keyOf(id));
    if (text === null) return null;
    const history = JSON.parse(text) as DraftHistory;
    return JSON.stringify(history.now.game) === JSON.stringify(game) ? { ...history, dragFrom: null } : null;
  } catch {
    return null;
  }
}

function keep(id: string, history: DraftHistory): void {
  const kept: DraftHistory = { ...history, past: history.past.slice(-MOST_KEPT), future: history.future.slice(0, MOST_KEPT) };
  try {
    sessionStorage.setItem(keyOf(id), JSON.stringify(kept));
  } catch {
    sessionStorage.removeItem(keyOf(id));
  }
}

/** Keeps the steps of undo in this tab, a moment after each and when the page is left, so that they are there after a reload. */
export function useKeptHistory(id: string, history: DraftHistory, state: SaveState): void {
  const stopped = state.kind === 'conflict';
  useEffect(() => {
    if (history.dragFrom || stopped) return;
    const now = () => keep(id, history);
    const timer = setTimeout(now, WAIT_MS);
    window.addEventListener('pagehide', now);
    return () => {
      clearTimeout(timer);
      window.removeEventListener('pagehide', now);
    };
  }, [id, history, stopped]);
}
