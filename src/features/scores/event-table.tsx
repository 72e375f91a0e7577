'use client';
import { DeskLink } from '@/ui/desk-link';
import { useMemo } from 'react';
import styled from 'styled-components';
import type { ClassWeek, EventRow } from '@/contract/class-week';
import { totalWords } from '@/core/progress/event-total';
import { SheetTable, type SheetColumn } from '@/ui/table/sheet-table';

const InAll = styled.span`
  padding-left: var(--space-5);
`;

/** Every child's best in each game of an event, and what they come to. */
export function EventTable({ week }: { week: ClassWeek }) {
  const columns = useMemo(() => eventColumns(week), [week]);
  return <SheetTable rows={week.event ?? []} columns={columns} rowId={(row) => row.childId} tie="child" />;
}

function eventColumns({ games }: ClassWeek): readonly SheetColumn<EventRow>[] {
  return [
    { id: 'child', words: 'Child', by: ({ name }) => name, cell: ({ childId, name }) => <DeskLink href={`/children/${childId}`}>{name}</DeskLink> },
    ...games.map(({ itemId, title }, index): SheetColumn<EventRow> => ({
      id: itemId,
      words: title,
      figure: true,
      by: ({ bests }) => bests[index]!.best,
      faint: ({ bests }) => bests[index]!.best === null,
      cell: ({ bests }) => {
        const { best, par, doubt } = bests[index]!;
        return (
          <>
            {best === null ? '–' : <b>{best}</b>}
            {best !== null && par !== null && <small> / par {par}</small>}
            {doubt && <small> ?</small>}
          </>
        );
      },
    })),
    {
      id: 'all',
      words: 'In all',
      by: ({ total }) => total.sum?.value ?? total.reachedPar,
      cell: ({ bests, total }) => <InAll>{totalWords(total) || (bests.some(({ doubt }) => doubt) ? 'waits to be looked at' : 'none yet')}</InAll>,
    },
  ];
}
