/** Which games of a shelf are wanted. No interface here. */
import { SKILL_WORDS } from './new-game-model';
import type { ShelfGame } from './shelf-game';

export const ANY = 'any';

export interface Wanted {
  readonly movement: string;
  /** Null for any. */
  readonly aboutAge: number | null;
  readonly words: string;
}

/** A game that was made for a child so much older or younger is still about that age. Assumed. */
const ABOUT_YEARS = 1;

const nameOfMovement = (technique: string): string => (SKILL_WORDS as Readonly<Record<string, string>>)[technique] ?? 'Something else';

/** The movements that there are games of, each once, before them any. */
export function movementsAmong(games: readonly Pick<ShelfGame, 'movements'>[]): readonly { readonly value: string; readonly label: string }[] {
  const found = [...new Set(games.flatMap(({ movements }) => movements))].map((value) => ({ value, label: nameOfMovement(value) }));
  return [{ value: ANY, label: 'any movement' }, ...found.sort((one, other) => one.label.localeCompare(other.label, 'en-GB'))];
}

/** Those that fit everything that is said, in the order of the shelf. */
export function pickable<Game extends Pick<ShelfGame, 'movements' | 'ageYears' | 'title' | 'about'>>(
  games: readonly Game[],
  { movement, aboutAge, words }: Wanted,
): readonly Game[] {
  const asked = words.trim().toLocaleLowerCase('en-GB');
  return games.filter(
    (game) =>
      (movement === ANY || game.movements.includes(movement)) &&
      (aboutAge === null || Math.abs(game.ageYears - aboutAge) <= ABOUT_YEARS) &&
      `${game.title} ${game.about}`.toLocaleLowerCase('en-GB').includes(asked),
  );
}
