'use client';

import { useMemo, useState } from 'react';
import styled from 'styled-components';
import type { CountingWay } from '@/core/rules/format/play';
import { lookForsOf } from '@/core/sheet/teaching-points';
import { Written } from '../counter/answers';
import { TextButton } from '../counter/text-button';
import { markedLooks } from '@/core/reports/marked-looks';
import { LookFors } from '../counter/look-fors';
import { Face } from './face';
import { Big, Bottom, Plain, Screen } from './home-style';
import type { InHand } from './in-hand';
import { KeepingLine, useKeeping } from './keeping-line';
import { ReadAloud } from './read-aloud';
import { ScoreText } from './score-text';
import { emptyDraft, type HomeDraft, type Felt, type KeptGo, type KeptPlay, type NotYet } from './store';
import { Top } from './top';
import { useWords } from '@/features/languages/use-words';
import { linesWords, scoreWords, timeWords } from './words';
import { StepPicture } from './step-picture';
import { StepTitle } from './step-title';

const Apart = styled.p`
  margin-top: var(--space-4);
`;

const Faces = styled.div`
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: var(--space-4);
  & button {
    display: flex;
    flex-direction: column;
    align-items: center;
    gap: var(--space-2);
    padding: var(--space-4) var(--space-2);
    min-height: 84px;
    border: 2px solid var(--line-strong);
    border-radius: var(--radius-2);
    background: var(--sheet);
    font-size: var(--type-3);
    cursor: pointer;
  }
  & button[aria-pressed='true'] {
    border-color: var(--ink);
    box-shadow: inset 0 -5px 0 var(--gorse);
    font-weight: 700;
  }
`;

const Goes = styled.table`
  width: 100%;
  border-collapse: collapse;
  & th,
  & td {
    padding: var(--space-4) var(--space-2);
    border-bottom: 1px solid var(--line);
    text-align: start;
    font-weight: 400;
    vertical-align: top;
  }
  & td:last-child {
    text-align: end;
    font-weight: 700;
    white-space: nowrap;
  }
  & small {
    display: block;
    color: var(--ink-soft);
    font-size: var(--type-2);
  }
`;

const FELT: readonly { felt: Felt; words: string; water: number }[] = [
  { felt: 'hard', words: /*i18n*/ 'hard', water: 16 },
  { felt: 'right', words: /*i18n*/ 'just right', water: 28 },
  { felt: 'easy', words: /*i18n*/ 'easy', water: 40 },
];

const COUNTED: Readonly<Record<CountingWay, string>> = {
  attempts: /*i18n*/ 'a helper tapped every try',
  successes: /*i18n*/ 'what went well was tapped',
  parts: /*i18n*/ 'counted, then written down',
};

export interface ReportScreenProps {
  readonly hand: InHand;
  readonly name: string;
  readonly goes: readonly KeptGo[];
  readonly draft: HomeDraft | undefined;
  readonly onDraft: (draft: HomeDraft) => void;
  readonly onMore: () => void;
  readonly onSend: (draft: HomeDraft) => void;
}

/** The end of a session: its goes, what was seen, how it felt, a word, an adult's initials; sent together. */
export function ReportScreen({ hand, name, goes, draft: kept = emptyDraft, onDraft, onMore, onSend }: ReportScreenProps) {
  const all = useWords();
  const { i18n, own } = all;
  const [draft, setDraft] = useState(kept);
  const looks = useMemo(() => lookForsOf(hand.level), [hand.level]);
  const marked = markedLooks(looks, draft.marks);
  const put = (change: Partial<HomeDraft>) => {
    const next = { ...draft, ...change };
    setDraft(next);
    onDraft(next);
  };
  return (
    <Screen>
      <Top hand={hand} name={name} />
      <StepTitle>{i18n.t('{n, plural, one {Your go} other {Your {n} goes}}', { n: goes.length })}</StepTitle>
      <StepPicture of="send" />
      <KeepingLine />
      <Goes>
        <tbody>
          {goes.map(({ go, value, unit, words }, index) => (
            <tr key={index}>
              <th scope="row">{index + 1}</th>
              <td>
                {words}
                <small>{own(COUNTED[go.counting])}</small>
              </td>
              <td>{scoreWords(value, unit, all)}</td>
            </tr>
          ))}
        </tbody>
      </Goes>
      {looks.length > 0 && (
        <>
          <h2>{i18n.t('What did you see?')}</h2>
          <LookFors lookFors={looks} marks={draft.marks} onMark={(look, mark) => put({ marks: { ...draft.marks, [look]: mark } })} />
          {marked.length > 0 && (
            <TextButton type="button" onClick={() => put({ markedBy: draft.markedBy === 'child' ? 'adult' : 'child' })}>
              {draft.markedBy === 'child' ? i18n.t('I marked it myself: change') : i18n.t('An adult marked it: change')}
            </TextButton>
          )}
        </>
      )}
      <h2>{i18n.t('How was it?')}</h2>
      <Faces>
        {FELT.map((one) => (
          <button
            key={one.felt}
            type="button"
            aria-pressed={draft.felt === one.felt}
            onClick={() => put({ felt: draft.felt === one.felt ? null : one.felt })}
          >
            <Face water={one.water} felt={one.felt} />
            {own(one.words)}
          </button>
        ))}
      </Faces>
      <Written label={i18n.t('A word to your teacher, if you like')} value={draft.word} onChange={(word) => put({ word })} maxLength={280} rows={2} />
      <Written
        label={i18n.t("Adult's initials, if you like")}
        value={draft.initials}
        onChange={(initials) => put({ initials: initials.replace(/[^\p{L}]/gu, '') })}
        maxLength={4}
        autoCapitalize="characters"
        autoComplete="off"
        short
      />
      <ReadAloud
        words={[
          i18n.t('What did you see?'),
          ...looks.map((look) => own(look)),
          i18n.t('Yes, sometimes, or not yet? How was it? Hard, just right, or easy?'),
        ].join(' ')}
      />
      <TextButton type="button" onClick={onMore}>
        {i18n.t('One more go first')}
      </TextButton>
      <Bottom $inSight>
        <Big type="button" onClick={() => onSend(draft)}>
          {i18n.t('Send to school')}
        </Big>
      </Bottom>
    </Screen>
  );
}

