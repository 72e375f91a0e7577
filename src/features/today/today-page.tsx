'use client';
import { DeskLink } from '@/ui/desk-link';
import styled from 'styled-components';
import { daysBetween, dayShort, dayWords } from '@/core/measure/days';
import type { ServerWorry } from '@/contract/server-standing';
import { WORRY_WORDS } from '@/features/keeping/server-words';
import { todaySchema, type ClassToday, type News, type Today } from '@/contract/today';
import { ButtonLink } from '@/ui/button';
import { Notice, Spoken } from '@/ui/notice';
import { Page, PageHead, SoftLine } from '@/ui/page';
import { useRead } from '@/ui/reads';
import { byArrowKeys } from './arrow-keys';
import { doLines, dueWords, lookLine, nextLine, plannedLine, reportedWords, whyWords, type Line } from './model';
import { NewsTold } from './news-told';
import { FirstSteps } from './first-steps';
import { TideLine } from './tide-line';

const POLL_MS = 5000;

const Classes = styled.table`
  width: 100%;
  border-collapse: collapse;
  table-layout: fixed;
  font-size: var(--type-2);
  line-height: 1.3;
  & thead th {
    padding: 0 var(--space-6) var(--space-3) 0;
    border-bottom: 1px solid var(--ink);
    font-size: var(--type-1);
    font-weight: 600;
    color: var(--ink-soft);
    text-align: left;
  }
  & tbody th,
  & td {
    height: 54px;
    padding: var(--space-1) var(--space-6) var(--space-1) 0;
    border-bottom: 1px solid var(--line);
    vertical-align: middle;
    text-align: left;
  }
  & thead span {
    margin-left: var(--space-3);
    font-weight: 400;
  }
  & .class {
    width: 116px;
  }
  & .out {
    width: 424px;
  }
  & .look {
    width: 186px;
  }
  & tbody th {
    white-space: nowrap;
    font-weight: 600;
  }
  & small {
    display: block;
    font-size: var(--type-1);
    font-weight: 400;
    color: var(--ink-soft);
  }
  & ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }
  & td a,
  & small {
    white-space: nowrap;
  }
  & small,
  & .cut {
    overflow: hidden;
    text-overflow: ellipsis;
  }
  & li {
    display: flex;
    align-items: center;
    min-height: 24px;
  }
`;

const Out = styled.div`
  display: flex;
  align-items: center;
  gap: var(--space-5);
  & > svg {
    flex: none;
  }
  & > span {
    min-width: 0;
    padding-bottom: var(--space-1);
    white-space: nowrap;
  }
  & b {
    font-weight: 600;
  }
`;

/** Late or gone wrong: a mark beside the words, never the colour alone. */
const Wrong = styled.span`
  margin-right: var(--space-2);
  color: var(--rowan);
  font-weight: 700;
`;

function OneLine({ line }: { line: Line }) {
  return (
    <>
      {line.wrong && <Wrong aria-hidden>!</Wrong>}
      <DeskLink href={line.href}>{line.words}</DeskLink>
    </>
  );
}

function OutCell({ of, today }: { of: ClassToday; today: string }) {
  const { week, alsoOut } = of;
  if (!week) return <SoftLine as="span">nothing is out</SoftLine>;
  const days = daysBetween(week.sentOn, week.dueOn) + 1;
  return (
    <Out>
      <TideLine byDay={week.byDay} usual={week.usual} sentTo={week.sentTo} days={days} />
      <span className="cut" title={week.title}>
        <DeskLink href={`/scores?class=${of.id}&week=${week.weekId}`}>
          {week.title}
          {week.level && `, ${week.level}`}
        </DeskLink>
        {alsoOut > 0 && ` and ${alsoOut} more`} · {dueWords(week, today)}
        <small>
          <b>{reportedWords(week)}</b>
        </small>
      </span>
    </Out>
  );
}

function Row({ of, today, mayChange }: { of: ClassToday; today: string; mayChange: boolean }) {
  const look = lookLine(of);
  const next = mayChange ? nextLine(of) : null;
  const planned = plannedLine(of);
  const lines = doLines(of, today).filter(({ forTeachers }) => mayChange || !forTeachers);
  return (
    <tr>
      <th scope="row">
        <DeskLink href={`/classes/${of.id}`}>{of.name}</DeskLink>
        <small>{of.children === 1 ? '1 child' : `${of.children} children`}</small>
      </th>
      <td>
        <OutCell of={of} today={today} />
      </td>
      <td>{look && <OneLine line={look} />}</td>
      <td>
        {planned ? (
          <>
            <OneLine line={planned} />
            <small>
              planned for {dayShort(of.planned!.on)}
              {next && of.last && of.last.fit.fit !== 'right' && (
                <span title={whyWords(of.last)}>
                  {' · '}
                  <DeskLink href={next.href}>{next.words}</DeskLink>
                </span>
              )}
            </small>
          </>
        ) : (
          next &&
          of.last && (
            <>
              <OneLine line={next} />
              <small>{whyWords(of.last)}</small>
            </>
          )
        )}
      </td>
      <td>
        <ul>
          {lines.map((line) => (
            <li key={line.words}>
              <OneLine line={line} />
            </li>
          ))}
        </ul>
      </td>
    </tr>
  );
}

const NoticeAbove = styled(Notice)`
  margin-bottom: var(--space-5);
`;

/** All classes in one view, kept up to date by itself: every line is one press from where it is dealt with. */
export function TodayPage({
  first,
  mayChange,
  worries = [],
  news = [],
}: {
  first: Today;
  mayChange: boolean;
  worries?: readonly ServerWorry[];
  news?: readonly News[];
}) {
  const { data: today = first, error } = useRead('/api/v1/today', todaySchema, { first, everyMs: POLL_MS });
  return (
    <Page>
      <PageHead>
        <h1>{dayWords(today.day)}</h1>
        <span className="about">{error ? 'No connection: this is what was known last.' : ''}</span>
        {mayChange && today.classes.length > 0 && <ButtonLink href="/weeks/new">Build a week</ButtonLink>}
      </PageHead>
      {worries.map((worry) => (
        <NoticeAbove key={worry} $tone="caution">
          {WORRY_WORDS[worry]} <DeskLink href="/school/server">The server</DeskLink>
        </NoticeAbove>
      ))}
      <NewsTold news={news} />
      {today.begin && mayChange && <FirstSteps today={today} />}
      {today.begin && !mayChange && <NoticeAbove>Nothing has been sent yet. A teacher makes the classes and the first week.</NoticeAbove>}
      {today.classes.length > 0 && (
        <Classes onKeyDown={byArrowKeys}>
          <caption>
            <Spoken>Classes today; arrow keys go from line to line</Spoken>
          </caption>
          <thead>
            <tr>
              <th scope="col" className="class">
                Class
              </th>
              <th scope="col" className="out">
                Out <span>reports by day; dashed: what is usual</span>
              </th>
              <th scope="col" className="look">
                To look at
              </th>
              <th scope="col">Next</th>
              <th scope="col">To do</th>
            </tr>
          </thead>
          <tbody>
            {today.classes.map((of) => (
              <Row key={of.id} of={of} today={today.day} mayChange={mayChange} />
            ))}
          </tbody>
        </Classes>
      )}
    </Page>
  );
}
