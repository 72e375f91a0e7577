/** What one machine does at a time, and what each of several must know. Another machine is another holder in the same database. */
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { beforeAll, describe, expect, it } from 'vitest';
import { eraseChild } from '@/server/classes/erase-child';
import { erasuresIn, shareJournal } from '@/server/classes/erasure-journal';
import { alone, takeLease } from '@/server/db/leases';
import { change, direct, forgetMarks, rows, transact } from '@/server/db/pool';
import { USUAL_LOOK } from '@/server/paper/job';
import { makePaper } from '@/server/paper/make';
import { makeSchool, useOwnSchema } from './school';

beforeAll(useOwnSchema);

describe('a lease', () => {
  it('is one machine’s of many that ask at once, and the next one’s when it is given back', async () => {
    const all = await Promise.all(Array.from({ length: 12 }, () => takeLease('one of twelve')));
    const got = all.filter((one) => one !== null);
    expect(got).toHaveLength(1);
    await got[0]!.release();
    const next = await takeLease('one of twelve');
    expect(next).not.toBeNull();
    await next!.release();
    expect(await rows("SELECT 1 FROM leases WHERE name = 'one of twelve'")).toEqual([]);
  });

  it('goes on while it is held, and ends by itself when its machine says nothing more', async () => {
    const held = (await takeLease('held'))!;
    expect(await takeLease('held', 300)).toBeNull();
    // As after 21 seconds without a sign of life.
    await change(direct(), "UPDATE leases SET until = UTC_TIMESTAMP(3) - INTERVAL 1 SECOND WHERE name = 'held'");
    const taken = await takeLease('held');
    expect(taken).not.toBeNull();
    // Whoever lost it takes nothing from the new one.
    await held.release();
    expect(await takeLease('held')).toBeNull();
    await taken!.release();
  });

  it('is given back when the work fails; who may wait comes after', async () => {
    await expect(alone('fails', () => Promise.reject(new Error('no')))).rejects.toThrow('no');
    const order: string[] = [];
    let letGo = () => undefined as void;
    const held = new Promise<void>((resolve) => (letGo = resolve));
    let first: Promise<unknown> = held;
    await new Promise<void>((begun) => {
      first = alone('in turn', async () => {
        begun();
        await held;
        order.push('first');
      });
    });
    const second = alone('in turn', async () => order.push('second'), 20_000);
    expect(await alone('in turn', async () => order.push('never'))).toBeNull();
    letGo();
    await Promise.all([first, second]);
    expect(order).toEqual(['first', 'second']);
  });

  it('the very same sheets are made once at a time, others beside them', async () => {
    const sheets = (words: string) => ({ look: USUAL_LOOK, sheets: [{ kind: 'notice' as const, title: 'A notice', words }] });
    const stop = new AbortController();
    const first = await makePaper(sheets('same'), stop.signal);
    let begun = false;
    const second = makePaper(sheets('same'), stop.signal).then((made) => {
      begun = true;
      return made;
    });
    await sleep(300);
    expect(begun).toBe(false);
    expect(await new Response(first).text()).toContain('"pdf"');
    expect(await new Response(await second).text()).toContain('"pdf"');
  });
});

describe('several machines', () => {
  it('each has in its journal what another erased, once', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'lochside-journals-'));
    const [here, there] = [join(folder, 'here.jsonl'), join(folder, 'there.jsonl')];
    try {
      const school = await makeSchool(2);
      process.env['LOCHSIDE_ERASURES'] = there;
      await eraseChild(school.id, null, school.childIds[0]!, new Date());
      process.env['LOCHSIDE_ERASURES'] = here;
      expect(existsSync(here)).toBe(false);
      await shareJournal();
      await shareJournal();
      expect(erasuresIn(here).filter(({ schoolId }) => schoolId === school.id)).toMatchObject([{ childId: school.childIds[0] }]);
      expect(readFileSync(here, 'utf8')).not.toContain('Child');
    } finally {
      delete process.env['LOCHSIDE_ERASURES'];
      rmSync(folder, { recursive: true });
    }
  });

  it('marks of transactions go after a day', async () => {
    await transact((db) => change(db, "UPDATE leases SET holder = '' WHERE name = 'none'"));
    await change(direct(), 'UPDATE commits SET at = UTC_TIMESTAMP(3) - INTERVAL 25 HOUR ORDER BY at LIMIT 1');
    const before = (await rows('SELECT 1 FROM commits')).length;
    expect(before).toBeGreaterThan(0);
    await forgetMarks();
    expect(await rows('SELECT 1 FROM commits')).toHaveLength(before - 1);
  });

  it('every table has a key of its own, as a cluster needs it, and is of the one engine', async () => {
    const bare = await rows<{ name: string; engine: string }>(
      `SELECT t.TABLE_NAME AS name, t.ENGINE AS engine FROM information_schema.TABLES t
        WHERE t.TABLE_SCHEMA = DATABASE() AND (t.ENGINE <> 'InnoDB' OR NOT EXISTS
          (SELECT 1 FROM information_schema.STATISTICS s WHERE s.TABLE_SCHEMA = t.TABLE_SCHEMA AND s.TABLE_NAME = t.TABLE_NAME AND s.INDEX_NAME = 'PRIMARY'))`,
    );
    expect(bare).toEqual([]);
  });
});
