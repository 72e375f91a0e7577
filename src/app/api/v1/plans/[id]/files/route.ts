import { fileAnswer, notFound, refuse } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { planToRead } from '@/server/plans/facts';
import { planAsCalendar, planAsCsv, planAsWorkbook, rowsOfPlan } from '@/server/plans/files';
import { parsOfPlan } from '@/server/plans/pars';
import { schoolDay } from '@/server/school-day';

/** The plan as a table (csv), a workbook (xlsx) or a calendar (ics). */
export const GET = teacherRoute({ roles: ['teacher', 'helper'] }, async ({ request, who, id, now }) => {
  const as = new URL(request.url).searchParams.get('as');
  const today = schoolDay(now, who.timeZone);
  const plan = await planToRead(who.schoolId, id(), today);
  if (!plan) throw notFound('plan');
  const rows = rowsOfPlan(plan, plan.facts, await parsOfPlan(who.schoolId, plan, today));
  if (as === 'csv') return fileAnswer(planAsCsv(rows), 'text/csv; charset=utf-8', 'plan.csv');
  if (as === 'ics') return fileAnswer(planAsCalendar(plan, rows, now), 'text/calendar; charset=utf-8', 'plan.ics');
  if (as !== 'xlsx') throw refuse(400, 'as', 'A plan is given as csv, xlsx or ics.', 'Ask for one of these.');
  const workbook = await planAsWorkbook(plan.document.name, rows);
  if (!workbook) throw new Error('the workbook could not be written');
  return fileAnswer(new Uint8Array(workbook), 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet', 'plan.xlsx');
});
