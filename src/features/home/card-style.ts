'use client';
import styled from 'styled-components';
import { TextButton } from '../counter/counter-style';

export const Kept = styled.p`
  padding: 8px 12px;
  border-inline-start: 5px solid var(--tide);
  background: var(--sheet);
  font-size: var(--type-3);
`;

export const Game = styled.li`
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: center;
  gap: 2px 12px;
  & small {
    grid-column: 1;
  }
  & button {
    grid-row: 1 / span 2;
    grid-column: 2;
    min-height: 48px;
    padding: 0 16px;
    border: 2px solid var(--ink);
    border-radius: var(--radius-2);
    background: var(--sheet);
    font-weight: 700;
    cursor: pointer;
  }
  & button:disabled {
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
