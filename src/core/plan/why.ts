/** Why something stands in a cell: what others would cost there with all else as it is, what they would break, in words. */
import { SKILL_NAMES } from '../sheet/teaching-points';
import { brokenBy, type Broken } from './broken';
import { costOf, movementsMissing, offerAt, wholeCost, type CostParts } from './cost';
import { isSameCell, mayStand, type Cell, type TermPlan, type Term, type Weights } from './term';

export interface Instead {
  readonly cell: Cell;
  /** How much more it would cost, by wish; less than nothing where it would be better there. */
  readonly more: CostParts;
  readonly total: number;
  /** Musts that it would break. */
  readonly breaks: readonly string[];
}

const SHOWN = 3;

const withCellAt = (plan: TermPlan, classIndex: number, week: number, cell: Cell | null): TermPlan =>
  plan.map((line, index) => (index === classIndex ? line.map((one, at) => (at === week ? cell : one)) : line));

/** The plan with another cell there: what that costs more, by wish, and which musts it breaks that were kept. */
export function instead(term: Term, plan: TermPlan, classIndex: number, week: number, cell: Cell): Instead {
  const key = ({ mustId, classIndex: of }: Broken) => `${mustId} ${of}`;
  const before = new Set(brokenBy(term, plan).map(key));
  const now = costOf(term, plan);
  const other = withCellAt(plan, classIndex, week, cell);
  const more = Object.fromEntries(
    Object.entries(costOf(term, other)).map(([part, value]) => [part, value - now[part as keyof CostParts]]),
  ) as unknown as CostParts;
  const breaks = brokenBy(term, other).filter((one) => !before.has(key(one)));
  return { cell, more, total: wholeCost(more), breaks: [...new Set(breaks.map(({ mustId }) => mustId))] };
}

/** The three best others that break nothing, and the best that does. */
export function whyThis(
  term: Term,
  plan: TermPlan,
  classIndex: number,
  week: number,
): { readonly others: readonly Instead[]; readonly barred: Instead | undefined } {
  const here = plan[classIndex]![week];
  const classId = term.classes[classIndex]!.id;
  const all = term.offers
    .filter((offer) => mayStand(term.musts, classId, week, offer))
    .flatMap(({ id, levels }) => levels.map((level): Cell => ({ offerId: id, levelId: level.id })))
    .filter((cell) => !isSameCell(cell, here))
    .map((cell) => instead(term, plan, classIndex, week, cell))
    .sort((a, b) => a.total - b.total);
  return { others: all.filter(({ breaks }) => breaks.length === 0).slice(0, SHOWN), barred: all.find(({ breaks }) => breaks.length > 0) };
}

const TENTHS = 10;
const inTen = (chance: number) => `${Math.round(TENTHS * chance)} in 10`;
/** Less than this of a cost is no reason. */
const LITTLE = 0.05;

export interface Against {
  readonly what: keyof Weights | 'must';
  /** Without a full stop. */
  readonly words: string;
}

/** Why another cell would be worse there, the weightiest first. Empty where it would not be. */
export function worseBecause(
  term: Term,
  plan: TermPlan,
  { classIndex, week }: { readonly classIndex: number; readonly week: number },
  { cell, more, breaks }: Instead,
  wordsOfMust: (id: string) => string,
): Against[] {
  const { offer, level } = offerAt(term, cell);
  const { chance } = term.expected[classIndex]![offer]![level]!;
  const wanted = term.wanted[classIndex]![week]!;
  const missing = movementsMissing(term, withCellAt(plan, classIndex, week, cell)[classIndex]!).filter(
    (skill) => !movementsMissing(term, plan[classIndex]!).includes(skill),
  );
  const said: Readonly<Record<keyof Weights, () => string>> = {
    hardness: () => (chance === null ? 'how hard it is cannot be forecast' : `about ${inTen(chance)} would succeed, ${inTen(wanted)} is wanted then`),
    movements: () =>
      missing.length > 0 ? `the term would have no ${missing.map((skill) => SKILL_NAMES[skill]).join(' and no ')}` : 'a movement would be missing',
    variety: () => `too many weeks would be played alike (${term.offers[offer]!.way})`,
    things: () => 'there is more to be found for it',
    changes: () => 'it is not what was planned before',
  };
  const parts = (Object.keys(said) as (keyof Weights)[]).filter((part) => more[part] > LITTLE).sort((a, b) => more[b] - more[a]);
  return [
    ...breaks.map((id): Against => ({ what: 'must', words: `against “${wordsOfMust(id)}”` })),
    ...parts.map((part): Against => ({ what: part, words: said[part]() })),
  ];
}
