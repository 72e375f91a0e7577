import { returnedSchema } from '@/contract/cupboard';
import { setReturned } from '@/server/db/cupboard';
import { transact } from '@/server/db/pool';
import { json, refuse } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';

/** How many of a loan are back in all. */
export const PATCH = teacherRoute({ roles: ['teacher', 'helper'], body: returnedSchema }, async ({ body: { returned }, who, id }) => {
  if (!(await transact((db) => setReturned(db, who.schoolId, id(), returned))))
    throw refuse(409, '/returned', 'No so many were lent.', 'Load the page again and look at the number.');
  return json({ returned });
});
