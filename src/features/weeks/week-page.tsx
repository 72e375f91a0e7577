'use client';
import { DeskLink } from '@/ui/desk-link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import styled from 'styled-components';
import { Button, ButtonLink, QuietButton } from '@/ui/button';
import { Notice } from '@/ui/notice';
import { Figures, Page, PageHead, SoftWords } from '@/ui/page';
import { useMoment } from '@/ui/in-locale';
import { send } from '@/ui/post';
import { saveFile } from '@/ui/save-file';
import { makePdf } from '@/ui/make-pdf';
import { PaperDialog } from './paper-dialog';

const NotYet = styled.p`
  && {
    color: var(--ink-soft);
    margin-bottom: var(--space-3);
  }
`;

const Source = styled.p`
  && {
    color: var(--ink-soft);
    font-size: var(--type-2);
  }
`;

export interface OutboxNotice {
  readonly id: string;
  readonly kind: 'week' | 'reminder' | 'ask';
  readonly subject: string;
  readonly words: string;
  readonly madeWords: string;
}

export interface SentWeekView {
  readonly id: string;
  readonly classId: string;
  readonly className: string;
  readonly number: number;
  readonly title: string;
  readonly dueWords: string;
  readonly open: boolean;
  readonly takenBack: boolean;
  readonly note: string;
  readonly words: readonly { readonly kind: 'warm-up' | 'diary' | 'film' | 'page'; readonly words: string }[];
  readonly games: readonly {
    readonly title: string;
    readonly opensWords: string;
    readonly levels: readonly { readonly name: string; readonly children: number }[];
    readonly reported: number;
  }[];
  readonly children: number;
  readonly waiting: readonly { readonly childId: string; readonly name: string; readonly medium: 'screen' | 'paper' }[];
  readonly kit: readonly { readonly name: string; readonly n: number; readonly from: 'home' | 'school'; readonly total: number }[];
  readonly onPaper: number;
  readonly notices: readonly OutboxNotice[];
}

const Columns = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1.15fr) minmax(0, 1fr);
  gap: var(--space-5) var(--space-9);
  & h2 {
    margin: var(--space-6) 0 var(--space-3);
    font-size: var(--type-3);
  }
`;

const Waiting = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-6);
  margin: 0;
  padding: 0;
  list-style: none;
`;

const Text = styled.article`
  padding: var(--space-4) 0 var(--space-5);
  border-top: 1px solid var(--line);
  & h3 {
    font-size: var(--type-3);
  }
  & p {
    white-space: pre-line;
    margin: var(--space-3) 0 var(--space-4);
    font-size: var(--type-2);
  }
  & .acts {
    display: flex;
    gap: var(--space-6);
    align-items: center;
  }
  & time {
    color: var(--ink-soft);
    font-size: var(--type-1);
  }
`;

const KINDS = { 'warm-up': 'Warm-up', diary: 'Movement diary', film: 'Film', page: 'Film or page of your own' } as const;

