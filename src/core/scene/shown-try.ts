/** One try as it is drawn from above: from where, to where it comes, what is said of it. For a play that is watched and for the scene. */
import { aimOf, distanceM, middleOfAll, targetFrom } from '../course/geometry';
import type { PlayEvent } from '../rules/format/play';
import type { Game, Spot } from '../rules/format/game';
import type { NextMoves } from '../rules/playing/next-moves';

export type TryEvent = Extract<PlayEvent, { do: 'attempt' }>;

export interface ShownTry {
  readonly from: Spot;
  readonly ends: Spot;
  readonly words: string;
  readonly success: boolean;
  /** Nothing is thrown: the child itself goes from spot to spot, or stays. */
  readonly goes: boolean;
}

/**
 * The try of this event, made where the moves before it say. Two draws below 2³² say how far past and on which side a miss ends; the level is
 * one that is resolved.
 */
export function shownTry(level: Game, moves: NextMoves, event: TryEvent, past: number, aside: number): ShownTry {
  const { task } = moves;
  const spots = task.from === undefined ? [] : (level.course.places[task.from] ?? []);
  const from = spots[moves.place] ?? spots[0] ?? { xM: level.course.floor.widthM / 2, yM: level.course.floor.depthM / 2 };
  const targets = task.at === undefined ? [] : (level.course.targets[task.at] ?? []);
  const goes = task.technique === 'move' || targets.length === 0;
  const fell = (event.felled ?? []).flatMap((pin) => targets[pin] ?? []);
  const standing = moves.standing.flatMap((pin) => targets[pin] ?? []);
  const aim =
    fell.length > 0
      ? middleOfAll(fell)
      : task.see === 'felled' && standing.length > 0
        ? middleOfAll(standing)
        : moves.aim && targets[moves.aim.at]
          ? targets[moves.aim.at]!
          : goes
            ? (spots[(moves.place + 1) % Math.max(1, spots.length)] ?? from)
            : (targetFrom(level, task.from ?? '', from) ?? aimOf(level, task.from ?? '', from) ?? from);
  const end = task.ends?.find((one) => one.id === event.end);
  const success = end ? end.as === 'success' : (event.felled?.length ?? 0) > 0 || task.see !== 'felled';
  return { from, ends: success || goes ? aim : missed(level, from, aim, past, aside), words: wordsOf(event, end?.label, task.faces), success, goes };
}

function wordsOf(event: TryEvent, label: string | undefined, faces: readonly string[] = []): string {
  if (label !== undefined) return label;
  if (event.felled !== undefined) return event.felled.length === 0 ? 'none falls' : `${event.felled.length} fall`;
  if (event.lengthMm !== undefined) return `${(event.lengthMm / 1000).toFixed(2)} m`;
  if (event.face !== undefined) return faces[event.face] ?? '';
  return event.count === undefined ? '' : `${event.count}`;
}

/** A miss ends beside or past what was aimed at, inside the floor. */
function missed(level: Game, from: Spot, aim: Spot, pastDraw: number, asideDraw: number): Spot {
  const share = (draw: number) => draw / 0x1_0000_0000;
  const length = Math.max(0.01, distanceM(from, aim));
  const [ux, uy] = [(aim.xM - from.xM) / length, (aim.yM - from.yM) / length];
  const past = 0.2 + 0.5 * share(pastDraw);
  const aside = (asideDraw < 0x8000_0000 ? -1 : 1) * (0.2 + 0.3 * share((asideDraw * 2) % 0x1_0000_0000));
  const { widthM, depthM } = level.course.floor;
  const within = (value: number, most: number) => Math.min(most - 0.05, Math.max(0.05, value));
  return { xM: within(aim.xM + ux * past - uy * aside, widthM), yM: within(aim.yM + uy * past + ux * aside, depthM) };
}
