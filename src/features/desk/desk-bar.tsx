'use client';
import { DeskLink } from '@/ui/desk-link';
import { usePathname } from 'next/navigation';
import styled from 'styled-components';
import type { Uuid } from '@/contract/ids';
import { QuietButton } from '@/ui/button';
import { send } from '@/ui/post';
import { OtherSchool } from './other-school';

const Bar = styled.header`
  display: flex;
  align-items: center;
  gap: var(--space-7);
  height: 46px;
  padding: 0 var(--space-7);
  background: var(--sheet);
  border-bottom: 1px solid var(--line);
  font-size: var(--type-2);
  & .name {
    display: flex;
    align-items: center;
    gap: var(--space-4);
    font-weight: 700;
    font-size: var(--type-3);
    text-decoration: none;
    margin-right: var(--space-2);
  }
  & nav {
    display: flex;
    gap: var(--space-7);
    flex: 1;
  }
  & nav a {
    display: flex;
    align-items: center;
    height: 45px;
    text-decoration: none;
    border-bottom: 3px solid transparent;
    border-top: 3px solid transparent;
    color: var(--ink-soft);
  }
  & nav a[aria-current] {
    color: var(--ink);
    font-weight: 600;
    border-bottom-color: var(--gorse);
  }
  & .who {
    color: var(--ink-soft);
    white-space: nowrap;
  }
  @media print {
    display: none;
  }
`;

const ROOMS = [
  { href: '/today', name: 'Today' },
  { href: '/games', name: 'Games' },
  { href: '/plan', name: 'Plan' },
  { href: '/weeks', name: 'Weeks' },
  { href: '/scores', name: 'Scores' },
  { href: '/classes', name: 'Classes' },
] as const;

export interface DeskBarProps {
  readonly who: {
    readonly name: string;
    readonly schoolId: Uuid;
    readonly schoolName: string;
    readonly isLead: boolean;
    readonly elsewhereToo: boolean;
  };
}

export function DeskBar({ who: { name, schoolId, schoolName, isLead, elsewhereToo } }: DeskBarProps) {
  const path = usePathname();
  const signOut = async () => {
    await send('POST', '/api/v1/sign-out');
    window.location.assign('/sign-in');
  };
  return (
    <Bar data-school={schoolId}>
      <DeskLink className="name" href="/today">
        <Waves />
        Lochside
      </DeskLink>
      <nav aria-label="Rooms">
        {[...ROOMS, ...(isLead ? [{ href: '/school', name: 'People' }] : [])].map((room) => (
          <DeskLink key={room.href} href={room.href} {...(path.startsWith(room.href) ? { 'aria-current': 'page' as const } : {})}>
            {room.name}
          </DeskLink>
        ))}
      </nav>
      <span className="who">
        <DeskLink href="/me">{name}</DeskLink> · {elsewhereToo ? <DeskLink href="/me#schools">{schoolName}</DeskLink> : schoolName}
      </span>
      <QuietButton onPress={() => void signOut()}>Sign out</QuietButton>
      {elsewhereToo && <OtherSchool shown={{ id: schoolId, name: schoolName }} />}
    </Bar>
  );
}

function Waves() {
  return (
    <svg width={26} height={20} viewBox="0 0 26 20" fill="none" strokeWidth={2} strokeLinecap="round" aria-hidden>
      <path d="M1 5c3-3.5 6-3.5 9 0s6 3.5 9 0 4.500-3.500 6-2.500" stroke="var(--ink)" />
      <path d="M3 11c2.700-3 5.300-3 8 0s5.300 3 8 0 3-2.500 4-2.200" stroke="var(--tide)" />
      <path d="M6 17c2-2.200 4-2.200 6 0s4 2.200 6 0" stroke="var(--gorse)" />
    </svg>
  );
}
