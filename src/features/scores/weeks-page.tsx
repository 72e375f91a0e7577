'use client';
import type { CellOfWeek, ClassWeeks, WeekOfClass } from '@/contract/class-weeks';
import { DeskLink } from '@/ui/desk-link';
import { lazy, Suspense, useMemo } from 'react';
import styled from 'styled-components';
import { inTenWords } from '@/core/progress/wilson';
import { Button, ButtonLink } from '@/ui/button';
import { Empty, Page, SoftLine } from '@/ui/page';
import { SheetTable, type SheetColumn } from '@/ui/table/sheet-table';
import { ClassFitSection } from './class-fit-section';
import { CreditRuleChoice } from './credit-rule-choice';
import { ScoresNav, type ScoresNavProps } from './scores-nav';

const Summary = styled.summary`
  cursor: pointer;
  min-height: 28px;
`;

const ChartRoom = styled.div`
  height: 410px;
`;

const WeeksChart = lazy(() => import('./weeks-chart'));

const Sheet = styled.div`
  overflow-x: auto;
  & table {
    min-width: 720px;
  }
  & thead th {
    position: sticky;
    top: 0;
    background: var(--paper);
    vertical-align: bottom;
    white-space: normal;
  }
`;

const Fits = styled.ul`
  display: grid;
  gap: var(--space-3);
  margin: 0 0 var(--space-6);
  padding: 0;
  list-style: none;
`;

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-4) var(--space-6);
  margin: var(--space-5) 0 var(--space-4);
  & h1 {
    flex: 1;
    margin: 0;
    font-size: var(--type-4);
  }
  & a {
    text-underline-offset: 3px;
  }
  @media print {
    & a,
    & button {
      display: none;
    }
  }
