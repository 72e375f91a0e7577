'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import { VolumeX } from 'lucide-react';
import styled from 'styled-components';
import type { Result } from '@/core/rules/playing/measure';
import type { CountingWay, PlayEvent } from '@/core/rules/format/play';
import { Counter } from '../counter/counter';
import { Centred } from '../counter/counter-style';
import { TextButton } from '../counter/text-button';
import { TrueClock } from '../counter/true-clock';
import type { Entering } from '../counter/entering';
import { usePlay, type Before } from '../counter/use-play';
import { cue, sayNothing, type Cues } from './cues';
import { Big, Bottom, Plain, Screen } from './home-style';
import type { InHand } from './in-hand';
import { store, type BegunGo } from './store';
import { useElsewhere } from './use-elsewhere';
import { useWords } from '@/features/languages/use-words';
import { Top } from './top';
import { StepTitle } from './step-title';

const WholeScreen = styled(Screen)`
  height: 100dvh;
`;

const Quiet = styled(TextButton)`
  align-self: flex-end;
`;

const ResultWords = styled.p`
  font-size: var(--type-5);
  font-weight: 700;
`;

const Count = styled.p`
  display: grid;
  place-items: center;
  flex: 1;
  font-size: 11rem;
  font-weight: 700;
`;

/** Keeps the screen awake while something is played. */
function useAwake(): void {
  useEffect(() => {
    let lock: { release: () => Promise<void> } | undefined;
    void navigator.wakeLock?.request('screen').then(
      (held) => (lock = held),
      () => undefined,
    );
    return () => void lock?.release();
  }, []);
}

/** Three, two, one; 0 when play is on. */
function useCountIn(from: number, cues: Cues): number {
  const { i18n, tag } = useWords();
  const [count, setCount] = useState(from);
  useEffect(() => {
    if (count === 0) return;
    cue(cues, { pitch: 440, words: `${count}`, shakeMs: 40 }, tag);
    const timer = setTimeout(() => {
      if (count === 1) cue(cues, { pitch: 880, words: i18n.t('Go (said when the clock starts)', {}, { message: 'Go' }), shakeMs: 200 }, tag);
      setCount(count - 1);
    }, 1000);
    return () => clearTimeout(timer);
  }, [count, cues, i18n, tag]);
  return count;
}

const COUNT_IN = 3;
const KEPT_EVERY_MS = 5000;
const LAST_SECONDS_MS = 10_000;

/** One cue when the last ten seconds begin; `leftMs` is read ten times a second. */
function useLastSeconds(leftMs: (() => number) | null, cues: Cues): void {
  const { i18n, tag } = useWords();
  const before = useRef(0);
  useEffect(() => {
    if (!leftMs) return;
    const timer = setInterval(() => {
      const left = leftMs();
      if (before.current > LAST_SECONDS_MS && left <= LAST_SECONDS_MS && left > 0)
        cue(cues, { pitch: 550, words: i18n.t('Ten seconds'), shakeMs: [80, 60, 80] }, tag);
      before.current = left;
    }, 100);
    return () => clearInterval(timer);
  }, [leftMs, cues, i18n, tag]);
}

export interface PlayScreenProps {
  readonly hand: InHand;
  readonly name: string;
  /** 0 is the child. */
  readonly player: number;
  readonly before: Before;
  readonly counting: CountingWay;
  readonly cues: Cues;
  /** The voice is switched off, at once and for the goes that follow. */
  readonly onQuiet: () => void;
  readonly exerciseSwapped: boolean;
  readonly onDone: (events: readonly PlayEvent[], result: Result) => void;
  readonly onCard: () => void;
}

export function PlayScreen(props: PlayScreenProps) {
  const { i18n, own } = useWords();
  const elsewhere = useElsewhere(props.hand.item.assignmentId);
  const timed = props.hand.level.parts[0]!.clock.kind === 'down';
  const count = useCountIn(timed && props.before.events.length === 0 && !props.before.ranOnMs ? COUNT_IN : 0, props.cues);
  if (elsewhere) return <Elsewhere {...props} />;
  return (
    <WholeScreen>
      <Top hand={props.hand} name={props.player === 0 ? props.name : i18n.t('Player {n}', { n: props.player + 1 })} />
      <StepTitle unseen>{i18n.t('Playing {title}', { title: own(props.hand.item.game.title) })}</StepTitle>
      <VoiceOff {...props} />
      {count > 0 ? (
        <Count role="status" aria-label={i18n.t('Starting in {count}', { count })}>
          {count}
        </Count>
      ) : (
        <Playing {...props} />
      )}
    </WholeScreen>
  );
}

