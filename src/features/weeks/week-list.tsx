'use client';
import { DeskLink } from '@/ui/desk-link';
import styled from 'styled-components';
import { Empty, Page, PageHead } from '@/ui/page';
import { SheetTable, type SheetColumn } from '@/ui/table/sheet-table';
import { ButtonLink } from '@/ui/button';

export interface ListedWeek {
  readonly id: string;
  readonly classId: string;
  readonly className: string;
  readonly number: number;
  readonly gameTitle: string;
  readonly games: number;
  readonly gameId: string | null;
  readonly sentOn: string;
  readonly dueOn: string;
  readonly dueWords: string;
  readonly children: number;
  readonly reported: number;
  readonly takenBack: boolean;
}

const Soft = styled.span`
  color: var(--ink-soft);
  font-size: var(--type-1);
`;

const Acts = styled.span`
  display: inline-flex;
  gap: var(--space-6);
  white-space: nowrap;
`;

const COLUMNS: readonly SheetColumn<ListedWeek>[] = [
  { id: 'class', words: 'Class', by: ({ className }) => className, cell: ({ className }) => className },
  { id: 'week', words: 'Week', by: ({ number }) => number, cell: ({ number }) => number },
  {
    id: 'game',
    words: 'Game',
    by: ({ gameTitle }) => gameTitle,
    cell: ({ gameId, games, gameTitle }) =>
      gameId && games === 1 ? <DeskLink href={`/games/${gameId}`}>{gameTitle}</DeskLink> : `${gameTitle}, ${games} games`,
  },
  { id: 'sent', words: 'Sent', cell: ({ sentOn }) => sentOn },
  {
    id: 'due',
    words: 'Due',
    cell: ({ dueOn, dueWords }) => (
      <>
        {dueOn} <Soft>{dueWords}</Soft>
      </>
    ),
  },
  {
    id: 'reported',
    words: 'Reported',
    figure: true,
    by: ({ reported, children }) => reported / Math.max(1, children),
    cell: ({ reported, children, takenBack }) => `${reported} of ${children}${takenBack ? ', taken back' : ''}`,
  },
  {
    id: 'share',
    words: '',
    head: <span aria-hidden>Share</span>,
    cell: ({ reported, children }) => (
      <svg width={96} height={10} aria-hidden>
        <rect width={96} height={10} fill="var(--band-2)" />
        <rect width={(96 * reported) / Math.max(1, children)} height={10} fill="var(--tide)" />
      </svg>
    ),
  },
  {
    id: 'acts',
    words: '',
    figure: true,
    cell: ({ id, classId }) => (
      <Acts>
        <DeskLink href={`/weeks/${id}`}>Week and paper</DeskLink>
        <DeskLink href={`/scores?class=${classId}&week=${id}`}>Scores</DeskLink>
      </Acts>
    ),
  },
];

export function WeekList({ weeks }: { weeks: readonly ListedWeek[] }) {
  return (
    <Page $width={1080}>
      <PageHead>
        <h1>Weeks</h1>
        <span className="about">what each class has been sent, newest first</span>
        <ButtonLink $strong href="/weeks/new">
          Build a week
        </ButtonLink>
      </PageHead>
      {weeks.length === 0 ? (
        <Empty>
          <p>Nothing has been sent yet. Build a week: a warm-up, a game or several, a day by which it is due.</p>
        </Empty>
      ) : (
        <SheetTable rows={weeks} columns={COLUMNS} rowId={(week) => week.id} />
      )}
    </Page>
  );
}
