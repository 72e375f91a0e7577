/**
 * npx lochside <verb>: JSON in files, JSON on standard output, problems on standard error with the place in the file.
 * Exit 0 done, 1 judged not clean or gaps found, 2 bad input. What a verb needs is loaded when it is called.
 */
import { parseArgs } from 'node:util';
import type { Problem } from '@/core/rules/format/problem';
import { BadInput, type Options } from './input';

interface Verb {
  /** The ways to call it, without the program's name. */
  readonly calls: readonly string[];
  readonly about: string;
  /** Each option with what it means. */
  readonly options: Readonly<Record<string, string>>;
  /** It works on the school of this machine: root does it as the user whose school it is. */
  readonly ofSchool?: true;
  /** Those of them that stand alone, without a value. */
  readonly flags?: readonly string[];
  readonly run: (args: readonly string[], options: Options) => Promise<number>;
}

const LEVEL = { level: 'the level, 1 for the first' };
const GAME = { game: 'where the file is an event: which of its games, 1 for the first' };
const AGE = { age: 'of the children, in years, 4 to 12' };

const VERBS: Readonly<Record<string, Verb>> = {
  score: {
    calls: ['score GAME PLAY [--game 2]'],
    about: 'The score of a play, worked out, with the frame sheet of a game of frames; exit 1 when something in it was refused.',
    options: GAME,
    run: async (args, options) => (await import('./rules-verbs')).score(args, options),
  },
  check: {
    calls: ['check GAME REPORT', 'check CLASS.json'],
    about: 'The verdict on a report, or on every report of a class that was exported; exit 1 when one is not clean.',
    options: GAME,
    run: async (args, options) => (await import('./rules-verbs')).check(args, options),
  },
  totals: {
    calls: ['totals GAME [--level 2] [--attempts 10] [--seconds 60] [--targets 5] [--marks 2]'],
    about: 'The totals that can be, and those that cannot.',
    options: {
      ...GAME,
      ...LEVEL,
      attempts: 'as many tries as were made',
      seconds: 'as long as was played',
      targets: 'as many targets as were set up',
      marks: 'as many marks as were laid out',
    },
    run: async (args, options) => (await import('./rules-verbs')).totals(args, options),
  },
  gaps: {
    calls: ['gaps GAME'],
    about: 'What the rules leave open, with mends; exit 1 when there are any.',
    options: GAME,
    run: async (args, options) => (await import('./rules-verbs')).gaps(args, options),
  },
  forecast: {
    calls: ['forecast GAME --age 8 [--level 2] [--plays 2000] [--seed 1] [--pins rough] [--reports REPORTS.csv]'],
    about: 'Chances, likely scores, par, minutes and luck of a level.',
    options: {
      ...GAME,
      ...AGE,
      ...LEVEL,
      plays: 'how many games are played out, to 100000',
      seed: 'the same seed gives the same figures',
      pins: '“rough” does without rolling balls at pins whose table is not shipped',
      reports: 'a class, as CSV or as an exported file, whose own skill is taken',
    },
    run: async (args, options) => (await import('./forecast-verbs')).forecast(args, options),
  },
  levels: {
    calls: ['levels GAME --age 8 --chances 0.7,0.5,0.3'],
    about: 'Distances for wanted chances, one a level.',
    options: { ...GAME, ...AGE, chances: 'between 0 and 1, with commas' },
    run: async (args, options) => (await import('./forecast-verbs')).levels(args, options),
  },
  equal: {
    calls: ['equal GAME --age 8 --have bucket,box --clear 2.6 [--level 2]'],
    about: 'The set-up of another home with the same chances.',
    options: { ...GAME, ...AGE, ...LEVEL, have: 'what is there, with commas', clear: 'the longest clear line, metres' },
    run: async (args, options) => (await import('./forecast-verbs')).equal(args, options),
  },
  fit: {
    calls: ['fit CLASS.json', 'fit REPORTS.csv'],
    about:
      'How steady a class and its children are, with 80% intervals: from an exported class, or from the columns child,age,technique,implement,target,distance_m,attempts,hits.',
    options: {},
    run: async (args) => (await import('./forecast-verbs')).fit(args),
  },
  sheet: {
    calls: ['sheet GAME --out SHEET.pdf [--level 2] [--age 8] [--size letter] [--print large] [--ground pale] [--language fr]'],
    about: 'A home sheet on paper.',
    options: {
      ...GAME,
      ...LEVEL,
      ...AGE,
      out: 'the name of the PDF',
      size: 'a4 or letter',
      print: 'usual or large',
      ground: 'white or pale',
      language: 'en or fr',
    },
    run: async (args, options) => (await import('./sheet-verb')).sheet(args, options),
  },
  'teacher add': {
    ofSchool: true,
    calls: ['teacher add --name NAME --email ADDRESS [--school SCHOOL | --new-school SCHOOL] [--zone Europe/London] [--role lead|teacher|helper]'],
    about: 'Adds somebody to the school that runs here, and the school with its first teacher, who is its lead. The first password is printed once.',
    options: {
      name: 'as it is shown',
      email: 'to sign in with',
      school: 'the name of the school, with the first teacher',
      'new-school': 'makes a further school on this server',
      zone: 'the time zone of the school',
      role: 'lead (people, backups), teacher or helper (changes no games, classes or weeks)',
    },
    run: async (_args, options) => (await import('./teacher-add')).addTeacherCommand(options),
  },
  'backup key': {
    ofSchool: true,
    calls: ['backup key [--new yes]'],
    about: 'Makes the pair of keys for backups. The private one is told once, for the safe of the school; with the other the server encrypts.',
    options: { new: 'yes makes another pair where there is one' },
    run: async (_args, options) => (await import('./backup-verbs')).backupKey(options),
  },
  'backup verify': {
    ofSchool: true,
    calls: ['backup verify FILE --identity KEYFILE'],
    about:
      'Restores a backup into a database server of its own, counts and compares it, and replays the reports of a class. The school is not touched.',
    options: { identity: 'a file with the private key' },
    run: async (args, options) => (await import('./backup-verbs')).verifyBackup(args, options),
  },
  'backup last': {
    ofSchool: true,
    calls: ['backup last'],
    about: 'Says when the last backup was made.',
    options: {},
    run: async () => (await import('./backup-verbs')).backupStanding(),
  },
  backup: {
    ofSchool: true,
    calls: ['backup [--out FOLDER] [--keep N]'],
    about: 'Makes an encrypted backup of the database and the secrets, from one snapshot, while the school goes on. Keeps the newest 35.',
    options: { out: 'where to; beside the database without it', keep: 'how many are kept' },
    run: async (_args, options) => (await import('./backup-verbs')).backup(options),
  },
  restore: {
    ofSchool: true,
    calls: ['restore FILE --identity KEYFILE [--over yes]'],
    about:
      'Puts a backup in the place of what is here, and does every erasure of the journal again. The school must be stopped; what was here is moved aside.',
    options: { identity: 'a file with the private key', over: 'yes empties the database that DATABASE_URL names first' },
    run: async (args, options) => (await import('./backup-verbs')).restore(args, options),
  },
  keeping: {
    ofSchool: true,
    calls: ['keeping [--dry-run]'],
    about: 'Takes away what each school here keeps no longer, by the rules that its lead has set, and says how much of what.',
    options: { 'dry-run': 'only says it' },
    flags: ['dry-run'],
    run: async (_args, options) => (await import('./keeping-verb')).keeping(options),
  },
  'service install': {
    calls: ['service install --url https://play.example.org [--host 127.0.0.1] [--port 3000] [--dry-run]'],
    about: 'Makes Lochside a service of systemd, run by a user of its own, and hands the school of this machine over to it.',
    options: { url: 'the address that families use', host: 'where it listens', port: 'on which port', 'dry-run': 'only shows the unit' },
    flags: ['dry-run'],
    run: async (_args, options) => (await import('./service-verb')).installService(options),
  },
  upgrade: {
    ofSchool: true,
    calls: ['upgrade'],
    about:
      'Brings the school of this machine to this version, while it is stopped: a backup, the changes of the database, a check; exit 1 when the check fails.',
    options: {},
    run: async () => (await import('./upgrade-verb')).upgrade(),
  },
  house: {
    ofSchool: true,
    calls: ['house'],
    about: 'What is due once a day, for the launcher: what is kept no longer goes, then a backup; on one of several machines, whichever comes first.',
    options: {},
    run: async () => (await import('./house-verb')).house(),
  },
  'node-check': {
    calls: ['node-check [--port 9200] [--host 127.0.0.1]'],
    about:
      'Beside a database node of several: answers a balancer whether the node of DATABASE_URL may be asked, 200 or 503 with why, until it is ended.',
    options: { port: 'where it answers', host: 'on which address of this machine' },
    run: async (_args, options) => (await import('./node-check')).nodeCheck(options),
  },
  'teacher reset': {
    ofSchool: true,
    calls: ['teacher reset --email ADDRESS [--second-factor off]'],
    about: 'Prints a link by which somebody chooses a new password, for 72 hours and once: for a lead whom no other lead can help.',
    options: { email: 'the address to sign in with', 'second-factor': 'off takes it off as well: the telephone is lost' },
    run: async (_args, options) => (await import('./teacher-add')).resetTeacherCommand(options),
  },
};

