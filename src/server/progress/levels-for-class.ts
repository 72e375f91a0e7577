/** At which level of a game each child of a class should play, by what it reported. */
import type { LevelsOfGameForClass } from '@/contract/levels-for-class';
import type { Uuid } from '@/contract/ids';
import { isAimed, levelChance } from '@/core/levels/solve';
import { ofClass } from '@/core/progress/by-family';
import { levelForChild, type LevelOfGame, type PlayedHere } from '@/core/progress/level-for-child';
import type { Game } from '@/core/rules/format/game';
import { childrenOf } from '../db/children';
import type { ClassSummary } from '../db/classes';
import { gamesOfVersions } from '../db/games';
import { groupedBy } from '../db/grouped';
import { playsOfClass } from '../reports/plays';
import { triedLike, triedPlays, type TriedPlay } from './curves';
import { fitOfClass } from './fit-of-class';

function playedHere(tried: readonly TriedPlay[]): PlayedHere | null {
  const last = tried.at(-1);
  return last ? { ...triedLike(tried, last.play), levelId: last.play.levelId, felt: last.play.report.felt ?? null } : null;
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
    const aimed = isAimed(game);
    found.push({
      gameId: id,
      children: children.map((child) => {
        const own = fit.children[child.id];
        const ageYears = child.ageYears ?? of.ageYears;
        const levels = game.levels.map((level, index): LevelOfGame => ({
          id: level.id,
          name: level.name,
          chance: own && aimed ? levelChance(game, index, ageYears, ofClass(game, own)) : null,
        }));
        return { childId: child.id, ...levelForChild(levels, playedHere(byChild.get(child.id) ?? []), own?.attempts ?? 0) };
      }),
    });
  }
  return found;
}
