/** What is known of a school for the plan of a term. */
import { createHash } from 'node:crypto';
import type { TermPlanToRead } from '@/contract/term-plan';
import type { Uuid } from '@/contract/ids';
import { isAimed, levelChance } from '@/core/levels/solve';
import type { PlanFacts, TermDocument } from '@/core/plan/document';
import { offerOf } from '@/core/plan/offer';
import type { Expected } from '@/core/plan/term';
import { ofClass } from '@/core/progress/by-family';
import type { Fitted } from '@/core/progress/fit';
import type { Game } from '@/core/rules/format/game';
import { cache, keptOr } from '../caches';
import { lastFits } from '../db/class-fits';
import { classesOf } from '../db/classes';
import { gamesOf } from '../db/games';
import { planById, sentToClasses } from '../db/term-plans';
import { expectationsOf } from '../games/expectations';
import { breath } from '../progress/breath';

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

/** The facts for a plan: the games of the shelf, and what each class may be expected to do at each of their levels. */
async function factsFor(
  schoolId: Uuid,
  document: Pick<TermDocument, 'cells'>,
  today: string,
): Promise<Pick<TermPlanToRead, 'facts' | 'sent'>> {
  const [classes, games, fits] = await Promise.all([classesOf(schoolId, today), gamesOf(schoolId), lastFits(schoolId)]);
  const sent = await sentToClasses(classes.map(({ id }) => id));
  const shelf = games.filter(({ putAway }) => !putAway).map(({ id, game, ageYears }) => ({ id, game, ageYears, key: keyOf(game) }));
  const minutes = await Promise.all(
    shelf.map(async ({ game, ageYears }) =>
      (await expectationsOf(game, ageYears)).levels.map(({ seconds }) => Math.max(1, Math.round(seconds / SECONDS))),
    ),
  );
  const expected: Record<string, (readonly Expected[])[]> = {};
  for (const { id, ageYears } of classes) {
    const lines: (readonly Expected[])[] = [];
    for (const [index, { game, key }] of shelf.entries()) {
      const ofLevels = await chancesOf(key, game, ageYears, fits.get(id));
      lines.push(ofLevels.map((chance, level) => ({ chance, minutes: minutes[index]![level]! })));
    }
    expected[id] = lines;
  }
  const own = new Set(Object.values(document.cells).flatMap((line) => line.flatMap((cell) => cell?.sentAs ?? [])));
  const facts: PlanFacts = {
    classes: classes.map(({ id, name, ageYears, children }) => ({ id, name, ageYears, children, tries: fits.get(id)?.attempts ?? 0 })),
    offers: shelf.map(({ id, game }) => offerOf(id, game)),
    expected,
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

/** A plan with everything that its screen shows; undefined for none of this school. */
export async function planToRead(schoolId: Uuid, planId: Uuid, today: string): Promise<TermPlanToRead | undefined> {
  const plan = await planById(schoolId, planId);
  return plan && { ...plan, ...(await factsFor(schoolId, plan.document, today)) };
}
