import { reportByPlay } from '@/server/db/reports';
import { enoughToday, isWithinDay } from '@/server/home/day-limits';
import { familyKnown, familyReporting } from '@/server/home/family';
import { storeByOldLink } from '@/server/home/old-link';
import { storeTogether } from '@/server/reports/store-together';
import { envelopeSchema, receipt, takeIn } from '@/server/reports/take-in';
import { json, notFound } from '@/server/http/answer';
import { openRoute } from '@/server/http/route';

/** A report from home. The token stands in the header, so no other site can send one. */
export const POST = openRoute({ body: envelopeSchema, origin: false, known: familyKnown }, async ({ request, body, raw, now }) => {
  const { key, old, today, assignment } = await familyReporting(request, body.assignmentId, now);
  if (!assignment) throw notFound('game on this card');
  // What the school has already is told again, however much came.
  if (!isWithinDay(today, raw.length) && !(await reportByPlay(key.childId, body.playId))) throw enoughToday();
  const sender = { accessKeyId: key.id, enteredBy: null, way: 'link', byOldLink: old } as const;
  const received = await takeIn(sender, assignment, body, raw, now, old ? storeByOldLink(key.id) : storeTogether);
  return json(receipt(received), received.again ? 200 : 201);
});
