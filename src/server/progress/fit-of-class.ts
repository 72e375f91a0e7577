/** How steady a class and its children are by what they reported, worked out again when what counts as evidence has changed. */
import type { Uuid } from '@/contract/ids';
import { createHash } from 'node:crypto';
import { MODEL_VERSION } from '@/core/forecast/chances';
import { shippedRacks } from '@/core/forecast/shipped-racks';
import { evidenceOf, isNewTo, type EvidenceMemo, type PlayedGo } from '@/core/progress/evidence';
import { CALIBRATED_FROM, fitClass, type Fitted, type Observed } from '@/core/progress/fit';
import { ENGINE_VERSION } from '@/core/rules/compile';
import { cache } from '../caches';
import { keepFit, keptFit, type ClassFit } from '../db/class-fits';
import { versionBody } from '../db/weeks';
import { playsOfClass, type ReportedPlay } from '../reports/plays';
import { breath } from './breath';

/** Raise it when evidence is read otherwise. */
const FIT_VERSION = 1;

export const evidenceMemo: EvidenceMemo = cache('evidence of set-ups', 600);

/**
 * What tells of skill: every play that can be, those in doubt among them, since to leave those out by rule would bend the fit. Left out is
 * what a person has set aside, and what may be the same play by another way until somebody has said that it is not.
 */
export function tells({ kind, choice, reasons }: Pick<ReportedPlay, 'kind' | 'choice' | 'reasons'>): boolean {
  if (kind === 'impossible' || kind === 'incomplete' || choice === 'set-aside') return false;
  return choice !== null || !reasons.some(({ code }) => code === 'same-play');
}

export async function playedGo(play: ReportedPlay): Promise<PlayedGo> {
  return {
    child: play.childId,
    ageYears: play.setUp.ageYears,
    game: await versionBody(play.versionId),
    versionId: play.versionId,
    go: play.report.goes[play.goNumber - 1]!,
    value: play.counts ?? play.value,
  };
}

/** The fit of a class; without evidence what is assumed for its age. */
export async function fitOfClass(classId: Uuid, plays?: readonly ReportedPlay[]): Promise<ClassFit> {
  const telling = (plays ?? (await playsOfClass(classId))).filter(tells);
  const ofReports = createHash('sha256')
    .update(
      JSON.stringify([FIT_VERSION, MODEL_VERSION, ENGINE_VERSION, telling.map((play) => [play.reportId, play.goNumber, play.counts ?? play.value])]),
    )
    .digest();
  const kept = await keptFit(classId, ofReports);
  if (kept) return kept;
  const memo = evidenceMemo;
  const observed: Observed[] = [];
  for (const play of telling) {
    const played = await playedGo(play);
    if (isNewTo(memo, played)) await breath();
    observed.push(...evidenceOf(played, memo, shippedRacks));
  }
  await breath();
  const { group, children } = fitClass(observed);
  const fit: ClassFit = { group, children: Object.fromEntries(children) };
  await keepFit(classId, ofReports, fit);
  return fit;
}

/** The fit for a forecast of the class; undefined while there are too few attempts. */
export function forForecast({ group }: ClassFit): Fitted | undefined {
  return group.attempts >= CALIBRATED_FROM ? group : undefined;
}
