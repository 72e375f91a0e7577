import { json } from '@/server/http/answer';
import { openRoute } from '@/server/http/route';
import { reportsSchema, schoolAsking, takeInByKey } from '@/server/reports/by-key';

/** Reports from another program of the school, with a key of the school in the header. */
export const POST = openRoute({ body: reportsSchema, origin: false, known: schoolAsking }, async ({ request, body: { reports }, now }) =>
  json({ reports: await takeInByKey(await schoolAsking(request, now), reports, now) }),
);
