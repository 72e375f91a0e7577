/**
 * Does the model fit a class? What was forecast beside what was reported: in tenths of chance, by distance, by week and by family; and where the
 * two part, an alarm. Looked at in this order: chances that part as they fall (far marks told too low or too high), a class that gets steadier or
 * wilder week by week, and scores that scatter more than chance brings. Each alarm is rare where the model is right: about one class in a hundred.
 */
import { logit } from '../motion/bend';
import type { Family } from '../motion/families';
import { chanceFor, inPast, isHits, type ChosenFit, type Scores } from './held-out';
import { TREND, type Fitted, type Observed, type ObservedHits } from './fit';
import { wilson, Z_80 } from './wilson';

/** What was told and what was reported of some tries. */
export interface ToldAndSeen {
  readonly tries: number;
  readonly told: number;
  readonly seen: number;
  /** What the chance may well be by what was reported: four times in five (Wilson). */
  readonly low: number;
  readonly high: number;
}

export type Alarm =
  /** Marks with a low chance are hit more, or less, often than told; `fromM` is where that begins. */
  | { readonly kind: 'far'; readonly more: boolean; readonly fromM: number; readonly bent: boolean }
  /** The class changes by this share of its spread a week. */
  | { readonly kind: 'trend'; readonly aWeek: number }
  /** Whole goes lie farther from what was told than chance brings. */
  | { readonly kind: 'scatter' };

export interface DoesItFit {
  /** Attempts that were tapped one by one: only those can be held against a chance. */
  readonly tries: number;
  readonly tenths: readonly (ToldAndSeen & { readonly tenth: number })[];
  readonly byDistance: readonly (ToldAndSeen & { readonly fromM: number; readonly toM: number })[];
  readonly byWeek: readonly (ToldAndSeen & { readonly week: number })[];
  readonly byFamily: readonly (ToldAndSeen & { readonly family: Family })[];
  /** Of weeks that the fit had not seen, beside what is assumed for the age; null where all is of one week. */
  readonly scores: { readonly fit: Scores; readonly age: Scores; readonly tries: number } | null;
  readonly alarms: readonly Alarm[];
}

/** Fewer tries, or fewer children, than this and nothing is said. Assumed. */
const [FROM_TRIES, FROM_CHILDREN] = [150, 8];
/**
 * So many standard deviations off is an alarm, so that of three that are looked at fewer than five classes in a hundred have one by chance. In the
 * world that the model assumes the statistic of far marks lies at −.4 ± 1 (tests/reference/worlds.ts, 400 classes): its two sides are not alike.
 */
const FAR_SD = { more: 1.95, less: 3 } as const;
/** The same where unseen weeks were told better with a bend. */
const FAR_BENT_SD = { more: 1.6, less: 2 } as const;
const TREND_SD = 3;
const SCATTER_SD = 1.6;
const DISTANCE_BIN_M = 0.75;

interface Told {
  readonly observed: ObservedHits;
  readonly p: number;
}

const sum = <T>(list: readonly T[], of: (one: T) => number): number => list.reduce((total, one) => total + of(one), 0);

function toldAndSeen(list: readonly Told[]): ToldAndSeen {
  const tries = sum(list, ({ observed }) => observed.attempts);
  const hits = sum(list, ({ observed }) => observed.hits);
  const { low, high } = wilson(hits, tries, Z_80);
  return { tries, told: sum(list, ({ observed, p }) => observed.attempts * p) / Math.max(1, tries), seen: hits / Math.max(1, tries), low, high };
}

function grouped<K>(list: readonly Told[], key: (one: Told) => K | undefined): readonly (readonly [K, readonly Told[]])[] {
  const groups = new Map<K, Told[]>();
  for (const one of list) {
    const of = key(one);
    if (of !== undefined) groups.set(of, [...(groups.get(of) ?? []), one]);
  }
  return [...groups].sort(([a], [b]) => (typeof a === 'object' || a === b ? 0 : a < b ? -1 : 1));
}

/** What each child was told by a fit for every try that is known, in the week it was made. */
function toldBy(observed: readonly ObservedHits[], children: ReadonlyMap<string, Fitted>): readonly Told[] {
  return observed.map((one) => ({ observed: one, p: chanceFor(one, inPast(children.get(one.child)!, one.week)) }));
}

