import { spawnSync } from 'node:child_process';
import { rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Fitted } from '@/core/progress/fit';
import { judge, type Reason } from '@/core/reports/judge';
import type { Report } from '@/core/reports/report';
import { readReport } from '@/core/reports/read-report';
import { readGame } from '@/core/rules/format/read-game';
import { demoGames } from '@/server/demo/demo-games';
import { dropDemo, whatItHolds } from '@/server/demo/load-demo';
import { DEMO_CHILDREN } from '@/server/demo/names';
import { toText } from '@/server/db/ids';
import { keepLookMarks } from '@/server/db/look-marks';
import { change, direct, rows, transact } from '@/server/db/pool';
import { closePools } from '@/server/db/servers';
import { versionBody } from '@/server/db/weeks';
import { TROUBLES } from '@/server/demo/troubles';
import { childRecord } from '@/server/progress/child-record';
import { fitAndCurves } from '@/server/progress/curves';
import { doubtsOf } from '@/server/reports/doubts';
import { workingOf } from '@/server/reports/working';
import { groupedBy } from '@/server/db/grouped';
import { classWeeks } from '@/server/scores/class-weeks';
import { asClassFile } from '@/server/scores/export';
import { waitingOf } from '@/server/reports/waiting';
import { schoolDay } from '@/server/school-day';
import { todayOf } from '@/server/today/today';
import { useDemoSchool } from './school';

beforeAll(() => useDemoSchool('lochside_demo'));
afterAll(() => closePools());

