/** What a child sees of its own weeks: bests over time, never beside anybody else's, and every game to play again. No interface here. */
import type { Card } from '@/contract/card';
import type { GameOfMine, MyWeeks } from '@/contract/my-weeks';
import { betterOf } from '@/core/rules/playing/better';
import { skillsOf, type Skill } from '@/core/sheet/teaching-points';
import { isOpen, levelName } from './card-model';

/** As much as the card itself knows, where the school cannot be asked. */
export function weeksOnCard({ weeks }: Pick<Card, 'weeks'>, today: string): MyWeeks {
  return {
    weeks: [...weeks].reverse().map(({ id, number, dueOn, games, diaryEntries }) => ({
      id,
      number,
      dueOn,
      daysMoved: Math.min(7, new Set(diaryEntries.filter(({ struck, minutes }) => !struck && minutes > 0).map(({ day }) => day)).size),
      games: games
        .filter((item) => isOpen(item, today))
        .map((item) => ({
          assignmentId: item.assignmentId,
          title: item.game.title,
          levelName: levelName(item),
          skill: skillsOf(item.game)[0] ?? null,
          unit: item.game.parts[0]!.measure.unit,
          better: betterOf(item.game),
          best: item.best,
          comment: '',
        })),
    })),
    fromClass: [],
    next: null,
  };
}

/** Games of the newest week that this child never had before and has not played yet. */
export function newGames({ weeks }: MyWeeks): readonly GameOfMine[] {
  const had = new Set(weeks.slice(0, -1).flatMap(({ games }) => games.map(({ title }) => title)));
  return (weeks.at(-1)?.games ?? []).filter(({ title, best }) => best === null && !had.has(title));
}

export interface BestsOfGame {
  readonly title: string;
  readonly unit: string;
  readonly better: 'high' | 'low';
  /** By week, the oldest first. */
  readonly bests: readonly { readonly week: number; readonly best: number }[];
}

/** So many games have a chart; the ones played most often. */
const MOST_CHARTS = 3;

/** Games with a best in two weeks or more, the one played in most weeks first. */
export function bestsOverWeeks({ weeks }: MyWeeks): readonly BestsOfGame[] {
  const byGame = new Map<string, { readonly of: GameOfMine; readonly bests: { week: number; best: number }[] }>();
  for (const week of weeks)
    for (const game of week.games) {
      if (game.best === null) continue;
      const key = `${game.title}|${game.unit}`;
      const known = byGame.get(key) ?? { of: game, bests: [] };
      known.bests.push({ week: week.number, best: game.best });
      byGame.set(key, known);
    }
  return [...byGame.values()]
    .filter(({ bests }) => bests.length > 1)
    .sort((a, b) => b.bests.length - a.bests.length)
    .slice(0, MOST_CHARTS)
    .map(({ of: { title, unit, better }, bests }) => ({ title, unit, better, bests }));
}

/** Every game once, as it was sent last, by what is practised in it; the newest first. */
export function gamesBySkill({ weeks }: MyWeeks): readonly { readonly skill: Skill | null; readonly games: readonly GameOfMine[] }[] {
  const seen = new Set<string>();
  const groups = new Map<Skill | null, GameOfMine[]>();
  for (const game of [...weeks].reverse().flatMap((week) => week.games)) {
    if (seen.has(game.title)) continue;
    seen.add(game.title);
    groups.set(game.skill, [...(groups.get(game.skill) ?? []), game]);
  }
  return [...groups].map(([skill, games]) => ({ skill, games }));
}

/** Five days of moving in a week. */
export const DAYS_FOR_A_MARK = 5;
