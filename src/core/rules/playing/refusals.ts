/** Why the engine does not take an event: words, and the numbers that stand for them where the state is played. */

/** Why an event was not taken. */
export type Refusal =
  | 'finished' // the go is over
  | 'late' // after the clock ran out, and not a ball that was still in the air
  | 'earlier' // its time is before the event that came last
  | 'paused' // nothing happens while the clock is stopped
  | 'not-paused'
  | 'owes' // an exercise is owed first
  | 'nothing-owed'
  | 'unknown-end'
  | 'not-standing' // a pin or target that is not up
  | 'no-choice' // the order is not free, or there is no such element
  | 'not-in-this-game' // an event that the rules have no use for
  | 'not-begun' // the next part has not been started
  | 'not-yet' // the clock has not got there
  | 'misses-unknown'; // only successes are counted in this go

const REFUSALS: readonly Refusal[] = [
  'finished',
  'late',
  'earlier',
  'paused',
  'not-paused',
  'owes',
  'nothing-owed',
  'unknown-end',
  'not-standing',
  'no-choice',
  'not-in-this-game',
  'not-begun',
  'not-yet',
  'misses-unknown',
];
/** The refusal that an answer of the engine stands for; undefined for 0. */
export const refusalOf = (answer: number): Refusal | undefined => REFUSALS[answer - 1];

const code = (refusal: Refusal) => REFUSALS.indexOf(refusal) + 1;
export const FINISHED = code('finished');
export const LATE = code('late');
export const EARLIER = code('earlier');
export const PAUSED = code('paused');
export const NOT_PAUSED = code('not-paused');
export const OWES = code('owes');
export const NOTHING_OWED = code('nothing-owed');
export const UNKNOWN_END = code('unknown-end');
export const NOT_STANDING = code('not-standing');
export const NO_CHOICE = code('no-choice');
export const NOT_IN_GAME = code('not-in-this-game');
export const NOT_BEGUN = code('not-begun');
export const NOT_YET = code('not-yet');
export const MISSES_UNKNOWN = code('misses-unknown');
