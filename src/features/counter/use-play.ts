'use client';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { compile } from '@/core/rules/playing/compile';
import { AT, type PartProgram, type Program, type State } from '@/core/rules/playing/program';
import { IN_FLIGHT_GRACE_MS } from '@/core/rules/playing/engine';
import { reduce, replay, undo } from '@/core/rules/playing/replay';
import type { FinishReason, Game } from '@/core/rules/format/game';
import { measure, type Result } from '@/core/rules/playing/measure';
import { whyNothing, type Nothing } from '@/core/rules/telling/why-nothing';
import { clockAt, nextMoves, type NextMoves } from '@/core/rules/playing/next-moves';
import type { CountingWay, PlayEvent } from '@/core/rules/format/play';
import { useWords } from '@/features/languages/use-words';
import { isEntering, NOTHING_ENTERED, seenOf, type Entering, type Seen } from './entering';
import { TrueClock } from './true-clock';

type Unstamped = PlayEvent extends infer E ? (E extends PlayEvent ? Omit<E, 't'> : never) : never;

export interface PlayInHand {
  readonly program: Program;
  readonly part: PartProgram;
  readonly counting: CountingWay;
  readonly events: readonly PlayEvent[];
  readonly moves: NextMoves;
  /** What is being entered of the next try; it outlives a stop, and is written down when the go ends. */
  readonly entering: Entering;
  readonly enter: (entering: Entering) => void;
  /** Tells what there is and what the clock shows, as after a tap. */
  readonly keep: () => void;
  readonly result: Result;
  /** Why the try just now gave nothing; null where it gave something, simply missed, or was none. */
  readonly nothing: Nothing | null;
  /** Milliseconds left of a countdown, or played so far without one: read when it is shown, so that a tick draws the clock alone. */
  readonly readShownMs: () => number;
  /** The countdown has ended and a ball may still have been in the air, or what is asked at the end is to be answered. */
  readonly atWhistle: boolean;
  readonly attempt: (seen: Seen) => void;
  readonly choose: (group: string, to: number) => void;
  readonly gateDone: (face?: number) => void;
  readonly begin: () => void;
  readonly swap: () => void;
  readonly pause: () => void;
  readonly resume: () => void;
  readonly finish: () => void;
  /** Only what goes well is tapped: the last of so many tries has been made. */
  readonly lastTryDone: () => void;
  /** Ends this part of a card, not finished. */
  readonly giveUpPart: () => void;
  readonly takeBack: () => void;
}

/** A go that was begun before. */
export interface Before {
  readonly events: readonly PlayEvent[];
  readonly entering?: Entering;
  /** Milliseconds that the clock ran on since the last event. */
  readonly ranOnMs?: number;
}

/** Events after which something else is entered. */
const ENTERED: ReadonlySet<PlayEvent['do']> = new Set(['attempt', 'gateDone', 'begin', 'swap', 'finish']);

