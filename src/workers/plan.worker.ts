/** Solves the plan of a term off the thread that draws: the solver is large and blocks while it works. Ended when it is stopped. */
import { expose } from 'comlink';
import loadHighs from 'highs';
import { clashOf, solveTerm, warmUp, type Clash, type Progress, type Solution } from '@/core/plan/solve';
import { solverBy, type Solver } from '@/core/plan/solver';
import type { Term } from '@/core/plan/term';

let loaded: Promise<Solver> | undefined;
const solver = () => (loaded ??= loadHighs().then(solverBy));
let isAsked = false;

const api = {
  /** The machine code of the solver is made ready before it is needed; what is asked meanwhile goes first. */
  async warm(): Promise<void> {
    for (const _step of warmUp(await solver())) {
      await new Promise((resolve) => setTimeout(resolve));
      if (isAsked) return;
    }
  },
  /** The plan; `plan` hears each that is found on the way, `step` how far it is. */
  async solve(term: Term, plan: (progress: Progress) => void, step: (done: number, of: number) => void): Promise<Solution> {
    isAsked = true;
    return solveTerm(term, await solver(), { tell: plan, step });
  },
  async clash(term: Term, classIndex: number | null): Promise<Clash> {
    return clashOf(term, await solver(), classIndex);
  },
};

export type PlanWorker = typeof api;

expose(api);
