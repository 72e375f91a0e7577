'use client';
import { usePathname, useRouter } from 'next/navigation';
import styled from 'styled-components';
import { Select } from '@/ui/field';
import { RoomNav } from '@/ui/room-nav';

const ClassRoom = styled.div`
  width: 200px;
  margin-right: var(--space-4);
  padding-bottom: var(--space-3);
`;

const VIEWS = [
  { href: '/scores', name: 'The week' },
  { href: '/scores/doubts', name: 'To look at' },
  { href: '/scores/typing', name: 'Type in sheets' },
  { href: '/scores/bring-in', name: 'Files and messages' },
  { href: '/scores/weeks', name: 'Over the weeks' },
  { href: '/scores/progress', name: 'Progress' },
  { href: '/scores/evening', name: 'Parents’ evening' },
] as const;

export interface ScoresNavProps {
  readonly classes: readonly { readonly id: string; readonly name: string }[];
  readonly classId: string;
  /** How many wait to be looked at; absent where it is not known. */
  readonly toLookAt?: number;
}

/** The views of the scores of one class. */
export function ScoresNav({ classes, classId, toLookAt }: ScoresNavProps) {
  const path = usePathname();
  const router = useRouter();
  const views = VIEWS.map(({ href, name }) => ({
    href,
    name: href === '/scores/doubts' && toLookAt !== undefined && toLookAt > 0 ? `${name} (${toLookAt})` : name,
  }));
  return (
    <RoomNav label="Scores" views={views} query={`?class=${classId}`}>
      <ClassRoom>
        <Select
          hideLabel
          label="Class"
          value={classId}
          choices={classes.map((one) => ({ value: one.id, label: one.name }))}
          onChange={(id) => router.push(`${path}?class=${id}`)}
        />
      </ClassRoom>
    </RoomNav>
  );
}
