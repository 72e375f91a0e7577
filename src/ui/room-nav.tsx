'use client';
import { DeskLink } from './desk-link';
import { usePathname } from 'next/navigation';
import type { ReactNode } from 'react';
import styled from 'styled-components';

const Row = styled.nav`
  display: flex;
  align-items: end;
  flex-wrap: wrap;
  gap: var(--space-4) var(--space-7);
  margin-bottom: var(--space-5);
  border-bottom: 1px solid var(--line);
  & a {
    padding: var(--space-4) 0;
    border-bottom: 3px solid transparent;
    color: var(--ink-soft);
    text-decoration: none;
    font-size: var(--type-2);
  }
  & a[aria-current] {
    border-bottom-color: var(--tide);
    color: var(--ink);
    font-weight: 600;
  }
  @media print {
    display: none;
  }
`;

export interface RoomView {
  readonly href: string;
  readonly name: string;
}

/** The views of a room, the one that is open marked; what they are all about stands before them. */
export function RoomNav({ label, views, query = '', children }: { label: string; views: readonly RoomView[]; query?: string; children?: ReactNode }) {
  const path = usePathname();
  return (
    <Row aria-label={label}>
      {children}
      {views.map(({ href, name }) => (
        <DeskLink key={href} href={`${href}${query}`} {...(path === href ? { 'aria-current': 'page' as const } : {})}>
          {name}
        </DeskLink>
      ))}
    </Row>
  );
}