/** Why it still waits. */
const NOT_YET: Readonly<Record<NotYet, string>> = {
  unreachable: /*i18n*/ 'There is no connection to the school. It goes off by itself when there is one and this page is open.',
  busy: /*i18n*/ 'The school has not answered yet. It is tried again by itself while this page is open.',
  today: /*i18n*/ 'The school takes no more from one child today. It is kept, and sent by itself when the page is open tomorrow.',
  link: /*i18n*/ 'This link has been replaced. Open the newest link from the school on this device: the score goes with it.',
};

export interface SentScreenProps {
  readonly hand: InHand;
  readonly name: string;
  readonly play: KeptPlay;
  /** It is on its way just now. */
  readonly underWay: boolean;
  readonly onTry: () => void;
  readonly onCard: () => void;
  readonly onAgain: () => void;
}

export function SentScreen({ hand, name, play, underWay, onTry, onCard, onAgain }: SentScreenProps) {
  const words = useWords();
  const { i18n, own, tag } = words;
  const keeping = useKeeping();
  const n = play.report.goes.length;
  const score = scoreWords(play.total, play.unit, words);
  const what = n === 1 ? score : i18n.t('{n} goes, the best {score}', { n, score });
  return (
    <Screen>
      <Top hand={hand} name={name} />
      <div role="status">
        {play.state === 'received' ? (
          <>
            <StepTitle>{i18n.t('The school has it')}</StepTitle>
            <Apart>{i18n.t('{what}: received at {time}.', { what, time: timeWords(play.words, tag) })}</Apart>
          </>
        ) : play.state === 'waiting' && underWay ? (
          <>
            <StepTitle>{i18n.t('On its way …')}</StepTitle>
            <Apart>{i18n.t('{what}: on its way to the school.', { what })}</Apart>
          </>
        ) : play.state === 'waiting' ? (
          <>
            <StepTitle>{play.tried === 'link' ? i18n.t('Kept for the newest link') : i18n.t('Kept, not sent yet')}</StepTitle>
            <Apart>{own(NOT_YET[play.tried ?? 'busy'])}</Apart>
            <Apart>{keeping === 'kept' ? i18n.t('{what}: kept in this device.', { what }) : what}</Apart>
          </>
        ) : (
          <>
            <StepTitle>{i18n.t('Not taken')}</StepTitle>
            <Apart>{linesWords(play.words, words)}</Apart>
          </>
        )}
      </div>
      <StepPicture of={play.state === 'received' ? 'arrived' : 'send'} />
      <KeepingLine />
      {play.state !== 'received' && !underWay && <ScoreText name={name} play={play} />}
      <p>{i18n.t('Well played. Put everything back where it lives.')}</p>
      <Bottom>
        {play.state === 'waiting' && !underWay && (
          <Big type="button" onClick={onTry}>
            {i18n.t('Try to send now')}
          </Big>
        )}
        <Plain type="button" onClick={onAgain}>
          {i18n.t('Play again')}
        </Plain>
        <Plain type="button" onClick={onCard}>
          {i18n.t('Back to the card')}
        </Plain>
      </Bottom>
    </Screen>
  );
}
