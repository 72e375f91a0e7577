import type { Card } from '@/contract/card';
import type { Uuid } from '@/contract/ids';
import { beforeAll, describe, expect, it } from 'vitest';
import { PUT as looks } from '@/app/api/v1/assignments/[id]/looks/route';
import { GET as card } from '@/app/api/v1/home/card/route';
import { POST as report } from '@/app/api/v1/home/reports/route';
import { assignmentsOfChild, weeksOf } from '@/server/db/weeks';
import { sheetsOfWeek } from '@/server/paper/week-sheets';
import { childRecord } from '@/server/progress/child-record';
import { schoolDay } from '@/server/school-day';
import { classWeek } from '@/server/scores/class-week';
import { sendWeek, type WeekToSend } from '@/server/weeks/send-week';
import { standingOf } from '@/server/weeks/week-standing';
import { call, envelopeFor, makeSchool, sendTo, useOwnSchema, weekOf, ZONE } from './school';

beforeAll(useOwnSchema);

const TODAY = schoolDay(new Date(), ZONE);

async function filmed(change: Partial<WeekToSend> = {}) {
  const school = await makeSchool(3);
  const { token } = await sendTo(school);
  const sent = await sendWeek(weekOf(school, { film: 'Three throws from the side.', ...change }), new Date(Date.now() + 1000));
  const assignment = async (childId: Uuid) => (await assignmentsOfChild(childId, sent.termId)).find((one) => one.weekId === sent.id)!;
  const mark = async (childId: Uuid, body: object, cookie?: string) =>
    call(looks, '/', { method: 'PUT', cookie: cookie ?? (await school.cookie('teacher')), body }, { id: (await assignment(childId)).id });
  const rows = async () => new Map((await classWeek(school.classId, sent.id, ZONE, TODAY)).rows.map((row) => [row.childId, row]));
  return { school, sent, token, assignment, mark, rows };
}

describe('a film that is the task', () => {
  it('is said on the card and on paper, and no score is missed: who handed it in has reported', async () => {
    const { school, sent, token, mark, rows } = await filmed({ filmAlone: true });
    const [one, other] = school.childIds as [Uuid, Uuid];
    const { answer } = await call(card, '/?games=2', { method: 'GET', token: await token(one) });
    const week = (answer as unknown as Card).weeks.find(({ id }) => id === sent.id)!;
    expect([week.film, week.filmAlone]).toEqual(['Three throws from the side.', true]);
    const [sheet] = await sheetsOfWeek({ schoolId: school.id, weekId: sent.id, kind: 'home', timeZone: ZONE, who: 'all' }, new Date());
    expect(sheet).toMatchObject({ kind: 'home', week: { filmAlone: true } });

    expect([...(await rows()).values()].map(({ state, credit }) => [state, credit])).toEqual(Array.from({ length: 3 }, () => ['not-yet', false]));
    expect((await mark(one, { marks: [], film: true, comment: 'A long last step.' })).status).toBe(200);
    const after = await rows();
    expect(after.get(one)).toMatchObject({ state: 'counted', credit: true, best: null, film: true, comment: 'A long last step.' });
    expect(after.get(other)).toMatchObject({ state: 'not-yet', credit: false });
    const week1 = await classWeek(school.classId, sent.id, ZONE, TODAY);
    expect([week1.filmAlone, week1.reported]).toEqual([true, 1]);
    const [newest] = await weeksOf(school.classId);
    expect((await standingOf(newest!, TODAY)).waiting.map(({ childId }) => childId)).not.toContain(one);
  });

  it('may bring a score all the same, which counts like any other', async () => {
    const { school, token, assignment, rows } = await filmed({ filmAlone: true });
    const [child] = school.childIds as [Uuid];
    const { total, ...envelope } = await envelopeFor(await assignment(child), [2, 1, 0]);
    expect((await call(report, '/', { token: await token(child), body: envelope })).status).toBe(201);
    expect((await rows()).get(child)).toMatchObject({ state: 'counted', best: total, film: false });
  });

  it('is no task of its own without words to film by', async () => {
    const { school, sent, token } = await filmed({ film: '', filmAlone: true });
    const { answer } = await call(card, '/?games=2', { method: 'GET', token: await token(school.childIds[0]!) });
    expect((answer as unknown as Card).weeks.find(({ id }) => id === sent.id)).toMatchObject({ film: '', filmAlone: false });
  });
});

describe('a film beside a score', () => {
  it('is marked with one comment that can be changed and taken away; it gives credit, and no score', async () => {
    const { school, mark, rows } = await filmed();
    const [child] = school.childIds as [Uuid];
    await mark(child, { marks: [], film: true, comment: 'Point at the box first.' });
    expect((await rows()).get(child)).toMatchObject({ state: 'not-yet', credit: true, film: true, comment: 'Point at the box first.' });
    await mark(child, { marks: [], film: true, comment: '' });
    expect((await rows()).get(child)!.comment).toBe('');
    await mark(child, { marks: [] });
    expect((await rows()).get(child)).toMatchObject({ film: false, credit: false });
    const found = (await childRecord(school.id, child, ZONE, TODAY))!;
    expect(found.reports).toBe(0);
  });

  it('is marked by teachers of the school only, in one comment of a sentence or two', async () => {
    const { school, mark } = await filmed();
    const [child] = school.childIds as [Uuid];
    expect((await mark(child, { marks: [], film: true, comment: '' }, await school.cookie('helper'))).status).toBe(403);
    expect((await mark(child, { marks: [], film: true, comment: '' }, await (await makeSchool(1)).cookie('teacher'))).status).toBe(404);
    const long = await mark(child, { marks: [], film: true, comment: 'x'.repeat(281) });
    expect([long.status, long.answer.problems?.[0]?.place]).toEqual([400, '/comment']);
    const other = await mark(child, { marks: [{ look: 'Something that was not sent', mark: 'yes' }], film: true, comment: '' });
    expect([other.status, other.answer.problems?.[0]?.place]).toEqual([400, '/marks/0/look']);
  });
});
