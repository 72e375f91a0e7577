/** Why something stands in a cell: what the best others would cost there with all else as it is, and what the rest would break. */
import { brokenBy, type Broken } from './broken';
import { costOf, wholeCost, type CostParts } from './cost';
import { mayStand, type Cell, type TermPlan, type Term } from './term';

export interface Instead {
  readonly cell: Cell;
  /** How much more it would cost, by wish; less than nothing where it would be better there. */
  readonly more: CostParts;
  readonly total: number;
  /** Musts that it would break. */
  readonly breaks: readonly string[];
}

const SHOWN = 3;

/** The three best others that break nothing, and the best that does. */
export function whyThis(
  term: Term,
  plan: TermPlan,
  classIndex: number,
  week: number,
): { readonly others: readonly Instead[]; readonly barred: Instead | undefined } {
  const now = costOf(term, plan);
  const key = ({ mustId, classIndex: of }: Broken) => `${mustId} ${of}`;
  const broken = new Set(brokenBy(term, plan).map(key));
  const here = plan[classIndex]![week];
  const classId = term.classes[classIndex]!.id;
  const all = term.offers
    .filter((offer) => mayStand(term.musts, classId, week, offer))
    .flatMap(({ id, levels }) => levels.map((level): Cell => ({ offerId: id, levelId: level.id })))
    .filter((cell) => cell.offerId !== here?.offerId || cell.levelId !== here.levelId)
    .map((cell): Instead => {
      const other = plan.map((line, index) => (index === classIndex ? line.map((one, at) => (at === week ? cell : one)) : line));
      const cost = costOf(term, other);
      const more = Object.fromEntries(
        Object.entries(cost).map(([part, value]) => [part, value - now[part as keyof CostParts]]),
      ) as unknown as CostParts;
      return {
        cell,
        more,
        total: wholeCost(more),
        breaks: [
          ...new Set(
            brokenBy(term, other)
              .filter((one) => !broken.has(key(one)))
              .map(({ mustId }) => mustId),
          ),
        ],
      };
    })
    .sort((a, b) => a.total - b.total);
  return { others: all.filter(({ breaks }) => breaks.length === 0).slice(0, SHOWN), barred: all.find(({ breaks }) => breaks.length > 0) };
}
