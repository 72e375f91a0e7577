/** What was measured with a game, in sums, and a set of games as one file: what goes from school to school. */
import Joi from 'joi';
import { EVIDENCE_FORMAT, SET_FORMAT } from './formats';
import type { Game } from './game';
import type { Outcome } from './problem';
import { problemsOf, readGameToPlay } from './read-game';

/** A row is of so many children and tries at least, or it is not written and not taken. */
export const LEAST_CHILDREN = 10;
export const LEAST_TRIES = 60;

export interface EvidenceRow {
  readonly level: string;
  /** From the place to what was aimed at, metres. */
  readonly distanceM: number;
  /** What was aimed at, and what was played with, by their ids in the catalogue. */
  readonly object: string;
  readonly implement: string;
  readonly ageYears: number;
  readonly children: number;
  readonly tries: number;
  readonly hits: number;
  /** In how many weeks it was played. */
  readonly weeks: number;
}

export interface GameEvidence {
  readonly format: typeof EVIDENCE_FORMAT;
  /** SHA-256 of the game with its fields in order (`canonicalText`), hexadecimal: of another content it says nothing. */
  readonly game: string;
  readonly rows: readonly EvidenceRow[];
}

export interface GameSet {
  readonly format: typeof SET_FORMAT;
  readonly title: string;
  readonly games: readonly Game[];
  readonly evidence?: readonly GameEvidence[];
}

const MOST_GAMES = 60;
const MOST_ROWS = 200;
const count = (least: number) => Joi.number().integer().min(least).max(10_000_000).required();
const name = Joi.string().min(1).max(40).required();

export const evidenceSchema = Joi.object<GameEvidence>({
  format: Joi.string().valid(EVIDENCE_FORMAT).required(),
  game: Joi.string()
    .pattern(/^[0-9a-f]{64}$/)
    .required(),
  rows: Joi.array()
    .items(
      Joi.object({
        level: name,
        distanceM: Joi.number().min(0).max(30).required(),
        object: name,
        implement: name,
        ageYears: Joi.number().integer().min(4).max(12).required(),
        children: count(LEAST_CHILDREN),
        tries: count(LEAST_TRIES),
        hits: count(0),
        weeks: count(1),
      }),
    )
    .max(MOST_ROWS)
    .required(),
});

export const setSchema = Joi.object<GameSet>({
  format: Joi.string().valid(SET_FORMAT).required(),
  title: Joi.string().min(1).max(60).required(),
  games: Joi.array().items(Joi.object().unknown()).min(1).max(MOST_GAMES).required(),
  evidence: Joi.array().items(evidenceSchema).max(MOST_GAMES),
});

const sorted = (value: unknown): unknown =>
  Array.isArray(value)
    ? value.map(sorted)
    : typeof value === 'object' && value !== null
      ? Object.fromEntries(
          Object.entries(value)
            .sort(([a], [b]) => (a < b ? -1 : 1))
            .map(([key, one]) => [key, sorted(one)]),
        )
      : value;

/** The game as text with its fields in order, without the age that it is shown for: the same game is the same text, whoever wrote the file. */
export const canonicalText = ({ ageYears: _age, ...game }: Game): string => JSON.stringify(sorted(game));

/** A set as a file; every game in it must be one that can be played, and no more can hit than tried. */
export function readSet(input: unknown): Outcome<GameSet> {
  const { error, value } = setSchema.validate(input, { abortEarly: false, convert: false });
  if (error) return { ok: false, problems: problemsOf(error) };
  const set = value as GameSet;
  const games: Game[] = [];
  for (const [index, one] of set.games.entries()) {
    const read = readGameToPlay(one);
    if (!read.ok) return { ok: false, problems: read.problems.map((problem) => ({ ...problem, place: `/games/${index}${problem.place}` })) };
    games.push(read.value);
  }
  for (const [index, { rows }] of (set.evidence ?? []).entries()) {
    const row = rows.findIndex(({ tries, hits, children }) => hits > tries || children > tries);
    if (row >= 0)
      return {
        ok: false,
        problems: [
          { place: `/evidence/${index}/rows/${row}`, reason: 'has more hits or children than tries', fix: 'Look where this file was written.' },
        ],
      };
  }
  return { ok: true, value: { ...set, games } };
}
