import type { Uuid } from '@/contract/ids';
import type { FitOfClass } from '@/contract/class-fit';
import { v7 } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { POST as decision } from '@/app/api/v1/reports/[id]/decision/route';
import { POST as report } from '@/app/api/v1/home/reports/route';
import { GET as fitRoute } from '@/app/api/v1/classes/[id]/fit/route';
import { asSetOut } from '@/core/course/set-out';
import { childTables } from '@/core/forecast/attempts';
import { simulateGo } from '@/core/forecast/simulate';
import { goOf } from '@/core/reports/from-parts';
import { compile } from '@/core/rules/playing/compile';
import { start } from '@/core/rules/playing/engine';
import { REPORT_FORMAT } from '@/core/rules/format/formats';
import { levelById } from '@/core/rules/format/level';
import { measure } from '@/core/rules/playing/measure';
import type { PlayEvent } from '@/core/rules/format/play';
import { lastFits } from '@/server/db/class-fits';
import { versionBody, type ChildAssignment } from '@/server/db/weeks';
import { fitOfClass } from '@/server/progress/fit-of-class';
import { doubtsOf } from '@/server/reports/doubts';
import { schoolDay } from '@/server/school-day';
import { classWeeks } from '@/server/scores/class-weeks';
import { call, envelopeFor, makeSchool, sendTo, useOwnSchema, ZONE } from './school';

beforeAll(useOwnSchema);

/** A go of a child of this skill, every try tapped, as its family would send it. */
async function tapped(assignment: ChildAssignment, skill: number, play: number, wrongBy = 0) {
  const game = await versionBody(assignment.versionId);
  const level = asSetOut(levelById(game, assignment.levelId), assignment.setUp)!;
  const compiled = compile(level);
  if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
  const events: PlayEvent[] = [];
  const state = start(compiled.value);
  const tables = childTables(compiled.value, { ageYears: assignment.setUp.ageYears, skill });
  simulateGo(compiled.value, tables, state, 99, play, { fetchMs: 0, exerciseMs: 0 }, events);
  const total = measure(compiled.value, state).value! + wrongBy;
  const go = goOf({ game, levelId: assignment.levelId, setUp: assignment.setUp }, { counting: 'attempts', hand: 'right', events, total });
  return {
    playId: v7(),
    assignmentId: assignment.id,
    report: { format: REPORT_FORMAT, goes: [go], startedAt: '2027-03-01T16:00:00.000Z', sentAt: '2027-03-01T16:05:00.000Z' },
  };
}

const SKILL = 0.55;

describe('a class that throws more steadily than its age', () => {
  it('is calibrated by its reports: the next week’s par rests on them, and says on how many', async () => {
    const school = await makeSchool(6);
    const first = await sendTo(school);
    const before = await first.assignment(school.childIds[0]!);
    expect(before).toMatchObject({ restsOn: 0, fitSkill: null });
    for (const [child, childId] of school.childIds.entries())
      for (const play of [1, 2]) {
        const assignment = await first.assignment(childId);
        const { status } = await call(report, '/', { token: await first.token(childId), body: await tapped(assignment, SKILL, 10 * child + play) });
        expect(status).toBe(201);
      }
    const fit = await fitOfClass(school.classId);
    expect(fit.group.attempts).toBeGreaterThan(60);
    expect(fit.group.low).toBeLessThan(SKILL * 1.15);
    expect(fit.group.high).toBeGreaterThan(SKILL * 0.85);
    expect(fit.group.skill).toBeLessThan(0.85);
    expect(Object.keys(fit.children)).toHaveLength(6);
    expect((await lastFits(school.id)).get(school.classId)).toEqual(fit.group);

    const second = await sendTo(school);
    const after = await second.assignment(school.childIds[0]!);
    expect(after).toMatchObject({ restsOn: fit.group.attempts, fitSkill: fit.group.families!.throw!.skill });
    expect(after.par!).toBeGreaterThan(before.par!);
    expect(after.luckShare).toBeGreaterThan(0);

    // What hardly any of them would make is doubted; what one of them makes is not.
    const [child] = school.childIds as [Uuid];
    const token = await second.token(child);
    const usual = await call(report, '/', { token, body: await tapped(after, SKILL, 77) });
    expect(usual.answer['verdict']).toBe('clean');
    const { total: _total, ...farOnly } = await envelopeFor(after, [0, 0, 24]);
    const perfect = await call(report, '/', { token, body: farOnly });
    expect(perfect.answer['verdict']).toBe('doubtful');
    const doubt = (await doubtsOf(school.classId)).find(({ choice }) => choice === null)!;
    expect(doubt.sentences.join(' ')).toMatch(/far beyond what children of this class have done/);

    // What is set aside tells nothing; what only waits still tells.
    const cookie = await school.cookie('teacher');
    const with13 = (await fitOfClass(school.classId)).group.attempts;
    await call(decision, '/', { cookie, body: { choice: 'set-aside' } }, { id: doubt.reportId });
    const without = (await fitOfClass(school.classId)).group.attempts;
    expect(without).toBeLessThan(with13);
    await call(decision, '/', { cookie, body: { choice: null } }, { id: doubt.reportId });
    expect((await fitOfClass(school.classId)).group.attempts).toBe(with13);

    // The first week is judged by the par of the age; the second, whose par has moved with the class, by what was hit.
    const [one, two] = (await classWeeks(school.classId, schoolDay(new Date(), ZONE))).weeks;
    expect(one!.fit).toMatchObject({ by: 'par', of: 6 });
    expect((await doubtsOf(school.classId)).map(({ weekNumber }) => weekNumber)).toEqual([2]);
    expect(two!.fit.by).toBe('hits');
    expect(two!.fit.of).toBe((await tapped(after, SKILL, 77)).report.goes[0]!.events.filter((event) => event.do === 'attempt').length);

    const asked = await call(fitRoute, '/', { method: 'GET', cookie: await school.cookie('helper') }, { id: school.classId });
    const told = asked.answer as unknown as FitOfClass;
    expect(told.calibrated).toBe(true);
    expect(told.group.attempts).toBe(with13);
    expect(told.aims[0]!.aim).toMatchObject({ technique: 'underarm', implement: 'sock-ball', target: 'box' });
    expect(told.aims[0]!.tries).toBe(told.aims[0]!.from.reduce((sum, from) => sum + from.tries, 0));
    const stranger = await (await makeSchool(1)).cookie('teacher');
    expect((await call(fitRoute, '/', { method: 'GET', cookie: stranger }, { id: school.classId })).status).toBe(404);
  });

  it('stays at what is assumed for its age while it has fewer than 36 tries', async () => {
    const school = await makeSchool(1);
    const first = await sendTo(school);
    const [child] = school.childIds as [Uuid];
    await call(report, '/', { token: await first.token(child), body: await tapped(await first.assignment(child), SKILL, 5) });
    const { group } = await fitOfClass(school.classId);
    expect(group.attempts).toBeGreaterThan(0);
    expect(group.attempts).toBeLessThan(36);
    expect(await (await sendTo(school)).assignment(child)).toMatchObject({ restsOn: 0, fitSkill: null });
  });
});
