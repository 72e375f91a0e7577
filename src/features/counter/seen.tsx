'use client';
/** What is seen of a try: large buttons for its ends, pins by position, a count, a length, a face, a word, a thing of a list. */
import { useEffect, useRef, useState } from 'react';
import type { End } from '@/core/rules/format/game';
import { placeName } from '@/core/rules/telling/place-name';
import { readFigure } from '@/core/words/read-figure';
import { Ask, Entry, Failure, List, Said, Success } from './counter-style';
import { CENTIMETRES } from './entering';
import { figureFault } from './figure-fault';
import { Pins } from './pins';
import { useWords } from '@/features/languages/use-words';
import type { Seen } from './entering';
import type { PlayInHand } from './use-play';

export interface Noting {
  readonly onSeen: (seen: Seen) => void;
}

export function Ends({ play, onSeen }: Noting & { play: PlayInHand }) {
  const { moves } = play;
  const big = moves.ends.filter((end) => end.as !== 'seldom');
  const { own } = useWords();
  const hints = useHints(play);
  const firstButton = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    firstButton.current?.focus({ preventScroll: true });
  }, [moves.owed, moves.paused]);
  const first = big.findIndex((end) => end.as === 'success');
  return (
    <>
      {big.map((end, index) => {
        const Shape = end.as === 'success' ? Success : Failure;
        return (
          <Shape
            key={end.id}
            type="button"
            data-several={big.length > 2 || undefined}
            onClick={() => onSeen({ end: end.id })}
            ref={index === first ? firstButton : undefined}
          >
            {own(end.label)}
            {hints(end) && <span>{hints(end)}</span>}
          </Shape>
        );
      })}
    </>
  );
}

/** "2 points from the middle mark", where the mark or the target says what a success gives. */
function useHints({ moves }: PlayInHand): (end: End) => string {
  const words = useWords();
  return (end) => {
    if (end.as !== 'success') return '';
    const value = moves.values[moves.place];
    if (value === undefined) return '';
    if (moves.values.length === 1) return words.i18n.t('{n, plural, one {1 point} other {{n} points}}', { n: value });
    const place = placeName(moves.place, moves.values.length, words);
    return words.i18n.t('{n, plural, one {1 point from the {place} mark} other {{n} points from the {place} mark}}', { n: value, place });
  };
}

export function Felled({ play, onSeen }: Noting & { play: PlayInHand }) {
  const { i18n } = useWords();
  const { moves, program } = play;
  const group = moves.task.at!;
  const n = program.parts[moves.part]!.part.groups[group]!.n;
  const spots = program.game.course.targets[group] ?? Array.from({ length: n }, (_, index) => ({ xM: 0, yM: index * 0.3 }));
  const all = moves.standing;
  const fallen = (play.entering.felled ?? []).filter((pin) => all.includes(pin));
  const put = (felled: readonly number[]) => play.enter({ ...play.entering, felled });
  // The ones that fell, while it is asked which of them stays down.
  const [asking, setAsking] = useState<readonly number[] | null>(null);
  const note = (fell: readonly number[]) => {
    const felled = [...fell].sort((a, b) => a - b);
    if (moves.keepsOne && felled.length > 1) setAsking(felled);
    else onSeen({ felled });
  };
  if (asking)
    return (
      <>
        <Ask>{i18n.t('Which one stays down? Tap it.')}</Ask>
        <Pins
          label={i18n.t('What fell; tap what stays down')}
          spots={spots}
          standing={asking}
          fallen={[]}
          onToggle={(kept) => {
            setAsking(null);
            onSeen({ felled: asking, kept });
          }}
        />
        <Failure type="button" data-several onClick={() => setAsking(null)}>
          {i18n.t('Back (to the screen before)', {}, { message: 'Back' })}
        </Failure>
      </>
    );
  return (
    <>
      <Pins
        label={i18n.t('What stands; tap what fell')}
        spots={spots}
        standing={all}
        fallen={fallen}
        onToggle={(pin) => put(fallen.includes(pin) ? fallen.filter((one) => one !== pin) : [...fallen, pin])}
      />
      <Success type="button" data-several onClick={() => note(fallen)}>
        {fallen.length === 0 ? i18n.t('None fell') : i18n.t('{n, plural, one {1 fell} other {{n} fell}}', { n: fallen.length })}
      </Success>
      {fallen.length < all.length && (
        <Failure type="button" data-several onClick={() => note(all)}>
          {all.length === n
            ? i18n.t('{n, plural, one {All 1 fell} other {All {n} fell}}', { n: all.length })
            : i18n.t('{n, plural, one {The last 1 fell} other {The last {n} fell}}', { n: all.length })}
        </Failure>
      )}
    </>
  );
}

