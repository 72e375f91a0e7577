'use client';
import { classWeekSchema, type ClassWeek, type ScoreRow } from '@/contract/class-week';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import styled from 'styled-components';
import { format } from 'date-fns';
import { Button, ButtonLink, QuietButton } from '@/ui/button';
import { Select } from '@/ui/field';
import { Empty, Figures, Page, PageHead } from '@/ui/page';
import { useRead } from '@/ui/reads';
import { Looks } from './looks';
import { EventTable } from './event-table';
import { inOrder, isShown, SHOWN, type Column, type Shown } from './rows-in-order';
import { ScoresNav } from './scores-nav';
import { SortHead, type SortedBy } from './sorted-by';
import { TypeIn } from './type-in';

const POLL_MS = 4000;

const Heads = styled.div`
  display: grid;
  grid-template-columns: repeat(3, auto) 1fr;
  gap: 0 36px;
  align-items: end;
  padding: 4px 0 14px;
  & div b {
    display: block;
    font-size: 1.75rem;
    line-height: 1.15;
  }
  & div span {
    font-size: 0.875rem;
    color: var(--ink-soft);
  }
`;

const Reason = styled.span`
  border-left: 3px solid var(--rowan);
  padding-left: 8px;
`;

const Best = styled.span`
  border: 1.5px solid var(--ink);
  border-radius: 999px;
  background: var(--gorse);
  color: #17323a;
  padding: 0 8px;
  font-size: 0.8125rem;
  font-weight: 600;
  white-space: nowrap;
`;

const Aside = styled.span`
  color: var(--ink-soft);
  font-size: 0.875rem;
`;

