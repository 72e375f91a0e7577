'use client';
import { CalendarDays, Redo2, Undo2 } from 'lucide-react';
import { format } from 'date-fns';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useCallback, useMemo, useRef, useState } from 'react';
import { newUuid } from '@/contract/ids';
import { factsOfPlanSchema, parsOfPlanSchema, type TermPlanToRead } from '@/contract/term-plan';
import { brokenBy } from '@/core/plan/broken';
import { weeksOfTerm } from '@/core/plan/calendar';
import {
  changesTo,
  knownPlan,
  planOf,
  termToSolve,
  withCell,
  withChanges,
  type CellChange,
  type PlanFacts,
  type TermDocument,
} from '@/core/plan/document';
import type { Clash } from '@/core/plan/solve';
import type { Cell } from '@/core/plan/term';
import { dayShort } from '@/core/measure/days';
import { Button } from '@/ui/button';
import { Menu } from '@/ui/menu';
import { Notice } from '@/ui/notice';
import { PageHead, SoftLine } from '@/ui/page';
import { send } from '@/ui/post';
import { readOnce, useRead } from '@/ui/reads';
import { RoomNav } from '@/ui/room-nav';
import { SheetTable, type SheetColumn } from '@/ui/table/sheet-table';
import { savedWords, useAutosave } from '@/ui/use-autosave';
import type { ShelfGame } from '../games/shelf-game';
import { BeginPlan } from './begin-plan';
import { CellDialog } from './cell-dialog';
import { PLAN_VIEWS } from './cupboard-page';
import { DatesDialog } from './dates-dialog';
import { EventsDialog } from './events-dialog';
import {
  noSteps,
  isFixed,
  linesOf,
  mustWords,
  stepForward,
  withStep,
  titleOf,
  stepBack,
  withChosen,
  withFreshIds,
  withLevelBy,
  withPinned,
  withSwapped,
  type CellView,
  type PlanOnScreen,
} from './model';
import { PlanGrid } from './plan-grid';
import { Aside, PlanBoard, PlanFrame } from './plan-style';
import { cellName, proposed, Proposal } from './proposal';
import { SendPlanDialog } from './send-dialog';
import { usePlanSolver, type Found, type Solving } from './use-plan-solver';
import { WishList } from './wish-list';

export interface PlanPageProps {
  readonly plan: TermPlanToRead;
  readonly plans: readonly { readonly id: string; readonly name: string; readonly startsOn: string }[];
  readonly shelf: readonly ShelfGame[];
  readonly today: string;
  readonly mayChange: boolean;
}

type Asked =
  | { readonly kind: 'cell' | 'send'; readonly classId: string; readonly week: number }
  | { readonly kind: 'send-week'; readonly week: number }
  | { readonly kind: 'dates' | 'events' | 'copy' | 'new' };

const COLUMNS: readonly SheetColumn<CellView>[] = [
  { id: 'class', words: 'Class', by: ({ className }) => className, cell: ({ className }) => className },
  { id: 'week', words: 'Week', by: ({ week }) => week, cell: ({ week }) => week + 1 },
  { id: 'day', words: 'Day', by: ({ on }) => on, cell: ({ on }) => dayShort(on) },
  { id: 'game', words: 'Game', by: ({ offer }) => offer?.title ?? null, cell: titleOf, faint: ({ kind }) => kind !== 'planned' },
  {
    id: 'chance',
    words: 'Success',
    figure: true,
    by: ({ chance }) => chance,
    cell: ({ chance }) => (chance === null ? '' : `${Math.round(10 * chance)} in 10`),
  },
  { id: 'par', words: 'Par', figure: true, cell: ({ par }) => par ?? '' },
  { id: 'minutes', words: 'Minutes', figure: true, by: ({ minutes }) => minutes, cell: ({ minutes }) => minutes ?? '' },
  { id: 'state', words: '', cell: ({ sent, pinned }) => [sent && 'sent', pinned && 'pinned'].filter(Boolean).join(', ') },
];

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

