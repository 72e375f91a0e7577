import { tagged } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { todayOf } from '@/server/today/today';

/** All classes of the school today, polled by the first page with an ETag. */
export const GET = teacherRoute({ roles: ['teacher', 'helper'] }, async ({ request, who, now }) =>
  tagged(request, await todayOf(who.schoolId, who.timeZone, now)),
);
