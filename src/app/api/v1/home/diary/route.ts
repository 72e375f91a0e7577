import { diaryLines, diaryLinesSince, keepDiaryEntry, weekIsOfChild } from '@/server/db/diary';
import { diarySchema } from '@/server/home/diary-intake';
import { oneMoreToday, startOfUtcDay } from '@/server/home/day-limits';
import { familyKnown, familyOf } from '@/server/home/family';
import { json, notFound, refuse } from '@/server/http/answer';
import { openRoute } from '@/server/http/route';

/** Nobody moves in so many ways in a week; a diary that goes on is no diary. */
const MOST_LINES = 200;

/** Entries of the movement diary. A slip of paper opens one report, not the diary. */
export const POST = openRoute({ body: diarySchema, origin: false, known: familyKnown }, async ({ request, body, now }) => {
  const key = await familyOf(request, now);
  if (key.scope === 'slip')
    throw refuse(403, 'authorization', /*i18n*/ 'This code is for a score only.', /*i18n*/ "Use the link of the child's card for the diary.");
  for (const weekId of new Set(body.entries.map((entry) => entry.weekId))) {
    if (!(await weekIsOfChild(weekId, key.childId))) throw notFound('week on this card');
    if ((await diaryLines(weekId, key.childId)) >= MOST_LINES)
      throw refuse(409, '/entries', /*i18n*/ 'The diary of this week is full.', /*i18n*/ 'Go on in the next week, or tell the school.');
  }
  const ids = body.entries.map(({ id }) => id);
  oneMoreToday('lines', ids.length + (await diaryLinesSince(key.childId, startOfUtcDay(now), ids)));
  for (const entry of body.entries) if (!(await keepDiaryEntry(key.childId, entry, now))) throw notFound('entry in this diary');
  return json({ received: true, at: now.toISOString() }, 201);
});
