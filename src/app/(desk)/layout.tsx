import type { ReactNode } from 'react';
import { DeskBar } from '@/features/desk/desk-bar';
import { requireSignedIn } from '@/server/auth/current';

export default async function DeskLayout({ children }: { children: ReactNode }) {
  const who = await requireSignedIn();
  return (
    <>
      <DeskBar name={who.name} schoolName={who.schoolName} />
      {children}
    </>
  );
}
