'use client';
/**
 * A table of the desk: columns that put the rows in their order, rows that are narrowed. What is sorted and filtered is TanStack's; what is
 * drawn is a plain table, served in its first order. What has no value in a column comes last in either order.
 */
import {
  createFilteredRowModel,
  createSortedRowModel,
  columnFilteringFeature,
  globalFilteringFeature,
  rowSortingFeature,
  tableFeatures,
  useTable,
  type ColumnDef,
} from '@tanstack/react-table';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import { Figures } from '../page';

const features = tableFeatures({
  columnFilteringFeature,
  globalFilteringFeature,
  rowSortingFeature,
  filteredRowModel: createFilteredRowModel(),
  sortedRowModel: createSortedRowModel(),
});

export interface SheetColumn<Row> {
  readonly id: string;
  /** The words of the head; also what a screen reader hears. */
  readonly words: string;
  /** More in the head than its words. */
  readonly head?: ReactNode;
  /** Figures stand to the right, and the greatest come first. */
  readonly figure?: boolean;
  readonly width?: number;
  /** What rows are ordered by; a column without it has no order. */
  readonly by?: (row: Row) => string | number | null;
  readonly cell: (row: Row) => ReactNode;
  /** Said when the pointer rests on a cell. */
  readonly title?: (row: Row) => string;
  /** A cell that says that there is nothing. */
  readonly faint?: (row: Row) => boolean;
}

export interface SheetOrder {
  readonly column: string;
  readonly down: boolean;
}

export interface SheetTableProps<Row> {
  readonly rows: readonly Row[];
  readonly columns: readonly SheetColumn<Row>[];
  readonly rowId: (row: Row) => string;
  /** The order in which they are served; as they come where there is none. */
  readonly first?: SheetOrder;
  /** The column that tells rows apart where another does not. */
  readonly tie?: string;
  /** Rows that are shown; all without it. */
  readonly keep?: (row: Row) => boolean;
  /** In place of the rows where none is shown. */
  readonly none?: ReactNode;
  readonly label?: string;
  /** The row that is shown beside the table. */
  readonly picked?: string | undefined;
  /** Hears the rows in the order in which they stand: for keys that go from one to the next. */
  readonly onOrder?: (ids: readonly string[]) => void;
}

const Key = styled.button`
  padding: var(--space-1) 0;
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

const Table = styled(Figures)`
  & [data-faint] {
    color: var(--ink-soft);
  }
  & td:first-child {
    white-space: nowrap;
  }
`;

const compared = (one: string | number, other: string | number) =>
  typeof one === 'string' ? one.localeCompare(String(other), 'en-GB') : one - Number(other);

type Def<Row extends object> = ColumnDef<typeof features, Row, unknown>;

export function SheetTable<Row extends object>({ rows, columns, rowId, first, tie, keep, none, label, picked, onOrder }: SheetTableProps<Row>) {
  const [order, setOrder] = useState(first);
  const defs = useMemo(
    () =>
      columns.map(({ id, by, words }): Def<Row> => ({
        id,
        header: words,
        accessorFn: (row) => by?.(row) ?? undefined,
        enableSorting: by !== undefined,
        sortUndefined: 'last',
        sortFn: (a, b, column) => compared(a.getValue<string | number>(column), b.getValue<string | number>(column)),
      })),
    [columns],
  );
  const sorting = order ? [{ id: order.column, desc: order.down }, ...(tie && tie !== order.column ? [{ id: tie, desc: false }] : [])] : [];
  const table = useTable({
    features,
    columns: defs,
    data: rows as Row[],
    getRowId: rowId,
    state: { sorting, globalFilter: keep },
    globalFilterFn: (row, _column, shown: (row: Row) => boolean) => shown(row.original),
    getColumnCanGlobalFilter: () => true,
    enableMultiSort: true,
  });
  const shown = table.getRowModel().rows;
  const ids = shown.map(({ id }) => id).join('\n');
  useEffect(() => onOrder?.(ids === '' ? [] : ids.split('\n')), [ids, onOrder]);
  const press = ({ id, figure = false }: SheetColumn<Row>) => setOrder({ column: id, down: order?.column === id ? !order.down : figure });
  return (
    <>
      <Table {...(label && { 'aria-label': label })}>
        <thead>
          <tr>
            {columns.map((column) => {
              const mine = order?.column === column.id;
              return (
                <th
                  key={column.id}
                  className={column.figure ? 'figure' : undefined}
                  style={column.width === undefined ? undefined : { width: column.width }}
                  aria-sort={column.by ? (mine ? (order.down ? 'descending' : 'ascending') : 'none') : undefined}
                >
                  {column.by ? (
                    <Key type="button" data-by={mine || undefined} onClick={() => press(column)}>
                      {column.words}
                      {mine && <span aria-hidden> {order.down ? '↓' : '↑'}</span>}
                    </Key>
                  ) : (
                    column.head === undefined && column.words
                  )}
                  {column.head}
                </th>
              );
            })}
          </tr>
        </thead>
        <tbody>
          {shown.map(({ id, original }) => (
            <tr key={id} aria-current={id === picked || undefined}>
              {columns.map((column) => (
                <td
                  key={column.id}
                  className={column.figure ? 'figure' : undefined}
                  title={column.title?.(original) || undefined}
                  data-faint={column.faint?.(original) || undefined}
                >
                  {column.cell(original)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </Table>
      {shown.length === 0 && none}
    </>
  );
}
