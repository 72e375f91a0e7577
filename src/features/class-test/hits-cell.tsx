'use client';
/** How many of three went in: one tap, or a digit, which goes on to the next cell. */
import type { KeyboardEvent } from 'react';
import { Radio, RadioGroup } from 'react-aria-components';
import styled from 'styled-components';
import { TRIES_A_MARK } from '@/core/progress/tested';

const Row = styled(RadioGroup)`
  display: flex;
  gap: var(--space-1);
`;

const Choice = styled(Radio)`
  display: grid;
  place-items: center;
  min-width: 44px;
  min-height: 44px;
  border: 1.5px solid var(--line-strong);
  background: var(--sheet);
  font-variant-numeric: tabular-nums;
  cursor: pointer;
  &[data-selected] {
    border-color: var(--ink);
    background: var(--ink);
    color: var(--on-ink);
  }
  &[data-focus-visible] {
    outline: 3px solid var(--focus);
    outline-offset: 1px;
  }
`;

/** The next or the last cell of the table, in the order in which it is read. */
function goOn(from: HTMLElement, by: 1 | -1): void {
  const cells = [...(from.closest('table')?.querySelectorAll<HTMLElement>('[data-hits-cell]') ?? [])];
  const next = cells[cells.indexOf(from.closest<HTMLElement>('[data-hits-cell]')!) + by];
  (next?.querySelector<HTMLElement>('input:checked') ?? next?.querySelector<HTMLElement>('input'))?.focus();
}

export function HitsCell({ label, hits, onHits }: { label: string; hits: number | null; onHits: (hits: number | null) => void }) {
  const onKey = (event: KeyboardEvent<HTMLElement>) => {
    if (event.metaKey || event.ctrlKey || event.altKey) return;
    const digit = Number(event.key);
    if (event.key !== ' ' && Number.isInteger(digit) && digit >= 0 && digit <= TRIES_A_MARK) {
      event.preventDefault();
      onHits(digit);
      goOn(event.currentTarget, 1);
    } else if (event.key === 'Enter') {
      event.preventDefault();
      goOn(event.currentTarget, 1);
    } else if (event.key === 'Backspace' || event.key === 'Delete') {
      event.preventDefault();
      onHits(null);
      if (event.key === 'Backspace' && hits === null) goOn(event.currentTarget, -1);
    }
  };
  return (
    <div data-hits-cell onKeyDownCapture={onKey} role="presentation">
      <Row aria-label={label} orientation="horizontal" value={hits === null ? null : `${hits}`} onChange={(value) => onHits(Number(value))}>
        {Array.from({ length: TRIES_A_MARK + 1 }, (_, n) => (
          <Choice key={n} value={`${n}`} aria-label={`${n} of ${TRIES_A_MARK}`}>
            {n}
          </Choice>
        ))}
      </Row>
    </div>
  );
}
