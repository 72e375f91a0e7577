'use client';
/** What stands between two tries: something owed, a part that waits to be started, a stop. */
import { useEffect, useRef } from 'react';
import styled from 'styled-components';
import { counted } from '@/core/rules/telling/counted';
import { useWords } from '@/features/languages/use-words';
import { Exercise } from '../drawing/exercise';
import { Ask, Failure, Owed, Said, Small, Success } from './counter-style';
import { TextButton } from './text-button';
import { Undo } from './undo';
import type { PlayInHand } from './use-play';

const Unit = styled.span`
  font-size: 0.35em;
`;

const OwnLine = styled.span`
  display: block;
`;

/** What is owed before the next try: an exercise, a rest, a setting up, a toss that lets one go on. */
export function GateToDo({ play, swapped }: { play: PlayInHand; swapped: boolean }) {
  const { i18n, own } = useWords();
  const { owed } = play.moves;
  const button = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    button.current?.focus({ preventScroll: true });
  }, []);
  if (!owed) return null;
  return (
    <Owed>
      <Ask>{capital(own(owed.what))}</Ask>
      {(owed.kind === 'exercise' || owed.kind === 'rest') && <Exercise words={owed.kind === 'rest' ? 'rest' : owed.what} height={110} />}
      {owed.kind === 'exercise' && (
        <p className="times">
          {owed.n}
          <Unit> {i18n.t('times (behind a number)', {}, { message: 'times' })}</Unit>
        </p>
      )}
      {owed.kind === 'rest' && (
        <p className="times">
          {owed.n}
          <Unit> {i18n.t('seconds (a unit)', {}, { message: 'seconds' })}</Unit>
        </p>
      )}
      {!owed.onClock && play.part.clockDownMs > 0 && <Said>{i18n.t('The clock waits for you.')}</Said>}
      {swapped && owed.kind === 'exercise' && <p>{i18n.t('Or your own exercise, the one that suits you.')}</p>}
      {owed.kind === 'face' ? (
        (owed.faces ?? []).map((face, index) => (
          <Failure key={face} type="button" data-several onClick={() => play.gateDone(index)}>
            {own(face)}
          </Failure>
        ))
      ) : (
        <Success type="button" ref={button} onClick={() => play.gateDone()}>
          {i18n.t('Done (said or pressed at the end)', {}, { message: 'Done' })}
        </Success>
      )}
      <Small>
        <Undo play={play} />
        <TextButton type="button" onClick={play.pause}>
          {i18n.t('Stop the clock')}
        </TextButton>
      </Small>
    </Owed>
  );
}

/** Between two parts of a card, or two goes of one. */
export function WaitingPart({ play }: { play: PlayInHand }) {
  const { i18n, own } = useWords();
  const { waiting } = play.moves;
  const button = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    button.current?.focus({ preventScroll: true });
  }, []);
  if (!waiting) return null;
  const done = play.result.parts.filter((part) => part.finished !== null);
  return (
    <Owed>
      <Ask>
        {waiting.go > 1
          ? i18n.t('Go {go} of {goes}', { go: waiting.go, goes: waiting.goes })
          : i18n.t('Next, {number} of {of}', { number: waiting.number, of: waiting.of })}
        {waiting.go === 1 && waiting.title && <OwnLine>{own(waiting.title)}</OwnLine>}
      </Ask>
      {done.map((part) => (
        <Said key={part.part}>
          {own(part.title)}: <b>{part.value ?? i18n.t('not finished')}</b> {part.value === null ? '' : own(part.unit)}
        </Said>
      ))}
      <Success type="button" ref={button} onClick={play.begin}>
        {i18n.t('Start (a go, button)', {}, { message: 'Start' })}
      </Success>
      <Small>
        <Undo play={play} />
        <TextButton type="button" onClick={play.finish}>
          {i18n.t('End here')}
        </TextButton>
      </Small>
    </Owed>
  );
}

export function Paused({ play }: { play: PlayInHand }) {
  const words = useWords();
  const { i18n } = words;
  const { result, program } = play;
  const now = result.parts[play.moves.part];
  return (
    <Owed>
      <Ask>{play.part.part.clock.kind === 'none' ? i18n.t('A short stop') : i18n.t('The clock is stopped')}</Ask>
      {now && now.value !== null && (
        <p>{i18n.t('{score} so far. The stop is kept with your score.', { score: `${now.value} ${counted(now.value, now.unit, words)}` })}</p>
      )}
      {(play.entering.count ?? 0) > 0 && (
        <p>{i18n.t('{n, plural, one {1 counted, and kept} other {{n} counted, and kept}}', { n: play.entering.count! })}</p>
      )}
      <Success type="button" onClick={play.resume}>
        {i18n.t('Go on')}
      </Success>
      {program.parts.length > 1 && (
        <Failure type="button" data-several onClick={play.giveUpPart}>
          {i18n.t('Leave this part')}
        </Failure>
      )}
      <Failure type="button" data-several={program.parts.length > 1 || undefined} onClick={play.finish}>
        {i18n.t('End here')}
      </Failure>
    </Owed>
  );
}

function capital(words: string): string {
  return words.charAt(0).toLocaleUpperCase('en-GB') + words.slice(1);
}
