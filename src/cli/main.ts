/**
 * npx lochside <verb>: JSON in files, JSON on standard output, problems on standard error with the place in the file.
 * Exit 0 done, 1 judged not clean or gaps found, 2 bad input.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import Papa from 'papaparse';
import { distancesOf } from '@/core/course/geometry';
import { chanceOf } from '@/core/forecast/chances';
import { forecastLevel, forecastSetUp } from '@/core/forecast/forecast-level';
import { racksOf, wholeRack, type RackShelf } from '@/core/forecast/racks';
import { shippedRacks } from '@/core/forecast/shipped-racks';
import { equalSetUp, solveLevel, withPlaces } from '@/core/levels/solve';
import { AIMED, AIMED_IDS, IMPLEMENTS, type AimedId, type ImplementId } from '@/core/objects/catalogue';
import { observedIn, readClassFile, type ClassFile } from '@/core/progress/class-file';
import { AIMED_TECHNIQUES } from '@/core/progress/evidence';
import { fitClass, type FittedClass, type Observed } from '@/core/progress/fit';
import { judge } from '@/core/reports/judge';
import { readReport } from '@/core/reports/read-report';
import { compile } from '@/core/rules/compile';
import { replay } from '@/core/rules/replay';
import { gapsOf } from '@/core/rules/gaps';
import type { Game } from '@/core/rules/game';
import { levelGame, resolveLevel } from '@/core/rules/level';
import { measure } from '@/core/rules/measure';
import type { Outcome, Problem } from '@/core/rules/problem';
import { readGame } from '@/core/rules/read-game';
import { readPlay } from '@/core/rules/read-play';
import { reachableTotals } from '@/core/rules/totals';
import { stepLengthM } from '@/core/measure/stature';
import { pacedGame } from '@/core/sheet/set-up';
import { addTeacherCommand } from './teacher-add';

const USAGE = `npx lochside score GAME PLAY          the score of a play, worked out
npx lochside check GAME REPORT        the verdict on a report (exit 1 when not clean)
npx lochside check CLASS.json         the verdict on every report of a class that was exported
npx lochside totals GAME [--level 2] [--attempts 10] [--seconds 60] [--targets 5] [--marks 2]   the totals that can be, and those that cannot
npx lochside gaps GAME                what the rules leave open, with mends (exit 1 when there are any)
npx lochside forecast GAME --age 8 [--level 2] [--plays 2000] [--seed 1] [--pins rough] [--reports REPORTS.csv]
npx lochside levels GAME --age 8 --chances 0.7,0.5,0.3   distances for wanted chances
npx lochside equal GAME --age 8 --have bucket,box --clear 2.6 [--level 2]   the set-up of another home
npx lochside fit CLASS.json           how steady an exported class and its children are
npx lochside fit REPORTS.csv          the same from columns: child,age,technique,implement,target,distance_m,attempts,hits
npx lochside sheet GAME --out SHEET.pdf [--level 2] [--age 8] [--size letter] [--print large] [--ground pale] [--language fr]   a home sheet on paper
npx lochside teacher add --name NAME --email ADDRESS --school SCHOOL [--zone Europe/London] [--role teacher|helper]
`;

class BadInput extends Error {
  constructor(readonly problems: readonly Problem[]) {
    super('bad input');
  }
}

function readText(file: string): string {
  try {
    return readFileSync(file, 'utf8');
  } catch (error) {
    throw new BadInput([{ place: file, reason: error instanceof Error ? error.message : 'cannot be read', fix: 'Name a file that is there.' }]);
  }
}

function readJson(file: string): unknown {
  const text = readText(file);
  try {
    return JSON.parse(text);
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

/** Every report of a class as a file, judged again. */
function checkClass(classFile: string, { games, reports }: ClassFile): number {
  const levels = new Map(Object.keys(games).map((version) => [version, new Map()]));
  const verdicts = reports.map(({ id, version, report }) => {
    const { kind, reasons, goes } = judge(games[version]!, report, levels.get(version));
    return { id, kind, reasons: reasons.map(({ sentence }) => sentence), values: goes.map(({ result }) => result?.value ?? null) };
  });
  print({ file: classFile, reports: verdicts });
  return verdicts.every(({ kind }) => kind === 'clean') ? 0 : 1;
}

function check(args: readonly string[]): number {
  if (args.length === 1) return checkClass(args[0]!, accepted(args[0]!, readClassFile(readJson(args[0]!))));
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
  const seconds = options['seconds'] === undefined ? {} : { seconds: whole(options['seconds'], 'seconds', 60, 0, 3600) };
  const targets = options['targets'] === undefined ? {} : { targets: whole(options['targets'], 'targets', 1, 1, 30) };
  const marks = options['marks'] === undefined ? {} : { marks: whole(options['marks'], 'marks', 1, 1, 30) };
  print(reachableTotals(accepted(gameFile, levelGame(game, level - 1)), { ...attempts, ...seconds, ...targets, ...marks }));
  return 0;
}

