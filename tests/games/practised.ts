/**
 * One game for each kind of station and game of the practice, written apart from what ships: titles, themes, values and letters are ours, only
 * lengths and rules are common practice (no published source). Each with a play and what it comes to, worked by hand from the rules. They
 * are files of format 1 and stay as they are: what was made before must be read on with the same result.
 */
import { readdirSync, readFileSync } from 'node:fs';
import { todaysGame } from '@/core/rules/format/from-format-1';
import type { Game } from '@/core/rules/format/game';
import type { PlayEvent } from '@/core/rules/format/play';

interface Practised {
  /** The row of the practice that it is a kind of. */
  readonly kind: string;
  readonly game: Game;
  readonly play: readonly PlayEvent[];
  /** Worked by hand; null for not finished. */
  readonly value: number | null;
}

const here = new URL('../format-1/games/', import.meta.url);

export const PRACTISED: readonly Practised[] = readdirSync(here)
  .filter((name) => name.endsWith('.json'))
  .flatMap((name) => JSON.parse(readFileSync(new URL(name, here), 'utf8')) as Practised[])
  .map((one) => ({ ...one, game: todaysGame(one.game) }));
