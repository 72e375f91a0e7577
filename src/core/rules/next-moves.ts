import { AT, type Program } from './compile';
import type { State } from './engine';
import type { End } from './game';

/** What may happen next: it drives the buttons of the counter. */
export interface NextMoves {
  readonly over: boolean;
  readonly paused: boolean;
  /** The exercise that must be done before the next attempt. */
  readonly owed: { readonly gate: string; readonly what: string; readonly n: number; readonly onClock: boolean } | null;
  readonly ends: readonly End[];
  /** The marks that the child may choose among now; null when the order is set. */
  readonly choice: { readonly group: string; readonly options: readonly number[]; readonly at: number } | null;
  /** The number of the mark, from 0, that the next attempt is made from. */
  readonly place: number;
  /** What each mark gives for a success, where marks have values. */
  readonly values: readonly number[];
}

export function nextMoves(program: Program, state: State): NextMoves {
  const { part } = program;
  const over = state[AT.phase] !== 0;
  const task = program.tasks[state[AT.task]!]!;
  const from = task.from >= 0 ? program.groups[task.from]! : undefined;
  const at = from ? state[from.offset]! : 0;
  const owing = program.gates.find((gate) => state[gate.offset]! > 0);
  const rule = owing ? part.gates[owing.id]! : undefined;
  let options: number[] = [];
  if (from && from.order !== 'fixed') {
    options = Array.from({ length: from.n }, (_, index) => index).filter(
      (index) => (state[from.offset + 1]! & (1 << index)) !== 0 && (from.order === 'free' || Math.abs(index - at) <= 1),
    );
  }
  return {
    over,
    paused: state[AT.pausedSince]! >= 0,
    owed: owing && rule ? { gate: owing.id, what: rule.what, n: state[owing.offset]!, onClock: rule.onClock } : null,
    ends: over ? [] : (part.tasks[state[AT.task]!]!.ends ?? []),
    choice: from && options.length > 1 ? { group: from.id, options, at } : null,
    place: at,
    values: from ? [...from.values] : [],
  };
}
