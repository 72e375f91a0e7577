/**
 * Every constant of the motion model in one table, each with its source or the word ASSUMED. No published standard deviations of release
 * for ages 4–12 are known to us: take what rests on them as "about", until the reports of a class replace it.
 */
import type { Give } from '../objects/shapes';
import type { Surface } from '../rules/format/course-format';

export type Technique = 'underarm' | 'overarm' | 'set-shot';
export type BodyForm = 'standing' | 'seated' | 'kneeling' | 'two-hands';
export type GroundTechnique = 'roll' | 'kick' | 'lift';

/** Which ways of trying go along the ground, and which through the air; others are not aimed. */
export const GROUND: Readonly<Partial<Record<string, GroundTechnique>>> = { roll: 'roll', kick: 'kick', lift: 'lift' };
export const THROWN: Readonly<Partial<Record<string, Technique>>> = { underarm: 'underarm', overarm: 'overarm', 'set-shot': 'set-shot' };

export interface TechniqueSpread {
  /** Standard deviation of direction and elevation, degrees, for an adult. */
  readonly azimuthDeg: number;
  readonly elevationDeg: number;
  /** Standard deviation of speed as a share of the speed, for an adult. */
  readonly speedShare: number;
  /** Height of release as a share of standing height. */
  readonly releasePerStature: number;
}

/** Throws of an adult. Assumed; replaced by calibration. */
export const TECHNIQUE_SPREAD: Readonly<Record<Technique, TechniqueSpread>> = {
  underarm: { azimuthDeg: 1.8, elevationDeg: 2.8, speedShare: 0.03, releasePerStature: 0.5 },
  overarm: { azimuthDeg: 1.7, elevationDeg: 2.3, speedShare: 0.04, releasePerStature: 1.02 },
  'set-shot': { azimuthDeg: 1.8, elevationDeg: 2.5, speedShare: 0.03, releasePerStature: 1.05 },
};

/**
 * How steeply a body throws at an opening, degrees above the level: nobody lobs at 80° into a basket at arm's length, nor pushes a set shot
 * flat. Assumed; a lifted ball as an underarm throw.
 */
export const ELEVATION_DEG: Readonly<Record<Technique, readonly [number, number]>> = { underarm: [25, 60], overarm: [10, 50], 'set-shot': [45, 60] };
/** Who stands too close to a raised thing steps back behind the mark: as far as this is looked, metres. Assumed. */
export const STEP_BACK_M = 1.2;

/** A kick lifted with the laces, from the ground. Assumed. */
export const LIFT_SPREAD: TechniqueSpread = { azimuthDeg: 3.6, elevationDeg: 4, speedShare: 0.1, releasePerStature: 0 };
/** Height at which a lifted ball leaves the foot, metres. Assumed. */
export const LIFT_HEIGHT_M = 0.06;

/** What the form of the body does to the spread, the height of release and the top speed of a throw. Assumed. */
export const FORM_FACTOR: Readonly<Record<BodyForm, { readonly spread: number; readonly height: number; readonly topSpeed: number }>> = {
  standing: { spread: 1, height: 1, topSpeed: 1 },
  seated: { spread: 1.15, height: 0.6, topSpeed: 0.75 },
  kneeling: { spread: 1.08, height: 0.75, topSpeed: 0.85 },
  'two-hands': { spread: 0.95, height: 0.95, topSpeed: 0.7 },
};

/** The other hand (or foot) is much worse. Assumed. */
export const OTHER_HAND_FACTOR = 1.8;
/** Standard deviation of ln(skill factor) between children of one age. Assumed: 0.25–0.35. */
export const SKILL_SPREAD_LN = 0.3;

/** Spread of a child of this age as a multiple of an adult's: 1 + 2.2·exp(−(age − 4)/4.5). Assumed. */
export function ageFactor(ageYears: number): number {
  return ageYears >= ADULT_YEARS ? 1 : 1 + 2.2 * Math.exp(-(ageYears - 4) / 4.5);
}

const ADULT_YEARS = 18;

/** Fastest aimed throw, m/s. Assumed: 6 at four years and 1 more a year; an adult 20. */
export function topAimedSpeed(ageYears: number): number {
  return ageYears >= ADULT_YEARS ? 20 : 6 + (ageYears - 4);
}

/**
 * A flat overarm throw at an upright is usually so much faster than the slowest that reaches it, and each share of that speed more (or
 * less) widens (or narrows) the spread by this share: less power is more accurate until the ball falls short. Assumed.
 */
export const FLAT_THROW_FACTOR = 1.3;
/** The share of the spread. Assumed. */
export const POWER_SPREAD = 0.8;

/** Off a wall a ball keeps so much of its speed along it. Assumed: the middle of .5–.8. */
export const SIDEWAYS_KEPT = 0.65;
/** A graze does not fell an upright: its half width grows by this share of the ball's radius. Assumed. */
export const GRAZE_SHARE = 0.35;
/** A soft ball dead on the rim usually drops in: edges of an opening shrink by this share of its radius. Assumed. */
export const SOFT_EDGE_SHARE = 0.25;
/** Below this restitution a ball that is inside stays inside. Assumed. */
export const SOFT_RESTITUTION = 0.35;
/**
 * What a lively ball keeps of its speed off the wall of a basket, and off its floor, as shares of what it keeps on a hard floor: a plastic
 * wall gives (a tennis ball keeps about .42 of .74), its thin floor lies on the hard one. Assumed.
 */
