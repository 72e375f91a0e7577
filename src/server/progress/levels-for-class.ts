/** At which level of a game each child of a class should play, by what it reported. */
import type { LevelsOfGameForClass } from '@/contract/levels-for-class';
import type { Uuid } from '@/contract/ids';
import { aimedPlaces, chanceFrom } from '@/core/levels/solve';
import { throwerWith } from '@/core/motion/release';
import { levelForChild, type LevelOfGame, type PlayedHere } from '@/core/progress/level-for-child';
import type { Game } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { childrenOf } from '../db/children';
import type { ClassSummary } from '../db/classes';
import { gamesOfVersions } from '../db/games';
import { groupedBy } from '../db/grouped';
import { playsOfClass } from '../reports/plays';
import { triedPlays, type TriedPlay } from './curves';
import { fitOfClass } from './fit-of-class';

/** The chance of a try from all its places, for a child of this age and steadiness; null where nothing is aimed at. */
function chanceAt(level: Game, ageYears: number, skill: number): number | null {
  const places = aimedPlaces(level);
  if (places.length === 0) return null;
  const thrower = throwerWith(level.kit, { ageYears, skill });
  return places.reduce((sum, place) => sum + chanceFrom(level, place, place.spot, thrower), 0) / places.length;
}

function playedHere(tried: readonly TriedPlay[]): PlayedHere | null {
  const last = tried.at(-1);
  if (!last) return null;
  const like = tried.filter(({ play }) => play.likeKey === last.play.likeKey).flatMap(({ tries }) => tries);
  const lengths = like.map(({ distanceM }) => distanceM);
  return {
    levelId: last.play.levelId,
    tries: like.reduce((sum, one) => sum + one.tries, 0),
    hits: like.reduce((sum, one) => sum + one.hits, 0),
    fromM: lengths.length === 0 ? [0, 0] : [Math.min(...lengths), Math.max(...lengths)],
    felt: last.play.report.felt ?? null,
  };
}

export async function levelsForClass(
  of: ClassSummary,
  games: readonly { readonly id: Uuid; readonly game: Game }[],
  today: string,
): Promise<LevelsOfGameForClass[]> {
  const [children, plays, fit] = await Promise.all([childrenOf(of.id, today), playsOfClass(of.id), fitOfClass(of.id)]);
  const gameOf = await gamesOfVersions([...new Set(plays.map(({ versionId }) => versionId))]);
  const found: LevelsOfGameForClass[] = [];
  for (const { id, game } of games) {
    const asAsked = plays.filter((play) => play.asAsked && gameOf.get(play.versionId) === id);
    const byChild = groupedBy(await triedPlays(asAsked), ({ play }) => play.childId);
    const resolved = game.levels.map((_, index) => resolveLevel(game, index));
    found.push({
      gameId: id,
      children: children.map((child) => {
        const own = fit.children[child.id];
        const ageYears = child.ageYears ?? of.ageYears;
        const skill = (own ?? fit.group).skill;
        const levels = game.levels.map((level, index): LevelOfGame => ({
          id: level.id,
          name: level.name,
          chance: own ? chanceAt(resolved[index]!, ageYears, skill) : null,
        }));
        return { childId: child.id, ...levelForChild(levels, playedHere(byChild.get(child.id) ?? []), own?.attempts ?? 0) };
      }),
    });
  }
  return found;
}
