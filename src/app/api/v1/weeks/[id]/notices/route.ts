import Joi from 'joi';
import { addNotice, noticesOf } from '@/server/db/outbox';
import { weekOfSchool } from '@/server/db/weeks';
import { json, notFound, refuse } from '@/server/http/answer';
import { once } from '@/server/http/once';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';
import { reminderNotice } from '@/server/weeks/notices';
import { titleOfWeek } from '@/server/weeks/week-standing';

/** A reminder is written and kept in the outbox; it goes out by the school's own channel. */
export const POST = teacherRoute(
  { roles: ['teacher'], told: 'message prepared', body: Joi.object({ kind: Joi.string().valid('reminder').required() }) },
  async ({ who, deed, id, now }) => {
    const week = await weekOfSchool(who.schoolId, id());
    if (!week) throw notFound('week');
    if (week.takenBack) throw refuse(409, '', 'This week was taken back.', 'Put it on the cards again first.');
    if (week.dueOn < schoolDay(now, who.timeZone)) throw refuse(409, '', 'This week was due already.', 'Send a new week instead.');
    const words = reminderNotice({ ...week, title: await titleOfWeek(week) });
    await once(who, deed, now, async (db) => {
      await addNotice(db, { schoolId: who.schoolId, weekId: week.id, kind: 'reminder', ...words }, now);
      return {};
    });
    return json({ notices: await noticesOf(who.schoolId, week.id) }, 201);
  },
);
