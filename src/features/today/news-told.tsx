'use client';
import { DeskLink } from '@/ui/desk-link';
import { useState } from 'react';
import styled from 'styled-components';
import type { News } from '@/contract/today';
import { QuietButton } from '@/ui/button';
import { Notice } from '@/ui/notice';
import { send } from '@/ui/post';

const Told = styled(Notice)`
  margin-bottom: var(--space-6);
  & ul {
    margin: var(--space-2) 0;
    padding-left: var(--space-6);
  }
`;

/** What was changed since somebody was here last: told until it was read, and never again. */
export function NewsTold({ news }: { news: readonly News[] }) {
  const [read, setRead] = useState(false);
  const [problem, setProblem] = useState('');
  if (news.length === 0 || read) return null;
  const done = async () => {
    const answer = await send('PUT', '/api/v1/me/news', { upTo: Math.max(...news.map(({ number }) => number)) });
    setProblem(answer.problem);
    setRead(answer.ok);
  };
  return (
    <Told as="section" aria-label="New in Lochside">
      <b>New in Lochside</b>
      <ul>
        {news.map(({ number, words, href }) => (
          <li key={number}>
            {words} <DeskLink href={href}>Look</DeskLink>
          </li>
        ))}
      </ul>
      {problem && <p role="alert">{problem}</p>}
      <QuietButton onPress={() => void done()}>I have read it</QuietButton>
    </Told>
  );
}
