import { describe, expect, it } from 'vitest';
import { starter, STARTERS } from '../../../tests/examples/starters';
import { asPlayed, rebuilt } from '../../../tests/examples/rebuild';
import { compile } from '../rules/playing/compile';
import { gapsOf } from '../rules/gaps/gaps';
import { resolveLevel } from '../rules/format/level';
import { readGame } from '../rules/format/read-game';
import { withAdded } from '../course/change';
import { misfitsOf } from '../course/fits';
import { patternSpots } from '../course/patterns';
import { plainText, sentencesOf } from '../rules/telling/sentences';
import { blankGame, rolesOf, usualBinding, withStation, withWay } from './take-way';
import { WAYS, wayById, WAY_FAMILIES } from './ways';

const blank = () => blankGame('Otter Steps', wayById('practice')!, 8);

describe('ways to play', () => {
  it('there is one for the rules of every starter, each with a name of its own and a family', () => {
    expect(WAYS).toHaveLength(STARTERS.length);
    expect(new Set(WAYS.map((way) => way.name)).size).toBe(WAYS.length);
    expect(new Set(WAYS.map((way) => way.from.title)).size).toBe(WAYS.length);
    for (const way of WAYS) expect(WAY_FAMILIES).toHaveProperty(way.family);
  });
  it('a blank floor is a game: practice, with nothing on it and nothing left open', () => {
    expect(readGame(blank())).toMatchObject({ ok: true });
    expect(compile(resolveLevel(blank(), 0))).toMatchObject({ ok: true });
    expect(misfitsOf(blank(), 0, { ageYears: 8 })).toEqual([]);
    expect(gapsOf(blank())).toEqual([]);
    // No rule of its own: nothing of the way that its form is taken from.
    expect(sentencesOf(blank(), 'precise').map(plainText).join(' ')).not.toMatch(/soft toy|catch/);
  });
  it.each(WAYS.map((way) => ({ id: way.id, way })))('$id on a blank floor sets out what it needs, reads and leaves nothing open', ({ way }) => {
    const game = withWay(blank(), way);
    const read = readGame(game);
    expect(read.ok ? [] : read.problems).toEqual([]);
    expect(compile(resolveLevel(game, 0))).toMatchObject({ ok: true });
    for (const role of rolesOf(way)) expect(game.course[role.field][role.id], role.id).toHaveLength(role.n);
    expect(misfitsOf(game, 0, { ageYears: 8 }).filter(({ kind }) => kind === 'not-in-the-rules')).toEqual([]);
  });
  it('takes what stands on the floor, by number, and the rules count it', () => {
    const five = withAdded(blank(), {
      kind: 'target',
      object: 'tube',
      spots: patternSpots('row', 5, 0.3).map(({ xM, yM }) => ({ xM: xM + 4, yM: yM + 1.8 })),
    }).game;
    const line = withAdded(five, { kind: 'place', spots: [{ xM: 1, yM: 1.8 }] }).game;
    const way = wayById('whole-set')!;
    expect(usualBinding(line, way)).toEqual({ line: 'mark', sailor: 'tube' });
    const game = withWay(line, way);
    expect(game.parts[0]!.groups['sailor']!.n).toBe(5);
    expect(game.course.targets['sailor']!.map((pin) => pin.object)).toEqual(Array(5).fill('tube'));
    expect(readGame(game)).toMatchObject({ ok: true });
  });
  it.each(WAYS.map((way) => ({ id: way.id, way })))('$id can be put on the card as a further station', ({ way }) => {
    const game = withStation(withWay(blank(), wayById('hits-of-tries')!), way, {});
    const read = readGame(game);
    expect(read.ok ? [] : read.problems).toEqual([]);
    expect(game.parts.length).toBe(1 + way.from.parts.length);
    expect(new Set(game.parts.map((part) => part.id)).size).toBe(game.parts.length);
    expect(compile(resolveLevel(game, 0))).toMatchObject({ ok: true });
  });
  it('a station of rows and marks of its own is scored like the game it comes from', () => {
    const twice = withStation(starter('heron-strike'), wayById('hits-of-tries')!, {});
    expect(Object.keys(twice.course.targets)).toEqual(['reed', 'reed-2']);
    expect(twice.parts[1]!.stages[0]).toMatchObject({ from: 'bank-2', at: 'reed-2' });
    expect(twice.parts[0]!.title).toBe('First station');
  });
});

describe('from a blank floor, by what the chart table offers', () => {
  it.each(STARTERS)('$id is built again, piece by piece', ({ game }) => expect(asPlayed(rebuilt(game))).toEqual(asPlayed(game)));
});
