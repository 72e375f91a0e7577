import type { Uuid } from '@/contract/ids';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { hashPassword, passwordIs } from '@/server/auth/passwords';
import { familyToken } from '@/server/auth/tokens';
import { newId, toBytes, toText } from '@/server/db/ids';
import { isUuid } from '@/contract/ids';
import { migrate } from '@/server/db/migrate';
import { change, firstRow, rows, transact } from '@/server/db/pool';
import { closePools } from '@/server/db/servers';
import { dueMoment, schoolDay, schoolDays, schoolYearOf, termOf } from '@/server/school-day';
import { makeSchool, useOwnSchema } from './school';

beforeAll(useOwnSchema);
afterAll(() => closePools());

describe('the database', () => {
  it('has InnoDB tables only, each with a primary key and none that counts up by itself', async () => {
    const tables = await rows<{ name: string; engine: string; extra: string | null; keyed: number }>(
      `SELECT t.TABLE_NAME AS name, t.ENGINE AS engine,
              (SELECT GROUP_CONCAT(c.EXTRA) FROM information_schema.COLUMNS c WHERE c.TABLE_SCHEMA = t.TABLE_SCHEMA AND c.TABLE_NAME = t.TABLE_NAME) AS extra,
              (SELECT COUNT(*) FROM information_schema.TABLE_CONSTRAINTS k WHERE k.TABLE_SCHEMA = t.TABLE_SCHEMA AND k.TABLE_NAME = t.TABLE_NAME AND k.CONSTRAINT_TYPE = 'PRIMARY KEY') AS keyed
         FROM information_schema.TABLES t WHERE t.TABLE_SCHEMA = DATABASE()`,
    );
    expect(tables.length).toBeGreaterThan(20);
    for (const table of tables) {
      expect(table.engine, table.name).toBe('InnoDB');
      expect(table.keyed, table.name).toBe(1);
      expect(table.extra ?? '', table.name).not.toContain('auto_increment');
    }
  });
  it('writes each commit to the disk before it answers', async () => {
    expect(await firstRow('SELECT @@innodb_flush_log_at_trx_commit AS flush')).toEqual({ flush: 1 });
  });
  it('keeps its times in UTC', async () => {
    expect(await firstRow('SELECT @@session.time_zone AS zone')).toEqual({ zone: '+00:00' });
  });
  it('is brought up to date once', async () => {
    expect(await migrate(process.env['DATABASE_URL']!)).toEqual([]);
  });
  it('takes a transaction again when it lost a deadlock', async () => {
    const [a, b] = [await makeSchool(1), await makeSchool(1)];
    const rename = (id: Uuid, name: string) => [name, toBytes(id)] as const;
    let tries = 0;
    // Both hold their first row before either asks for its second: whoever comes then, one of them loses.
    let holding = 0;
    let meet!: () => void;
    const met = new Promise<void>((resolve) => (meet = resolve));
    const work = (first: Uuid, second: Uuid, name: string) =>
      transact(async (db) => {
        tries += 1;
        await change(db, 'UPDATE schools SET name = ? WHERE id = ?', rename(first, name));
        holding += 1;
        if (holding === 2) meet();
        await met;
        await change(db, 'UPDATE schools SET name = ? WHERE id = ?', rename(second, name));
      });
    await Promise.all([work(a.id, b.id, 'one'), work(b.id, a.id, 'two')]);
    expect(tries).toBeGreaterThanOrEqual(3);
    const names = await rows<{ name: string }>('SELECT name FROM schools WHERE id IN (?, ?)', [toBytes(a.id), toBytes(b.id)]);
    expect(new Set(names.map((row) => row.name)).size).toBe(1);
  });
  it('has ids that sort by time', () => {
    vi.useFakeTimers({ toFake: ['Date'] });
    const first = newId();
    vi.setSystemTime(Date.now() + 3);
    const second = newId();
    vi.useRealTimers();
    expect(Buffer.compare(first, second)).toBe(-1);
    expect(first).toHaveLength(16);
    expect(toBytes(toText(first))).toEqual(first);
    expect(isUuid('nonsense')).toBe(false);
  });
});

describe('secrets', () => {
  it('a token depends on everything that it stands for, and can be made again for a reprint', () => {
    const id = (n: number) => `0190000${n}-0000-7000-8000-000000000000` as Uuid;
    const key = Buffer.alloc(32, 7).toString('base64url');
    const tokens = [
      familyToken(key, id(1), id(2), 1, 'card'),
      familyToken(key, id(3), id(2), 1, 'card'),
      familyToken(key, id(1), id(3), 1, 'card'),
      familyToken(key, id(1), id(2), 2, 'card'),
      familyToken(key, id(1), id(2), 1, 'slip'),
      familyToken(Buffer.alloc(32, 8).toString('base64url'), id(1), id(2), 1, 'card'),
    ];
    expect(new Set(tokens).size).toBe(tokens.length);
    expect(familyToken(key, id(1), id(2), 1, 'card')).toBe(tokens[0]);
  });
  it('a password is kept as an argon2id hash', async () => {
    const hash = await hashPassword('reeds');
    expect(hash).toMatch(/^\$argon2id\$/);
    expect(await passwordIs(hash, 'reeds')).toBe(true);
    expect(await passwordIs(hash, 'weeds')).toBe(false);
    expect(await passwordIs(undefined, 'nobody has this password')).toBe(false);
  });
});

describe('days at the school', () => {
  it('a due day ends at midnight of the school, in winter and in summer time', () => {
    expect(dueMoment('2027-01-15', 'Europe/London').toISOString()).toBe('2027-01-15T23:59:59.999Z');
    expect(dueMoment('2027-06-15', 'Europe/London').toISOString()).toBe('2027-06-15T22:59:59.999Z');
  });
  it('the day on which the clocks change has 23 hours', () => {
    const hours = (dueMoment('2027-03-28', 'Europe/London').getTime() - dueMoment('2027-03-27', 'Europe/London').getTime()) / 3_600_000;
    expect(hours).toBe(23);
  });
  it('it is already tomorrow at a school in the east', () => {
    expect(schoolDay(new Date('2027-03-01T20:00:00Z'), 'Asia/Tokyo')).toBe('2027-03-02');
    // Of many moments the same, on the days when the clocks change too.
    for (const zone of ['Europe/London', 'Asia/Kathmandu', 'America/St_Johns']) {
      const dayOf = schoolDays(zone);
      const moments = Array.from({ length: 400 }, (_, n) => new Date(Date.UTC(2027, 2, 27) + n * 1_231_000));
      expect(moments.map(dayOf)).toEqual(moments.map((at) => schoolDay(at, zone)));
    }
    expect(schoolDay(new Date('2027-03-01T20:00:00Z'), 'Europe/London')).toBe('2027-03-01');
  });
  it('a school year begins in August and has three terms', () => {
    expect(schoolYearOf('2026-11-24')).toEqual({ name: '2026–27', startsOn: '2026-08-01', endsOn: '2027-07-31' });
    expect(schoolYearOf('2027-07-31').name).toBe('2026–27');
    expect([termOf('2026-11-24').name, termOf('2027-02-01').name, termOf('2027-06-01').name]).toEqual(['Autumn term', 'Spring term', 'Summer term']);
  });
});