describe('the demo school', () => {
  it('has games that read, and children who are first name and initial', () => {
    for (const { game } of demoGames()) expect(readGame(game)).toMatchObject({ ok: true });
    for (const name of DEMO_CHILDREN) expect(name).toMatch(/^\p{L}+ \p{L}$/u);
    expect(new Set(DEMO_CHILDREN).size).toBe(DEMO_CHILDREN.length);
  });
  it('holds three classes, six weeks each, reports that the engine played', async () => {
    expect(await whatItHolds()).toBe('demo');
    expect(
      await rows('SELECT c.name, COUNT(w.id) AS weeks FROM classes c JOIN weeks w ON w.class_id = c.id GROUP BY c.name ORDER BY c.name'),
    ).toEqual([
      { name: 'P2 Wagtails', weeks: 6 },
      { name: 'P4 Dippers', weeks: 6 },
      { name: 'P6 Ospreys', weeks: 6 },
    ]);
    const reports = await rows<{ body: string; kind: string; reasons: Reason[]; version: Buffer }>(
      'SELECT r.body, v.kind, v.reasons, i.game_version_id AS version FROM reports r JOIN verdicts v ON v.report_id = r.id JOIN assignments a ON a.id = r.assignment_id JOIN week_items i ON i.id = a.week_item_id',
    );
    expect(reports.length).toBeGreaterThan(150);
    const kinds = new Map<string, number>();
    for (const { body, kind, reasons, version } of reports) {
      const { report } = JSON.parse(body) as { report: Report };
      expect(readReport(report).ok).toBe(true);
      // What is rare in the class is told by its own plays, which the report does not hold.
      const rare = new Set(reasons.flatMap(({ code, go }) => (code === 'rare' ? [report.goes[go]] : [])));
      expect(judge({ game: await versionBody(toText(version)), report, isRare: (go) => rare.has(go) }).kind).toBe(kind);
      kinds.set(kind, (kinds.get(kind) ?? 0) + 1);
    }
    expect(kinds.get('clean')! / reports.length).toBeGreaterThan(0.85);
    expect(kinds.get('sum')).toBeGreaterThan(0);
    expect(kinds.get('doubtful')).toBeGreaterThan(0);
    const [ospreys] = await rows<{ id: Buffer; school_id: Buffer }>("SELECT id, school_id FROM classes WHERE name = 'P6 Ospreys'");
    const today = schoolDay(new Date(), 'Europe/London');
    const open = (await doubtsOf(toText(ospreys!.id))).filter((doubt) => doubt.choice === null);
    for (const { reportId, goes, gameTitle } of open) {
      const working = await workingOf(toText(ospreys!.school_id), reportId);
      expect(working.goes, gameTitle).toHaveLength(goes.length);
      for (const { sum, frames } of working.goes) expect(frames ?? sum, gameTitle).not.toHaveLength(0);
    }
    const { waiting } = await waitingOf(toText(ospreys!.school_id), toText(ospreys!.id), 'Europe/London', today);
    // One sentence of each kind of trouble, the unknown child among what is nobody's.
    const told = [...open.flatMap(({ sentences }) => sentences), ...waiting.map(({ sentence }) => sentence)];
    for (const trouble of [
      /^It says 32 points; worked out it is .* = 22/,
      /^It says 34 points; worked out it is 37/,
      /14 hits in 12 tries cannot be/,
      /1 point cannot be made/,
      /a ball felled 4, more than were standing/,
      /The score has no unit; this game counts seconds/,
      /The level “level-7” is not one/,
      /It was played from .* m was sent/,
      /The same score came by link/,
      /There is no Ailssa in this class/,
      /The week had closed/,
      /version 1 of the game; version 2 was sent/,
      /far beyond this child's own scores/,
      /faster than anybody can throw and fetch/,
      /It says “not finished”; worked out it is/,
    ])
      expect(
        told.filter((sentence) => trouble.test(sentence)),
        `${trouble}`,
      ).toHaveLength(1);
    expect(open.length + waiting.length).toBe(TROUBLES.length);
  });
  it('has figures on every page that agree with check and fit of the command line on the class as a file', async () => {
    const [ospreys] = await rows<{ id: Buffer; school_id: Buffer }>("SELECT id, school_id FROM classes WHERE name = 'P6 Ospreys'");
    const [classId, schoolId] = [toText(ospreys!.id), toText(ospreys!.school_id)];
    const exported = await asClassFile(classId, { withForms: true });
    const file = join(tmpdir(), `class-${process.pid}.json`);
    writeFileSync(file, JSON.stringify(exported));
    const lochside = (verb: string) => {
      const { status, stdout, stderr } = spawnSync(process.execPath, [join(import.meta.dirname, '../../cli/lochside.mjs'), verb, file], {
        encoding: 'utf8',
        maxBuffer: 64_000_000,
      });
      if (status === 2) throw new Error(stderr);
      return JSON.parse(stdout) as unknown;
    };
    const checked = (lochside('check') as { reports: { id: string; kind: string; reasons: string[]; values: (number | null)[] }[] }).reports;
    const fitted = lochside('fit') as { class: Fitted; children: Record<string, Fitted> };
    rmSync(file);

    // What each report was worked out to be, and whether it can be: the list of doubts, the rows of the export.
    const goes = groupedBy(exported.goes, (go) => go.report_id);
    const doubts = new Map((await doubtsOf(classId)).map((doubt) => [doubt.reportId, doubt]));
    expect(checked.length).toBe(goes.size);
    for (const { id, kind, reasons, values } of checked) {
      expect(values, id).toEqual(goes.get(id)!.map((go) => go.worked_out));
      if (kind === 'clean') continue;
      expect(doubts.get(id as never), id).toMatchObject({ kind });
      for (const reason of reasons) expect(doubts.get(id as never)!.sentences, id).toContain(reason);
      expect(goes.get(id)!.map((go) => go.verdict)).toContain(kind);
    }

    // The class over its weeks: best and first are those of the rows that count.
    const weeks = await classWeeks(classId, schoolDay(new Date(), 'Europe/London'));
    const clean = new Set(checked.filter(({ kind }) => kind === 'clean').map(({ id }) => id));
    let compared = 0;
    weeks.children.forEach(({ id: childId, cells }) =>
      cells.forEach((cell, at) => {
        const { number, title } = weeks.weeks[at]!;
        const counted = exported.goes.filter(
          (go) => go.child_id === childId && go.week === number && go.counts !== null && go.as_asked && (title === go.game || cell.event !== null),
        );
        if (cell.event === null) expect(cell.best).toBe(counted.length === 0 ? null : Math.max(...counted.map((go) => go.counts!)));
        for (const go of counted) if (clean.has(go.report_id)) expect(go.counts).toBe(go.worked_out);
        compared += counted.length;
      }),
    );
    expect(compared).toBeGreaterThan(100);

    // Skill: the page of the class and the page of each child.
    const page = await fitAndCurves(classId);
    expect(page.group).toEqual(fitted.class);
    expect(page.calibrated).toBe(true);
    for (const { id: childId } of weeks.children.slice(0, 6)) {
      const record = (await childRecord(schoolId, childId, 'Europe/London', schoolDay(new Date(), 'Europe/London')))!;
      if (fitted.children[childId]) expect(record.fit).toEqual(fitted.children[childId]);
      for (const best of record.bests) {
        const like = exported.goes.filter(
          (go) => go.child_id === childId && go.counts !== null && go.as_asked && go.game === best.gameTitle && go.level === best.levelName,
        );
        expect(like.map((go) => go.counts)).toContain(best.best);
        expect(best.best).toBe(Math.max(...like.map((go) => go.counts!)));
      }
      const hits = record.aims.flatMap((aim) => aim.from).reduce((sum, from) => sum + from.hits, 0);
      const told = exported.reports.filter((one) => one.child === childId && one.tells).map(({ id }) => id);
      const tapped = exported.goes.filter(
        (go) =>
          told.includes(go.report_id) && exported.reports.find(({ id }) => id === go.report_id)!.report.goes[go.go - 1]!.counting === 'attempts',
      );
      expect(hits).toBeLessThanOrEqual(tapped.reduce((sum, go) => sum + go.hits, 0));
      expect(hits).toBeGreaterThan(0);
    }
  });
  it('says on the first page what the pages say that its lines lead to', async () => {
    const [school] = await rows<{ id: Buffer; time_zone: string }>('SELECT id, time_zone FROM schools');
    const now = new Date();
    const found = await todayOf(toText(school!.id), school!.time_zone, now);
    expect(found.classes.map(({ name }) => name)).toEqual(['P2 Wagtails', 'P4 Dippers', 'P6 Ospreys']);
    for (const of of found.classes) {
      const { weeks } = await classWeeks(of.id, schoolDay(now, school!.time_zone));
      const judged = weeks.slice(-3).findLast(({ fit }) => fit.fit !== 'too-few');
      expect(of.last && { weekNumber: of.last.weekNumber, fit: of.last.fit }).toEqual(judged ? { weekNumber: judged.number, fit: judged.fit } : null);
      const { byDay, reported, sentTo, usual } = of.week!;
      expect(byDay.at(-1)).toBe(reported);
      expect(reported).toBeLessThanOrEqual(sentTo);
      expect(usual!.at(-1)).toBeGreaterThan(0.3);
      expect(of.doubts).toBe((await doubtsOf(of.id)).filter(({ choice }) => choice === null).length);
    }
    expect(found.classes.some(({ doubts }) => doubts > 0)).toBe(true);
  });
  it('is taken away whole when its loading was cut short', async () => {
    await transact(async (db) => {
      await change(db, 'SET @lochside_deletes = 1');
      await change(db, "DELETE FROM audit WHERE action = 'demo loaded'");
      await change(db, 'SET @lochside_deletes = 0');
    });
    expect(await whatItHolds()).toBe('half a demo');
    // What a teacher has marked since goes with the rest.
    const [marked] = await rows<{ assignment: Buffer; teacher: Buffer }>(
      'SELECT a.id AS assignment, t.id AS teacher FROM assignments a, teachers t LIMIT 1',
    );
    await keepLookMarks(
      direct(),
      toText(marked!.assignment),
      toText(marked!.teacher),
      { marks: [{ look: 'The arm swings.', mark: 'yes' }], film: true, comment: '' },
      new Date(),
    );
    await dropDemo();
    expect(await whatItHolds()).toBe('nothing');
    const tables = await rows<{ name: string }>(
      "SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE() AND table_name NOT IN ('migrations', 'migrations_begun', 'migration_lease', 'instance', 'rate_limits', 'commits', 'leases')",
    );
    for (const { name } of tables) expect(await rows(`SELECT 1 FROM ${name} LIMIT 1`), name).toEqual([]);
  });
});
