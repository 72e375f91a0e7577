import type { Uuid } from '@/contract/ids';
import type { SignedIn } from '@/server/auth/sessions';
import { classById, classesOf } from '@/server/db/classes';
import { alone } from '@/server/db/leases';
import { isOneSchoolHere } from '@/server/db/schools';
import { mailboxOf, readMailboxFolder } from '@/server/files/mailbox';
import { json, notFound, refuse } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { bringInMessages, classToFill } from '@/server/reports/bring-in';
import { byClass } from '@/server/reports/sort-messages';
import { schoolDay } from '@/server/school-day';
import { settings } from '@/server/settings';

/** So long one waits for who reads it at this moment. */
const WAIT_MS = 10_000;

/** Reads the mailbox folder: new messages wait for a yes in the class of the child that they name, those read before are left alone. */
export const POST = teacherRoute({ roles: ['teacher', 'helper'], told: 'messages brought in' }, async ({ who, id, now }) => {
  const today = schoolDay(now, who.timeZone);
  const of = await classById(who.schoolId, id(), today);
  if (!of) throw notFound('class');
  const { mailbox } = settings();
  if (mailbox === '') throw refuse(409, '', 'No mailbox folder is set up.', 'Name it in LOCHSIDE_MAILBOX, or drop the messages here as files.');
  const own = await mailboxOf(mailbox, who.schoolId, await isOneSchoolHere());
  if (!own)
    throw refuse(
      409,
      '',
      'This school has no mailbox folder yet.',
      `Make the folder “${who.schoolId}” within the one that is set up: several schools share this server.`,
    );
  const read = await alone(`mailbox ${who.schoolId}`, () => bringIn(who, of.id, own, now), WAIT_MS);
  if (!read) throw refuse(409, '', 'The mailbox is being read just now, perhaps by a colleague.', 'Look again in a minute.');
  return json(read.done, 201);
});

/** What a folder holds that was not read before; by one server at a time. */
async function bringIn(who: SignedIn, asked: Uuid, folder: string, now: Date): Promise<object> {
  const today = schoolDay(now, who.timeZone);
  const { messages, problems } = await readMailboxFolder(folder);
  const classes = await classesOf(who.schoolId, today);
  const fills = await Promise.all(classes.map((one) => classToFill(who.schoolId, one.id, today)));
  const asking = fills.find(({ classId }) => classId === asked) ?? (await classToFill(who.schoolId, asked, today));
  if (asking.games.length === 0) throw refuse(409, '', 'This class has not been sent anything yet.', 'Send a week first.');
  const sent = fills.filter(({ games }) => games.length > 0);
  let elsewhere = 0;
  let again = 0;
  let mine = null;
  for (const [classId, some] of await byClass(sent, asked, messages, now)) {
    const fill = classId === asked ? asking : sent.find((one) => one.classId === classId)!;
    const brought = await bringInMessages(fill, 'mailbox', 'mailbox', some, who.teacherId, now);
    again += brought.again;
    if (classId === asked) mine = brought;
    else elsewhere += brought.counted + brought.waiting;
  }
  return { kind: 'messages', problems, ...mine!, again, elsewhere };
}
