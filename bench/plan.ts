/** What the plan of a term of full size takes: twelve classes, twelve weeks, sixty games of three levels, on one core. */
import loadHighs from 'highs';
import { clashOf, solveTerm, warmUp } from '@/core/plan/solve';
import { solverBy } from '@/core/plan/solver';
import type { Must } from '@/core/plan/term';
import { madeUp, USUAL } from '@/core/plan/made-up-term';

type Say = (what: string, measured: string, target: string, reached: boolean | null) => void;

const FULL = { classes: 12, weeks: 12, games: 60, levels: 3 };
const seconds = (ms: number) => `${(ms / 1000).toFixed(1)} s`;

export async function benchPlan(say: Say): Promise<void> {
  const solver = solverBy(await loadHighs());
  for (const _step of warmUp(solver));
  // Hoops: each class is one borrower here; with six nearly enough for all, with four short.
  for (const [what, seed, hoops] of [
    ['nothing is lent', 7, null],
    ['enough is lent', 9, 6],
    ['too little is lent for all', 9, 4],
  ] as const) {
    const lent: readonly Must[] = hoops === null ? [] : [{ id: 'hoops', kind: 'cupboard', thing: 'hoops', there: hoops }];
    const term = madeUp(seed, FULL, [...USUAL, ...lent]);
    const began = performance.now();
    let first = 0;
    const solved = solveTerm(term, solver, { tell: () => (first ||= performance.now() - began) });
    const took = performance.now() - began;
    if (!solved.found) throw new Error(`${what}: there is no plan`);
    const off = 1 - solved.atLeast / solved.cost;
    say(`plan, ${what}: first plan`, seconds(first), '2 s', first <= 2000);
    say(`plan, ${what}: within 1%`, `${seconds(took)}, ${(100 * off).toFixed(2)}%`, '30 s', took <= 30_000 && off <= 0.01);
  }
  const asked: readonly Must[] = [
    { id: 'underarm', kind: 'skill-weeks', skill: 'underarm', least: 7, most: null },
    { id: 'roll', kind: 'skill-weeks', skill: 'roll', least: 6, most: null },
  ];
  const term = madeUp(7, FULL, [...USUAL.filter(({ kind }) => kind !== 'skill-weeks'), ...asked]);
  const began = performance.now();
  const solved = solveTerm(term, solver);
  if (solved.found) throw new Error('too much is asked, and there is a plan');
  const { together } = clashOf(term, solver, solved.classIndex);
  const took = performance.now() - began;
  say('plan: what cannot be had', `${seconds(took)}, ${together.length} wishes`, '10 s', took <= 10_000);
}