function gaps(args: readonly string[]): number {
  const gameFile = file(args, 0, 'GAME');
  const found = gapsOf(accepted(gameFile, readGame(readJson(gameFile))));
  print(found.map(({ mends, ...gap }) => ({ ...gap, mends: mends.map((mend) => mend.label) })));
  return found.length === 0 ? 0 : 1;
}

type Options = Readonly<Record<string, string | undefined>>;

async function forecast(args: readonly string[], options: Options): Promise<number> {
  const gameFile = file(args, 0, 'GAME');
  const game: Game = accepted(gameFile, readGame(readJson(gameFile)));
  const level = whole(options['level'], 'level', 1, 1, game.levels.length);
  const shelf = await pinTables(accepted(gameFile, levelGame(game, level - 1)), options['pins'] === 'rough');
  print(
    forecastLevel(game, level - 1, {
      ageYears: whole(options['age'], 'age', 8, 4, 12),
      plays: whole(options['plays'], 'plays', 2000, 1, 100_000),
      seed: whole(options['seed'], 'seed', 1, 0, 0xffffffff),
      shelf,
      ...(options['reports'] === undefined ? {} : { fitted: fittedFrom(options['reports']).group }),
    }),
  );
  return 0;
}

/** The tables of the pins of a level: those that are shipped, and the others worked out now unless rough figures will do. */
async function pinTables(level: Game, rough: boolean): Promise<RackShelf> {
  const compiled = compile(level);
  const missing = rough || !compiled.ok ? [] : racksOf(level, compiled.value).filter(({ key }) => !shippedRacks(key));
  if (missing.length === 0) return shippedRacks;
  const { default: rapier } = await import('@dimforge/rapier3d-compat');
  await rapier.init();
  const filled = new Map(
    missing.map((rack, index) => {
      process.stderr.write(`rolling balls at the pins, set ${index + 1} of ${missing.length}; --pins rough does without\n`);
      return [rack.key, wholeRack(rapier, rack)];
    }),
  );
  return (key) => filled.get(key) ?? shippedRacks(key);
}

function levels(args: readonly string[], options: Options): number {
  const gameFile = file(args, 0, 'GAME');
  const game = accepted(gameFile, readGame(readJson(gameFile)));
  const ageYears = whole(options['age'], 'age', game.ageYears ?? 8, 4, 12);
  const chances = (options['chances'] ?? '0.7,0.5,0.3').split(',').map(Number);
  if (chances.some((chance) => !(chance > 0 && chance < 1)))
    throw new BadInput([{ place: '--chances', reason: 'each must lie between 0 and 1', fix: 'Write them as 0.7,0.5,0.3.' }]);
  print(
    chances.slice(0, game.levels.length).map((wanted, index) => {
      const { chance, reached, places } = solveLevel(game, index, wanted, ageYears);
      const solved = resolveLevel(withPlaces(game, index, places), index);
      return {
        level: game.levels[index]!.id,
        wanted,
        chance,
        reached,
        distancesM: distancesOf(solved).map((length) => Math.round(length * 100) / 100),
        places,
      };
    }),
  );
  return 0;
}

async function sheet(args: readonly string[], options: Options): Promise<number> {
  const gameFile = file(args, 0, 'GAME');
  const game = accepted(gameFile, readGame(readJson(gameFile)));
  const out = options['out'];
  if (!out) throw new BadInput([{ place: '--out', reason: 'the name of the PDF is missing', fix: 'Write --out SHEET.pdf.' }]);
  const index = whole(options['level'], 'level', 1, 1, game.levels.length) - 1;
  const stepM = stepLengthM(whole(options['age'], 'age', game.ageYears ?? 8, 4, 12));
  const oneOf = <T extends string>(name: string, choices: readonly [T, ...T[]]): T => {
    const chosen = options[name] ?? choices[0];
    const found = choices.find((choice) => choice === chosen);
    if (!found) throw new BadInput([{ place: `--${name}`, reason: `there is no “${chosen}”`, fix: `Use ${choices.join(' or ')}.` }]);
    return found;
  };
  const { renderPaper } = await import('@/server/paper/render');
  const pdf = await renderPaper(
    {
      look: {
        size: oneOf('size', ['a4', 'letter']) === 'letter' ? 'LETTER' : 'A4',
        print: oneOf('print', ['usual', 'large']),
        ground: oneOf('ground', ['white', 'pale']),
        language: oneOf('language', ['en', 'fr']),
      },
      sheets: [
        {
          kind: 'home',
          of: { name: null, hand: 'right', stepM },
          game: {
            title: game.title,
            levelName: game.levels[index]!.name,
            aim: game.aim,
            level: pacedGame(accepted(gameFile, levelGame(game, index)), stepM),
          },
          week: { number: null, dueOn: null, warmUp: '', diary: '', note: '', film: '', filmAlone: false },
          par: null,
          slip: null,
        },
      ],
    },
    () => undefined,
  );
  writeFileSync(out, pdf);
  print({ written: out, bytes: pdf.length });
  return 0;
}

