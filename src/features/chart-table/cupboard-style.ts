'use client';
import { narrow } from '@/design/breakpoints';
import styled from 'styled-components';

export const Shelves = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: 22px;
  height: min(500px, 62vh);
  @media ${narrow} {
    grid-template-columns: 1fr;
  }
`;

export const Board = styled.div<{ $wide?: boolean }>`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(${({ $wide }) => ($wide ? 220 : 128)}px, 1fr));
  align-content: start;
  gap: 8px;
  overflow-y: auto;
  padding: 4px 10px 4px 4px;
  scrollbar-width: thin;
  & h3 {
    grid-column: 1 / -1;
    font-size: var(--type-1);
    color: var(--ink-soft);
    font-weight: 600;
  }
`;

export const Card = styled.button`
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 3px;
  padding: 6px 4px 5px;
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

export const About = styled.div`
  display: flex;
  flex-direction: column;
  gap: 9px;
  overflow-y: auto;
  padding: 2px 4px 2px 0;
  font-size: var(--type-2);
  & h3 {
    font-size: var(--type-3);
  }
  & ul {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 2px 16px;
    margin: 0;
    padding: 0;
    list-style: none;
    font-size: var(--type-1);
  }
  & .views {
    display: flex;
    gap: 14px;
    align-items: end;
    min-height: 116px;
    border-bottom: 1px solid var(--line);
    padding-bottom: 6px;
  }
  & figure {
    display: flex;
    flex-direction: column;
    gap: 4px;
    margin: 0;
    font-size: var(--type-1);
    color: var(--ink-soft);
  }
`;

export const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 8px 14px;
`;
