/** Things as a list names them: each kind once, with how many there are. */
import { nameOf } from '../objects/catalogue';
import type { Game, PlacedTarget } from '../rules/format/game';
import type { Words } from '../words/words';

/** Things by what they are called, each with how many there are; those that are only to be hit are told apart. */
export function countsByName(things: readonly PlacedTarget[]): readonly { readonly name: string; readonly n: number; readonly one: PlacedTarget }[] {
  const found = new Map<string, { name: string; n: number; one: PlacedTarget }>();
  for (const one of things) {
    const name = nameOf(one);
    const key = `${name} ${one.aim ?? ''}`;
    found.set(key, { name, n: (found.get(key)?.n ?? 0) + 1, one });
  }
  return [...found.values()];
}

export const allTargets = (game: Game) => Object.values(game.course.targets).flat();

export const numbered = (name: string, n: number, words: Words) => words.i18n.t('{n} {thing}', { n, ...words.forms('thing', name, n) });
