/**
 * Classes of children whose throws are flown one by one, by formulas written here: some as the product assumes them, some not. What the product
 * makes of their reports is held against what they then do. No chance of the product is used to throw.
 */
import { chanceOf } from '@/core/forecast/chances';
import { forecastSetUp } from '@/core/forecast/forecast-level';
import { doesItFit } from '@/core/progress/does-it-fit';
import { evidenceOfTest, testMarks } from '@/core/progress/class-test';
import { fitClass, inWeek, type ObservedHits } from '@/core/progress/fit';
import { chosenFit } from '@/core/progress/held-out';
import type { Game } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { starter } from '../examples/starters';

const AGE = 8;
const CHILDREN = 24;
const WEEKS = 6;
/** Marks of the weeks that are played, by turns near and far, and distances that are then forecast, metres. */
const NEAR_M = [1.2, 1.8, 2.6] as const;
const FAR_M = [1.8, 2.6, 3.6] as const;
const ASKED_M = [1.2, 1.8, 2.6, 3.6] as const;
const GOES_A_WEEK = 2;
const TRIES_A_MARK = 4;
const TRIES_A_MARK_OF_A_TEST = 3;

/** Random numbers of one seed (mulberry32). */
function dice(seed: number) {
  let a = seed >>> 0;
  const uniform = () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return (((t ^ (t >>> 14)) >>> 0) + 0.5) / 4294967296;
  };
  const normal = () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
  return { uniform, normal };
}
type Dice = ReturnType<typeof dice>;

interface Child {
  /** ln of the spread, as a multiple of the age's. */
  readonly ln: number;
  /** How far to a side the child's aim lies, as a share of the spread to the side. */
  readonly aside: number;
}

/** What a world does otherwise than the product assumes. */
export interface World {
  readonly name: string;
  readonly says: string;
  /** Errors of a throw: to the side, in elevation and in speed, in standard deviations. */
  readonly errors?: (dice: Dice) => readonly [number, number, number];
  readonly aside?: number;
  /** Standard deviation of ln spread between the weeks of one child. */
  readonly session?: number;
  readonly learning?: number;
  readonly better?: { readonly share: number; readonly ln: number };
  /** Of the goes so many are told better than they were: each miss in them is told as a hit one time in two. */
  readonly inflated?: number;
}

const studentT3 = ({ normal }: Dice) => {
  const [z, a, b, c] = [normal(), normal(), normal(), normal()];
  // As wide in its middle half as a normal error: .6745 against .7649.
  return (0.8818 * z) / Math.sqrt((a * a + b * b + c * c) / 3);
};

export const WORLDS: readonly World[] = [
  { name: 'own', says: 'as the model assumes it' },
  {
    name: 'heavy tails',
    says: 'errors by Student’s t with three degrees of freedom: now and then a throw goes quite astray',
    errors: (of) => [studentT3(of), studentT3(of), studentT3(of)],
  },
  { name: 'aim to a side', says: 'each child aims a little to a side of its own', aside: 0.8 },
  { name: 'good and bad days', says: 'a child’s spread differs from week to week by a fifth', session: 0.2 },
  { name: 'learning', says: 'the spread falls by 3.5% a week', learning: -0.035 },
  { name: 'a fifth much better', says: 'a fifth of the children have little more than half the spread', better: { share: 0.2, ln: -0.6 } },
  { name: 'inflated', says: 'in a tenth of the goes every second miss is told as a hit', inflated: 0.1 },
  {
    name: 'errors traded',
    says: 'a throw that is too steep is slower, so that its length is kept better',
    errors: ({ normal }) => {
      const [side, up, own] = [normal(), normal(), normal()];
      return [side, up, -0.7 * up + Math.sqrt(1 - 0.49) * own];
    },
  },
];

