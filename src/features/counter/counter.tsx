'use client';
import { useEffect, useRef, useState } from 'react';
import { framesOf, playsFrames } from '@/core/rules/frames';
import { counted } from '@/core/rules/counted';
import type { Words as Family } from '@/core/words/words';
import { placeMark, placeName } from '@/core/rules/place-name';
import { Ask, Failure, Field, Flags, Left, Marks, Owed, Said, Score, Small, Success, TextButton, Time } from './counter-style';
import { Exercise } from '../drawing/exercise';
import { FrameSheet } from './frame-sheet';
import { Ends, Felled, Counted, Measured, Faces, Words, Checklist, type Entering } from './seen';
import { useWords } from '@/features/languages/use-words';
import type { PlayInHand, Seen } from './use-play';

function clockWords(ms: number, up: boolean): string {
  const seconds = up ? Math.floor(ms / 1000) : Math.ceil(ms / 1000 - 0.001);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}

export interface CounterProps {
  readonly play: PlayInHand;
  readonly exerciseSwapped: boolean;
}

/** The counter of every kind of rule: the clock, what may be chosen, a large button for each thing that the engine allows now, undo. */
export function Counter({ play, exerciseSwapped }: CounterProps) {
  const { moves } = play;
  return (
    <Field>
      <Whose play={play} />
      <Clock play={play} />
      {moves.waiting ? (
        <Waiting play={play} />
      ) : moves.paused ? (
        <Paused play={play} />
      ) : moves.owed && !play.atWhistle ? (
        <Gate play={play} swapped={exerciseSwapped} />
      ) : (
        <Trying play={play} key={`${moves.part} ${moves.task.id}`} />
      )}
    </Field>
  );
}

/** Which part of the card, and whose turn. */
function Whose({ play }: { play: PlayInHand }) {
  const { i18n, own } = useWords();
  const { moves, program } = play;
  const words = [
    program.parts.length > 1 && !moves.waiting
      ? i18n.t('{number} of {n}: {title}', { number: moves.part + 1, n: program.parts.length, title: own(play.part.part.title ?? '') })
      : '',
    moves.sides > 1 && program.turn !== 'none'
      ? moves.side === 0
        ? i18n.t('Your turn')
        : i18n.t('Player {n} has a turn', { n: moves.side + 1 })
      : '',
  ].filter(Boolean);
  return words.length > 0 ? <Said role="status">{words.join(' · ')}</Said> : null;
}

/** What the clock shows, read ten times a second; drawn again only when a second has gone. */
function useShownMs(play: PlayInHand): number {
  const { readShownMs } = play;
  const [, setSecond] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => setSecond(Math.ceil(readShownMs() / 1000)), 100);
    return () => clearInterval(timer);
  }, [readShownMs]);
  return readShownMs();
}

function Clock({ play }: { play: PlayInHand }) {
  const { i18n } = useWords();
  const { moves, result, part } = play;
  const down = part.clockDownMs;
  const shownMs = useShownMs(play);
  // Where much is to be chosen the clock makes room.
  const small =
    !moves.owed && (moves.aim !== null || moves.flags.length > 0 || moves.ends.length > 3 || moves.task.see === 'felled') ? true : undefined;
  if (moves.waiting) return null;
  if (down > 0)
    return (
      <>
        <Time data-small={small} role="timer" aria-label={i18n.t('{time} left', { time: clockWords(shownMs, false) })}>
          {clockWords(shownMs, false)}
        </Time>
        <Left aria-hidden>
          <div style={{ width: `${(100 * shownMs) / down}%` }} />
        </Left>
      </>
    );
  if (part.part.clock.kind === 'up')
    return (
      <Time data-small={small} role="timer" aria-label={i18n.t('{time} so far', { time: clockWords(shownMs, true) })}>
        {clockWords(shownMs, true)}
      </Time>
    );
  const asked = part.part.stop.find((stop) => stop.if[0]?.[0] === 'attempts')?.if[0]?.[2];
  if (typeof asked !== 'number' || play.counting !== 'attempts' || asked < 2) return null;
  const made = (result.parts[moves.part] ?? result).attempts % asked;
  return (
    <>
      <Time data-small={small}>
        {Math.min(asked, made + 1)}
        <span style={{ fontSize: '0.45em', fontWeight: 400 }}> {i18n.t('of {n}', { n: asked })}</span>
      </Time>
      <Left aria-hidden>
        <div style={{ width: `${(100 * made) / asked}%` }} />
      </Left>
    </>
  );
}

