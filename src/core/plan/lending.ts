/**
 * Where classes meet: what they borrow of the cupboard. Lines of single classes that are known are put together to the best plan that lends no more than
 * there is; and each thing gets a price in each week at which the classes ask for about as much. What all cost at such prices, less what the cupboard is
 * worth at them, is the least that any plan can cost (Lagrangian relaxation); of the lines known it is seen which prices raise that most (multi-cut
 * bundle: Lemaréchal, Nemirovskii, Nesterov, “New variants of bundle methods”, 1995, from memory).
 */
import { costOfClass, wholeCost } from './cost';
import type { Condition } from './mip';
import type { Solver } from './solver';
import { lentFor, type Lent, type Term, type TermPlan } from './term';

type Line = TermPlan[number];

const SLACK = 1e-9;

export interface CostedLine {
  readonly line: Line;
  readonly cost: number;
}

interface KnownLine extends CostedLine {
  readonly classIndex: number;
  /** How many it asks for, by meeting. */
  readonly asks: readonly number[];
}

/** A price of one of each, by meeting: a thing in a week in which there is no holiday. */
export type Prices = readonly number[];

export interface Lending {
  /** Adds the line of a class to those that are known. */
  readonly know: (classIndex: number, line: Line) => void;
  /** The best plan that can be put together of what is known; null where nothing goes together. */
  readonly together: () => TermPlan | null;
  /** Prices at which, as far as is known, the classes cost most less what all there is costs: no farther than so much from others. */
  readonly pricesNear: (prices: Prices, reach: number) => { readonly prices: Prices; readonly atMost: number };
  /** The known line of a class that costs least at these prices, and what it then costs. */
  readonly bestAt: (classIndex: number, prices: Prices) => CostedLine;
  /** What a line costs beside its wishes. */
  readonly priceOf: (classIndex: number, line: Line, prices: Prices) => number;
  /** What all there is costs. */
  readonly worthAt: (prices: Prices) => number;
  /** The same, by week and thing. */
  readonly byWeek: (prices: Prices) => Lent[];
  readonly noPrices: Prices;
  /** What a piece that is lent stands for on the average, of the lines known. */
  readonly aPiece: () => number;
}

/** What of the cupboard the lines of these classes borrow together, by week. */
export const lentIn = (term: Term, lines: ReadonlyMap<number, Line>): Lent[] =>
  term.weeks.map((_, week) => {
    const sum: Record<string, number> = {};
    for (const [classIndex, line] of lines) {
      const offer = term.offers.find(({ id }) => id === line[week]?.offerId);
      for (const thing of Object.keys(offer?.lends ?? {})) sum[thing] = (sum[thing] ?? 0) + lentFor(term, classIndex, offer!, thing);
    }
    return sum;
  });

export function lendingOf(term: Term, solver: Solver): Lending {
  const { musts, weeks, classes } = term;
  const meetings = musts.flatMap((must) =>
    must.kind === 'cupboard' ? weeks.flatMap(({ holiday }, week) => (holiday ? [] : [{ week, thing: must.thing, there: must.there }])) : [],
  );
  const asksOf = (classIndex: number, line: Line) => {
    const lent = lentIn(term, new Map([[classIndex, line]]));
    return meetings.map(({ week, thing }) => lent[week]![thing] ?? 0);
  };
  const at = (asks: readonly number[], prices: Prices) => asks.reduce((sum, n, meeting) => sum + n * prices[meeting]!, 0);
  const known: KnownLine[] = [];
  const seen = new Set<string>();
  const ofClass = (classIndex: number) => known.filter((one) => one.classIndex === classIndex);

  return {
    noPrices: meetings.map(() => 0),
    know: (classIndex, line) => {
      const key = JSON.stringify([classIndex, line]);
      if (seen.has(key)) return;
      seen.add(key);
      known.push({ classIndex, line, cost: wholeCost(costOfClass(term, classIndex, line)), asks: asksOf(classIndex, line) });
    },
    together: () => {
      const one = classes.map((_, classIndex): Condition => ({
        terms: known.flatMap((line, column) => (line.classIndex === classIndex ? [[column, 1] as const] : [])),
        sense: '=',
        rhs: 1,
      }));
      const enough = meetings.map(({ there }, meeting): Condition => ({
        terms: known.flatMap(({ asks }, column) => (asks[meeting]! > 0 ? [[column, asks[meeting]!] as const] : [])),
        sense: '<=',
        rhs: there,
      }));
      const answer = solver.solve({ columns: known.map(({ cost }) => ({ cost, isBinary: true })), rows: [...one, ...enough] }, 0);
      return (
        answer && classes.map((_, classIndex) => known.find((line, column) => line.classIndex === classIndex && answer.values[column]! > 0.5)!.line)
      );
    },
    pricesNear: (prices, reach) => {
      const columns = [
        ...meetings.map(({ there }) => ({ cost: there, isBinary: false })),
        // What each class costs at the prices is no more than each of its lines does.
        ...classes.map(() => ({ cost: -1, isBinary: false })),
      ];
      const rows: Condition[] = known.map(({ classIndex, cost, asks }) => ({
        terms: [[meetings.length + classIndex, 1], ...asks.flatMap((n, meeting) => (n > 0 ? [[meeting, -n] as const] : []))],
        sense: '<=',
        rhs: cost,
      }));
      for (const [meeting, price] of prices.entries()) {
        rows.push({ terms: [[meeting, 1]], sense: '<=', rhs: price + reach });
        if (price > reach) rows.push({ terms: [[meeting, 1]], sense: '>=', rhs: price - reach });
      }
      const answer = solver.solve({ columns, rows }, 0);
      if (!answer) throw new Error('prices can always be had: those that they should be near to');
      return { prices: answer.values.slice(0, meetings.length).map((price) => Math.max(0, price)), atMost: -answer.cost };
    },
    bestAt: (classIndex, prices) =>
      ofClass(classIndex)
        .map(({ line, cost, asks }) => ({ line, cost: cost + at(asks, prices) }))
        .reduce((least, one) => (one.cost < least.cost - SLACK ? one : least)),
    priceOf: (classIndex, line, prices) => at(asksOf(classIndex, line), prices),
    worthAt: (prices) => meetings.reduce((sum, { there }, meeting) => sum + there * prices[meeting]!, 0),
    byWeek: (prices) =>
      weeks.map((_, of) => Object.fromEntries(meetings.flatMap(({ week, thing }, meeting) => (week === of ? [[thing, prices[meeting]!]] : [])))),
    aPiece: () => {
      const sum = (figure: (line: KnownLine) => number) => known.reduce((of, line) => of + figure(line), 0);
      return (
        sum(({ cost }) => cost) /
        Math.max(
          1,
          sum(({ asks }) => asks.reduce((of, n) => of + n, 0)),
        )
      );
    },
  };
}
