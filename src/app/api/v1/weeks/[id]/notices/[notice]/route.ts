import { noticeOfSchool } from '@/server/db/outbox';
import { weekOfSchool } from '@/server/db/weeks';
import { fileAnswer, notFound } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { USUAL_LOOK } from '@/server/paper/job';
import { makePaper, paperAnswer } from '@/server/paper/make';
import { calendarOf, mailOf } from '@/server/weeks/notices';
import { titleOfWeek } from '@/server/weeks/week-standing';

/** A notice as a mail, with the due day as a calendar file. */
export const GET = teacherRoute({ roles: ['teacher', 'helper'] }, async ({ who, id, now }) => {
  const [week, notice] = [await weekOfSchool(who.schoolId, id()), await noticeOfSchool(who.schoolId, id('notice'))];
  if (!week || !notice) throw notFound('notice');
  const calendar = { name: `week-${week.number}.ics`, text: calendarOf({ ...week, title: await titleOfWeek(week) }, now) };
  return fileAnswer(new Uint8Array(await mailOf(notice, calendar)), 'message/rfc822', `week-${week.number}-${notice.kind}.eml`);
});

/** A notice four times on a sheet, to be cut apart: lines of JSON, the last of them the PDF. */
export const POST = teacherRoute({ roles: ['teacher', 'helper'], told: 'message taken out' }, async ({ request, who, id }) => {
  const notice = await noticeOfSchool(who.schoolId, id('notice'));
  if (!notice) throw notFound('notice');
  const { subject: title, words } = notice;
  return paperAnswer(await makePaper({ look: USUAL_LOOK, sheets: [{ kind: 'notice', title, words }] }, request.signal));
});
