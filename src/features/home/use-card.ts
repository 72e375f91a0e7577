'use client';
/** The card of the child whose link this is, and all that waits in this device for it. */

import { GAMES_OF, isCard } from '@/contract/card-check';
import type { Card } from '@/contract/card';
import { useCallback, useEffect, useRef, useState } from 'react';
import { patience, problemLines, tryEntries, tryInvention, trySending } from './sending';
import { store, type KeptPlay, type Session, type WaitingEntry } from './store';

export type Loaded =
  | { readonly kind: 'loading' }
  | { readonly kind: 'door' }
  | { readonly kind: 'failed'; readonly words: string }
  | { readonly kind: 'card'; readonly card: Card; readonly offline: string | null };

const NO_CONNECTION = /*i18n*/ 'There is no connection. You can play; what you write is kept here and sent later.';
const SLOW = /*i18n*/ 'The school has not answered yet. You can play; what you write is kept here and sent later.';

const REPLACED = /*i18n*/ 'This link has been replaced. You can play on; open the newest link from the school soon.';

/** After so long the card that this device keeps is shown, whatever the school does. Milliseconds. */
const PATIENCE_MS = 3000;

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
  /** Something is on its way to the school just now. */
  readonly underWay: boolean;
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
  const [underWay, setUnderWay] = useState(false);
  const sending = useRef<Promise<void> | null>(null);
  /** Whose things are to be sent next: asked for while others were under way. */
  const asked = useRef<{ readonly key: string; readonly everything: boolean } | null>(null);
  /** The link was replaced: what waits under it is tried when the page is opened, not again and again. */
  const ended = useRef(false);
  const newest = useRef('');

  const read = useCallback(async (key: string) => {
    const [kept, diary, held] = await Promise.all([store.plays(key), store.diary(key), store.card(key)]);
    const begun = await store.sessions(key, held?.card);
    // Another child's card may have been opened meanwhile.
    if (newest.current !== key) return;
    setPlays(kept);
    setEntries(diary);
    setSessions(begun);
  }, []);

  const sendWaiting = useCallback(
    (wanted: string, all = true): Promise<void> => {
      if (wanted === '') return Promise.resolve();
      // What is handed over while something is under way follows it at once.
      asked.current = { key: wanted, everything: all };
      sending.current ??= (async () => {
        try {
          for (let next = asked.current; next; next = asked.current) {
            asked.current = null;
            const { key, everything } = next;
            const due = <T extends { readonly state: string }>(kept: readonly T[]) => kept.filter(({ state }) => state === 'waiting');
            const [reports, lines, own] = await Promise.all([store.plays(key), store.diary(key), store.inventions(key)]);
            const mayGo = due(reports).filter(({ tried }) => everything || tried !== 'link');
            const more = everything || !ended.current;
            if (mayGo.length + (more ? due(lines).length + due(own).length : 0) === 0) continue;
            setUnderWay(true);
            let taken = false;
            for (const play of mayGo) taken = (await trySending(play)).state === 'received' || taken;
            if (more) {
              taken = (await tryEntries(key, due(lines))) || taken;
              for (const one of due(own)) await tryInvention(key, one);
            }
            await read(key);
            if (taken) loadAgain.current(key);
          }
        } finally {
          setUnderWay(false);
          sending.current = null;
        }
      })();
      return sending.current;
    },
    [read],
  );

  const load = useCallback(
    async (key: string) => {
      let shown = false;
      const show = (next: Loaded) => {
        shown = true;
        if (newest.current === key) setLoaded(next);
      };
      const kept = await store.card(key);
      const slow = setTimeout(() => !shown && kept && show({ kind: 'card', card: kept.card, offline: SLOW }), PATIENCE_MS);
      try {
        const response = await fetch(`/api/v1/home/card?games=${GAMES_OF}`, { headers: { authorization: `Bearer ${key}` }, signal: patience() });
        if (response.ok) {
          const card: unknown = await response.json();
          if (!isCard(card)) throw new Error('not a card');
          show({ kind: 'card', card, offline: null });
          const waiting = await store.takeOver(key, card);
          await store.keepCard(key, card);
          await read(key);
          if (waiting > 0) void sendWaiting(key);
          return;
        }
        if (response.status < 500 && response.status !== 429) {
          ended.current = true;
          const body = (await response.json().catch(() => ({}))) as { problems?: { reason: string; fix: string }[] };
          const words = body.problems?.[0] ? problemLines(body.problems[0]) : /*i18n*/ 'This link does not open.';
          // A card that was open stays open: a go may be under way on it.
          shown = true;
          if (newest.current === key) setLoaded((now) => (now.kind === 'card' ? { ...now, offline: REPLACED } : { kind: 'failed', words }));
          return await read(key);
        }
        show(
          kept
            ? { kind: 'card', card: kept.card, offline: SLOW }
            : { kind: 'failed', words: /*i18n*/ 'The school is busy just now. Try again in a minute.' },
        );
      } catch {
        // No connection: what the phone kept is shown instead.
        show(
          kept
            ? { kind: 'card', card: kept.card, offline: NO_CONNECTION }
            : {
                kind: 'failed',
                words: /*i18n*/ 'There is no connection, and this device has not opened the card before. Try again when there is one.',
              },
        );
      } finally {
        clearTimeout(slow);
      }
      await read(key);
    },
    [read, sendWaiting],
  );
  const loadAgain = useRef((_key: string) => {});
  useEffect(() => {
    loadAgain.current = (key) => void load(key);
  }, [load]);

  useEffect(() => {
    const open = () => {
      const key = tokenInLink();
      newest.current = key;
      ended.current = false;
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
    const timer = setInterval(() => void sendWaiting(token, false), RETRY_MS);
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
    underWay,
    load: () => load(token),
    refresh: () => read(token),
    sendWaiting: () => sendWaiting(token),
  };
}
