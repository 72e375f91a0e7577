'use client';
import { classWeekSchema, type ClassWeek, type ScoreRow } from '@/contract/class-week';
import { useRouter } from 'next/navigation';
import { useCallback, useMemo, useState } from 'react';
import styled from 'styled-components';
import { format } from 'date-fns';
import { Button, ButtonLink } from '@/ui/button';
import { Select } from '@/ui/field';
import { Empty, Page, PageHead, SoftWords } from '@/ui/page';
import { SheetTable } from '@/ui/table/sheet-table';
import { useRead } from '@/ui/reads';
import { Looks } from './looks';
import { MarkFilms } from './mark-films';
import { EventTable } from './event-table';
import { classWeekColumns } from './class-week-columns';
import { isShown, SHOWN, type Shown } from './rows-in-order';
import { ScoresNav } from './scores-nav';
import { TypeIn } from './type-in';

const WeekChooser = styled.div`
  width: 260px;
`;

const GameChooser = styled.div`
  width: 240px;
`;

const Title = styled.h1`
  && {
    flex: 1;
    margin: 0;
    font-size: var(--type-4);
  }
`;

const ShownChooser = styled.div`
  width: 180px;
`;

const HowFar = styled.span`
  && {
    text-align: right;
    font-size: var(--type-1);
    color: var(--ink-soft);
  }
`;

const POLL_MS = 4000;

const Heads = styled.div`
  display: grid;
  grid-template-columns: repeat(3, auto) 1fr;
  gap: 0 var(--space-8);
  align-items: end;
  padding: var(--space-2) 0 var(--space-5);
  & div b {
    display: block;
    font-size: var(--type-6);
    line-height: 1.15;
  }
  & div span {
    font-size: var(--type-1);
    color: var(--ink-soft);
  }
`;

export interface ScoresPageProps {
  readonly classes: readonly { readonly id: string; readonly name: string }[];
  readonly classId: string;
  readonly first: ClassWeek;
  /** All games of an event at once. */
  readonly whole?: boolean;
  /** A helper looks and does not mark. */
  readonly readOnly: boolean;
}

