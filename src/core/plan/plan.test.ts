import highsLoader from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { madeUp, USUAL, type Size } from './made-up-term';
import { LONG } from '../../../tests/long';
import type { SKILLS } from '../sheet/teaching-points';
import { brokenBy } from './broken';
import { costOf, costOfClass, wholeCost } from './cost';
import { clashOf, solveTerm } from './solve';
import { asLp, solverBy, type Solver } from './solver';
import { mayStand, WEIGHTS, type Cell, type Must, type PlanOffer, type TermPlan, type Term, type Weights } from './term';
import { whyThis } from './why';

let solver: Solver;
beforeAll(async () => {
  solver = solverBy(await highsLoader());
});

/** Terms that are tried out whole. */
const TERMS = LONG ? 8 : 3;
const SMALL: Size = { classes: 2, weeks: 4, games: 5, levels: 2 };

/** Every line of a class that keeps what it must, with its cost: by trying all. */
function everyLine(term: Term, classIndex: number): { readonly line: TermPlan[number]; readonly cost: number }[] {
  const one: Term = {
    ...term,
    classes: [term.classes[classIndex]!],
    expected: [term.expected[classIndex]!],
    wanted: [term.wanted[classIndex]!],
    ...(term.accepted && { accepted: [term.accepted[classIndex]!] }),
  };
  const cellsOf = (week: number): readonly (Cell | null)[] =>
    term.weeks[week]!.holiday
      ? [null]
      : term.offers
          .filter((offer) => mayStand(term.musts, one.classes[0]!.id, week, offer))
          .flatMap(({ id, levels }) => levels.map((level) => ({ offerId: id, levelId: level.id })));
  const lines = term.weeks.reduce<(Cell | null)[][]>((all, _, week) => all.flatMap((line) => cellsOf(week).map((cell) => [...line, cell])), [[]]);
  return lines
    .filter((line) => brokenBy(one, [line]).every(({ classIndex: of }) => of === null))
    .map((line) => ({ line, cost: wholeCost(costOfClass(one, 0, line)) }));
}

/** The least that a plan of two classes can cost, by trying all pairs; null where there is none. */
function cheapest(term: Term): number | null {
  const [first, second] = [everyLine(term, 0), everyLine(term, 1)];
  const hoops = term.musts.find((must) => must.kind === 'cupboard');
  const lent = (line: TermPlan[number], week: number) => term.offers.find(({ id }) => id === line[week]?.offerId)?.lends['hoops'] ?? 0;
  let least: number | null = null;
  for (const one of first)
    for (const other of second) {
      const cost = one.cost + other.cost;
      if (least !== null && cost >= least) continue;
      if (hoops?.kind === 'cupboard' && term.weeks.some((_, week) => lent(one.line, week) + lent(other.line, week) > hoops.there)) continue;
      least = cost;
    }
  return least;
}

