import type { Metadata } from 'next';
import { ServerPage } from '@/features/keeping/server-page';
import { requireLead } from '@/server/auth/current';
import { serverStanding } from '@/server/standing';

export const metadata: Metadata = { title: 'The server' };

export default async function HowTheServerStands() {
  await requireLead();
  return <ServerPage standing={await serverStanding(new Date())} />;
}
