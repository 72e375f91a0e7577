'use client';
import styled, { css } from 'styled-components';

/** The child's page: one thing a screen, one thumb, read in sunlight. */
export const Screen = styled.main`
  display: flex;
  flex-direction: column;
  gap: var(--space-5);
  min-height: 100dvh;
  max-width: 520px;
  margin: 0 auto;
  padding: var(--space-5) var(--space-7) var(--space-7);
  font-family: var(--font-child), sans-serif;
  font-size: var(--type-4);
  line-height: 1.45;
  /* A floor has no reading direction: what is drawn stays where it is. */
  & svg {
    direction: ltr;
  }
  & h1 {
    font-size: var(--type-6);
  }
  & h2 {
    font-size: var(--type-4);
  }
  & h3 {
    font-size: var(--type-3);
  }
`;

export const TopLine = styled.div`
  display: flex;
  justify-content: space-between;
  gap: var(--space-5);
  font-size: var(--type-3);
  color: var(--ink-soft);
`;

const bigShape = css`
  display: flex;
  align-items: center;
  justify-content: center;
  gap: var(--space-4);
  width: 100%;
  min-height: 64px;
  padding: var(--space-4) var(--space-6);
  border: 2px solid var(--ink);
  border-radius: var(--radius-2);
  font-size: var(--type-4);
  font-weight: 700;
  cursor: pointer;
  touch-action: manipulation;
  &:disabled {
    opacity: 0.45;
    cursor: default;
  }
`;

export const Big = styled.button`
  ${bigShape}
  background: var(--ink);
  color: var(--on-ink);
`;

export const Plain = styled.button`
  ${bigShape}
  min-height: 52px;
  background: var(--sheet);
  color: var(--ink);
  font-size: var(--type-4);
`;

/** What to do next, at the foot; kept in sight where the page is longer than the screen. */
export const Bottom = styled.div<{ $inSight?: boolean }>`
  display: flex;
  flex-direction: column;
  gap: var(--space-4);
  margin-top: auto;
  padding-top: var(--space-4);
  ${({ $inSight }) =>
    $inSight &&
    css`
      /* On a low screen it would hide what it stands over. */
      @media (min-height: 700px) {
        position: sticky;
        bottom: 0;
        padding-bottom: var(--space-5);
        background: var(--paper);
      }
    `}
`;

export const Ruled = styled.ul`
  margin: 0;
  padding: 0;
  list-style: none;
  & li {
    padding: var(--space-4) 0;
    border-bottom: 1px solid var(--line);
  }
  & li small {
    display: block;
    font-size: var(--type-2);
    color: var(--ink-soft);
  }
`;

export const Caution = styled.ul`
  margin: 0;
  padding: 0 0 0 var(--space-5);
  border-inline-start: 5px solid var(--rowan);
  list-style: none;
  & li {
    padding: var(--space-2) 0;
  }
`;

/** What opens more of a card: as large as a button. */
export const Summary = styled.summary`
  min-height: 44px;
  cursor: pointer;
`;

/** A score that is typed, large. */
export const TypedWhole = styled.label`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-5);
  font-size: var(--type-4);
  & input {
    width: 7rem;
    min-height: 60px;
    border: 0;
    border-bottom: 3px solid var(--gorse);
    background: transparent;
    text-align: center;
    font-size: var(--type-6);
    font-weight: 700;
  }
`;
