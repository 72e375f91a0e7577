import { describe, expect, it } from 'vitest';
import { starter, STARTERS } from '../../../../tests/examples/starters';
import type { Game } from './game';
import { readGame, readGameToPlay } from './read-game';

/** The starter with what stands at a JSON Pointer replaced, or added. */
function withAt(id: string, pointer: string, value: unknown): unknown {
  const game = structuredClone(starter(id)) as unknown as Record<string, unknown>;
  const path = pointer.slice(1).split('/');
  let node = game;
  for (const key of path.slice(0, -1)) node = node[key] as Record<string, unknown>;
  if (value === undefined) delete node[path.at(-1)!];
  else node[path.at(-1)!] = value;
  return game;
}

/** What is wrong, where it stands, and the place that is told: one line a cause, also where every level has it. */
const UNREACHABLE: readonly (readonly [what: string, id: string, pointer: string, value: unknown, place?: string])[] = [
  ['a counter that starts and is none', 'skittle-stair', '/parts/0/startAt/strikes', 3],
  ['words for a counter that is none', 'skittle-stair', '/parts/0/counterWords/strikes', 'strikes'],
  ['a counter of the measure', 'skittle-stair', '/parts/0/measure/of/sum/strikes', 1],
  ['a counter that breaks a tie', 'skittle-stair', '/parts/0/measure/tie/0/of/sum/strikes', 1],
  ['a counter that says how many stand', 'skittle-stair', '/parts/0/groups/pin/up', 'strikes'],
  ['a counter that is kept', 'skittle-stair', '/parts/0/rows/0/do/1/amount', 'n.strikes'],
  ['a counter that a rule looks at', 'skittle-stair', '/parts/0/stop/0/if/0', ['n.strikes', '>=', 8], '/parts/0/stop/0/if/0/0'],
  ['a group that is counted', 'harbour-mouth', '/parts/0/rows/0/do/0/amount', 'at.pier'],
  ['a group that a try is aimed at', 'harbour-mouth', '/parts/0/stages/0/at', 'pier'],
  ['a flag that a rule looks at', 'otters-errand', '/parts/0/rows/0/if', [['flag.wind', '=', 1]], '/parts/0/rows/0/if/0/0'],
  ['what follows a flag', 'otters-errand', '/parts/0/also/wind', []],
  ['a gate that is owed', 'puffin-parade', '/parts/0/rows/1/do/0/gate', 'swim'],
  ['an end that a rule looks at', 'puffin-parade', '/parts/0/rows/1/if/0/2', 'sunk'],
  ['the card, in the middle of a part', 'puffin-parade', '/parts/0/rows/1/if', [['card.level', '=', 1]], '/parts/0/rows/1/if/0/0'],
  ['a part that waits for something else than the card', 'squall', '/parts/2/when/0', ['attempts', '>=', 1]],
  ['what falls, of nothing', 'skittle-stair', '/parts/0/stages/0/at', undefined],
  ['a clock of nothing', 'puffin-parade', '/parts/0/clock/s', 0],
  ['a million tries', 'heron-strike', '/parts/0/stop/0/if/0/2', 1_000_000],
  ['a counter that is added to itself', 'leaping-fish', '/parts/0/rows/0/do/0/amount', 'n.run'],
  ['a counter twice', 'leaping-fish', '/parts/0/counters', ['best', 'run', 'run'], '/parts/0/counters/2'],
  ['two parts of one name', 'otters-errand', '/parts/1/id', 'one', '/parts/1'],
  ['two ends of one name', 'heron-strike', '/parts/0/stages/0/ends/1/id', 'hit', '/parts/0/stages/0/ends/1'],
];

describe('a game whose rules name what is not there, or what nobody has', () => {
  it.each(UNREACHABLE.map(([what, id, pointer, value, place = pointer]) => ({ what, id, pointer, value, place })))(
    '$what is refused, once, with its place',
    ({ id, pointer, value, place }) => {
      const read = readGame(withAt(id, pointer, value));
      expect(read.ok).toBe(false);
      const places = read.ok ? [] : read.problems.map((problem) => problem.place);
      expect(places).toContain(place);
      expect(places.filter((one) => one.endsWith(place))).toHaveLength(1);
      if (!read.ok) for (const problem of read.problems) expect(`${problem.reason} ${problem.fix}`).toMatch(/^\S.{5,}/);
    },
  );

  it('a mark beyond the floor, and two marks in one place, are refused in a game that is to be played, not while it is made', () => {
    const [first, second, ...more] = starter('harbour-mouth').course.places['out']!;
    const laid = (spots: unknown): Game => withAt('harbour-mouth', '/course/places/out', spots) as Game;
    const off = laid([{ xM: 90, yM: 1 }, second, ...more]);
    const twice = laid([first, first, ...more]);
    for (const [game, place] of [
      [off, '/course/places/out/0'],
      [twice, '/course/places/out/1'],
    ] as const) {
      expect(readGame(game).ok).toBe(true);
      const read = readGameToPlay(game);
      expect(read.ok ? [] : read.problems.map((problem) => problem.place)).toEqual([place]);
    }
  });

  it.each(STARTERS)('$id is played as it stands', ({ game }) => expect(readGameToPlay(game)).toMatchObject({ ok: true }));
});
