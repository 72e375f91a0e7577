/** What docs/format holds: schemas emitted from the Joi schemas, and one example of each format that the engine itself played. */
import { createHash } from 'node:crypto';
import type Joi from 'joi';
import { sensibleStart } from '@/core/course/sensible-start';
import { childTables } from '@/core/forecast/attempts';
import { simulateGo } from '@/core/forecast/simulate';
import { distancesOf } from '@/core/course/geometry';
import { reportSchema, type Report } from '@/core/reports/report';
import { compile } from '@/core/rules/playing/compile';
import { start } from '@/core/rules/playing/engine';
import { canonicalText, evidenceSchema, setSchema, type GameSet } from '@/core/rules/format/evidence-file';
import { EVENT_FORMAT, EVIDENCE_FORMAT, PLAY_FORMAT, REPORT_FORMAT, SET_FORMAT } from '@/core/rules/format/formats';
import { eventSchema, type GameEvent } from '@/core/rules/format/event';
import { gameSchema } from '@/core/rules/format/game-schema';
import { resolveLevel } from '@/core/rules/format/level';
import { measure } from '@/core/rules/playing/measure';
import { playSchema, type Play, type PlayEvent } from '@/core/rules/format/play';

interface WithJsonSchema {
  '~standard': { jsonSchema: { input: (options: { target: string }) => Record<string, unknown> } };
}

function schemaText(title: string, schema: Joi.Schema): string {
  const json = (schema as unknown as WithJsonSchema)['~standard'].jsonSchema.input({ target: 'draft-2020-12' });
  return `${JSON.stringify({ $schema: 'https://json-schema.org/draft/2020-12/schema', title, ...json }, null, 2)}\n`;
}

export function formatFiles(): Readonly<Record<string, string>> {
  const game = sensibleStart({
    title: 'Otter Steps',
    aim: 'Bring the otter its pebbles',
    technique: 'underarm',
    implement: 'sock-ball',
    target: 'bucket',
    ageYears: 8,
  });
  const level = resolveLevel(game, 0);
  const compiled = compile(level);
  if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
  const state = start(compiled.value);
  const events: PlayEvent[] = [];
  simulateGo(compiled.value, childTables(compiled.value, { ageYears: 8 }), state, 1, 1, { fetchMs: 0, exerciseMs: 0 }, events);
  const result = measure(compiled.value, state);
  const play: Play = { format: PLAY_FORMAT, level: 'level-1', counting: 'attempts', events };
  const report: Report = {
    format: REPORT_FORMAT,
    goes: [
      {
        level: 'level-1',
        counting: 'attempts',
        hand: 'right',
        otherHand: false,
        form: 'standing',
        setUp: { implement: 'sock-ball', targets: ['bucket'], distancesM: distancesOf(level).map((length) => Math.round(length * 100) / 100) },
        events,
        total: result.value,
        unit: result.unit,
      },
    ],
    startedAt: '2027-03-01T16:00:00.000Z',
    sentAt: '2027-03-01T16:05:00.000Z',
    felt: 'right',
  };
  const event: GameEvent = {
    format: EVENT_FORMAT,
    title: 'Otter Day',
    items: [
      { game, level: 'level-1' },
      { game: { ...game, title: 'Otter Steps, far' }, level: 'level-3', ages: { from: 8, to: 12 } },
    ],
    card: { combine: 'sum', better: 'high' },
  };
  const set: GameSet = {
    format: SET_FORMAT,
    title: 'By the water',
    games: [game],
    evidence: [
      {
        format: EVIDENCE_FORMAT,
        game: createHash('sha256').update(canonicalText(game)).digest('hex'),
        rows: [
          { level: 'level-1', distanceM: 1.6, object: 'bucket', implement: 'sock-ball', ageYears: 8, children: 24, tries: 288, hits: 173, weeks: 2 },
        ],
      },
    ],
  };
  const text = (value: unknown) => `${JSON.stringify(value, null, 2)}\n`;
  return {
    'evidence.schema.json': schemaText('What was measured with a Lochside game, format 1', evidenceSchema),
    'set.schema.json': schemaText('A set of Lochside games, format 1', setSchema),
    'example.set.json': text(set),
    'event.schema.json': schemaText('A Lochside event, format 1', eventSchema),
    'example.event.json': text(event),
    'game.schema.json': schemaText('A Lochside game, format 2', gameSchema),
    'play.schema.json': schemaText('A Lochside play, format 1', playSchema),
    'report.schema.json': schemaText('A Lochside report, format 1', reportSchema),
    'example.game.json': text(game),
    'example.play.json': text(play),
    'example.report.json': text(report),
  };
}
