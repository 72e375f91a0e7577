'use client';
import styled from 'styled-components';
import { Page } from '@/ui/page';

/** Wide on the screen, and one lying page of paper. */
export const PlanFrame = styled(Page)`
  @media print {
    page: lying;
    padding: 0;
    & [role='status'],
    & .remarks {
      display: none;
    }
  }
`;

export const PlanBoard = styled.div<{ $wide: boolean }>`
  display: grid;
  grid-template-columns: ${({ $wide }) => ($wide ? 'minmax(0, 1fr)' : 'minmax(0, 1fr) 340px')};
  gap: var(--space-7);
  align-items: start;
  @media print {
    grid-template-columns: minmax(0, 1fr);
    & > aside {
      display: none;
    }
  }
`;

export const GridSheet = styled.div`
  overflow-x: auto;
  padding-bottom: var(--space-4);
  @media print {
    overflow: visible;
  }
`;

export const Grid = styled.table`
  border-collapse: separate;
  border-spacing: 0;
  min-width: 100%;
  font-size: var(--type-1);
  line-height: 1.25;
  & th {
    padding: var(--space-2) var(--space-3);
    text-align: left;
    font-weight: 400;
    vertical-align: top;
    color: var(--ink-soft);
    border-bottom: 1px solid var(--ink);
    white-space: nowrap;
  }
  & thead b {
    color: var(--ink);
  }
  & tbody th {
    position: sticky;
    left: 0;
    z-index: 1;
    min-width: 92px;
    max-width: 120px;
    vertical-align: top;
    padding: var(--space-4) var(--space-4) var(--space-4) 0;
    border-bottom: 1px solid var(--line);
    background: var(--paper);
    white-space: normal;
    & b {
      display: block;
      color: var(--ink);
    }
  }
  & td {
    padding: 0;
    min-width: 94px;
    height: 104px;
    border-bottom: 1px solid var(--line);
    border-left: 1px solid var(--line);
    vertical-align: top;
  }
  & td.land {
    background: repeating-linear-gradient(135deg, color-mix(in srgb, var(--gorse) 18%, transparent) 0 6px, transparent 6px 12px);
    color: var(--ink-soft);
    padding: var(--space-4);
  }
  @media print {
    width: 100%;
    table-layout: fixed;
    font-size: 7pt;
    line-height: 1.15;
    & thead th:first-child {
      width: 11%;
    }
    & td {
      min-width: 0;
      height: auto;
    }
    & .skill svg {
      display: none;
    }
    & th button {
      display: none;
    }
    & tr {
      break-inside: avoid;
    }
  }
`;

/** A cell: deeper where it is harder, as on the chart. */
export const CellButton = styled.button<{ $band: number | null }>`
  display: grid;
  grid-template-rows: auto 1fr auto;
  gap: var(--space-1);
  width: 100%;
  height: 100%;
  min-height: 103px;
  padding: var(--space-3) var(--space-2) var(--space-2) var(--space-3);
  border: 0;
  border-radius: 0;
  text-align: left;
  cursor: pointer;
  position: relative;
  touch-action: none;
  color: ${({ $band }) => ($band !== null && $band > 4 ? 'var(--on-deep)' : 'var(--ink)')};
  background: ${({ $band }) => ($band === null ? 'var(--sheet)' : `var(--band-${$band})`)};
  & .skill {
    display: flex;
    align-items: end;
    gap: var(--space-2);
    white-space: nowrap;
    overflow: hidden;
  }
  & .skill svg {
    flex: none;
  }
  & .marks {
    margin-left: auto;
    display: inline-flex;
    gap: var(--space-1);
  }
  & b {
    display: -webkit-box;
    -webkit-line-clamp: 2;
    -webkit-box-orient: vertical;
    overflow: hidden;
    overflow-wrap: anywhere;
    font-weight: 600;
  }
  & .instead {
    font-weight: 600;
    line-height: 1.15;
  }
  & .figures {
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  &[data-past] {
    color: var(--ink-soft);
    background: color-mix(in srgb, ${({ $band }) => ($band === null ? 'var(--sheet)' : `var(--band-${$band})`)} 35%, var(--paper));
  }
  &[data-sent] {
    box-shadow: inset 0 3px 0 var(--tide);
  }
  &[data-new] {
    box-shadow: inset 0 0 0 3px var(--heather);
  }
  &[data-cut] {
    outline: 2px dashed var(--ink);
    outline-offset: -4px;
  }
  &[data-over] {
    outline: 3px solid var(--gorse);
    outline-offset: -3px;
  }
  &[data-empty] {
    color: var(--ink-soft);
    align-content: center;
    justify-items: center;
  }
  @media print {
    min-height: 0;
    height: auto;
    padding: 2pt;
    background: none;
    color: #000;
  }
`;

export const Aside = styled.aside`
  display: grid;
  gap: var(--space-5);
  font-size: var(--type-2);
  & h2 {
    font-size: var(--type-3);
  }
  & section {
    display: grid;
    gap: var(--space-3);
    padding-top: var(--space-4);
    border-top: 1px solid var(--line);
  }
  & ul {
    margin: 0;
    padding: 0;
    list-style: none;
    display: grid;
    gap: var(--space-3);
  }
  & li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: var(--space-3);
    align-items: start;
  }
  & li[data-marked] {
    padding-left: var(--space-3);
    border-left: 3px solid var(--rowan);
  }
  & li.whole {
    grid-template-columns: 1fr;
  }
`;

/** A small round act at the end of a line. */
export const Away = styled.button`
  display: grid;
  place-items: center;
  width: 28px;
  height: 28px;
  border: 0;
  background: none;
  color: var(--ink-soft);
  cursor: pointer;
  &:hover {
    color: var(--ink);
  }
`;

export const Acts = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4);
  align-items: center;
`;
