/** What a fit says of one family of movement. */
import { FAMILIES, movementOf, type Family } from '../motion/families';
import type { Thrower } from '../motion/release';
import type { Game } from '../rules/format/game';
import type { Fitted } from './fit';

/** The fit of a class or a child for a family; of what has none, what it says of the whole. */
export function forFamily(fitted: Fitted, family: Family | undefined): Fitted {
  const own = family && fitted.families?.[family];
  return own ? { ...fitted, ...own } : fitted;
}

/** The family that a game is mostly of: that of the first thing that is aimed in it. */
export function familyOfGame({ parts }: Pick<Game, 'parts'>): Family | undefined {
  return parts
    .flatMap(({ stages }) => stages)
    .map(({ technique }) => movementOf(technique))
    .find((family) => family !== undefined);
}

/** A fit as it speaks of a game: its skill is that of the game's family, and the others stand beside it as factors of that. */
export interface FittedForGame extends Fitted {
  readonly factors: Partial<Record<Family, number>>;
}

export function forGame(fitted: Fitted, game: Pick<Game, 'parts'>): FittedForGame {
  const main = forFamily(fitted, familyOfGame(game));
  return { ...main, factors: Object.fromEntries(FAMILIES.map((family) => [family, forFamily(fitted, family).skill / main.skill])) };
}

/** What tells a child of a class from one of its age alone. */
export type OfClass = Pick<Thrower, 'skill' | 'factors' | 'bend'>;

/** The child in the middle of a class, as it plays this game; without a fit nothing is known but its age. */
export function ofClass(game: Pick<Game, 'parts'>, fitted: Fitted | null | undefined): OfClass {
  if (!fitted) return {};
  const { skill, factors, bend } = forGame(fitted, game);
  return { skill, factors, ...(bend && { bend }) };
}
