'use client';
import Link from 'next/link';
import { usePathname, useRouter } from 'next/navigation';
import styled from 'styled-components';
import { Select } from '@/ui/field';

const Row = styled.nav`
  display: flex;
  align-items: end;
  flex-wrap: wrap;
  gap: var(--space-4) var(--space-7);
  margin-bottom: var(--space-5);
  border-bottom: 1px solid var(--line);
  & a {
    padding: var(--space-4) 0;
    border-bottom: 3px solid transparent;
    color: var(--ink-soft);
    text-decoration: none;
    font-size: var(--type-2);
  }
  & a[aria-current] {
    border-bottom-color: var(--tide);
    color: var(--ink);
    font-weight: 600;
  }
  & .class {
    width: 200px;
    margin-right: var(--space-4);
    padding-bottom: var(--space-3);
  }
  @media print {
    display: none;
  }
`;

const VIEWS = [
  { path: '/scores', name: 'The week' },
  { path: '/scores/doubts', name: 'To look at' },
  { path: '/scores/typing', name: 'Type in sheets' },
  { path: '/scores/bring-in', name: 'Files and messages' },
  { path: '/scores/weeks', name: 'Over the weeks' },
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
  return (
    <Row aria-label="Scores">
      <div className="class">
        <Select
          hideLabel
          label="Class"
          value={classId}
          choices={classes.map((one) => ({ value: one.id, label: one.name }))}
          onChange={(id) => router.push(`${path}?class=${id}`)}
        />
      </div>
      {VIEWS.map((view) => (
        <Link key={view.path} href={`${view.path}?class=${classId}`} {...(path === view.path ? { 'aria-current': 'page' as const } : {})}>
          {view.name}
          {view.path === '/scores/doubts' && toLookAt !== undefined && toLookAt > 0 && ` (${toLookAt})`}
        </Link>
      ))}
    </Row>
  );
}
