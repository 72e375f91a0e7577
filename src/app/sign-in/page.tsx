import type { Metadata } from 'next';
import { connection } from 'next/server';
import { SignIn } from '@/features/sign-in/sign-in';
import { settings } from '@/server/settings';

export const metadata: Metadata = { title: 'Sign in' };

export default async function SignInPage() {
  await connection();
  return <SignIn demo={settings().mode === 'demo'} />;
}
