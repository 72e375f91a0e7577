/** How often a class or a child hits from how far, with the curve of its fitted skill. */
import type { FitOfClass } from '@/contract/class-fit';
import type { Uuid } from '@/contract/ids';
import { chanceByDistance } from '@/core/progress/chance-by-distance';
import { triesOf, type Tries } from '@/core/progress/evidence';
import { CALIBRATED_FROM } from '@/core/progress/fit';
import { playsOfClass, type ReportedPlay } from '../reports/plays';
import { breath } from './breath';
import { evidenceMemo, fitOfClass, playedGoes, tells } from './fit-of-class';

/** As many aims as somebody looks at. */
const MOST_AIMS = 8;

/** The tries of plays, one list for all of them. */
export async function triesOfPlays(plays: readonly ReportedPlay[]): Promise<Tries[]> {
  const memo = evidenceMemo;
  const found: Tries[] = [];
  let n = 0;
  for await (const { played } of playedGoes(plays.filter(tells))) {
    n += 1;
    if (n % 50 === 0) await breath();
    found.push(...triesOf(played, memo));
  }
  return found;
}

export async function fitAndCurves(classId: Uuid): Promise<FitOfClass> {
  const plays = await playsOfClass(classId);
  const { group } = await fitOfClass(classId, plays);
  const aims = chanceByDistance(await triesOfPlays(plays), group).slice(0, MOST_AIMS);
  return { group, calibrated: group.attempts >= CALIBRATED_FROM, aims };
}