export const GIVE: Readonly<Record<Give, { readonly wall: number; readonly floor: number }>> = {
  plastic: { wall: 0.57, floor: 0.85 },
  pail: { wall: 0.54, floor: 0.85 },
  cardboard: { wall: 0.34, floor: 0.6 },
  wicker: { wall: 0.27, floor: 0.5 },
};
/** A throw at something that stands on the floor is meant to land this share of the way short, so that it skids on. Assumed. */
export const SHORT_AIM_SHARE = 0.1;

/** As high as the posts of a gate, metres: what flies over it has not gone through. Assumed. */
export const GATE_HEIGHT_M = 0.3;
/** Standard deviations of an adult along the ground. Assumed. Two hands from a seat are straighter and weaker: easier close by, short far off. */
export const GROUND_SPREAD: Readonly<
  Record<GroundTechnique | 'roll-two-hands' | 'roll-kneeling', { readonly azimuthDeg: number; readonly speedShare: number }>
> = {
  roll: { azimuthDeg: 1.7, speedShare: 0.08 },
  'roll-two-hands': { azimuthDeg: 1.5, speedShare: 0.12 },
  'roll-kneeling': { azimuthDeg: 1.6, speedShare: 0.1 },
  kick: { azimuthDeg: 2.5, speedShare: 0.08 },
  lift: { azimuthDeg: 3.6, speedShare: 0.1 },
};

/** Which row of the table a form of the body takes for a roll. Kneeling lies between standing and two hands from a seat. Assumed. */
export const ROLL_FORMS: Readonly<Record<BodyForm, keyof typeof GROUND_SPREAD>> = {
  standing: 'roll',
  kneeling: 'roll-kneeling',
  seated: 'roll-two-hands',
  'two-hands': 'roll-two-hands',
};

/**
 * Rolling resistance µ by ground: a firm ball, and a soft one, which hardly rolls on carpet. Middle of assumed ranges; grass from the
 * 4–8 m ball-roll test of football turf (µ .075–.15, derived).
 */
export const ROLLING: Readonly<Record<Surface, { readonly firm: number; readonly soft: number }>> = {
  hard: { firm: 0.022, soft: 0.2 },
  tarmac: { firm: 0.03, soft: 0.22 },
  carpet: { firm: 0.045, soft: 0.3 },
  grass: { firm: 0.11, soft: 0.4 },
};
/** Balls that keep less than this in a bounce roll like a bundle of cloth. Assumed. */
export const SOFT_ROLL_BELOW = 0.45;
/** How far past a thing that is to be struck or a gate that is to be passed a child means the ball to roll, metres. Assumed. */
export const CARRY_PAST_M = 1.2;
/** Fastest roll with two hands from a seat, m/s. Assumed, so that what is common practice holds: easy close by, short far off. */
export const SEATED_ROLL_SPEED = 2;
/** Nobody rolls slower than this when the ball is to pass, m/s. Assumed. */
export const LEAST_ROLL_SPEED = 1.6;

/**
 * A ball rolled up a small ramp flies so far from its lip before it comes down, metres (a lip of 10 cm at 2 m/s: √(2h/g)·v = 0.29). Assumed.
 */
export const RAMP_CARRY_M = 0.3;

/**
 * How much the mean of the pins that fall together differs between a floor that grips little (friction .25) and much (.4): up to .92 of a pin in
 * our own rigid bodies. Which of them a floor is, is assumed to be unknown.
 */
export const PINS_DOUBT = 0.9;

/**
 * Courses that are played on from where the ball lies. What a ball keeps of its speed off something hard; how far past what is to be struck it is
 * meant to come, metres; the height of a ramp, as which it takes energy from a ball; the room that somebody leaves beside what is passed, metres; and
 * going on to where the ball lies, the least, milliseconds. Assumed.
 */
export const ON_A_COURSE = { kept: 0.45, pastM: 0.25, rampM: 0.06, roomM: 0.08, followMs: 500 } as const;

/** Density of air, kg/m³ (International Standard Atmosphere at 15 °C, sea level: 1.225). */
export const AIR_DENSITY = 1.225;
/** Drag of an upright tube or bottle across the wind: .7–1.1. Assumed. */
export const PIN_DRAG = [0.7, 1.1] as const;
/** Wind where a pin stands, as a share of the wind of a forecast (at ten metres). Assumed. */
export const WIND_AT_PINS = 0.6;

