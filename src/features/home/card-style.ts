'use client';
import styled from 'styled-components';
import { TextButton } from '../counter/text-button';

export const KeptNote = styled.p`
  padding: var(--space-4) var(--space-5);
  border-inline-start: 5px solid var(--tide);
  background: var(--sheet);
  font-size: var(--type-3);
`;

export const GameLine = styled.li`
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: center;
  gap: var(--space-1) var(--space-5);
  & small {
    grid-column: 1;
  }
  & > button {
    grid-row: 1 / span 2;
    grid-column: 2;
    min-height: 48px;
    padding: 0 var(--space-6);
    border: 2px solid var(--ink);
    border-radius: var(--radius-2);
    background: var(--sheet);
    font-weight: 700;
    cursor: pointer;
  }
  & > button:disabled {
    border-style: dashed;
    color: var(--ink-soft);
    cursor: default;
  }
`;

export const SmallText = styled(TextButton)`
  && {
    min-height: 32px;
  }
`;
