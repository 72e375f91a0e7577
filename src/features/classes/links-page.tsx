'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import styled from 'styled-components';
import { Button, QuietButton } from '@/ui/button';
import { Notice } from '@/ui/notice';
import { Page, PageHead } from '@/ui/page';
import { send } from '@/ui/post';

export interface ChildLink {
  readonly childId: string;
  readonly name: string;
  readonly medium: 'screen' | 'paper';
  readonly cardUrl: string;
  readonly slipUrl: string;
  /** SVG documents, made on the server. */
  readonly cardQr: string;
  readonly slipQr: string;
}

const Slips = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(380px, 1fr));
  gap: 0 var(--space-7);
  margin: 0;
  padding: 0;
  list-style: none;
  @media print {
    grid-template-columns: 1fr 1fr;
  }
`;

const Slip = styled.li`
  display: grid;
  grid-template-columns: auto 1fr;
  gap: var(--space-5);
  align-items: center;
  padding: var(--space-5) 0;
  border-bottom: 1px dashed var(--line-strong);
  break-inside: avoid;
  & img {
    width: 108px;
    height: 108px;
    background: #fff;
    padding: var(--space-2);
  }
  & h2 {
    font-family: var(--font-child), sans-serif;
  }
  & p {
    font-size: var(--type-1);
    color: var(--ink-soft);
  }
  & .url {
    font-size: var(--type-1);
    overflow-wrap: anywhere;
  }
  @media print {
    & button {
      display: none;
    }
  }
`;

export function LinksPage({
  className,
  termName,
  until,
  links,
  plainHttp,
  mayChange,
}: {
  className: string;
  termName: string;
  until: string;
  links: readonly ChildLink[];
  plainHttp: boolean;
  mayChange: boolean;
}) {
  const router = useRouter();
  const [scope, setScope] = useState<'card' | 'slip'>('card');
  const [asking, setAsking] = useState<string | null>(null);
  const [problem, setProblem] = useState('');
  const renew = async (childId: string) => {
    const answer = await send('POST', `/api/v1/children/${childId}/links`);
    setAsking(null);
    setProblem(answer.problem);
    if (answer.ok) router.refresh();
  };
  return (
    <Page>
      <PageHead>
        <h1>
          {scope === 'card' ? 'Links' : 'Report slips'}: {className}
        </h1>
        <span className="about">
          {termName}, until {until}.{' '}
          {scope === 'card'
            ? 'One link a child for the whole term: it opens the week, plays and reports.'
            : 'A slip can report this week and shows nothing else: for paper, which gets picked up by others.'}
        </span>
        <Button onPress={() => setScope(scope === 'card' ? 'slip' : 'card')}>{scope === 'card' ? 'Show report slips' : 'Show links'}</Button>
        <Button $strong onPress={() => window.print()}>
          Print
        </Button>
      </PageHead>
      {plainHttp && (
        <Notice $tone="open">
          These addresses are plain http: a phone cannot reload the page offline or install it. Plays are still kept in the phone and sent later.
        </Notice>
      )}
      {problem && (
        <Notice $tone="caution" role="alert">
          {problem}
        </Notice>
      )}
      <Slips>
        {links.map((link) => {
          const url = scope === 'card' ? link.cardUrl : link.slipUrl;
          return (
            <Slip key={link.childId}>
              {/* eslint-disable-next-line @next/next/no-img-element -- a QR code made on the server, not a picture to optimise */}
              <img
                src={`data:image/svg+xml;utf8,${encodeURIComponent(scope === 'card' ? link.cardQr : link.slipQr)}`}
                alt={`Code for ${link.name}`}
              />
              <div>
                <h2>{link.name}</h2>
                <p>{scope === 'card' ? 'Open with the camera, or type:' : 'To report a score, open with the camera:'}</p>
                <p className="url">
                  <a href={url}>{url}</a>
                </p>
                {mayChange &&
                  (asking === link.childId ? (
                    <p>
                      The old link and slip stop at once. <QuietButton onPress={() => void renew(link.childId)}>Make new ones</QuietButton>{' '}
                      <QuietButton onPress={() => setAsking(null)}>Keep</QuietButton>
                    </p>
                  ) : (
                    <p>
                      <QuietButton onPress={() => setAsking(link.childId)} aria-label={`Lost? Replace it: the link of ${link.name}`}>
                        Lost? Replace it
                      </QuietButton>
                    </p>
                  ))}
              </div>
            </Slip>
          );
        })}
      </Slips>
    </Page>
  );
}
