/** What is played with, station by station. */
import type { Game, Stage } from './game';
import type { ImplementId } from '../../objects/catalogue';

/** What is thrown, kicked, rolled or kept up at a stage; undefined for nothing. */
export function usedAt({ kit }: Pick<Game, 'kit'>, stage: Pick<Stage, 'with'>): ImplementId | undefined {
  return stage.with === 'nothing' ? undefined : (stage.with ?? kit.implement);
}

/** The game as it is at a stage: with what is used there in its kit. */
export function atStage<G extends Pick<Game, 'kit'>>(game: G, stage: Pick<Stage, 'with'>): G {
  const used = usedAt(game, stage) ?? game.kit.implement;
  return used === game.kit.implement ? game : { ...game, kit: { ...game.kit, implement: used } };
}

/** Everything that is played with in a game, each once, in the order of its stages. */
export function allUsed(game: Pick<Game, 'kit' | 'parts'>): readonly ImplementId[] {
  return [...new Set(game.parts.flatMap(({ stages }) => stages.flatMap((stage) => usedAt(game, stage) ?? [])))];
}
