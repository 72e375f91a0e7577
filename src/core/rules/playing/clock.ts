/** The time of a go: what was played, what the countdown has counted, and what is not play. */
import { AT, B, type PartProgram, type State } from './program';

/** Milliseconds of play so far in the part that is on: the time of the last event less what was not played. */
export function playedMs(state: State): number {
  return state[AT.lastT]! - state[AT.startT]! - state[AT.idleMs]!;
}

/** Milliseconds that the running countdown has counted at this time. */
export function clockMs(part: PartProgram, state: State, t: number): number {
  const running = t - state[AT.clockT]!;
  return part.clockPer === 'side' ? state[state[AT.base]! + B.usedMs]! + running : running;
}

/** So much of the time was not played. */
export function idle(state: State, ms: number): void {
  state[AT.idleMs]! += ms;
  state[AT.clockT]! += ms;
}

/** The clock that was stopped runs again. */
export function unpause(state: State, t: number): void {
  // While an exercise off the clock is owed the clock stands anyway.
  if (state[AT.heldSince]! < 0) idle(state, t - state[AT.pausedSince]!);
  state[AT.pausedSince] = -1;
}
