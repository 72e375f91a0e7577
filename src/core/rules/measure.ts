import { AT, type Program } from './compile';
import { finishedWhy, playedMs, type State } from './engine';
import type { FinishReason } from './game';

/** One product of the sum: so many times, worth so much each. `place` is the number of the mark, from 1, where it tells. */
export interface WorkingLine {
  readonly times: number;
  readonly each: number;
  readonly place: number | null;
}

export interface Result {
  readonly value: number;
  readonly unit: string;
  readonly better: 'high' | 'low';
  /** The products that make the value; empty when the measure is no sum of them (the clock, frames). */
  readonly working: readonly WorkingLine[];
  /** "2 × 1 + 3 × 2 = 8": the sum as a teacher would write it. */
  readonly sum: string;
  readonly finished: FinishReason | null;
  readonly attempts: number;
  readonly successes: number;
}

/** What the play is worth so far. */
export function measure(program: Program, state: State): Result {
  const { measure: rule } = program.part;
  const shared = {
    unit: rule.unit,
    better: rule.better,
    finished: finishedWhy(state),
    attempts: state[AT.attempts]!,
    successes: state[AT.successes]!,
  };
  if (rule.of === 'clock') {
    const value = Math.round(playedMs(state) / 1000);
    return { ...shared, value, working: [], sum: `${value}` };
  }
  const weights = Object.entries(rule.of.sum);
  const value = weights.reduce((sum, [counter, weight]) => sum + weight * state[program.counterOffset(counter)]!, 0);
  const working = linesOf(program, state, new Map(weights));
  const worked = working.reduce((sum, line) => sum + line.times * line.each, 0);
  const told = working.length > 0 && worked === value;
  return {
    ...shared,
    value,
    working: told ? working : [],
    sum: told ? `${working.map((line) => `${line.times} × ${line.each}`).join(' + ')} = ${value}` : `${value}`,
  };
}

function linesOf(program: Program, state: State, weights: ReadonlyMap<string, number>): WorkingLine[] {
  const lines: WorkingLine[] = [];
  program.part.rows.forEach((row, index) => {
    const compiled = program.rows[index]!;
    const group = compiled.tallyGroup >= 0 ? program.groups[compiled.tallyGroup]! : undefined;
    for (let place = 0; place < (group?.n ?? 1); place += 1) {
      const times = state[compiled.tally + place]!;
      let each = 0;
      for (const effect of row.do) {
        if (effect.do !== 'add') continue;
        const amount = effect.amount === 'value' ? (group?.values[place] ?? 0) : typeof effect.amount === 'number' ? effect.amount : 0;
        each += amount * (weights.get(effect.counter) ?? 0);
      }
      if (times > 0 && each !== 0) lines.push({ times, each, place: group && group.n > 1 ? place + 1 : null });
    }
  });
  return mergeLike(lines);
}

/** Lines worth the same from the same mark become one. */
function mergeLike(lines: readonly WorkingLine[]): WorkingLine[] {
  const merged: WorkingLine[] = [];
  for (const line of lines) {
    const like = merged.findIndex((other) => other.each === line.each && other.place === line.place);
    if (like >= 0) merged[like] = { ...line, times: merged[like]!.times + line.times };
    else merged.push(line);
  }
  return merged;
}
