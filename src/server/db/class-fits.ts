/** How steady a class is by its own reports, as it was last worked out. */
import type { Uuid } from '@/contract/ids';
import { CALIBRATED_FROM } from '@/core/progress/calibrated';
import type { DoesItFit } from '@/core/progress/does-it-fit';
import type { Fitted } from '@/core/progress/fit';
import { parsed } from './games';
import { toBytes, toText } from './ids';
import { change, direct, firstRow, rows } from './pool';

export interface ClassFit {
  readonly group: Fitted;
  readonly children: Readonly<Record<Uuid, Fitted>>;
  /** How far it can be trusted. */
  readonly fits: DoesItFit;
}

export async function keptFit(classId: Uuid, ofReports: Buffer): Promise<ClassFit | undefined> {
  const row = await firstRow<{ body: ClassFit | string }>('SELECT body FROM class_fits WHERE class_id = ? AND of_reports = ?', [
    toBytes(classId),
    ofReports,
  ]);
  return row && parsed(row.body);
}

export async function keepFit(classId: Uuid, ofReports: Buffer, fit: ClassFit): Promise<void> {
  await change(
    direct(),
    `INSERT INTO class_fits (class_id, of_reports, body, made_at) VALUES (?, ?, ?, ?)
     ON DUPLICATE KEY UPDATE of_reports = VALUES(of_reports), body = VALUES(body), made_at = VALUES(made_at)`,
    [toBytes(classId), ofReports, JSON.stringify(fit), new Date()],
  );
}

/** The last fit of every class of a school that has reported enough for one, however old. */
export async function lastFits(schoolId: Uuid): Promise<ReadonlyMap<Uuid, Fitted>> {
  const found = await rows<{ class_id: Buffer; group_fit: Fitted | string }>(
    "SELECT f.class_id, JSON_EXTRACT(f.body, '$.group') AS group_fit FROM class_fits f JOIN classes c ON c.id = f.class_id WHERE c.school_id = ?",
    [toBytes(schoolId)],
  );
  return new Map(
    found.map((row) => [toText(row.class_id), parsed(row.group_fit)] as const).filter(([, { attempts }]) => attempts >= CALIBRATED_FROM),
  );
}
