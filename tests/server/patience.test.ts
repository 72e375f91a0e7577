/** The database over a line that breaks, at the moments that matter. */
import { createServer } from 'node:net';
import { afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { POST as report } from '@/app/api/v1/home/reports/route';
import { POST as signIn } from '@/app/api/v1/sign-in/route';
import { GET as today } from '@/app/api/v1/today/route';
import { toBytes } from '@/server/db/ids';
import { change, direct, firstRow, NotKnown, rows, transact } from '@/server/db/pool';
import { audit } from '@/server/db/schools';
import { addressesOf, closePools, databaseNameIn } from '@/server/db/servers';
import { breakingLine, type Line } from './breaking-line';
import { call, envelopeFor, makeSchool, PASSWORD, sendTo, useOwnSchema, type TestSchool } from './school';

let straight = '';
let line: Line;
let school: TestSchool;

beforeAll(async () => {
  await useOwnSchema();
  straight = process.env['DATABASE_URL']!;
  school = await makeSchool(2);
});

async function goBy(...ports: readonly number[]) {
  await closePools();
  const url = new URL(straight);
  process.env['DATABASE_URL'] = straight.replace(`127.0.0.1:${url.port}`, ports.map((port) => `127.0.0.1:${port}`).join(','));
}

beforeEach(async () => {
  line = await breakingLine(Number(new URL(straight).port));
  await goBy(line.port);
  process.env['LOCHSIDE_DATABASE_PATIENCE_MS'] = '6000';
});
afterEach(async () => {
  await closePools();
  await line.end();
  process.env['DATABASE_URL'] = straight;
  delete process.env['LOCHSIDE_DATABASE_PATIENCE_MS'];
});

const touched = async () => Number((await firstRow<{ touched: number }>('SELECT touched FROM schools WHERE id = ?', [toBytes(school.id)]))!.touched);
/** What would show at once if it were done twice. */
const touch = () =>
  transact(async (db) => {
    await change(db, 'UPDATE schools SET touched = touched + 1 WHERE id = ?', [toBytes(school.id)]);
    return 'done';
  });

describe('addresses', () => {
  it('are one, or several with a comma between', () => {
    expect(addressesOf('mysql://u:p@one:3306/lochside')).toEqual(['mysql://u:p@one:3306/lochside']);
    expect(addressesOf('mysql://u:p@one:3306,two:3307/lochside')).toEqual(['mysql://u:p@one:3306/lochside', 'mysql://u:p@two:3307/lochside']);
    expect(databaseNameIn('mysql://u:p@one:3306,two:3307/lochside')).toBe('lochside');
    expect(() => addressesOf('postgres://one/lochside')).toThrow(/no address of a database/);
  });
});

describe('a line that breaks', () => {
  it('in the middle of a read is not felt', async () => {
    const before = await touched();
    line.cutAt('SELECT touched', 'after');
    await goBy(line.port);
    expect(await touched()).toBe(before);
    expect(line.cuts()).toBe(1);
  });

  it.each(['before', 'after'] as const)('%s the commit was done: the transaction is done once, and tells what it came to', async (when) => {
    const before = await touched();
    line.cutAt('COMMIT', when);
    expect(await touch()).toBe('done');
    expect(line.cuts()).toBe(1);
    expect(await touched()).toBe(before + 1);
  });

  it('in the middle of a transaction: the whole of it again', async () => {
    const before = await touched();
    line.cutAt('UPDATE schools', 'after');
    expect(await touch()).toBe('done');
    expect(line.cuts()).toBe(1);
    expect(await touched()).toBe(before + 1);
  });

  it('at the commits of thirty at once, time after time: each is done once', async () => {
    const before = await touched();
    // No more often than patience lasts, however slow the machine is.
    const cutting = setInterval(() => line.cuts() < 20 && line.cutAt('COMMIT', Math.random() < 0.5 ? 'before' : 'after'), 5);
    const all = await Promise.all(Array.from({ length: 30 }, touch)).finally(() => clearInterval(cutting));
    expect(all).toHaveLength(30);
    expect(line.cuts()).toBeGreaterThan(2);
    expect(await touched()).toBe(before + 30);
  });

  it.each(['before', 'after'] as const)('%s a lone change was done: it is there once', async (when) => {
    const action = `lone, cut ${when}`;
    // Its values travel apart from the statement, when it is done.
    line.cutAt(action, when);
    await audit(direct(), { schoolId: school.id, teacherId: null, action }, new Date());
    expect(line.cuts()).toBe(1);
    expect(await rows('SELECT 1 FROM audit WHERE school_id = ? AND action = ?', [toBytes(school.id), action])).toHaveLength(1);
  });

  it.each(['before', 'after'] as const)('%s a report was written: it is stored once and acknowledged', async (when) => {
    const week = await sendTo(school);
    const child = school.childIds[when === 'before' ? 0 : 1]!;
    const { total: _total, ...body } = await envelopeFor(await week.assignment(child), [2, 1, 0]);
    const token = await week.token(child);
    line.cutAt('COMMIT', when);
    const { status, answer } = await call(report, '/', { token, body });
    expect([200, 201]).toContain(status);
    expect(answer).toMatchObject({ received: true });
    expect(line.cuts()).toBe(1);
    expect(await rows('SELECT 1 FROM reports r JOIN assignments a ON a.id = r.assignment_id WHERE a.child_id = ?', [toBytes(child)])).toHaveLength(1);
  });

  it('while somebody signs in, and its tries are counted: signed in', async () => {
    for (const said of ['INSERT INTO `lochside', 'INSERT INTO sessions', 'COMMIT']) {
      await goBy(line.port);
      line.cutAt(said, 'after');
      expect((await call(signIn, '/', { body: { email: school.email, password: PASSWORD } })).status, said).toBe(200);
    }
    expect(line.cuts()).toBe(3);
  });
});

describe('no database', () => {
  it('is said after a while, as what it is; and where a commit was lost, that nobody knows', async () => {
    const cookie = await school.cookie('teacher');
    process.env['LOCHSIDE_DATABASE_PATIENCE_MS'] = '300';
    line.cutAt('COMMIT', 'after');
    const end = setInterval(() => line.cuts() > 0 && void line.end(), 1);
    await expect(touch()).rejects.toThrow(NotKnown);
    clearInterval(end);
    expect(await call(today, '/', { method: 'GET', cookie })).toMatchObject({
      status: 503,
      answer: { problems: [{ reason: 'The database does not answer. Nothing was changed.' }] },
    });
  });
});

describe('several database servers', () => {
  it('the next is asked when one is gone', async () => {
    const nobody = createServer();
    await new Promise<void>((resolve) => nobody.listen(0, '127.0.0.1', resolve));
    const { port } = nobody.address() as { port: number };
    await new Promise((resolve) => nobody.close(resolve));
    await goBy(port, line.port);
    const before = await touched();
    expect(await touch()).toBe('done');
    expect(await touched()).toBe(before + 1);
  });

  it('or when it hangs without a word: what waited for it is answered by the next', async () => {
    const other = await breakingLine(Number(new URL(straight).port));
    try {
      await goBy(line.port, other.port);
      const before = await touched();
      line.hang();
      const began = Date.now();
      expect(await touched()).toBe(before);
      expect(await touch()).toBe('done');
      // Without patience it would be for ever.
      expect(Date.now() - began).toBeLessThan(15_000);
      expect(await touched()).toBe(before + 1);
    } finally {
      await closePools();
      await other.end();
    }
  });
});
