'use client';
import { useEffect, useRef, useState } from 'react';
import type { Game } from '@/core/rules/format/game';
import { deskFetch } from '@/ui/desk-fetch';
import { send } from '@/ui/post';

const WAIT_MS = 700;
const AGAIN_MS = 4000;

export type SaveState =
  | { readonly kind: 'saved'; readonly at: string | null }
  /** Something has been changed since it was saved. */
  | { readonly kind: 'changed'; readonly at: string | null }
  | { readonly kind: 'saving' }
  | { readonly kind: 'waiting'; readonly problem: string }
  | { readonly kind: 'conflict'; readonly problem: string };

/** Saves the draft a moment after each change; a second window that saved first is told apart, and nothing is overwritten. */
export function useAutosave(id: string, game: Game, ageYears: number, firstRevision: number): { state: SaveState; saveNow: () => Promise<boolean> } {
  const [state, setState] = useState<SaveState>({ kind: 'saved', at: null });
  const revision = useRef(firstRevision);
  const saved = useRef({ game, ageYears });
  const newest = useRef({ game, ageYears });
  const running = useRef<Promise<boolean> | null>(null);
  const stopped = useRef(false);
  const announce = useRef<(revision: number) => void>(() => undefined);
  const save = useRef(() => Promise.resolve(false));

  useEffect(() => {
    newest.current = { game, ageYears };
  }, [game, ageYears]);

  const saveNow = async (): Promise<boolean> => {
    // One at a time, also of several that waited.
    while (running.current) await running.current;
    const { game: draft, ageYears: age } = newest.current;
    if (stopped.current) return false;
    if (saved.current.game === draft && saved.current.ageYears === age) return true;
    setState({ kind: 'saving' });
    running.current = (async () => {
      const answer = await send<{ revision: number; savedAt: string }>('PUT', `/api/v1/games/${id}`, {
        revision: revision.current,
        ageYears: age,
        game: draft,
      });
      if (answer.ok && answer.value) {
        revision.current = answer.value.revision;
        saved.current = { game: draft, ageYears: age };
        announce.current(revision.current);
        const { savedAt } = answer.value;
        const behind = newest.current.game !== draft || newest.current.ageYears !== age;
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
    if (saved.current.game === game && saved.current.ageYears === ageYears) {
      // What was changed has been undone before it was sent.
      setState((before) => (before.kind === 'changed' ? { kind: 'saved', at: before.at } : before));
      return;
    }
    if (!stopped.current) setState((before) => (before.kind === 'saved' ? { kind: 'changed', at: before.at } : before));
    const timer = setTimeout(() => void save.current(), WAIT_MS);
    return () => clearTimeout(timer);
  }, [game, ageYears]);

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
      setState({ kind: 'conflict', problem: 'This game was changed in another window since you opened it here.' });
    };
    const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(`game ${id}`);
    if (channel) channel.onmessage = (event: MessageEvent<number>) => told(event.data);
    announce.current = (saved_) => channel?.postMessage(saved_);
    const look = async () => {
      if (document.visibilityState !== 'visible') return;
      const answer = await deskFetch(`/api/v1/games/${id}`).catch(() => null);
      if (answer?.ok) told(((await answer.json()) as { revision: number }).revision);
    };
    const onSight = () => void look();
    document.addEventListener('visibilitychange', onSight);
    return () => {
      document.removeEventListener('visibilitychange', onSight);
      channel?.close();
    };
  }, [id]);

  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (saved.current.game !== newest.current.game) event.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, []);

  return { state, saveNow };
}
