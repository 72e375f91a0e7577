import { assignmentOfSchool, versionBody } from '@/server/db/weeks';
import { json, notFound } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';

/** One child's assignment with its game, for typing in a score from paper. */
export const GET = teacherRoute({ roles: ['teacher', 'helper'] }, async ({ who, id }) => {
  const assignment = await assignmentOfSchool(who.schoolId, id());
  if (!assignment) throw notFound('game of a child');
  return json({ game: await versionBody(assignment.versionId), levelId: assignment.levelId, setUp: assignment.setUp });
});
