/** What is likely for a go as it was really set out: par follows the set-up that was used, not the one that was asked. */
import { asSetOut } from '@/core/course/set-out';
import { DESK_SEED, forecastSetUp } from '@/core/forecast/forecast-level';
import { shippedRacks } from '@/core/forecast/shipped-racks';
import { throwerWith } from '@/core/motion/release';
import type { Fitted } from '@/core/progress/fit';
import { levelById } from '@/core/rules/format/level';
import { cache, keptOr } from '../caches';
import { versionBody } from '../db/weeks';
import type { ReportedPlay } from '../reports/plays';
import { breath } from './breath';

const PLAYS = 600;
const known = cache<Promise<number | null>>('par of a go', 1000);

/** Median of one go for a child of that age by the fit of its class; null where the set-up is not known or nothing is forecast. */
export function parOfGo(play: ReportedPlay, fitted: Fitted | undefined): Promise<number | null> {
  const go = play.report.goes[play.goNumber - 1]!;
  const { ageYears } = play.setUp;
  const key = JSON.stringify([play.versionId, go.level, go.form, go.otherHand, go.setUp, ageYears, fitted?.skill]);
  return keptOr(known, key, () => workedOut(play, fitted));
}

async function workedOut(play: ReportedPlay, fitted: Fitted | undefined): Promise<number | null> {
  const go = play.report.goes[play.goNumber - 1]!;
  const { ageYears } = play.setUp;
  await breath();
  const game = await versionBody(play.versionId);
  const level = game.levels.some(({ id }) => id === go.level) ? asSetOut(levelById(game, go.level), go.setUp) : null;
  const hand = go.otherHand ? ({ hand: 'other' } as const) : {};
  return level
    ? forecastSetUp(
        { ...level, kit: { ...level.kit, ...hand } },
        {
          ageYears,
          form: throwerWith(level.kit, { ageYears, form: go.form }).form ?? go.form,
          plays: PLAYS,
          seed: DESK_SEED,
          shelf: shippedRacks,
          ...(fitted && { fitted }),
        },
      ).par
    : null;
}
