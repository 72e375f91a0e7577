'use client';
import { useEffect, useLayoutEffect, useState } from 'react';
import styled from 'styled-components';
import { useWords } from '@/features/languages/use-words';
import { FIRST_SIGHT } from './first-sight-painter';
import { pageIsOpen } from './step-title';

/** Until something is painted a word stands here. */
const Painted = styled.div`
  & > main:not([class]) {
    max-width: 520px;
    min-height: 100dvh;
    margin: 0 auto;
    padding: var(--space-5) var(--space-7) var(--space-7);
    font-family: var(--font-child), sans-serif;
    font-size: var(--type-4);
  }
  & button[aria-busy] {
    opacity: 0.6;
  }
`;

/** The card as the school painted it, until the page can act: filled by `paintFirstSight`, which runs before this page is alive. */
export function FirstSight() {
  const { i18n } = useWords();
  // Written once: what was painted over it stays.
  const [html] = useState(() => `<main><div role="status"><h1>${i18n.t('One moment …')}</h1></div></main>`);
  useEffect(pageIsOpen, []);
  useLayoutEffect(nameWindowAsPainted, []);
  return <Painted id={FIRST_SIGHT} suppressHydrationWarning dangerouslySetInnerHTML={{ __html: html }} />;
}

/** The page brings its own name for the window when it comes alive: what is painted goes on naming it. */
function nameWindowAsPainted() {
  const named = () => {
    const step = document.querySelector(`#${FIRST_SIGHT} main[class] h1`)?.textContent;
    const name = `${step} · Lochside`;
    if (step && document.title !== name) document.title = name;
  };
  named();
  const watched = new MutationObserver(named);
  watched.observe(document.head, { childList: true, subtree: true, characterData: true });
  return () => watched.disconnect();
}

const isNamed = (name: string) => (button: HTMLElement | null | undefined) =>
  button !== null && button !== undefined && (button.getAttribute('aria-label') ?? button.textContent) === name;

/** Whoever lets go is given so long for a click of the browser's own. Milliseconds. */
const CLICK_COMES_MS = 50;

/** The page came alive under a finger: the button that was pressed is gone, the one in its place is pressed when the finger is lifted from it. */
function pressWhenLetGo(held: string): () => void {
  const isHeld = isNamed(held);
  const ended = new AbortController();
  const { signal } = ended;
  const letGo = ({ clientX, clientY }: PointerEvent) => {
    const button = document.elementFromPoint(clientX, clientY)?.closest('button');
    if (!isHeld(button)) return ended.abort();
    const own = setTimeout(() => {
      ended.abort();
      button?.click();
    }, CLICK_COMES_MS);
    signal.addEventListener('abort', () => clearTimeout(own));
  };
  const clicked = ({ target }: MouseEvent) => isHeld((target as Element).closest('button')) && ended.abort();
  document.addEventListener('pointerup', letGo, { once: true, signal });
  document.addEventListener('pointercancel', () => ended.abort(), { once: true, signal });
  document.addEventListener('click', clicked, { capture: true, signal });
  return () => ended.abort();
}

/** A button that was tapped before the page could act is pressed once it can. */
export function useTapOnFirstSight(isAlive: boolean) {
  // At once, before anybody can let go.
  useLayoutEffect(() => {
    const { lochsideHeld: held } = window;
    return isAlive && held !== undefined ? pressWhenLetGo(held) : undefined;
  }, [isAlive]);
  useEffect(() => {
    const name = window.lochsideTapped;
    if (!isAlive || name === undefined) return;
    delete window.lochsideTapped;
    [...document.querySelectorAll<HTMLElement>('main button')].find(isNamed(name))?.click();
  }, [isAlive]);
}