const G = 9.80665;
const [AZIMUTH, ELEVATION, SPEED] = [(1.8 * Math.PI) / 180, (2.8 * Math.PI) / 180, 0.03];
const AGE_FACTOR = 1 + 2.2 * Math.exp(-(AGE - 4) / 4.5);
/** A bucket 30 cm wide, its rim 28 cm high; a sock ball of 45 mm, which a quarter of its radius off the edge still drops in. */
const [RIM_M, REACH_M] = [0.28, 0.15 - 0.25 * 0.045];
/** WHO Growth Reference 2007 as the product has it, times .5: where an underarm throw leaves the hand. */
const HAND_M = 0.5 * 1.272;

/** One throw at a bucket: does it drop in? */
function throwsIn(distanceM: number, spread: number, [side, up, fast]: readonly [number, number, number], aside: number): boolean {
  const rise = RIM_M - HAND_M;
  const angle = Math.atan((rise + Math.hypot(distanceM, rise)) / distanceM);
  const speed = Math.sqrt((G * distanceM ** 2) / (2 * Math.cos(angle) ** 2 * (distanceM * Math.tan(angle) - rise)));
  const elevation = angle + up * ELEVATION * AGE_FACTOR * spread;
  const v = speed * (1 + fast * SPEED * AGE_FACTOR * spread);
  const vertical = v * Math.sin(elevation);
  const under = vertical * vertical - 2 * G * rise;
  if (under < 0) return false;
  const along = (v * Math.cos(elevation) * (vertical + Math.sqrt(under))) / G - distanceM;
  const across = distanceM * (side + aside) * AZIMUTH * AGE_FACTOR * spread;
  return along * along + across * across <= REACH_M * REACH_M;
}

export interface WorldClass {
  readonly observed: readonly ObservedHits[];
  /** True mean chance of the class in the week after the last, at ASKED_M. */
  readonly truth: readonly number[];
  /** What each child scores in that week in four goes, each mark of NEAR_M four times. */
  readonly scores: readonly number[];
}

const THROWS_FOR_TRUTH = 250;

/** The chance of the product at a mark, by skill, worked out once: what its evidence would carry. */
const curves = new Map<number, { readonly curve: object; readonly chance: (skill: number) => number }>();
function curveAt(distanceM: number) {
  const known = curves.get(distanceM);
  if (known) return known;
  const nodes = Array.from({ length: 121 }, (_, node) =>
    chanceOf({ technique: 'underarm', implement: 'sock-ball', target: 'bucket', distanceM, ageYears: AGE, skill: Math.exp(-1.5 + node / 40) }),
  );
  const made = {
    curve: nodes,
    chance: (skill: number) => {
      const at = Math.min(119.999, Math.max(0, 40 * (Math.log(skill) + 1.5)));
      const below = Math.floor(at);
      return nodes[below]! + (at - below) * (nodes[below + 1]! - nodes[below]!);
    },
  };
  curves.set(distanceM, made);
  return made;
}

/** A class of this world and this seed, through its weeks. */
function classOf(world: World, seed: number): WorldClass {
  const of = dice(seed);
  const errors = world.errors ?? (({ normal }: Dice) => [normal(), normal(), normal()] as const);
  const mean = 0.25 * of.normal();
  const children = Array.from({ length: CHILDREN }, (): Child => {
    const better = world.better && of.uniform() < world.better.share ? world.better.ln : 0;
    return { ln: mean + 0.3 * of.normal() + better, aside: (world.aside ?? 0) * of.normal() };
  });
  const spreadIn = ({ ln }: Child, week: number, day: number) => Math.exp(ln + (world.learning ?? 0) * week + (world.session ?? 0) * day);
  const observed: ObservedHits[] = [];
  for (let week = 0; week < WEEKS; week += 1)
    children.forEach((child, index) => {
      const spread = spreadIn(child, week, of.normal());
      for (let go = 0; go < GOES_A_WEEK; go += 1) {
        const inflated = of.uniform() < (world.inflated ?? 0);
        const one = {};
        for (const distanceM of week % 2 === 0 ? NEAR_M : FAR_M) {
          let hits = 0;
          for (let n = 0; n < TRIES_A_MARK; n += 1)
            if (throwsIn(distanceM, spread, errors(of), child.aside) || (inflated && of.uniform() < 0.5)) hits += 1;
          observed.push({ child: `${index}`, family: 'throw', week, go: one, attempts: TRIES_A_MARK, hits, distanceM, ...curveAt(distanceM) });
        }
      }
    });
  const spreads = children.map((child) => spreadIn(child, WEEKS, of.normal()));
  const share = (distanceM: number, child: number, n: number) => {
    let hits = 0;
    for (let i = 0; i < n; i += 1) if (throwsIn(distanceM, spreads[child]!, errors(of), children[child]!.aside)) hits += 1;
    return hits;
  };
  const truth = ASKED_M.map((distanceM) => {
    let hits = 0;
    for (let child = 0; child < CHILDREN; child += 1) hits += share(distanceM, child, THROWS_FOR_TRUTH);
    return hits / (CHILDREN * THROWS_FOR_TRUTH);
  });
  const scores = children.flatMap((_, child) =>
    Array.from({ length: 4 }, () => NEAR_M.reduce((score, distanceM) => score + share(distanceM, child, TRIES_A_MARK), 0)),
  );
  return { observed, truth, scores };
}