function ScoreSoFar({ play }: { play: PlayInHand }) {
  const words = useWords();
  const { i18n, own } = words;
  const { moves, result, program } = play;
  const now = result.parts[moves.part];
  const value = program.parts.length > 1 ? (now?.value ?? 0) : result.value;
  const unit = program.parts.length > 1 ? (now?.unit ?? '') : result.unit;
  if (playsFrames(play.part)) {
    const [next, after] = moves.carry;
    return (
      <>
        <FrameSheet frames={framesOf(program, play.events)} of={frameCount(play)} />
        {next > 0 && (
          <Said role="status">
            {after > 0
              ? i18n.t('The next two balls count a second time.')
              : next > 1
                ? i18n.t('The next ball counts three times.')
                : i18n.t('The next ball counts a second time.')}
          </Said>
        )}
      </>
    );
  }
  if (play.part.part.measure.of === 'clock') {
    const counter = moves.counters[0];
    return counter ? (
      <Score aria-live="polite">
        <b>{counter.value}</b>
        {counted(counter.value, counter.words, words)}
      </Score>
    ) : null;
  }
  if (play.part.part.measure.of === 'minutes') return null;
  const counters = moves.counters.filter((counter) => counter.value !== value);
  return (
    <Score aria-live="polite">
      <b>{value ?? '–'}</b>
      {own(unit)}
      {counters.length > 1 && (
        <small style={{ display: 'block', fontSize: '1rem', marginTop: 4 }}>
          {counters.map((one) => `${one.value} ${counted(one.value, one.words, words)}`).join(', ')}
        </small>
      )}
    </Score>
  );
}

function frameCount(play: PlayInHand): number {
  return Number(play.part.part.stop.flatMap((stop) => stop.if).find(([operand, op]) => operand.startsWith('n.') && op === '>=')?.[2] ?? 10);
}

/** The next try: where from, what at, and what was seen of it. */
function Trying({ play }: { play: PlayInHand }) {
  const words = useWords();
  const { i18n, own } = words;
  const { moves } = play;
  const [flags, setFlags] = useState<readonly string[]>([]);
  const put = (seen: Seen) => {
    play.attempt({ ...seen, ...(flags.length > 0 ? { flags } : {}) });
    setFlags([]);
  };
  const checklist = moves.aim?.kind === 'item' ? moves.aim : null;
  return (
    <>
      {play.atWhistle && !moves.atWhistle ? (
        <Ask role="alert">{i18n.t('Time! Was a ball in the air?')}</Ask>
      ) : play.atWhistle ? (
        <Ask role="alert">{moves.task.what ? i18n.t('Time! Where is it now?') : i18n.t('Time! What is it?')}</Ask>
      ) : (
        <>
          <Where play={play} />
          {moves.aim && !checklist && moves.task.see !== 'felled' && (
            <Pick play={play} choice={moves.aim} words={i18n.t('Which target?')} name={nameOf(moves.aim, words)} />
          )}
        </>
      )}
      <ScoreSoFar play={play} />
      {moves.flags.length > 0 && (
        <Flags role="group" aria-label={i18n.t('What happened on the way')}>
          {moves.flags.map((flag) => (
            <button
              key={flag.id}
              type="button"
              aria-pressed={flags.includes(flag.id)}
              onClick={() => setFlags(flags.includes(flag.id) ? flags.filter((one) => one !== flag.id) : [...flags, flag.id])}
            >
              {i18n.t('It {happened}', { happened: own(flag.words) })}
            </button>
          ))}
        </Flags>
      )}
      {checklist ? (
        <Checklist play={play} />
      ) : moves.task.see === 'felled' ? (
        <Felled play={play} onSeen={put} key={play.events.length} />
      ) : moves.task.see === 'count' ? (
        <Counted onSeen={put} />
      ) : moves.task.see === 'length' ? (
        <Measured onSeen={put} key={play.events.length} />
      ) : moves.task.see === 'face' ? (
        <Faces play={play} onSeen={put} />
      ) : moves.task.see === 'text' ? (
        <Words play={play} onSeen={put} key={play.events.length} />
      ) : moves.atWhistle && !play.atWhistle ? (
        <Said>{i18n.t('The answer is asked when the time is up.')}</Said>
      ) : (
        <Ends play={play} onSeen={put} />
      )}
      <Foot play={play} onSeen={put} />
    </>
  );
}

function nameOf(choice: NonNullable<PlayInHand['moves']['choice']>, words: Family) {
  return (index: number) => {
    const label = choice.labels[index];
    if (label !== undefined) return words.own(label);
    return choice.kind === 'place' && choice.n <= 3 ? placeMark(index, choice.n, words) : `${index + 1}`;
  };
}

