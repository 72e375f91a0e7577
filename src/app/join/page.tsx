import type { Metadata } from 'next';
import { connection } from 'next/server';
import { JoinPage } from '@/features/people/join-page';

export const metadata: Metadata = { title: 'Come in' };

export default async function Join() {
  await connection();
  return <JoinPage />;
}
