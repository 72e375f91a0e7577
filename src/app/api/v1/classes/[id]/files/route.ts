import Joi from 'joi';
import type { ColumnKind } from '@/core/reports/read-table';
import { isUuid } from '@/contract/ids';
import { classById } from '@/server/db/classes';
import { readFile, uploaded } from '@/server/files/drop';
import { json, notFound, Refused, refuse } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { bringInMessages, bringInTable, classToFill, lookAtTable } from '@/server/reports/bring-in';
import { schoolDay } from '@/server/school-day';

const columnsSchema = Joi.array()
  .items(Joi.string().pattern(/^(child|initial|week|game|level|total|unit|felt|word|distance|version|ignore|cell:\d{1,3})$/))
  .max(60);

function columnsIn(written: string | null): readonly ColumnKind[] | null {
  if (written === null) return null;
  const checked = columnsSchema.validate(written.split('|'));
  if (checked.error) throw refuse(400, 'columns', 'These are no columns.', 'Choose what each column is again.');
  return checked.value as ColumnKind[];
}

/**
 * A dropped file: its bytes are the body. A table is looked at first; with `apply` all of its rows are brought in, told line by line of
 * JSON. Messages are kept at once: what they say waits for a yes.
 */
export const POST = teacherRoute({ roles: ['teacher', 'helper'], told: 'files brought in' }, async ({ request, who, id, now }) => {
  const today = schoolDay(now, who.timeZone);
  const of = await classById(who.schoolId, id(), today);
  if (!of) throw notFound('class');
  const asked = new URL(request.url).searchParams;
  const name = (asked.get('name') ?? 'file').replace(/[^\p{L}\p{N} ._()-]/gu, '').slice(0, 100) || 'file';
  const game = asked.get('game');
  const columns = columnsIn(asked.get('columns'));
  const dropped = await readFile(name, await uploaded(request));
  if (dropped.kind === 'problem') throw refuse(400, name, dropped.reason, dropped.fix);
  const fill = await classToFill(who.schoolId, of.id, today);
  if (fill.games.length === 0) throw refuse(409, '', 'This class has not been sent anything yet.', 'Send a week first.');
  if (dropped.kind === 'messages')
    return json({ kind: 'messages', ...(await bringInMessages(fill, name, 'file', dropped.messages, who.teacherId, now)) }, 201);
  const table = { name, rows: dropped.rows, columns, gameId: game && isUuid(game) ? game : null };
  if (!asked.has('apply'))
    return json({
      kind: 'table',
      sheet: dropped.sheet,
      remark: dropped.remark,
      rows: dropped.rows.length - 1,
      ...(await lookAtTable(fill, table, who.teacherId, now)),
    });
  const lines = new TransformStream<string, string>();
  const writer = lines.writable.getWriter();
  const say = (line: unknown) => void writer.write(`${JSON.stringify(line)}\n`).catch(() => undefined);
  void bringInTable(fill, table, who.teacherId, now, (done, total) => say({ done, of: total }))
    .then(
      (result) => say(result),
      (error: unknown) => {
        const [told] = error instanceof Refused ? error.problems : [];
        say({ problem: told ? `${told.reason} ${told.fix}` : 'The file could not be brought in. Nothing was changed; try again in a moment.' });
      },
    )
    .finally(() => void writer.close().catch(() => undefined));
  return new Response(lines.readable.pipeThrough(new TextEncoderStream()), {
    headers: { 'content-type': 'application/x-ndjson; charset=utf-8', 'cache-control': 'no-store', 'x-content-type-options': 'nosniff' },
  });
});
