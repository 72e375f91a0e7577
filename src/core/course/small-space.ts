/** A level where there is little room: how long a clear line it needs, and its places side by side. */
import type { Game, Spot } from '../rules/format/game';
import { resolveLevel } from '../rules/format/level';
import { aimOf, distanceM, insideFloor, middleOfAll } from './geometry';
import { millimetres, withList } from './move';

/**
 * The small-space form of a level: places side by side, all as far from their target as fits a clear line of so many metres, instead of
 * farther and farther away. The same game where nothing is aimed at.
 */
export function sideBySide(game: Game, levelIndex: number, clearM: number): Game {
  const level = resolveLevel(game, levelIndex);
  let next = game;
  for (const [group, spots] of Object.entries(level.course.places)) {
    const aims = spots.map((spot) => aimOf(level, group, spot));
    if (
      aims.some((aim) => aim === undefined) ||
      !level.parts.some((part) => part.stages.some((task) => task.from === group && task.at !== undefined))
    )
      continue;
    const target = middleOfAll(aims as Spot[]);
    const centre = middleOfAll(spots);
    const lengths = spots.map((spot, index) => distanceM(spot, aims[index]!));
    const length = Math.min(clearM - 0.3, lengths.reduce((sum, one) => sum + one, 0) / lengths.length);
    const heading = Math.atan2(centre.yM - target.yM, centre.xM - target.xM);
    // Half a metre from one to the next, along the arc.
    const gap = Math.min(0.5 / length, Math.PI / Math.max(1, spots.length - 1) / 1.5);
    const moved = spots.map((spot, index) => {
      const angle = heading + (index - (spots.length - 1) / 2) * gap;
      return {
        ...spot,
        ...insideFloor(level, { xM: millimetres(target.xM + length * Math.cos(angle)), yM: millimetres(target.yM + length * Math.sin(angle)) }),
      };
    });
    next = withList(next, levelIndex, `/course/places/${group}`, moved, true);
  }
  return next;
}

/** The longest clear line that a level needs: its longest try and room to stand, metres. */
export function clearLineM(level: Game): number {
  const lengths = Object.entries(level.course.places).flatMap(([group, spots]) =>
    spots.flatMap((spot) => {
      const aim = aimOf(level, group, spot);
      return aim ? [distanceM(spot, aim)] : [];
    }),
  );
  return lengths.length === 0 ? 0 : Math.max(...lengths) + 0.3;
}
