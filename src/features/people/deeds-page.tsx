'use client';
/** Who did what: every deed as it was written down, narrowed and taken out. */
import { useRouter } from 'next/navigation';
import styled from 'styled-components';
import type { DeedDone, Person } from '@/contract/people';
import { ButtonLink } from '@/ui/button';
import { Select } from '@/ui/field';
import { DayField } from '@/ui/form/fields';
import { useMoment } from '@/ui/in-locale';
import { Page, PageHead, SoftLine } from '@/ui/page';
import { SchoolNav } from './school-nav';
import { SheetTable, type SheetColumn } from '@/ui/table/sheet-table';

const Narrow = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: var(--space-5) var(--space-6);
  margin-bottom: var(--space-5);
`;

export interface DeedsShown {
  readonly by: string;
  readonly action: string;
  readonly from: string;
  readonly until: string;
}

const columnsOf = (moment: (instant: string) => string): readonly SheetColumn<DeedDone>[] => [
  { id: 'at', words: 'When', by: ({ at }) => at, cell: ({ at }) => moment(at), width: 190 },
  { id: 'who', words: 'Who', by: ({ who }) => who, cell: ({ who }) => who || '–', faint: ({ who }) => who === '', width: 150 },
  { id: 'action', words: 'What', by: ({ action }) => action, cell: ({ action }) => action, width: 210 },
  { id: 'subject', words: 'Of', cell: ({ subject }) => (subject === null ? '' : subject.slice(-8)), title: ({ subject }) => subject ?? '' },
  { id: 'detail', words: 'More', cell: ({ detail }) => detail },
];

export function DeedsPage({
  deeds,
  people,
  kinds,
  shown,
  most,
}: {
  deeds: readonly DeedDone[];
  people: readonly Pick<Person, 'id' | 'name'>[];
  kinds: readonly string[];
  shown: DeedsShown;
  most: number;
}) {
  const router = useRouter();
  const moment = useMoment();
  const columns = columnsOf(moment);
  const query = (next: Partial<DeedsShown>) =>
    new URLSearchParams(Object.entries({ ...shown, ...next }).filter(([, value]) => value !== '')).toString();
  const show = (next: Partial<DeedsShown>) => router.push(`/school/deeds?${query(next)}`);
  return (
    <Page $width={1040}>
      <SchoolNav />
      <PageHead>
        <h1>Who did what</h1>
        <span className="about">children stand here by a number only; nothing here can be changed</span>
        <ButtonLink href={`/api/v1/people/deeds?${query({})}`}>As a CSV file</ButtonLink>
      </PageHead>
      <Narrow>
        <Select
          label="Who"
          value={shown.by}
          choices={[{ value: '', label: 'everybody' }, ...people.map(({ id, name }) => ({ value: id, label: name }))]}
          onChange={(by) => show({ by })}
        />
        <Select
          label="What"
          value={shown.action}
          choices={[{ value: '', label: 'everything' }, ...kinds.map((kind) => ({ value: kind, label: kind }))]}
          onChange={(action) => show({ action })}
        />
        <DayField label="From" value={shown.from} onChange={(from) => show({ from })} />
        <DayField label="Until" value={shown.until} onChange={(until) => show({ until })} />
      </Narrow>
      <SheetTable rows={deeds} columns={columns} rowId={({ id }) => id} label="Who did what" none="Nothing was done that fits." />
      {deeds.length === most && <SoftLine $small>The newest {most}. Narrow it down for older ones, or take the file.</SoftLine>}
    </Page>
  );
}
