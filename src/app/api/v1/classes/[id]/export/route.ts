import { classById } from '@/server/db/classes';
import { fileAnswer, notFound, refuse } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { schoolDay } from '@/server/school-day';
import { asClassFile, asCsv, asWorkbook, exportedGoes } from '@/server/scores/export';

const TYPES = {
  csv: 'text/csv; charset=utf-8',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  json: 'application/json; charset=utf-8',
} as const;

/** Every go of a class as CSV, XLSX or JSON, with ids that stay; `forms=yes` tells in JSON how each go was played (seated, with two hands). */
export const GET = teacherRoute({ roles: ['teacher', 'helper'], told: 'scores exported' }, async ({ request, who, id, now }) => {
  const today = schoolDay(now, who.timeZone);
  const of = await classById(who.schoolId, id(), today);
  if (!of) throw notFound('class');
  const { searchParams } = new URL(request.url);
  const format = searchParams.get('format') ?? 'csv';
  if (format !== 'csv' && format !== 'xlsx' && format !== 'json') throw refuse(400, 'format', 'There is no such format.', 'Use csv, xlsx or json.');
  const body =
    format === 'json'
      ? JSON.stringify(await asClassFile(of.id, { withForms: who.role === 'teacher' && searchParams.get('forms') === 'yes' }))
      : format === 'csv'
        ? asCsv(await exportedGoes(of.id))
        : await asWorkbook(await exportedGoes(of.id));
  return fileAnswer(body as BodyInit, TYPES[format], `scores-${today}.${format}`);
});
