/**
 * A term as a teacher plans it: classes down, weeks across. In each slot stands a game at one of its levels, an event, or nothing. What must be is kept
 * by every plan; what is wished is weighed.
 */
import type { Skill } from '../sheet/teaching-points';

/** How many of what. */
export type Lent = Readonly<Record<string, number>>;

export interface PlanOffer {
  readonly id: string;
  readonly title: string;
  /** An event stands where it is pinned alone. */
  readonly kind: 'game' | 'event';
  /** What is practised, the main movement first. */
  readonly skills: readonly Skill[];
  /** How it is played: against the clock, in frames, along a course. Weeks should not all be alike. */
  readonly way: string;
  /** The easiest first. */
  readonly levels: readonly { readonly id: string; readonly name: string }[];
  /** What each home has to find. */
  readonly things: readonly string[];
  /** What each child borrows from the school for it: how many of what. */
  readonly lends: Lent;
  /** The clear line that it takes, metres. */
  readonly floorM: number;
}

/** What a class may be expected to do at one level of an offer. */
export interface Expected {
  /** Of a try, 0 to 1; null where nothing is aimed at. */
  readonly chance: number | null;
  readonly minutes: number;
}

export interface Cell {
  readonly offerId: string;
  readonly levelId: string;
}

export const isSameCell = (a: Cell | null | undefined, b: Cell | null | undefined): boolean => a?.offerId === b?.offerId && a?.levelId === b?.levelId;

/** By class, then by week; null for a free slot or a holiday. */
export type TermPlan = readonly (readonly (Cell | null)[])[];

/**
 * What a plan must keep. `classIds` missing: every class. Weeks count from 0. What is pinned stands: no other must bars it, and those that count are
 * kept by what can still be chosen.
 */
export type Must = { readonly id: string; readonly classIds?: readonly string[] } & (
  | { readonly kind: 'skill-weeks'; readonly skill: Skill; readonly least: number; readonly most: number | null }
  /** The first week of `then` is not before the last of `first`. */
  | { readonly kind: 'order'; readonly first: Skill; readonly then: Skill }
  | { readonly kind: 'often'; readonly most: number }
  /** A game that stands once stands again within so many weeks. */
  | { readonly kind: 'twice'; readonly within: number }
  | { readonly kind: 'run'; readonly most: number }
  | { readonly kind: 'minutes'; readonly most: number }
  | { readonly kind: 'floor'; readonly metres: number }
  | { readonly kind: 'cupboard'; readonly thing: string; readonly there: number }
  | { readonly kind: 'pinned'; readonly week: number; readonly cell: Cell | null }
  | { readonly kind: 'never'; readonly offerId: string; readonly why: 'played' | 'unwanted' }
);

export type MustKind = Must['kind'];

/** How much each wish weighs; none counts at 0. Teachers see "more" and "less important". */
export interface Weights {
  /** A tenth of chance away from what the week wants. */
  readonly hardness: number;
  /** A movement that the term has none of. */
  readonly movements: number;
  /** A week more of one way of playing than its share. */
  readonly variety: number;
  /** A thing to be found. */
  readonly things: number;
  /** A cell other than the accepted plan's. */
  readonly changes: number;
}

export const WEIGHTS: Weights = { hardness: 10, movements: 8, variety: 4, things: 1, changes: 6 };

export interface Term {
  /** `borrowers`: its children, who borrow each for itself. */
  readonly classes: readonly { readonly id: string; readonly name: string; readonly borrowers: number }[];
  readonly weeks: readonly { readonly holiday: boolean }[];
  readonly offers: readonly PlanOffer[];
  /** By class, offer and level. */
  readonly expected: readonly (readonly (readonly Expected[])[])[];
  /** The chance that a week should have, by class and week: 0 to 1, the easy ones high. */
  readonly wanted: readonly (readonly number[])[];
  readonly musts: readonly Must[];
  readonly weights: Weights;
  /** The plan that was accepted; changing it costs. */
  readonly accepted?: TermPlan;
}

/** How many of a thing a class borrows for an offer. */
export const lentFor = ({ classes }: Term, classIndex: number, { lends }: PlanOffer, thing: string): number =>
  (lends[thing] ?? 0) * classes[classIndex]!.borrowers;

export const isOf = (must: Must, classId: string): boolean => must.classIds === undefined || must.classIds.includes(classId);

/** Whether it may stand there at all: an event does where it is pinned alone. */
export const mayStand = (musts: readonly Must[], classId: string, week: number, { id, kind }: PlanOffer): boolean =>
  kind === 'game' || musts.some((must) => isOf(must, classId) && must.kind === 'pinned' && must.week === week && must.cell?.offerId === id);

export const practises = (offer: PlanOffer, skill: Skill): boolean => offer.skills.includes(skill);

/** Ways of playing among the games, and the weeks that each may have before it is more than its share. */
export function shareOfWays({ offers, weeks }: Term): { readonly ways: readonly string[]; readonly share: number } {
  const ways = [...new Set(offers.filter(({ kind }) => kind === 'game').map(({ way }) => way))];
  return { ways, share: Math.ceil(weeks.filter(({ holiday }) => !holiday).length / Math.max(1, ways.length)) };
}

/** The movements that are offered at all. */
export const movementsOf = ({ offers }: Term): readonly Skill[] => [...new Set(offers.flatMap(({ skills }) => skills.slice(0, 1)))];
