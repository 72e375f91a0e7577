/** The starter games that ship with Lochside: files in the game format, read once. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Game } from '@/core/rules/format/game';
import { readGameToPlay } from '@/core/rules/format/read-game';

export interface Starter {
  readonly id: string;
  readonly ageYears: number;
  readonly game: Game;
}

let known: readonly Starter[] | undefined;

/** All of them, by name. Throws when a file that ships is broken: only a programmer can mend that. */
export function starters(): readonly Starter[] {
  known ??= read(join(process.cwd(), 'data/starters'));
  return known;
}

function read(folder: string): Starter[] {
  return readdirSync(folder)
    .filter((name) => name.endsWith('.json'))
    .map((name) => {
      const admitted = readGameToPlay(JSON.parse(readFileSync(join(folder, name), 'utf8')));
      if (!admitted.ok) throw new Error(`${name}: ${admitted.problems[0]!.place} ${admitted.problems[0]!.reason}`);
      return { id: name.slice(0, -'.json'.length), ageYears: admitted.value.ageYears ?? 8, game: admitted.value };
    })
    .sort((a, b) => a.game.title.localeCompare(b.game.title, 'en-GB'));
}
