/** What came in and is nobody's yet, with all that it may be: the children of the class, its weeks, and what was asked of each child. */
import type { Waiting, MayBe } from '@/contract/to-look-at';
import type { Uuid } from '@/contract/ids';
import { dayWords } from '@/core/measure/days';
import { gameMeant } from '@/core/reports/read-table';
import { incomingOfClass } from '../db/incoming';
import { schoolDay } from '../school-day';
import { classToFill } from './bring-in';

export async function waitingOf(schoolId: Uuid, classId: Uuid, timeZone: string, today: string): Promise<{ waiting: Waiting[]; mayBe: MayBe }> {
  const incoming = await incomingOfClass(classId);
  // What it may be is much, and is asked for only where something waits or has waited.
  if (incoming.length === 0) return { waiting: [], mayBe: { children: [], weeks: [] } };
  const fill = await classToFill(schoolId, classId, today);
  const mayBe: MayBe = {
    children: fill.children,
    weeks: fill.games.map((week) => ({
      id: week.id,
      number: week.number,
      title: week.title,
      unit: week.game.parts[0]!.measure.unit,
      levels: week.game.levels.map(({ id, name }) => ({ id, name })),
      asked: Object.fromEntries([...week.byChild].map(([childId, { id, levelId }]) => [childId, { assignmentId: id, levelId }])),
    })),
  };
  return {
    waiting: incoming.map((one): Waiting => {
      const { reading } = one;
      const week = gameMeant(fill.games, reading.week, reading.game ?? '') ?? gameMeant(fill.games, reading.week, '');
      return {
        id: one.id,
        way: one.way,
        source: one.source,
        receivedOn: dayWords(schoolDay(one.receivedAt, timeZone)),
        words: one.words,
        spans: reading.spans,
        confidence: reading.confidence,
        sentence: reading.sentence,
        childId: reading.childId,
        weekId: week?.id ?? null,
        levelId: reading.level,
        ...(reading.total !== null || reading.notFinished ? { total: reading.total } : {}),
        settledBy: one.settledBy,
        counted: one.reportId !== null,
      };
    }),
    mayBe,
  };
}
