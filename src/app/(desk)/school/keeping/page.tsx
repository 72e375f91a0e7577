import type { Metadata } from 'next';
import { KeepingPage } from '@/features/keeping/keeping-page';
import { requireLead } from '@/server/auth/current';
import { keepingOf } from '@/server/keeping/keep';

export const metadata: Metadata = { title: 'What is kept' };

export default async function WhatIsKept() {
  const who = await requireLead();
  return <KeepingPage keeping={await keepingOf(who, new Date())} schoolName={who.schoolName} />;
}
