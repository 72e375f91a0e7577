'use client';
import { narrow } from '@/design/breakpoints';
import styled from 'styled-components';

export const Shelves = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: var(--space-7);
  height: min(500px, 62vh);
  @media ${narrow} {
    grid-template-columns: 1fr;
  }
`;

export const Board = styled.div<{ $wide?: boolean }>`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(${({ $wide }) => ($wide ? 220 : 128)}px, 1fr));
  align-content: start;
  gap: var(--space-4);
  overflow-y: auto;
  padding: var(--space-2) var(--space-4) var(--space-2) var(--space-2);
  scrollbar-width: thin;
  & h3 {
    grid-column: 1 / -1;
    font-size: var(--type-1);
    color: var(--ink-soft);
    font-weight: 600;
  }
`;

export const ShelfCard = styled.button`
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: var(--space-2);
  padding: var(--space-3) var(--space-2) var(--space-2);
  border: 1px solid var(--line);
  border-radius: var(--radius-1);
  background: var(--sheet);
  cursor: pointer;
  font-size: var(--type-1);
  line-height: 1.2;
  text-align: center;
  & svg.chart {
    width: 100%;
    height: 118px;
    border: 1px solid var(--line);
  }
  &:hover {
    border-color: var(--ink);
  }
  &[aria-pressed='true'] {
    border-color: var(--ink);
    box-shadow: inset 0 -4px 0 var(--gorse);
    font-weight: 600;
  }
`;

/** It may be longer than there is room: it is reached, and moved, by keys too. */
export const About = styled.div.attrs({ role: 'group', 'aria-label': 'About it', tabIndex: 0 })`
  display: flex;
  flex-direction: column;
  gap: var(--space-4);
  overflow-y: auto;
  padding: var(--space-1) var(--space-2) var(--space-1) 0;
  font-size: var(--type-2);
  & h3 {
    font-size: var(--type-3);
  }
  & ul {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: var(--space-1) var(--space-6);
    margin: 0;
    padding: 0;
    list-style: none;
    font-size: var(--type-1);
  }
  & .views {
    display: flex;
    gap: var(--space-5);
    align-items: end;
    /* In a column that scrolls it would be squeezed, and the drawing cut. */
    flex: none;
    border-bottom: 1px solid var(--line);
    padding-bottom: var(--space-3);
  }
  & figure {
    display: flex;
    flex-direction: column;
    gap: var(--space-2);
    margin: 0;
    font-size: var(--type-1);
    color: var(--ink-soft);
  }
`;

export const ShelfRow = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: var(--space-4) var(--space-5);
`;
