'use client';
import type { ClassWeek } from '@/contract/class-week';
import Link from 'next/link';
import { totalWords } from '@/core/progress/event-total';
import { Figures } from '@/ui/page';

/** Every child's best in each game of an event, and what they come to. */
export function EventTable({ week }: { week: ClassWeek }) {
  return (
    <Figures>
      <thead>
        <tr>
          <th>Child</th>
          {week.games.map(({ itemId, title }) => (
            <th key={itemId} className="figure">
              {title}
            </th>
          ))}
          <th style={{ paddingLeft: 24 }}>In all</th>
        </tr>
      </thead>
      <tbody>
        {(week.event ?? []).map(({ childId, name, bests, total }) => (
          <tr key={childId}>
            <td>
              <Link href={`/children/${childId}`}>{name}</Link>
            </td>
            {bests.map(({ best, par, doubt }, index) => (
              <td key={week.games[index]!.itemId} className="figure">
                {best === null ? <span style={{ color: 'var(--ink-soft)' }}>–</span> : <b>{best}</b>}
                {best !== null && par !== null && <small> / par {par}</small>}
                {doubt && <small> ?</small>}
              </td>
            ))}
            <td style={{ paddingLeft: 24 }}>{totalWords(total) || (bests.some(({ doubt }) => doubt) ? 'waits to be looked at' : 'none yet')}</td>
          </tr>
        ))}
      </tbody>
    </Figures>
  );
}
