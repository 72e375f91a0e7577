/** What a verb is given: files that are read and checked, options as numbers and choices; what is wrong is told with its place. */
import { readFileSync } from 'node:fs';
import { readEvent } from '@/core/rules/format/event';
import { EVENT_FORMAT } from '@/core/rules/format/formats';
import type { Game } from '@/core/rules/format/game';
import type { Outcome, Problem } from '@/core/rules/format/problem';
import { readGameToPlay } from '@/core/rules/format/read-game';

export type Options = Readonly<Record<string, string | undefined>>;

export class BadInput extends Error {
  constructor(readonly problems: readonly Problem[]) {
    super('bad input');
  }
}

export function readText(file: string): string {
  try {
    return readFileSync(file, 'utf8');
  } catch (error) {
    throw new BadInput([{ place: file, reason: error instanceof Error ? error.message : 'cannot be read', fix: 'Name a file that is there.' }]);
  }
}

export function readJson(file: string): unknown {
  const text = readText(file);
  try {
    return JSON.parse(text);
  } catch (error) {
    throw new BadInput([
      { place: file, reason: error instanceof Error ? error.message : 'cannot be read', fix: 'Name a file that holds one JSON value.' },
    ]);
  }
}

export function accepted<T>(file: string, outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value;
  throw new BadInput(outcome.problems.map((problem) => ({ ...problem, place: `${file}${problem.place}` })));
}

export interface GameInFile {
  readonly game: Game;
  /** Where it stands in the file. */
  readonly place: string;
}

/** The games of a file: of an event all of them, or the one that is asked for. */
export function gamesIn(name: string, options: Options): readonly GameInFile[] {
  const json = readJson(name);
  if ((json as { readonly format?: unknown } | null)?.format !== EVENT_FORMAT) return [{ game: accepted(name, readGameToPlay(json)), place: '' }];
  const games = accepted(name, readEvent(json)).items.map(({ game }, index) => ({ game, place: `/items/${index}/game` }));
  return options['game'] === undefined ? games : [games[whole(options['game'], 'game', 1, 1, games.length) - 1]!];
}

/** The game of a file; of an event the one that is asked for, or the first. */
export const gameOfFile = (name: string, options: Options): Game => gamesIn(name, options)[0]!.game;

export function print(value: unknown): void {
  process.stdout.write(`${JSON.stringify(value, null, 2)}\n`);
}

/** The name of a file among the arguments of a verb. */
export function file(args: readonly string[], index: number, what: string): string {
  const name = args[index];
  if (!name) throw new BadInput([{ place: 'command line', reason: `${what} is missing`, fix: 'See --help of the verb.' }]);
  return name;
}

export function whole(text: string | undefined, name: string, fallback: number, min: number, max: number): number {
  const number = text === undefined ? fallback : Number(text);
  if (!Number.isInteger(number) || number < min || number > max)
    throw new BadInput([{ place: `--${name}`, reason: `“${text}” is no whole number from ${min} to ${max}`, fix: 'Correct it.' }]);
  return number;
}

/** One of some words; the first where none is given. */
export function optionOf<T extends string>(options: Options, name: string, choices: readonly [T, ...T[]]): T {
  const chosen = options[name] ?? choices[0];
  const found = choices.find((choice) => choice === chosen);
  if (!found) throw new BadInput([{ place: `--${name}`, reason: `there is no “${chosen}”`, fix: `Use ${choices.join(' or ')}.` }]);
  return found;
}
