'use client';
import type { ReactNode } from 'react';
import { Tab, TabList, TabPanel, Tabs } from 'react-aria-components';
import styled from 'styled-components';

const Panel = styled(TabPanel)`
  outline: none;
  min-height: 0;
`;

const Stack = styled(Tabs)`
  display: flex;
  flex-direction: column;
  min-height: 0;
`;

const Edges = styled(TabList)`
  display: flex;
  gap: var(--space-6);
  margin-bottom: var(--space-4);
  border-bottom: 1px solid var(--line);
`;

const Edge = styled(Tab)`
  position: relative;
  padding: var(--space-2) 0 var(--space-2);
  color: var(--ink-soft);
  font-size: var(--type-2);
  cursor: pointer;
  outline: none;
  &[data-selected] {
    color: var(--ink);
    font-weight: 600;
    box-shadow: 0 3px 0 var(--gorse);
  }
  &[data-focus-visible] {
    outline: 3px solid var(--focus);
    outline-offset: 2px;
    border-radius: var(--radius-1);
  }
  & sup {
    margin-left: var(--space-2);
    padding: 0 var(--space-2);
    border-radius: var(--radius-2);
    border: 1px solid var(--rowan);
    color: var(--rowan);
    font-size: var(--type-1);
    font-weight: 700;
  }
`;

export interface Leaf<K extends string> {
  readonly id: K;
  readonly title: string;
  /** A number beside the title that wants looking at. */
  readonly open?: number;
  readonly children: ReactNode;
}

/** Several leaves of one sheet, one of them on top. */
export function Leaves<K extends string>({
  label,
  leaves,
  on,
  onTurn,
}: {
  label: string;
  leaves: readonly Leaf<K>[];
  on: K;
  onTurn: (leaf: K) => void;
}) {
  return (
    <Stack selectedKey={on} onSelectionChange={(key) => onTurn(key as K)}>
      <Edges aria-label={label}>
        {leaves.map((leaf) => (
          <Edge key={leaf.id} id={leaf.id}>
            {leaf.title}
            {leaf.open ? <sup aria-label={`, ${leaf.open} to look at`}>{leaf.open}</sup> : null}
          </Edge>
        ))}
      </Edges>
      {leaves.map((leaf) => (
        <Panel key={leaf.id} id={leaf.id}>
          {leaf.children}
        </Panel>
      ))}
    </Stack>
  );
}
