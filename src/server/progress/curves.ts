/** How often a class or a child hits from how far, with the curve of its fitted skill. */
import type { FitOfClass } from '@/contract/class-fit';
import type { Uuid } from '@/contract/ids';
import { chanceByDistance } from '@/core/progress/chance-by-distance';
import { triesOf, type Tries } from '@/core/progress/evidence';
import { CALIBRATED_FROM } from '@/core/progress/calibrated';
import type { NextAsk } from '@/core/progress/what-next';
import { playsOfClass, type ReportedPlay } from '../reports/plays';
import { breath } from './breath';
import { evidenceMemo, fitOfClass, playedGoes, tellingOf } from './fit-of-class';

/** As many aims as somebody looks at. */
const MOST_AIMS = 8;

export interface TriedPlay {
  readonly play: ReportedPlay;
  readonly tries: readonly Tries[];
}

/** The plays that tell of skill, each with its tries; what happened in them is read once. */
export async function triedPlays(plays: readonly ReportedPlay[]): Promise<TriedPlay[]> {
  const found: TriedPlay[] = [];
  for await (const { play, played } of playedGoes(tellingOf(plays))) {
    found.push({ play, tries: triesOf(played, evidenceMemo) });
    if (found.length % 50 === 0) await breath();
  }
  return found;
}

/** Every try that is known at the set-up of a play, in any week: how many, how many hit, from how near to how far. */
export function triedLike(tried: readonly TriedPlay[], { likeKey }: ReportedPlay): Pick<NextAsk, 'tries' | 'hits' | 'fromM'> {
  const like = triesIn(tried.filter(({ play }) => play.likeKey === likeKey));
  const lengths = like.map(({ distanceM }) => distanceM);
  return {
    tries: like.reduce((sum, one) => sum + one.tries, 0),
    hits: like.reduce((sum, one) => sum + one.hits, 0),
    fromM: lengths.length === 0 ? [0, 0] : [Math.min(...lengths), Math.max(...lengths)],
  };
}

export const triesIn = (tried: readonly TriedPlay[]): Tries[] => tried.flatMap(({ tries }) => tries);

export async function fitAndCurves(classId: Uuid): Promise<FitOfClass> {
  const plays = await playsOfClass(classId);
  const { group, fits } = await fitOfClass(classId, plays);
  const aims = chanceByDistance(triesIn(await triedPlays(plays)), group).slice(0, MOST_AIMS);
  return { group, calibrated: group.attempts >= CALIBRATED_FROM, aims, fits };
}
