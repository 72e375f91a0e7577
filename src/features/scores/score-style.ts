'use client';
import styled from 'styled-components';

export const Told = styled.section`
  & h1 {
    margin: 0 0 var(--space-1);
    font-size: var(--type-4);
  }
  & blockquote {
    margin: var(--space-5) 0;
    padding: var(--space-1) 0 var(--space-1) var(--space-5);
    border-left: 3px solid var(--rowan);
    font-size: var(--type-3);
  }
`;

/** Fields side by side in which a score is written. */
export const EntryFields = styled.form`
  display: flex;
  align-items: start;
  flex-wrap: wrap;
  gap: var(--space-4) var(--space-5);
  /* What stands beside the fields stands on their line. */
  & > span,
  & > button {
    margin-top: var(--space-7);
    min-height: 38px;
  }
  & > span {
    padding-top: var(--space-4);
  }
  & .problem {
    display: block;
    max-width: 14rem;
    margin-top: var(--space-2);
    font-size: var(--type-1);
    color: var(--rowan);
  }
  & label {
    display: flex;
    flex-direction: column;
    gap: var(--space-2);
    font-size: var(--type-1);
    color: var(--ink-soft);
  }
  & input,
  & select {
    min-height: 38px;
    padding: var(--space-2) var(--space-4);
    border: 0;
    border-bottom: 2.5px solid var(--gorse);
    background: var(--sheet);
    color: var(--ink);
    font: inherit;
    font-size: var(--type-3);
  }
  & input:focus-visible,
  & select:focus-visible {
    outline: 3px solid var(--focus);
    outline-offset: 1px;
  }
`;

/** Where a chart is drawn: as wide as there is room, whole on paper. */
export const ChartPlace = styled.div<{ $height: number }>`
  width: 100%;
  height: ${({ $height }) => $height}px;
  break-inside: avoid;
`;
