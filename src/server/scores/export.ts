/** Every go that was reported in a class, as rows for other programs, and the class as a file. Cells that a spreadsheet would take for a formula are made text. */
import type { Uuid } from '@/contract/ids';
import Papa from 'papaparse';
import type { ClassFile } from '@/core/progress/class-file';
import { CLASS_FORMAT } from '@/core/rules/format/formats';
import type { Game } from '@/core/rules/format/game';
import { childrenWhoReported } from '../db/children';
import { versionBody, weeksOf } from '../db/weeks';
import { tells } from '../progress/fit-of-class';
import { weekNumber } from '../progress/week-number';
import { groupedBy } from '../db/grouped';
import { fenced } from '../files/fenced';
import { safeText, type SheetToWrite } from '../files/sheet-to-write';
import { bodiesOf } from '../db/reports';
import { playsOfClass } from '../reports/plays';

export interface ExportedGo {
  readonly report_id: string;
  readonly go: number;
  readonly child_id: string;
  readonly child: string;
  readonly week: number;
  readonly game: string;
  readonly level: string;
  readonly way: string;
  readonly received_at: string;
  readonly as_sent: number | null;
  readonly worked_out: number | null;
  readonly counts: number | null;
  readonly unit: string;
  /** What the child made of it, where the game asks. */
  readonly own_sum: number | null;
  readonly hits: number;
  readonly tries: number;
  readonly as_asked: boolean;
  readonly verdict: string;
  readonly reason: string;
  readonly decided: string;
}

export async function exportedGoes(classId: Uuid): Promise<ExportedGo[]> {
  const [plays, children, weeks] = await Promise.all([playsOfClass(classId), childrenWhoReported(classId), weeksOf(classId)]);
  const numbers = new Map(weeks.map((week) => [week.id, week.number]));
  const mine = plays.filter((play) => numbers.has(play.weekId));
  return Promise.all(
    mine.map(async (play): Promise<ExportedGo> => {
      const game = await versionBody(play.versionId);
      return {
        report_id: play.reportId,
        go: play.goNumber,
        child_id: play.childId,
        child: children.get(play.childId) ?? '',
        week: numbers.get(play.weekId)!,
        game: game.title,
        level: game.levels.find((level) => level.id === play.levelId)?.name ?? play.levelId,
        way: play.way,
        received_at: play.receivedAt.toISOString(),
        as_sent: play.total,
        worked_out: play.value,
        counts: play.counts,
        unit: game.parts[0]!.measure.unit,
        own_sum: play.report.goes[play.goNumber - 1]!.added ?? null,
        hits: play.successes,
        tries: play.attempts,
        as_asked: play.asAsked,
        verdict: play.kind,
        reason: play.reasons[0]?.sentence ?? '',
        decided: play.choice ?? '',
      };
    }),
  );
}

/**
 * The class as a file: the rows, and with them games and reports whole, for `check` and `fit` of the command line. How a child plays (seated, with two
 * hands) can tell of a disability: without `withForms` every go is told as played standing, and the file says so. Reports whose tries are no longer
 * kept have their rows alone.
 */
export async function asClassFile(
  classId: Uuid,
  { withForms }: { withForms: boolean },
): Promise<ClassFile & { goes: readonly ExportedGo[]; formsLeftOut: boolean }> {
  const [goes, plays] = await Promise.all([exportedGoes(classId), playsOfClass(classId)]);
  const games: Record<string, Game> = {};
  for (const { versionId } of plays) games[versionId] ??= await versionBody(versionId);
  const byReport = groupedBy(plays, (play) => play.reportId);
  const bodies = await bodiesOf([...byReport.keys()]);
  const reports = [...byReport].flatMap(([id, mine]) => {
    const report = bodies.get(id);
    if (!report) return [];
    return {
      id,
      child: mine[0]!.childId,
      ageYears: mine[0]!.setUp.ageYears,
      version: mine[0]!.versionId,
      report: withForms ? report : { ...report, goes: report.goes.map((go) => ({ ...go, form: 'standing' as const })) },
      values: mine.map((play) => play.counts ?? play.value),
      tells: tells(mine[0]!),
      week: weekNumber(mine[0]!.receivedAt),
    };
  });
  return { format: CLASS_FORMAT, formsLeftOut: !withForms, goes, games, reports };
}

const COLUMNS = [
  'report_id',
  'go',
  'child_id',
  'child',
  'week',
  'game',
  'level',
  'way',
  'received_at',
  'as_sent',
  'worked_out',
  'counts',
  'unit',
  'own_sum',
  'hits',
  'tries',
  'as_asked',
  'verdict',
  'reason',
  'decided',
] as const satisfies readonly (keyof ExportedGo)[];

const rowOf = (go: ExportedGo) => COLUMNS.map((column) => safeText(go[column]));

/** RFC 4180. */
export function asCsv(goes: readonly ExportedGo[]): string {
  return Papa.unparse({ fields: [...COLUMNS], data: goes.map(rowOf) }, { newline: '\r\n' });
}

/** XLSX, written by a program of its own. */
export async function asWorkbook(goes: readonly ExportedGo[]): Promise<Buffer> {
  const widths = COLUMNS.map((column) => (column === 'reason' ? 60 : /_id$|received/.test(column) ? 26 : 14));
  const sheet: SheetToWrite = { name: 'Scores', widths, rows: [[...COLUMNS], ...goes.map(rowOf)] };
  const written = await fenced('write-workbook', [], Buffer.from(JSON.stringify(sheet)));
  if (!written) throw new Error('the workbook could not be written');
  return written;
}
