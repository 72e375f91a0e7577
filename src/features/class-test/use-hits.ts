'use client';
/** Hits are kept on the device as they are tapped, and sent one after the other; what has not arrived is sent again until it has. */
import { useCallback, useEffect, useRef, useState } from 'react';
import type { ClassTestSheet } from '@/contract/class-test';
import { send } from '@/ui/post';
import type { KeyedMutator } from 'swr';
import { cellKey, firstWaiting, readWaiting, withHits, withoutArrived, type HitsWaiting } from './model';

const AGAIN_MS = 4000;

const storeKey = (testId: string) => `class-test ${testId}`;

/** A device that keeps nothing: it stays in this page. */
function keep(testId: string, waiting: HitsWaiting): void {
  try {
    if (Object.keys(waiting).length === 0) localStorage.removeItem(storeKey(testId));
    else localStorage.setItem(storeKey(testId), JSON.stringify(waiting));
  } catch {
    // Said by the line that tells what has not arrived.
  }
}

function kept(testId: string): HitsWaiting {
  try {
    return readWaiting(localStorage.getItem(storeKey(testId)));
  } catch {
    return {};
  }
}

export interface SentHits {
  readonly waiting: HitsWaiting;
  /** One sentence where the school refused something; empty for nothing. */
  readonly problem: string;
  readonly offline: boolean;
  readonly tap: (childId: string, mark: number, hits: number | null) => void;
}

/** `ready` once the test is there: what arrived is told to it, and telling it earlier would throw its first answer away. */
export function useHits(testId: string, ready: boolean, mutate: KeyedMutator<ClassTestSheet>): SentHits {
  const [waiting, setWaiting] = useState<HitsWaiting>({});
  const [problem, setProblem] = useState('');
  const [offline, setOffline] = useState(false);
  const now = useRef<HitsWaiting>({});
  const sending = useRef(false);
  const put = useCallback(
    (next: HitsWaiting) => {
      now.current = next;
      keep(testId, next);
      setWaiting(next);
    },
    [testId],
  );
  const sendAll = useCallback(async () => {
    if (sending.current) return;
    sending.current = true;
    for (let next = firstWaiting(now.current); next; next = firstWaiting(now.current)) {
      const answer = await send('PUT', `/api/v1/class-tests/${testId}/hits`, next);
      setOffline(answer.status === 0 || answer.status >= 500);
      if (answer.status === 0 || answer.status >= 500 || answer.status === 429) break;
      // What is refused is said, and is not sent for ever.
      setProblem(answer.ok ? '' : answer.problem);
      put(withoutArrived(now.current, next));
      if (answer.ok) void mutate((sheet) => sheet && withHits(sheet, next), { revalidate: false });
    }
    sending.current = false;
  }, [testId, put, mutate]);
  useEffect(() => {
    put({ ...kept(testId), ...now.current });
    if (!ready) return undefined;
    void sendAll();
    const again = setInterval(() => void sendAll(), AGAIN_MS);
    return () => clearInterval(again);
  }, [testId, ready, put, sendAll]);
  const tap = useCallback(
    (childId: string, mark: number, hits: number | null) => {
      put({ ...now.current, [cellKey(childId, mark)]: hits });
      void sendAll();
    },
    [put, sendAll],
  );
  return { waiting, problem, offline, tap };
}
