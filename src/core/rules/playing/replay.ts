/** Plays on the engine: events of the format one by one (reduce is copy + advance), whole lists, and undo by replay. */
import { attempt, begin, choose, finish, gateDone, pause, resume, start, swap, tally, tallyCounter, voided } from './engine';
import { AT, B, Phase, type PartProgram, type Program, type State } from './program';
import { refusalOf, type Refusal } from './refusals';
import { reason } from './turns';
import type { CountingWay, PlayEvent } from '../format/play';

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

/** What was seen of a try, as the number that the engine takes: by how its task is looked at. A reason where it cannot be one of this game. */
function sawOf(part: PartProgram, state: State, event: Extract<PlayEvent, { do: 'attempt' }>): number | Refusal {
  const base = state[AT.base]!;
  const task = part.stages[state[base + B.stage]!]!;
  switch (task.see) {
    case 'end':
    case 'text':
      return event.end === undefined ? 'unknown-end' : task.ends.indexOf(event.end);
    case 'felled': {
      if (event.felled) return event.felled.reduce((mask, pin) => mask | (1 << pin), 0);
      if (event.count === undefined) return 'not-in-this-game';
      return firstStanding(task.at >= 0 ? state[base + part.groups[task.at]!.offset + 1]! : 0, event.count) ?? 'not-standing';
    }
    case 'count':
      return event.count ?? 'not-in-this-game';
    case 'length':
      return event.lengthMm ?? 'not-in-this-game';
    case 'face':
      return event.face !== undefined && event.face < (part.part.stages[state[base + B.stage]!]!.faces?.length ?? 6) ? event.face : 'unknown-end';
  }
}

/** What happened on the way, as bits; nothing where the game does not know it. */
function flagsOf(part: PartProgram, flags: readonly string[]): number | undefined {
  const known = part.stages[0]!.flags;
  let mask = 0;
  for (const flag of flags) {
    const index = known.indexOf(flag);
    if (index < 0) return undefined;
    mask |= 1 << index;
  }
  return mask;
}

function play(program: Program, state: State, event: PlayEvent): number | Refusal {
  const part = program.parts[state[AT.part]!]!;
  const { t } = event;
  switch (event.do) {
    case 'attempt': {
      if (state[AT.phase] !== Phase.playing) return state[AT.phase] === Phase.between ? 'not-begun' : 'finished';
      const flags = flagsOf(part, event.flags ?? []);
      const saw = sawOf(part, state, event);
      if (flags === undefined) return 'not-in-this-game';
      return typeof saw === 'string' ? saw : attempt(program, state, t, saw, flags, event.kept);
    }
    case 'gateDone':
      return gateDone(
        program,
        state,
        t,
        part.gates.findIndex((gate) => gate.id === event.gate),
        event.face ?? 0,
      );
    case 'tally':
      if ('row' in event && event.row !== undefined) return tally(program, state, t, event.row, event.n, event.at ?? 0);
      return 'counter' in event && part.part.counters.includes(event.counter)
        ? tallyCounter(state, t, part.counterOffset(event.counter), event.n)
        : 'not-in-this-game';
    case 'choose':
      return choose(
        program,
        state,
        t,
        part.groups.findIndex((group) => group.id === event.group),
        event.to,
      );
    case 'swap':
      return swap(program, state, t);
    case 'pause':
      return pause(state, t);
    case 'resume':
      return resume(state, t);
    case 'void':
      return voided(state, t);
    case 'begin':
      return begin(program, state, t);
    case 'finish':
      return finish(program, state, t, reason(event.why));
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
  const answer = play(program, state, event);
  return typeof answer === 'string' ? answer : (refusalOf(answer) ?? null);
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
