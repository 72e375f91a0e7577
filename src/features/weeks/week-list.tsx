'use client';
import Link from 'next/link';
import { Empty, Figures, Page, PageHead } from '@/ui/page';
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
}

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
        <Figures>
          <thead>
            <tr>
              <th>Class</th>
              <th>Week</th>
              <th>Game</th>
              <th>Sent</th>
              <th>Due</th>
              <th className="figure">Reported</th>
              <th>
                <span aria-hidden>Share</span>
              </th>
              <th />
            </tr>
          </thead>
          <tbody>
            {weeks.map((week) => (
              <tr key={week.id}>
                <td>{week.className}</td>
                <td>{week.number}</td>
                <td>
                  {week.gameId && week.games === 1 ? (
                    <Link href={`/games/${week.gameId}`}>{week.gameTitle}</Link>
                  ) : (
                    `${week.gameTitle}, ${week.games} games`
                  )}
                </td>
                <td>{week.sentOn}</td>
                <td>
                  {week.dueOn} <span style={{ color: 'var(--ink-soft)', fontSize: '0.875rem' }}>{week.dueWords}</span>
                </td>
                <td className="figure">
                  {week.reported} of {week.children}
                </td>
                <td>
                  <svg width={96} height={10} aria-hidden>
                    <rect width={96} height={10} fill="var(--band-2)" />
                    <rect width={(96 * week.reported) / Math.max(1, week.children)} height={10} fill="var(--tide)" />
                  </svg>
                </td>
                <td className="figure">
                  <Link href={`/weeks/${week.id}`} style={{ marginRight: 16 }}>
                    Week and paper
                  </Link>
                  <Link href={`/scores?class=${week.classId}&week=${week.id}`}>Scores</Link>
                </td>
              </tr>
            ))}
          </tbody>
        </Figures>
      )}
    </Page>
  );
}
