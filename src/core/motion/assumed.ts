/** What happens in tries that are not aimed, and what takes how long: simple rows, all ASSUMED until reports say more. */

/** Milliseconds of aiming: the least, and how much more it may be. */
export const AIM_MS = { least: 1000, spread: 1000 } as const;
/** Turning round to fetch, milliseconds. */
export const TURN_MS = 800;
/** One repetition of an exercise, one second of rest, one thing set up again, one toss of a coin. */
export const GATE_MS = { exercise: 1000, rest: 1000, 'set-up': 2500, face: 1500 } as const;
/** How far behind the target the ball ends up, on average, metres. */
export const OVERRUN_M = 0.5;

/** Running speed of a child fetching a ball, m/s: 1.6 at four years and 0.16 more a year. */
export function runSpeed(ageYears: number): number {
  return 1.6 + 0.16 * (Math.min(ageYears, 14) - 4);
}

/** Share of running speed with something between the knees, or carried with care. */
export const CAREFUL_SHARE = 0.4;
/** Chance that it is dropped on the way. */
export const DROP_CHANCE = 0.12;
/** Putting on a coat, a hat, a boot: milliseconds. */
export const DRESS_MS = 6000;

/** Chance of another touch that keeps it up: .55 at six years to .75 at eleven, for a typical child. */
export function touchChance(ageYears: number, skill: number): number {
  const typical = Math.min(0.88, Math.max(0.35, 0.55 + 0.04 * (ageYears - 6)));
  return 1 / (1 + Math.exp(-(Math.log(typical / (1 - typical)) - 1.2 * Math.log(skill))));
}
export const TOUCH_MS = 700;
/** A balloon comes down slowly: of the touches that would fail with a ball so many fail. */
export const FLOATING_SHARE = 0.12;
/** Practice without a score goes on for about so long. */
export const PRACTICE_MS = 330_000;
/** Chance that a trip with water is the one that fills the bowl. */
export const LAST_TRIP_CHANCE = 0.13;

/** Tapping a roll with the toes, left and right: taps a second at six years and more each year. */
export function tapsPerSecond(ageYears: number, skill: number): number {
  return (0.9 + 0.09 * (Math.min(12, ageYears) - 6)) / Math.sqrt(skill);
}

/** Finding a thing on a list or by its letter: chance within the time, and milliseconds. */
export const FIND = { chance: 0.88, leastMs: 15_000, spreadMs: 45_000 } as const;

/** A lid that turns over, as .4–.6. */
export const FLIP_CHANCE = 0.5;
/** How a shoe lies: on its side, upright, upside down; a coin: heads, tails. */
export const FACES: Readonly<Record<number, readonly number[]>> = { 2: [0.5, 0.5], 3: [0.5, 0.35, 0.15] };

/** A paper plane: spread of direction in degrees, of range as a share. */
export const GLIDE = { azimuthDeg: 6, rangeShare: 0.25 } as const;

/** A try of another kind that has no model: chance of a success, and that something on the way is touched. */
export const OTHER_CHANCE = 0.4;
export const FLAG_CHANCE = 0.08;
export const OTHER_MS = 3000;