describe('the plan of a term', () => {
  it('is as good as the best of all plans of two classes, four weeks and five games, and there is none where none is found', () => {
    let found = 0;
    for (let seed = 1; seed <= TERMS; seed += 1) {
      const musts: readonly Must[] = [...USUAL, { id: 'hoops', kind: 'cupboard', thing: 'hoops', there: seed % 4 }];
      const term = madeUp(seed, SMALL, musts);
      const best = cheapest(term);
      const solved = solveTerm(term, solver, { gap: 0 });
      expect(solved.found, `seed ${seed}`).toBe(best !== null);
      if (!solved.found || best === null) continue;
      found += 1;
      expect(brokenBy(term, solved.plan)).toEqual([]);
      expect(solved.cost).toBeCloseTo(best, 6);
      expect(solved.atLeast).toBeLessThanOrEqual(best + 1e-6);
    }
    // Neither all nor none: both ways were tried.
    expect(found).toBeGreaterThan(TERMS / 4);
    expect(found).toBeLessThan(TERMS);
  });

  it('is the best around what is pinned too: what stands by the teacher’s hand stands, whatever else is asked, and the rest keeps what it can', () => {
    let found = 0;
    for (let seed = 21; seed < 21 + TERMS; seed += 1) {
      const pinned: Must = { id: 'pin', kind: 'pinned', classIds: ['c0'], week: seed % 4, cell: { offerId: `g${seed % 5}`, levelId: 'l1' } };
      const never: Must = { id: 'never', kind: 'never', offerId: `g${seed % 5}`, why: 'unwanted' };
      const term = madeUp(seed, SMALL, [...USUAL, pinned, ...(seed % 2 === 0 ? [never] : [])]);
      const best = cheapest(term);
      const solved = solveTerm(term, solver, { gap: 0 });
      expect(solved.found, `seed ${seed}`).toBe(best !== null);
      if (!solved.found || best === null) continue;
      found += 1;
      expect(brokenBy(term, solved.plan)).toEqual([]);
      expect(solved.plan[0]![seed % 4]).toEqual(pinned.cell);
      expect(solved.cost).toBeCloseTo(best, 6);
    }
    expect(found).toBeGreaterThan(TERMS / 3);
  });

  it('keeps what it must in larger terms, is within the gap of what no plan can beat, and is the same each time', () => {
    const term = madeUp(7, { classes: 3, weeks: 6, games: 12, levels: 3 }, [...USUAL, { id: 'hoops', kind: 'cupboard', thing: 'hoops', there: 2 }]);
    const heard: number[] = [];
    const solved = solveTerm(term, solver, { tell: ({ plan, cost }) => (heard.push(cost), expect(brokenBy(term, plan)).toEqual([])) });
    if (!solved.found) throw new Error('there is a plan');
    expect(heard.length).toBeGreaterThan(0);
    expect(solved.cost).toBeLessThanOrEqual(solved.atLeast / 0.99 + 1e-6);
    expect(solveTerm(term, solver)).toEqual(solved);
  });

  it('follows each wish: with that one alone nothing else is as good in it', () => {
    const size: Size = { classes: 1, weeks: 6, games: 12, levels: 3 };
    const all = madeUp(3, size, USUAL);
    const accepted = solveTerm({ ...all, weights: { ...WEIGHTS, changes: 0 } }, solver, { gap: 0 });
    if (!accepted.found) throw new Error('there is a plan');
    const nothing: Weights = { hardness: 0, movements: 0, variety: 0, things: 0, changes: 0 };
    const other = madeUp(4, size, USUAL);
    for (const wish of Object.keys(WEIGHTS) as (keyof Weights)[]) {
      const base = { ...all, wanted: other.wanted, accepted: accepted.plan };
      const [one, whole] = [{ ...base, weights: { ...nothing, [wish]: 1 } }, base];
      const [alone, together] = [solveTerm(one, solver, { gap: 0 }), solveTerm(whole, solver, { gap: 0 })];
      if (!alone.found || !together.found) throw new Error('there is a plan');
      expect(alone.cost, wish).toBeLessThanOrEqual(wholeCost(costOf(one, together.plan)) + 1e-9);
      if (wish === 'changes') expect(alone.plan).toEqual(accepted.plan);
    }
  });

  it('leaves holidays and free weeks empty, has an event where one is wanted and what was pinned where it was', () => {
    const base = madeUp(5, { classes: 2, weeks: 5, games: 8, levels: 2 });
    const event: PlanOffer = { ...base.offers[0]!, id: 'day', title: 'Loch day', kind: 'event', lends: {} };
    const pinned = { offerId: 'g3', levelId: 'l1' };
    const term: Term = {
      ...base,
      weeks: base.weeks.map((_, week) => ({ holiday: week === 2 })),
      offers: [...base.offers, event],
      expected: base.expected.map((line) => [...line, line[0]!]),
      musts: [
        { id: 'event', kind: 'pinned', week: 4, cell: { offerId: 'day', levelId: base.offers[0]!.levels[0]!.id } },
        { id: 'pin', kind: 'pinned', week: 1, cell: pinned, classIds: ['c1'] },
        { id: 'free', kind: 'pinned', week: 0, cell: null, classIds: ['c0'] },
        { id: 'never', kind: 'never', offerId: 'g1', why: 'played' },
      ],
    };
    const solved = solveTerm(term, solver);
    if (!solved.found) throw new Error('there is a plan');
    expect(solved.plan.map((line) => line[2])).toEqual([null, null]);
    expect(solved.plan[0]![0]).toBeNull();
    expect(solved.plan[1]![1]).toEqual(pinned);
    expect(solved.plan.map((line) => line[4]?.offerId)).toEqual(['day', 'day']);
    expect(solved.plan.flat().filter((cell) => cell?.offerId === 'day')).toHaveLength(2);
    expect(solved.plan.flat().some((cell) => cell?.offerId === 'g1')).toBe(false);
  });
});

