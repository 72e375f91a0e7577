/** A person says whose an incoming score is: it becomes a report of that child, judged like every other; or it is set aside. */
import { newUuid, type Uuid } from '@/contract/ids';
import { reportFromFields } from '@/core/reports/from-parts';
import { levelById } from '@/core/rules/format/level';
import { addDecision } from '../db/decisions';
import { incomingOfSchool, reopenIncoming, settleIncoming } from '../db/incoming';
import { storeReports } from '../db/reports';
import { assignmentOfSchool, versionBody } from '../db/weeks';
import { notFound, refuse } from '../http/answer';
import { once, type Deed } from '../http/once';
import { judged, type Envelope } from './take-in';

export interface Settled {
  readonly assignmentId: Uuid;
  readonly levelId: string;
  /** Null for “not finished”. */
  readonly total: number | null;
}

interface Settler {
  readonly schoolId: Uuid;
  readonly teacherId: Uuid;
}

/** `settled` null sets it aside. */
export async function settle(
  { schoolId, teacherId }: Settler,
  deed: Deed | null,
  id: Uuid,
  settled: Settled | null,
  now: Date,
): Promise<{ verdict: string | null }> {
  const incoming = await incomingOfSchool(schoolId, id);
  if (!incoming) throw notFound('score that waits');
  const before = () => refuse(409, '', 'Somebody has settled this already.', 'Open the list again.');
  if (settled === null) {
    return once({ schoolId }, deed, now, async (db) => {
      if (!(await settleIncoming(db, id, teacherId, null, now))) throw before();
      return { verdict: null };
    });
  }
  const assignment = await assignmentOfSchool(schoolId, settled.assignmentId);
  if (!assignment) throw notFound('game of a child');
  const game = await versionBody(assignment.versionId);
  if (!game.levels.some((level) => level.id === settled.levelId))
    throw refuse(400, '/levelId', 'This game has no such level.', 'Choose one of its levels.');
  const level = levelById(game, settled.levelId);
  const report = reportFromFields(
    { game, levelId: settled.levelId, setUp: assignment.setUp },
    level,
    [],
    settled.total,
    level.parts[0]!.measure.unit,
    now,
  );
  const envelope: Envelope = { playId: newUuid(), assignmentId: assignment.id, report };
  const stored = await judged(
    { accessKeyId: null, enteredBy: teacherId, way: incoming.way, ...(incoming.batchId ? { batchId: incoming.batchId } : {}) },
    assignment,
    envelope,
    JSON.stringify(envelope),
    now,
  );
  return once({ schoolId }, deed, now, async (db) => {
    const [reportId] = await storeReports(db, [stored]);
    if (!(await settleIncoming(db, id, teacherId, reportId!, now))) throw before();
    return { verdict: stored.verdict.kind };
  });
}

/** Opens it again; the report that was made of it is set aside, and stays. */
export async function unsettle({ schoolId, teacherId }: Settler, deed: Deed | null, id: Uuid, now: Date): Promise<void> {
  const incoming = await incomingOfSchool(schoolId, id);
  if (!incoming) throw notFound('settled score');
  await once({ schoolId }, deed, now, async (db) => {
    if (!(await reopenIncoming(db, id))) throw refuse(409, '', 'This is open already.', 'Open the list again.');
    if (incoming.reportId) {
      const state = { kind: 'incoming', reasons: [incoming.reading.sentence], counts: [incoming.reading.total] };
      await addDecision(db, { reportId: incoming.reportId, teacherId, choice: 'set-aside', before: state, after: { ...state, counts: [null] } }, now);
    }
    return {};
  });
}