/** A game of twelve throws: four from each of these marks, one point a hit. */
function twelveThrows(lengthsM: readonly number[]): Game {
  const game = resolveLevel(starter('harbour-lamps'), 0);
  const aim = game.course.targets['aim']![0]!;
  const [part] = game.parts;
  const [stage] = part!.stages;
  return {
    ...game,
    course: {
      ...game.course,
      floor: { ...game.course.floor, widthM: 9 },
      places: { mark: lengthsM.map((lengthM) => ({ xM: aim.xM - lengthM, yM: aim.yM })) },
    },
    parts: [
      {
        ...part!,
        clock: { kind: 'none', s: 0, per: 'part' },
        gates: {},
        counters: ['hits'],
        stages: [stage!],
        groups: { ...part!.groups, mark: { kind: 'place', n: lengthsM.length, order: 'fixed', end: 'wrap' } },
        measure: { of: { sum: { hits: 1 } }, unit: 'hits', better: 'high' },
        rows: [
          {
            if: [['end', '=', stage!.ends!.find((end) => end.as === 'success')!.id]],
            validity: 'counts',
            do: [
              { do: 'add', counter: 'hits', amount: 1 },
              { do: 'go', group: 'mark', to: 'next' },
            ],
          },
          { if: [], validity: 'counts', do: [{ do: 'go', group: 'mark', to: 'next' }] },
        ],
        stop: [{ if: [['attempts', '>=', TRIES_A_MARK * lengthsM.length]], why: 'attempts' }],
      },
    ],
  };
}

export interface WorldFigures {
  readonly name: string;
  readonly says: string;
  /** At ASKED_M: forecast minus truth in points, root mean square of that, the same with the age alone, share of classes whose interval holds the truth. */
  readonly bias: readonly number[];
  readonly rmse: readonly number[];
  readonly ageRmse: readonly number[];
  readonly coverage: readonly number[];
  /** Par minus the true median, mean and mean size, and the share of scores that reach par. */
  readonly par: { readonly bias: number; readonly size: number; readonly reached: number };
  readonly bent: number;
  readonly alarms: Readonly<Record<'far' | 'trend' | 'scatter' | 'any', number>>;
}

const median = (list: readonly number[]) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]!;

