/** Names as a teacher pastes them, cut to first name and initial before they go anywhere. */
import Papa from 'papaparse';
import type { Problem } from '../rules/format/problem';

export interface RosterChild {
  readonly firstName: string;
  readonly initial: string;
  readonly hand: 'right' | 'left' | null;
  readonly ageYears: number | null;
}

export interface Roster {
  readonly children: readonly RosterChild[];
  readonly problems: readonly Problem[];
}

export const LONGEST_FIRST_NAME = 40;
const MOST_CHILDREN = 60;

/** "Isla Mary Robertson" → Isla R.; "Robertson, Isla" → Isla R.; "Isla" → Isla. Null when there is no letter in it. */
export function childName(written: string): { firstName: string; initial: string } | null {
  const comma = /^([^,]+),\s*([^,]+)$/.exec(written);
  const words = wordsOf(comma ? `${comma[2]} ${comma[1]}` : written);
  return nameFrom(words, words.length > 1 ? words.slice(-1) : []);
}

function wordsOf(written: string): string[] {
  return written
    .replace(/[^\p{L}\p{M}'’.-]/gu, ' ')
    .split(/\s+/)
    .filter((word) => /\p{L}/u.test(word));
}

/** Of a given and a family name as they are written. Null when there is no letter in the given one. */
export const nameFromParts = (given: string, family: string): { firstName: string; initial: string } | null =>
  nameFrom(wordsOf(given), wordsOf(family));

function nameFrom(firstNames: readonly string[], lastNames: readonly string[]): { firstName: string; initial: string } | null {
  const first = firstNames[0]?.replace(/\.$/, '');
  if (!first) return null;
  const letter = /\p{L}\p{M}*/u.exec(lastNames[0] ?? '')?.[0] ?? '';
  return { firstName: capital(first.slice(0, LONGEST_FIRST_NAME)), initial: letter ? `${letter.toLocaleUpperCase('en-GB')}.` : '' };
}

function capital(name: string): string {
  return name === name.toLocaleLowerCase('en-GB') || (name.length > 2 && name === name.toLocaleUpperCase('en-GB'))
    ? name.toLocaleLowerCase('en-GB').replace(/(^|[-'’])(\p{L})/gu, (_, before: string, letter: string) => before + letter.toLocaleUpperCase('en-GB'))
    : name;
}

type Column = 'name' | 'first' | 'last' | 'hand' | 'age';

const HEADINGS: ReadonlyArray<{ column: Column; says: RegExp }> = [
  { column: 'first', says: /^(first|fore|given)[ _-]?names?$/i },
  { column: 'last', says: /^(last|sur|family)[ _-]?names?$/i },
  { column: 'name', says: /^(name|child|pupil|full[ _-]?name|first)$/i },
  { column: 'last', says: /^(initial|surname initial)$/i },
  { column: 'hand', says: /^(hand|handed|throws with)$/i },
  { column: 'age', says: /^(age|years|age group)$/i },
];

/** Reads a pasted column of names, or CSV with or without a heading line (RFC 4180, also tabs and semicolons). */
export function readRoster(text: string): Roster {
  const sample = text.slice(0, 2000);
  // A comma in a plain column is "Surname, First"; a table says so by its heading line or by tabs and semicolons.
  const hasHeading = HEADINGS.some(({ says }) => says.test((sample.split(/[\r\n,;\t]/)[0] ?? '').trim().replaceAll('"', '')));
  const table = hasHeading || /[\t;]/.test(sample);
  const lines = table
    ? Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' }).data
    : text
        .split(/\r?\n/)
        .filter((line) => line.trim() !== '')
        .map((line) => [line]);
  const columns: Column[] = hasHeading ? lines[0]!.map((cell) => HEADINGS.find(({ says }) => says.test(cell.trim()))?.column ?? 'name') : ['name'];
  const children: RosterChild[] = [];
  const problems: Problem[] = [];
  let full = false;
  lines.slice(hasHeading ? 1 : 0).forEach((cells, index) => {
    const line = index + 1 + (hasHeading ? 1 : 0);
    const cell = (column: Column) => cells[columns.indexOf(column)]?.trim() ?? '';
    const name = columns.includes('last')
      ? nameFromParts(cell(columns.includes('first') ? 'first' : 'name'), cell('last'))
      : childName(cell(columns.includes('first') ? 'first' : 'name'));
    if (!name) return problems.push({ place: `line ${line}`, reason: 'has no name in it', fix: 'Write a first name, or delete the line.' });
    const hand = /^l/i.test(cell('hand')) ? 'left' : /^r/i.test(cell('hand')) ? 'right' : null;
    const age = Number.parseInt(cell('age'), 10);
    if (children.length === MOST_CHILDREN) {
      if (!full) problems.push({ place: `line ${line}`, reason: `is more than ${MOST_CHILDREN} children`, fix: 'Add the rest in a second go.' });
      full = true;
      return;
    }
    children.push({ ...name, hand, ageYears: age >= 4 && age <= 12 ? age : null });
  });
  return { children, problems };
}
