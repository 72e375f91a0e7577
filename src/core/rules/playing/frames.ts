/** The frame sheet: what fell, frame by frame, with the running total, read from the events. */
import { AT, type PartProgram, type Program } from './program';
import { popCount } from './effects';
import { start } from './engine';
import { advance } from './replay';
import type { PlayEvent } from '../format/play';

export interface Frame {
  readonly balls: readonly number[];
  readonly kind: 'open' | 'spare' | 'strike';
  /** The score up to and with this frame; null while a bonus is still to come. */
  readonly total: number | null;
}

/** True for a game whose balls carry bonuses: it is written on a frame sheet. */
export function playsFrames(part: PartProgram): boolean {
  return part.rows.some((row) => row.carryNext > 0 || row.carryAfter > 0);
}

/** The frame sheet of a card of frames alone; null for any other game. */
export function frameSheetOf(program: Program, events: readonly PlayEvent[]): readonly Frame[] | null {
  return program.parts.length === 1 && playsFrames(program.parts[0]!) ? framesOf(program, events) : null;
}

/** The frames so far. Extra balls after the last frame stand in it. */
export function framesOf(program: Program, events: readonly PlayEvent[]): readonly Frame[] {
  const part = program.parts[0]!;
  const pinGroup = part.groups.find((group) => group.kind === 'pin')!;
  const frames = Number(part.part.stop.flatMap((stop) => stop.if).find(([operand, op]) => operand.startsWith('n.') && op === '>=')?.[2] ?? 10);
  const state = start(program);
  const standing = () => popCount(state[state[AT.base]! + pinGroup.offset + 1]!);
  const list: number[][] = [];
  let open = false;
  for (const event of events) {
    const before = standing();
    if (advance(program, state, event) !== null || event.do !== 'attempt') continue;
    const fell = event.felled?.length ?? event.count ?? 0;
    if (!open && list.length < frames) list.push([]);
    list.at(-1)!.push(fell);
    open = fell < before && !open && list.length <= frames;
  }
  const balls = list.flat();
  let at = 0;
  let total: number | null = 0;
  return list.map((frame) => {
    const first = frame[0]!;
    const two = first + (frame[1] ?? 0);
    const kind = first === pinGroup.n ? 'strike' : two >= pinGroup.n && frame.length > 1 ? 'spare' : 'open';
    const needed = kind === 'open' ? 2 : 3;
    const known = balls.slice(at, at + needed);
    at += kind === 'strike' ? 1 : 2;
    total = total === null || known.length < needed ? null : total + known.reduce((sum, one) => sum + one, 0);
    return { balls: frame, kind, total };
  });
}
