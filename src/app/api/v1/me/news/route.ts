import { newsToldSchema } from '@/contract/today';
import { json } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { newsTold } from '@/server/today/news';

/** What was changed has been read, up to a number. */
export const PUT = teacherRoute({ roles: ['teacher', 'helper'], body: newsToldSchema }, async ({ body, who }) => {
  await newsTold(who.teacherId, body.upTo);
  return json({ ok: true });
});