/** What the product makes of so many classes of a world. */
export function heldAgainst(world: World, classes: number, seed = 1): WorldFigures {
  const game = twelveThrows(NEAR_M);
  const each = ASKED_M.map((distanceM) => twelveThrows([distanceM]));
  const ofAge = each.map((one) => forecastSetUp(one, { ageYears: AGE, plays: 9, seed: 1 }).places[0]!.chance);
  const zero = () => ASKED_M.map(() => 0);
  const [bias, square, ageSquare, held] = [zero(), zero(), zero(), zero()];
  const par = { bias: 0, size: 0, reached: 0 };
  const alarms = { far: 0, trend: 0, scatter: 0, any: 0 };
  let bent = 0;
  for (let n = 0; n < classes; n += 1) {
    const { observed, truth, scores } = classOf(world, seed * 100_003 + n);
    const chosen = chosenFit(observed);
    const fitted = inWeek(chosen.group, WEEKS);
    if (fitted.bend) bent += 1;
    each.forEach((one, index) => {
      const place = forecastSetUp(one, { ageYears: AGE, plays: 9, seed: 1, fitted }).places[0]!;
      const off = place.chance - truth[index]!;
      bias[index]! += off;
      square[index]! += off * off;
      ageSquare[index]! += (ofAge[index]! - truth[index]!) ** 2;
      if (place.low <= truth[index]! && truth[index]! <= place.high) held[index]! += 1;
    });
    const told = forecastSetUp(game, { ageYears: AGE, plays: 900, seed: 7, fitted }).par;
    par.bias += told - median(scores);
    par.size += Math.abs(told - median(scores));
    par.reached += scores.filter((score) => score >= told).length / scores.length;
    const kinds = new Set(doesItFit(observed, chosen).alarms.map(({ kind }) => kind));
    for (const kind of kinds) alarms[kind] += 1;
    if (kinds.size > 0) alarms.any += 1;
  }
  const share = (value: number) => value / classes;
  const points = (value: number) => 100 * share(value);
  return {
    name: world.name,
    says: world.says,
    bias: bias.map(points),
    rmse: square.map((value) => 100 * Math.sqrt(share(value))),
    ageRmse: ageSquare.map((value) => 100 * Math.sqrt(share(value))),
    coverage: held.map(share),
    par: { bias: share(par.bias), size: share(par.size), reached: share(par.reached) },
    bent: share(bent),
    alarms: { far: share(alarms.far), trend: share(alarms.trend), scatter: share(alarms.scatter), any: share(alarms.any) },
  };
}

/** A class test in the world that the model assumes: root mean square error of the chance at ASKED_M in points, by the age alone and by the test. */
export function testedClasses(
  classes: number,
  seed = 1,
): { readonly byAge: readonly number[]; readonly byTest: readonly number[]; readonly marksM: readonly number[] } {
  const marksM = testMarks('throw', AGE);
  const each = ASKED_M.map((distanceM) => twelveThrows([distanceM]));
  const ofAge = each.map((one) => forecastSetUp(one, { ageYears: AGE, plays: 9, seed: 1 }).places[0]!.chance);
  const [byAge, byTest] = [ASKED_M.map(() => 0), ASKED_M.map(() => 0)];
  for (let n = 0; n < classes; n += 1) {
    const of = dice(seed * 70_001 + n);
    const throwAt = (distanceM: number, spread: number) => throwsIn(distanceM, spread, [of.normal(), of.normal(), of.normal()], 0);
    const mean = 0.25 * of.normal();
    const spreads = Array.from({ length: CHILDREN }, () => Math.exp(mean + 0.3 * of.normal()));
    const tries = spreads.flatMap((spread, child) =>
      marksM.map((distanceM, mark) => {
        let hits = 0;
        for (let i = 0; i < TRIES_A_MARK_OF_A_TEST; i += 1) if (throwAt(distanceM, spread)) hits += 1;
        return { child: `${child}`, ageYears: AGE, mark, tries: TRIES_A_MARK_OF_A_TEST, hits };
      }),
    );
    const { group } = fitClass(evidenceOfTest({ family: 'throw', marksM, week: 0, rolled: null, tries }));
    ASKED_M.forEach((distanceM, at) => {
      let hits = 0;
      for (const spread of spreads) for (let i = 0; i < THROWS_FOR_TRUTH; i += 1) if (throwAt(distanceM, spread)) hits += 1;
      const truth = hits / (CHILDREN * THROWS_FOR_TRUTH);
      byAge[at]! += (ofAge[at]! - truth) ** 2;
      byTest[at]! += (forecastSetUp(each[at]!, { ageYears: AGE, plays: 9, seed: 1, fitted: group }).places[0]!.chance - truth) ** 2;
    });
  }
  const rms = (sums: readonly number[]) => sums.map((value) => 100 * Math.sqrt(value / classes));
  return { byAge: rms(byAge), byTest: rms(byTest), marksM };
}
