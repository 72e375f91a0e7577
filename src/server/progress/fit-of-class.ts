/** How steady a class and its children are by what they reported, worked out again when what counts as evidence has changed. */
import type { Uuid } from '@/contract/ids';
import { createHash } from 'node:crypto';
import { MODEL_VERSION } from '@/core/forecast/chances';
import { shippedRacks } from '@/core/forecast/shipped-racks';
import { evidenceOf, isNewTo, type EvidenceMemo, type PlayedGo } from '@/core/progress/evidence';
import { CALIBRATED_FROM } from '@/core/progress/calibrated';
import { doesItFit } from '@/core/progress/does-it-fit';
import { inWeek, type Fitted, type Observed } from '@/core/progress/fit';
import { chosenFit } from '@/core/progress/held-out';
import { ENGINE_VERSION } from '@/core/rules/playing/program';
import { cache } from '../caches';
import { keepFit, keptFit, type ClassFit } from '../db/class-fits';
import { bodiesOf } from '../db/reports';
import { versionBody } from '../db/weeks';
import { playsOfClass, type ReportedPlay } from '../reports/plays';
import { evidenceOfTests } from '../class-tests/class-tests';
import { breath } from './breath';
import { weekNumber } from './week-number';

/** Raise it when evidence is read otherwise. */
const FIT_VERSION = 2;

export const evidenceMemo: EvidenceMemo = cache('evidence of set-ups', 600);

/**
 * What tells of skill: every play that can be, those in doubt among them, since to leave those out by rule would bend the fit. Left out is
 * what a person has set aside, and what may be the same play by another way until somebody has said that it is not.
 */
export function tells({ kind, choice, reasons }: Pick<ReportedPlay, 'kind' | 'choice' | 'reasons'>): boolean {
  if (kind === 'impossible' || kind === 'incomplete' || choice === 'set-aside') return false;
  return choice !== null || !reasons.some(({ code }) => code === 'same-play');
}

/** More goes of one child than it plays in years say no more of its skill, and one link would outvote the class. */
const MOST_OF_A_CHILD = 500;

/** What tells of skill, of each child the newest; `plays` are in their order, and so are these. */
export function tellingOf(plays: readonly ReportedPlay[]): ReportedPlay[] {
  const left = new Map<Uuid, number>();
  const kept: ReportedPlay[] = [];
  for (let at = plays.length - 1; at >= 0; at -= 1) {
    const play = plays[at]!;
    const more = left.get(play.childId) ?? MOST_OF_A_CHILD;
    if (more === 0 || !tells(play)) continue;
    left.set(play.childId, more - 1);
    kept.push(play);
  }
  return kept.reverse();
}

/** The bodies of so many goes are in memory at a time. */
const GOES_AT_A_TIME = 256;

/** Plays with all that happened in them, tap by tap, in their order. */
export async function* playedGoes(plays: readonly ReportedPlay[]): AsyncGenerator<{ readonly play: ReportedPlay; readonly played: PlayedGo }> {
  for (let at = 0; at < plays.length; at += GOES_AT_A_TIME) {
    const some = plays.slice(at, at + GOES_AT_A_TIME);
    const bodies = await bodiesOf([...new Set(some.map(({ reportId }) => reportId))]);
    for (const play of some) {
      const go = bodies.get(play.reportId)?.goes[play.goNumber - 1];
      // Erased a moment ago.
      if (!go) continue;
      const { childId: child, setUp, versionId, counts, value, receivedAt } = play;
      yield {
        play,
        played: {
          child,
          ageYears: setUp.ageYears,
          game: await versionBody(versionId),
          versionId,
          go,
          value: counts ?? value,
          week: weekNumber(receivedAt),
        },
      };
    }
  }
}

/** The fit of a class; without evidence what is assumed for its age. */
export async function fitOfClass(classId: Uuid, plays?: readonly ReportedPlay[]): Promise<ClassFit> {
  const [telling, tests] = await Promise.all([plays ?? playsOfClass(classId), evidenceOfTests(classId)]).then(
    ([all, tested]) => [tellingOf(all), tested] as const,
  );
  const ofReports = createHash('sha256')
    .update(
      JSON.stringify([
        FIT_VERSION,
        MODEL_VERSION,
        ENGINE_VERSION,
        telling.map((play) => [play.reportId, play.goNumber, play.counts ?? play.value]),
        tests.state,
      ]),
    )
    .digest();
  const kept = await keptFit(classId, ofReports);
  if (kept) return kept;
  const memo = evidenceMemo;
  const observed: Observed[] = [...tests.observed()];
  for await (const { played } of playedGoes(telling)) {
    if (isNewTo(memo, played)) await breath();
    observed.push(...evidenceOf(played, memo, shippedRacks));
  }
  await breath();
  const chosen = chosenFit(observed);
  await breath();
  const fit: ClassFit = { group: chosen.group, children: Object.fromEntries(chosen.children), fits: doesItFit(observed, chosen) };
  await keepFit(classId, ofReports, fit);
  return fit;
}

/** The fit for a forecast of the class, as it is now or will be by a day; undefined while there are too few attempts. */
export function forForecast({ group }: ClassFit, by?: Date): Fitted | undefined {
  if (group.attempts < CALIBRATED_FROM) return undefined;
  return by ? inWeek(group, weekNumber(by)) : group;
}