/** The class's week, kept up to date by itself. */
export function ScoresPage({ classes, classId, first, readOnly, whole = false }: ScoresPageProps) {
  const router = useRouter();
  const { week: firstWeek, itemId: firstItem } = first;
  const address = `/api/v1/classes/${classId}/scores${firstWeek ? `?week=${firstWeek.id}&game=${firstItem}` : ''}`;
  const { data: found = first, error, mutate } = useRead(address, classWeekSchema, { first, everyMs: POLL_MS });
  const stale = error !== undefined;
  const [typing, setTyping] = useState<ScoreRow | null>(null);
  const [looking, setLooking] = useState<ScoreRow | null>(null);
  const [films, setFilms] = useState(false);
  const [shown, setShown] = useState<Shown>('all');
  const week = found.week;

  const shownEvent = found.event !== null && whole;
  // Where something is looked for: the children of whom no film was marked yet.
  const toMark =
    week && !shownEvent && !readOnly && found.lookFors.length > 0 ? found.rows.filter(({ assignmentId, film }) => assignmentId && !film) : [];
  const heads = headsOf(found, found.event !== null && whole);
  const keep = useCallback((row: ScoreRow) => isShown(row, shown, found.better), [shown, found.better]);
  const columns = useMemo(() => classWeekColumns(found, { onType: setTyping, onLook: setLooking }), [found]);
  return (
    <Page>
      <ScoresNav classes={classes} classId={classId} />
      <PageHead>
        {week && (
          <WeekChooser>
            <Select
              hideLabel
              label="Week"
              value={week.id}
              choices={found.weeks.map((one) => ({ value: one.id, label: `week ${one.number}, due ${dayWords(one.dueOn)}` }))}
              onChange={(id) => router.push(`/scores?class=${classId}&week=${id}`)}
            />
          </WeekChooser>
        )}
        {week && found.games.length > 1 && (
          <GameChooser>
            <Select
              hideLabel
              label="Game"
              value={whole ? 'all' : found.itemId!}
              choices={[
                { value: 'all', label: `All ${found.games.length} games` },
                ...found.games.map(({ itemId, title }, index) => ({ value: itemId as string, label: `${index + 1}. ${title}` })),
              ]}
              onChange={(id) => router.push(`/scores?class=${classId}&week=${week.id}&game=${id}`)}
            />
          </GameChooser>
        )}
        <Title>{(whole ? found.gameTitle.split(':')[0] : found.gameTitle) || 'Scores'}</Title>
        {week && !shownEvent && (
          <ShownChooser>
            <Select hideLabel label="Show" value={shown} choices={SHOWN.map((value) => ({ value, label: SHOWN_WORDS[value] }))} onChange={setShown} />
          </ShownChooser>
        )}
        {week && heads.notYet > 0 && <ButtonLink href={`/weeks/${week.id}`}>Remind {heads.notYet}</ButtonLink>}
        {toMark.length > 0 && <Button onPress={() => setFilms(true)}>Mark films</Button>}
        <Button onPress={() => window.print()}>Print</Button>
      </PageHead>
      {!week ? (
        <Empty>
          <p>This class has not been sent anything yet.</p>
        </Empty>
      ) : (
        <>
          <Heads>
            <div>
              <b>
                {heads.reported} of {found.rows.length}
              </b>
              <span>have reported</span>
            </div>
            <div>
              <b>{heads.toLookAt}</b>
              <span>to look at</span>
            </div>
            <div>
              <b>{heads.notYet}</b>
              <span>not yet</span>
            </div>
            <HowFar role="status">{stale ? 'No connection just now; these are the last figures received.' : 'keeps itself up to date'}</HowFar>
          </Heads>
          {shownEvent ? (
            <EventTable week={found} />
          ) : (
            <SheetTable
              rows={found.rows}
              columns={columns}
              rowId={(row) => row.childId}
              first={{ column: 'state', down: false }}
              tie="child"
              keep={keep}
              none={<p>No child is “{SHOWN_WORDS[shown]}” this week.</p>}
            />
          )}
          <SoftWords $small as="p">
            {found.restsOn > 0
              ? `Par and what is likely rest on ${found.restsOn} tries that this class had reported when the week was sent.`
              : 'Par and what is likely are what is assumed for the age.'}{' '}
            {found.creditRule === 'both' ? 'Credit asks for a report and a signed log.' : 'Credit asks for a report or a signed log.'}
          </SoftWords>
        </>
      )}
      {films && (
        <MarkFilms
          rows={toMark}
          lookFors={found.lookFors}
          onClose={() => {
            setFilms(false);
            void mutate();
          }}
        />
      )}
      {looking?.assignmentId && (
        <Looks
          key={looking.assignmentId}
          row={looking}
          lookFors={found.lookFors}
          readOnly={readOnly}
          onClose={(done) => {
            setLooking(null);
            if (done) void mutate();
          }}
        />
      )}
      {typing?.assignmentId && week && (
        <TypeIn
          key={typing.assignmentId}
          row={typing}
          onClose={(done) => {
            setTyping(null);
            if (done) void mutate();
          }}
        />
      )}
    </Page>
  );
}

/** How many have reported, wait to be looked at, or are missing: of the game that is shown, or of a whole event. */
function headsOf({ rows, event, reported, toLookAt }: ClassWeek, whole: boolean): { reported: number; toLookAt: number; notYet: number } {
  if (!whole || !event) return { reported, toLookAt, notYet: rows.filter((row) => row.state === 'not-yet').length };
  const came = event.filter(({ bests }) => bests.some(({ best, doubt }) => best !== null || doubt)).length;
  return { reported: came, toLookAt: event.filter(({ bests }) => bests.some(({ doubt }) => doubt)).length, notYet: event.length - came };
}

const SHOWN_WORDS: Readonly<Record<Shown, string>> = {
  all: 'all children',
  'to-look-at': 'to look at',
  'not-yet': 'not yet',
  'no-credit': 'without credit',
  'par-reached': 'par reached',
  'below-par': 'par not reached',
  'own-best': 'own best this week',
  paper: 'on paper',
};

function dayWords(day: string): string {
  return format(new Date(`${day}T12:00:00`), 'd MMM');
}
