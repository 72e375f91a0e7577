import Joi from 'joi';
import { readGame } from '@/core/rules/format/read-game';
import { addGame, gameById, putAway, putInFolder, saveDraft, versionOf } from '@/server/db/games';
import { transact } from '@/server/db/pool';
import { audit } from '@/server/db/schools';
import { json, notFound, Refused, refuse } from '@/server/http/answer';
import { once } from '@/server/http/once';
import { teacherRoute } from '@/server/http/route';

/** The game itself is read by readGame: a window of the version before still sends format 1. */
const draft = Joi.object<{ revision: number; ageYears: number; game: unknown }>({
  revision: Joi.number().integer().min(1).max(1_000_000_000).required(),
  ageYears: Joi.number().integer().min(4).max(12).required(),
  game: Joi.object().unknown(true).required(),
});

/** Which draft is the newest: a chart table that has been out of sight asks whether it still has it. */
export const GET = teacherRoute({ roles: ['teacher', 'helper'] }, async ({ who, id }) => {
  const shelved = await gameById(who.schoolId, id());
  if (!shelved) throw notFound('game');
  return json({ revision: shelved.revision, savedAt: shelved.updatedAt.toISOString() });
});

/** After so long a pause a new sitting begins, and what the game was before it is kept as a version. */
const PAUSE_MS = 30 * 60_000;

/** Autosave of the chart table. The revision says which draft the editor began with: two tabs never overwrite each other. */
export const PUT = teacherRoute({ roles: ['teacher'], body: draft }, async ({ body, who, id, now }) => {
  const read = readGame(body.game);
  if (!read.ok) throw new Refused(400, read.problems);
  const saved = await transact(async (db) => {
    const before = await gameById(who.schoolId, id(), db);
    if (!(await saveDraft(db, who.schoolId, id(), body.revision, read.value, body.ageYears, now))) return false;
    if (before && now.getTime() - before.updatedAt.getTime() > PAUSE_MS) await versionOf(db, id(), before.game, who.teacherId, now, 'sitting');
    return true;
  });
  if (saved) return json({ revision: body.revision + 1, savedAt: now.toISOString() });
  const there = await gameById(who.schoolId, id());
  if (!there) throw notFound('game');
  throw refuse(409, '/revision', 'This game was changed in another window since you opened it here.', 'Open it again to go on from the newest form.');
});

const action = Joi.object<{ action: 'duplicate' | 'put-away' | 'bring-back' | 'keep' | 'keep-before' } | { action: 'folder'; folder: string }>({
  action: Joi.string().valid('duplicate', 'put-away', 'bring-back', 'keep', 'keep-before', 'folder').required(),
  folder: Joi.when('action', { is: 'folder', then: Joi.string().trim().allow('').max(40).required(), otherwise: Joi.forbidden() }),
});

export const POST = teacherRoute({ roles: ['teacher'], body: action }, async ({ body, who, deed, id, now }) => {
  const shelved = await gameById(who.schoolId, id());
  if (!shelved) throw notFound('game');
  if (body.action === 'duplicate') {
    const copy = { ...shelved.game, title: `${shelved.game.title.slice(0, 50)} (copy)` };
    const made = await once(who, deed, now, async (db) => ({ id: await addGame(db, who.schoolId, copy, shelved.ageYears, now, who.teacherId) }));
    return json(made, 201);
  }
  if (body.action === 'keep' || body.action === 'keep-before') {
    const why = body.action === 'keep' ? 'kept' : 'before';
    const version = await transact((db) => versionOf(db, id(), shelved.game, who.teacherId, now, why));
    return json({ id: version.id, number: version.number }, 201);
  }
  if (body.action === 'folder') {
    const { folder } = body;
    await transact((db) => putInFolder(db, who.schoolId, id(), folder === '' ? null : folder));
    return json({ id: id() });
  }
  await transact(async (db) => {
    await putAway(db, who.schoolId, id(), body.action === 'put-away' ? now : null);
    await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: `game ${body.action}`, subject: id() }, now);
  });
  return json({ id: id() });
});
