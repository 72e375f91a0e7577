/** The look of the chart table. */
import { medium, narrow } from '@/design/breakpoints';
import styled from 'styled-components';

export const TablePage = styled.main`
  & progress {
    height: 10px;
    accent-color: var(--band-5);
  }
  max-width: 1320px;
  margin: 0 auto;
  padding: var(--space-3) var(--space-7) var(--space-3);
`;

export const Head = styled.header`
  display: flex;
  align-items: center;
  gap: var(--space-5);
  min-height: 48px;
  margin-bottom: var(--space-1);
  & .title {
    font-size: var(--type-5);
    font-weight: 700;
    letter-spacing: -0.01em;
    border: 0;
    border-bottom: 2px solid transparent;
    background: transparent;
    padding: 0 var(--space-1);
    min-width: 6rem;
    &:hover,
    &:focus {
      border-bottom-color: var(--gorse);
    }
  }
  & .about {
    flex: 1;
    color: var(--ink-soft);
    font-size: var(--type-2);
    min-width: 0;
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
    /* Where it would be cut off it says nothing. */
    @media ${medium} {
      visibility: hidden;
    }
  }
`;

export const Table = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1.88fr) minmax(320px, 1fr);
  gap: var(--space-7);
  align-items: start;
  margin-bottom: var(--space-4);
  @media ${narrow} {
    grid-template-columns: 1fr;
  }
`;

export const SidePanel = styled.div`
  display: flex;
  flex-direction: column;
  gap: var(--space-4);
  height: max(440px, calc(100vh - 360px));
  overflow-y: auto;
  scrollbar-width: thin;
`;

export const SideStack = styled.div`
  display: flex;
  flex-direction: column;
  gap: var(--space-4);
`;

export const Foot = styled.div`
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: var(--space-2) var(--space-7);
  margin-top: var(--space-3);
  font-size: var(--type-1);
  color: var(--ink-soft);
`;

export const ShownFor = styled.div`
  display: flex;
  align-items: center;
  gap: var(--space-4);
  font-size: var(--type-2);
  color: var(--ink-soft);
  white-space: nowrap;
`;

export const Saved = styled.span`
  font-size: var(--type-1);
  color: var(--ink-soft);
  white-space: nowrap;
`;