function VoiceOff({ cues, onQuiet }: Pick<PlayScreenProps, 'cues' | 'onQuiet'>) {
  const { i18n } = useWords();
  if (!cues.speak) return null;
  return (
    <Quiet
      type="button"
      onClick={() => {
        sayNothing();
        onQuiet();
      }}
    >
      <VolumeX size={18} aria-hidden /> {i18n.t('Voice off')}
    </Quiet>
  );
}

/** The go was taken up in another window: it is played there, with all that was tapped here. */
function Elsewhere({ hand, name, onCard }: Pick<PlayScreenProps, 'hand' | 'name' | 'onCard'>) {
  const { i18n } = useWords();
  return (
    <Screen>
      <Top hand={hand} name={name} />
      <StepTitle>{i18n.t('Played in another window')}</StepTitle>
      <p role="alert">{i18n.t('This go is being played in another window of this device. What was tapped here is kept there.')}</p>
      <Bottom>
        <Plain type="button" onClick={onCard}>
          {i18n.t('Back to the card')}
        </Plain>
      </Bottom>
    </Screen>
  );
}

function Playing({ hand, player, before, counting, cues, exerciseSwapped, onDone }: PlayScreenProps) {
  const { i18n, tag } = useWords();
  const { level, form, item } = hand;
  // Kept right after what the tap changed has been drawn: the next frame does not wait for it.
  const pending = useRef<BegunGo | null>(null);
  const flush = useCallback(() => {
    if (pending.current) void store.keepBegun(pending.current);
    pending.current = null;
  }, []);
  const keep = useCallback(
    (events: readonly PlayEvent[], entering: Entering, t: number) => {
      if (pending.current === null) requestAnimationFrame(() => setTimeout(flush, 0));
      pending.current = { assignmentId: item.assignmentId, formId: form.id, player, counting, events, entering, t, at: Date.now() };
    },
    [item.assignmentId, form.id, player, counting, flush],
  );
  const play = usePlay(level, before, keep, counting);
  const done = useRef(false);
  const { keep: keepNow } = play;
  useEffect(() => {
    // No frame is drawn while nobody looks: what there is is kept at once, with what the clock shows.
    const leave = () => {
      if (!done.current) keepNow();
      flush();
    };
    // A page that is killed is not asked: what the clock shows is kept when a go is taken up again, and every few seconds.
    const now = () => !done.current && keepNow();
    now();
    const timer = setInterval(now, KEPT_EVERY_MS);
    window.addEventListener('pagehide', leave);
    document.addEventListener('visibilitychange', leave);
    return () => {
      clearInterval(timer);
      window.removeEventListener('pagehide', leave);
      document.removeEventListener('visibilitychange', leave);
    };
  }, [flush, keepNow]);
  const { over } = play.moves;
  const down = play.part.clockDownMs > 0;
  useLastSeconds(down ? play.readShownMs : null, cues);
  useAwake();

  useEffect(() => {
    if (!over || done.current) return;
    done.current = true;
    // The go that ended is kept as a whole by the session.
    pending.current = null;
    cue(cues, { pitch: 660, words: i18n.t('Done (said or pressed at the end)', {}, { message: 'Done' }), shakeMs: 300 }, tag);
    onDone(play.events, play.result);
  }, [over, onDone, play.events, play.result, cues, i18n, tag]);

  useEffect(() => {
    if (play.atWhistle)
      cue(cues, { pitch: 990, words: i18n.t('Time (said when the time is up)', {}, { message: 'Time' }), shakeMs: [200, 80, 200] }, tag);
  }, [play.atWhistle, cues, i18n, tag]);

  // Where two share the time, the half of it is called.
  const { side } = play.moves;
  const sideBefore = useRef(side);
  useEffect(() => {
    if (play.program.turn === 'half-time' && side !== sideBefore.current)
      cue(cues, { pitch: 770, words: i18n.t('Half-time: change over'), shakeMs: [120, 60, 120] }, tag);
    sideBefore.current = side;
  }, [play.program.turn, side, cues, i18n, tag]);

  // A go that is over is being kept: nothing is left to press.
  return over ? null : <Counter play={play} exerciseSwapped={exerciseSwapped} />;
}

const Far = styled.p<{ $long: boolean }>`
  display: grid;
  place-items: center;
  flex: 1;
  font-size: min(46vw, 34vh);
  font-weight: 700;
  line-height: 1;
  letter-spacing: -0.03em;
  ${({ $long }) => $long && 'font-size: min(34vw, 30vh);'}
`;

