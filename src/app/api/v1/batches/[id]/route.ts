import Joi from 'joi';
import { undoBatch } from '@/server/db/batches';
import { transact } from '@/server/db/pool';
import { json, refuse } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';

/** Takes back all that a file or a mailbox brought, or brings it back. */
export const POST = teacherRoute(
  { roles: ['teacher', 'helper'], body: Joi.object<{ undone: boolean }>({ undone: Joi.boolean().required() }).required() },
  async ({ body: { undone }, who, id, now }) => {
    if (!(await transact((db) => undoBatch(db, who.schoolId, id(), who.teacherId, undone, now))))
      throw refuse(409, '', undone ? 'This was taken back already.' : 'This stands already.', 'Open the page again.');
    return json({ undone });
  },
);
