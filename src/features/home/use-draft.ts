'use client';
/** What is being written, kept on this device at every key: a reload or a closed tab loses nothing. Local storage answers at once. */
import { useCallback, useState } from 'react';

const name = (key: string) => `lochside-draft ${key}`;

function kept<T>(key: string): T | undefined {
  try {
    return (JSON.parse(localStorage.getItem(name(key)) ?? 'null') as T | null) ?? undefined;
  } catch {
    return undefined;
  }
}

function forgetDraft(key: string): void {
  try {
    localStorage.removeItem(name(key));
  } catch {
    // Where nothing can be kept there is nothing to forget.
  }
}

export function useDraft<T>(key: string, first: () => T): [T, (next: T) => void, () => void] {
  const [value, setValue] = useState<T>(() => kept<T>(key) ?? first());
  const put = useCallback(
    (next: T) => {
      setValue(next);
      try {
        localStorage.setItem(name(key), JSON.stringify(next));
      } catch {
        // A full or forbidden storage: what is written still stands on the screen.
      }
    },
    [key],
  );
  const forget = useCallback(() => forgetDraft(key), [key]);
  return [value, put, forget];
}

/** Forgets everything that was being written for a child who is taken off this device. */
export function forgetDraftsOf(token: string): void {
  try {
    for (const key of Object.keys(localStorage)) if (key.startsWith(name(token))) localStorage.removeItem(key);
  } catch {
    // As above.
  }
}

/** What was being written under another link of the same child goes on under this one; what is written here already stays. */
export function moveDrafts(from: string, to: string): void {
  try {
    for (const key of Object.keys(localStorage))
      if (key.startsWith(name(from))) {
        const moved = name(to) + key.slice(name(from).length);
        if (localStorage.getItem(moved) === null) localStorage.setItem(moved, localStorage.getItem(key)!);
        localStorage.removeItem(key);
      }
  } catch {
    // As above.
  }
}
