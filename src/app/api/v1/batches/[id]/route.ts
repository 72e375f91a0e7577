import Joi from 'joi';
import { undoBatch } from '@/server/db/batches';
import { json, refuse } from '@/server/http/answer';
import { once } from '@/server/http/once';
import { teacherRoute } from '@/server/http/route';

/** Takes back all that a file or a mailbox brought, or brings it back. */
export const POST = teacherRoute(
  { roles: ['teacher', 'helper'], told: 'files decided', body: Joi.object<{ undone: boolean }>({ undone: Joi.boolean().required() }).required() },
  async ({ body: { undone }, who, deed, id, now }) => {
    const done = await once(who, deed, now, async (db) => {
      if (!(await undoBatch(db, who.schoolId, id(), who.teacherId, undone, now)))
        throw refuse(409, '', undone ? 'This was taken back already.' : 'This stands already.', 'Open the page again.');
      return { undone };
    });
    return json(done);
  },
);
