/** Frames have a name for what their rules do, so they are told, typed and written down as frames; but only where the rules are those of frames. */
import { plain } from './plain';
import type { Cond, Effect, Part, Row, Stage, Task } from './game';

export interface Frames {
  readonly frames: number;
  readonly pins: number;
}

interface FrameNames {
  readonly points: string;
  readonly frame: string;
  readonly pin: string;
}

/**
 * The stages of frames: two balls a frame, bonuses carried, and after the last frame the balls that are still due. The try of each is the same
 * task.
 */
export function stagesOfFrames(task: Task, { points, frame, pin }: FrameNames, last: number): Stage[] {
  const score: Effect = { do: 'add', counter: points, amount: 'felled', timesCarry: true };
  const reset: Effect = { do: 'reset', group: pin };
  const over: readonly Effect[] = [{ do: 'add', counter: frame, amount: 1 }, reset];
  const to = (stage: string): Effect => ({ do: 'stage', to: stage });
  const down: Cond = [`left.${pin}`, '=', 0];
  const early: Cond = [`n.${frame}`, '<=', last - 2];
  const row = (conds: Row['if'], ...effects: readonly Effect[]): Row => ({ if: conds, validity: 'counts', do: [score, ...effects] });
  const stage = (id: string, name: string, ...rows: readonly Row[]): Stage => ({ ...task, id, name, rows });
  return [
    stage(
      'first',
      'first ball',
      row([down, early], { do: 'carry', next: 1, afterNext: 1 }, ...over),
      row([down], ...over, to('two-more')),
      row([], to('second')),
    ),
    stage(
      'second',
      'second ball',
      row([down, early], { do: 'carry', next: 1, afterNext: 0 }, ...over, to('first')),
      row([down], ...over, to('one-more')),
      row([], ...over, to('first')),
    ),
    stage('two-more', 'two balls more', row([down], reset, to('one-more')), row([], to('one-more'))),
    stage('one-more', 'one ball more', row([], to('first'))),
  ];
}

export const stopOfFrames = (frame: string, last: number): Part['stop'] => [
  {
    if: [
      [`n.${frame}`, '>=', last],
      ['stage', '=', 'first'],
    ],
    why: 'rounds',
  },
];

/** How many frames with how many pins; null for a part whose rules are not exactly those of frames. */
export function readFrames(part: Part): Frames | null {
  const { measure, stop, rows, stages } = part;
  const first = stages[0]!;
  const group = first.at === undefined ? undefined : part.groups[first.at];
  const [atLast] = stop[0]?.if ?? [];
  if (typeof measure.of === 'string' || rows.length > 0 || first.see !== 'felled' || !group || group.up !== undefined || !atLast) return null;
  if (part.startAt || part.also || first.flags) return null;
  const [points, ...more] = Object.keys(measure.of.sum);
  const [frame, frames] = [atLast[0].slice(2), Number(atLast[2])];
  if (points === undefined || more.length > 0 || measure.of.sum[points] !== 1 || points === frame) return null;
  const { id: _id, name: _name, rows: _rows, ...task } = first;
  const told = (list: readonly Stage[]) => plain(list.map(({ name: _told, ...stage }) => stage));
  const same = told(stages) === told(stagesOfFrames({ ...task, id: '' }, { points, frame, pin: first.at! }, frames));
  return same && plain(stop) === plain(stopOfFrames(frame, frames)) ? { frames, pins: group.n } : null;
}
