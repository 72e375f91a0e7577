/** The look of the level strip. */
import { DropIndicator, GridList, GridListItem } from 'react-aria-components';
import styled from 'styled-components';

export const Strip = styled.section<{ $levels: number }>`
  display: grid;
  grid-template-columns:
    repeat(${({ $levels }) => $levels}, minmax(${({ $levels }) => ($levels > 3 ? 168 : 200)}px, 1fr))
    ${({ $levels }) => ($levels > 4 ? 196 : 220)}px;
  border-top: 1px solid var(--ink);
  overflow-x: auto;
  scrollbar-width: thin;
`;

export const LevelBoxes = styled(GridList)<{ $levels: number }>`
  grid-column: 1 / span ${({ $levels }) => $levels};
  display: grid;
  grid-template-columns: subgrid;
  outline: none;
`;

/** Where a dragged level would stand: a bar between two columns, that takes no room of its own. */
export const Landing = styled(DropIndicator)`
  z-index: 1;
  grid-row: 1;
  width: 0;
  &[data-drop-target] {
    outline: 2px solid var(--focus);
  }
`;

export const LevelBox = styled(GridListItem)<{ $on: boolean }>`
  position: relative;
  grid-row: 1;
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  min-width: 0;
  padding: var(--space-4) var(--space-5) var(--space-3);
  border-right: 1px solid var(--line);
  background: ${({ $on }) => ($on ? 'var(--sheet)' : 'transparent')};
  box-shadow: ${({ $on }) => ($on ? 'inset 0 4px 0 var(--gorse)' : 'none')};
  cursor: pointer;
  outline: none;
  &[data-focus-visible] {
    outline: 3px solid var(--focus);
    outline-offset: -3px;
  }
  &[data-dragging] {
    opacity: 0.5;
  }
`;

export const LevelHead = styled.div`
  display: flex;
  align-items: baseline;
  gap: var(--space-1) var(--space-4);
  flex-wrap: wrap;
  & > button {
    border: 0;
    padding: 0;
    min-height: 26px;
    background: none;
    font-size: var(--type-3);
    font-weight: 700;
    cursor: pointer;
    text-align: left;
  }
  & > .grip {
    align-self: center;
    margin-left: -6px;
    color: var(--ink-soft);
    cursor: grab;
  }
  & input {
    width: auto;
    max-width: 100%;
    field-sizing: content;
    min-height: 26px;
    padding: 0;
    border: 0;
    border-bottom: 2px solid transparent;
    background: none;
    font-size: var(--type-3);
    font-weight: 700;
  }
  & input:hover,
  & input:focus {
    border-bottom-color: var(--gorse);
  }
  & span {
    color: var(--ink-soft);
    font-size: var(--type-1);
  }
  & b {
    font-weight: 400;
    font-size: var(--type-3);
  }
`;

export const Chance = styled.div`
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-4);
`;

export const LevelNote = styled.p`
  font-size: var(--type-1);
  color: var(--ink-soft);
`;

export const LengthLine = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1) var(--space-4);
  font-size: var(--type-1);
`;

export const Finder = styled.div`
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  padding: var(--space-2) 0 var(--space-1) var(--space-5);
  font-size: var(--type-2);
  & h2 {
    font-size: var(--type-2);
  }
  & > button {
    min-height: 30px;
    font-size: var(--type-2);
  }
  & .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 1px var(--space-5);
    align-items: center;
    font-size: var(--type-1);
  }
`;
