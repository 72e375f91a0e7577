/**
 * One game written by hand, without the engine: throw from any of the marks at one target until the time is up, points by the mark, an
 * exercise after a miss. It draws what the simulated child draws, so that its scores must be the engine's.
 */
import { drawU32, PURPOSE } from '@/core/random/draw';
import type { TaskTables } from '@/core/forecast/attempts';

export interface ByHand {
  readonly values: readonly number[];
  readonly clockMs: number;
  readonly exerciseMs: number;
}

/** The score of one go. */
export function throwByTheClock(rules: ByHand, tables: TaskTables, seed: number, play: number): number {
  let t = 0;
  let score = 0;
  let owed = false;
  for (let n = 0; n < 400; n += 1) {
    if (owed) {
      t += rules.exerciseMs;
      if (t >= rules.clockMs) break;
      owed = false;
    }
    t += 1000 + (drawU32(seed, play, n, PURPOSE.aimTime) % 1000);
    if (t >= rules.clockMs) break;
    const draw = drawU32(seed, play, n, PURPOSE.choice);
    let at = 0;
    while (at < tables.pickPlace.length - 1 && draw >= tables.pickPlace[at]!) at += 1;
    const landed = t + tables.airMs[at]!;
    if (drawU32(seed, play, n, PURPOSE.outcome) < tables.ends[at * 3]!) score += rules.values[at]!;
    else owed = rules.exerciseMs > 0;
    if (landed >= rules.clockMs) break;
    t = landed + tables.fetchMs[at]!;
  }
  return score;
}
