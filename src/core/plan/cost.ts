/** What a plan costs by the wishes, and of which wish how much. */
import type { Skill } from '../sheet/teaching-points';
import { movementsOf, practises, shareOfWays, type Cell, type TermPlan, type Term, type Weights } from './term';

export type CostParts = Readonly<Record<keyof Weights, number>>;

/** Where no chance is known a game is as far from what is wanted as a usual one. */
const UNKNOWN_OFF = 0.15;
const PER_TENTH = 10;

/** Of a cell by itself: how hard it is against what is wanted, what must be found, whether it was accepted otherwise. */
export function cellCost(term: Term, classIndex: number, week: number, offerIndex: number, levelIndex: number): CostParts {
  const { offers, expected, wanted, weights, accepted } = term;
  const offer = offers[offerIndex]!;
  const { chance } = expected[classIndex]![offerIndex]![levelIndex]!;
  const off = chance === null ? UNKNOWN_OFF : Math.abs(chance - wanted[classIndex]![week]!);
  const before = accepted?.[classIndex]?.[week];
  const isChanged = accepted !== undefined && (before?.offerId !== offer.id || before.levelId !== offer.levels[levelIndex]!.id);
  return {
    hardness: weights.hardness * PER_TENTH * off,
    things: weights.things * offer.things.length,
    changes: isChanged ? weights.changes : 0,
    movements: 0,
    variety: 0,
  };
}

/** Where a cell stands among the offers; throws for a cell of none of them. */
export function offerAt({ offers }: Term, { offerId, levelId }: Cell): { readonly offer: number; readonly level: number } {
  const offer = offers.findIndex(({ id }) => id === offerId);
  const level = offers[offer]?.levels.findIndex(({ id }) => id === levelId) ?? -1;
  if (level < 0) throw new Error(`the term offers no “${offerId}” at “${levelId}”`);
  return { offer, level };
}

const NOTHING: CostParts = { hardness: 0, movements: 0, variety: 0, things: 0, changes: 0 };

const added = (a: CostParts, b: CostParts): CostParts => ({
  hardness: a.hardness + b.hardness,
  movements: a.movements + b.movements,
  variety: a.variety + b.variety,
  things: a.things + b.things,
  changes: a.changes + b.changes,
});

/** Movements that are offered and that this line has none of. */
export function movementsMissing(term: Term, line: TermPlan[number]): readonly Skill[] {
  const played = line.flatMap((cell) => (cell ? [term.offers[offerAt(term, cell).offer]!] : []));
  return movementsOf(term).filter((skill) => !played.some((offer) => practises(offer, skill)));
}

/** Of one class's line of a plan. */
export function costOfClass(term: Term, classIndex: number, line: TermPlan[number]): CostParts {
  const { offers, weights } = term;
  const cells = line.flatMap((cell, week) => (cell ? [{ week, ...offerAt(term, cell) }] : []));
  const own = cells.reduce((sum, { week, offer, level }) => added(sum, cellCost(term, classIndex, week, offer, level)), NOTHING);
  const played = cells.map(({ offer }) => offers[offer]!);
  const { ways, share } = shareOfWays(term);
  const missing = movementsMissing(term, line).length;
  const over = ways.reduce((sum, way) => sum + Math.max(0, played.filter((offer) => offer.kind === 'game' && offer.way === way).length - share), 0);
  return added(own, { ...NOTHING, movements: weights.movements * missing, variety: weights.variety * over });
}

export const costOf = (term: Term, plan: TermPlan): CostParts =>
  plan.reduce((sum, line, classIndex) => added(sum, costOfClass(term, classIndex, line)), NOTHING);

export const wholeCost = ({ hardness, movements, variety, things, changes }: CostParts): number => hardness + movements + variety + things + changes;
