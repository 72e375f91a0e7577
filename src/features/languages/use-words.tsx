'use client';
/** The words of the home pages in the family's language: English unless a page around them says otherwise. */
import { keptSlots } from '@/core/words/speak';
import { createContext, Fragment, use, useEffect, useMemo, useState, type ReactNode } from 'react';
import { english } from '@/core/words/english';
import type { Words } from '@/core/words/words';

/** Each under its own name, and whether somebody who speaks it has read its cautions. */
export const LANGUAGES = [
  { tag: 'en-GB', name: 'English', isRead: true },
  { tag: 'fr', name: 'Français', isRead: false },
] as const;

/** Chosen by tests alone: no family is offered it. */
const PSEUDO = 'pseudo';
const KEPT_AS = 'lochside language';

interface Spoken {
  readonly words: Words;
  readonly choose: (tag: string) => void;
}

const InLanguage = createContext<Spoken>({ words: english, choose: () => undefined });

export const useWords = (): Words => use(InLanguage).words;
export const useChooseLanguage = () => use(InLanguage).choose;

/** Comes when it is asked for: the page itself carries no language but English. */
async function load(tag: string): Promise<Words> {
  if (tag === 'fr') return (await import('@/core/words/french')).french;
  if (tag === PSEUDO) return (await import('@/core/words/pseudo')).pseudo;
  return english;
}

/** What this device was set to; else the first language of the browser that we have. */
function wanted(): string {
  try {
    const kept = localStorage.getItem(KEPT_AS);
    if (kept !== null) return kept;
  } catch {
    // A browser that keeps nothing is asked each time.
  }
  const ours: readonly string[] = LANGUAGES.map(({ tag }) => tag.slice(0, 2));
  return navigator.languages.map((one) => one.slice(0, 2)).find((one) => ours.includes(one)) ?? 'en';
}

/** The family's language around a page, and on the page itself: its direction, its hyphens, its voice. */
export function InFamilyLanguage({ children }: { children: ReactNode }) {
  const [tag, setTag] = useState('en');
  const [words, setWords] = useState(english);
  useEffect(() => setTag(wanted()), []);
  useEffect(() => {
    let current = true;
    // Without a connection a language that was never opened does not come: English stays.
    void load(tag).then(
      (loaded) => current && setWords(loaded),
      () => undefined,
    );
    return () => {
      current = false;
    };
  }, [tag]);
  useEffect(() => {
    const { documentElement: page } = document;
    const { lang, dir } = page;
    page.lang = words.tag;
    page.dir = words.direction;
    return () => {
      page.lang = lang;
      page.dir = dir;
    };
  }, [words]);
  const spoken = useMemo(
    () => ({
      words,
      choose: (next: string) => {
        setTag(next);
        try {
          localStorage.setItem(KEPT_AS, next);
        } catch {
          // It holds until the page is closed.
        }
      },
    }),
    [words],
  );
  return <InLanguage value={spoken}>{children}</InLanguage>;
}

/** A message in which what stands between asterisks is bold. */
export function Bold({ words }: { words: string }) {
  return words.split('*').map((piece, index) => (index % 2 === 1 ? <b key={index}>{piece}</b> : piece));
}

/** For a message whose slots are filled afterwards: each comes out in its braces. */
export const OPEN_SLOTS = keptSlots({});

/** A message whose slots are filled with what can be touched. */
export function Slotted({ words, slots }: { words: string; slots: Readonly<Record<string, ReactNode>> }) {
  return words.split(/\{(\w+)\}/).map((piece, index) => <Fragment key={index}>{index % 2 === 1 ? slots[piece] : piece}</Fragment>);
}
