import type { Uuid } from '@/contract/ids';
import { v7 } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { PUT as looks } from '@/app/api/v1/assignments/[id]/looks/route';
import { PUT as credit } from '@/app/api/v1/classes/[id]/credit/route';
import { GET as record } from '@/app/api/v1/children/[id]/record/route';
import { POST as erase } from '@/app/api/v1/children/[id]/erase/route';
import { PUT as note } from '@/app/api/v1/children/[id]/note/route';
import { POST as decision } from '@/app/api/v1/reports/[id]/decision/route';
import { POST as report } from '@/app/api/v1/home/reports/route';
import { GET as card } from '@/app/api/v1/home/card/route';
import { keepDiaryEntry } from '@/server/db/diary';
import { toBytes } from '@/server/db/ids';
import { emptyPlan } from '@/core/invent/plan';
import { keepInvention } from '@/server/db/inventions';
import { rows } from '@/server/db/pool';
import { childRecord } from '@/server/progress/child-record';
import { doubtsOf } from '@/server/reports/doubts';
import { schoolDay } from '@/server/school-day';
import { classWeek } from '@/server/scores/class-week';
import { classWeeks } from '@/server/scores/class-weeks';
import { standingOf } from '@/server/weeks/week-standing';
import { weeksOf } from '@/server/db/weeks';
import { call, envelopeFor, makeSchool, sendTo, useOwnSchema, ZONE } from './school';

beforeAll(useOwnSchema);

const TODAY = schoolDay(new Date(), ZONE);

async function played(children = 2) {
  const school = await makeSchool(children);
  const week = await sendTo(school);
  const teacher = await school.cookie('teacher');
  const reported = async (childId: Uuid, hits: readonly number[], wrongBy = 0) => {
    const { total: _total, ...envelope } = await envelopeFor(await week.assignment(childId), hits, wrongBy);
    const { status } = await call(report, '/', { token: await week.token(childId), body: envelope });
    expect(status).toBe(201);
  };
  const signed = (childId: Uuid, initials = 'AB') =>
    keepDiaryEntry(
      childId,
      { id: v7() as Uuid, weekId: week.weekId, day: TODAY, what: 'walked to school', minutes: 20, initials, struck: false },
      new Date(),
    );
  return { school, week, teacher, reported, signed };
}

describe('everything about a child', () => {
  it('goes out as a file, and is erased whole: by its name, by a teacher of its school; the other children keep theirs', async () => {
    const { school, week, teacher, reported, signed } = await played();
    const [child, other] = school.childIds as [Uuid, Uuid];
    await reported(child, [3, 1, 0], 10);
    await reported(other, [2, 1, 0]);
    await signed(child);
    await signed(other);
    await keepInvention(child, { id: v7() as Uuid, plan: { ...emptyPlan, title: 'Reed Run' }, score: 4 }, new Date());
    const [doubt] = await doubtsOf(school.classId);
    await call(decision, '/', { cookie: teacher, body: { choice: 'ask-family' } }, { id: doubt!.reportId });
    const { id: assignmentId } = await week.assignment(child);
    await call(looks, '/', { method: 'PUT', cookie: teacher, body: { marks: [], film: true, comment: 'A long last step.' } }, { id: assignmentId });
    await call(note, '/', { method: 'PUT', cookie: teacher, body: { words: 'Throws with both hands on bad days.' } }, { id: child });

    const helper = await school.cookie('helper');
    const stranger = await (await makeSchool(1)).cookie('teacher');
    for (const cookie of [helper, stranger]) {
      expect([403, 404]).toContain((await call(record, '/', { method: 'GET', cookie }, { id: child })).status);
      expect([403, 404]).toContain((await call(erase, '/', { cookie, body: { name: 'Childa X.' } }, { id: child })).status);
      expect([403, 404]).toContain((await call(note, '/', { method: 'PUT', cookie, body: { words: 'x' } }, { id: child })).status);
    }
    const { answer } = await call(record, '/', { method: 'GET', cookie: teacher }, { id: child });
    const { kept } = answer as unknown as { kept: Record<string, Record<string, unknown>[]> };
    expect(Object.fromEntries(Object.entries(kept).map(([table, list]) => [table, list.length]))).toMatchObject({
      reports: 1,
      plays: 1,
      verdicts: 1,
      decisions: 1,
      outbox: 1,
      look_marks: 1,
      diary_entries: 1,
      inventions: 1,
      child_notes: 1,
      assignments: 1,
      children: 1,
    });
    expect(JSON.stringify(kept)).not.toContain('Childb');

    const wrong = await call(erase, '/', { cookie: teacher, body: { name: 'Childb X.' } }, { id: child });
    expect([wrong.status, wrong.answer.problems?.[0]?.place]).toEqual([400, '/name']);
    expect((await doubtsOf(school.classId)).length).toBe(1);

    expect((await call(erase, '/', { cookie: teacher, body: { name: 'Childa X.' } }, { id: child })).status).toBe(200);
    // No column of any table names the child any more, but for the audit and what machines tell each other to have erased, which keep no name.
    const columns = await rows<{ t: string; c: string }>(
      "SELECT table_name AS t, column_name AS c FROM information_schema.columns WHERE table_schema = DATABASE() AND column_name IN ('child_id', 'assignment_id') AND data_type = 'binary' AND table_name <> 'erasures'",
    );
    expect(columns.length).toBeGreaterThan(8);
    for (const { t, c } of columns)
      expect(await rows(`SELECT 1 FROM ${t} WHERE ${c} = ?`, [toBytes(c === 'child_id' ? child : assignmentId)]), `${t}.${c}`).toEqual([]);
    const [trace] = await rows<{ detail: unknown; action: string }>(
      "SELECT action, detail FROM audit WHERE subject = ? AND action = 'child erased'",
      [toBytes(child)],
    );
    expect(JSON.stringify(trace)).not.toContain('Childa');
    expect((await call(card, '/?games=2', { method: 'GET', token: await week.token(other) })).status).toBe(200);
    const scores = await classWeek(school.classId, null, ZONE, TODAY);
    expect(scores.rows.map((row) => [row.childId, row.state])).toEqual([[other, 'counted']]);
    expect(await childRecord(school.id, child, ZONE, TODAY)).toBeUndefined();
    expect((await call(erase, '/', { cookie: teacher, body: { name: 'Childa X.' } }, { id: child })).status).toBe(404);
  });

  it('is told on its page: own bests of like set-ups only, the log, the note, and that too little is known yet', async () => {
    const { school, teacher, reported, signed } = await played();
    const [child] = school.childIds as [Uuid];
    await reported(child, [1, 1, 0]);
    await reported(child, [3, 2, 1]);
    await signed(child, '');
    await call(note, '/', { method: 'PUT', cookie: teacher, body: { words: 'Left hand from now on.' } }, { id: child });
    const found = (await childRecord(school.id, child, ZONE, TODAY))!;
    expect(found).toMatchObject({ name: 'Childa X.', className: 'P4', reports: 2, next: null, note: { words: 'Left hand from now on.' } });
    expect(found.bests).toHaveLength(1);
    const [best] = found.bests;
    expect(best).toMatchObject({ goes: 2, gameTitle: 'Otter Steps' });
    expect(best!.best).toBe(best!.latest);
    expect(best!.first).toBeLessThan(best!.best);
    expect(found.weeks[0]!.diary.map(({ minutes, initials }) => [minutes, initials])).toEqual([[20, '']]);
    // Totals alone tell of skill too.
    expect(found.own).toBe(true);
    expect(found.fit.attempts).toBeGreaterThan(4);
    await call(note, '/', { method: 'PUT', cookie: teacher, body: { words: '' } }, { id: child });
    expect((await childRecord(school.id, child, ZONE, TODAY))!.note).toBeNull();
  });
});

