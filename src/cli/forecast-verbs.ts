/** forecast, levels, equal, fit: what is to be expected. */
import Papa from 'papaparse';
import { distancesOf } from '@/core/course/geometry';
import { chanceOf } from '@/core/forecast/chances';
import { forecastLevel, forecastSetUp } from '@/core/forecast/forecast-level';
import { racksOf, wholeRack, type RackShelf } from '@/core/forecast/racks';
import { shippedRacks } from '@/core/forecast/shipped-racks';
import { equalSetUp, solveLevel, withPlaces } from '@/core/levels/solve';
import { AIMED, AIMED_IDS, IMPLEMENTS, type AimedId, type ImplementId } from '@/core/objects/catalogue';
import { observedIn, readClassFile } from '@/core/progress/class-file';
import { AIMED_TECHNIQUES } from '@/core/progress/evidence';
import type { FittedClass, Observed } from '@/core/progress/fit';
import { chosenFit } from '@/core/progress/held-out';
import { compile } from '@/core/rules/playing/compile';
import type { Game } from '@/core/rules/format/game';
import { levelGame, resolveLevel } from '@/core/rules/format/level';
import type { Problem } from '@/core/rules/format/problem';
import { accepted, BadInput, file, print, readJson, readText, whole, type Options, gameOfFile } from './input';

export async function forecast(args: readonly string[], options: Options): Promise<number> {
  const gameFile = file(args, 0, 'GAME');
  const game: Game = gameOfFile(gameFile, options);
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

export function levels(args: readonly string[], options: Options): number {
  const gameFile = file(args, 0, 'GAME');
  const game = gameOfFile(gameFile, options);
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

export function equal(args: readonly string[], options: Options): number {
  const gameFile = file(args, 0, 'GAME');
  const game = gameOfFile(gameFile, options);
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
  if (csvFile.endsWith('.json')) return chosenFit(observedIn(accepted(csvFile, readClassFile(readJson(csvFile))), shippedRacks));
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
  return chosenFit(observed);
}

export function fit(args: readonly string[]): number {
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
