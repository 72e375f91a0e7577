'use client';
import styled from 'styled-components';

export const Told = styled.section`
  & h1 {
    margin: 0 0 2px;
    font-size: var(--type-4);
  }
  & blockquote {
    margin: 12px 0;
    padding: 2px 0 2px 12px;
    border-left: 3px solid var(--rowan);
    font-size: var(--type-3);
  }
`;

/** Fields side by side in which a score is written. */
export const EntryFields = styled.form`
  display: flex;
  align-items: start;
  flex-wrap: wrap;
  gap: 10px 14px;
  /* What stands beside the fields stands on their line. */
  & > span,
  & > button {
    margin-top: 24px;
    min-height: 38px;
  }
  & > span {
    padding-top: 8px;
  }
  & .problem {
    display: block;
    max-width: 14rem;
    margin-top: 3px;
    font-size: var(--type-1);
    color: var(--rowan);
  }
  & label {
    display: flex;
    flex-direction: column;
    gap: 3px;
    font-size: var(--type-1);
    color: var(--ink-soft);
  }
  & input,
  & select {
    min-height: 38px;
    padding: 3px 8px;
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
