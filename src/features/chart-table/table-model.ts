/** What the chart table decides: the level and the mark it begins with, what a key means, what is said. No interface here. */
import { thingsOf } from '@/core/course/things';
import type { LevelForecast } from '@/core/forecast/forecast-level';
import { toBeatOf } from '@/core/levels/to-beat';
import type { Game } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import type { Picked } from './chart';

/** The mark that is taken hold of at first: the middle one of the first group. */
/** What the small figures on the floor are. What stands in the way is reckoned with at the marks alone. */
export const soundingWords = ({ course: { obstacles = [] } }: Pick<Game, 'course'>): string =>
  obstacles.length > 0 ? 'small figures: hits in 100, as if nothing stood in the way · ' : 'small figures: hits in 100 · ';

export function firstPicked(level: Game): Picked {
  const first = thingsOf(level).find((thing) => thing.kind === 'place');
  if (first?.kind !== 'place') return [];
  return [{ kind: 'place', group: first.group, index: Math.min(1, level.course.places[first.group]!.length - 1) }];
}

/** The level that is wanted: by its id, so that it stays the one that is shown wherever it is moved; by its place where it is gone. */
export interface WantedLevel {
  readonly id: string;
  readonly index: number;
}

export const levelAt = (game: Game, index: number): WantedLevel => ({ id: game.levels[index]?.id ?? '', index });

/** The place of the level to show. */
export function shownOf(game: Game, { id, index }: WantedLevel): number {
  const at = game.levels.findIndex((level) => level.id === id);
  return at >= 0 ? at : Math.min(index, game.levels.length - 1);
}

/** The level that is shown at first: the one that is asked for, else the middle one of three. */
export function firstShown(game: Game, levelId: string | undefined): number {
  const named = game.levels.findIndex((one) => one.id === levelId);
  return named >= 0 ? named : Math.min(1, game.levels.length - 1);
}

export type KeyMeans =
  | { readonly do: 'undo' }
  | { readonly do: 'redo' }
  | { readonly do: 'keys' }
  | { readonly do: 'tape' }
  | { readonly do: 'show'; readonly level: number }
  | null;

/** What a key means on the whole page; while something is typed a letter is a letter, and undo is the field's own. */
export function keyMeans(
  key: string,
  held: { readonly ctrl: boolean; readonly shift: boolean; readonly alt: boolean },
  typing: boolean,
  levels: number,
): KeyMeans {
  if (typing) return null;
  if (held.ctrl) return key.toLowerCase() === 'z' ? { do: held.shift ? 'redo' : 'undo' } : null;
  if (held.alt) return null;
  if (key === '?') return { do: 'keys' };
  if (key === 'm') return { do: 'tape' };
  const level = Number(key) - 1;
  return Number.isInteger(level) && level >= 0 && level < levels ? { do: 'show', level } : null;
}

/** What a screen reader hears when the figures have come to rest. */
export const saidOf = (levelName: string, { chance, par }: Pick<LevelForecast, 'chance' | 'par'>): string =>
  `${levelName}: ${chance ? `about ${Math.round(chance.chance * 10)} hits in 10, ` : ''}par ${par}.`;

const LONGEST_TITLE = 60;
const MINE = ' (mine)';

/** The game as one of its own, beside the one that was saved elsewhere meanwhile. */
export const asMine = (game: Game): Game => ({ ...game, title: `${game.title.slice(0, LONGEST_TITLE - MINE.length)}${MINE}` });

/** The game with a score to beat at a level, made by this person on this day (ISO 8601). */
export const withToBeat = (game: Game, level: number, score: { readonly value: number; readonly unit: string }, by: string, on: string): Game => ({
  ...game,
  levels: game.levels.map((one, index) =>
    index === level ? { ...one, toBeat: toBeatOf(resolveLevel(game, level), score.value, score.unit, by, on) } : one,
  ),
});
