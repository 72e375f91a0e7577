import Joi from 'joi';
import { readGameToPlay } from '@/core/rules/format/read-game';
import { addGame } from '@/server/db/games';
import { audit } from '@/server/db/schools';
import { json, notFound, Refused } from '@/server/http/answer';
import { once } from '@/server/http/once';
import { teacherRoute } from '@/server/http/route';
import { starters } from '@/server/starters';

type Body = { readonly starter: string } | { readonly game: unknown; readonly ageYears: number };

const body = Joi.alternatives<Body>(
  Joi.object({ starter: Joi.string().max(40).required() }),
  Joi.object({ game: Joi.object().unknown().required(), ageYears: Joi.number().integer().min(4).max(12).required() }),
);

/** A starter game, or a game from a file, put on the school's shelf. A bad file gets the list of what is wrong and changes nothing. */
export const POST = teacherRoute({ roles: ['teacher'], body }, async ({ body: from, who, deed, now }) => {
  const starter = 'starter' in from ? starters().find((one) => one.id === from.starter) : undefined;
  if ('starter' in from && !starter) throw notFound('starter game');
  const read = starter ? ({ ok: true, value: starter.game } as const) : readGameToPlay('game' in from ? from.game : null);
  if (!read.ok) throw new Refused(400, read.problems);
  const ageYears = read.value.ageYears ?? ('ageYears' in from ? from.ageYears : 8);
  const made = await once(who, deed, now, async (db) => {
    const added = await addGame(db, who.schoolId, read.value, ageYears, now, who.teacherId);
    await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: 'game brought in', subject: added }, now);
    return { id: added };
  });
  return json(made, 201);
});