export function PlanPage({ plan, plans, shelf, today, mayChange }: PlanPageProps) {
  const router = useRouter();
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
  const [asked, setAsked] = useState<Asked | null>(null);
  const [asList, setAsList] = useState(false);
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
  const change = (next: TermDocument) => {
    if (!mayChange || next === document) return;
    // What is being worked out is for the plan as it was.
    if (working) end(false);
    setHistory((before) => withStep(before, next));
    setClash(null);
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

  const cellAt = (classId: string, week: number) => lines.find(({ id }) => id === classId)?.cells[week];
  const open = asked?.kind === 'cell' || asked?.kind === 'send' ? cellAt(asked.classId, asked.week) : undefined;
  const toSend =
    asked?.kind === 'send-week'
      ? lines.flatMap(({ cells }) => (cells[asked.week]?.kind === 'planned' && !isFixed(cells[asked.week]!) ? [cells[asked.week]!] : []))
      : asked?.kind === 'send' && open
        ? [open]
        : [];
  /** What is sent goes under the id of its cell: those of weeks that were taken back have new ones first. */
  const askToSend = (what: Asked) => {
    change(withFreshIds(document, sent));
    setAsked(what);
  };
  const choose = (cell: Pick<CellView, 'classId' | 'week'>, to: Cell | null) => changeCells(withChosen(document, cell, to));
  const changed = new Map(proposal?.changes.map(({ classId, week, to }) => [`${classId} ${week}`, cellName(proposal.term, to)]));
  const shownChanges = useMemo(
    () => (proposal ? proposed(proposal, proposal.changes, facts, (id) => mustWords(id, { document, facts })) : []),
    [proposal, facts, document],
  );
  const showsAside = wishesShown || shownChanges.length > 0;

  return (
    <PlanFrame $width={1800}>
      <RoomNav label="Plan" views={PLAN_VIEWS} />
      <PageHead>
        <h1>{document.name}</h1>
        <span className="about">
          {dayShort(document.startsOn)} to {dayShort(document.endsOn)} {document.endsOn.slice(0, 4)} · {mondays.length} weeks, {lines.length} classes
          · <span role="status">{mayChange ? savedWords(state, (at) => format(new Date(at), 'HH:mm')) : 'to look at'}</span>
        </span>
        <Button aria-label="Undo" isDisabled={history.past.length === 0} onPress={() => setHistory(stepBack)}>
          <Undo2 size={17} aria-hidden />
        </Button>
        <Button aria-label="Redo" isDisabled={history.future.length === 0} onPress={() => setHistory(stepForward)}>
          <Redo2 size={17} aria-hidden />
        </Button>
        <Button isDisabled={!mayChange} onPress={() => setAsked({ kind: 'dates' })}>
          <CalendarDays size={17} aria-hidden /> Dates and classes
        </Button>
        <Button isDisabled={!mayChange} onPress={() => setAsked({ kind: 'events' })}>
          Events
        </Button>
        <Button aria-pressed={wishesShown} onPress={() => setWishesShown(!wishesShown)}>
          Wishes
        </Button>
        <Menu
          label="More with this plan"
          groups={[
            {
              acts: [
                { id: 'list', label: asList ? 'As a sheet' : 'As a list', act: () => setAsList(!asList) },
                { id: 'print', label: 'Print it on one page', act: () => window.print() },
                ...(['xlsx', 'csv', 'ics'] as const).map((kind) => ({
                  id: kind,
                  label: { xlsx: 'As a workbook', csv: 'As a table (CSV)', ics: 'As a calendar' }[kind],
                  act: () => window.location.assign(`/api/v1/plans/${plan.id}/files?as=${kind}`),
                })),
              ],
            },
            {
              acts: mayChange
                ? [
                    { id: 'copy', label: 'Copy it to another term', act: () => setAsked({ kind: 'copy' }) },
                    { id: 'new', label: 'Plan another term', act: () => setAsked({ kind: 'new' }) },
                    {
                      id: 'delete',
                      label: 'Delete this plan',
                      says: 'weeks that were sent stay',
                      act: () => {
                        if (window.confirm(`Delete the plan “${document.name}”? Weeks that were sent stay as they are.`))
                          void send('DELETE', `/api/v1/plans/${plan.id}`).then(({ ok, problem }) =>
                            ok ? window.location.assign('/plan') : setSaid(problem),
                          );
                      },
                    },
                  ]
                : [],
            },
            {
              title: 'Other terms',
              acts: plans
                .filter(({ id }) => id !== plan.id)
                .map(({ id, name, startsOn }) => ({ id, label: name, says: dayShort(startsOn), act: () => router.push(`/plan?plan=${id}`) })),
            },
          ]}
        >
          More
        </Menu>
        {working ? (
          <Button $strong onPress={() => end(true)}>
            Stop
          </Button>
        ) : (
          <Button $strong isDisabled={!mayChange || lines.length === 0 || mondays.length === 0} onPress={() => void workOut()}>
            {term.accepted ? 'Work it out again' : 'Work out the plan'}
          </Button>
        )}
      </PageHead>
      <p role="status">{working ? (reading ? 'reading what has come in …' : solvingWords(solving)) : said || solvingWords(solving)}</p>
      {state.kind === 'conflict' && (
        <Notice $tone="caution" role="alert">
          {state.problem} <Link href={`/plan?plan=${plan.id}`}>Open it again</Link> to go on from the newest form.
        </Notice>
      )}
      <PlanBoard $wide={!showsAside}>
        <div>
          {lines.length === 0 || mondays.length === 0 ? (
            <SoftLine>Choose the dates and the classes first.</SoftLine>
          ) : asList ? (
            <SheetTable
              rows={lines.flatMap(({ cells }) => cells.filter(({ kind }) => kind !== 'land'))}
              columns={COLUMNS}
              rowId={({ classId, week }) => `${classId} ${week}`}
              label="The plan as a list"
            />
          ) : (
            <PlanGrid
              lines={lines}
              mondays={mondays}
              changed={changed}
              mayChange={mayChange}
              onOpen={({ classId, week }) => setAsked({ kind: 'cell', classId, week })}
              onSend={(week) => askToSend({ kind: 'send-week', week })}
              onMove={(from, to) => changeCells(withSwapped(document, from, to))}
              onPaste={({ offer, level }, to) => choose(to, offer && level ? { offerId: offer.id, levelId: level.id } : null)}
              onTake={({ classId, week }) => changeCells(withCell(document, classId, week, null))}
              onPin={(cell) => changeCells(withPinned(document, cell, !cell.pinned))}
              onLevel={(cell, by) => changeCells(withLevelBy(document, cell, by))}
              onSaid={setSaid}
            />
          )}
          {broken.length > 0 && !proposal && (
            <Notice $tone="caution" className="remarks">
              <b>What this plan does not keep:</b>{' '}
              {broken
                .map(({ mustId, classIndex }) => `${mustWords(mustId, screen)}${classIndex === null ? '' : ` (${term.classes[classIndex]!.name})`}`)
                .join('; ')}
              .
            </Notice>
          )}
        </div>
        {showsAside && (
          <Aside aria-label="Wishes and changes">
            {clash && (
              <ClashTold
                clash={clash.clash}
                of={clash.classIndex === null ? null : (term.classes[clash.classIndex]?.name ?? null)}
                words={(id) => mustWords(id, screen)}
              />
            )}
            {shownChanges.length > 0 && <Proposal changes={shownChanges} onAccept={accept} onKeep={leave} />}
            {wishesShown && (
              <WishList document={document} facts={facts} mayChange={mayChange} marked={new Set(clash?.clash.together)} onDocument={change} />
            )}
          </Aside>
        )}
      </PlanBoard>
      {asked?.kind === 'cell' && open && (
        <CellDialog
          screen={screen}
          cell={open}
          shelf={shelf}
          mayChange={mayChange}
          fixed={fixed}
          onChoose={(to) => choose(open, to)}
          onTake={() => {
            changeCells(withCell(document, open.classId, open.week, null));
            setAsked(null);
          }}
          onPin={(pinned) => changeCells(withPinned(document, open, pinned))}
          onSend={() => askToSend({ kind: 'send', classId: open.classId, week: open.week })}
          onClose={() => setAsked(null)}
        />
      )}
      {toSend.length > 0 && (
        <SendPlanDialog
          screen={screen}
          cells={toSend}
          onSave={saveNow}
          onClose={(isSent) => {
            setAsked(null);
            if (isSent) router.refresh();
          }}
        />
      )}
      {asked?.kind === 'dates' && <DatesDialog document={document} facts={facts} onDocument={changeCells} onClose={() => setAsked(null)} />}
      {asked?.kind === 'events' && (
        <EventsDialog document={document} facts={facts} shelf={shelf} onDocument={changeCells} onClose={() => setAsked(null)} />
      )}
      {(asked?.kind === 'copy' || asked?.kind === 'new') && (
        <BeginPlan today={today} {...(asked.kind === 'copy' && { copyOf: { id: plan.id, name: document.name } })} onClose={() => setAsked(null)} />
      )}
    </PlanFrame>
  );
}

/** What cannot be had together, and the least that has to go. */
function ClashTold({ clash: { fewest, together }, of, words }: { clash: Clash; of: string | null; words: (id: string) => string }) {
  const list = (ids: readonly string[]) => ids.map((id) => `“${words(id)}”`).join(' and ');
  return (
    <Notice $tone="caution" role="alert">
      <b>Not everything can be had{of === null ? ' for all classes together' : `: ${of}`}.</b> {list(together)}{' '}
      {together.length === 1 ? 'cannot be kept' : 'do not go together: without any one of them the others of these can be kept'}. The fewest to drop:{' '}
      {list(fewest)}.
    </Notice>
  );
}