/** Milliseconds of aiming: the least, and how much more it may be. Assumed. */
export const AIM_MS = { least: 1000, spread: 1000 } as const;
/** Turning round to fetch, milliseconds. Assumed. */
export const TURN_MS = 800;
/** One repetition of an exercise, one second of rest, one thing set up again, one toss of a coin, milliseconds. Assumed. */
export const GATE_MS = { exercise: 1000, rest: 1000, 'set-up': 2500, face: 1500 } as const;
/** How far behind the target the ball ends up, on average, metres. Assumed. */
export const OVERRUN_M = 0.5;

/** Running speed of a child fetching a ball, m/s: 1.6 at four years and 0.16 more a year. Assumed. */
export function runSpeed(ageYears: number): number {
  return 1.6 + 0.16 * (Math.min(ageYears, 14) - 4);
}

/** Milliseconds from mark to mark, from standing: the start, the way, and what gaining speed costs (v/2a). Assumed. */
export function legMs(lengthM: number, speed: number): number {
  return START.ms + 1000 * (lengthM / speed + speed / (2 * START.gainMPerS2));
}

/** Share of running speed with something between the knees, or carried with care. Assumed. */
export const CAREFUL_SHARE = 0.4;
/** Chance that it is dropped on the way. Assumed. */
export const DROP_CHANCE = 0.12;
/** Putting on a coat, a hat, a boot: milliseconds. Assumed. */
export const DRESS_MS = 6000;

/** Chance of another touch that keeps it up: .55 at six years to .75 at eleven, for a typical child. Assumed. */
export function touchChance(ageYears: number, skill: number): number {
  const typical = Math.min(0.88, Math.max(0.35, 0.55 + 0.04 * (ageYears - 6)));
  return 1 / (1 + Math.exp(-(Math.log(typical / (1 - typical)) - 1.2 * Math.log(skill))));
}
/** One touch, milliseconds. Assumed. */
export const TOUCH_MS = 700;
/** A balloon comes down slowly: of the touches that would fail with a ball so many fail. Assumed. */
export const FLOATING_SHARE = 0.12;
/** Practice without a score goes on for about so long, milliseconds. Assumed. */
export const PRACTICE_MS = 330_000;
/** Trips with water until the bowl runs over: never in the first so many, then with this chance a trip (eight in the mean). Assumed. */
export const FILLING = { neverIn: 4, chance: 0.28 } as const;
/** Filling the cup again, milliseconds. Assumed. */
export const FILL_MS = 3000;
/** From standing to running: reaction or turning round, milliseconds, and how fast a child gains speed, m/s². Assumed. */
const START = { ms: 500, gainMPerS2: 2.5 } as const;

/** Tapping a roll with the toes, left and right: taps a second at six years and more each year. Assumed. */
export function tapsPerSecond(ageYears: number, skill: number): number {
  return (0.9 + 0.09 * (Math.min(12, ageYears) - 6)) / Math.sqrt(skill);
}

/** Finding a thing on a list or by its letter: chance within the time, and milliseconds. Assumed. */
export const FIND = { chance: 0.88, leastMs: 15_000, spreadMs: 45_000 } as const;

/** A lid that turns over. Assumed: the middle of .4–.6. */
export const FLIP_CHANCE = 0.5;
/** How a shoe lies: on its side, upright, upside down; a coin: heads, tails. Assumed. */
export const FACES: Readonly<Record<number, readonly number[]>> = { 2: [0.5, 0.5], 3: [0.5, 0.35, 0.15] };

/** A paper plane: spread of direction in degrees, of range as a share. Assumed. */
export const GLIDE = { azimuthDeg: 6, rangeShare: 0.25 } as const;

/** A try of another kind that has no model: chance of a success, and that something on the way is touched. Assumed. */
export const OTHER_CHANCE = 0.4;
/** The latter. Assumed. */
export const FLAG_CHANCE = 0.08;
/** Such a try, milliseconds. Assumed. */
export const OTHER_MS = 3000;

/** The quickest that anybody tries, fetches and tries again, seconds: beyond it no total is called possible. Assumed. */
export const FASTEST_TRY_S = 0.5;
/** The quickest aimed try with its fetching, seconds: goes that were faster are questioned. Assumed. */
export const FASTEST_AIMED_S = 1.2;
/** A try with its fetching, where rules are asked whether they fit their time, seconds. Assumed. */
export const ONE_TRY_S = 3.5;

/**
 * What no body of a child does faster: a second, metres a second, seconds each. Wide on purpose, since beyond them a score is asked about and not
 * refused; younger children have the same hands and shorter legs. Assumed.
 */
export const MOST_OF_A_BODY = {
  /** Taps with the foot, touches that keep something up, turns of a lid, star jumps, other exercises, a second. */
  tapsPerS: 6,
  keepUpsPerS: 4,
  flipsPerS: 1,
  jumpsPerS: 1.6,
  exercisesPerS: 4,
  /** Running from mark to mark: to seven years, and from eight. */
  runMPerS: { young: 5.5, older: 6.5 },
  /** Something put on, or done, at a station on the way; a word found and fetched. */
  stationS: 1.5,
  wordS: 3,
  /** Between two tries with several balls in reach. */
  nextBallS: 0.4,
} as const;
/** From this age children are as quick as the older ones. Assumed. */
export const OLDER_FROM = 8;
