/** What the counter shows and asks, read off the play in hand. No interface here. */
import type { Part } from '@/core/rules/format/game';
import type { NextMoves } from '@/core/rules/playing/next-moves';
import { playsFrames } from '@/core/rules/playing/frames';
import type { PlayInHand } from './use-play';

/** Minutes and seconds: a countdown shows the second that runs, a clock that counts up the seconds that have gone. */
export function clockText(ms: number, up: boolean): string {
  const seconds = up ? Math.floor(ms / 1000) : Math.ceil(ms / 1000 - 0.001);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}

/** What stands in the middle of the counter. */
export function stageOf({ moves, atWhistle }: Pick<PlayInHand, 'moves' | 'atWhistle'>): 'waiting' | 'paused' | 'gate' | 'try' {
  if (moves.waiting) return 'waiting';
  if (moves.paused) return 'paused';
  return moves.owed && !atWhistle ? 'gate' : 'try';
}

/** Where much is to be chosen the clock makes room. */
export const isCrowded = (moves: Pick<NextMoves, 'owed' | 'aim' | 'flags' | 'ends' | 'task'>): boolean =>
  !moves.owed && (moves.aim !== null || moves.flags.length > 0 || moves.ends.length > 3 || moves.task.see === 'felled');

/** The number of tries that ends a part; null where something else does, or where it is one. */
export function triesAsked(part: Pick<Part, 'stop'>): number | null {
  const n = part.stop.find((stop) => stop.if[0]?.[0] === 'attempts')?.if[0]?.[2];
  return typeof n === 'number' && n >= 2 ? n : null;
}

/** The number of frames of a part that plays them: ten where the rules name none. */
export function framesAsked(part: Pick<Part, 'stop'>): number {
  return Number(part.stop.flatMap((stop) => stop.if).find(([operand, op]) => operand.startsWith('n.') && op === '>=')?.[2] ?? 10);
}

export type SoFar =
  | { readonly is: 'frames'; readonly n: number }
  | { readonly is: 'counter'; readonly value: number; readonly words: string }
  | { readonly is: 'score'; readonly value: number | null; readonly unit: string; readonly beside: NextMoves['counters'] }
  | { readonly is: 'nothing' };

/** What has been made: of the part in play where a card has several. Where the time is the score, what is counted on the way. */
export function soFarOf({ moves, result, program, part }: Pick<PlayInHand, 'moves' | 'result' | 'program' | 'part'>): SoFar {
  if (playsFrames(part)) return { is: 'frames', n: framesAsked(part.part) };
  const { of } = part.part.measure;
  if (of === 'minutes') return { is: 'nothing' };
  if (of === 'clock') {
    const [counter] = moves.counters;
    return counter ? { is: 'counter', value: counter.value, words: counter.words } : { is: 'nothing' };
  }
  const several = program.parts.length > 1;
  const now = result.parts[moves.part];
  // The child is asked for the sum at the end.
  if (program.game.childAdds && !several) return { is: 'nothing' };
  const value = several ? (now?.value ?? 0) : result.value;
  const beside = moves.counters.filter((counter) => counter.value !== value);
  return { is: 'score', value, unit: several ? (now?.unit ?? '') : result.unit, beside: beside.length > 1 ? beside : [] };
}

export type HowSeen = 'checklist' | 'felled' | 'count' | 'length' | 'face' | 'text' | 'at the end' | 'ends';

/** How the next try is written down. */
export function howSeen({ moves, atWhistle }: Pick<PlayInHand, 'moves' | 'atWhistle'>): HowSeen {
  if (moves.aim?.kind === 'item') return 'checklist';
  const { see } = moves.task;
  if (see === 'felled' || see === 'count' || see === 'length' || see === 'face' || see === 'text') return see;
  return moves.atWhistle && !atWhistle ? 'at the end' : 'ends';
}

/** What Undo would take back: null for nothing yet, an empty text for what has no words of its own. */
export function undone({ events, program }: Pick<PlayInHand, 'events' | 'program'>): string | null {
  const last = [...events].reverse().find((event) => event.do !== 'choose');
  if (!last) return null;
  if (last.do !== 'attempt' || last.end === undefined) return '';
  const ends = program.parts.flatMap(({ part }) => part.stages.flatMap((task) => task.ends ?? []));
  return ends.find((end) => end.id === last.end)?.label ?? '';
}
