import { lookedAtSchema } from '@/contract/looked';
import { levelById } from '@/core/rules/format/level';
import { lookForsOf } from '@/core/sheet/teaching-points';
import { keepLookMarks } from '@/server/db/look-marks';
import { transact } from '@/server/db/pool';
import { assignmentOfSchool, versionBody } from '@/server/db/weeks';
import { json, notFound, refuse } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';

/** A teacher marks what a child's movement is looked at for: only what the game that was sent says. */
export const PUT = teacherRoute({ roles: ['teacher'], told: 'look-fors marked', body: lookedAtSchema }, async ({ body: looked, who, id, now }) => {
  const assignment = await assignmentOfSchool(who.schoolId, id());
  if (!assignment) throw notFound('game of a child');
  const game = await versionBody(assignment.versionId);
  const looks = lookForsOf(levelById(game, assignment.levelId));
  const other = looked.marks.findIndex(({ look }) => !looks.includes(look));
  if (other >= 0) throw refuse(400, `/marks/${other}/look`, 'The game that was sent does not ask for this.', 'Mark what it says to look for.');
  await transact((db) => keepLookMarks(db, assignment.id, who.teacherId, looked, now));
  return json({ kept: looked.marks.length });
});
