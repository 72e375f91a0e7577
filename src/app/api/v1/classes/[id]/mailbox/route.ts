import { classById } from '@/server/db/classes';
import { readMailboxFolder } from '@/server/files/mailbox';
import { json, notFound, refuse } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { bringInMessages, classToFill } from '@/server/reports/bring-in';
import { schoolDay } from '@/server/school-calendar';
import { settings } from '@/server/settings';

/** Reads the mailbox folder for a class: new messages wait for a yes, those read before are left alone. */
export const POST = teacherRoute({ roles: ['teacher', 'helper'] }, async ({ who, id, now }) => {
  const today = schoolDay(now, who.timeZone);
  const of = await classById(who.schoolId, id(), today);
  if (!of) throw notFound('class');
  const { mailbox } = settings();
  if (mailbox === '') throw refuse(409, '', 'No mailbox folder is set up.', 'Name it in LOCHSIDE_MAILBOX, or drop the messages here as files.');
  const { messages, problems } = await readMailboxFolder(mailbox);
  const fill = await classToFill(who.schoolId, of.id, today);
  if (fill.games.length === 0) throw refuse(409, '', 'This class has not been sent anything yet.', 'Send a week first.');
  return json({ kind: 'messages', problems, ...(await bringInMessages(fill, 'mailbox', 'mailbox', messages, who.teacherId, now)) }, 201);
});
