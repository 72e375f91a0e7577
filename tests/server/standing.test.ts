/** What a lead is told of the server, and when. */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { v7 } from 'uuid';
import { POST as report } from '@/app/api/v1/home/reports/route';
import { note } from '@/server/db/instance';
import { toBytes } from '@/server/db/ids';
import { change, direct } from '@/server/db/pool';
import { noteKeepingApplied } from '@/server/keeping/keep';
import { serverStanding } from '@/server/standing';
import { call, envelopeFor, makeSchool, sendTo, useOwnSchema } from './school';

beforeAll(useOwnSchema);

const before = { mode: process.env['LOCHSIDE_MODE'], home: process.env['LOCHSIDE_HOME'] };
let home = '';
beforeEach(async () => {
  home = mkdtempSync(join(tmpdir(), 'lochside-standing-'));
  Object.assign(process.env, { LOCHSIDE_MODE: 'school', LOCHSIDE_HOME: home });
  await change(direct(), "DELETE FROM instance WHERE name IN ('last backup', 'keeping applied')");
});
afterEach(() => {
  for (const [name, value] of [
    ['LOCHSIDE_MODE', before.mode],
    ['LOCHSIDE_HOME', before.home],
  ] as const)
    if (value === undefined) delete process.env[name];
    else process.env[name] = value;
  rmSync(home, { recursive: true });
});

const HOUR = 3_600_000;
const ago = (hours: number) => new Date(Date.now() - hours * HOUR);
const worries = async () => (await serverStanding(new Date())).worries;

describe('how the server stands', () => {
  it('a backup that never was, or is old, and keeping that is not done, are told; what is well is not', async () => {
    expect(await worries()).toEqual(expect.arrayContaining(['no backup key', 'nothing is taken away']));
    writeFileSync(join(home, 'backup-recipient.txt'), 'age1…');
    await noteKeepingApplied(ago(2));
    expect(await worries()).toEqual(expect.arrayContaining(['no backup']));
    expect(await worries()).not.toContain('nothing is taken away');
    await note('last backup', 'a.age', ago(51));
    expect(await worries()).toContain('backup is old');
    await note('last backup', 'b.age', ago(49));
    expect((await worries()).filter((worry) => /backup|away/.test(worry))).toEqual([]);
    await noteKeepingApplied(ago(75));
    expect(await worries()).toContain('nothing is taken away');
    process.env['LOCHSIDE_MODE'] = 'demo';
    expect((await worries()).filter((worry) => /backup|away/.test(worry))).toEqual([]);
  });

  it('a clock that the devices of families do not agree with is told; a few of them say nothing', async () => {
    const school = await makeSchool(12);
    const week = await sendTo(school);
    for (const child of school.childIds) {
      const { total: _total, ...envelope } = await envelopeFor(await week.assignment(child), [1, 0, 0]);
      const sentAt = new Date().toISOString();
      const told = { ...envelope, playId: v7(), report: { ...envelope.report, startedAt: sentAt, sentAt } };
      expect((await call(report, '/', { token: await week.token(child), body: told })).status).toBe(201);
    }
    // What other tests of this database have sent says nothing of its clock.
    const ours = 'assignment_id IN (SELECT a.id FROM assignments a JOIN children c ON c.id = a.child_id WHERE c.school_id = ?)';
    await change(direct(), `UPDATE reports SET way = 'paper' WHERE NOT (${ours})`, [toBytes(school.id)]);
    const sent = "STR_TO_DATE(JSON_VALUE(digest, '$.report.sentAt'), '%Y-%m-%dT%H:%i:%s.%fZ')";
    const put = (minutes: number) =>
      change(direct(), `UPDATE reports SET received_at = ${sent} + INTERVAL ? MINUTE WHERE ${ours}`, [minutes, toBytes(school.id)]);
    await put(0);
    expect((await serverStanding(new Date())).clock.devicesAheadMinutes).toBe(0);
    expect(await worries()).not.toContain('clock is wrong');
    await put(-20);
    expect((await serverStanding(new Date())).clock.devicesAheadMinutes).toBe(20);
    expect(await worries()).toContain('clock is wrong');
    await put(0);
    await change(direct(), "UPDATE reports SET way = 'paper'");
    expect((await serverStanding(new Date())).clock.devicesAheadMinutes).toBeNull();
  });
});
