// @vitest-environment happy-dom
import { render, screen, within } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { SheetTable, type SheetColumn } from './sheet-table';

interface Child {
  readonly name: string;
  readonly best: number | null;
}

const children: readonly Child[] = [
  { name: 'Dàn E.', best: 12 },
  { name: 'Bram C.', best: null },
  { name: 'Corrie D.', best: 7 },
  { name: 'Ailsa B.', best: 12 },
];

const columns: readonly SheetColumn<Child>[] = [
  { id: 'child', words: 'Child', by: ({ name }) => name, cell: ({ name }) => name },
  { id: 'best', words: 'Best', figure: true, by: ({ best }) => best, cell: ({ best }) => best ?? '–', faint: ({ best }) => best === null },
  { id: 'acts', words: 'Acts', cell: () => 'open' },
];

const names = () =>
  screen
    .getAllByRole('row')
    .slice(1)
    .map((row) => within(row).getAllByRole('cell')[0]!.textContent);

const show = (keep?: (child: Child) => boolean) =>
  render(
    <SheetTable
      rows={children}
      columns={columns}
      rowId={({ name }) => name}
      first={{ column: 'child', down: false }}
      tie="child"
      none={<p>Nobody.</p>}
      {...(keep && { keep })}
    />,
  );

describe('a table of the desk', () => {
  it('is served in its first order, and says by which column', () => {
    show();
    expect(names()).toEqual(['Ailsa B.', 'Bram C.', 'Corrie D.', 'Dàn E.']);
    expect(screen.getByRole('columnheader', { name: /Child/ }).getAttribute('aria-sort')).toBe('ascending');
    expect(screen.getByRole('columnheader', { name: 'Acts' }).getAttribute('aria-sort')).toBeNull();
  });
  it('is put in the order of a column, the greatest figures first; who has none comes last in either order, alike by name', async () => {
    show();
    const user = userEvent.setup();
    await user.click(screen.getByRole('button', { name: /Best/ }));
    expect(names()).toEqual(['Ailsa B.', 'Dàn E.', 'Corrie D.', 'Bram C.']);
    await user.click(screen.getByRole('button', { name: /Best/ }));
    expect(names()).toEqual(['Corrie D.', 'Ailsa B.', 'Dàn E.', 'Bram C.']);
    expect(screen.getByRole('columnheader', { name: /Best/ }).getAttribute('aria-sort')).toBe('ascending');
  });
  it('shows the rows that are asked for, and says when there are none', () => {
    const { rerender } = show(({ best }) => best === 12);
    expect(names()).toEqual(['Ailsa B.', 'Dàn E.']);
    rerender(<SheetTable rows={children} columns={columns} rowId={({ name }) => name} keep={() => false} none={<p>Nobody.</p>} />);
    expect(screen.getByText('Nobody.')).toBeTruthy();
  });
});
