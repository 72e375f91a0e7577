import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Ajv2020 from 'ajv/dist/2020';
import fc from 'fast-check';
import { afterAll, describe, expect, it, vi } from 'vitest';
import { formatFiles } from '@/cli/format-files';
import { lochside as run } from '@/cli/lochside';
import { readReport } from '@/core/reports/read-report';
import { canonicalText, evidenceSchema, readSet, type EvidenceRow, type GameSet } from '@/core/rules/format/evidence-file';
import type { Game } from '@/core/rules/format/game';
import { readGame } from '@/core/rules/format/read-game';
import { readPlay } from '@/core/rules/format/read-play';
import { framesGame } from '../examples/frames-game';

const docs = join(import.meta.dirname, '../../docs/format');
const text = (name: string) => readFileSync(join(docs, name), 'utf8');
const json = (name: string) => JSON.parse(text(name)) as unknown;
const ajv = new Ajv2020({ strict: false });

describe('the published formats', () => {
  it('are what the code says: run npm run format:docs after a change', () => {
    for (const [name, written] of Object.entries(formatFiles())) expect(text(name), name).toBe(written);
  });
  it.each(['game', 'play', 'report', 'set'])('the example of a %s fits its JSON Schema', (kind) => {
    const validate = ajv.compile(json(`${kind}.schema.json`) as object);
    expect(validate(json(`example.${kind}.json`)), JSON.stringify(validate.errors)).toBe(true);
  });
  it('are read by the code', () => {
    expect(readGame(json('example.game.json')).ok).toBe(true);
    expect(readPlay(json('example.play.json')).ok).toBe(true);
    expect(readReport(json('example.report.json')).ok).toBe(true);
    expect(readSet(json('example.set.json')).ok).toBe(true);
  });
  it('hold a frames game too, which the schema admits', () => {
    const validate = ajv.compile(json('game.schema.json') as object);
    expect(validate(JSON.parse(JSON.stringify(framesGame(10)))), JSON.stringify(validate.errors)).toBe(true);
    expect(readGame(framesGame(10)).ok).toBe(true);
  });
  it('JSON Schema and Joi agree on reports with one field broken', () => {
    const validate = ajv.compile(json('report.schema.json') as object);
    const report = json('example.report.json') as Record<string, unknown>;
    fc.assert(
      fc.property(
        fc.constantFrom(...Object.keys(report)),
        fc.oneof(fc.string(), fc.integer(), fc.constant(null), fc.array(fc.integer(), { maxLength: 2 })),
        (key, value) => {
          const broken = { ...report, [key]: value };
          expect(validate(broken)).toBe(readReport(broken).ok);
        },
      ),
      { numRuns: 200 },
    );
  });
});

describe('what goes from school to school', () => {
  const set = () => json('example.set.json') as GameSet;
  const [evidence] = set().evidence!;

  it('JSON Schema and Joi agree on evidence with one figure broken; a row of few children or tries is refused', () => {
    const validate = ajv.compile(json('evidence.schema.json') as object);
    const [row] = evidence!.rows;
    fc.assert(
      fc.property(
        fc.constantFrom(...(Object.keys(row!) as (keyof EvidenceRow)[])),
        fc.oneof(fc.string(), fc.integer({ min: -5, max: 300 }), fc.double({ min: 0, max: 40, noNaN: true }), fc.constant(null)),
        (key, value) => {
          const broken = { ...evidence!, rows: [{ ...row!, [key]: value }] };
          expect(validate(JSON.parse(JSON.stringify(broken)))).toBe(evidenceSchema.validate(broken, { convert: false }).error === undefined);
        },
      ),
      { numRuns: 200 },
    );
    for (const few of [{ children: 9 }, { tries: 59, hits: 1 }])
      expect(readSet({ ...set(), evidence: [{ ...evidence!, rows: [{ ...row!, ...few }] }] })).toMatchObject({ ok: false });
    expect(readSet({ ...set(), evidence: [{ ...evidence!, rows: [{ ...row!, hits: row!.tries + 1 }] }] })).toMatchObject({
      ok: false,
      problems: [{ place: '/evidence/0/rows/0' }],
    });
  });

  it('a game that cannot be played is named by its place in the set', () => {
    expect(readSet({ ...set(), games: [...set().games, { format: 'lochside.game/2', title: 'Broken' }] })).toMatchObject({
      ok: false,
      problems: expect.arrayContaining([expect.objectContaining({ place: expect.stringMatching(/^\/games\/1/) as string })]) as unknown,
    });
  });

  it('a game is the same by its content, in whatever order its fields stand and for whatever age it is shown', () => {
    const [game] = set().games;
    const turned = Object.fromEntries(Object.entries(game!).reverse()) as unknown as Game;
    expect(canonicalText({ ...turned, ageYears: 11 })).toBe(canonicalText(game!));
    expect(canonicalText({ ...turned, title: 'Other' })).not.toBe(canonicalText(game!));
    expect(createHash('sha256').update(canonicalText(game!)).digest('hex')).toBe(evidence!.game);
  });
});

