/** The look of making a game of one's own. */
import styled from 'styled-components';

export const FloorDrawing = styled.svg`
  display: block;
  width: 100%;
  border: 1.5px solid var(--ink);
  background: var(--band-1);
  touch-action: none;
  cursor: crosshair;
  & g[role='button'] {
    cursor: grab;
    outline: none;
  }
  &:focus-visible {
    outline: 3px solid var(--focus);
    outline-offset: 2px;
  }
  & g[role='button']:focus-visible .ring {
    stroke: var(--focus);
    stroke-width: 3;
  }
`;

export const ThingBar = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  & button {
    min-height: 44px;
    padding: 0 var(--space-5);
    border: 1.5px solid var(--line-strong);
    border-radius: var(--radius-1);
    background: var(--sheet);
    color: inherit;
    cursor: pointer;
  }
  & button[aria-pressed='true'] {
    border-color: var(--ink);
    box-shadow: inset 0 -4px 0 var(--gorse);
    font-weight: 700;
  }
`;

export const SlotLine = styled.p`
  line-height: 2.3;
  & select,
  & input {
    min-height: 44px;
    padding: var(--space-1) var(--space-4);
    border: 0;
    border-bottom: 3px solid var(--gorse);
    background: var(--sheet);
    color: inherit;
    font: inherit;
    font-weight: 700;
  }
`;

export const PointsRow = styled.li`
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: var(--space-6);
`;

export const GapNote = styled.p`
  color: var(--ink-soft);
`;

export const AskedLine = styled.p`
  text-align: center;
`;
