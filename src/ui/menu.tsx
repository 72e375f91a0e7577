'use client';
import { useState, type ReactNode } from 'react';
import { Header, Menu as AriaMenu, MenuItem, MenuSection, MenuTrigger, Popover } from 'react-aria-components';
import styled from 'styled-components';
import { ChevronDown } from 'lucide-react';
import { Button } from './button';

const Sheet = styled(Popover)`
  max-height: min(26rem, 70vh);
  overflow: auto;
  border: 1.5px solid var(--ink);
  border-radius: var(--radius-1);
  background: var(--sheet);
  color: var(--ink);
`;

const List = styled(AriaMenu)`
  outline: none;
  padding: var(--space-2);
  min-width: 12rem;
  & [role='group'] + [role='group'] {
    border-top: 1px solid var(--line);
    margin-top: var(--space-2);
    padding-top: var(--space-2);
  }
  & header {
    padding: var(--space-2) var(--space-4) var(--space-1);
    font-size: var(--type-1);
    color: var(--ink-soft);
  }
`;

const Item = styled(MenuItem)`
  display: flex;
  flex-direction: column;
  padding: var(--space-3) var(--space-5) var(--space-3) var(--space-4);
  cursor: pointer;
  outline: none;
  &[data-focused] {
    background: var(--band-2);
  }
  &[data-disabled] {
    opacity: 0.5;
    cursor: default;
  }
  & small {
    color: var(--ink-soft);
    font-size: var(--type-1);
  }
`;

const Small = styled(Button)`
  min-height: 30px;
  padding: 0 var(--space-4);
  font-weight: 400;
  font-size: var(--type-2);
`;

export interface MenuAct {
  readonly id: string;
  readonly label: string;
  readonly says?: string;
  readonly off?: boolean;
  readonly act: () => void;
}

export interface MenuGroup {
  readonly title?: string;
  readonly acts: readonly MenuAct[];
}

/** A button that opens a list of acts; the list may be worked out when it is opened. */
export function Menu({
  label,
  children,
  groups,
  isDisabled = false,
}: {
  label: string;
  children: ReactNode;
  groups: readonly MenuGroup[] | (() => readonly MenuGroup[]);
  isDisabled?: boolean;
}) {
  return (
    <MenuTrigger>
      <Small aria-label={label} isDisabled={isDisabled}>
        {children} <ChevronDown size={14} aria-hidden />
      </Small>
      <Sheet>
        <Acts label={label} groups={groups} />
      </Sheet>
    </MenuTrigger>
  );
}

/** Only there while the list is open. */
function Acts({ label, groups }: { label: string; groups: readonly MenuGroup[] | (() => readonly MenuGroup[]) }) {
  const [shown] = useState(groups);
  const acts = shown.flatMap((group) => group.acts);
  return (
    <List
      aria-label={label}
      disabledKeys={acts.filter((act) => act.off).map((act) => act.id)}
      onAction={(key) => acts.find((act) => act.id === key)?.act()}
    >
      {shown
        .filter((group) => group.acts.length > 0)
        .map((group, index) => (
          <MenuSection key={group.title ?? index} aria-label={group.title ?? label}>
            {group.title && <Header>{group.title}</Header>}
            {group.acts.map((act) => (
              <Item key={act.id} id={act.id} textValue={act.label}>
                {act.label}
                {act.says && <small>{act.says}</small>}
              </Item>
            ))}
          </MenuSection>
        ))}
    </List>
  );
}
