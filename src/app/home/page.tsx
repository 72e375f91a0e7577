import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { firstSightScript } from '@/features/home/first-sight-painter';
import { HomePage } from '@/features/home/home-page';

export const metadata: Metadata = { title: 'This week', manifest: '/home.webmanifest' };

export default async function Home() {
  return (
    <>
      <HomePage />
      <script nonce={(await headers()).get('x-nonce') ?? ''} dangerouslySetInnerHTML={{ __html: firstSightScript() }} />
    </>
  );
}
