/** How often a class or a child hits from how far, with the curve of its fitted skill. */
import type { FitOfClass } from '@/contract/class-fit';
import type { Uuid } from '@/contract/ids';
import { chanceByDistance } from '@/core/progress/chance-by-distance';
import { triesOf, type Tries } from '@/core/progress/evidence';
import { CALIBRATED_FROM } from '@/core/progress/fit';
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

export const triesIn = (tried: readonly TriedPlay[]): Tries[] => tried.flatMap(({ tries }) => tries);

export async function fitAndCurves(classId: Uuid): Promise<FitOfClass> {
  const plays = await playsOfClass(classId);
  const { group } = await fitOfClass(classId, plays);
  const aims = chanceByDistance(triesIn(await triedPlays(plays)), group).slice(0, MOST_AIMS);
  return { group, calibrated: group.attempts >= CALIBRATED_FROM, aims };
}
