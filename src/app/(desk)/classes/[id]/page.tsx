import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { ClassPage } from '@/features/classes/class-page';
import { requireSignedIn } from '@/server/auth/current';
import { childrenOf } from '@/server/db/children';
import { classById, classesOf } from '@/server/db/classes';
import { isUuid } from '@/contract/ids';
import { inventionsOfClass } from '@/server/db/inventions';
import { gameFromPlan } from '@/core/invent/plan';
import { plainText, sentencesOf } from '@/core/rules/telling/sentences';
import { schoolDay } from '@/server/school-day';

export const metadata: Metadata = { title: 'Class' };

export default async function OneClassPage({ params }: { params: Promise<{ id: string }> }) {
  const who = await requireSignedIn();
  const { id } = await params;
  const today = schoolDay(new Date(), who.timeZone);
  const found = isUuid(id) ? await classById(who.schoolId, id, today) : undefined;
  if (!found) notFound();
  const [children, classes, inventions] = await Promise.all([
    childrenOf(found.id, today),
    classesOf(who.schoolId, today),
    inventionsOfClass(found.id, today),
  ]);
  return (
    <ClassPage
      id={found.id}
      name={found.name}
      ageYears={found.ageYears}
      childrenList={children}
      otherClasses={classes.filter((one) => one.id !== found.id).map(({ id: classId, name }) => ({ id: classId, name }))}
      inventions={inventions.map(({ id: inventionId, childName, plan, score, gameId }) => ({
        id: inventionId,
        childName,
        title: plan.title,
        words: sentencesOf(gameFromPlan(plan), 'child').map(plainText).join(' '),
        course: gameFromPlan(plan).course,
        score,
        gameId,
      }))}
      mayChange={who.role === 'teacher'}
    />
  );
}
