/** A score to beat, with the set-up with which it was made. */
import { distancesOf } from '../course/geometry';
import { nameOf } from '../objects/catalogue';
import type { Game, ToBeat } from '../rules/format/game';

/** How far a distance may be off before it is another set-up, metres. */
const AS_FAR_M = 0.05;

const targetNames = (level: Game) => Object.values(level.course.targets).flat().map(nameOf);

/** A score made at a level as it stands now. `on` is a day, ISO 8601. */
export function toBeatOf(level: Game, value: number, unit: string, by: string, on: string): ToBeat {
  return {
    value: Math.round(value),
    unit: unit.slice(0, 20),
    by: by.slice(0, 60),
    on,
    setUp: {
      implement: level.kit.implement,
      distancesM: distancesOf(level).map((length) => Math.round(length * 100) / 100),
      targets: targetNames(level),
    },
  };
}

/** What of the set-up is no longer as it was when the score was made; empty when it still stands. */
export function changedSince(level: Game, { setUp }: ToBeat): readonly string[] {
  const now = distancesOf(level);
  const changed: string[] = [];
  const far = (lengths: readonly number[]) => (lengths.length === 0 ? 0 : Math.max(...lengths));
  if (now.length !== setUp.distancesM.length || now.some((length, index) => Math.abs(length - setUp.distancesM[index]!) > AS_FAR_M))
    changed.push(`made from ${far(setUp.distancesM).toFixed(1)} m, now ${far(now).toFixed(1)} m`);
  if (JSON.stringify(targetNames(level)) !== JSON.stringify(setUp.targets)) changed.push(`made with ${setUp.targets[0] ?? 'no target'}`);
  if (level.kit.implement !== setUp.implement) changed.push(`made with a ${setUp.implement.replaceAll('-', ' ')}`);
  return changed;
}
