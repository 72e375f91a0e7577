import { readRoster } from '@/core/roster/read-roster';
import { json, refuse } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { readFile, uploaded } from '@/server/files/drop';
import Papa from 'papaparse';

/** A class list as XLSX, ODS or CSV, its bytes as the body: the names in it, cut to first name and initial. Nothing of it is kept. */
export const POST = teacherRoute({ roles: ['teacher'] }, async ({ request }) => {
  const dropped = await readFile('list', await uploaded(request));
  if (dropped.kind === 'problem') throw refuse(400, 'file', dropped.reason, dropped.fix);
  if (dropped.kind !== 'table') throw refuse(400, 'file', 'This is no table.', 'Save the list as .xlsx, .ods or .csv.');
  return json(
    readRoster(
      Papa.unparse(
        dropped.rows.map((row) => [...row]),
        { delimiter: '\t' },
      ),
    ),
  );
});
