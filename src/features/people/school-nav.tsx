'use client';
import { RoomNav } from '@/ui/room-nav';

const VIEWS = [
  { href: '/school', name: 'People' },
  { href: '/school/deeds', name: 'Who did what' },
  { href: '/school/keeping', name: 'What is kept' },
  { href: '/school/data', name: 'For data protection' },
  { href: '/school/server', name: 'The server' },
] as const;

/** The views of what a lead looks after. */
export const SchoolNav = () => <RoomNav label="School" views={VIEWS} />;