const Word = styled.span`
  display: block;
  font-size: 0.875rem;
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
  const [by, setBy] = useState<SortedBy<Column>>({ column: 'state', down: false });
  const [shown, setShown] = useState<Shown>('all');
  const week = found.week;

  const heads = headsOf(found, found.event !== null && whole);
  const rows = inOrder(
    found.rows.filter((row) => isShown(row, shown, found.better)),
    by,
  );
  const shownEvent = found.event !== null && whole;
  const widest = Math.max(1, ...found.rows.map((row) => Math.max(row.best ?? 0, row.parHigh ?? 0)));
  return (
    <Page>
      <ScoresNav classes={classes} classId={classId} />
      <PageHead>
        {week && (
          <div style={{ width: 260 }}>
            <Select
              hideLabel
              label="Week"
              value={week.id}
              choices={found.weeks.map((one) => ({ value: one.id, label: `week ${one.number}, due ${dayWords(one.dueOn)}` }))}
              onChange={(id) => router.push(`/scores?class=${classId}&week=${id}`)}
            />
          </div>
        )}
        {week && found.games.length > 1 && (
          <div style={{ width: 240 }}>
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
          </div>
        )}
        <h1 style={{ flex: 1, margin: 0, fontSize: '1.25rem' }}>{(whole ? found.gameTitle.split(':')[0] : found.gameTitle) || 'Scores'}</h1>
        {week && !shownEvent && (
          <div style={{ width: 180 }}>
            <Select hideLabel label="Show" value={shown} choices={SHOWN.map((value) => ({ value, label: SHOWN_WORDS[value] }))} onChange={setShown} />
          </div>
        )}
        {week && heads.notYet > 0 && <ButtonLink href={`/weeks/${week.id}`}>Remind {heads.notYet}</ButtonLink>}
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
            <span role="status" style={{ textAlign: 'right', fontSize: '0.875rem', color: 'var(--ink-soft)' }}>
              {stale ? 'No connection just now; these are the last figures received.' : 'keeps itself up to date'}
            </span>
          </Heads>
          {shownEvent ? (
            <EventTable week={found} />
          ) : (
            <Figures>
              <thead>
                <tr>
                  {COLUMNS.map(({ column, words, figure }) =>
                    column === null ? (
                      <th key={words} style={{ width: 180 }}>
                        {words}
                      </th>
                    ) : (
                      <SortHead key={column} column={column} figure={figure} by={by} onSort={setBy}>
                        {words}
                      </SortHead>
                    ),
                  )}
                </tr>
              </thead>
              <tbody>
                {rows.map((row) => (
                  <Row
                    key={row.childId}
                    row={row}
                    widest={widest}
                    unit={found.unit}
                    filmAlone={found.filmAlone}
                    onType={() => setTyping(row)}
                    onLook={found.lookFors.length > 0 || found.filmAlone ? () => setLooking(row) : null}
                  />
                ))}
              </tbody>
            </Figures>
          )}
          {!shownEvent && rows.length === 0 && <p>No child is “{SHOWN_WORDS[shown]}” this week.</p>}
          <Aside as="p">
            {found.restsOn > 0
              ? `Par and what is likely rest on ${found.restsOn} tries that this class had reported when the week was sent.`
              : 'Par and what is likely are what is assumed for the age.'}{' '}
            {found.creditRule === 'both' ? 'Credit asks for a report and a signed log.' : 'Credit asks for a report or a signed log.'}
          </Aside>
        </>
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

/** "look", or what was seen: "technique: home 2 of 3 yes, teacher 1 of 3 yes". */
function techniqueWords({ looksHome, looksTeacher }: ScoreRow): string {
  const seen = (who: string, marks: ScoreRow['looksTeacher']) =>
    marks.length === 0 ? [] : [`${who} ${marks.filter(({ mark }) => mark === 'yes').length} of ${marks.length} yes`];
  const told = [...seen('home', looksHome?.marks ?? []), ...seen('teacher', looksTeacher)];
  return told.length === 0 ? 'look' : `technique: ${told.join(', ')}`;
}

/** How many have reported, wait to be looked at, or are missing: of the game that is shown, or of a whole event. */
function headsOf({ rows, event, reported, toLookAt }: ClassWeek, whole: boolean): { reported: number; toLookAt: number; notYet: number } {
  if (!whole || !event) return { reported, toLookAt, notYet: rows.filter((row) => row.state === 'not-yet').length };
  const came = event.filter(({ bests }) => bests.some(({ best, doubt }) => best !== null || doubt)).length;
  return { reported: came, toLookAt: event.filter(({ bests }) => bests.some(({ doubt }) => doubt)).length, notYet: event.length - came };
}

/** The columns of the week; the drawing beside par has no order. */
const COLUMNS: readonly { readonly column: Column | null; readonly words: string; readonly figure: boolean }[] = [
  { column: 'child', words: 'Child', figure: false },
  { column: 'level', words: 'Level', figure: false },
  { column: 'best', words: 'Best', figure: true },
  { column: 'par', words: 'Par', figure: true },
  { column: null, words: 'Against what is likely', figure: false },
  { column: 'latest', words: 'Latest', figure: true },
  { column: 'hits', words: 'Hits', figure: true },
  { column: 'felt', words: 'Felt', figure: false },
  { column: 'credit', words: 'Credit', figure: false },
  { column: 'received', words: 'Received', figure: false },
  { column: 'state', words: 'Remark', figure: false },
];

const FELT: Readonly<Record<string, string>> = { hard: 'hard', right: 'right', easy: 'easy' };

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

function Row({
  row,
  widest,
  unit,
  filmAlone,
  onType,
  onLook,
}: {
  row: ScoreRow;
  widest: number;
  unit: string;
  filmAlone: boolean;
  onType: () => void;
  onLook: (() => void) | null;
}) {
  return (
    <tr>
      <td style={{ whiteSpace: 'nowrap' }}>
        <Link href={`/children/${row.childId}`}>{row.name}</Link>
      </td>
      <td>{row.levelName}</td>
      <td className="figure">{row.best === null ? '' : <b>{row.best}</b>}</td>
      <td className="figure">{row.par}</td>
      <td>{row.par !== null && <Against row={row} widest={widest} unit={unit} />}</td>
      <td className="figure">{row.reports > 0 ? row.latest : ''}</td>
      <td className="figure">{row.attempts > 0 ? `${row.successes}/${row.attempts}` : ''}</td>
      <td>{row.felt ? FELT[row.felt] : ''}</td>
      <td title={row.missing}>
        {row.state === 'not-assigned' ? '' : row.credit ? 'yes' : <span style={{ color: 'var(--ink-soft)' }}>no</span>}
        {!row.credit && row.missing !== 'nothing yet' && row.missing !== '' && <Aside as="div">{row.missing}</Aside>}
      </td>
      <td style={{ whiteSpace: 'nowrap' }}>
        {row.receivedAt ? format(new Date(row.receivedAt), 'd MMM, HH:mm') : ''}
        {row.late ? ', late' : ''}
      </td>
      <td>
        {row.personalBest && <Best>own best</Best>} {row.reason && <Reason>{row.reason}</Reason>} {row.state === 'not-assigned' && 'joined later'}
        {row.state === 'not-yet' && (
          <>
            not yet{row.medium === 'paper' ? ', on paper' : ''}
            {!filmAlone && (
              <>
                {' '}
                ·{' '}
                <QuietButton onPress={onType} aria-label={`Type in the score of ${row.name}`}>
                  type in
                </QuietButton>
              </>
            )}
          </>
        )}
        {row.assignmentId && onLook && (
          <>
            {' '}
            <QuietButton onPress={onLook} aria-label={`How ${row.name} did it`}>
              {techniqueWords(row)}
            </QuietButton>
          </>
        )}
        {row.film && <Aside> · film</Aside>}
        {row.typed && <Aside> typed in</Aside>}
        {row.otherForms > 0 && <Aside> · {row.otherForms === 1 ? '1 go' : `${row.otherForms} goes`} made easier or harder</Aside>}
        {row.diaryMinutes > 0 && <Aside> · diary {row.diaryMinutes} min</Aside>}
        {row.word && <Word>“{row.word}”</Word>}
        {row.comment && <Word>Teacher: {row.comment}</Word>}
      </td>
    </tr>
  );
}

/** The score on the scale of what was likely for this child: the band, par as a line, the best as a dot. */
function Against({ row, widest, unit }: { row: ScoreRow; widest: number; unit: string }) {
  const width = 160;
  const x = (score: number) => 7 + (score / widest) * (width - 14);
  return (
    <svg
      width={width}
      height={18}
      role="img"
      aria-label={row.best === null ? `par ${row.par}` : `${row.best} ${unit}, par ${row.par}, likely ${row.parLow} to ${row.parHigh}`}
    >
      <line x1={0} x2={width} y1={9} y2={9} stroke="var(--line)" />
      <rect x={x(row.parLow ?? 0)} width={Math.max(2, x(row.parHigh ?? 0) - x(row.parLow ?? 0))} y={5} height={8} fill="var(--band-3)" />
      <line x1={x(row.par!)} x2={x(row.par!)} y1={2} y2={16} stroke="var(--ink)" strokeWidth={1.5} />
      {row.best !== null && <circle cx={x(row.best)} cy={9} r={5} fill="var(--gorse)" stroke="var(--ink)" strokeWidth={1.5} />}
    </svg>
  );
}
