import type { Uuid } from '@/contract/ids';
import Joi from 'joi';
import type { InventedPlan } from '@/core/invent/plan';
import { planSchema } from '@/core/invent/plan-schema';
import { inventionsOfChild, keepInvention } from '@/server/db/inventions';
import { oneMoreToday, startOfUtcDay } from '@/server/home/day-limits';
import { familyKnown, familyOf } from '@/server/home/family';
import { json, notFound, refuse } from '@/server/http/answer';
import { uuidField } from '@/server/http/fields';
import { openRoute } from '@/server/http/route';

const body = Joi.object<{ id: Uuid; plan: InventedPlan; score: number | null }>({
  id: uuidField.required(),
  plan: planSchema.required(),
  score: Joi.number().integer().min(0).max(10_000).allow(null).required(),
});

/** So many of one child are looked at; more is no longer a game. */
const MOST_GAMES = 60;

/** A game that a child made. A slip of paper opens one report, not this. */
export const POST = openRoute({ body, origin: false, known: familyKnown }, async ({ request, body: invention, now }) => {
  const key = await familyOf(request, now);
  if (key.scope === 'slip')
    throw refuse(403, 'authorization', /*i18n*/ 'This code is for a score only.', /*i18n*/ "Use the link of the child's card.");
  if ((await inventionsOfChild(key.childId, new Date(0), invention.id)) >= MOST_GAMES)
    throw refuse(409, '', /*i18n*/ 'Your teacher has many games of yours already.', /*i18n*/ 'Ask which of them the class may play.');
  oneMoreToday('inventions', 1 + (await inventionsOfChild(key.childId, startOfUtcDay(now), invention.id)));
  if (!(await keepInvention(key.childId, invention, now))) throw notFound('game of yours');
  return json({ received: true, at: now.toISOString() }, 201);
});