function Where({ play }: { play: PlayInHand }) {
  const words = useWords();
  const { i18n, own } = words;
  const { moves, part } = play;
  if (moves.choice)
    return <Pick play={play} choice={moves.choice} words={i18n.t('Which mark?')} name={(index) => placeMark(index, moves.choice!.n, words)} />;
  const from = moves.task.from === undefined ? undefined : part.part.groups[moves.task.from];
  if (!from || from.n === 1) return moves.task.what ? <Said>{own(moves.task.what)}.</Said> : null;
  const written = from.labels?.[moves.place];
  const label = written === undefined ? undefined : own(written);
  if (from.kind === 'item') return <Ask>{label ?? moves.place + 1}</Ask>;
  return (
    <>
      <Ask>
        {label ??
          (from.n <= 3
            ? i18n.t('Stand at the {place} mark', { place: placeName(moves.place, from.n, words) })
            : i18n.t('Mark {number} of {n}', { number: moves.place + 1, n: from.n }))}
      </Ask>
      {moves.task.what && <Said>{own(moves.task.what)}.</Said>}
    </>
  );
}

function Pick({
  play,
  choice,
  words,
  name,
}: {
  play: PlayInHand;
  choice: NonNullable<PlayInHand['moves']['choice']>;
  words: string;
  name: (index: number) => string;
}) {
  const { i18n, own } = useWords();
  const worth = (index: number) => choice.values[index];
  const shown = (index: number) => (choice.labels[index] && choice.n <= 4 ? own(choice.labels[index]) : (worth(index) ?? index + 1));
  return (
    <>
      <Ask id={`which-${choice.group}`}>{words}</Ask>
      <Marks role="radiogroup" aria-labelledby={`which-${choice.group}`} data-many={choice.options.length > 5 || undefined}>
        {choice.options.map((option) => (
          <button
            key={option}
            type="button"
            role="radio"
            aria-checked={option === choice.at}
            aria-label={
              worth(option) === undefined
                ? name(option)
                : `${name(option)}, ${i18n.t('{n, plural, one {1 point} other {{n} points}}', { n: worth(option)! })}`
            }
            onClick={() => play.choose(choice.group, option)}
          >
            {shown(option)}
          </button>
        ))}
      </Marks>
    </>
  );
}

function undoWords(play: PlayInHand, { i18n, own }: Family): string {
  const last = [...play.events].reverse().find((event) => event.do !== 'choose');
  if (last?.do === 'attempt' && last.end) {
    const label = play.program.parts.flatMap((part) => part.part.tasks.flatMap((task) => task.ends ?? [])).find((end) => end.id === last.end)?.label;
    return label ? i18n.t('Undo “{what}”', { what: own(label) }) : i18n.t('Undo (the last tap)', {}, { message: 'Undo' });
  }
  return i18n.t('Undo (the last tap)', {}, { message: 'Undo' });
}

function Foot({ play, onSeen }: Entering & { play: PlayInHand }) {
  const { i18n, own } = useWords();
  const seldom = play.moves.ends.filter((end) => end.as === 'seldom');
  if (play.atWhistle && !play.moves.atWhistle)
    return (
      <Small>
        <TextButton type="button" onClick={play.finish}>
          {i18n.t('No ball in the air')}
        </TextButton>
      </Small>
    );
  return (
    <Small>
      <Undo play={play} />
      {seldom.map((end) => (
        <TextButton key={end.id} type="button" onClick={() => onSeen({ end: end.id })}>
          {own(end.label)}
        </TextButton>
      ))}
      <TextButton type="button" onClick={play.pause}>
        {play.part.part.clock.kind === 'none' ? i18n.t('Stop (the clock)', {}, { message: 'Stop' }) : i18n.t('Stop the clock')}
      </TextButton>
    </Small>
  );
}

function Undo({ play }: { play: PlayInHand }) {
  const words = useWords();
  const any = play.events.some((event) => event.do !== 'choose');
  return (
    <TextButton type="button" disabled={!any} onClick={play.takeBack} style={{ visibility: any ? 'visible' : 'hidden' }}>
      {undoWords(play, words)}
    </TextButton>
  );
}

/** What is owed before the next try: an exercise, a rest, a setting up, a toss that lets one go on. */
function Gate({ play, swapped }: { play: PlayInHand; swapped: boolean }) {
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
          <span style={{ fontSize: '0.35em' }}> {i18n.t('times (behind a number)', {}, { message: 'times' })}</span>
        </p>
      )}
      {owed.kind === 'rest' && (
        <p className="times">
          {owed.n}
          <span style={{ fontSize: '0.35em' }}> {i18n.t('seconds (a unit)', {}, { message: 'seconds' })}</span>
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
function Waiting({ play }: { play: PlayInHand }) {
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
        {waiting.go === 1 && waiting.title && <span style={{ display: 'block' }}>{own(waiting.title)}</span>}
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

function Paused({ play }: { play: PlayInHand }) {
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