/** Nobody taps: a clock to be read from across the room. What was counted is written afterwards. */
export function WatchScreen({
  hand,
  name,
  player,
  cues,
  onQuiet,
  fromMs,
  onDone,
  onCard,
}: Pick<PlayScreenProps, 'hand' | 'name' | 'player' | 'cues' | 'onQuiet' | 'onCard'> & {
  /** What the clock had come to when it was cut off; else 0. */
  fromMs: number;
  onDone: (ms: number) => void;
}) {
  const words = useWords();
  const { i18n, tag } = words;
  const { clock } = hand.level.parts[0]!;
  const downMs = clock.kind === 'down' ? clock.s * 1000 : 0;
  const count = useCountIn(fromMs > 0 ? 0 : COUNT_IN, cues);
  const [ms, setMs] = useState(fromMs);
  const watch = useRef<TrueClock | null>(null);
  const done = useRef(false);
  const elsewhere = useElsewhere(hand.item.assignmentId);
  useAwake();
  useEffect(() => {
    if (count > 0) return;
    watch.current ??= new TrueClock(fromMs);
    const timer = setInterval(() => setMs(watch.current!.read()), 100);
    return () => clearInterval(timer);
  }, [count, fromMs]);
  // Kept second by second: what is cut off goes on where it was.
  const second = Math.floor(ms / 1000);
  useEffect(() => {
    if (done.current || elsewhere) return;
    void store.keepBegun({
      assignmentId: hand.item.assignmentId,
      formId: hand.form.id,
      player,
      counting: 'parts',
      events: [],
      watchMs: second * 1000,
      at: Date.now(),
    });
  }, [hand.item.assignmentId, hand.form.id, player, second, elsewhere]);
  const end = useCallback(
    (at: number) => {
      if (done.current) return;
      done.current = true;
      cue(
        cues,
        {
          pitch: 990,
          words:
            downMs > 0 ? i18n.t('Time (said when the time is up)', {}, { message: 'Time' }) : i18n.t('Stop (the clock)', {}, { message: 'Stop' }),
          shakeMs: [200, 80, 200],
        },
        tag,
      );
      onDone(at);
    },
    [cues, downMs, onDone, i18n, tag],
  );
  const left = useCallback(() => (watch.current ? downMs - watch.current.read() : downMs), [downMs]);
  useLastSeconds(downMs > 0 ? left : null, cues);
  useEffect(() => {
    if (downMs > 0 && ms >= downMs && !elsewhere) end(downMs);
  }, [ms, downMs, end, elsewhere]);
  if (elsewhere) return <Elsewhere hand={hand} name={name} onCard={onCard} />;
  const seconds = downMs > 0 ? Math.ceil((downMs - ms) / 1000 - 0.001) : Math.floor(ms / 1000);
  const shown = seconds < 60 ? `${seconds}` : `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
  return (
    <WholeScreen>
      <Top hand={hand} name={player === 0 ? name : i18n.t('Player {n}', { n: player + 1 })} />
      <StepTitle unseen>{i18n.t('Playing {title}', { title: words.own(hand.item.game.title) })}</StepTitle>
      <VoiceOff cues={cues} onQuiet={onQuiet} />
      {count > 0 ? (
        <Count role="status" aria-label={i18n.t('Starting in {count}', { count })}>
          {count}
        </Count>
      ) : (
        <>
          <Far
            role="timer"
            aria-label={
              downMs > 0
                ? words.i18n.t('{n, plural, one {1 second left} other {{n} seconds left}}', { n: seconds })
                : words.i18n.t('{n, plural, one {1 second so far} other {{n} seconds so far}}', { n: seconds })
            }
            $long={shown.length > 2}
          >
            {shown}
          </Far>
          <Centred>{i18n.t('Count in your head.')}</Centred>
          <Bottom>
            {downMs > 0 ? (
              <TextButton type="button" onClick={() => end(ms)}>
                {i18n.t('Stop early')}
              </TextButton>
            ) : (
              <Big type="button" onClick={() => end(ms)}>
                {i18n.t('Stop (the clock)', {}, { message: 'Stop' })}
              </Big>
            )}
          </Bottom>
        </>
      )}
    </WholeScreen>
  );
}

/** A go of somebody else in the family: seen, not sent. */
export function OtherResultScreen({
  hand,
  name,
  player,
  words,
  next,
  onNext,
}: {
  hand: InHand;
  name: string;
  player: number;
  words: string;
  next: string;
  onNext: () => void;
}) {
  const { i18n } = useWords();
  return (
    <Screen>
      <Top hand={hand} name={name} />
      <StepTitle>{i18n.t('Player {n}', { n: player + 1 })}</StepTitle>
      <ResultWords>{words}</ResultWords>
      <p>{i18n.t('This one stays in the family. It is not sent.')}</p>
      <Bottom>
        <Plain type="button" onClick={onNext}>
          {next}
        </Plain>
      </Bottom>
    </Screen>
  );
}
