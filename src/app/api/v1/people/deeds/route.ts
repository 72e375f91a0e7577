import { fileAnswer } from '@/server/http/answer';
import Papa from 'papaparse';
import { deedsAsked, deedsDone } from '@/server/db/audit';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';

const MOST_IN_FILE = 50_000;

/** Who did what as a CSV file, narrowed as the page is. */
export const GET = teacherRoute({ roles: ['teacher'], lead: true, told: 'who did what exported' }, async ({ request, who, now }) => {
  const asked = deedsAsked(Object.fromEntries(new URL(request.url).searchParams));
  const deeds = await deedsDone(who, asked, MOST_IN_FILE);
  // A spreadsheet works out nothing that somebody wrote.
  const csv = Papa.unparse({ fields: ['at', 'who', 'action', 'subject', 'detail'], data: [...deeds] }, { newline: '\r\n', escapeFormulae: true });
  return fileAnswer(csv, 'text/csv; charset=utf-8', `who-did-what-${schoolDay(now, who.timeZone)}.csv`);
});
