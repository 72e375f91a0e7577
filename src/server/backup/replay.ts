/** Reports of a restored school judged again: they must come to what is stored. */
import type { Uuid } from '@/contract/ids';
import { judge } from '@/core/reports/judge';
import { toText } from '../db/ids';
import { rows } from '../db/pool';
import { asClassFile } from '../scores/export';

export interface ReplayedClass {
  readonly className: string;
  readonly reports: number;
  /** Reports that come to something else than they did. */
  readonly different: readonly string[];
}

/** The class with the most reports, each of them replayed; null where nothing was reported yet. */
export async function replayOneClass(): Promise<ReplayedClass | null> {
  const [largest] = await rows<{ id: Buffer; name: string }>(
    `SELECT c.id, c.name FROM classes c JOIN weeks w ON w.class_id = c.id JOIN week_items i ON i.week_id = w.id
       JOIN assignments a ON a.week_item_id = i.id JOIN reports r ON r.assignment_id = a.id
      GROUP BY c.id, c.name ORDER BY COUNT(*) DESC LIMIT 1`,
  );
  if (!largest) return null;
  const { games, reports, goes } = await asClassFile(toText(largest.id), { withForms: true });
  const levels = new Map(Object.keys(games).map((version) => [version, new Map()]));
  const kept = new Map<string, (number | null)[]>();
  for (const { report_id, worked_out } of [...goes].sort((a, b) => a.go - b.go)) kept.set(report_id, [...(kept.get(report_id) ?? []), worked_out]);
  const different = reports.flatMap(({ id, version, report }) => {
    const values = judge({ game: games[version]!, report, levels: levels.get(version)! }).goes.map(({ result }) => result?.value ?? null);
    return JSON.stringify(values) === JSON.stringify(kept.get(id)) ? [] : [id as Uuid];
  });
  return { className: largest.name, reports: reports.length, different };
}
