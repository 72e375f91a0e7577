/** The time of a go: what was played, what the countdown has counted, and what is not play. */
import { AT, B, type PartProgram, type State } from './program';

// Where things stand in the state, as names of this file: one that is imported is looked up anew at every use.
const {
  base: AT_BASE,
  clockT: AT_CLOCK_T,
  heldSince: AT_HELD_SINCE,
  idleMs: AT_IDLE_MS,
  lastT: AT_LAST_T,
  pausedSince: AT_PAUSED_SINCE,
  startT: AT_START_T,
} = AT;
const { usedMs: B_USED_MS } = B;

/** Milliseconds of play so far in the part that is on: the time of the last event less what was not played. */
export function playedMs(state: State): number {
  return state[AT_LAST_T]! - state[AT_START_T]! - state[AT_IDLE_MS]!;
}

/** Milliseconds that the running countdown has counted at this time. */
export function clockMs(part: PartProgram, state: State, t: number): number {
  const running = t - state[AT_CLOCK_T]!;
  return part.clockPer === 'side' ? state[state[AT_BASE]! + B_USED_MS]! + running : running;
}

/** So much of the time was not played. */
export function idle(state: State, ms: number): void {
  state[AT_IDLE_MS]! += ms;
  state[AT_CLOCK_T]! += ms;
}

/** The clock that was stopped runs again. */
export function unpause(state: State, t: number): void {
  // While an exercise off the clock is owed the clock stands anyway.
  if (state[AT_HELD_SINCE]! < 0) idle(state, t - state[AT_PAUSED_SINCE]!);
  state[AT_PAUSED_SINCE] = -1;
}
