import type { Metadata } from 'next';
import { HomePage } from '@/features/home/home-page';

export const metadata: Metadata = { title: 'This week', manifest: '/home.webmanifest' };

export default function Home() {
  return <HomePage />;
}