describe('credit for a week', () => {
  it('is a report or a signed log, and both where the teacher asks for both; a film that was handed in is a report', async () => {
    const { school, week, teacher, reported, signed } = await played(4);
    const [both, one, log, film] = school.childIds as [Uuid, Uuid, Uuid, Uuid];
    await reported(both, [2, 1, 0]);
    await signed(both);
    await reported(one, [2, 1, 0]);
    await signed(log);
    await call(
      looks,
      '/',
      { method: 'PUT', cookie: teacher, body: { marks: [], film: true, comment: 'Steps with the opposite foot.' } },
      { id: (await week.assignment(film)).id },
    );
    const credits = async () => {
      const found = await classWeek(school.classId, null, ZONE, TODAY);
      const over = await classWeeks(school.classId, TODAY);
      return school.childIds.map((id) => {
        const row = found.rows.find(({ childId }) => childId === id)!;
        const [cell] = over.children.find((child) => child.id === id)!.cells;
        expect([cell!.credit, cell!.missing]).toEqual([row.credit, row.missing]);
        return row.credit;
      });
    };
    expect(await credits()).toEqual([true, true, true, true]);
    const put = async (cookie: string, rule: string) =>
      (await call(credit, '/', { method: 'PUT', cookie, body: { rule } }, { id: school.classId })).status;
    expect(await put(await school.cookie('helper'), 'both')).toBe(403);
    expect(await put(await (await makeSchool(1)).cookie('teacher'), 'both')).toBe(404);
    expect(await put(teacher, 'neither')).toBe(400);
    expect(await put(teacher, 'both')).toBe(200);
    expect(await credits()).toEqual([true, false, false, false]);
    const { rows: found } = await classWeek(school.classId, null, ZONE, TODAY);
    const told = new Map(found.map((row) => [row.childId, row]));
    expect(told.get(one)!.missing).toBe('the log is not signed yet');
    expect(told.get(log)!.missing).toBe('no report yet');
    expect(told.get(film)).toMatchObject({ film: true, comment: 'Steps with the opposite foot.', missing: 'the log is not signed yet' });
    // Nobody is reminded of what has been handed in.
    const [sent] = await weeksOf(school.classId);
    expect((await standingOf(sent!, TODAY)).waiting.map(({ childId }) => childId)).toEqual([log]);
  });
});
