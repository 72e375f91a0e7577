/** Format 1 of a class as a file: the games that were sent, every report as it came, and what counts. It is what `check` and `fit` read. */
import Joi from 'joi';
import type { RackShelf } from '../forecast/racks';
import { readReport } from '../reports/read-report';
import type { Report } from '../reports/report';
import { CLASS_FORMAT } from '../rules/format/formats';
import type { Game } from '../rules/format/game';
import type { Outcome, Problem } from '../rules/format/problem';
import { problemsOf, readGame } from '../rules/format/read-game';
import { evidenceOf, type EvidenceMemo } from './evidence';
import type { Observed } from './fit';

export interface ReportInFile {
  readonly id: string;
  readonly child: string;
  readonly ageYears: number;
  /** Which of the games. */
  readonly version: string;
  readonly report: Report;
  /** Of each go what counts, or else what it was worked out to be. */
  readonly values: readonly (number | null)[];
  /** It tells of the child's skill: it can be, and nobody has set it aside. */
  readonly tells: boolean;
  /** The week in which it came, as a number that grows by one a week; files of before do not have it, and are of one week. */
  readonly week?: number;
}

export interface ClassFile {
  readonly format: typeof CLASS_FORMAT;
  readonly games: Readonly<Record<string, Game>>;
  readonly reports: readonly ReportInFile[];
}

const shape = Joi.object({
  format: Joi.string().valid(CLASS_FORMAT).required(),
  games: Joi.object().pattern(Joi.string(), Joi.object().unknown(true)).required(),
  reports: Joi.array()
    .items(
      Joi.object({
        id: Joi.string().required(),
        child: Joi.string().required(),
        ageYears: Joi.number().integer().min(4).max(18).required(),
        version: Joi.string().required(),
        report: Joi.object().unknown(true).required(),
        values: Joi.array().items(Joi.number().integer().allow(null)).required(),
        tells: Joi.boolean().required(),
        week: Joi.number().integer(),
      }),
    )
    .required(),
}).unknown(true);

/** Reads an unknown value as a class as a file. Never throws; says what is wrong and where. */
export function readClassFile(input: unknown): Outcome<ClassFile> {
  const { error, value } = shape.validate(input, { abortEarly: false, convert: false });
  if (error) return { ok: false, problems: problemsOf(error) };
  const file = value as ClassFile;
  const problems: Problem[] = [];
  const within = (place: string, outcome: Outcome<unknown>) => {
    if (!outcome.ok) problems.push(...outcome.problems.map((problem) => ({ ...problem, place: `${place}${problem.place}` })));
  };
  const games = Object.fromEntries(
    Object.entries(file.games).map(([version, game]) => {
      const read = readGame(game);
      within(`/games/${version}`, read);
      return [version, read.ok ? read.value : game];
    }),
  );
  file.reports.forEach((one, index) => {
    within(`/reports/${index}/report`, readReport(one.report));
    if (!(one.version in file.games))
      problems.push({ place: `/reports/${index}/version`, reason: 'names a game that is not in the file', fix: 'Add the game under /games.' });
  });
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: { ...file, games } };
}

/** What the reports of a file tell of the skill of its children. */
export function observedIn({ games, reports }: ClassFile, shelf?: RackShelf): Observed[] {
  const memo: EvidenceMemo = new Map();
  return reports.flatMap(({ child, ageYears, version, report, values, tells, week }) =>
    tells
      ? report.goes.flatMap((go, index) =>
          evidenceOf(
            { child, ageYears, game: games[version]!, versionId: version, go, value: values[index] ?? null, ...(week !== undefined && { week }) },
            memo,
            shelf,
          ),
        )
      : [],
  );
}