describe('npx lochside', () => {
  const folder = mkdtempSync(join(tmpdir(), 'lochside-cli-'));
  afterAll(() => rmSync(folder, { recursive: true, force: true }));
  /** As a person calls it, in a process of its own. */
  const called = (...args: string[]) =>
    spawnSync(process.execPath, [join(import.meta.dirname, '../../cli/lochside.mjs'), ...args], { encoding: 'utf8' });
  /** The same in this process, which is sooner done. */
  const lochside = async (...args: string[]) => {
    const said = { stdout: '', stderr: '' };
    const spies = (['stdout', 'stderr'] as const).map((stream) =>
      vi.spyOn(process[stream], 'write').mockImplementation((words) => {
        said[stream] += String(words);
        return true;
      }),
    );
    try {
      return { status: await run(args), ...said };
    } finally {
      for (const spy of spies) spy.mockRestore();
    }
  };
  const file = (name: string, value: unknown) => {
    const path = join(folder, name);
    writeFileSync(path, typeof value === 'string' ? value : JSON.stringify(value));
    return path;
  };
  const game = join(docs, 'example.game.json');
  const starterFile = (id: string) => join(docs, '../../data/starters', `${id}.json`);

  it('scores a play with its working', async () => {
    const done = called('score', game, join(docs, 'example.play.json'));
    expect(done.status).toBe(0);
    const result = JSON.parse(done.stdout) as { value: number; working: { times: number; each: number }[] };
    expect(result.working.reduce((sum, line) => sum + line.times * line.each, 0)).toBe(result.value);
  });
  it('checks a clean report with exit 0 and a wrong sum with exit 1', async () => {
    expect((await lochside('check', game, join(docs, 'example.report.json'))).status).toBe(0);
    const report = json('example.report.json') as { goes: { total: number }[] };
    report.goes[0]!.total += 5;
    const wrong = await lochside('check', game, file('wrong.json', report));
    expect(wrong.status).toBe(1);
    expect(JSON.parse(wrong.stdout)).toMatchObject({ kind: 'sum' });
  });
  it('names the place of bad input on one line a problem, with exit 2', async () => {
    const bad = await lochside('score', file('bad.json', { ...(json('example.game.json') as object), title: 7 }), join(docs, 'example.play.json'));
    expect(bad.status).toBe(2);
    expect(bad.stderr).toContain('bad.json/title: ');
    expect((await lochside('score', file('no.json', '{'), join(docs, 'example.play.json'))).status).toBe(2);
    expect((await lochside('juggle')).status).toBe(2);
  });
  it('tells each verb what it is for and what it takes, and refuses what it does not take', async () => {
    const verbs = [...(await lochside('help')).stdout.matchAll(/^npx lochside ((?:(?:teacher|backup|service) (?=[a-z]))?[a-z-]+)/gm)].map(
      ([, verb]) => verb!,
    );
    expect(new Set(verbs).size).toBe(21);
    for (const verb of new Set(verbs)) {
      const help = await lochside(...verb.split(' '), '--help');
      expect(help.status, verb).toBe(0);
      expect(help.stdout).toContain(`npx lochside ${verb}`);
    }
    expect(await lochside('gaps', game, '--age', '8')).toMatchObject({ status: 2, stderr: expect.stringContaining('--age') as string });
    expect(await lochside('totals')).toMatchObject({ status: 2, stderr: expect.stringContaining('GAME is missing') as string });
  });
  it('says in one line, with exit 2, that there is no verb, or far too many events, and that soon', async () => {
    for (const done of [called(), await lochside('fly'), await lochside('score')]) {
      expect(done.status).toBe(2);
      expect(done.stdout).toBe('');
      expect(done.stderr.trim().split('\n')).toHaveLength(1);
    }
    const million = file('million.json', { ...(json('example.play.json') as object), events: [] });
    const one = '{"do":"attempt","t":1,"end":"in"}';
    writeFileSync(million, readFileSync(million, 'utf8').replace('"events":[]', `"events":[${`${one},`.repeat(999_999)}${one}]`));
    const done = called('score', game, million);
    expect(done).toMatchObject({
      status: 2,
      stderr: `${million}/events: there are 1000000 events, and a go has at most 2000. Send the goes one by one.\n`,
    });
  });
  it('scores with exit 1 where something was refused, and says which; frames have their sheet, a card its parts', async () => {
    const play = json('example.play.json') as { events: object[] };
    const refused = await lochside(
      'score',
      game,
      file('refused.json', { ...play, events: [...play.events, { do: 'attempt', t: 9_999_999, end: 'in' }] }),
    );
    expect(refused.status).toBe(1);
    expect(refused.stderr).toMatch(new RegExp(`/events/${play.events.length}: refused: `));
    const fell = (...counts: readonly number[]) => counts.map((count, n) => ({ do: 'attempt', t: 3000 * (n + 1), count }));
    const framed = { ...play, level: 'level-1', counting: 'attempts', events: fell(6, 3, 2) };
    const frames = await lochside('score', starterFile('loch-frames'), file('frames.json', framed));
    expect(JSON.parse(frames.stdout)).toMatchObject({
      frames: [
        { balls: [6], kind: 'strike', total: 11 },
        { balls: [3, 2], kind: 'open', total: 16 },
      ],
    });
    const holes = [
      { do: 'attempt', t: 1000, end: 'on' },
      { do: 'attempt', t: 2000, end: 'in' },
    ];
    const course = await lochside('score', starterFile('otters-errand'), file('holes.json', { ...play, level: 'level-1', events: holes }));
    expect(JSON.parse(course.stdout)).toMatchObject({ parts: [{ title: 'First holt', value: 2, sum: '2 strokes' }] });
  });
  it('reads an event too: one of its games, or all of them', async () => {
    const of = (id: string) => ({ game: JSON.parse(readFileSync(starterFile(id), 'utf8')) as Record<string, unknown>, level: 'level-1' });
    const first = of('heron-strike');
    const second = of('harbour-stores');
    delete second.game['calls'];
    const event = { format: 'lochside.event/1', title: 'Two', items: [first, second], card: { combine: 'list', better: 'high' } };
    const path = file('event.json', event);
    expect(JSON.parse((await lochside('totals', path)).stdout)).toMatchObject({ unit: 'hits', most: 6 });
    expect(JSON.parse((await lochside('totals', path, '--game', '2')).stdout)).toMatchObject({ unit: 'points' });
    expect(JSON.parse((await lochside('gaps', path)).stdout)).toMatchObject([{ kind: 'who-calls', place: '/items/1/game/calls' }]);
    expect((await lochside('gaps', path, '--game', '1')).status).toBe(0);
    expect((await lochside('gaps', path, '--game', '3')).status).toBe(2);
  });
  it('lists the totals that can be, and what a game leaves open', async () => {
    const totals = await lochside('totals', starterFile('harbour-stores'), '--attempts', '2');
    expect(totals.status).toBe(0);
    expect(JSON.parse(totals.stdout)).toMatchObject({ unit: 'points', least: -2, most: 6 });
    expect((await lochside('gaps', starterFile('squall'))).status).toBe(0);
    const open = { ...(JSON.parse(readFileSync(starterFile('harbour-stores'), 'utf8')) as Record<string, unknown>) };
    delete open['calls'];
    const gaps = await lochside('gaps', file('open.json', open));
    expect(gaps.status).toBe(1);
    expect(JSON.parse(gaps.stdout)).toMatchObject([
      { kind: 'who-calls', place: '/calls', mends: ['The one who played', 'The partner', 'Play it again'] },
    ]);
    expect((await lochside('totals', game, '--level', '9')).status).toBe(2);
  });
  it('forecasts a level', async () => {
    const done = await lochside('forecast', game, '--age', '8', '--level', '2', '--plays', '300', '--seed', '4');
    expect(done.status).toBe(0);
    expect(JSON.parse(done.stdout)).toMatchObject({ plays: 300 });
    expect((await lochside('forecast', game, '--age', 'old')).status).toBe(2);
  });
  it('forecasts pins from the tables that are shipped, and a class from its own attempts', async () => {
    const pins = await lochside('forecast', starterFile('skittle-stair'), '--age', '9', '--plays', '200');
    expect(pins.stderr).not.toContain('rolling');
    expect(JSON.parse(pins.stdout)).toMatchObject({ rough: 'none', restsOn: 0 });
    const reports = file(
      'reports.csv',
      [
        'child,age,technique,implement,target,distance_m,attempts,hits',
        'Ada K,8,overarm,foam-ball,box,2,20,17',
        'Bo L,8,overarm,foam-ball,box,2,20,18',
      ].join('\n'),
    );
    const known = await lochside('forecast', starterFile('catch-the-ferry'), '--age', '8', '--plays', '200', '--reports', reports);
    const assumed = await lochside('forecast', starterFile('catch-the-ferry'), '--age', '8', '--plays', '200');
    const chanceIn = (out: string) => (JSON.parse(out) as { restsOn: number; chance: { chance: number; low: number; high: number } }).chance;
    expect(JSON.parse(known.stdout)).toMatchObject({ restsOn: 40 });
    expect(chanceIn(known.stdout).chance).toBeGreaterThan(chanceIn(assumed.stdout).chance);
    const worse = await lochside('forecast', starterFile('catch-the-ferry'), '--reports', file('worse.csv', 'child,age\nAda K,8'));
    expect(worse.status).toBe(2);
    expect(worse.stderr).toContain('has no column technique');
  }, 120_000);
  it('knows fewer pins and marks', async () => {
    const five = await lochside('totals', starterFile('loch-frames'), '--targets', '5');
    expect(JSON.parse(five.stdout)).toMatchObject({ most: 150 });
    const near = await lochside('totals', starterFile('harbour-mouth'), '--marks', '4');
    expect(JSON.parse(near.stdout)).toMatchObject({ most: 4 });
    expect((await lochside('totals', starterFile('harbour-mouth'), '--marks', 'none')).status).toBe(2);
  }, 120_000);
});
