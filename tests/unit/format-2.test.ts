/** What format 2 says that format 1 could not: worked by hand. */
import { describe, expect, it } from 'vitest';
import type { Cond, Effect, Game, Part, Stage, Validity } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { readGame } from '@/core/rules/format/read-game';
import { compile } from '@/core/rules/playing/compile';
import { measure } from '@/core/rules/playing/measure';
import { replay } from '@/core/rules/playing/replay';
import { setUpFor } from '@/core/sheet/set-up';
import { starter } from '../examples/starters';

const heron = starter('heron-strike');
const withPart = (change: Partial<Part>, more: Partial<Game> = {}): Game => ({ ...heron, parts: [{ ...heron.parts[0]!, ...change }], ...more });
const tries = (...list: readonly [seconds: number, end: string][]) => list.map(([s, end]) => ({ do: 'attempt' as const, t: s * 1000, end }));

function played(game: Game, ...list: readonly [number, string][]) {
  const compiled = compile(game);
  if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
  const { state, refused } = replay(compiled.value, tries(...list));
  return {
    value: measure(compiled.value, state).value,
    attempts: measure(compiled.value, state).attempts,
    refused: refused.map(({ reason }) => reason),
  };
}

describe('a try that does not count', () => {
  const missIs = (validity: Validity): Game =>
    withPart({
      goes: { n: 1, keep: 'best' },
      stop: [],
      clock: { kind: 'down', s: 60, per: 'part', inFlight: 'landed' },
      rows: [heron.parts[0]!.rows[0]!, { if: [['end', '=', 'miss']], validity, do: [] }],
    });
  it.each([
    ['gone', { attempts: 2, refused: ['late'] }],
    ['again', { attempts: 1, refused: ['late'] }],
    // Thirty seconds are given back: the third try comes at 40 of 60.
    ['never', { attempts: 2, refused: [] }],
  ] as const)('is %s', (validity, comes) => {
    expect(played(missIs(validity), [10, 'hit'], [40, 'miss'], [70, 'hit'])).toMatchObject(comes);
  });
});

describe('stages', () => {
  const [task] = heron.parts[0]!.stages as [Stage];
  const to = (stage: string): Effect => ({ do: 'stage', to: stage });
  const stages: Stage[] = [
    { ...task, id: 'line', name: 'the line', rows: [{ if: [['end', '=', 'hit']], validity: 'counts', do: [to('ring')] }] },
    {
      ...task,
      id: 'ring',
      name: 'the ring',
      rows: [{ if: [['end', '=', 'hit']], validity: 'counts', do: [{ do: 'add', counter: 'hits', amount: 3 }, to('line')] }],
    },
  ];
  const game = withPart({ stages, goes: { n: 1, keep: 'best' }, rows: [{ if: [['end', '=', 'miss']], validity: 'counts', do: [] }] });
  it('have rules of their own: a hit from the line opens the ring, a hit in the ring gives three', () => {
    expect(readGame(game)).toMatchObject({ ok: true });
    expect(played(game, [4, 'hit'], [8, 'miss'], [12, 'hit'], [16, 'hit'], [20, 'hit'])).toEqual({ value: 6, attempts: 5, refused: [] });
  });
  it.each<[string, Partial<Part>, string]>([
    ['a stage', { stages: [{ ...stages[0]!, rows: [{ if: [], validity: 'counts', do: [to('moon')] }] }] }, '/parts/0/stages/0/rows/0/do/0/to'],
    ['a rule', { stop: [{ if: [['row', '=', 'moon'] as Cond], why: 'goal' }] }, '/parts/0/stop/0/if/0/2'],
    ['a group', { stop: [{ if: [['passed.moon', '=', 1] as Cond], why: 'goal' }] }, '/parts/0/stop/0/if/0/0'],
  ])('that name %s that is not there are refused at its place', (_, change, place) => {
    expect(readGame(withPart(change))).toMatchObject({ ok: false, problems: [{ place }] });
  });
});

it('a station lists what is used: nothing that is not thrown, and the coat that is put on', () => {
  const names = (game: Game) => setUpFor(game, 0.5).things.map(({ name }) => name);
  expect(names(starter('oilskin-dash'))).toEqual(['1 coat', '1 hat', '1 pair of boots', '1 scarf', '5 socks']);
  expect(names(starter('regatta-day')).slice(0, 2)).toEqual(['2 sock balls', '4 paper planes']);
});

it('a level may say what the game leaves open: the form of the body, the other hand', () => {
  const seated = { ...heron, levels: [{ ...heron.levels[0]!, set: { ...heron.levels[0]!.set, '/kit/form': 'seated', '/kit/hand': 'other' } }] };
  const read = readGame(seated);
  expect(read).toMatchObject({ ok: true });
  if (read.ok) expect(resolveLevel(read.value, 0).kit).toMatchObject({ form: 'seated', hand: 'other' });
  const odd = { ...seated, levels: [{ ...seated.levels[0]!, set: { '/parts/0/moon': 1 } }] };
  expect(readGame(odd)).toMatchObject({ ok: false });
});
