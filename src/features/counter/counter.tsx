'use client';
import { useEffect, useRef } from 'react';
import styled, { css } from 'styled-components';
import { placeName } from '@/core/rules/sentences';
import type { End } from '@/core/rules/game';
import type { PlayInHand } from './use-play';

const Field = styled.div`
  display: flex;
  flex-direction: column;
  flex: 1;
  gap: 10px;
  min-height: 0;
`;

const Time = styled.p`
  font-size: clamp(4.2rem, 25vw, 6.4rem);
  font-weight: 700;
  line-height: 0.95;
  text-align: center;
  letter-spacing: -0.02em;
`;

const Left = styled.div`
  flex: none;
  height: 14px;
  border: 1.5px solid var(--ink);
  background: var(--band-2);
  & div {
    height: 100%;
    background: var(--tide);
    transform-origin: left;
  }
`;

const Ask = styled.p`
  font-size: 1.7rem;
  font-weight: 700;
  text-align: center;
  line-height: 1.2;
`;

const Marks = styled.div`
  display: flex;
  justify-content: center;
  gap: 14px;
  & button {
    width: 60px;
    height: 60px;
    border: 2px solid var(--ink);
    border-radius: 50%;
    background: var(--sheet);
    font-size: 1.3rem;
    font-weight: 700;
    cursor: pointer;
  }
  & button[aria-checked='true'] {
    background: var(--gorse);
    color: #17323a;
  }
`;

const Score = styled.p`
  text-align: center;
  font-size: 1.25rem;
  line-height: 1.05;
  & b {
    display: block;
    font-size: 2.6rem;
  }
`;

const big = css`
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 6px;
  width: 100%;
  min-height: 72px;
  border: 2px solid var(--ink);
  border-radius: 10px;
  font-size: 1.9rem;
  font-weight: 700;
  line-height: 1.1;
  cursor: pointer;
  touch-action: manipulation;
  & span {
    font-size: 1.15rem;
    font-weight: 400;
  }
`;

const Success = styled.button`
  ${big}
  flex: 2;
  background: var(--ink);
  color: var(--on-ink);
`;

const Failure = styled.button`
  ${big}
  flex: 1;
  background: var(--sheet);
  color: var(--ink);
`;

const Owed = styled.section`
  display: flex;
  flex-direction: column;
  flex: 1;
  gap: 14px;
  padding-top: 18px;
  text-align: center;
  & .times {
    font-size: 5.5rem;
    font-weight: 700;
    line-height: 1;
  }
`;

const Small = styled.div`
  display: flex;
  justify-content: space-between;
  flex-wrap: wrap;
  gap: 4px 14px;
`;

export const TextButton = styled.button`
  min-height: 44px;
  padding: 0 2px;
  border: 0;
  background: none;
  font-size: clamp(0.95rem, 4.6vw, 1.15rem);
  cursor: pointer;
  text-decoration: underline;
  text-decoration-color: var(--gorse);
  text-decoration-thickness: 3px;
  text-underline-offset: 6px;
`;

function clockWords(ms: number): string {
  const seconds = Math.ceil(ms / 1000 - 0.001);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}

export interface CounterProps {
  readonly play: PlayInHand;
  readonly exerciseSwapped: boolean;
}

/** The counter: clock, marks to choose, one large button for each end that the engine allows now, undo. */
export function Counter({ play, exerciseSwapped }: CounterProps) {
  const { moves, program, result } = play;
  const down = program.clockDownMs;
  const throwsAsked = program.part.stop.find((stop) => stop.why === 'attempts')?.if[0]?.[2];
  return (
    <Field>
      {down > 0 ? (
        <>
          <Time role="timer" aria-label={`${clockWords(play.shownMs)} left`}>
            {clockWords(play.shownMs)}
          </Time>
          <Left aria-hidden>
            <div style={{ width: `${(100 * play.shownMs) / down}%` }} />
          </Left>
        </>
      ) : (
        typeof throwsAsked === 'number' && (
          <>
            <Time>
              {Math.min(throwsAsked, result.attempts + 1)}
              <span style={{ fontSize: '0.45em', fontWeight: 400 }}> of {throwsAsked}</span>
            </Time>
            <Left aria-hidden>
              <div style={{ width: `${(100 * result.attempts) / throwsAsked}%` }} />
            </Left>
          </>
        )
      )}
      {moves.paused ? (
        <Paused play={play} />
      ) : moves.owed && !play.atWhistle ? (
        <Exercise play={play} swapped={exerciseSwapped} />
      ) : (
        <Throwing play={play} />
      )}
    </Field>
  );
}