function equal(args: readonly string[], options: Options): number {
  const gameFile = file(args, 0, 'GAME');
  const game = accepted(gameFile, readGame(readJson(gameFile)));
  const level = whole(options['level'], 'level', 1, 1, game.levels.length);
  const ageYears = whole(options['age'], 'age', game.ageYears ?? 8, 4, 12);
  const have = (options['have'] ?? '').split(',').filter((one) => one !== '');
  const unknown = have.find((one) => !(one in AIMED));
  if (unknown !== undefined)
    throw new BadInput([{ place: '--have', reason: `nothing is called “${unknown}”`, fix: `Use of ${AIMED_IDS.join(', ')}.` }]);
  const clearM = Number(options['clear'] ?? 2.5);
  if (!(clearM >= 1 && clearM <= 50)) throw new BadInput([{ place: '--clear', reason: 'must be metres from 1 to 50', fix: 'Write it as 2.6.' }]);
  const resolved = accepted(gameFile, levelGame(game, level - 1));
  const asked = Object.values(resolved.course.targets)[0]?.[0]?.object;
  const home = { have: have as AimedId[], clearM, ...(have.length > 0 && asked && !have.includes(asked) ? { without: [asked] } : {}) };
  const found = equalSetUp(resolved, { ageYears }, home);
  if (!found) throw new BadInput([{ place: gameFile, reason: 'nothing is aimed at in this game', fix: 'It needs no equal set-up.' }]);
  const par = (of: Game) => forecastSetUp(of, { ageYears, plays: 2000, seed: 1, shelf: shippedRacks }).par;
  print({
    object: found.object,
    equal: found.equal,
    worstDifference: found.worst,
    places: found.places,
    par: par(resolved),
    parThere: par(found.game),
  });
  return 0;
}

const COLUMNS = ['child', 'age', 'technique', 'implement', 'target', 'distance_m', 'attempts', 'hits'] as const;

/** The class and its children as a file of attempts tells. */
function fittedFrom(csvFile: string): FittedClass {
  if (csvFile.endsWith('.json')) return fitClass(observedIn(accepted(csvFile, readClassFile(readJson(csvFile))), shippedRacks));
  const { data, meta } = Papa.parse<Record<string, string>>(readText(csvFile), { header: true, skipEmptyLines: true });
  const missing = COLUMNS.filter((column) => !meta.fields?.includes(column));
  if (missing.length > 0)
    throw new BadInput([{ place: csvFile, reason: `has no column ${missing.join(', ')}`, fix: `The first line names ${COLUMNS.join(',')}.` }]);
  const problems: Problem[] = [];
  const observed = data.flatMap((row, index) => {
    const found = observedFrom(row as Record<(typeof COLUMNS)[number], string>);
    if (typeof found !== 'string') return [found];
    problems.push({ place: `${csvFile} line ${index + 2}`, reason: found, fix: 'Correct the line.' });
    return [];
  });
  if (problems.length > 0) throw new BadInput(problems);
  return fitClass(observed);
}

function fit(args: readonly string[]): number {
  const { group, children } = fittedFrom(file(args, 0, 'REPORTS.csv'));
  print({ class: group, children: Object.fromEntries(children) });
  return 0;
}

/** A line of the file as attempts with their chance, or what is wrong with it. */
function observedFrom(row: Record<(typeof COLUMNS)[number], string>): Observed | string {
  const [age, distance, attempts, hits] = [row.age, row.distance_m, row.attempts, row.hits].map(Number) as [number, number, number, number];
  const technique = AIMED_TECHNIQUES.find((one) => one === row.technique);
  if (!technique) return `“${row.technique}” is no technique that is fitted`;
  if (!(row.implement in IMPLEMENTS)) return `nothing to throw is called “${row.implement}”`;
  if (!(row.target in AIMED)) return `nothing to aim at is called “${row.target}”`;
  if (!(age >= 4 && age <= 18) || !(distance > 0.1 && distance < 30)) return 'age or distance_m is out of range';
  if (!Number.isInteger(attempts) || !Number.isInteger(hits) || hits < 0 || hits > attempts) return 'hits must be whole and no more than attempts';
  const chances = new Map<number, number>();
  const chance = (skill: number) => {
    const known = chances.get(skill);
    if (known !== undefined) return known;
    const found = chanceOf({
      technique,
      implement: row.implement as ImplementId,
      target: row.target as AimedId,
      distanceM: distance,
      ageYears: age,
      skill,
    });
    chances.set(skill, found);
    return found;
  };
  return { child: row.child, attempts, hits, chance };
}

async function run(): Promise<number> {
  const [verb, ...rest] = process.argv.slice(2);
  const string = { type: 'string' } as const;
  const { values, positionals } = parseArgs({
    args: rest,
    allowPositionals: true,
    options: {
      age: string,
      chances: string,
      have: string,
      clear: string,
      attempts: string,
      seconds: string,
      targets: string,
      marks: string,
      level: string,
      plays: string,
      pins: string,
      reports: string,
      seed: string,
      name: string,
      email: string,
      school: string,
      zone: string,
      role: string,
      out: string,
      size: string,
      print: string,
      ground: string,
      language: string,
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
    case 'levels':
      return levels(positionals, values);
    case 'equal':
      return equal(positionals, values);
    case 'sheet':
      return sheet(positionals, values);
    case 'fit':
      return fit(positionals);
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
