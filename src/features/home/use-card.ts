'use client';
/** The card of the child whose link this is, and all that waits in this device for it. */

import { isCard } from '@/contract/card-check';
import type { Card } from '@/contract/card';
import { useCallback, useEffect, useRef, useState } from 'react';
import { problemLines, tryEntries, tryInvention, trySending } from './sending';
import { store, type KeptPlay, type Session, type WaitingEntry } from './store';

export type Loaded =
  | { readonly kind: 'loading' }
  | { readonly kind: 'door' }
  | { readonly kind: 'failed'; readonly words: string }
  | { readonly kind: 'card'; readonly card: Card; readonly offline: string | null };

const RETRY_MS = 15_000;

function tokenInLink(): string {
  return new URLSearchParams(window.location.hash.slice(1)).get('k') ?? '';
}

export interface CardInHand {
  readonly token: string;
  readonly loaded: Loaded;
  readonly plays: readonly KeptPlay[];
  readonly entries: readonly WaitingEntry[];
  readonly sessions: readonly Session[];
  readonly load: () => Promise<void>;
  /** Reads again what this device keeps. */
  readonly refresh: () => Promise<void>;
  readonly sendWaiting: () => Promise<void>;
}

export function useCard(onOpened: () => void): CardInHand {
  const [token, setToken] = useState('');
  const [loaded, setLoaded] = useState<Loaded>({ kind: 'loading' });
  const [plays, setPlays] = useState<readonly KeptPlay[]>([]);
  const [entries, setEntries] = useState<readonly WaitingEntry[]>([]);
  const [sessions, setSessions] = useState<readonly Session[]>([]);
  const sending = useRef(false);
  const newest = useRef('');

  const read = useCallback(async (key: string) => {
    const [kept, diary, held] = await Promise.all([store.plays(key), store.diary(key), store.card(key)]);
    const games = held?.card.weeks.flatMap((week) => week.games) ?? [];
    const begun = (await Promise.all(games.map((item) => store.session(item.assignmentId)))).filter((one) => one !== undefined);
    // Another child's card may have been opened meanwhile.
    if (newest.current !== key) return;
    setPlays(kept);
    setEntries(diary);
    setSessions(begun);
  }, []);

  const load = useCallback(
    async (key: string) => {
      const show = (next: Loaded) => newest.current === key && setLoaded(next);
      try {
        const response = await fetch('/api/v1/home/card', { headers: { authorization: `Bearer ${key}` } });
        if (response.ok) {
          const card: unknown = await response.json();
          if (!isCard(card)) throw new Error('not a card');
          await store.keepCard(key, card);
          show({ kind: 'card', card, offline: null });
          await read(key);
          return;
        }
        if (response.status < 500) {
          const body = (await response.json().catch(() => ({}))) as { problems?: { reason: string; fix: string }[] };
          show({ kind: 'failed', words: body.problems?.[0] ? problemLines(body.problems[0]) : /*i18n*/ 'This link does not open.' });
          return;
        }
      } catch {
        // No connection: what the phone kept is shown instead.
      }
      const kept = await store.card(key);
      show(
        kept
          ? { kind: 'card', card: kept.card, offline: /*i18n*/ 'There is no connection. You can play; what you write is kept here and sent later.' }
          : {
              kind: 'failed',
              words: /*i18n*/ 'There is no connection, and this device has not opened the card before. Try again when there is one.',
            },
      );
      await read(key);
    },
    [read],
  );

  const sendWaiting = useCallback(
    async (key: string) => {
      if (sending.current || key === '') return;
      sending.current = true;
      try {
        let taken = false;
        for (const play of (await store.plays(key)).filter((one) => one.state === 'waiting'))
          taken = (await trySending(play)).state === 'received' || taken;
        taken =
          (await tryEntries(
            key,
            (await store.diary(key)).filter((one) => one.state === 'waiting'),
          )) || taken;
        for (const one of (await store.inventions(key)).filter(({ state }) => state === 'waiting')) await tryInvention(key, one);
        await read(key);
        if (taken) void load(key);
      } finally {
        sending.current = false;
      }
    },
    [load, read],
  );

  useEffect(() => {
    const open = () => {
      const key = tokenInLink();
      newest.current = key;
      setToken(key);
      setPlays([]);
      setEntries([]);
      setSessions([]);
      onOpened();
      if (key === '') return setLoaded({ kind: 'door' });
      setLoaded({ kind: 'loading' });
      void load(key);
      void sendWaiting(key);
    };
    open();
    window.addEventListener('hashchange', open);
    return () => window.removeEventListener('hashchange', open);
  }, [load, sendWaiting, onOpened]);

  useEffect(() => {
    if (token === '') return;
    const again = () => void sendWaiting(token);
    const timer = setInterval(again, RETRY_MS);
    window.addEventListener('online', again);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', again);
    };
  }, [token, sendWaiting]);

  return {
    token,
    loaded,
    plays,
    entries,
    sessions,
    load: () => load(token),
    refresh: () => read(token),
    sendWaiting: () => sendWaiting(token),
  };
}
