import { json } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { workingOf } from '@/server/reports/working';

/** How each go of a report of this school is worked out. */
export const GET = teacherRoute({ roles: ['teacher', 'helper'] }, async ({ who, id }) => json(await workingOf(who.schoolId, id())));
