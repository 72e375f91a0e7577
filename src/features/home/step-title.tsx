'use client';
import { createContext, use, useEffect, useLayoutEffect, useRef } from 'react';
import styled from 'styled-components';

const Title = styled.h1<{ $unseen: boolean }>`
  ${({ $unseen }) => $unseen && 'position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%); white-space: nowrap;'}
  /* Nothing is pressed here: it is where reading begins. */
  &:focus {
    outline: none;
  }
`;

/** True on a child's page; a card that is looked at on the desk names no window and takes no focus. */
export const OnOwnPage = createContext(false);

/** The first heading of a page that was opened is read with the page; every later one is a step that somebody took. */
let opened = false;

/** Something to read was there before the first step. */
export const pageIsOpen = () => {
  opened = true;
};

/**
 * The heading of a step. The window is named by it, and the focus goes to it, so that whoever hears the page is told where they are and reads on
 * from there. `unseen` where the screen says it otherwise.
 */
export function StepTitle({ children, unseen = false }: { children: string; unseen?: boolean }) {
  const heading = useRef<HTMLHeadingElement>(null);
  const ownPage = use(OnOwnPage);
  // Before anything is painted: what is read and what the window is called are one.
  useLayoutEffect(() => {
    if (ownPage) document.title = `${children} · Lochside`;
  }, [children, ownPage]);
  useEffect(() => {
    if (!ownPage) return;
    if (opened) heading.current?.focus({ preventScroll: true });
    opened = true;
  }, [ownPage]);
  return (
    <Title ref={heading} tabIndex={-1} $unseen={unseen}>
      {children}
    </Title>
  );
}