const helpOf = ({ calls, about, options }: Verb): string =>
  [
    ...calls.map((call) => `npx lochside ${call}`),
    '',
    about,
    ...(Object.keys(options).length > 0 ? [''] : []),
    ...Object.entries(options).map(([name, meaning]) => `  --${name.padEnd(10)} ${meaning}`),
    '',
  ].join('\n');

const usage = (): string =>
  `${Object.values(VERBS)
    .flatMap(({ calls }) => calls.map((call) => `npx lochside ${call}`))
    .join('\n')}\n\nnpx lochside VERB --help tells more of one.\n`;

const bad = (reason: string): BadInput => new BadInput([{ place: 'command line', reason, fix: 'See npx lochside help.' }]);

async function run(words: readonly string[]): Promise<number> {
  const [first, second] = words;
  if (first === undefined) throw bad('no verb was given');
  if (first === 'help' || first === '--help' || first === '-h') {
    process.stdout.write(usage());
    return 0;
  }
  const both = `${first} ${second ?? ''}`.trim();
  const name = both in VERBS ? both : first in VERBS ? first : both;
  const asksHelp = words.some((word) => word === '--help' || word === '-h');
  const verb = VERBS[name] ?? (asksHelp ? Object.entries(VERBS).find(([known]) => known.startsWith(`${first} `))?.[1] : undefined);
  if (!verb) throw bad(`there is no verb “${name}”`);
  if (asksHelp) {
    process.stdout.write(helpOf(verb));
    return 0;
  }
  const { values, positionals } = parseArgs({
    args: words.slice(name.split(' ').length),
    allowPositionals: true,
    options: Object.fromEntries(
      Object.keys(verb.options).map((option) => [option, { type: verb.flags?.includes(option) ? ('boolean' as const) : ('string' as const) }]),
    ),
  });
  if (verb.ofSchool) (await import('./own-instance')).actAsOwner();
  return verb.run(positionals, Object.fromEntries(Object.entries(values).map(([option, value]) => [option, value === true ? 'yes' : String(value)])));
}

/** Runs the verb that these words name and says what is wrong with them; the exit code. */
export async function lochside(words: readonly string[]): Promise<number> {
  try {
    return await run(words);
  } catch (error) {
    const problems: readonly Problem[] =
      error instanceof BadInput
        ? error.problems
        : bad(error instanceof Error ? error.message.split('. ')[0]!.replace(/\.$/, '') : String(error)).problems;
    for (const { place, reason, fix } of problems) process.stderr.write(`${place}: ${reason}. ${fix}\n`);
    return 2;
  }
}
