import { paperSchema } from '@/contract/paper';
import { isUuid, type Uuid } from '@/contract/ids';
import { refuse } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { makePaper, paperAnswer } from '@/server/paper/make';
import { sheetsOfWeek } from '@/server/paper/week-sheets';

/** The sheets of a week as lines of JSON: how far the making is, and at last the PDF in base64. */
export const POST = teacherRoute(
  { roles: ['teacher', 'helper'], told: 'sheets printed', body: paperSchema },
  async ({ request, body: { kind, who, ...look }, who: asker, id, now }) => {
    if (who !== 'all' && who !== 'paper' && !isUuid(who))
      throw refuse(400, '/who', 'That is nobody of this class.', 'Choose all, or those on paper.');
    const sheets = await sheetsOfWeek(
      { schoolId: asker.schoolId, weekId: id(), kind, who: who as 'all' | 'paper' | Uuid, timeZone: asker.timeZone },
      now,
    );
    return paperAnswer(await makePaper({ look, sheets }, request.signal));
  },
);
