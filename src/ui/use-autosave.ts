'use client';
import { useEffect, useRef, useState } from 'react';
import { deskFetch } from './desk-fetch';
import { send } from './post';

const WAIT_MS = 700;
const AGAIN_MS = 4000;

export type SaveState =
  | { readonly kind: 'saved'; readonly at: string | null }
  /** Something has been changed since it was saved. */
  | { readonly kind: 'changed'; readonly at: string | null }
  | { readonly kind: 'saving' }
  | { readonly kind: 'waiting'; readonly problem: string }
  | { readonly kind: 'conflict'; readonly problem: string };

/** Whether a draft is saved, in words; `clock` writes a time of the day. */
export function savedWords(state: SaveState, clock: (at: string) => string): string {
  switch (state.kind) {
    case 'changed':
    case 'saving':
      return 'saving …';
    case 'waiting':
      return `not saved yet: ${state.problem}`;
    case 'conflict':
      return 'not saved';
    case 'saved':
      return state.at ? `saved ${clock(state.at)}` : 'saved';
  }
}

/** Whether two drafts hold the very same things. */
const isSame = (one: object, other: object): boolean =>
  Object.keys(one).every((key) => (one as Record<string, unknown>)[key] === (other as Record<string, unknown>)[key]);

export interface Autosaved<T> {
  /** Where it is kept: asked for its revision, sent to with the revision that this window began with. */
  readonly url: string;
  /** "game": what the person is told was changed elsewhere. */
  readonly what: string;
  readonly value: T;
  readonly revision: number;
}

/** Saves a draft a moment after each change; a second window that saved first is told apart, and nothing is overwritten. */
export function useAutosave<T extends object>({
  url,
  what,
  value,
  revision: firstRevision,
}: Autosaved<T>): {
  state: SaveState;
  saveNow: () => Promise<boolean>;
} {
  const [state, setState] = useState<SaveState>({ kind: 'saved', at: null });
  const revision = useRef(firstRevision);
  const saved = useRef(value);
  const newest = useRef(value);
  const running = useRef<Promise<boolean> | null>(null);
  const stopped = useRef(false);
  const announce = useRef<(revision: number) => void>(() => undefined);
  const save = useRef(() => Promise.resolve(false));

  useEffect(() => {
    newest.current = value;
  }, [value]);

  const saveNow = async (): Promise<boolean> => {
    // One at a time, also of several that waited.
    while (running.current) await running.current;
    const draft = newest.current;
    if (stopped.current) return false;
    if (isSame(saved.current, draft)) return true;
    setState({ kind: 'saving' });
    running.current = (async () => {
      const answer = await send<{ revision: number; savedAt: string }>('PUT', url, { revision: revision.current, ...draft });
      if (answer.ok && answer.value) {
        revision.current = answer.value.revision;
        saved.current = draft;
        announce.current(revision.current);
        const { savedAt } = answer.value;
        const behind = !isSame(newest.current, draft);
        setState({ kind: behind ? 'changed' : 'saved', at: savedAt });
        // What was changed (or undone) on the way is still to be sent.
        if (behind) setTimeout(() => void save.current(), WAIT_MS);
        return true;
      }
      if (answer.status === 409) {
        stopped.current = true;
        setState({ kind: 'conflict', problem: answer.problem });
      } else setState({ kind: 'waiting', problem: answer.problem });
      return false;
    })();
    const done = await running.current;
    running.current = null;
    return done;
  };
  useEffect(() => {
    save.current = saveNow;
  });

  useEffect(() => {
    if (isSame(saved.current, value)) {
      // What was changed has been undone before it was sent.
      setState((before) => (before.kind === 'changed' ? { kind: 'saved', at: before.at } : before));
      return;
    }
    if (!stopped.current) setState((before) => (before.kind === 'saved' ? { kind: 'changed', at: before.at } : before));
    const timer = setTimeout(() => void save.current(), WAIT_MS);
    return () => clearTimeout(timer);
  }, [value]);

  useEffect(() => {
    if (state.kind !== 'waiting') return;
    const timer = setTimeout(() => void save.current(), AGAIN_MS);
    return () => clearTimeout(timer);
  }, [state]);

  // Another tab of this browser says at once when it has saved; after a while out of sight the server is asked.
  useEffect(() => {
    const told = (revisionThere: number) => {
      if (stopped.current || running.current || revisionThere <= revision.current) return;
      stopped.current = true;
      setState({ kind: 'conflict', problem: `This ${what} was changed in another window since you opened it here.` });
    };
    const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(url);
    if (channel) channel.onmessage = (event: MessageEvent<number>) => told(event.data);
    announce.current = (saved_) => channel?.postMessage(saved_);
    const look = async () => {
      if (document.visibilityState !== 'visible') return;
      const answer = await deskFetch(url).catch(() => null);
      if (answer?.ok) told(((await answer.json()) as { revision: number }).revision);
    };
    const onSight = () => void look();
    document.addEventListener('visibilitychange', onSight);
    return () => {
      document.removeEventListener('visibilitychange', onSight);
      channel?.close();
    };
  }, [url, what]);

  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (!isSame(saved.current, newest.current)) event.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, []);

  return { state, saveNow };
}
