/** Frames have a name for what their rules do, so they are told, typed and written down as frames; but only where the rules are those of frames. */
import type { Effect, Part, Row } from './game';

export interface Frames {
  readonly frames: number;
  readonly pins: number;
  /** The counter of the balls that are still due after the last frame. */
  readonly extra: string;
}

/** The rules of frames with these names: two balls a frame, bonuses carried, extra balls after the last frame. */
function rowsOfFrames(
  { points, frame, ball, extra, pin }: Readonly<Record<'points' | 'frame' | 'ball' | 'extra' | 'pin', string>>,
  last: number,
): Row[] {
  const score: Effect = { do: 'add', counter: points, amount: 'felled', timesCarry: true };
  const reset: Effect = { do: 'reset', group: pin };
  const ends: readonly Effect[] = [{ do: 'add', counter: frame, amount: 1 }, { do: 'set', counter: ball, amount: 0 }, reset];
  const used: Effect = { do: 'add', counter: extra, amount: -1 };
  const row = (conds: Row['if'], effects: readonly Effect[]): Row => ({ if: conds, validity: 'counts', do: [score, ...effects] });
  const down = [`left.${pin}`, '=', 0] as const;
  const first = [`n.${ball}`, '=', 0] as const;
  const early = [`n.${frame}`, '<=', last - 2] as const;
  const due = [`n.${extra}`, '>=', 1] as const;
  return [
    row([due, down], [used, reset]),
    row([due], [used]),
    row([first, down, early], [{ do: 'carry', next: 1, afterNext: 1 }, ...ends]),
    row([first, down], [{ do: 'set', counter: extra, amount: 2 }, ...ends]),
    row([first], [{ do: 'set', counter: ball, amount: 1 }]),
    row([down, early], [{ do: 'carry', next: 1, afterNext: 0 }, ...ends]),
    row([down], [{ do: 'set', counter: extra, amount: 1 }, ...ends]),
    row([], ends),
  ];
}

/** The same whatever the order of the fields. */
const plain = (value: unknown): string =>
  JSON.stringify(value, (_, one: unknown) =>
    typeof one === 'object' && one !== null && !Array.isArray(one)
      ? Object.fromEntries(Object.entries(one).sort(([a], [b]) => (a < b ? -1 : 1)))
      : one,
  );

/** How many frames with how many pins; null for a part whose rules are not exactly those of frames. */
export function readFrames(part: Part): Frames | null {
  const { measure, stop, rows, tasks } = part;
  const [task] = tasks;
  const pin = task?.at;
  const group = pin === undefined ? undefined : part.groups[pin];
  const [atLast, noneDue] = stop[0]?.if ?? [];
  const ball = rows[4]?.if[0]?.[0];
  if (typeof measure.of === 'string' || tasks.length !== 1 || task!.see !== 'felled' || !group || group.up !== undefined) return null;
  if (part.startAt || part.also || task!.flags || stop.length !== 1 || stop[0]!.if.length !== 2 || stop[0]!.why !== 'rounds') return null;
  const [points] = Object.keys(measure.of.sum);
  const frames = Number(atLast?.[2]);
  if (points === undefined || measure.of.sum[points] !== 1 || Object.keys(measure.of.sum).length > 1) return null;
  if (atLast?.[1] !== '>=' || plain(noneDue?.slice(1)) !== '["<=",0]' || !ball?.startsWith('n.')) return null;
  const [frame, extra] = [atLast[0], noneDue![0]].map((operand) => operand.slice(2)) as [string, string];
  const names = { points, frame, extra, ball: ball.slice(2), pin: pin! };
  return new Set(Object.values(names)).size === 5 && plain(rows) === plain(rowsOfFrames(names, frames)) ? { frames, pins: group.n, extra } : null;
}
