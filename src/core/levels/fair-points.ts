/** Points that are fair for any game in which a child chooses among places or targets of different worth. */
import { successAt } from '../forecast/attempts';
import type { Game, Part, Task } from '../rules/format/game';
import { resolveLevel } from '../rules/format/level';
import { fairPoints } from './solve';

/** The group of a part that a child chooses from and that has values of its own: where it is tried from, or what is aimed at. */
function chosenGroup(part: Part, task: Task): string | undefined {
  return [task.from, task.at].find((id) => id !== undefined && part.groups[id]?.order === 'free' && (part.groups[id].value?.length ?? 0) > 1);
}

/** Chance of a success for each element of the chosen group: from each place, or at each target from the first place. */
function chancesOf(level: Game, task: Task, group: string, ageYears: number): readonly number[] {
  const spots = level.course.places[task.from ?? ''] ?? [];
  const targets = level.course.targets[task.at ?? ''] ?? [];
  if (spots.length === 0 || targets.length === 0) return [];
  const at = (place: number, target: number) => successAt(level, task, spots[place]!, targets[target]!, { ageYears }).chance;
  return group === task.from
    ? spots.map((_, place) => Math.max(...targets.map((__, target) => at(place, target))))
    : targets.map((_, target) => at(0, target));
}

/**
 * The game with small whole points for which no place or target is the only one worth trying, for a child of this age at this level; null
 * when there is nothing to choose from that has points and is aimed.
 */
export function withFairPoints(game: Game, levelIndex: number, ageYears: number): Game | null {
  const level = resolveLevel(game, levelIndex);
  let changed = false;
  const parts = game.parts.map((part, index): Part => {
    for (const task of level.parts[index]!.stages) {
      const group = chosenGroup(part, task);
      const chances = group === undefined ? [] : chancesOf(level, task, group, ageYears);
      if (group === undefined || chances.length !== part.groups[group]!.value!.length) continue;
      changed = true;
      // Points are found from the easiest to the hardest, and given back in the order of the rules.
      const order = chances.map((_, at) => at).sort((one, other) => chances[other]! - chances[one]!);
      const points = fairPoints(order.map((at) => chances[at]!));
      const value = chances.map((_, at) => points[order.indexOf(at)]!);
      return { ...part, groups: { ...part.groups, [group]: { ...part.groups[group]!, value } } };
    }
    return part;
  });
  return changed ? { ...game, parts } : null;
}
