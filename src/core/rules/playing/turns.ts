/** Whose turn it is, and how a part and the whole card come to an end. */
import type { FinishReason } from '../format/game';
import { capOf } from '../format/unfinished';
import { playedMs } from './clock';
import { AT, B, FINISH_REASONS, Phase, type PartProgram, type Program, type State } from './program';

// Where things stand in the state, as names of this file: one that is imported is looked up anew at every use.
const {
  base: AT_BASE,
  clockT: AT_CLOCK_T,
  ending: AT_ENDING,
  go: AT_GO,
  lastT: AT_LAST_T,
  part: AT_PART,
  phase: AT_PHASE,
  side: AT_SIDE,
  sidesDone: AT_SIDES_DONE,
  why: AT_WHY,
} = AT;
const { playedMs: B_PLAYED_MS, usedMs: B_USED_MS, why: B_WHY } = B;

/** A reason as the number that the engine takes. */
export const reason = (why: FinishReason) => FINISH_REASONS.indexOf(why);
const GOAL = reason('goal');
const TARGET_SCORE = reason('target-score');

/** Where the block of a side in a go of this part begins. */
export function blockOf(program: Program, part: PartProgram, go: number, side: number): number {
  return program.joint ? part.base + go * part.blockSize : part.base + (go * program.sides + side) * part.blockSize;
}

export function toSide(program: Program, part: PartProgram, state: State, side: number): void {
  const t = state[AT_LAST_T]!;
  if (part.clockPer === 'side') {
    state[state[AT_BASE]! + B_USED_MS]! += t - state[AT_CLOCK_T]!;
    state[AT_CLOCK_T] = t;
  }
  state[AT_SIDE] = side;
  state[AT_BASE] = blockOf(program, part, state[AT_GO]!, side);
}

/** The next player whose part is not over. */
export function nextSide(program: Program, part: PartProgram, state: State): void {
  const now = state[AT_SIDE]!;
  for (let step = 1; step <= program.sides; step += 1) {
    const side = (now + step) % program.sides;
    // All have had as many turns as the one who reached the end.
    if (state[AT_ENDING]! > 0 && side <= now) return endPart(program, part, state, state[AT_ENDING]! - 1);
    if ((state[AT_SIDES_DONE]! & (1 << side)) === 0) return toSide(program, part, state, side);
  }
}

/** One player has come to an end in this part. */
export function endSide(program: Program, part: PartProgram, state: State, why: number): void {
  const base = state[AT_BASE]!;
  state[base + B_WHY] = why;
  state[base + B_PLAYED_MS] = playedMs(state);
  if (program.sides === 1 || program.joint) return endPart(program, part, state, why);
  state[AT_SIDES_DONE]! |= 1 << state[AT_SIDE]!;
  const reached = why === GOAL || why === TARGET_SCORE;
  const last = state[AT_SIDE] === program.sides - 1;
  if (reached && !(program.lastTurnLevel && !last)) return endPart(program, part, state, why);
  if (reached) state[AT_ENDING] = why + 1;
  if (state[AT_SIDES_DONE] === (1 << program.sides) - 1) return endPart(program, part, state, why);
  nextSide(program, part, state);
}

/** The part is over for everybody: on to the next go, the next part whose condition holds, or the end. */
export function endPart(program: Program, part: PartProgram, state: State, why: number): void {
  const go = state[AT_GO]!;
  const blocks = program.joint ? 1 : program.sides;
  for (let side = 0; side < blocks; side += 1) {
    const base = blockOf(program, part, go, side);
    if (state[base + B_WHY]! >= 0) continue;
    state[base + B_WHY] = why;
    state[base + B_PLAYED_MS] = playedMs(state);
  }
  state[AT_WHY] = why;
  state[AT_ENDING] = 0;
  if (go + 1 < part.goes) {
    state[AT_GO] = go + 1;
    state[AT_PHASE] = Phase.between;
    return;
  }
  for (let next = part.index + 1; next < program.parts.length; next += 1) {
    const candidate = program.parts[next]!;
    if (candidate.whenLevel >= 0 && candidate.whenLevel !== (sidesLevel(program, state) ? 1 : 0)) continue;
    state[AT_PART] = next;
    state[AT_GO] = 0;
    state[AT_PHASE] = Phase.between;
    return;
  }
  state[AT_PHASE] = Phase.finished;
}

/** The sum of a part's measure for one side, or its time in milliseconds where time is what counts. */
export function rawScore(part: PartProgram, state: State, base: number): number {
  const { of } = part.part.measure;
  if (typeof of === 'string') return state[base + B_PLAYED_MS]!;
  let sum = 0;
  for (const [counter, weight] of Object.entries(of.sum)) sum += weight * state[base + part.counterOffset(counter)]!;
  return sum;
}

/** True when all players have won as many parts as each other (or, on a card that adds up, have the same sum). */
function sidesLevel(program: Program, state: State): boolean {
  const totals = new Array<number>(program.sides).fill(0);
  const wins = program.game.card.combine === 'wins';
  for (let p = 0; p <= state[AT_PART]!; p += 1) {
    const part = program.parts[p]!;
    const most = capOf(part.part) ?? Infinity;
    const scores = totals.map((_, side) => Math.min(most, rawScore(part, state, blockOf(program, part, part.goes - 1, side))));
    const best = part.part.measure.better === 'high' ? Math.max(...scores) : Math.min(...scores);
    const alone = scores.filter((score) => score === best).length === 1;
    scores.forEach((score, side) => (totals[side]! += wins ? Number(alone && score === best) : score));
  }
  return totals.every((total) => total === totals[0]);
}
