/** What each class may be expected to score in each cell of its plan. */
import { createHash } from 'node:crypto';
import type { KeptTermPlan, ParOfCell } from '@/contract/term-plan';
import type { Uuid } from '@/contract/ids';
import { DESK_SEED, forecastSetUp } from '@/core/forecast/forecast-level';
import { shippedRacks } from '@/core/forecast/shipped-racks';
import { ofClass } from '@/core/progress/by-family';
import { levelById } from '@/core/rules/format/level';
import { counted } from '@/core/rules/telling/counted';
import { cache, keptOr } from '../caches';
import { lastFits } from '../db/class-fits';
import { classesOf } from '../db/classes';
import { gamesOf } from '../db/games';
import { fitsByOthers } from '../games/measured';
import { breath } from '../progress/breath';

/** As many plays as tell a median from its neighbours; the week itself is forecast from more. */
const PLAYS = 300;

const pars = cache<Promise<number>>('pars of a plan', 2000);

export async function parsOfPlan(schoolId: Uuid, { document }: KeptTermPlan, today: string): Promise<ParOfCell[]> {
  const [classes, games, fits] = await Promise.all([classesOf(schoolId, today), gamesOf(schoolId), lastFits(schoolId)]);
  const others = await fitsByOthers(schoolId, games);
  const found: ParOfCell[] = [];
  for (const { id: classId, ageYears } of classes)
    for (const [week, cell] of (document.cells[classId] ?? []).entries()) {
      const shelved = games.find(({ id }) => id === cell?.offerId);
      const game = shelved?.game;
      if (!game || !cell?.levelId || !game.levels.some(({ id }) => id === cell.levelId)) continue;
      const level = levelById(game, cell.levelId);
      const { of, unit } = level.parts[0]!.measure;
      if (of === 'done' || of === 'minutes') continue;
      const fitted = fits.get(classId) ?? others.get(shelved.id);
      const key = createHash('sha256')
        .update(JSON.stringify([level, ageYears, ofClass(game, fitted)]))
        .digest('base64url');
      const par = await keptOr(pars, key, async () => {
        await breath();
        return forecastSetUp(level, { ageYears, plays: PLAYS, seed: DESK_SEED, shelf: shippedRacks, ...(fitted && { fitted }) }).par;
      });
      found.push({ classId, week, par, unit: counted(par, unit) });
    }
  return found;
}
