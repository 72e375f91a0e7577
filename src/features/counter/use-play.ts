'use client';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { AT, compile, type Program } from '@/core/rules/compile';
import { IN_FLIGHT_GRACE_MS, reduce, replay, undo, type State } from '@/core/rules/engine';
import type { Game } from '@/core/rules/game';
import { measure, type Result } from '@/core/rules/measure';
import { nextMoves, type NextMoves } from '@/core/rules/next-moves';
import type { PlayEvent } from '@/core/rules/play';
import { TrueClock } from './true-clock';

export interface PlayInHand {
  readonly program: Program;
  readonly events: readonly PlayEvent[];
  readonly state: State;
  readonly moves: NextMoves;
  readonly result: Result;
  /** Milliseconds left of a countdown, or played so far without one. */
  readonly shownMs: number;
  /** The countdown has ended and a ball may still have been in the air. */
  readonly atWhistle: boolean;
  readonly attempt: (end: string) => void;
  readonly choose: (to: number) => void;
  readonly exerciseDone: () => void;
  readonly pause: () => void;
  readonly resume: () => void;
  readonly finish: () => void;
  readonly takeBack: () => void;
}

type Unstamped = PlayEvent extends infer E ? (E extends PlayEvent ? Omit<E, 't'> : never) : never;

/** One go in play: the engine's state, driven by taps and a clock that keeps true. `already` goes on with a go that was begun. */
export function usePlay(game: Game, already: readonly PlayEvent[], onEvents: (events: readonly PlayEvent[]) => void): PlayInHand {
  const program = useMemo(() => {
    const compiled = compile(game);
    if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
    return compiled.value;
  }, [game]);
  const [events, setEvents] = useState<readonly PlayEvent[]>(already);
  const [state, setState] = useState<State>(() => replay(program, already).state);
  const [nowMs, setNowMs] = useState(already.at(-1)?.t ?? 0);
  const clock = useRef<TrueClock | null>(null);
  const latest = useRef({ events, state });

  const read = useCallback(() => {
    clock.current ??= new TrueClock(latest.current.events.at(-1)?.t ?? 0);
    return clock.current.read();
  }, []);

  const put = useCallback(
    (next: readonly PlayEvent[], nextState: State) => {
      latest.current = { events: next, state: nextState };
      setEvents(next);
      setState(nextState);
      onEvents(next);
    },
    [onEvents],
  );

  const happen = useCallback(
    (event: Unstamped, atMs?: number) => {
      const stamped = { ...event, t: atMs ?? read() } as PlayEvent;
      const reduced = reduce(program, latest.current.state, stamped);
      if (!reduced.refusal) put([...latest.current.events, stamped], reduced.state);
    },
    [program, put, read],
  );

  useEffect(() => {
    const tick = () => setNowMs(read());
    const timer = setInterval(tick, 100);
    document.addEventListener('visibilitychange', tick);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', tick);
    };
  }, [read]);

  const moves = nextMoves(program, state);
  const down = program.clockDownMs;
  const pausedSince = state[AT.pausedSince]!;
  const pausedMs = state[AT.pausedMs]!;
  const playedMs = (moves.paused ? pausedSince : Math.max(nowMs, state[AT.lastT]!)) - pausedMs;
  const ranOut = down > 0 && !moves.over && !moves.paused && playedMs >= down;
  const whistleT = down + pausedMs;

  // Without a ball in the air to ask about, the whistle ends the go by itself.
  useEffect(() => {
    if (ranOut && (!program.inFlightCounts || moves.owed)) happen({ do: 'finish', why: 'time' }, Math.max(whistleT, state[AT.lastT]!));
  }, [ranOut, program.inFlightCounts, moves.owed, happen, whistleT, state]);

  return {
    program,
    events,
    state,
    moves,
    result: measure(program, state),
    shownMs: down > 0 ? Math.max(0, down - playedMs) : playedMs,
    atWhistle: ranOut,
    // A ball that was in the air is tapped in after the whistle: its time is the whistle's, as near as anybody knows.
    attempt: (end) => happen({ do: 'attempt', end }, ranOut ? Math.min(read(), whistleT + IN_FLIGHT_GRACE_MS) : undefined),
    choose: (to) => moves.choice && happen({ do: 'choose', group: moves.choice.group, to }),
    exerciseDone: () => moves.owed && happen({ do: 'gateDone', gate: moves.owed.gate }),
    pause: () => happen({ do: 'pause' }),
    resume: () => happen({ do: 'resume' }),
    finish: () => happen({ do: 'finish', why: ranOut ? 'time' : 'stopped' }, ranOut ? Math.max(whistleT, state[AT.lastT]!) : undefined),
    takeBack: () => {
      const shorter = undo(latest.current.events);
      put(shorter, replay(program, shorter).state);
    },
  };
}
