/** Plays on the engine: events of the format one by one (reduce is copy + step), whole lists, and undo by replay. */
import { AT, B, Phase, type Program } from './compile';
import { Kind, reason, refusalOf, start, step, type Refusal, type State } from './engine';
import type { CountingWay, PlayEvent } from '../format/play';

interface Encoded {
  readonly kind: Kind;
  readonly a: number;
  readonly b: number;
  readonly c: number;
}

const encoded = (kind: Kind, a = 0, b = 0, c = 0): Encoded => ({ kind, a, b, c });

/** The mask of the first `count` elements that stand: which pins fell is not known, how many is. */
function firstStanding(standing: number, count: number): number | undefined {
  let mask = 0;
  for (let bit = 0; bit < 30 && count > 0; bit += 1) {
    if ((standing & (1 << bit)) === 0) continue;
    mask |= 1 << bit;
    count -= 1;
  }
  return count === 0 ? mask : undefined;
}

/** An event of the format as the numbers that step() takes, or the reason why it cannot be one of this game. */
function encode(program: Program, state: State, event: PlayEvent): Encoded | Refusal {
  const part = program.parts[state[AT.part]!]!;
  const base = state[AT.base]!;
  switch (event.do) {
    case 'attempt': {
      if (state[AT.phase] !== Phase.playing) return state[AT.phase] === Phase.between ? 'not-begun' : 'finished';
      const task = part.tasks[state[base + B.task]!]!;
      let flags = 0;
      for (const flag of event.flags ?? []) {
        const index = task.flags.indexOf(flag);
        if (index < 0) return 'not-in-this-game';
        flags |= 1 << index;
      }
      const of = (a: number | undefined) => (a === undefined ? 'not-in-this-game' : encoded(Kind.attempt, a, flags));
      switch (task.see) {
        case 'end':
        case 'text':
          return event.end === undefined ? 'unknown-end' : of(task.ends.indexOf(event.end));
        case 'felled': {
          if (event.felled) return of(event.felled.reduce((mask, pin) => mask | (1 << pin), 0));
          if (event.count === undefined) return 'not-in-this-game';
          const fell = firstStanding(task.at >= 0 ? state[base + part.groups[task.at]!.offset + 1]! : 0, event.count);
          return fell === undefined ? 'not-standing' : of(fell);
        }
        case 'count':
          return of(event.count);
        case 'length':
          return of(event.lengthMm);
        case 'face':
          return event.face !== undefined && event.face < (part.part.tasks[state[base + B.task]!]!.faces?.length ?? 6)
            ? of(event.face)
            : 'unknown-end';
      }
    }
    // falls through never: every case above returns
    case 'gateDone':
      return encoded(
        Kind.gateDone,
        part.gates.findIndex((gate) => gate.id === event.gate),
        event.face ?? 0,
      );
    case 'tally':
      if ('row' in event && event.row !== undefined) return encoded(Kind.tally, event.row, event.n, event.at ?? 0);
      return 'counter' in event && part.part.counters.includes(event.counter)
        ? encoded(Kind.tallyCounter, part.counterOffset(event.counter), event.n)
        : 'not-in-this-game';
    case 'choose':
      return encoded(
        Kind.choose,
        part.groups.findIndex((group) => group.id === event.group),
        event.to,
      );
    case 'swap':
      return encoded(Kind.swap);
    case 'pause':
      return encoded(Kind.pause);
    case 'resume':
      return encoded(Kind.resume);
    case 'void':
      return encoded(Kind.void);
    case 'begin':
      return encoded(Kind.begin);
    case 'finish':
      return encoded(Kind.finish, reason(event.why));
  }
}

export interface Reduced {
  readonly state: State;
  readonly refusal: Refusal | null;
}

/** The state after one more event; the given state is not changed. A refused event gives the same state and the reason. */
export function reduce(program: Program, state: State, event: PlayEvent): Reduced {
  const next = state.slice();
  const refusal = advance(program, next, event);
  return refusal ? { state, refusal } : { state: next, refusal: null };
}

/** One event of the format on the state, in place; null when it was taken. */
export function advance(program: Program, state: State, event: PlayEvent): Refusal | null {
  const numbers = encode(program, state, event);
  if (typeof numbers === 'string') return numbers;
  const refused = step(program, state, numbers.kind, event.t, numbers.a, numbers.b, numbers.c);
  return refusalOf(refused) ?? null;
}

export interface Replayed {
  readonly state: State;
  /** The events that the engine refused, by their number in the list. */
  readonly refused: readonly { readonly index: number; readonly reason: Refusal }[];
}

/** Plays a whole list of events. Refused events are left out and told. */
export function replay(program: Program, events: readonly PlayEvent[], counting: CountingWay = 'attempts'): Replayed {
  const state = start(program, counting);
  const refused: { index: number; reason: Refusal }[] = [];
  events.forEach((event, index) => {
    const refusal = advance(program, state, event);
    if (refusal) refused.push({ index, reason: refusal });
  });
  return { state, refused };
}

/**
 * The list without the last attempt, exercise or count, and without the choices of a mark made after it; replaying it is the undo. Pauses
 * stay: they happened.
 */
export function undo(events: readonly PlayEvent[]): readonly PlayEvent[] {
  const last = events.findLastIndex((event) => event.do === 'attempt' || event.do === 'gateDone' || event.do === 'tally');
  return last < 0
    ? events
    : events.filter((event, index) => index < last || (index > last && !['choose', 'finish', 'begin', 'swap', 'void'].includes(event.do)));
}
