/** score, check, totals, gaps: what the rules say. */
import { readClassFile, type ClassFile } from '@/core/progress/class-file';
import { judge, refusalWords } from '@/core/reports/judge';
import { readReport } from '@/core/reports/read-report';
import { compile } from '@/core/rules/playing/compile';
import { frameSheetOf } from '@/core/rules/playing/frames';
import { gapsOf } from '@/core/rules/gaps/gaps';
import { levelGame } from '@/core/rules/format/level';
import { measure } from '@/core/rules/playing/measure';
import { readPlay } from '@/core/rules/format/read-play';
import { replay } from '@/core/rules/playing/replay';
import { reachableTotals } from '@/core/rules/playing/totals';
import { accepted, BadInput, file, print, readJson, whole, type Options, gameOfFile, gamesIn } from './input';

/** Exit 1 when something of the play was refused; which, stands on standard error. */
export function score(args: readonly string[], options: Options): number {
  const gameFile = file(args, 0, 'GAME');
  const playFile = file(args, 1, 'PLAY');
  const game = gameOfFile(gameFile, options);
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
  const frames = frameSheetOf(program, play.events);
  print({ ...measure(program, state), ...(frames && { frames }), refused });
  for (const { index, reason } of refused) process.stderr.write(`${playFile}/events/${index}: refused: ${refusalWords(reason)}.\n`);
  return refused.length === 0 ? 0 : 1;
}

/** Every report of a class as a file, judged again. */
function checkClass(classFile: string, { games, reports }: ClassFile): number {
  const levels = new Map(Object.keys(games).map((version) => [version, new Map()]));
  const verdicts = reports.map(({ id, version, report }) => {
    const { kind, reasons, goes } = judge({ game: games[version]!, report, levels: levels.get(version)! });
    return { id, kind, reasons: reasons.map(({ sentence }) => sentence), values: goes.map(({ result }) => result?.value ?? null) };
  });
  print({ file: classFile, reports: verdicts });
  return verdicts.every(({ kind }) => kind === 'clean') ? 0 : 1;
}

export function check(args: readonly string[], options: Options): number {
  if (args.length === 1) return checkClass(args[0]!, accepted(args[0]!, readClassFile(readJson(args[0]!))));
  const gameFile = file(args, 0, 'GAME');
  const reportFile = file(args, 1, 'REPORT');
  const game = gameOfFile(gameFile, options);
  const verdict = judge({ game, report: accepted(reportFile, readReport(readJson(reportFile))) });
  print(verdict);
  return verdict.kind === 'clean' ? 0 : 1;
}

export function totals(args: readonly string[], options: Options): number {
  const gameFile = file(args, 0, 'GAME');
  const game = gameOfFile(gameFile, options);
  const level = whole(options['level'], 'level', 1, 1, game.levels.length);
  const attempts = options['attempts'] === undefined ? {} : { attempts: whole(options['attempts'], 'attempts', 1, 0, 1000) };
  const seconds = options['seconds'] === undefined ? {} : { seconds: whole(options['seconds'], 'seconds', 60, 0, 3600) };
  const targets = options['targets'] === undefined ? {} : { targets: whole(options['targets'], 'targets', 1, 1, 30) };
  const marks = options['marks'] === undefined ? {} : { marks: whole(options['marks'], 'marks', 1, 1, 30) };
  print(reachableTotals(accepted(gameFile, levelGame(game, level - 1)), { ...attempts, ...seconds, ...targets, ...marks }));
  return 0;
}

export function gaps(args: readonly string[], options: Options): number {
  const gameFile = file(args, 0, 'GAME');
  const found = gamesIn(gameFile, options).flatMap(({ game, place }) => gapsOf(game).map((gap) => ({ ...gap, place: `${place}${gap.place}` })));
  print(found.map(({ mends, ...gap }) => ({ ...gap, mends: mends.map((mend) => mend.label) })));
  return found.length === 0 ? 0 : 1;
}
