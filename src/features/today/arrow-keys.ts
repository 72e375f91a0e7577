import type { KeyboardEvent } from 'react';

/**
 * Arrow keys among the links of a table: up and down to the same column of another row, left and right along the row. Tab goes through all of
 * them as ever.
 */
export function byArrowKeys(event: KeyboardEvent<HTMLTableElement>): void {
  const from = (event.target as HTMLElement).closest<HTMLElement>('a, button');
  const cell = from?.closest<HTMLTableCellElement>('td, th');
  const row = cell?.closest('tr');
  if (!from || !cell || !row || event.altKey || event.ctrlKey || event.metaKey) return;
  const linksOf = (within: Element) => [...within.querySelectorAll<HTMLElement>('a, button')];
  const to = (next: HTMLElement | undefined) => {
    if (!next) return;
    event.preventDefault();
    next.focus();
  };
  if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') {
    const along = linksOf(row);
    to(along[along.indexOf(from) + (event.key === 'ArrowRight' ? 1 : -1)]);
  }
  if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return;
  const down = event.key === 'ArrowDown';
  const within = linksOf(cell);
  const beside = within[within.indexOf(from) + (down ? 1 : -1)];
  if (beside) return to(beside);
  // The next row that has something in this column.
  for (let other = sibling(row, down); other; other = sibling(other, down)) {
    const there = linksOf(other.cells[cell.cellIndex]!);
    if (there.length > 0) return to(down ? there[0] : there.at(-1));
  }
}

const sibling = (row: HTMLTableRowElement, down: boolean) =>
  (down ? row.nextElementSibling : row.previousElementSibling) as HTMLTableRowElement | null;