/** The whole answer for a class: its evidence, and the fit that was chosen for it. */
export function doesItFit(observed: readonly Observed[], chosen: ChosenFit): DoesItFit {
  const known = observed.filter(isHits);
  const told = toldBy(known, chosen.children);
  const tries = sum(known, ({ attempts }) => attempts);
  const bent = chosen.group.bend !== undefined;
  const enough = tries >= FROM_TRIES && chosen.children.size >= FROM_CHILDREN;
  return {
    tries,
    tenths: grouped(told, ({ p }) => Math.min(9, Math.floor(10 * p))).map(([tenth, list]) => ({ tenth, ...toldAndSeen(list) })),
    byDistance: grouped(told, ({ observed: { distanceM } }) => (distanceM === undefined ? undefined : Math.floor(distanceM / DISTANCE_BIN_M))).map(
      ([bin, list]) => ({ fromM: bin * DISTANCE_BIN_M, toM: (bin + 1) * DISTANCE_BIN_M, ...toldAndSeen(list) }),
    ),
    byWeek: grouped(told, ({ observed: { week } }) => week).map(([week, list]) => ({ week, ...toldAndSeen(list) })),
    byFamily: grouped(told, ({ observed: { family } }) => family ?? 'throw').map(([family, list]) => ({ family, ...toldAndSeen(list) })),
    scores: chosen.heldOut && { fit: chosen.heldOut.fit, age: chosen.heldOut.age, tries: chosen.heldOut.tries },
    alarms: enough ? alarmsOf(bent ? toldBy(known, chosen.plain.children) : told, chosen.plain.group, bent) : [],
  };
}

function alarmsOf(told: readonly Told[], group: Fitted, bent: boolean): readonly Alarm[] {
  return [...farAlarm(told, bent), ...trendAlarm(group), ...scatterAlarm(told)];
}

/** A sum over children, each standing for one draw: how many standard deviations it lies from nothing. */
function byChildren(told: readonly Told[], of: (one: Told) => number): number {
  const sums = new Map<string, number>();
  for (const one of told) sums.set(one.observed.child, (sums.get(one.observed.child) ?? 0) + of(one));
  const squares = sum([...sums.values()], (value) => value * value);
  return squares === 0 ? 0 : sum([...sums.values()], (value) => value) / Math.sqrt(squares);
}

const off = ({ observed, p }: Told) => observed.hits - observed.attempts * p;
/** What is all but sure tells little of a bend: no chance is taken for farther out than this. */
const ALL_BUT_SURE = 0.01;
const odds = (p: number) => logit(p, ALL_BUT_SURE);

/** Do hits part from what was told the more the lower the chance is? */
function farAlarm(told: readonly Told[], bent: boolean): Alarm[] {
  const weight = ({ observed, p }: Told) => observed.attempts * p * (1 - p);
  const middleOf = (list: readonly Told[]) => sum(list, (one) => weight(one) * odds(one.p)) / Math.max(1e-9, sum(list, weight));
  const middle = middleOf(told);
  // Within each child: that its own skill was found from the same tries, and drawn to the class's, must not look like a bend.
  const ofChild = new Map(grouped(told, ({ observed: { child } }) => child).map(([child, list]) => [child, middleOf(list)]));
  const z = byChildren(told, (one) => -off(one) * (odds(one.p) - ofChild.get(one.observed.child)!));
  const least = (bent ? FAR_BENT_SD : FAR_SD)[z > 0 ? 'more' : 'less'];
  if (Math.abs(z) < least) return [];
  const far = told.filter(({ p, observed }) => odds(p) < middle && observed.distanceM !== undefined).map(({ observed }) => observed.distanceM!);
  return [{ kind: 'far', more: z > 0, fromM: far.length === 0 ? 0 : Math.min(...far), bent }];
}

/** What the reports alone say of a trend: its prior is taken out again. */
function trendAlarm({ trend }: Fitted): Alarm[] {
  if (!trend) return [];
  const precision = 1 / trend.sd ** 2 - 1 / TREND.sd ** 2;
  if (precision <= 0) return [];
  const alone = (trend.aWeek / trend.sd ** 2 - TREND.mean / TREND.sd ** 2) / precision;
  return Math.abs(alone) * Math.sqrt(precision) < TREND_SD ? [] : [{ kind: 'trend', aWeek: trend.aWeek }];
}

/** A go that was told better than it was lies about so many standard deviations too high. Assumed. */
const RAISED_SD = 1.2;

/**
 * Are there goes that lie farther above what was told than their tries, thrown apart, would bring them? The score test of a mixture: some goes
 * raised by RAISED_SD standard deviations among all others; each go is held against its own binomial distribution.
 */
function scatterAlarm(told: readonly Told[]): Alarm[] {
  const goes = grouped(told, ({ observed: { go } }) => go).map(([, list]) => list);
  if (goes.length < FROM_CHILDREN) return [];
  const scores = goes.map((list) => {
    const sd = Math.sqrt(sum(list, ({ observed, p }) => observed.attempts * p * (1 - p)));
    if (sd < 0.3) return 0;
    const by = RAISED_SD / sd;
    const z = sum(list, off) / sd;
    // What exp(RAISED_SD · z) comes to in the mean when every try is thrown apart.
    const usual = sum(list, ({ observed, p }) => observed.attempts * (Math.log(1 - p + p * Math.exp(by)) - by * p));
    return Math.exp(RAISED_SD * z - usual) - 1 - RAISED_SD * z;
  });
  const spread = Math.sqrt(sum(scores, (one) => one * one));
  return spread > 0 && sum(scores, (one) => one) / spread > SCATTER_SD ? [{ kind: 'scatter' }] : [];
}
