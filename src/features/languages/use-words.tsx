'use client';
/** The words of the home pages in the family's language: English unless a page around them says otherwise. */
import { keptSlots } from '@/core/words/speak';
import { createContext, Fragment, use, useEffect, useMemo, useState, type ReactNode } from 'react';
import { LOADERS } from '@/core/words/compiled/languages';
import { english } from '@/core/words/english';
import type { Words } from '@/core/words/words';
import { deviceLanguage, KEPT_AS, OURS } from './device-language';

/** Chosen by tests alone: no family is offered it. */
const PSEUDO = 'pseudo';

interface Spoken {
  readonly words: Words;
  /** False until the language of this device has come, or cannot. */
  readonly settled: boolean;
  readonly choose: (tag: string) => void;
}

/** A language that has not come after so long is put in its place when it comes. Milliseconds. */
const PATIENCE_MS = 10_000;

const InLanguage = createContext<Spoken>({ words: english, settled: true, choose: () => undefined });

export const useWords = (): Words => use(InLanguage).words;
export const useChooseLanguage = () => use(InLanguage).choose;
export const useWordsSettled = (): boolean => use(InLanguage).settled;

/** Comes when it is asked for: the page itself carries no language but English. */
export async function wordsOf(tag: string): Promise<Words> {
  if (tag === PSEUDO) return (await import('@/core/words/pseudo')).pseudo;
  const loader = Object.hasOwn(LOADERS, tag) ? LOADERS[tag] : undefined;
  if (!loader) return english;
  const [{ languageOf }, { file, messages }] = await Promise.all([import('@/core/words/language-file'), loader()]);
  return languageOf(tag, file, messages);
}

/** The family's language around a page, and on the page itself: its direction, its hyphens, its voice. */
export function InFamilyLanguage({ children }: { children: ReactNode }) {
  const [tag, setTag] = useState<string | null>(null);
  const [words, setWords] = useState(english);
  const [settled, setSettled] = useState(false);
  useEffect(() => setTag(deviceLanguage(KEPT_AS, OURS)), []);
  useEffect(() => {
    if (tag === null) return;
    let current = true;
    const settle = (loaded: Words | null) => {
      if (!current) return;
      if (loaded) setWords(loaded);
      setSettled(true);
    };
    // Without a connection a language that was never opened does not come: English stays.
    wordsOf(tag).then(settle, () => settle(null));
    // Nor is it waited for without end: the card must be able to act.
    const patience = setTimeout(() => settle(null), PATIENCE_MS);
    return () => {
      clearTimeout(patience);
      current = false;
    };
  }, [tag]);
  useEffect(() => {
    if (!settled) return;
    const { documentElement: page } = document;
    const { lang, dir } = page;
    page.lang = words.tag;
    page.dir = words.direction;
    return () => {
      page.lang = lang;
      page.dir = dir;
    };
  }, [words, settled]);
  const spoken = useMemo(
    () => ({
      words,
      settled,
      choose: (next: string) => {
        setTag(next);
        try {
          localStorage.setItem(KEPT_AS, next);
        } catch {
          // It holds until the page is closed.
        }
      },
    }),
    [words, settled],
  );
  return <InLanguage value={spoken}>{children}</InLanguage>;
}

/** Words that are there already around what is rendered away from a device. */
export function InTheseWords({ words, children }: { words: Words; children: ReactNode }) {
  const spoken = useMemo(() => ({ words, settled: true, choose: () => undefined }), [words]);
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
