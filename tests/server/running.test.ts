import { beforeAll, describe, expect, it } from 'vitest';
import { GET as ready } from '@/app/api/v1/ready/route';
import { checkServerKey, keepServerKey } from '@/server/auth/server-key';
import { change, direct } from '@/server/db/pool';
import { errorInLog } from '@/server/log';
import { routeOf } from '@/server/http/route';
import { settings } from '@/server/settings';
import { makeSchool, sendTo, useOwnSchema } from './school';

beforeAll(useOwnSchema);

const answer = async () => {
  const response = await ready();
  return { status: response.status, body: (await response.json()) as object };
};

describe('unhappy at the server: another server key', () => {
  const { serverKey } = settings();
  const other = 'x'.repeat(43);
  it('is refused with words when the database knows the first; taken when that is said', async () => {
    await change(direct(), 'DELETE FROM instance');
    await checkServerKey(serverKey, new Date());
    await expect(checkServerKey(other, new Date())).rejects.toThrow('another server key');
    await checkServerKey(serverKey, new Date());
    await keepServerKey(other, new Date());
    await checkServerKey(other, new Date());
    await expect(checkServerKey(serverKey, new Date())).rejects.toThrow('every printed link and code would be dead');
    await change(direct(), 'DELETE FROM instance');
  });

  it('is refused too where a database of the version before has links and no fingerprint', async () => {
    const school = await makeSchool(1);
    const week = await sendTo(school);
    await week.token(school.childIds[0]!);
    await expect(checkServerKey(other, new Date())).rejects.toThrow('another server key');
    await checkServerKey(serverKey, new Date());
  });
});

describe('unhappy at the server: it is asked whether it is ready', () => {
  it('is, with database, newest form and room on the disk', async () => {
    expect(await answer()).toEqual({ status: 200, body: { ready: true, database: true, migrations: true, disk: true } });
  });

  it('is not while a change of the database is missing', async () => {
    await change(direct(), "UPDATE migrations SET name = '0000-x.sql' WHERE name = '0058-instance.sql'");
    await change(direct(), "DELETE FROM migrations WHERE name = '0000-x.sql'");
    expect(await answer()).toMatchObject({ status: 503, body: { ready: false, database: true, migrations: false } });
    await change(direct(), "INSERT INTO migrations (name, at) VALUES ('0058-instance.sql', UTC_TIMESTAMP(3))");
    expect((await answer()).status).toBe(200);
  });

  it('is not where the disk cannot be asked', async () => {
    process.env['LOCHSIDE_HOME'] = '/nowhere';
    expect(await answer()).toMatchObject({ status: 503, body: { disk: false } });
    delete process.env['LOCHSIDE_HOME'];
  });
});

describe('unhappy at the server: something fails and is written in the log', () => {
  it('with its kind and stack, without statement and values', () => {
    const failed = Object.assign(new Error("Duplicate entry 'wren@example.org' for key 'one_email'"), {
      code: 'ER_DUP_ENTRY',
      errno: 1062,
      sql: "INSERT INTO teachers VALUES ('wren@example.org')",
      sqlMessage: "Duplicate entry 'wren@example.org'",
    });
    const told = errorInLog(failed);
    expect(told).toMatchObject({ code: 'ER_DUP_ENTRY', errno: 1062 });
    expect(told.stack).toContain('running.test.ts');
    expect(JSON.stringify(told)).not.toContain('wren');
  });

  it('under a route without the ids in it', () => {
    expect(routeOf('http://a/api/v1/children/018f0000-0000-7000-8000-000000000001/links?k=secret')).toBe('/api/v1/children/:id/links');
  });
});