/** A count that is tapped or typed. */
const MOST_COUNTED = 9999;

export function CountTaps({ play, onSeen }: Noting & { play: PlayInHand }) {
  const { i18n } = useWords();
  const number = play.entering.count ?? 0;
  const put = (count: number) => play.enter({ ...play.entering, count });
  return (
    <>
      <Entry>
        <button type="button" aria-label={i18n.t('One fewer')} onClick={() => put(Math.max(0, number - 1))}>
          −
        </button>
        <input
          aria-label={i18n.t('How many so far')}
          inputMode="numeric"
          value={number === 0 ? '' : number}
          placeholder="0"
          onChange={(event) => {
            // A figure that is no count changes nothing: 3.5 never becomes 35.
            const typed = readFigure(event.target.value, { least: 0, most: MOST_COUNTED, whole: true });
            if (typed.ok) put(typed.value ?? 0);
          }}
        />
        <button type="button" aria-label={i18n.t('Ten more')} onClick={() => put(Math.min(MOST_COUNTED, number + 10))}>
          +10
        </button>
      </Entry>
      <Success type="button" onClick={() => put(Math.min(MOST_COUNTED, number + 1))}>
        {i18n.t('One more')}
      </Success>
      <Failure type="button" onClick={() => onSeen({ count: number })}>
        {i18n.t('Write down {number}', { number })}
      </Failure>
    </>
  );
}

export function Measured({ play, onSeen }: Noting & { play: PlayInHand }) {
  const { i18n } = useWords();
  const words = useWords();
  const written = play.entering.written ?? '';
  const read = readFigure(written, CENTIMETRES);
  const centimetres = read.ok ? read.value : null;
  return (
    <>
      <Said>{i18n.t('How many centimetres?')}</Said>
      <Entry data-words>
        <input
          aria-label={i18n.t('Centimetres (field)', {}, { message: 'Centimetres' })}
          inputMode="decimal"
          value={written}
          aria-invalid={!read.ok}
          onChange={(event) => play.enter({ ...play.entering, written: event.target.value.slice(0, 12) })}
        />
      </Entry>
      {!read.ok && <Said role="alert">{figureFault(read.why, CENTIMETRES, words)}</Said>}
      <Success type="button" disabled={centimetres === null} onClick={() => onSeen({ lengthMm: Math.round(centimetres! * 10) })}>
        {i18n.t('Write it down')}
      </Success>
    </>
  );
}

export function Faces({ play, onSeen }: Noting & { play: PlayInHand }) {
  const { i18n, own } = useWords();
  return (
    <>
      <Ask>{i18n.t('What does it show?')}</Ask>
      {(play.moves.task.faces ?? []).map((face, index) => (
        <Failure key={face} type="button" data-several onClick={() => onSeen({ face: index })}>
          {own(face)}
        </Failure>
      ))}
    </>
  );
}

export function WordFound({ play, onSeen }: Noting & { play: PlayInHand }) {
  const { i18n, own } = useWords();
  const written = play.entering.written ?? '';
  const found = play.moves.ends.find((end) => end.as === 'success');
  const not = play.moves.ends.find((end) => end.as === 'failure');
  return (
    <>
      <Entry data-words>
        <input
          aria-label={i18n.t('The word')}
          value={written}
          maxLength={40}
          placeholder={i18n.t('what is it?')}
          onChange={(event) => play.enter({ ...play.entering, written: event.target.value })}
        />
      </Entry>
      {found && (
        <Success type="button" onClick={() => onSeen({ end: found.id, ...(written.trim() ? { text: written.trim() } : {}) })}>
          {own(found.label)}
        </Success>
      )}
      {not && (
        <Failure type="button" onClick={() => onSeen({ end: not.id })}>
          {own(not.label)}
        </Failure>
      )}
    </>
  );
}

export function Checklist({ play }: { play: PlayInHand }) {
  const { i18n, own } = useWords();
  const aim = play.moves.aim!;
  const found = play.moves.ends.find((end) => end.as === 'success');
  return (
    <List aria-label={i18n.t('Tap what you find')}>
      {Array.from({ length: aim.n }, (_, item) => (
        <li key={item}>
          <button
            type="button"
            disabled={!aim.options.includes(item)}
            onClick={() => {
              if (!found) return;
              if (aim.at !== item) play.choose(aim.group, item);
              play.attempt({ end: found.id });
            }}
          >
            <span aria-hidden>{aim.options.includes(item) ? '○' : '●'}</span>
            {aim.labels[item] === undefined ? i18n.t('thing {n}', { n: item + 1 }) : own(aim.labels[item])}
          </button>
        </li>
      ))}
    </List>
  );
}
