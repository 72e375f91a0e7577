'use client';
/** What this device keeps: whose cards, whether the browser promises to keep them, and the worker that opens the page without a connection. */
import { useCallback, useEffect, useState } from 'react';
import { store, type KeptCard } from './store';

export interface Kept {
  /** The browser would not promise to keep what is stored. */
  readonly mayForget: boolean;
  readonly kept: readonly KeptCard[];
  readonly forget: (token: string) => Promise<void>;
}

export function useKept(token: string, open: boolean): Kept {
  const [mayForget, setMayForget] = useState(false);
  const [kept, setKept] = useState<readonly KeptCard[]>([]);
  const read = useCallback(async () => setKept(await store.cards()), []);

  useEffect(() => {
    void read();
  }, [read, token, open]);

  useEffect(() => {
    if (!open) return;
    // Only on a secure context: over plain http there is neither a worker nor a promise.
    void navigator.serviceWorker?.register('/home-sw.js', { scope: '/home' }).catch(() => undefined);
    void navigator.storage?.persist?.().then(
      (promised) => setMayForget(!promised),
      () => setMayForget(true),
    );
  }, [open]);

  const forget = useCallback(
    async (key: string) => {
      await store.forgetChild(key);
      await read();
    },
    [read],
  );
  return { mayForget, kept, forget };
}
