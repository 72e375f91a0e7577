/**
 * npx lochside <verb>: JSON in files, JSON on standard output, problems on standard error with the place in the file.
 * Exit 0 done, 1 judged not clean or gaps found, 2 bad input.
 */
import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { forecastLevel } from '@/core/forecast/forecast-level';
import { judge } from '@/core/reports/judge';
import { readReport } from '@/core/reports/read-report';
import { compile } from '@/core/rules/compile';
import { replay } from '@/core/rules/engine';
import { gapsOf } from '@/core/rules/gaps';
import type { Game } from '@/core/rules/game';
import { levelGame } from '@/core/rules/level';
import { measure } from '@/core/rules/measure';
import type { Outcome, Problem } from '@/core/rules/problem';
import { readGame } from '@/core/rules/read-game';
import { readPlay } from '@/core/rules/read-play';
import { reachableTotals } from '@/core/rules/totals';
import { addTeacherCommand } from './teacher-add';

const USAGE = `npx lochside score GAME PLAY          the score of a play, worked out
npx lochside check GAME REPORT        the verdict on a report (exit 1 when not clean)
npx lochside totals GAME [--level 2] [--attempts 10]   the totals that can be, and those that cannot
npx lochside gaps GAME                what the rules leave open, with mends (exit 1 when there are any)
npx lochside forecast GAME --age 8 [--level 2] [--plays 2000] [--seed 1]
npx lochside teacher add --name NAME --email ADDRESS --school SCHOOL [--zone Europe/London] [--role teacher|helper]
`;

class BadInput extends Error {
  constructor(readonly problems: readonly Problem[]) {
    super('bad input');
  }
}

function readJson(file: string): unknown {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch (error) {
    throw new BadInput([
      { place: file, reason: error instanceof Error ? error.message : 'cannot be read', fix: 'Name a file that holds one JSON value.' },
    ]);
  }
}

function accepted<T>(file: string, outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value;
  throw new BadInput(outcome.problems.map((problem) => ({ ...problem, place: `${file}${problem.place}` })));
}

function print(value: unknown): void {
  process.stdout.write(`${JSON.stringify(value, null, 2)}\n`);
}

const file = (args: readonly string[], index: number, what: string): string => {
  const name = args[index];
  if (!name) throw new BadInput([{ place: 'command line', reason: `${what} is missing`, fix: USAGE.trim() }]);
  return name;
};

function score(args: readonly string[]): number {
  const gameFile = file(args, 0, 'GAME');
  const playFile = file(args, 1, 'PLAY');
  const game = accepted(gameFile, readGame(readJson(gameFile)));
  const play = accepted(playFile, readPlay(readJson(playFile)));
  const index = game.levels.findIndex((level) => level.id === play.level);
  if (index < 0)
    throw new BadInput([
      {
        place: `${playFile}/level`,
        reason: `the game has no level “${play.level}”`,
        fix: `Use one of ${game.levels.map((level) => level.id).join(', ')}.`,
      },
    ]);
  const program = accepted(gameFile, compile(accepted(gameFile, levelGame(game, index))));
  const { state, refused } = replay(program, play.events, play.counting);
  print({ ...measure(program, state), refused });
  return 0;
}

function check(args: readonly string[]): number {
  const gameFile = file(args, 0, 'GAME');
  const reportFile = file(args, 1, 'REPORT');
  const game = accepted(gameFile, readGame(readJson(gameFile)));
  const verdict = judge(game, accepted(reportFile, readReport(readJson(reportFile))));
  print(verdict);
  return verdict.kind === 'clean' ? 0 : 1;
}

function whole(text: string | undefined, name: string, fallback: number, min: number, max: number): number {
  const number = text === undefined ? fallback : Number(text);
  if (!Number.isInteger(number) || number < min || number > max)
    throw new BadInput([{ place: `--${name}`, reason: `“${text}” is no whole number from ${min} to ${max}`, fix: 'Correct it.' }]);
  return number;
}

function totals(args: readonly string[], options: Readonly<Record<string, string | undefined>>): number {
  const gameFile = file(args, 0, 'GAME');
  const game = accepted(gameFile, readGame(readJson(gameFile)));
  const level = whole(options['level'], 'level', 1, 1, game.levels.length);
  const attempts = options['attempts'] === undefined ? {} : { attempts: whole(options['attempts'], 'attempts', 1, 0, 1000) };
  print(reachableTotals(accepted(gameFile, levelGame(game, level - 1)), attempts));
  return 0;
}

function gaps(args: readonly string[]): number {
  const gameFile = file(args, 0, 'GAME');
  const found = gapsOf(accepted(gameFile, readGame(readJson(gameFile))));
  print(found.map(({ mends, ...gap }) => ({ ...gap, mends: mends.map((mend) => mend.label) })));
  return found.length === 0 ? 0 : 1;
}

function forecast(args: readonly string[], options: Readonly<Record<string, string | undefined>>): number {
  const gameFile = file(args, 0, 'GAME');
  const game: Game = accepted(gameFile, readGame(readJson(gameFile)));
  const level = whole(options['level'], 'level', 1, 1, game.levels.length);
  print(
    forecastLevel(game, level - 1, {
      ageYears: whole(options['age'], 'age', 8, 4, 12),
      plays: whole(options['plays'], 'plays', 2000, 1, 100_000),
      seed: whole(options['seed'], 'seed', 1, 0, 0xffffffff),
    }),
  );
  return 0;
}

async function run(): Promise<number> {
  const [verb, ...rest] = process.argv.slice(2);
  const string = { type: 'string' } as const;
  const { values, positionals } = parseArgs({
    args: rest,
    allowPositionals: true,
    options: {
      age: string,
      attempts: string,
      level: string,
      plays: string,
      seed: string,
      name: string,
      email: string,
      school: string,
      zone: string,
      role: string,
    },
  });
  switch (verb) {
    case 'score':
      return score(positionals);
    case 'check':
      return check(positionals);
    case 'totals':
      return totals(positionals, values);
    case 'gaps':
      return gaps(positionals);
    case 'forecast':
      return forecast(positionals, values);
    case 'teacher':
      if (positionals[0] === 'add') return addTeacherCommand(values);
      break;
    case undefined:
    case 'help':
      process.stdout.write(USAGE);
      return 0;
  }
  throw new BadInput([
    { place: 'command line', reason: `there is no verb “${verb}${positionals[0] ? ` ${positionals[0]}` : ''}”`, fix: USAGE.trim() },
  ]);
}

run()
  .then((code) => {
    process.exitCode = code;
  })
  .catch((error: unknown) => {
    const problems: readonly Problem[] =
      error instanceof BadInput
        ? error.problems
        : [{ place: 'command line', reason: error instanceof Error ? error.message : String(error), fix: 'See npx lochside help.' }];
    for (const { place, reason, fix } of problems) process.stderr.write(`${place}: ${reason}. ${fix}\n`);
    process.exitCode = 2;
  });
