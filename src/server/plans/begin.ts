/** A plan that is begun: empty for the classes of the year, or from a plan that was. */
import { v7 } from 'uuid';
import type { NewTermPlan } from '@/contract/term-plan';
import type { Uuid } from '@/contract/ids';
import { copiedTo, type TermDocument } from '@/core/plan/document';
import { USUAL_WISHES } from '@/core/plan/wishes';
import { classById, classesOf } from '../db/classes';
import { planById } from '../db/term-plans';
import { notFound } from '../http/answer';

const USUAL_WEEKDAY = 1;

export async function begunPlan(schoolId: Uuid, { name, startsOn, endsOn, copyOf }: NewTermPlan, today: string): Promise<TermDocument> {
  const classes = await classesOf(schoolId, startsOn > today ? await inYearOf(schoolId, startsOn, today) : today);
  if (copyOf) {
    const from = await planById(schoolId, copyOf);
    if (!from) throw notFound('plan');
    const was = new Map(
      await Promise.all(from.document.classes.map(async ({ classId }) => [classId, await classById(schoolId, classId as Uuid, today)] as const)),
    );
    // The same class; else that of the same name, which is another year’s; else one of the same age.
    const classFor = (classId: string) =>
      (
        classes.find(({ id }) => id === classId) ??
        classes.find((one) => one.name === was.get(classId)?.name) ??
        classes.find((one) => one.ageYears === was.get(classId)?.ageYears)
      )?.id ?? null;
    return copiedTo(from.document, { name, startsOn, endsOn, classFor }, v7);
  }
  return {
    name,
    startsOn,
    endsOn,
    holidays: [],
    classes: classes.map(({ id }) => ({ classId: id, weekday: USUAL_WEEKDAY })),
    from: 'easy',
    to: 'right',
    importance: { hardness: 'usual', movements: 'usual', variety: 'usual', things: 'usual', changes: 'usual' },
    wishes: USUAL_WISHES,
    events: [],
    cells: {},
  };
}

/** The first day of the term where its school year has classes already; else today, since next year's are not known yet. */
async function inYearOf(schoolId: Uuid, startsOn: string, today: string): Promise<string> {
  return (await classesOf(schoolId, startsOn)).length > 0 ? startsOn : today;
}
