'use client';
import { useEffect } from 'react';
import styled from 'styled-components';
import { useWords } from '@/features/languages/use-words';
import { FIRST_SIGHT } from './first-sight-painter';
import { Screen } from './home-style';
import { pageIsOpen } from './step-title';

/** What the school has painted stands in the place of "One moment …". */
const Painted = styled.div`
  &:not(:empty) + main {
    display: none;
  }
  & button[aria-busy] {
    opacity: 0.6;
  }
`;

/** The card as the school painted it, until the page can act: filled by `paintFirstSight`, which runs before this page is alive. */
export function FirstSight() {
  const { i18n } = useWords();
  useEffect(pageIsOpen, []);
  return (
    <>
      <Painted id={FIRST_SIGHT} suppressHydrationWarning dangerouslySetInnerHTML={{ __html: '' }} />
      <Screen>
        <div role="status">
          <h1>{i18n.t('One moment …')}</h1>
        </div>
      </Screen>
    </>
  );
}

/** A button that was tapped before the page could act is pressed once it can. */
export function useTapOnFirstSight(isAlive: boolean) {
  useEffect(() => {
    const name = window.lochsideTapped;
    if (!isAlive || name === undefined) return;
    delete window.lochsideTapped;
    const named = (button: HTMLElement) => (button.getAttribute('aria-label') ?? button.textContent) === name;
    [...document.querySelectorAll<HTMLElement>('main button')].find(named)?.click();
  }, [isAlive]);
}
