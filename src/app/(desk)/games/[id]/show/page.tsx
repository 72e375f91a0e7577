import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { isUuid } from '@/contract/ids';
import { BoardPage } from '@/features/show/board-page';
import { requireSignedIn } from '@/server/auth/current';
import { gameById } from '@/server/db/games';

export const metadata: Metadata = { title: 'Show me' };

export default async function ShowPage({ params, searchParams }: { params: Promise<{ id: string }>; searchParams: Promise<{ level?: string }> }) {
  const who = await requireSignedIn();
  const { id } = await params;
  const shelved = isUuid(id) ? await gameById(who.schoolId, id) : undefined;
  if (!shelved) notFound();
  const { level } = await searchParams;
  return <BoardPage key={shelved.id} id={shelved.id} game={shelved.game} ageYears={shelved.ageYears} levelId={level ?? null} />;
}
