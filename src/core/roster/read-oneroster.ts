/**
 * Class lists by OneRoster 1.1 CSV (IMS Global, "OneRoster v1.1: CSV Tables"): users.csv, classes.csv, enrollments.csv. Of a child its first name
 * and an initial are read, and the id that finds it again next year; everything else is left where it is.
 */
import Papa from 'papaparse';
import type { Outcome, Problem } from '../rules/format/problem';
import { nameFromParts } from './read-roster';

export interface OneRosterChild {
  /** Its sourcedId. */
  readonly key: string;
  readonly firstName: string;
  readonly initial: string;
}

export interface OneRosterClass {
  readonly key: string;
  readonly name: string;
  /** By its grade, as CEDS codes it: kindergarten is about five; null where it says none. */
  readonly ageYears: number | null;
  readonly children: readonly OneRosterChild[];
}

export interface OneRoster {
  readonly classes: readonly OneRosterClass[];
  /** What was left out, in words. */
  readonly remarks: readonly string[];
}

export const ROSTER_FILES = ['users.csv', 'classes.csv', 'enrollments.csv'] as const;
type RosterFile = (typeof ROSTER_FILES)[number];

const NEEDED: Readonly<Record<RosterFile, readonly string[]>> = {
  'users.csv': ['sourcedId', 'role', 'givenName', 'familyName'],
  'classes.csv': ['sourcedId', 'title'],
  'enrollments.csv': ['classSourcedId', 'userSourcedId', 'role'],
};

/** The age of a grade: "KG" 5, "01" 6, "02" 7 … Assumed: the year in which most turn it. */
const ageOf = (grades: string): number | null => {
  const [first] = grades.split(',');
  const grade = first?.trim() ?? '';
  const age = /^(KG|TK|PK|PR)$/i.test(grade) ? (/^KG|TK$/i.test(grade) ? 5 : 4) : /^\d{1,2}$/.test(grade) ? Number(grade) + 5 : null;
  return age !== null && age >= 4 && age <= 12 ? age : null;
};

type Line = Readonly<Record<string, string>>;

const isThere = ({ status }: Line) => status === undefined || status === '' || /^active$/i.test(status);

/** The tables by the name of their file, without folders before it. A problem names the file and what is wrong with it. */
export function readOneRoster(files: Readonly<Record<string, string>>): Outcome<OneRoster> {
  const tables: Partial<Record<RosterFile, readonly Line[]>> = {};
  const problems: Problem[] = [];
  for (const name of ROSTER_FILES) {
    const text = Object.entries(files).find(([path]) => path.toLowerCase().split(/[\\/]/).at(-1) === name)?.[1];
    if (text === undefined) {
      problems.push({
        place: name,
        reason: 'is not among the files',
        fix: 'Choose the whole ZIP, or users.csv, classes.csv and enrollments.csv together.',
      });
      continue;
    }
    const { data, meta } = Papa.parse<Line>(text.replace(/^\uFEFF/, ''), { header: true, skipEmptyLines: 'greedy' });
    const missing = NEEDED[name].filter((column) => !(meta.fields ?? []).includes(column));
    if (missing.length > 0) problems.push({ place: name, reason: `has no column ${missing.join(', ')}`, fix: 'Export it as OneRoster 1.1 CSV.' });
    else tables[name] = data;
  }
  if (problems.length > 0) return { ok: false, problems };

  const users = new Map(tables['users.csv']!.filter(isThere).map((user) => [user['sourcedId']!, user]));
  const enrolled = tables['enrollments.csv']!.filter((one) => isThere(one) && /^student$/i.test(one['role']!));
  let unnamed = 0;
  const classes = tables['classes.csv']!.filter(isThere).flatMap((of): OneRosterClass[] => {
    const mine = [...new Set(enrolled.filter((one) => one['classSourcedId'] === of['sourcedId']).map((one) => one['userSourcedId']!))];
    const children = mine.flatMap((key): OneRosterChild[] => {
      const user = users.get(key);
      if (!user) return [];
      const name = nameFromParts(user['givenName']!, user['familyName']!);
      if (!name) unnamed += 1;
      return name ? [{ key, ...name }] : [];
    });
    const name = of['title']!.trim().slice(0, 60);
    return children.length > 0 && name !== '' ? [{ key: of['sourcedId']!, name, ageYears: ageOf(of['grades'] ?? ''), children }] : [];
  });
  const empty = tables['classes.csv']!.filter(isThere).length - classes.length;
  const remarks = [
    ...(empty > 0 ? [`${empty} ${empty === 1 ? 'class has' : 'classes have'} no children in it and ${empty === 1 ? 'is' : 'are'} left out.`] : []),
    ...(unnamed > 0 ? [`${unnamed} without a name ${unnamed === 1 ? 'is' : 'are'} left out.`] : []),
  ];
  if (classes.length === 0)
    return {
      ok: false,
      problems: [
        { place: 'enrollments.csv', reason: 'puts no child into a class', fix: 'Look whether the roles are “student” and the status is active.' },
      ],
    };
  return { ok: true, value: { classes: [...classes].sort((a, b) => a.name.localeCompare(b.name, 'en-GB', { numeric: true })), remarks } };
}
