/** A plan as files for other programs: a table, a workbook, a calendar. Cells that a spreadsheet would take for a formula are made text. */
import ical, { ICalEventTransparency } from 'ical-generator';
import Papa from 'papaparse';
import type { KeptTermPlan, ParOfCell } from '@/contract/term-plan';
import { dueAfter, lessonIn, weeksOfTerm } from '@/core/plan/calendar';
import { cellAt, classesOfPlan, offersOf, type PlanFacts } from '@/core/plan/document';
import { SKILL_NAMES } from '@/core/sheet/teaching-points';
import { fenced } from '../files/fenced';
import { safeText, type SheetToWrite } from '../files/sheet-to-write';

export interface PlanRow {
  readonly class: string;
  readonly week: number;
  readonly lesson_on: string;
  readonly due_on: string;
  readonly game: string;
  readonly level: string;
  readonly skill: string;
  readonly success: number | null;
  readonly par: number | null;
  readonly unit: string;
  readonly minutes: number | null;
}

const COLUMNS = ['class', 'week', 'lesson_on', 'due_on', 'game', 'level', 'skill', 'success', 'par', 'unit', 'minutes'] as const;
const WIDTHS = [16, 6, 12, 12, 30, 16, 28, 9, 7, 12, 9];

/** Each cell that holds something, and each day without a lesson by its name, in the order of classes and weeks. */
export function rowsOfPlan({ document }: Pick<KeptTermPlan, 'document'>, facts: PlanFacts, pars: readonly ParOfCell[]): PlanRow[] {
  const mondays = weeksOfTerm(document);
  const offers = offersOf(document, facts.offers);
  return classesOfPlan(document, facts).flatMap(({ id, name, weekday }) =>
    mondays.flatMap((monday, week): PlanRow[] => {
      const { on, off } = lessonIn(document, monday, weekday);
      const cell = cellAt(document, id, week);
      const offer = offers.find((one) => one.id === cell?.offerId);
      const level = offer?.levels.findIndex((one) => one.id === cell?.levelId) ?? -1;
      const row = {
        class: name,
        week: week + 1,
        lesson_on: on,
        due_on: dueAfter(on),
        success: null,
        par: null,
        unit: '',
        minutes: null,
        level: '',
        skill: '',
      };
      if (!offer || level < 0) return off ? [{ ...row, game: off }] : [];
      const expected = facts.expected[id]?.[facts.offers.indexOf(offer)]?.[level];
      const par = pars.find((one) => one.classId === id && one.week === week);
      return [
        {
          ...row,
          game: offer.title,
          level: offer.levels[level]!.name,
          skill: offer.skills.map((skill) => SKILL_NAMES[skill]).join(', '),
          success: expected?.chance === null || expected === undefined ? null : Math.round(100 * expected.chance) / 100,
          par: par?.par ?? null,
          unit: par?.unit ?? '',
          minutes: expected?.minutes ?? null,
        },
      ];
    }),
  );
}

const cellsOf = (row: PlanRow) => COLUMNS.map((column) => safeText(row[column]));

/** RFC 4180. */
export const planAsCsv = (rows: readonly PlanRow[]): string => Papa.unparse({ fields: [...COLUMNS], data: rows.map(cellsOf) }, { newline: '\r\n' });

/** Null where the workbook could not be written. */
export const planAsWorkbook = (name: string, rows: readonly PlanRow[]): Promise<Buffer | null> => {
  const sheet: SheetToWrite = {
    name: name.slice(0, 30).replace(/[\\/?*[\]:]/g, ' '),
    widths: WIDTHS,
    rows: [COLUMNS.map((column) => column.replace('_', ' ')), ...rows.map(cellsOf)],
  };
  return fenced('write-workbook', [], Buffer.from(JSON.stringify(sheet)));
};

/** The days of the lessons, all day and free. RFC 5545 through ical-generator. */
export function planAsCalendar({ id, document: { name } }: Pick<KeptTermPlan, 'id' | 'document'>, rows: readonly PlanRow[], now: Date): string {
  const calendar = ical({ name, prodId: { company: 'Lochside', product: 'Plan', language: 'EN' } });
  for (const row of rows)
    if (row.level)
      calendar.createEvent({
        id: `plan-${id}-${row.class}-${row.week}`,
        stamp: now,
        start: new Date(`${row.lesson_on}T00:00:00Z`),
        allDay: true,
        timezone: 'UTC',
        summary: `${row.class}: ${row.game}, ${row.level}`,
        description: [row.skill, row.par === null ? '' : `par ${row.par} ${row.unit}`, `due ${row.due_on}`].filter(Boolean).join(', '),
        transparency: ICalEventTransparency.TRANSPARENT,
      });
  return calendar.toString();
}
