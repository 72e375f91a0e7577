import { assignmentOfSchool } from '@/server/db/weeks';
import { json, notFound } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { envelopeSchema, receipt, takeIn } from '@/server/reports/take-in';

/** A score typed in from paper by a teacher or a helper. */
export const POST = teacherRoute({ roles: ['teacher', 'helper'], told: 'scores typed', body: envelopeSchema }, async ({ body, raw, who, now }) => {
  const assignment = await assignmentOfSchool(who.schoolId, body.assignmentId);
  if (!assignment) throw notFound('game of a child');
  const received = await takeIn({ accessKeyId: null, enteredBy: who.teacherId, way: 'paper' }, assignment, body, raw, now);
  return json(receipt(received), received.again ? 200 : 201);
});
