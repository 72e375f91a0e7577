'use client';
import { proxy, wrap, type Remote } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Clash, Solution } from '@/core/plan/solve';
import type { Term, TermPlan } from '@/core/plan/term';
import type { PlanWorker } from '@/workers/plan.worker';

export type Solving =
  | { readonly kind: 'rest' }
  /** `off`: how much better a plan could be at most than the best so far, a share of its cost; null before there is one. */
  | { readonly kind: 'working'; readonly done: number; readonly of: number; readonly off: number | null }
  | { readonly kind: 'clashing' }
  | { readonly kind: 'failed' };

export interface Found {
  readonly term: Term;
  readonly plan: TermPlan;
  /** As in `Solving`. */
  readonly off: number;
}

export interface PlanSolver {
  readonly solving: Solving;
  /** `onClash` hears what cannot be had together. */
  readonly solve: (term: Term, onPlan: (found: Found) => void, onClash: (clash: Clash, classIndex: number | null) => void) => void;
  /** Ends the work; the best plan so far is handed on, unless it is no longer wanted. */
  readonly stop: (isWanted?: boolean) => void;
}

const offOf = (cost: number, atLeast: number) => (cost <= 0 ? 0 : Math.max(0, 1 - atLeast / cost));

/** Whoever only looks in has gone by then. */
const WARM_AFTER_MS = 1500;

/** The solver in a worker of its own, which is made ready soon after the page was opened. */
export function usePlanSolver(): PlanSolver {
  const [solving, setSolving] = useState<Solving>({ kind: 'rest' });
  const worker = useRef<{ readonly thread: Worker; readonly api: Remote<PlanWorker> } | null>(null);
  const running = useRef<{ readonly best: () => void } | null>(null);

  const open = useCallback(() => {
    if (!worker.current) {
      const thread = new Worker(new URL('../../workers/plan.worker.ts', import.meta.url), { type: 'module' });
      worker.current = { thread, api: wrap<PlanWorker>(thread) };
    }
    return worker.current.api;
  }, []);
  const close = useCallback(() => {
    worker.current?.thread.terminate();
    worker.current = null;
    running.current = null;
  }, []);

  const warm = useCallback(() => {
    void open()
      .warm()
      .catch(() => undefined);
  }, [open]);

  useEffect(() => {
    const soon = setTimeout(warm, WARM_AFTER_MS);
    return () => {
      clearTimeout(soon);
      close();
    };
  }, [warm, close]);

  const solve = useCallback<PlanSolver['solve']>(
    (term, onPlan, onClash) => {
      if (running.current) close();
      let best: Found | null = null;
      let off: number | null = null;
      const mine = { best: () => best && onPlan(best) };
      running.current = mine;
      setSolving({ kind: 'working', done: 0, of: 1, off });
      const isMine = () => running.current === mine;
      const work = async () => {
        const api = open();
        const answer: Solution = await api.solve(
          term,
          proxy(({ plan, cost, atLeast }) => {
            off = offOf(cost, atLeast);
            best = { term, plan, off };
          }),
          proxy((done, of) => isMine() && setSolving({ kind: 'working', done, of, off })),
        );
        if (!isMine()) return;
        if (answer.found) onPlan({ term, plan: answer.plan, off: offOf(answer.cost, answer.atLeast) });
        else {
          setSolving({ kind: 'clashing' });
          const clash = await api.clash(term, answer.classIndex);
          if (!isMine()) return;
          onClash(clash, answer.classIndex);
        }
        running.current = null;
        setSolving({ kind: 'rest' });
      };
      void work().catch(() => {
        if (!isMine()) return;
        close();
        setSolving({ kind: 'failed' });
      });
    },
    [open, close],
  );

  const stop = useCallback(
    (isWanted = true) => {
      const mine = running.current;
      close();
      setSolving({ kind: 'rest' });
      if (isWanted) mine?.best();
      // Ready again for the next.
      warm();
    },
    [warm, close],
  );

  return { solving, solve, stop };
}