/** A week that was sent: what is on the cards, who is still to report, and the texts for the families. */
export function WeekPage({ week, mayChange }: { week: SentWeekView; mayChange: boolean }) {
  const [notices, setNotices] = useState(week.notices);
  const [printing, setPrinting] = useState(false);
  const [copied, setCopied] = useState('');
  const [making, setMaking] = useState(false);
  const [problem, setProblem] = useState('');
  const moment = useMoment();
  const remind = async () => {
    setProblem('');
    const answer = await send<{ notices: readonly (Omit<OutboxNotice, 'madeWords'> & { madeAt: string })[] }>(
      'POST',
      `/api/v1/weeks/${week.id}/notices`,
      {
        kind: 'reminder',
      },
    );
    if (answer.ok && answer.value)
      setNotices(
        answer.value.notices.map((one) => ({
          ...one,
          madeWords: moment(one.madeAt),
        })),
      );
    else setProblem(answer.problem);
  };
  const router = useRouter();
  const takeBack = async (takenBack: boolean) => {
    const answer = await send('PATCH', `/api/v1/weeks/${week.id}`, { takenBack });
    setProblem(answer.problem);
    if (answer.ok) router.refresh();
  };
  const copy = async (notice: OutboxNotice) => {
    try {
      await navigator.clipboard.writeText(`${notice.subject}\n\n${notice.words}`);
      setCopied(notice.id);
    } catch {
      setProblem('The browser did not let it be copied. Mark the text and copy it by hand.');
    }
  };
  const onPaper = async (notice: OutboxNotice) => {
    setMaking(true);
    const made = await makePdf(`/api/v1/weeks/${week.id}/notices/${notice.id}`, undefined, () => undefined, new AbortController().signal);
    setMaking(false);
    if (made.ok) saveFile(made.pdf, `week-${week.number}-${notice.kind}.pdf`);
    if (made.problem !== '') setProblem(made.problem);
  };
  const reported = week.children - week.waiting.length;
  return (
    <Page $width={1180}>
      <PageHead>
        <h1>
          {week.className}, week {week.number}: {week.title}
        </h1>
        <span className="about">due {week.dueWords}</span>
        <ButtonLink href={`/api/v1/weeks/${week.id}/calendar`} download>
          Calendar file
        </ButtonLink>
        <Button onPress={() => setPrinting(true)}>Print</Button>
        <ButtonLink $strong href={`/scores?class=${week.classId}&week=${week.id}`}>
          Scores
        </ButtonLink>
      </PageHead>
      {week.takenBack && (
        <Notice $tone="caution" role="status">
          This week was taken back: it is on no card any more. What came in is kept and shown.{' '}
          {mayChange && <QuietButton onPress={() => void takeBack(false)}>Put it on the cards again</QuietButton>}
        </Notice>
      )}
      <Columns>
        <section>
          <h2>{week.takenBack ? 'Was on the cards' : 'On the cards'}</h2>
          <Figures>
            <thead>
              <tr>
                <th>{week.games.length > 1 ? 'Games, in this order' : 'Game'}</th>
                <th>Levels</th>
                <th className="figure">Reported</th>
              </tr>
            </thead>
            <tbody>
              {week.games.map((game, index) => (
                <tr key={index}>
                  <td>
                    {week.games.length > 1 && `${index + 1}. `}
                    {game.title}
                    {game.opensWords && <SoftWords> opens {game.opensWords}</SoftWords>}
                  </td>
                  <td>
                    {game.levels.length === 1 ? game.levels[0]!.name : game.levels.map((level) => `${level.name} ${level.children}`).join(' · ')}
                  </td>
                  <td className="figure">
                    {game.reported} of {week.children}
                  </td>
                </tr>
              ))}
              {week.words.map(({ kind, words }) => (
                <tr key={kind}>
                  <td>{KINDS[kind]}</td>
                  <td colSpan={2}>{words}</td>
                </tr>
              ))}
              {week.note && (
                <tr>
                  <td>To the families</td>
                  <td colSpan={2}>{week.note}</td>
                </tr>
              )}
            </tbody>
          </Figures>
          {week.kit.length > 0 && (
            <>
              <h2>Kit</h2>
              <Figures>
                <thead>
                  <tr>
                    <th>Thing</th>
                    <th>From</th>
                    <th className="figure">Each</th>
                    <th className="figure">For the class</th>
                  </tr>
                </thead>
                <tbody>
                  {week.kit.map((thing) => (
                    <tr key={thing.name}>
                      <td>{thing.name}</td>
                      <td>{thing.from === 'school' ? 'the school sends it' : 'found at home'}</td>
                      <td className="figure">{thing.n}</td>
                      <td className="figure">{thing.from === 'school' ? <b>{thing.total}</b> : ''}</td>
                    </tr>
                  ))}
                </tbody>
              </Figures>
            </>
          )}
          {mayChange && !week.takenBack && <QuietButton onPress={() => void takeBack(true)}>Sent by mistake? Take this week back</QuietButton>}
          <h2>
            {reported} of {week.children} have reported
          </h2>
          {week.waiting.length === 0 ? (
            <p>Everybody has.</p>
          ) : (
            <>
              <NotYet>Not yet:</NotYet>
              <Waiting>
                {week.waiting.map((child) => (
                  <li key={child.childId}>
                    {child.name}
                    {child.medium === 'paper' && <SoftWords> on paper</SoftWords>}
                  </li>
                ))}
              </Waiting>
            </>
          )}
        </section>
        <section>
          <h2>Outbox</h2>
          <Source>
            Texts for your school&apos;s own channel. Lochside keeps them and sends nothing itself; no child is named in them. Links and codes are on{' '}
            <DeskLink href={`/classes/${week.classId}/links`}>their own page</DeskLink>.
          </Source>
          {notices.map((notice) => (
            <Text key={notice.id}>
              <h3>{notice.subject}</h3>
              <time>{notice.madeWords}</time>
              <p>{notice.words}</p>
              <div className="acts">
                <QuietButton onPress={() => void copy(notice)}>{copied === notice.id ? 'Copied' : 'Copy as a message'}</QuietButton>
                <a href={`/api/v1/weeks/${week.id}/notices/${notice.id}`} download>
                  As a mail (.eml)
                </a>
                <QuietButton isDisabled={making} onPress={() => void onPaper(notice)}>
                  On paper
                </QuietButton>
              </div>
            </Text>
          ))}
          {problem && (
            <Notice $tone="caution" role="alert">
              {problem}
            </Notice>
          )}
          {mayChange && week.open && week.waiting.length > 0 && <Button onPress={() => void remind()}>Write a reminder</Button>}
        </section>
      </Columns>
      <PaperDialog
        weekId={week.id}
        name={`${week.className} week ${week.number}`}
        games={week.games.length}
        onPaper={week.onPaper}
        isOpen={printing}
        onClose={() => setPrinting(false)}
      />
    </Page>
  );
}