describe('what cannot be had', () => {
  const term = (musts: readonly Must[]) => madeUp(9, { classes: 1, weeks: 4, games: 10, levels: 2 }, musts);
  const three = (skill: (typeof SKILLS)[number]): Must => ({ id: `three of ${skill}`, kind: 'skill-weeks', skill, least: 3, most: null });
  const offered = [...new Set(madeUp(9, { classes: 1, weeks: 4, games: 10, levels: 2 }).offers.map(({ skills }) => skills[0]!))];

  it('is told as the fewest wishes to drop, and as wishes that do not go together, none of which can be left out', () => {
    const [a, b] = offered as [(typeof SKILLS)[number], (typeof SKILLS)[number]];
    const musts: readonly Must[] = [{ id: 'often', kind: 'often', most: 4 }, three(a), three(b), { id: 'minutes', kind: 'minutes', most: 30 }];
    const solved = solveTerm(term(musts), solver);
    expect(solved).toEqual({ found: false, classIndex: 0 });
    const { fewest, together } = clashOf(term(musts), solver, 0);
    expect(fewest).toHaveLength(1);
    expect([...together].sort()).toEqual([`three of ${a}`, `three of ${b}`].sort());
    // Without those that are to be dropped there is a plan; so there is without any one of those that clash.
    for (const left of [...together, fewest[0]!]) expect(solveTerm(term(musts.filter(({ id }) => id !== left)), solver).found).toBe(true);
  });

  it('of all classes together is what the cupboard has too little of', () => {
    const base = madeUp(2, { classes: 3, weeks: 2, games: 2, levels: 1 });
    const lending: Term = {
      ...base,
      offers: base.offers.map((offer) => ({ ...offer, lends: { hoops: 2 } })),
      musts: [{ id: 'hoops', kind: 'cupboard', thing: 'hoops', there: 5 }],
    };
    expect(solveTerm(lending, solver)).toEqual({ found: false, classIndex: null });
    expect(clashOf(lending, solver, null)).toEqual({ fewest: ['hoops'], together: ['hoops'] });
  });
});

describe('why this?', () => {
  it('names the next best games there, each dearer than what stands, and what another would break', () => {
    const term = madeUp(11, { classes: 2, weeks: 5, games: 9, levels: 2 }, USUAL);
    const solved = solveTerm(term, solver, { gap: 0 });
    if (!solved.found) throw new Error('there is a plan');
    let seen = 0;
    for (const [classIndex, line] of solved.plan.entries())
      for (const [week] of line.entries()) {
        const { others, barred } = whyThis(term, solved.plan, classIndex, week);
        for (const { total, breaks } of others) {
          seen += 1;
          expect(total).toBeGreaterThanOrEqual(-1e-9);
          expect(breaks).toEqual([]);
        }
        if (barred) expect(barred.breaks.length).toBeGreaterThan(0);
      }
    expect(seen).toBeGreaterThan(0);
  });
});

describe('the solver', () => {
  /** Hillier and Lieberman, Introduction to Operations Research, the prototype example of binary programming (California Manufacturing Co.): 14; from memory. */
  it('has the published answer of a published program', () => {
    const program = {
      columns: [9, 5, 6, 4].map((gain) => ({ cost: -gain, isBinary: true })),
      rows: [
        { terms: [[0, 6] as const, [1, 3] as const, [2, 5] as const, [3, 2] as const], sense: '<=' as const, rhs: 10 },
        { terms: [[2, 1] as const, [3, 1] as const], sense: '<=' as const, rhs: 1 },
        { terms: [[0, -1] as const, [2, 1] as const], sense: '<=' as const, rhs: 0 },
        { terms: [[1, -1] as const, [3, 1] as const], sense: '<=' as const, rhs: 0 },
      ],
    };
    expect(solver.solve(program, 0)).toMatchObject({ values: [1, 1, 0, 0], cost: -14 });
    expect(asLp(program)).toContain('- 9 x0');
    // What is known to cost less: the same, or nothing.
    expect(solver.solve(program, 0, -14)).toMatchObject({ cost: -14 });
    expect(solver.solve(program, 0, -15)).toBeNull();
  });

  it('knows that nothing satisfies what nothing satisfies, a sum of nothing too', () => {
    const column = { cost: 1, isBinary: true };
    expect(solver.solve({ columns: [column], rows: [{ terms: [[0, 1]], sense: '>=', rhs: 2 }] }, 0)).toBeNull();
    expect(solver.solve({ columns: [column], rows: [{ terms: [], sense: '>=', rhs: 1 }] }, 0)).toBeNull();
    expect(solver.solve({ columns: [column], rows: [{ terms: [], sense: '<=', rhs: 1 }] }, 0)).toMatchObject({ cost: 0 });
  });
});
