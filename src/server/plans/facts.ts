/** What is known of a school for the plan of a term. */
import { createHash } from 'node:crypto';
import type { TermPlanToRead } from '@/contract/term-plan';
import type { Uuid } from '@/contract/ids';
import type { LastFit } from '@/contract/today';
import { dayPlus } from '@/core/measure/days';
import { isAimed, levelChance } from '@/core/levels/solve';
import type { PlanFacts, TermDocument } from '@/core/plan/document';
import { offerOf } from '@/core/plan/offer';
import type { Expected } from '@/core/plan/term';
import { ofClass } from '@/core/progress/by-family';
import type { Fitted } from '@/core/progress/fit';
import { judgedWords } from '@/core/progress/level-fit';
import type { Game } from '@/core/rules/format/game';
import { cache, keptOr } from '../caches';
import { lastFits } from '../db/class-fits';
import { classesOf } from '../db/classes';
import { thingsOfSchool } from '../db/cupboard';
import { gamesOf } from '../db/games';
import { planById, sentToClasses } from '../db/term-plans';
import { expectationsOf } from '../games/expectations';
import { fitsByOthers } from '../games/measured';
import { breath } from '../progress/breath';
import { fitOfClass, forForecast } from '../progress/fit-of-class';
import { lastFitsOf } from '../today/today';

const SECONDS = 60;

/** Chances by game, age and class: they are asked for again with every look at a plan. */
const chances = cache<Promise<readonly (number | null)[]>>('chances of a plan', 5000);

function chancesOf(gameKey: string, game: Game, ageYears: number, fitted: Fitted | undefined): Promise<readonly (number | null)[]> {
  const of = ofClass(game, fitted);
  return keptOr(chances, `${gameKey} ${ageYears} ${JSON.stringify(of)}`, async () => {
    await breath();
    return isAimed(game) ? game.levels.map((_, level) => levelChance(game, level, ageYears, of)) : game.levels.map(() => null);
  });
}

interface Fresh {
  readonly now: Date;
  readonly timeZone: string;
}

/** The facts for a plan: the games of the shelf, and what each class may be expected to do at each of their levels. */
async function factsFor(
  schoolId: Uuid,
  document: Pick<TermDocument, 'cells'>,
  today: string,
  fresh: Fresh | undefined,
): Promise<Pick<TermPlanToRead, 'facts' | 'sent'>> {
  const [classes, games] = await Promise.all([classesOf(schoolId, today), gamesOf(schoolId)]);
  const fits = fresh ? await newestFits(classes, today) : await lastFits(schoolId);
  const lately = fresh ? await lastFitsOf(schoolId, fresh.timeZone, fresh.now) : new Map<Uuid, LastFit>();
  const sent = await sentToClasses(classes.map(({ id }) => id));
  const shelf = games.filter(({ putAway }) => !putAway).map(({ id, game, ageYears }) => ({ id, game, ageYears, key: keyOf(game) }));
  const minutes = await Promise.all(
    shelf.map(async ({ game, ageYears }) =>
      (await expectationsOf(game, ageYears)).levels.map(({ seconds }) => Math.max(1, Math.round(seconds / SECONDS))),
    ),
  );
  const others = await fitsByOthers(schoolId, shelf);
  const expected: Record<string, (readonly Expected[])[]> = {};
  for (const { id, ageYears } of classes) {
    const lines: (readonly Expected[])[] = [];
    for (const [index, { id: gameId, game, key }] of shelf.entries()) {
      const ofLevels = await chancesOf(key, game, ageYears, fits.get(id) ?? others.get(gameId));
      lines.push(ofLevels.map((chance, level) => ({ chance, minutes: minutes[index]![level]! })));
    }
    expected[id] = lines;
  }
  const own = new Set(Object.values(document.cells).flatMap((line) => line.flatMap((cell) => cell?.sentAs ?? [])));
  const facts: PlanFacts = {
    classes: classes.map(({ id, name, ageYears, children }) => {
      const last = lately.get(id);
      const tries = fits.get(id)?.attempts ?? 0;
      return { id, name, ageYears, children, tries, ...(last && { lately: `${judgedWords(last.fit)} in week ${last.weekNumber} (${last.title})` }) };
    }),
    offers: shelf.map(({ id, game }) => offerOf(id, game)),
    expected,
    cupboard: Object.fromEntries((await thingsOfSchool(schoolId)).map(({ name, n }) => [name, n])),
    played: Object.fromEntries(
      classes.map(({ id }) => [
        id,
        [...new Set(sent.games.filter(({ classId, sentAs }) => classId === id && !(sentAs && own.has(sentAs))).map(({ gameId }) => gameId))],
      ]),
    ),
  };
  return { facts, sent: sent.weeks.filter(({ sentAs }) => own.has(sentAs)) };
}

const keyOf = (game: Game): string => createHash('sha256').update(JSON.stringify(game)).digest('base64url');

/** What each class can do by all that has come in, with its trend as far as next week. */
async function newestFits(classes: readonly { readonly id: Uuid }[], today: string): Promise<ReadonlyMap<Uuid, Fitted>> {
  const next = new Date(`${dayPlus(today, 7)}T12:00:00Z`);
  const fits = new Map<Uuid, Fitted>();
  for (const { id } of classes) {
    const fitted = forForecast(await fitOfClass(id), next);
    if (fitted) fits.set(id, fitted);
  }
  return fits;
}

/** A plan with everything that its screen shows; undefined for none of this school. `fresh`: each class is fitted to what has come in until then. */
export async function planToRead(schoolId: Uuid, planId: Uuid, today: string, fresh?: Fresh): Promise<TermPlanToRead | undefined> {
  const plan = await planById(schoolId, planId);
  return plan && { ...plan, ...(await factsFor(schoolId, plan.document, today, fresh)) };
}