/** One go in play: the engine's state, driven by taps and a clock that keeps true. `before` goes on with a go that was begun. */
export function usePlay(
  game: Game,
  before: Before,
  onChange: (events: readonly PlayEvent[], entering: Entering, t: number) => void,
  counting: CountingWay = 'attempts',
): PlayInHand {
  const words = useWords();
  const program = useMemo(() => {
    const compiled = compile(game);
    if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
    return compiled.value;
  }, [game]);
  const [events, setEvents] = useState<readonly PlayEvent[]>(before.events);
  const [entering, setEntering] = useState<Entering>(before.entering ?? NOTHING_ENTERED);
  const [state, setState] = useState<State>(() => replay(program, before.events, counting).state);
  /** How the go stood before the event that came last; null when it was taken back, or nothing has happened here. */
  const [stateBefore, setStateBefore] = useState<State | null>(null);
  const [rangOut, setRangOut] = useState(false);
  const clock = useRef<TrueClock | null>(null);
  const latest = useRef({ events, state, entering });
  const [ranOnMs] = useState(before.ranOnMs ?? 0);

  const read = useCallback(() => {
    clock.current ??= new TrueClock((latest.current.events.at(-1)?.t ?? 0) + ranOnMs);
    return clock.current.read();
  }, [ranOnMs]);

  const put = useCallback(
    (next: readonly PlayEvent[], nextState: State, nextEntering: Entering) => {
      latest.current = { events: next, state: nextState, entering: nextEntering };
      setEvents(next);
      setState(nextState);
      setEntering(nextEntering);
      onChange(next, nextEntering, read());
    },
    [onChange, read],
  );

  const happen = useCallback(
    (event: Unstamped, atMs?: number) => {
      const stamped = { ...event, t: atMs ?? read() } as PlayEvent;
      const reduced = reduce(program, latest.current.state, stamped);
      if (reduced.refusal) return;
      setStateBefore(latest.current.state);
      put([...latest.current.events, stamped], reduced.state, ENTERED.has(stamped.do) ? NOTHING_ENTERED : latest.current.entering);
    },
    [program, put, read],
  );

  /** Ends a part or all of it: what is shown and not written down yet is written down before. */
  const end = useCallback(
    (why: FinishReason, atMs?: number) => {
      const { task, paused } = nextMoves(program, latest.current.state);
      const seen = isEntering(latest.current.entering) ? seenOf(task, latest.current.entering) : null;
      if (seen) {
        if (paused) happen({ do: 'resume' }, atMs);
        happen({ do: 'attempt', ...seen }, atMs);
      }
      happen({ do: 'finish', why }, atMs);
    },
    [program, happen],
  );

  const last = events.at(-1);
  const nothing = useMemo(
    () => (stateBefore && last ? whyNothing(program, stateBefore, state, last, words) : null),
    [program, stateBefore, state, last, words],
  );
  const moves = nextMoves(program, state);
  const part = program.parts[moves.part]!;
  const down = part.clockDownMs;
  const running = !moves.over && !moves.paused && !moves.waiting;
  // While the clock runs, the time of the play at which it showed nothing stays the same.
  const lastT = state[AT.lastT]!;
  const clockStartT = lastT - clockAt(program, state, lastT);
  const whistleT = clockStartT + down;
  const dueT = down > 0 && running ? whistleT : null;
  const swapT = running && moves.swapAtMs !== null ? clockStartT + moves.swapAtMs : null;
  const ranOut = rangOut && dueT !== null;

  useEffect(() => {
    const look = () => {
      const now = read();
      setRangOut(dueT !== null && now >= dueT);
      // A share of the time is up: the next player goes on.
      if (swapT !== null && now >= swapT) happen({ do: 'swap' }, swapT);
    };
    look();
    const timer = setInterval(look, 100);
    document.addEventListener('visibilitychange', look);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', look);
    };
  }, [read, happen, dueT, swapT]);

  const inAir = part.inFlightCounts && !moves.owed && part.clockPer === 'part';
  const asks = moves.atWhistle || inAir;

  // Without a ball in the air to ask about, the whistle ends the go by itself; in a hunt with a clock for each, the item.
  useEffect(() => {
    if (!ranOut || asks) return;
    const at = Math.max(whistleT, state[AT.lastT]!);
    const failure = moves.ends.find((end) => end.as === 'failure');
    if (part.clockPer === 'item' && failure) happen({ do: 'attempt', end: failure.id }, at);
    else end('time', at);
  }, [ranOut, asks, happen, end, whistleT, state, part, moves.ends]);

  const readShownMs = useCallback(() => {
    const present = latest.current.state;
    const downMs = program.parts[present[AT.part]!]!.clockDownMs;
    const onClock = clockAt(program, present, Math.max(read(), present[AT.lastT]!));
    return downMs > 0 ? Math.max(0, downMs - onClock) : onClock;
  }, [program, read]);

  const keepNow = useCallback(() => {
    const { events: all, entering: now } = latest.current;
    if (all.length > 0 || isEntering(now)) onChange(all, now, read());
  }, [onChange, read]);

  return {
    program,
    part,
    counting,
    events,
    moves,
    entering,
    keep: keepNow,
    enter: (next) => put(latest.current.events, latest.current.state, next),
    result: measure(program, state, 0, words),
    nothing,
    readShownMs,
    atWhistle: ranOut && asks,
    // A ball that was in the air is tapped in after the whistle: its time is the whistle's, as near as anybody knows.
    attempt: (seen) => happen({ do: 'attempt', ...seen }, ranOut && !moves.atWhistle ? Math.min(read(), whistleT + IN_FLIGHT_GRACE_MS) : undefined),
    choose: (group, to) => happen({ do: 'choose', group, to }),
    gateDone: (face) => moves.owed && happen({ do: 'gateDone', gate: moves.owed.gate, ...(face === undefined ? {} : { face }) }),
    begin: () => happen({ do: 'begin' }),
    swap: () => happen({ do: 'swap' }),
    pause: () => happen({ do: 'pause' }),
    resume: () => happen({ do: 'resume' }),
    finish: () => end(ranOut ? 'time' : 'stopped', ranOut ? Math.max(whistleT, state[AT.lastT]!) : undefined),
    lastTryDone: () => happen({ do: 'finish', why: 'attempts' }),
    giveUpPart: () => end('given-up'),
    takeBack: () => {
      const shorter = undo(latest.current.events);
      setStateBefore(null);
      put(shorter, replay(program, shorter, counting).state, latest.current.entering);
    },
  };
}
