/** How a report is worked out, go by go: the sum as a line, and frames as a sheet. Replayed when somebody asks; the list of doubts holds no events. */
import type { ReportWorking } from '@/contract/report-working';
import type { Uuid } from '@/contract/ids';
import { levelGame } from '@/core/rules/format/level';
import type { Game } from '@/core/rules/format/game';
import { compile } from '@/core/rules/playing/compile';
import { frameSheetOf } from '@/core/rules/playing/frames';
import { measure } from '@/core/rules/playing/measure';
import { replay } from '@/core/rules/playing/replay';
import type { Go } from '@/core/reports/report';
import { reportOfSchool } from '../db/decisions';
import { bodiesOf } from '../db/reports';
import { versionBody } from '../db/weeks';
import { notFound } from '../http/answer';

export async function workingOf(schoolId: Uuid, reportId: Uuid): Promise<ReportWorking> {
  const of = await reportOfSchool(schoolId, reportId);
  if (!of) throw notFound('report');
  const report = (await bodiesOf([reportId])).get(reportId);
  if (!report) return { goes: [{ sum: 'its single tries are no longer kept', frames: null }] };
  const game = await versionBody(of.versionId);
  return { goes: report.goes.map((go) => workingOfGo(game, go)) };
}

function workingOfGo(game: Game, go: Go): ReportWorking['goes'][number] {
  const level = levelGame(
    game,
    game.levels.findIndex(({ id }) => id === go.level),
  );
  const compiled = level.ok ? compile(level.value) : level;
  if (!compiled.ok) return { sum: 'it cannot be worked out', frames: null };
  if (go.events.length === 0) return { sum: 'a total alone was sent', frames: null };
  const program = compiled.value;
  const { sum } = measure(program, replay(program, go.events, go.counting).state);
  return { sum, frames: frameSheetOf(program, go.events) };
}
