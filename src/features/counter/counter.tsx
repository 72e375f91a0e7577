'use client';
import type { Words as Family } from '@/core/words/words';
import { placeMark, placeName } from '@/core/rules/telling/place-name';
import { useWords } from '@/features/languages/use-words';
import { GateToDo, Paused, WaitingPart } from './between';
import { ClockFace } from './clock';
import { Ask, Field, Flags, Marks, Said, Small } from './counter-style';
import { TextButton } from './text-button';
import { howSeen, stageOf, triesAsked } from './model';
import { Checklist, CountTaps, Ends, Faces, Felled, Measured, WordFound, type Noting } from './seen';
import { ScoreSoFar } from './so-far';
import { Undo } from './undo';
import type { Seen } from './entering';
import { useNextTap } from './use-next-tap';
import type { PlayInHand } from './use-play';

export interface CounterProps {
  readonly play: PlayInHand;
  readonly exerciseSwapped: boolean;
}

/** The counter of every kind of rule: the clock, what may be chosen, a large button for each thing that the engine allows now, undo. */
export function Counter({ play, exerciseSwapped }: CounterProps) {
  const { moves } = play;
  const stage = stageOf(play);
  const field = useNextTap();
  return (
    <Field ref={field}>
      <Whose play={play} />
      <ClockFace play={play} />
      {stage === 'waiting' && <WaitingPart play={play} />}
      {stage === 'paused' && <Paused play={play} />}
      {stage === 'gate' && <GateToDo play={play} swapped={exerciseSwapped} />}
      {stage === 'try' && <Trying play={play} key={`${moves.part} ${moves.task.id}`} />}
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

/** The next try: where from, what at, and what was seen of it. */
function Trying({ play }: { play: PlayInHand }) {
  const words = useWords();
  const { i18n, own } = words;
  const { moves } = play;
  const { flags = [] } = play.entering;
  const setFlags = (next: readonly string[]) => play.enter({ ...play.entering, flags: next });
  const put = (seen: Seen) => play.attempt({ ...seen, ...(flags.length > 0 ? { flags } : {}) });
  return (
    <>
      {play.atWhistle && !moves.atWhistle ? (
        <Ask role="alert">{i18n.t('Time! Was a ball in the air?')}</Ask>
      ) : play.atWhistle ? (
        <Ask role="alert">{moves.task.what ? i18n.t('Time! Where is it now?') : i18n.t('Time! What is it?')}</Ask>
      ) : (
        <>
          <Where play={play} />
          {moves.aim && moves.aim.kind !== 'item' && (
            <Pick play={play} choice={moves.aim} words={i18n.t('Which target?')} name={nameOf(moves.aim, words)} />
          )}
        </>
      )}
      <ScoreSoFar play={play} />
      <GaveNothing play={play} />
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
      <HowSeenNow play={play} onSeen={put} />
      <Foot play={play} onSeen={put} />
    </>
  );
}

/** The try just now gave nothing: why, in a few words. */
function GaveNothing({ play: { nothing } }: { play: PlayInHand }) {
  const { i18n } = useWords();
  if (!nothing) return null;
  const { why, what } = nothing;
  return (
    <Said role="status">
      {why === 'again'
        ? i18n.t('Played again: {what}.', { what })
        : why === 'gone'
          ? i18n.t('Does not count: {what}.', { what })
          : i18n.t('Nothing yet: only if {what}.', { what })}
    </Said>
  );
}

/** The buttons, pins or fields for what was seen of the try. */
function HowSeenNow({ play, onSeen }: Noting & { play: PlayInHand }) {
  const { i18n } = useWords();
  switch (howSeen(play)) {
    case 'checklist':
      return <Checklist play={play} />;
    case 'felled':
      return <Felled play={play} onSeen={onSeen} />;
    case 'count':
      return <CountTaps play={play} onSeen={onSeen} />;
    case 'length':
      return <Measured play={play} onSeen={onSeen} />;
    case 'face':
      return <Faces play={play} onSeen={onSeen} />;
    case 'text':
      return <WordFound play={play} onSeen={onSeen} />;
    case 'at the end':
      return <Said>{i18n.t('The answer is asked when the time is up.')}</Said>;
    case 'ends':
      return <Ends play={play} onSeen={onSeen} />;
  }
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

function Foot({ play, onSeen }: Noting & { play: PlayInHand }) {
  const { i18n, own } = useWords();
  const seldom = play.moves.ends.filter((end) => end.as === 'seldom');
  // Nobody taps what goes wrong: the counter cannot know which try was the last.
  const endedByTries = play.counting === 'successes' ? triesAsked(play.part.part) : null;
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
      {endedByTries !== null && (
        <TextButton type="button" onClick={play.lastTryDone}>
          {i18n.t('That was the last of {n} tries', { n: endedByTries })}
        </TextButton>
      )}
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
