'use client';
import { versionsSchema, type ToldVersion } from '@/contract/game';
import { useEffect, useState, type Dispatch } from 'react';
import styled from 'styled-components';
import { format } from 'date-fns';
import { Button, QuietButton } from '@/ui/button';
import { Notice } from '@/ui/notice';
import { send } from '@/ui/post';
import { useRead } from '@/ui/reads';
import type { DraftAction } from './draft';

const Stack = styled.div`
  display: flex;
  flex-direction: column;
  gap: var(--space-4);
  font-size: var(--type-2);
  & ol {
    margin: 0;
    padding: 0;
    list-style: none;
  }
  & li {
    padding: var(--space-4) 0;
    border-top: 1px solid var(--line);
  }
  & li > div {
    display: flex;
    justify-content: space-between;
    gap: var(--space-4);
  }
  & small {
    display: block;
    color: var(--ink-soft);
    font-size: var(--type-1);
  }
`;

const WHY: Readonly<Record<ToldVersion['why'], string>> = {
  sent: 'sent',
  kept: 'kept by hand',
  sitting: 'as it was before a later sitting',
  before: 'as it was before another was brought back',
};

const MOST_TOLD = 4;

/** Versions of the game: what each changed, and bringing one back; what was sent stays as it was sent. */
export function VersionsLeaf({
  id,
  dispatch,
  saveNow,
  savedAt,
  readOnly,
}: {
  id: string;
  dispatch: Dispatch<DraftAction>;
  saveNow: () => Promise<boolean>;
  /** Changes whenever the draft has been saved. */
  savedAt: string | null;
  readOnly: boolean;
}) {
  // Read anew whenever the draft was saved.
  const { data: found, error, mutate: load } = useRead(`/api/v1/games/${id}/versions`, versionsSchema);
  const [refused, setProblem] = useState('');
  const problem = refused || (error ? 'The versions could not be read. Try again when there is a connection.' : '');
  useEffect(() => void load(), [load, savedAt]);
  const keep = async (action: 'keep' | 'keep-before'): Promise<boolean> => {
    if (!(await saveNow())) {
      setProblem('What is on the table could not be saved first. Nothing was changed.');
      return false;
    }
    const answer = await send('POST', `/api/v1/games/${id}`, { action });
    setProblem(answer.problem);
    if (answer.ok) await load();
    return answer.ok;
  };
  const bringBack = async (version: ToldVersion) => {
    if (await keep('keep-before')) dispatch({ do: 'mend', game: version.game });
  };
  if (!found && !problem) return <Stack role="status">Looking for versions …</Stack>;
  return (
    <Stack>
      {problem && (
        <Notice $tone="caution" role="alert">
          {problem}
        </Notice>
      )}
      {!readOnly && (
        <div>
          <Button onPress={() => void keep('keep')}>Keep this version</Button>
        </div>
      )}
      {found && found.versions.some((version) => version.sent > 0) && (
        <small>Families keep the version that they were sent. What you change here is for the next time.</small>
      )}
      {found && found.since.length > 0 && (
        <Notice $tone="remark">
          Since the last one: <Told changes={found.since} />
        </Notice>
      )}
      {found?.versions.length === 0 && <p>No version is kept yet. One is kept when it is sent, when a new sitting begins, and when you say so.</p>}
      <ol>
        {found?.versions.map((version) => (
          <li key={version.id}>
            <div>
              <b>Version {version.number}</b>
              <span>{format(new Date(version.keptAt), 'd MMM yyyy, HH:mm')}</span>
            </div>
            <small>
              {WHY[version.why]}
              {version.sent > 1 && ` ${version.sent} times`}
              {version.by && `, ${version.by}`}
            </small>
            {version.changes.length > 0 && (
              <p>
                <Told changes={version.changes} />
              </p>
            )}
            {!readOnly && <QuietButton onPress={() => void bringBack(version)}>Bring version {version.number} back</QuietButton>}
          </li>
        ))}
      </ol>
    </Stack>
  );
}

function Told({ changes }: { changes: readonly string[] }) {
  const more = changes.length - MOST_TOLD;
  return `${changes.slice(0, MOST_TOLD).join('; ')}${more > 0 ? `; and ${more} more` : ''}.`;
}
