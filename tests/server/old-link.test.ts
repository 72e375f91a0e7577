import { beforeAll, describe, expect, it } from 'vitest';
import { v7 } from 'uuid';
import { GET as card } from '@/app/api/v1/home/card/route';
import { POST as diary } from '@/app/api/v1/home/diary/route';
import { POST as report } from '@/app/api/v1/home/reports/route';
import { change, direct, firstRow } from '@/server/db/pool';
import { toBytes } from '@/server/db/ids';
import { tokenFor, renewKeys } from '@/server/db/access-keys';
import { transact } from '@/server/db/pool';
import { termAt } from '@/server/db/schools';
import { playsOfChild } from '@/server/reports/plays';
import { schoolDay } from '@/server/school-day';
import { settings } from '@/server/settings';
import { call, envelopeFor, makeSchool, sendTo, useOwnSchema, ZONE, type TestSchool } from './school';

beforeAll(useOwnSchema);

const DAY_MS = 86_400_000;

/** The child's links replaced so many days ago; the newest card's token. */
async function replaced(school: TestSchool, daysAgo = 0, scope: 'card' | 'slip' = 'card'): Promise<string> {
  const now = new Date();
  const childId = school.childIds[0]!;
  return transact(async (db) => {
    const term = await termAt(db, school.id, schoolDay(now, ZONE));
    await renewKeys(db, settings().serverKey, childId, term.id, new Date(now.getTime() - daysAgo * DAY_MS - 1000));
    return tokenFor(db, settings().serverKey, childId, term.id, scope, now);
  });
}

async function played() {
  const school = await makeSchool();
  const week = await sendTo(school);
  const [childId] = school.childIds as [never];
  const old = await week.token(childId);
  const assignment = await week.assignment(childId);
  const { total: _total, ...envelope } = await envelopeFor(assignment, [2, 1, 0]);
  const body = () => ({ ...envelope, playId: v7() });
  const send = (token: string, sent: object) => call(report, '/', { token, body: sent });
  return { school, week, childId, old, assignment, body, send };
}

describe('unhappy at the server: a report that waited while the link was replaced', () => {
  it('is taken under the old link and waits to be looked at; the old link opens nothing', async () => {
    const { school, childId, old, body, send } = await played();
    await replaced(school);
    expect((await send(old, body())).status).toBe(201);
    const [play] = await playsOfChild(childId);
    expect(play).toMatchObject({ kind: 'doubtful', counts: null, byOldLink: true });
    expect(play!.reasons.map(({ code }) => code)).toEqual(['old-link']);
    expect((await call(card, '/?games=2', { method: 'GET', token: old })).status).toBe(401);
    expect((await call(diary, '/', { token: old, body: { entries: [] } })).status).not.toBe(200);
  });

  it('counts once by the old link, the newest card and the slip, whichever comes first', async () => {
    const { school, childId, old, body, send } = await played();
    const same = body();
    expect((await send(old, same)).status).toBe(201);
    const newest = await replaced(school);
    const slip = await replaced(school, 0, 'slip');
    for (const token of [old, slip]) expect((await send(token, same)).answer).toMatchObject({ received: true, again: true });
    // The links were replaced twice: the first new card is an old link too.
    expect((await send(newest, same)).answer).toMatchObject({ again: true });
    expect(await playsOfChild(childId)).toHaveLength(1);
  });

  it('five are taken and no more, also when all come at once; those that came before are known again', async () => {
    const { school, childId, old, body, send } = await played();
    await replaced(school);
    const eight = Array.from({ length: 8 }, () => body());
    const answers = await Promise.all(eight.map((one) => send(old, one)));
    expect(answers.map(({ status }) => status).sort()).toEqual([201, 201, 201, 201, 201, 401, 401, 401]);
    expect(await playsOfChild(childId)).toHaveLength(5);
    const again = await Promise.all(eight.map((one) => send(old, one)));
    expect(again.map(({ status }) => status)).toEqual(answers.map(({ status }) => (status === 201 ? 200 : 401)));
    // What was not taken goes with the newest link.
    const newest = await replaced(school);
    for (const one of eight) expect((await send(newest, one)).status).toBeLessThan(300);
    expect(await playsOfChild(childId)).toHaveLength(8);
  });

  it('is taken for fourteen days, then no more; so is one of a term whose links have ended', async () => {
    const within = await played();
    await replaced(within.school, 13);
    expect((await within.send(within.old, within.body())).status).toBe(201);
    const later = await played();
    await replaced(later.school, 14);
    expect((await later.send(later.old, later.body())).status).toBe(401);
    const ended = await played();
    const ends = (days: number) =>
      change(direct(), 'UPDATE terms SET ends_on = DATE_SUB(CURRENT_DATE, INTERVAL ? DAY) WHERE school_id = ?', [days, toBytes(ended.school.id)]);
    await ends(27);
    expect((await ended.send(ended.old, ended.body())).status).toBe(201);
    expect((await playsOfChild(ended.childId)).map(({ byOldLink }) => byOldLink)).toEqual([true]);
    await ends(30);
    expect((await ended.send(ended.old, ended.body())).status).toBe(401);
  });

  it('of another child is not taken under it', async () => {
    const { school, week, old, send } = await played();
    await replaced(school);
    const other = await week.assignment(school.childIds[1]!);
    const { total: _total, ...envelope } = await envelopeFor(other, [2, 1, 0]);
    expect((await send(old, envelope)).status).toBe(404);
  });
});

describe('unhappy at the server: reports of the version before, which were counted by link', () => {
  it('come to be the child’s: the same play by another link is known again, and none is lost', async () => {
    const { school, old, body, send } = await played();
    const same = body();
    await send(old, same);
    const key = await firstRow<{ id: Buffer }>('SELECT access_key_id AS id FROM reports WHERE client_play_id = ?', [toBytes(same.playId as never)]);
    await change(direct(), 'UPDATE reports SET source = ? WHERE client_play_id = ?', [key!.id, toBytes(same.playId as never)]);
    const newest = await replaced(school);
    const { readFile } = await import('node:fs/promises');
    await change(direct(), (await readFile('migrations/0053-reports-source-is-the-child.sql', 'utf8')).replace(/^--.*$/m, ''));
    expect((await send(newest, same)).answer).toMatchObject({ again: true });
  });
});
