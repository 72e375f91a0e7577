'use client';
import styled from 'styled-components';

const Key = styled.button`
  padding: 2px 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  cursor: pointer;
  text-decoration: underline dotted;
  text-underline-offset: 4px;
  &[data-by] {
    color: var(--ink);
    text-decoration: underline;
  }
  @media print {
    text-decoration: none;
  }
`;

export interface SortedBy<Column extends string> {
  readonly column: Column;
  readonly down: boolean;
}

/** The head of a column that puts the rows in its order, and at the second press in the other. */
export function SortHead<Column extends string>({
  column,
  by,
  figure = false,
  children,
  onSort,
}: {
  column: Column;
  by: SortedBy<Column>;
  figure?: boolean;
  children: string;
  onSort: (by: SortedBy<Column>) => void;
}) {
  const mine = by.column === column;
  return (
    <th className={figure ? 'figure' : undefined} aria-sort={mine ? (by.down ? 'descending' : 'ascending') : 'none'}>
      <Key type="button" data-by={mine || undefined} onClick={() => onSort({ column, down: mine ? !by.down : figure })}>
        {children}
        {mine && <span aria-hidden> {by.down ? '↓' : '↑'}</span>}
      </Key>
    </th>
  );
}
