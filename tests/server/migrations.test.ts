/** A school's data from before a change of the database comes through it. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import mysql from 'mysql2/promise';
import { afterAll, expect, it } from 'vitest';
import type { Report } from '@/core/reports/report';
import { newId, toText } from '@/server/db/ids';
import { migrate } from '@/server/db/migrate';
import { connectionOptions, closePools } from '@/server/db/servers';
import { toldOf } from '@/core/reports/report';
import { bodiesOf, stampsOf, storedPlays } from '@/server/db/reports';

const example = JSON.parse(readFileSync(join(import.meta.dirname, '../../docs/format/example.report.json'), 'utf8')) as Report;

const url = new URL(process.env['DATABASE_URL']!);
url.pathname = '/lochside_before';
process.env['DATABASE_URL'] = url.toString();
afterAll(() => closePools());

const NOW = new Date('2027-03-05T17:00:00Z');
const FIRST_GO = {
  go_number: 1,
  level_id: 'level-1',
  counting: 'attempts',
  set_up: '{}',
  events: '[]',
  value: 14,
  unit: 'points',
  attempts: 9,
  successes: 5,
};

it('a report that was stored when its plays repeated it is read the same after they no longer do', async () => {
  await migrate(url.toString(), '0048-school-keys.sql');
  const db = await mysql.createConnection(connectionOptions(url.toString()) as mysql.ConnectionOptions);
  await db.query('SET FOREIGN_KEY_CHECKS = 0');
  const [school, year, term, klass, child, game, version, week, item, assignment, report] = Array.from({ length: 11 }, newId);
  const put = (table: string, row: Readonly<Record<string, unknown>>) =>
    db.execute(
      `INSERT INTO ${table} (${Object.keys(row).join(', ')}) VALUES (${Object.keys(row)
        .map(() => '?')
        .join(', ')})`,
      Object.values(row) as string[],
    );
  const body = JSON.stringify({ playId: toText(newId()), assignmentId: toText(assignment!), report: example });
  await put('schools', { id: school, name: 'Before', time_zone: 'Europe/London', is_demo: 0, created_at: NOW });
  await put('classes', { id: klass, school_id: school, school_year_id: year, name: 'P4', age_years: 8, created_at: NOW });
  await put('children', { id: child, school_id: school, first_name: 'Wren', initial: 'T.', created_at: NOW });
  await put('game_versions', { id: version, game_id: game, number: 1, body: '{}', body_hash: Buffer.alloc(32), created_at: NOW });
  await put('weeks', { id: week, class_id: klass, term_id: term, number: 1, sent_at: NOW, due_on: '2027-03-08' });
  await put('week_items', { id: item, week_id: week, position: 1, kind: 'game', game_version_id: version });
  const asked = {
    id: assignment,
    week_item_id: item,
    child_id: child,
    level_id: 'level-1',
    set_up: '{}',
    model_version: 1,
    seed: 1,
    created_at: NOW,
  };
  await put('assignments', asked);
  const times = { client_started_at: NOW, client_sent_at: NOW, received_at: NOW };
  const source = { source: newId(), client_play_id: newId(), body_hash: Buffer.alloc(32) };
  await put('reports', { id: report, assignment_id: assignment, ...source, body, ...times });
  await put('plays', { id: newId(), report_id: report, ...FIRST_GO, seconds: 60, as_asked: 1 });
  await put('verdicts', { id: newId(), report_id: report, kind: 'clean', reasons: '[]', engine_version: 1, created_at: NOW });
  await put('home_set_ups', { id: newId(), child_id: child, name: 'kitchen', clear_line_cm: 300, things: '[]' });
  await db.end();

  expect((await migrate(url.toString())).length).toBeGreaterThanOrEqual(3);
  const [play] = await storedPlays((await stampsOf({ childId: toText(child!) })).map(({ reportId }) => reportId));
  expect(play).toMatchObject({ value: 14, attempts: 9, successes: 5, seconds: 60, asAsked: true, kind: 'clean' });
  expect(play!.report).toEqual(toldOf(example));
  expect((await bodiesOf([play!.reportId])).get(play!.reportId)).toEqual(example);
});
