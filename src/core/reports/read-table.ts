/** Scores in the rows of a file: what each column is, guessed from its heading and corrected by a person, and what each row then says. */
import type { PartField } from './parts';

/** What a column holds; `cell:2` is the third thing that this game is typed in by. */
export type ColumnKind =
  'child' | 'initial' | 'week' | 'game' | 'level' | 'total' | 'unit' | 'felt' | 'word' | 'distance' | 'version' | 'ignore' | `cell:${number}`;

export const COLUMN_WORDS: Readonly<Record<Exclude<ColumnKind, `cell:${number}`>, string>> = {
  child: 'child',
  initial: 'initial',
  week: 'week',
  game: 'game',
  level: 'level',
  total: 'score',
  unit: 'unit',
  felt: 'how it felt',
  word: 'a word',
  distance: 'from how far, m',
  version: 'version of the game',
  ignore: 'not used',
};

const HEADINGS: readonly (readonly [RegExp, ColumnKind])[] = [
  [/^(surname|initial|last)/i, 'initial'],
  [/(game|station|activity)/i, 'game'],
  [/(name|child|pupil|player|who)/i, 'child'],
  [/week/i, 'week'],
  [/level/i, 'level'],
  [/(unit|counted in)/i, 'unit'],
  [/(felt|feel|how was)/i, 'felt'],
  [/(word|note|remark|comment|message)/i, 'word'],
  [/(distance|how far|metres|meters)/i, 'distance'],
  [/version/i, 'version'],
  [/(score|total|points|result|sum)/i, 'total'],
];

/** One kind for each column; a kind that may stand once goes to the first that asks for it. */
export function guessColumns(header: readonly string[], fields: readonly Pick<PartField, 'label'>[]): ColumnKind[] {
  const taken = new Set<ColumnKind>();
  const take = (kind: ColumnKind): ColumnKind => {
    if (taken.has(kind)) return 'ignore';
    taken.add(kind);
    return kind;
  };
  return header.map((heading) => {
    const words = heading.trim().toLocaleLowerCase('en-GB');
    const cell = fields.findIndex(({ label }) => [words, `${words} mark`].includes(label.toLocaleLowerCase('en-GB')));
    if (words !== '' && cell >= 0) return take(`cell:${cell}`);
    const found = HEADINGS.find(([pattern]) => pattern.test(words));
    return found ? take(found[1]) : 'ignore';
  });
}

export interface RowReading {
  /** Of the file, from 1, the heading among them. */
  readonly line: number;
  readonly child: string;
  readonly week: number | null;
  /** The game of an event, as it is written; empty for none. */
  readonly game: string;
  /** As it is written: a name or a number; empty for none. */
  readonly level: string;
  /** Undefined for nothing written, null for “not finished”. */
  readonly total: number | null | undefined;
  /** Null where the file has no column for it: then the game's own is meant. */
  readonly unit: string | null;
  readonly felt: 'hard' | 'right' | 'easy' | null;
  readonly word: string;
  readonly distanceM: number | null;
  readonly version: number | null;
  readonly cells: readonly (number | null)[];
  /** What could not be read, each with its column. */
  readonly problems: readonly string[];
}

const FELT: readonly (readonly [RegExp, RowReading['felt']])[] = [
  [/hard|difficult/i, 'hard'],
  [/easy/i, 'easy'],
  [/right|ok|good/i, 'right'],
];

/** A whole number as people write it; null for none, NaN for something else. */
function whole(text: string): number | null {
  const written = text.trim().replace(/\s/g, '');
  if (written === '') return null;
  return /^[+-]?\d{1,8}([.,]0+)?$/.test(written) ? Number(written.replace(',', '.')) : Number.NaN;
}

/** Reads one row by its columns. Nothing is thrown away: what cannot be read is told. */
export function readRow(row: readonly string[], columns: readonly ColumnKind[], fields: number, line: number): RowReading {
  const problems: string[] = [];
  const text = (kind: ColumnKind) => (row[columns.indexOf(kind)] ?? '').trim();
  const number = (kind: ColumnKind, called: string) => {
    const value = columns.includes(kind) ? whole(text(kind)) : null;
    if (value === null || Number.isFinite(value)) return value;
    problems.push(`“${text(kind)}” is no whole number for ${called}.`);
    return null;
  };
  const written = text('total');
  const unfinished = /^(n|nf|dnf|not finished|unfinished)$/i.test(written);
  const minutes = /^(\d{1,3}):([0-5]\d)$/.exec(written);
  const total = unfinished ? null : minutes ? Number(minutes[1]) * 60 + Number(minutes[2]) : (number('total', 'the score') ?? undefined);
  const far = text('distance').replace(',', '.').replace(/\s*m$/i, '');
  const distanceM = far === '' ? null : Number(far);
  if (distanceM !== null && !(distanceM > 0 && distanceM < 100)) problems.push(`“${text('distance')}” is no distance in metres.`);
  const week = number('week', 'the week');
  const version = number('version', 'the version');
  return {
    line,
    child: [text('child'), text('initial')].filter(Boolean).join(' '),
    week,
    game: text('game'),
    level: text('level'),
    total,
    unit: columns.includes('unit') ? text('unit') : null,
    felt: FELT.find(([pattern]) => pattern.test(text('felt')))?.[1] ?? null,
    word: text('word').slice(0, 280),
    distanceM: distanceM !== null && distanceM > 0 && distanceM < 100 ? distanceM : null,
    version,
    cells: Array.from({ length: fields }, (_, index) => number(`cell:${index}`, 'a cell')),
    problems,
  };
}

/** The level that is meant: by its name, by its number from 1, or the one that was sent when none is written. Null for one that the game lacks. */
export function levelMeant(written: string, levels: readonly { readonly id: string; readonly name: string }[], sent: string): string | null {
  const wanted = written
    .trim()
    .toLocaleLowerCase('en-GB')
    .replace(/^level\s*/, '');
  if (wanted === '') return sent;
  const named = levels.find((level) => level.name.toLocaleLowerCase('en-GB') === wanted || level.id === wanted);
  if (named) return named.id;
  return /^\d$/.test(wanted) ? (levels[Number(wanted) - 1]?.id ?? null) : null;
}

/** A game of which something is reported: what tells it from the others. */
export interface NamedGame {
  readonly id: string;
  readonly number: number;
  readonly title: string;
}

/**
 * The game that is meant, of those that were sent, newest week first: the one with this title in the week that is named (any week where none
 * is), else the one that was chosen, else the first of the week. Undefined for a week that was not sent, or a title that it does not have.
 */
export function gameMeant<One extends NamedGame>(
  sent: readonly One[],
  week: number | null,
  title: string,
  chosen: string | null = null,
): One | undefined {
  const ofWeek = week === null ? sent : sent.filter((one) => one.number === week);
  const wanted = title.trim().toLocaleLowerCase('en-GB');
  if (wanted !== '') return ofWeek.find((one) => one.title.toLocaleLowerCase('en-GB') === wanted);
  return ofWeek.find((one) => one.id === chosen) ?? ofWeek[0];
}
