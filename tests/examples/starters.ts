/** The starter games that ship, as the tests read them. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Game } from '@/core/rules/format/game';

const folder = join(import.meta.dirname, '../../data/starters');

export const STARTERS: readonly { readonly id: string; readonly game: Game }[] = readdirSync(folder)
  .filter((name) => name.endsWith('.json'))
  .map((name) => ({ id: name.slice(0, -5), game: JSON.parse(readFileSync(join(folder, name), 'utf8')) as Game }));

export const starter = (id: string): Game => STARTERS.find((one) => one.id === id)!.game;
