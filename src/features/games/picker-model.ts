/** Which games of a shelf are wanted. No interface here. */
import { SKILL_WORDS } from './new-game-model';
import type { ShelfGame } from './shelf-game';

export const ANY = 'any';

export interface Wanted {
  readonly movement: string;
  /** Null for any. */
  readonly aboutAge: number | null;
  readonly words: string;
  /** At most so many minutes a go, and metres of a clear line; null for any. */
  readonly minutes: number | null;
  readonly lineM: number | null;
  /** A thing that is needed, a folder, a teacher; ANY for any. */
  readonly thing: string;
  readonly folder: string;
  readonly madeBy: string;
  readonly sent: 'any' | 'never' | 'once' | 'often';
}

export const ANYTHING: Wanted = {
  movement: ANY,
  aboutAge: null,
  words: '',
  minutes: null,
  lineM: null,
  thing: ANY,
  folder: ANY,
  madeBy: ANY,
  sent: 'any',
};

/** A game that was made for a child so much older or younger is still about that age. Assumed. */
const ABOUT_YEARS = 1;
/** From so many weeks on a game was sent often. */
const OFTEN = 3;

export interface FilterChoice {
  readonly value: string;
  readonly label: string;
}

const nameOfMovement = (technique: string): string => (SKILL_WORDS as Readonly<Record<string, string>>)[technique] ?? 'Something else';

/** The words of some games, each once, in order, before them any. */
function among(words: readonly string[], any: string, label: (word: string) => string = (word) => word): readonly FilterChoice[] {
  const found = [...new Set(words)].map((value) => ({ value, label: label(value) }));
  return [{ value: ANY, label: any }, ...found.sort((one, other) => one.label.localeCompare(other.label, 'en-GB'))];
}

/** The movements that there are games of, each once, before them any. */
export const movementsAmong = (games: readonly Pick<ShelfGame, 'movements'>[]): readonly FilterChoice[] =>
  among(
    games.flatMap(({ movements }) => movements),
    'any',
    nameOfMovement,
  );

export const thingsAmong = (games: readonly Pick<ShelfGame, 'things'>[]): readonly FilterChoice[] =>
  among(
    games.flatMap(({ things }) => things),
    'anything',
  );

export const foldersAmong = (games: readonly Pick<ShelfGame, 'folder'>[]): readonly FilterChoice[] =>
  among(
    games.flatMap(({ folder }) => folder ?? []),
    'any folder',
  );

export const makersAmong = (games: readonly Pick<ShelfGame, 'madeBy'>[]): readonly FilterChoice[] =>
  among(
    games.flatMap(({ madeBy }) => madeBy ?? []),
    'anybody',
  );

type Findable = Pick<ShelfGame, 'movements' | 'ageYears' | 'title' | 'about' | 'things' | 'minutes' | 'lineM' | 'folder' | 'madeBy' | 'sent'>;

/** Those that fit everything that is said, in the order of the shelf. */
export function pickable<Game extends Findable>(games: readonly Game[], wanted: Wanted): readonly Game[] {
  const { movement, aboutAge, words, minutes, lineM, thing, folder, madeBy } = wanted;
  const asked = words.trim().toLocaleLowerCase('en-GB');
  return games.filter(
    (game) =>
      (movement === ANY || game.movements.includes(movement)) &&
      (aboutAge === null || Math.abs(game.ageYears - aboutAge) <= ABOUT_YEARS) &&
      (minutes === null || game.minutes <= minutes) &&
      (lineM === null || game.lineM <= lineM) &&
      (thing === ANY || game.things.includes(thing)) &&
      (folder === ANY || game.folder === folder) &&
      (madeBy === ANY || game.madeBy === madeBy) &&
      wasSent(game.sent, wanted.sent) &&
      `${game.title} ${game.about} ${game.things.join(' ')}`.toLocaleLowerCase('en-GB').includes(asked),
  );
}

function wasSent(times: number, wanted: Wanted['sent']): boolean {
  switch (wanted) {
    case 'any':
      return true;
    case 'never':
      return times === 0;
    case 'once':
      return times > 0;
    case 'often':
      return times >= OFTEN;
  }
}
