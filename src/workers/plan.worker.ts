/** Solves the plan of a term off the thread that draws: the solver is large and blocks while it works. Ended when it is stopped. */
import { expose } from 'comlink';
import loadHighs from 'highs';
import { clashOf, solveTerm, warmUp, type Clash, type Progress, type Solution } from '@/core/plan/solve';
import { solverBy, type Solver } from '@/core/plan/solver';
import type { Term } from '@/core/plan/term';

let loaded: Promise<Solver> | undefined;
const solver = () => (loaded ??= loadHighs().then(solverBy));

const api = {
  /** The machine code of the solver is made ready before it is needed. */
  async warm(): Promise<void> {
    warmUp(await solver());
  },
  /** The plan; `plan` hears each that is found on the way, `step` how far it is. */
  async solve(term: Term, plan: (progress: Progress) => void, step: (done: number, of: number) => void): Promise<Solution> {
    return solveTerm(term, await solver(), { tell: plan, step });
  },
  async clash(term: Term, classIndex: number | null): Promise<Clash> {
    return clashOf(term, await solver(), classIndex);
  },
};

export type PlanWorker = typeof api;

expose(api);
