import { familyReporting } from '@/server/home/family';
import { envelopeSchema, receipt, takeIn } from '@/server/reports/take-in';
import { json, notFound } from '@/server/http/answer';
import { openRoute } from '@/server/http/route';

/** A report from home. The token stands in the header, so no other site can send one. */
export const POST = openRoute({ body: envelopeSchema, origin: false }, async ({ request, body, raw, now }) => {
  const { key, assignment } = await familyReporting(request, body.assignmentId, now);
  if (!assignment) throw notFound('game on this card');
  const received = await takeIn({ accessKeyId: key.id, enteredBy: null, way: 'link' }, assignment, body, raw, now);
  return json(receipt(received), received.again ? 200 : 201);
});
