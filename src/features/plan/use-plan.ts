'use client';
import { useCallback, useMemo, useRef, useState } from 'react';
import { newUuid } from '@/contract/ids';
import { factsOfPlanSchema, parsOfPlanSchema, type TermPlanToRead } from '@/contract/term-plan';
import { brokenBy } from '@/core/plan/broken';
import { weeksOfTerm } from '@/core/plan/calendar';
import { changesTo, knownPlan, planOf, termToSolve, withChanges, type CellChange, type PlanFacts, type TermDocument } from '@/core/plan/document';
import type { Clash } from '@/core/plan/solve';
import { readOnce, useRead } from '@/ui/reads';
import { useAutosave } from '@/ui/use-autosave';
import { isFixed, linesOf, noSteps, stepBack, stepForward, withStep, type PlanOnScreen } from './model';
import { usePlanSolver, type Found, type Solving } from './use-plan-solver';

const offWords = (off: number) =>
  off <= 0.0005 ? 'no plan is better' : `no plan is better by more than ${Math.max(0.1, Math.round(1000 * off) / 10)}%`;

function solvingWords(solving: Solving): string {
  switch (solving.kind) {
    case 'working':
      return solving.off === null
        ? `working it out, ${solving.done} of ${solving.of} …`
        : `there is a plan; ${offWords(solving.off)}; going on, ${solving.done} of ${solving.of} …`;
    case 'clashing':
      return 'not everything can be had; finding out what not …';
    case 'failed':
      return 'The solver could not be loaded. Load the page again.';
    case 'rest':
      return '';
  }
}

/** The plan of a term on its page: what it is now and was, what is saved, what is worked out, what waits to be accepted. */
export function usePlan({ plan, today, mayChange }: { readonly plan: TermPlanToRead; readonly today: string; readonly mayChange: boolean }) {
  const [history, setHistory] = useState(() => noSteps(plan.document));
  const document = history.now;
  const { state, saveNow } = useAutosave({
    url: `/api/v1/plans/${plan.id}`,
    what: 'plan',
    value: useMemo(() => ({ document }), [document]),
    revision: plan.revision,
  });
  const [newer, setNewer] = useState<{ readonly of: TermPlanToRead; readonly facts: PlanFacts } | null>(null);
  const { sent } = plan;
  // What was read since the page was served, until it is served anew.
  const facts = newer?.of === plan ? newer.facts : plan.facts;
  const pars = useRead(`/api/v1/plans/${plan.id}/pars?of=${state.kind === 'saved' ? (state.at ?? plan.revision) : plan.revision}`, parsOfPlanSchema);
  const known = pars.data?.pars;
  const screen = useMemo<PlanOnScreen>(() => ({ document, facts, sent, pars: known ?? [], today }), [document, facts, sent, known, today]);
  const lines = useMemo(() => linesOf(screen), [screen]);
  const mondays = useMemo(() => weeksOfTerm(document), [document]);
  const [wishesShown, setWishesShown] = useState(!Object.values(plan.document.cells).some((line) => line.some((cell) => cell !== null)));
  const [said, setSaid] = useState('');
  const [proposal, setProposal] = useState<(Found & { readonly changes: readonly CellChange[] }) | null>(null);
  const [clash, setClash] = useState<{ readonly clash: Clash; readonly classIndex: number | null } | null>(null);
  const [reading, setReading] = useState(false);
  const { solving, solve, stop } = usePlanSolver();
  /** Counts what was asked for: an answer to what was stopped is not taken. */
  const asking = useRef(0);

  const fixed = useCallback(
    (classId: string, week: number) => lines.some(({ id, cells }) => id === classId && cells[week] && isFixed(cells[week])),
    [lines],
  );
  const term = useMemo(() => termToSolve(document, facts, fixed), [document, facts, fixed]);
  const broken = useMemo(() => {
    const now = knownPlan(document, term);
    return now.flat().some((cell) => cell !== null) ? brokenBy(term, now) : [];
  }, [document, term]);

  const working = reading || solving.kind === 'working' || solving.kind === 'clashing';
  const end = (isWanted: boolean) => {
    asking.current += 1;
    setReading(false);
    stop(isWanted);
  };
  // What is being worked out, or cannot be had, is for the plan as it was.
  const move = (to: (before: typeof history) => typeof history) => {
    if (working) end(false);
    setHistory(to);
    setClash(null);
  };
  const change = (next: TermDocument) => {
    if (mayChange && next !== document) move((before) => withStep(before, next));
  };
  /** What waits to be accepted was worked out for the plan as it was. */
  const changeCells = (next: TermDocument) => {
    setProposal(null);
    change(next);
  };
  /** By what has come in until now. */
  const workOut = async () => {
    setProposal(null);
    setClash(null);
    setReading(true);
    const mine = (asking.current += 1);
    const newest = await readOnce(`/api/v1/plans/${plan.id}/facts`, factsOfPlanSchema).catch((error: Error) => error.message);
    if (asking.current !== mine) return;
    setReading(false);
    if (typeof newest === 'string') return setSaid(newest);
    setNewer({ of: plan, facts: newest.facts });
    solve(
      termToSolve(document, newest.facts, fixed),
      (found) => {
        const changes = changesTo(found.term, planOf(document, found.term), found.plan);
        if (found.term.accepted) {
          setProposal({ ...found, changes });
          setSaid(
            changes.length === 0
              ? `The plan stands as it is: ${offWords(found.off)}.`
              : changes.length === 1
                ? 'One change is proposed.'
                : `${changes.length} changes are proposed.`,
          );
          if (changes.length > 0) setWishesShown(false);
        } else {
          setHistory((before) => withStep(before, withChanges(before.now, changes, newUuid)));
          setSaid(`The term is planned: ${offWords(found.off)}.`);
        }
      },
      (found, classIndex) => {
        setClash({ clash: found, classIndex });
        setWishesShown(true);
      },
    );
  };
  const accept = (changes: readonly CellChange[]) => {
    setHistory((before) => withStep(before, withChanges(before.now, changes, newUuid)));
    leave(changes);
  };
  const leave = (changes: readonly CellChange[]) =>
    setProposal((before) => {
      const rest = before?.changes.filter((one) => !changes.some(({ classId, week }) => classId === one.classId && week === one.week)) ?? [];
      return before && rest.length > 0 ? { ...before, changes: rest } : null;
    });

  return {
    document,
    lines,
    mondays,
    screen,
    term,
    broken,
    fixed,
    state,
    saveNow,
    change,
    changeCells,
    undo: history.past.length === 0 ? null : () => move(stepBack),
    redo: history.future.length === 0 ? null : () => move(stepForward),
    working,
    status: working ? (reading ? 'reading what has come in …' : solvingWords(solving)) : said || solvingWords(solving),
    say: setSaid,
    workOut,
    stop: () => end(true),
    clash,
    proposal,
    accept,
    leave,
    wishesShown,
    setWishesShown,
  };
}
