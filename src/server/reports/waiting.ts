/** What came in and is nobody's yet, with all that it may be: the children of the class, its weeks, and what was asked of each child. */
import { dayWords } from '@/core/measure/days';
import type { Span } from '@/core/reports/read-message';
import { gameMeant } from '@/core/reports/read-table';
import type { WayIn } from '@/core/reports/around';
import type { Uuid } from '../db/ids';
import { incomingOfClass } from '../db/incoming';
import { schoolDay } from '../school-day';
import { classToFill } from './bring-in';

export interface Waiting {
  readonly id: Uuid;
  readonly way: WayIn;
  readonly source: string;
  readonly receivedOn: string;
  readonly words: string;
  readonly spans: readonly Span[];
  /** 0 to 1; null for what was not read out of words. */
  readonly confidence: number | null;
  readonly sentence: string;
  /** What is proposed; null for what a person must say. */
  readonly childId: Uuid | null;
  readonly weekId: Uuid | null;
  readonly levelId: string;
  /** Null for “not finished”, undefined for nothing read. */
  readonly total?: number | null;
  readonly settledBy: string | null;
  readonly counted: boolean;
}

export interface MayBe {
  readonly children: readonly { readonly id: Uuid; readonly name: string }[];
  /** The games of the weeks. */
  readonly weeks: readonly {
    readonly id: Uuid;
    readonly number: number;
    readonly title: string;
    readonly unit: string;
    readonly levels: readonly { readonly id: string; readonly name: string }[];
    /** By child: what was asked of it. */
    readonly asked: Readonly<Record<Uuid, { readonly assignmentId: Uuid; readonly levelId: string }>>;
  }[];
}

export async function waitingOf(schoolId: Uuid, classId: Uuid, timeZone: string, today: string): Promise<{ waiting: Waiting[]; mayBe: MayBe }> {
  const [incoming, fill] = await Promise.all([incomingOfClass(classId), classToFill(schoolId, classId, today)]);
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
