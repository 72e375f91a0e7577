import { testHitsSchema } from '@/contract/class-test';
import { writeTestHits } from '@/server/class-tests/class-tests';
import { json } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';

/** What one child hit from one mark; null takes it back. */
export const PUT = teacherRoute({ roles: ['teacher', 'helper'], body: testHitsSchema }, async ({ body, who, id, now }) => {
  await writeTestHits(who, id(), body, now);
  return json({});
});
