/** What the plan of a term that is on has for each class next. */
import type { PlannedNext } from '@/contract/today';
import type { Uuid } from '@/contract/ids';
import { dayPlus } from '@/core/measure/days';
import { dueAfter, lessonIn, weeksOfTerm } from '@/core/plan/calendar';
import { cellAt, type PlannedCell, type TermDocument } from '@/core/plan/document';
import type { Game } from '@/core/rules/format/game';
import { gamesByIds } from '../db/games';
import { planOn, sentAsOf } from '../db/term-plans';

/** A plan is told of so many days before its term begins. */
const DAYS_BEFORE = 7;

interface Planned {
  readonly week: number;
  readonly on: string;
  readonly cell: PlannedCell & { readonly offerId: string };
}

/** The cells of a class whose days are not over, in their order. */
function cellsToCome(document: TermDocument, classId: string, weekday: number, today: string): Planned[] {
  return weeksOfTerm(document).flatMap((monday, week): Planned[] => {
    const { on, off } = lessonIn(document, monday, weekday);
    const cell = cellAt(document, classId, week);
    return off === null && dueAfter(on) >= today && cell?.offerId ? [{ week, on, cell: { ...cell, offerId: cell.offerId } }] : [];
  });
}

/** By class; none for a class whose plan has nothing more, or a game that is gone. */
export async function plannedNext(schoolId: Uuid, today: string): Promise<ReadonlyMap<Uuid, PlannedNext>> {
  const plan = await planOn(schoolId, today, dayPlus(today, DAYS_BEFORE));
  if (!plan) return new Map();
  const { id: planId, document } = plan;
  const toCome = new Map(document.classes.map(({ classId, weekday }) => [classId as Uuid, cellsToCome(document, classId, weekday, today)]));
  const sent = await sentAsOf(
    [...toCome.keys()],
    [...toCome.values()].flatMap((cells) => cells.map(({ cell }) => cell.sentAs as Uuid)),
  );
  const next = [...toCome].flatMap(([classId, cells]) => {
    const first = cells.find(({ cell }) => !sent.has(cell.sentAs as Uuid));
    return first ? [{ classId, ...first }] : [];
  });
  const games = await gamesByIds(schoolId, [...new Set(next.map(({ cell }) => cell.offerId as Uuid))]);
  return new Map(
    next.flatMap(({ classId, week, on, cell }) => {
      const named = namedIn(document, games, cell);
      return named ? [[classId, { planId, week, on, ...named }] as const] : [];
    }),
  );
}

function namedIn({ events }: TermDocument, games: ReadonlyMap<Uuid, Game>, { offerId, levelId }: Planned['cell']) {
  const event = events.find(({ id }) => id === offerId);
  if (event) return { title: event.title, level: '' };
  const game = games.get(offerId as Uuid);
  const level = game?.levels.find(({ id }) => id === levelId);
  return game && level ? { title: game.title, level: level.name } : null;
}
