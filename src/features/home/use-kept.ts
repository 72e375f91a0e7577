'use client';
/** What this device keeps: whose cards, whether the browser promises to keep them, and the worker that opens the page without a connection. */
import { useCallback, useEffect, useState } from 'react';
import { store, type KeptCard } from './store';

export interface Kept {
  /** The browser would not promise to keep what is stored. */
  readonly mayForget: boolean;
  /** Over plain http: no worker, so that the page does not open without a connection. */
  readonly onlyOnline: boolean;
  readonly kept: readonly KeptCard[];
  readonly forget: (token: string) => Promise<void>;
}

/** Milliseconds after which what is loaded in advance is asked for, where the browser does not say when it is idle. */
const IDLE_MS = 1200;

/** `later` holds what the page loads when it is needed; it is fetched in advance, so that it is there without a connection. */
export function useKept(token: string, open: boolean, later: Readonly<Record<string, () => Promise<unknown>>>): Kept {
  const [mayForget, setMayForget] = useState(false);
  const [onlyOnline, setOnlyOnline] = useState(false);
  const [kept, setKept] = useState<readonly KeptCard[]>([]);
  const read = useCallback(async () => setKept(await store.cards()), []);

  useEffect(() => {
    void read();
  }, [read, token, open]);

  useEffect(() => {
    if (!open) return;
    // Only on a secure context: over plain http there is neither a worker nor a promise.
    setOnlyOnline(!window.isSecureContext);
    void navigator.serviceWorker?.register('/home-sw.js', { scope: '/home' }).catch(() => undefined);
    const timer = setTimeout(() => void keepParts(later), IDLE_MS);
    void navigator.storage?.persist?.().then(
      (promised) => setMayForget(!promised),
      () => setMayForget(true),
    );
    return () => clearTimeout(timer);
  }, [open, later]);

  const forget = useCallback(
    async (key: string) => {
      await store.forgetChild(key);
      await read();
    },
    [read],
  );
  return { mayForget, onlyOnline, kept, forget };
}

/** Loads what the page is made of and tells the worker of all that was loaded: some came before it was there. */
async function keepParts(later: Readonly<Record<string, () => Promise<unknown>>>): Promise<void> {
  await Promise.all(Object.values(later).map((load) => load())).catch(() => undefined);
  const worker = (await navigator.serviceWorker?.ready)?.active;
  const loaded = performance
    .getEntriesByType('resource')
    .map(({ name }) => new URL(name))
    .filter(({ origin, pathname }) => origin === window.location.origin && pathname.startsWith('/_next/static/'));
  worker?.postMessage({ keep: loaded.map(({ pathname, search }) => `${pathname}${search}`) });
}
