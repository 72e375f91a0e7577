import { beforeAll, describe, expect, it } from 'vitest';
import { v7 } from 'uuid';
import { addDecision, withdrawDecision } from '@/server/db/decisions';
import { change, direct, transact } from '@/server/db/pool';
import { bodiesOf, storeReports } from '@/server/db/reports';
import { toBytes } from '@/server/db/ids';
import { forgetPlays, playsOfChild, playsOfClass } from '@/server/reports/plays';
import { judged } from '@/server/reports/take-in';
import { envelopeFor, makeSchool, sendTo, useOwnSchema } from './school';

beforeAll(useOwnSchema);

describe('what stands of a class, added to report by report', () => {
  it('is what it would be if all were gone through from the start: after reports, decisions, one taken back, and an undo', async () => {
    const school = await makeSchool(3);
    const week = await sendTo(school);
    const reports: { id: Awaited<ReturnType<typeof storeReports>>[number] }[] = [];
    const send = async (child: number, hits: readonly number[], way: 'link' | 'paper' = 'link', wrongBy = 0) => {
      const assignment = await week.assignment(school.childIds[child]!);
      const { total: _total, ...envelope } = await envelopeFor(assignment, hits, wrongBy);
      const one = await judged(
        { accessKeyId: null, enteredBy: school.teacherId, way },
        assignment,
        { ...envelope, playId: v7() as never },
        JSON.stringify(envelope),
        new Date(),
      );
      const [id] = await transact((db) => storeReports(db, [one]));
      reports.push({ id: id! });
    };
    const state = { kind: 'clean' as const, reasons: [], counts: [null] };
    const steps: (() => Promise<unknown>)[] = [
      () => send(0, [2, 1, 0]),
      () => send(1, [3, 0, 0]),
      // The same scores by another way.
      () => send(0, [2, 1, 0], 'paper'),
      () => send(0, [4, 1, 1], 'link', 2),
      () => send(2, [1, 0, 0]),
      ...Array.from({ length: 5 }, (_, n) => () => send(0, [3 + (n % 3), 1, 0])),
      // Far beyond its own scores, once there are enough.
      () => send(0, [30, 20, 10]),
      () =>
        transact((db) =>
          addDecision(db, { reportId: reports[0]!.id, teacherId: school.teacherId, choice: 'set-aside', before: state, after: state }, new Date()),
        ),
      () => send(1, [3, 0, 0], 'paper'),
      () => transact((db) => withdrawDecision(db, reports[0]!.id, school.teacherId, new Date())),
      () => change(direct(), 'UPDATE verdicts SET kind = ? WHERE report_id = ?', ['doubtful', toBytes(reports[4]!.id)]),
    ];
    for (const [index, step] of steps.entries()) {
      await step();
      if (index === steps.length - 1) forgetPlays();
      const [added, ofChild] = [await playsOfClass(school.classId), await playsOfChild(school.childIds[0]!)];
      const kept = structuredClone(added);
      forgetPlays();
      expect(await playsOfClass(school.classId), `after step ${index}`).toEqual(kept);
      expect(await playsOfChild(school.childIds[0]!)).toEqual(ofChild);
      // Goes on from what was read last.
      await playsOfClass(school.classId);
    }
    const reasons = (await playsOfClass(school.classId)).flatMap((play) => play.reasons.map(({ code }) => code));
    expect(reasons).toContain('same-play');
    expect(reasons).toContain('beyond');
  });

  it('holds nothing of what happened tap by tap; that is read where it is asked for', async () => {
    const school = await makeSchool(1);
    const week = await sendTo(school);
    const assignment = await week.assignment(school.childIds[0]!);
    const { total: _total, ...envelope } = await envelopeFor(assignment, [2, 1, 0]);
    const one = await judged(
      { accessKeyId: null, enteredBy: school.teacherId, way: 'link' },
      assignment,
      envelope as never,
      JSON.stringify(envelope),
      new Date(),
    );
    const [id] = await transact((db) => storeReports(db, [one]));
    const read = async () => {
      forgetPlays();
      return (await playsOfClass(school.classId))[0]!;
    };
    expect((await read()).report.goes[0]).not.toHaveProperty('events');
    const told = await read();
    expect((await bodiesOf([id!])).get(id!)).toEqual(envelope.report);
    // A report of the version before has no digest: its body is read instead, and gives the same.
    await change(direct(), 'UPDATE reports SET digest = NULL WHERE id = ?', [toBytes(id!)]);
    expect(await read()).toEqual(told);
  });
});
