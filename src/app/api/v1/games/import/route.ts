import Joi from 'joi';
import type { Uuid } from '@/contract/ids';
import { readSet, type GameSet } from '@/core/rules/format/evidence-file';
import { saysItIs, SET_FORMAT } from '@/core/rules/format/formats';
import { readGameToPlay } from '@/core/rules/format/read-game';
import { addEvidence } from '@/server/db/game-evidence';
import { addGame } from '@/server/db/games';
import type { Db } from '@/server/db/pool';
import { gameHash } from '@/server/games/measured';
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
  if ('game' in from && saysItIs(SET_FORMAT, from.game)) {
    const set = readSet(from.game);
    if (!set.ok) throw new Refused(400, set.problems);
    return json(await once(who, deed, now, (db) => takeSet(db, set.value, from.ageYears)), 201);
  }
  if (!read.ok) throw new Refused(400, read.problems);
  const ageYears = read.value.ageYears ?? ('ageYears' in from ? from.ageYears : 8);
  /** All games of a set or none; what was measured with one goes with it, named as others'. */
  async function takeSet(db: Db, set: GameSet, usualAge: number) {
    const ids: Uuid[] = [];
    for (const game of set.games) {
      const id = await addGame(db, who.schoolId, game, game.ageYears ?? usualAge, now, who.teacherId);
      const hash = gameHash(game);
      for (const evidence of set.evidence ?? []) if (evidence.game === hash) await addEvidence(db, id, evidence, now);
      ids.push(id);
    }
    await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: 'set brought in', detail: { games: ids.length } }, now);
    return { id: ids[0]!, games: ids.length };
  }
  const made = await once(who, deed, now, async (db) => {
    const added = await addGame(db, who.schoolId, read.value, ageYears, now, who.teacherId);
    await audit(db, { schoolId: who.schoolId, teacherId: who.teacherId, action: 'game brought in', subject: added }, now);
    return { id: added };
  });
  return json(made, 201);
});
