/** Which goes of a report are hardly ever played so well, for a class that is calibrated. */
import { asSetOut } from '@/core/course/set-out';
import { DESK_SEED } from '@/core/forecast/forecast-level';
import { rareInSteps, type KnownRarity } from '@/core/forecast/rarity';
import { shippedRacks } from '@/core/forecast/shipped-racks';
import type { Verdict } from '@/core/reports/judge';
import type { Go, Report } from '@/core/reports/report';
import type { Game } from '@/core/rules/format/game';
import { levelById } from '@/core/rules/format/level';
import { cache } from '../caches';
import type { ChildAssignment } from '../db/weeks';
import { breath } from '../progress/breath';

const memo = cache<KnownRarity>('rarity of scores', 2000);

function knownOf(assignment: ChildAssignment): KnownRarity {
  const { versionId, levelId, setUp, fitSkill } = assignment;
  const key = JSON.stringify([versionId, levelId, setUp, fitSkill]);
  const known = memo.get(key) ?? { commonTo: null, rareFrom: null };
  memo.set(key, known);
  return known;
}

/** Only scores beyond what is likely are held against the plays; those that were not played as asked have no plays of their own. */
export async function rareGoes(
  assignment: ChildAssignment,
  game: Game,
  report: Report,
  verdict: Verdict,
  likeAsked: (go: Go) => boolean,
): Promise<ReadonlySet<Go>> {
  const { fitSkill, restsOn, parLow, parHigh, setUp, levelId } = assignment;
  const rare = new Set<Go>();
  if (fitSkill === null) return rare;
  for (const [index, go] of report.goes.entries()) {
    const result = verdict.goes[index]?.result;
    if (result?.value == null || go.events.length === 0 || !likeAsked(go)) continue;
    const likely = result.better === 'high' ? parHigh : parLow;
    if (likely !== null && (result.better === 'high' ? result.value <= likely : result.value >= likely)) continue;
    const level = asSetOut(levelById(game, levelId), setUp);
    if (!level) continue;
    const ask = { ageYears: setUp.ageYears, form: setUp.form, classSkill: fitSkill, attempts: restsOn, seed: DESK_SEED, shelf: shippedRacks };
    const steps = rareInSteps(level, ask, result.value, knownOf(assignment));
    let step = steps.next();
    for (; !step.done; step = steps.next()) await breath();
    if (step.value) rare.add(go);
  }
  return rare;
}