`;

function FitOfWeek({ week, classId }: { week: WeekOfClass; classId: string }) {
  const { fit, reached, of, low, high } = week.fit;
  const about = `${inTenWords(low, high)} in 10`;
  const share =
    week.fit.by === 'par'
      ? `${reached} of ${of} reached par with their first go (such a class: ${about})`
      : `${reached} of ${of} tries hit (about ${about})`;
  return (
    <li>
      Week {week.number}, {week.title}: {share}. <b>{fit === 'too-easy' ? 'Too easy for this class.' : 'Too hard for this class.'}</b>{' '}
      {week.gameId && week.levelId && (
        <ButtonLink href={`/games/${week.gameId}?class=${classId}&level=${week.levelId}&mend=${fit === 'too-easy' ? 'harder' : 'easier'}`}>
          {fit === 'too-easy' ? 'Make it harder for next week' : 'Make it easier for next week'}
        </ButtonLink>
      )}
    </li>
  );
}

export interface WeeksPageProps extends ScoresNavProps {
  readonly ageYears: number;
  readonly found: ClassWeeks;
  readonly readOnly: boolean;
}

/** So many weeks that did not fit are shown at once. */
const NEWEST = 3;

/** Above this share of luck a ranking would mislead. */
const MOSTLY_LUCK = 0.8;

type ChildInWeeks = ClassWeeks['children'][number];

function weeksColumns(weeks: readonly WeekOfClass[]): readonly SheetColumn<ChildInWeeks>[] {
  const took = ({ cells }: ChildInWeeks) => cells.filter((cell) => cell.credit).length;
  return [
    { id: 'child', words: 'Child', by: ({ name }) => name, cell: ({ id, name }) => <DeskLink href={`/children/${id}`}>{name}</DeskLink> },
    ...weeks.map((week, at): SheetColumn<ChildInWeeks> => ({
      id: week.id,
      words: `week ${week.number}`,
      head: (
        <>
          <br />
          {week.title}
          <br />
          {week.credit} of {week.sentTo}
        </>
      ),
      figure: true,
      by: ({ cells }) => cells[at]!.best,
      title: ({ cells }) => cells[at]!.missing,
      faint: ({ cells }) => !cells[at]!.credit,
      cell: ({ cells }) => <OneWeek cell={cells[at]!} />,
    })),
    {
      id: 'took',
      words: 'Took part',
      figure: true,
      by: took,
      cell: (child) => `${took(child)} of ${child.cells.filter((cell) => cell.sent).length}`,
    },
  ];
}

function OneWeek({ cell }: { cell: CellOfWeek }) {
  return (
    <>
      {!cell.sent ? (
        'not sent'
      ) : cell.event ? (
        cell.event
      ) : cell.best !== null ? (
        <>
          <b>{cell.best}</b>
          {cell.par !== null && <small> / par {cell.par}</small>}
        </>
      ) : cell.credit ? (
        'took part'
      ) : (
        '–'
      )}
      {cell.doubt && <small> ?</small>}
    </>
  );
}

export function WeeksPage({ classes, classId, ageYears, found, readOnly }: WeeksPageProps) {
  const { weeks, children } = found;
  // The newest first: it is what is to be mended.
  const unfit = weeks.filter(({ fit }) => fit.fit === 'too-easy' || fit.fit === 'too-hard').reverse();
  const lucky = weeks.filter(({ luckShare }) => luckShare !== null && luckShare > MOSTLY_LUCK);
  const columns = useMemo(() => weeksColumns(weeks), [weeks]);
  const file = (format: string) => `/api/v1/classes/${classId}/export?format=${format}`;
  return (
    <Page>
      <ScoresNav classes={classes} classId={classId} />
      {weeks.length === 0 ? (
        <Empty>
          <p>This class has not been sent anything yet.</p>
        </Empty>
      ) : (
        <>
          <Row>
            <h1>
              {weeks.length} {weeks.length === 1 ? 'week' : 'weeks'}, {children.length} children
            </h1>
            <span>
              All goes as <a href={file('csv')}>CSV</a>, <a href={file('xlsx')}>XLSX</a>, <a href={file('json')}>JSON</a>
              {!readOnly && (
                <>
                  {' '}
                  (or <a href={`${file('json')}&forms=yes`}>JSON with how each child plays</a>, seated or standing: keep it close)
                </>
              )}
            </span>
            <Button onPress={() => window.print()}>Print</Button>
          </Row>
          {unfit.length > 0 ? (
            <Fits aria-label="Levels that did not fit">
              {unfit.slice(0, NEWEST).map((week) => (
                <FitOfWeek key={week.id} week={week} classId={classId} />
              ))}
              {unfit.length > NEWEST && (
                <li>
                  <details>
                    <Summary>{unfit.length - NEWEST === 1 ? 'one earlier week' : `${unfit.length - NEWEST} earlier weeks`} that did not fit</Summary>
                    <Fits>
                      {unfit.slice(NEWEST).map((week) => (
                        <FitOfWeek key={week.id} week={week} classId={classId} />
                      ))}
                    </Fits>
                  </details>
                </li>
              )}
            </Fits>
          ) : (
            <p>No level was clearly too easy or too hard for this class.</p>
          )}
          {lucky.length > 0 && (
            <p>
              Do not rank children by{' '}
              {lucky.map(({ number, title, luckShare }) => `week ${number}, ${title} (${Math.round(100 * luckShare!)}% luck)`).join('; ')}: one go
              says more of luck than of the child there.
            </p>
          )}
          <Suspense fallback={<ChartRoom />}>
            <WeeksChart found={found} />
          </Suspense>
          <Sheet>
            <SheetTable rows={children} columns={columns} rowId={(child) => child.id} tie="child" />
          </Sheet>
          <SoftLine $small>
            The best that counted on a like set-up, against the child’s own par; <b>?</b> waits to be looked at.
          </SoftLine>
          <CreditRuleChoice classId={classId} rule={found.creditRule} readOnly={readOnly} />
          <ClassFitSection key={classId} classId={classId} ageYears={ageYears} />
        </>
      )}
    </Page>
  );
}