function Throwing({ play }: { play: PlayInHand }) {
  const { moves, result } = play;
  const many = moves.values.length > 1;
  const name = placeName(moves.place, moves.values.length);
  const value = moves.values[moves.place];
  const big = moves.ends.filter((end) => end.as !== 'seldom');
  const seldom = moves.ends.filter((end) => end.as === 'seldom');
  const firstButton = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    firstButton.current?.focus({ preventScroll: true });
  }, [moves.owed, moves.paused]);
  return (
    <>
      {play.atWhistle ? (
        <Ask role="alert">Time! Was a ball in the air?</Ask>
      ) : moves.choice ? (
        <>
          <Ask id="which-mark">Which mark?</Ask>
          <Marks role="radiogroup" aria-labelledby="which-mark">
            {moves.choice.options.map((option) => (
              <button
                key={option}
                type="button"
                role="radio"
                aria-checked={option === moves.place}
                aria-label={`${placeName(option, moves.values.length)} mark, ${moves.values[option]} points`}
                onClick={() => play.choose(option)}
              >
                {moves.values[option]}
              </button>
            ))}
          </Marks>
        </>
      ) : (
        many && <Ask>Stand at the {name} mark</Ask>
      )}
      <Score aria-live="polite">
        <b>{result.value}</b>
        {result.unit}
      </Score>
      {big.map((end) => (
        <EndButton
          key={end.id}
          end={end}
          onTap={() => play.attempt(end.id)}
          hint={end.as === 'success' ? `${value} ${value === 1 ? 'point' : 'points'}${many ? ` from the ${name} mark` : ''}` : ''}
          buttonRef={end.as === 'success' ? firstButton : undefined}
        />
      ))}
      <Small>
        {play.atWhistle ? (
          <TextButton type="button" onClick={play.finish}>
            No ball in the air
          </TextButton>
        ) : (
          <>
            <TextButton
              type="button"
              disabled={play.events.length === 0}
              onClick={play.takeBack}
              style={{ visibility: play.events.some((event) => event.do !== 'choose') ? 'visible' : 'hidden' }}
            >
              {undoWords(play)}
            </TextButton>
            {seldom.map((end) => (
              <TextButton key={end.id} type="button" onClick={() => play.attempt(end.id)}>
                {end.label}
              </TextButton>
            ))}
            <TextButton type="button" onClick={play.pause}>
              {play.program.clockDownMs > 0 ? 'Stop the clock' : 'Stop'}
            </TextButton>
          </>
        )}
      </Small>
    </>
  );
}

function undoWords(play: PlayInHand): string {
  const last = [...play.events].reverse().find((event) => event.do !== 'choose');
  if (last?.do === 'attempt') {
    const label = play.program.part.tasks[0]!.ends?.find((end) => end.id === last.end)?.label;
    return label ? `Undo “${label}”` : 'Undo';
  }
  return 'Undo';
}

function EndButton({
  end,
  hint,
  onTap,
  buttonRef,
}: {
  end: End;
  hint: string;
  onTap: () => void;
  buttonRef?: React.RefObject<HTMLButtonElement | null> | undefined;
}) {
  const Shape = end.as === 'success' ? Success : Failure;
  return (
    <Shape type="button" onClick={onTap} ref={buttonRef}>
      {end.label}
      {hint && <span>{hint}</span>}
    </Shape>
  );
}

function Exercise({ play, swapped }: { play: PlayInHand; swapped: boolean }) {
  const { owed } = play.moves;
  const button = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    button.current?.focus({ preventScroll: true });
  }, []);
  if (!owed) return null;
  return (
    <Owed>
      <Ask>{capital(owed.what)}</Ask>
      <p className="times">
        {owed.n}
        <span style={{ fontSize: '0.35em' }}> times</span>
      </p>
      {swapped && <p>Or your own exercise, the one that suits you.</p>}
      <Success type="button" ref={button} onClick={play.exerciseDone}>
        Done
      </Success>
      <Small>
        <TextButton type="button" onClick={play.takeBack}>
          {undoWords(play)}
        </TextButton>
        <TextButton type="button" onClick={play.pause}>
          Stop the clock
        </TextButton>
      </Small>
    </Owed>
  );
}

function Paused({ play }: { play: PlayInHand }) {
  return (
    <Owed>
      <Ask>The clock is stopped</Ask>
      <p>
        {play.result.value} {play.result.unit} so far. The stop is kept with your score.
      </p>
      <Success type="button" onClick={play.resume}>
        Go on
      </Success>
      <Failure type="button" onClick={play.finish}>
        End here
      </Failure>
    </Owed>
  );
}

function capital(words: string): string {
  return words.charAt(0).toLocaleUpperCase('en-GB') + words.slice(1);
}
