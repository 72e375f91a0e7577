import { AT, B, Mode, Phase, type PartProgram, type Program, type State } from './program';
import { playedMs } from './clock';
import { isNext } from './engine';
import type { End, Gate, Task } from '../format/game';

/** Elements that the child may choose among now. */
export interface MoveChoice {
  readonly group: string;
  readonly kind: 'place' | 'target' | 'pin' | 'item' | 'implement';
  readonly options: readonly number[];
  readonly at: number;
  readonly labels: readonly string[];
  readonly values: readonly number[];
  readonly n: number;
}

/** What may happen next: it drives the buttons of the counter. */
export interface NextMoves {
  readonly over: boolean;
  readonly paused: boolean;
  /** The next part waits to be started: its title, and which go of how many. */
  readonly waiting: { readonly title: string; readonly go: number; readonly goes: number; readonly number: number; readonly of: number } | null;
  /** What must be done before the next attempt. */
  readonly owed: (Gate & { readonly gate: string }) | null;
  readonly task: Task;
  readonly ends: readonly End[];
  readonly flags: readonly { readonly id: string; readonly words: string }[];
  /** The marks that the child may choose among now; null when the order is set. */
  readonly choice: MoveChoice | null;
  /** The targets, items or pins that the child may choose among now. */
  readonly aim: MoveChoice | null;
  /** Pins or targets that stand, by their number, for a task that sees what falls. */
  readonly standing: readonly number[];
  /** Of several that fall at once all but one may be put up again: the child says which stays down. */
  readonly keepsOne: boolean;
  /** The number of the mark, from 0, that the next attempt is made from, and how many there are. */
  readonly place: number;
  readonly places: number;
  /** What each mark gives for a success, where marks have values. */
  readonly values: readonly number[];
  readonly side: number;
  readonly sides: number;
  /** How often the next ball and the one after it count extra. */
  readonly carry: readonly [number, number];
  /** Asked only when the time is up. */
  readonly atWhistle: boolean;
  /** A countdown split between players has come to the next one's share at this time, milliseconds of the clock; null where it is not split. */
  readonly swapAtMs: number | null;
  /** Every named counter with what it holds. */
  readonly counters: readonly { readonly id: string; readonly words: string; readonly value: number }[];
  readonly part: number;
}

function choiceOf(part: PartProgram, state: State, base: number, index: number, kindsOnly?: 'several'): MoveChoice | null {
  if (index < 0) return null;
  const group = part.groups[index]!;
  if (group.order === 'fixed') return null;
  const at = state[base + group.offset]!;
  const options = Array.from({ length: group.n }, (_, one) => one).filter(
    (one) => (state[base + group.offset + 1]! & (1 << one)) !== 0 && (group.order === 'free' || isNext(state[base + group.offset + 1]!, at, one)),
  );
  if (kindsOnly && group.n === 1) return null;
  return {
    group: group.id,
    kind: group.kind,
    options,
    at,
    labels: part.part.groups[group.id]!.labels ?? [],
    values: [...group.values],
    n: group.n,
  };
}

export function nextMoves(program: Program, state: State): NextMoves {
  const part = program.parts[state[AT.part]!]!;
  const base = state[AT.base]!;
  const phase = state[AT.phase]!;
  const compiledTask = part.stages[phase === Phase.playing ? state[base + B.stage]! : 0]!;
  const task = part.part.stages[part.stages.indexOf(compiledTask)]!;
  const from = compiledTask.from >= 0 ? part.groups[compiledTask.from]! : undefined;
  const at = compiledTask.at >= 0 ? part.groups[compiledTask.at]! : undefined;
  const place = from ? state[base + from.offset]! : 0;
  const owing = phase === Phase.playing && state[AT.mode] === Mode.attempts ? part.gates.find((gate) => state[base + gate.offset]! > 0) : undefined;
  const standingMask = at ? state[base + at.offset + 1]! : 0;
  const split = program.turn === 'half-time' && program.sides > 1 && part.clockDownMs > 0 && state[AT.side]! < program.sides - 1;
  const choice = choiceOf(part, state, base, compiledTask.from);
  // What falls is seen, not chosen.
  const aim = task.see === 'felled' ? null : choiceOf(part, state, base, compiledTask.at, 'several');
  return {
    over: phase === Phase.finished,
    paused: state[AT.pausedSince]! >= 0,
    waiting:
      phase === Phase.between
        ? {
            title: part.part.title ?? '',
            go: state[AT.go]! + 1,
            goes: part.goes,
            number: part.index + 1,
            of: program.parts.length,
          }
        : null,
    owed: owing ? { ...part.part.gates[owing.id]!, n: state[base + owing.offset]!, gate: owing.id } : null,
    task,
    ends: phase === Phase.finished ? [] : (task.ends ?? []).filter((end) => state[AT.mode] !== Mode.successes || end.as === 'success'),
    flags: (task.flags ?? []).map((id) => ({ id, words: task.flagWords?.[id] ?? id })),
    // One that is left is chosen too, where the child still stands at another that is done.
    choice: choice && (choice.options.length > 1 || (choice.options.length === 1 && choice.options[0] !== place)) ? choice : null,
    aim,
    standing: at ? Array.from({ length: at.n }, (_, one) => one).filter((one) => (standingMask & (1 << one)) !== 0) : [],
    keepsOne: task.see === 'felled' && part.keepsOne,
    place,
    places: from?.n ?? 0,
    values: from ? [...from.values] : [],
    side: state[AT.side]!,
    sides: program.sides,
    carry: [state[base + B.carryNext]!, state[base + B.carryAfter]!],
    atWhistle: compiledTask.atWhistle,
    swapAtMs: split ? (part.clockDownMs * (state[AT.side]! + 1)) / program.sides : null,
    counters: part.part.counters
      .filter((id) => part.part.counterWords?.[id] !== undefined)
      .map((id) => ({ id, words: part.part.counterWords![id]!, value: state[base + part.counterOffset(id)]! })),
    part: part.index,
  };
}

/** Milliseconds on the clock at this time: of the part, or of the player or item whose clock it is. */
export function clockAt(program: Program, state: State, t: number): number {
  const part = program.parts[state[AT.part]!]!;
  const stopped = state[AT.heldSince]! >= 0 ? state[AT.heldSince]! : state[AT.pausedSince]! >= 0 ? state[AT.pausedSince]! : t;
  if (state[AT.phase] !== Phase.playing) return state[AT.phase] === Phase.between ? 0 : playedMs(state);
  const running = stopped - state[AT.clockT]!;
  return Math.max(0, running + (part.clockPer === 'side' ? state[state[AT.base]! + B.usedMs]! : 0));
}
