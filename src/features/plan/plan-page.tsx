'use client';
import { CalendarDays, Redo2, Undo2 } from 'lucide-react';
import { format } from 'date-fns';
import { DeskLink } from '@/ui/desk-link';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { TermPlanToRead } from '@/contract/term-plan';
import { withCell } from '@/core/plan/document';
import type { Clash } from '@/core/plan/solve';
import type { Cell } from '@/core/plan/term';
import { dayShort } from '@/core/measure/days';
import { Button } from '@/ui/button';
import { Menu } from '@/ui/menu';
import { Notice } from '@/ui/notice';
import { PageHead, SoftLine } from '@/ui/page';
import { send } from '@/ui/post';
import { RoomNav } from '@/ui/room-nav';
import { SheetTable, type SheetColumn } from '@/ui/table/sheet-table';
import { savedWords } from '@/ui/use-autosave';
import type { ShelfGame } from '../games/shelf-game';
import { BeginPlan } from './begin-plan';
import { CellDialog } from './cell-dialog';
import { PLAN_VIEWS } from './cupboard-page';
import { DatesDialog } from './dates-dialog';
import { EventsDialog } from './events-dialog';
import { isFixed, mustWords, titleOf, withChosen, withFreshIds, withLevelBy, withPinned, withSwapped, type CellView } from './model';
import { PlanGrid } from './plan-grid';
import { Aside, PlanBoard, PlanFrame } from './plan-style';
import { cellName, proposed, Proposal } from './proposal';
import { SendPlanDialog } from './send-dialog';
import { usePlan } from './use-plan';
import { WishList } from './wish-list';

export interface PlanPageProps {
  readonly plan: TermPlanToRead;
  readonly plans: readonly { readonly id: string; readonly name: string; readonly startsOn: string }[];
  readonly shelf: readonly ShelfGame[];
  readonly today: string;
  readonly mayChange: boolean;
  /** The cell that it opens with. */
  readonly opened?: { readonly classId: string; readonly week: number };
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

export function PlanPage({ plan, plans, shelf, today, mayChange, opened }: PlanPageProps) {
  const router = useRouter();
  const [asked, setAsked] = useState<Asked | null>(opened ? { kind: 'cell', ...opened } : null);
  const [asList, setAsList] = useState(false);
  const of = usePlan({ plan, today, mayChange });
  const { document, lines, mondays, screen, term, broken, fixed, change, changeCells, working, clash, proposal, wishesShown } = of;
  const { facts, sent } = screen;

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
          · <span role="status">{mayChange ? savedWords(of.state, (at) => format(new Date(at), 'HH:mm')) : 'to look at'}</span>
        </span>
        <Button aria-label="Undo" isDisabled={of.undo === null} onPress={() => of.undo?.()}>
          <Undo2 size={17} aria-hidden />
        </Button>
        <Button aria-label="Redo" isDisabled={of.redo === null} onPress={() => of.redo?.()}>
          <Redo2 size={17} aria-hidden />
        </Button>
        <Button isDisabled={!mayChange} onPress={() => setAsked({ kind: 'dates' })}>
          <CalendarDays size={17} aria-hidden /> Dates and classes
        </Button>
        <Button isDisabled={!mayChange} onPress={() => setAsked({ kind: 'events' })}>
          Events
        </Button>
        <Button aria-pressed={wishesShown} onPress={() => of.setWishesShown(!wishesShown)}>
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
                            ok ? window.location.assign('/plan') : of.say(problem),
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
          <Button $strong onPress={of.stop}>
            Stop
          </Button>
        ) : (
          <Button $strong isDisabled={!mayChange || lines.length === 0 || mondays.length === 0} onPress={() => void of.workOut()}>
            {term.accepted ? 'Work it out again' : 'Work out the plan'}
          </Button>
        )}
      </PageHead>
      <p role="status">{of.status}</p>
      {of.state.kind === 'conflict' && (
        <Notice $tone="caution" role="alert">
          {of.state.problem} <DeskLink href={`/plan?plan=${plan.id}`}>Open it again</DeskLink> to go on from the newest form.
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
              onSaid={of.say}
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
            {shownChanges.length > 0 && <Proposal changes={shownChanges} onAccept={of.accept} onKeep={of.leave} />}
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
          onSave={of.saveNow}
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
