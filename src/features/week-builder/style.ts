'use client';
import { GridList, GridListItem } from 'react-aria-components';
import styled from 'styled-components';
import { Figures } from '@/ui/page';

export const Columns = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 342px;
  gap: var(--space-8);
  align-items: start;
`;

export const Block = styled.section`
  padding: var(--space-5) 0 var(--space-6);
  border-top: 1px solid var(--line);
  &:first-child {
    padding-top: 0;
    border-top: 0;
  }
  & h2 {
    margin-bottom: var(--space-4);
    font-size: var(--type-3);
  }
  & h2 small {
    font-weight: 400;
    color: var(--ink-soft);
  }
  & > * + * {
    margin-top: var(--space-5);
  }
`;

export const ClassRow = styled.div`
  display: grid;
  grid-template-columns: 1fr 180px 1.2fr;
  gap: var(--space-4) var(--space-5);
  align-items: end;
`;

export const WarmUpRow = styled.div`
  display: grid;
  grid-template-columns: 220px 1fr;
  gap: var(--space-4) var(--space-5);
  align-items: end;
`;

export const Pair = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--space-4) var(--space-5);
  align-items: start;
`;

export const Soft = styled.p`
  font-size: var(--type-1);
  color: var(--ink-soft);
`;

export const GamesList = styled(GridList)`
  outline: none;
`;

export const GameItem = styled(GridListItem)`
  display: block;
  border-bottom: 1px solid var(--line);
  outline: none;
  &[data-focus-visible] {
    outline: 3px solid var(--focus);
  }
  &[data-dragging] {
    opacity: 0.5;
  }
`;

export const GameRow = styled.div`
  display: grid;
  grid-template-columns: 28px minmax(0, 1fr) repeat(var(--fields, 1), 150px) 96px;
  gap: var(--space-4);
  align-items: end;
  padding: var(--space-3) 0 var(--space-4);
  & .grip {
    display: grid;
    place-items: center;
    height: 38px;
    border: 0;
    background: none;
    cursor: grab;
    font-weight: 700;
  }
  & .title {
    padding-bottom: var(--space-4);
    font-weight: 600;
  }
  & .title small {
    display: block;
    font-weight: 400;
    color: var(--ink-soft);
  }
  & .acts {
    display: flex;
    gap: var(--space-2);
    padding-bottom: var(--space-2);
  }
  & .acts button {
    display: grid;
    place-items: center;
    width: 28px;
    height: 28px;
    border: 1px solid var(--line-strong);
    border-radius: var(--radius-1);
    background: var(--sheet);
    cursor: pointer;
    &[data-disabled] {
      opacity: 0.35;
      cursor: default;
    }
  }
`;

export const Add = styled.div`
  max-width: 340px;
`;

export const Children = styled.details`
  & summary {
    cursor: pointer;
    min-height: 28px;
  }
`;

export const KitTable = styled(Figures)`
  & td {
    padding: var(--space-2) var(--space-4) var(--space-2) 0;
  }
`;

export const AddThing = styled.form`
  display: flex;
  gap: var(--space-4);
  align-items: end;
  & > :first-child {
    width: 240px;
  }
`;

export const Phone = styled.aside`
  position: sticky;
  top: var(--space-5);
  & > div {
    height: min(680px, calc(100vh - 150px));
    overflow: auto;
    border: 1.5px solid var(--ink);
    border-radius: var(--radius-2);
    background: var(--paper);
    font-size: var(--type-1);
    zoom: 0.86;
  }
  & main {
    min-height: 100%;
  }
  & h2 {
    margin-bottom: var(--space-3);
    font-size: var(--type-2);
    font-weight: 400;
    color: var(--ink-soft);
  }
  & .none {
    padding: var(--space-7);
    color: var(--ink-soft);
  }
`;
