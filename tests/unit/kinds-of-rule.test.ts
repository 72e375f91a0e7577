/** Every kind of rule, worked by hand from its rules: what a teacher would write beside the sum. docs/coverage.md lists them. */
import { describe, expect, it } from 'vitest';
import { compile } from '@/core/rules/playing/compile';
import { type Program } from '@/core/rules/playing/program';
import { start } from '@/core/rules/playing/engine';
import { replay } from '@/core/rules/playing/replay';
import { eventsFromFields, partFields } from '@/core/reports/parts';
import { framesOf } from '@/core/rules/playing/frames';
import type { Game } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { measure } from '@/core/rules/playing/measure';
import { clockAt, nextMoves } from '@/core/rules/playing/next-moves';
import type { CountingWay, PlayEvent } from '@/core/rules/format/play';
import { framesGame } from '../examples/frames-game';
import { starter } from '../examples/starters';

function programOf(game: Game, level = 1): Program {
  const compiled = compile(resolveLevel(game, Math.min(level, game.levels.length - 1)));
  if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
  return compiled.value;
}
const played = (id: string, events: readonly PlayEvent[], counting: CountingWay = 'attempts') => {
  const program = programOf(starter(id));
  const { state, refused } = replay(program, events, counting);
  return { ...measure(program, state), refused: refused.map((one) => one.reason), moves: nextMoves(program, state), program, state };
};

let now = 0;
const at = (ms = 3000) => (now += ms);
const fresh = <T>(write: () => T): T => {
  now = 0;
  return write();
};
const tries = (ends: string, every = 3000): PlayEvent[] => ends.split(' ').map((end) => ({ do: 'attempt', t: at(every), end }));
const flagged = (end: string, ...flags: string[]): PlayEvent => ({ do: 'attempt', t: at(), end, flags });
const begin = (): PlayEvent => ({ do: 'begin', t: at(500) });
const choose = (group: string, to: number): PlayEvent => ({ do: 'choose', t: at(200), group, to });
const gate = (name: string): PlayEvent => ({ do: 'gateDone', t: at(2000), gate: name });
const fell = (...pins: number[]): PlayEvent => ({ do: 'attempt', t: at(), felled: pins });
const count = (n: number): PlayEvent => ({ do: 'attempt', t: at(), count: n });
const faces = (...list: number[]): PlayEvent[] => list.map((face) => ({ do: 'attempt', t: at(), face }));

describe('A. a course by strokes', () => {
  it('3 strokes and 1 extra, 2 strokes, and a hole at its cap of 9: 4 + 2 + 9 = 15', () => {
    const result = fresh(() =>
      played('otters-errand', [
        ...tries('on'),
        flagged('on', 'rock'),
        ...tries('in'),
        begin(),
        ...tries('on in'),
        begin(),
        ...tries('on on on on on on on on on'),
      ]),
    );
    expect(result).toMatchObject({ value: 15, better: 'low', finished: 'cap', refused: [] });
    expect(result.parts.map((part) => part.value)).toEqual([4, 2, 9]);
    expect(result.parts[0]!.sum).toBe('3 strokes + 1 extra stroke = 4');
    expect(result.sum).toBe('First holt 4 + Second holt 2 + Third holt 9 = 15');
  });
  it('an edge and a rock in one stroke cost one each', () => {
    expect(fresh(() => played('otters-errand', [flagged('in', 'reeds', 'rock')]).parts[0]!.value)).toBe(3);
  });
  it('a hole that is given up leaves the card not finished', () => {
    const result = fresh(() => played('otters-errand', [...tries('on'), { do: 'finish', t: at(), why: 'given-up' }, begin(), ...tries('in')]));
    expect(result.parts.map((part) => part.value)).toEqual([null, 1]);
    expect(result.value).toBeNull();
  });
});

describe('B. shots from numbered spots', () => {
  it('a hit moves on, a miss stays, and the last cast gives 3 more: 2 stones and 3', () => {
    const events = fresh(() => [...tries(`in miss in ${'miss '.repeat(27).trim()}`), begin(), choose('stone', 11), ...tries('in')]);
    expect(played('stepping-stones', events)).toMatchObject({ value: 5, refused: [], finished: 'attempts' });
  });
  it('twelve in a row cross the loch before the tries are used up', () => {
    const result = fresh(() => played('stepping-stones', tries('in '.repeat(12).trim())));
    expect(result.parts[0]).toMatchObject({ value: 12, finished: 'goal' });
    expect(result.moves.waiting).toMatchObject({ title: 'The last cast' });
  });
  it('two players alternate, each on a number of their own', () => {
    const alone = starter('stepping-stones');
    const game: Game = { ...alone, sides: { n: 2, turn: 'attempt', score: 'own', lastTurnLevel: true } };
    const program = programOf(game);
    const { state } = replay(
      program,
      fresh(() => tries('in miss in in')),
    );
    expect(measure(program, state).sides).toEqual([2, 1]);
    expect(nextMoves(program, state)).toMatchObject({ side: 0, place: 2 });
  });
  it('free choice among marks of 2, 3 and 5 against the clock', () => {
    const events = fresh(() => [...tries('in'), choose('mark', 2), ...tries('in miss in'), choose('mark', 1), ...tries('in')]);
    expect(played('ferry-fares', events)).toMatchObject({ value: 2 + 5 + 5 + 3, sum: '1 × 2 + 1 × 3 + 2 × 5 = 15', refused: [] });
  });
  it('five boxes near to far, then four places either way, a place that is done is done', () => {
    const events = fresh(() => [
      ...tries('in in in in in bank-in'),
      choose('bank', 1),
      ...tries('bank-miss bank-in'),
      choose('bank', 2),
      ...tries('bank-in'),
    ]);
    const result = played('up-the-burn', events);
    expect(result).toMatchObject({ value: 8, refused: [] });
    expect(fresh(() => played('up-the-burn', [...tries('in in in in in bank-in'), choose('bank', 3)])).refused).toEqual(['no-choice']);
    expect(fresh(() => played('up-the-burn', [...tries('in in in in in bank-in bank-in')])).refused).toEqual(['not-standing']);
  });
});

describe('C. stations', () => {
  it('a card of six stations adds up: 4 + 9 + 7 + 5 + 4 + 7 = 36', () => {
    const events = fresh(() => [
      ...tries('stays stays out stays out stays'),
      begin(),
      ...tries('in'),
      choose('nests', 1),
      ...tries('in miss'),
      choose('nests', 2),
      ...tries('in'),
      { do: 'finish' as const, t: (now += 50_000), why: 'time' as const },
      begin(),
      ...tries('inside touching outside inside'),
      begin(),
      ...tries('moored adrift touch moored adrift'),
      begin(),
      ...tries('still down still down'),
      begin(),
      ...tries('both one both'),
    ]);
    const result = played('regatta-day', events);
    expect(result.parts.map((part) => part.value)).toEqual([4, 9, 7, 5, 4, 7]);
    expect(result).toMatchObject({ value: 36, refused: [] });
  });
  it('a race against the watch ends at the last thing put on, and is not finished when stopped', () => {
    expect(fresh(() => played('oilskin-dash', tries('on on on on on', 4000)))).toMatchObject({
      value: 20,
      unit: 'seconds',
      better: 'low',
      finished: 'goal',
    });
    const stopped = fresh(() => played('oilskin-dash', [...tries('on on'), { do: 'finish', t: at(), why: 'stopped' }]));
    expect(stopped).toMatchObject({ value: null, finished: 'stopped' });
    expect(stopped.parts[0]!.tie).toEqual([2]);
  });
  it('heads go 25 steps, tails rest; 300 steps are twelve heads', () => {
    const twelve = fresh(() => Array.from({ length: 12 }, (): PlayEvent => ({ do: 'attempt', t: at(), face: 0 })));
    expect(played('toss-and-trot', twelve)).toMatchObject({ value: 1, finished: 'goal' });
    const tails = fresh(() => played('toss-and-trot', [...faces(1), ...faces(0)]));
    expect(tails).toMatchObject({ refused: ['owes'], value: 0 });
  });
  it('a third round only when the first two are level', () => {
    const round = (end: string): PlayEvent[] => [{ do: 'attempt', t: (now += 45_000), end }];
    const level = fresh(() => played('squall', [...round('theirs'), begin(), ...round('mine'), begin(), ...round('theirs')]));
    expect(level).toMatchObject({ value: 2, unit: 'won', sides: [2, 1], refused: [], finished: 'time' });
    const clear = fresh(() => played('squall', [...round('theirs'), begin(), ...round('theirs'), begin()]));
    expect(clear).toMatchObject({ value: 2, sides: [2, 0], refused: ['finished'] });
    expect(fresh(() => played('squall', [{ do: 'attempt', t: 20_000, end: 'theirs' }])).refused).toEqual(['not-yet']);
  });
  it('a balloon on the floor is out, and when all are out it is over', () => {
    const events = fresh(() => [...tries('tap tap'), choose('buoy', 1), ...tries('tap down'), choose('buoy', 0), ...tries('tap down')]);
    expect(played('buoys-aloft', events)).toMatchObject({ value: 4, finished: 'all-out', refused: [] });
  });
  it('each letter has a countdown of its own; a find after it is too late', () => {
    const word = (end: string, wait: number, text?: string): PlayEvent => ({ do: 'attempt', t: at(wait), end, ...(text ? { text } : {}) });
    const events = fresh(() => [word('found', 30_000, 'towel'), word('found', 39_000, 'ink'), word('found', 45_000, 'dice'), word('not', 46_000)]);
    const result = played('letter-tide', events);
    expect(result).toMatchObject({ value: 2, refused: ['late'] });
    expect(result.moves.place).toBe(3);
  });
  it('a checklist: what was found is ticked once, and all found is the end', () => {
    const find = (item: number): PlayEvent[] => [choose('thing', item), ...tries('found')];
    expect(fresh(() => played('shore-list', [...find(4), ...find(0), ...find(4)]))).toMatchObject({
      value: 2,
      refused: ['not-standing', 'not-standing'],
    });
    const all = fresh(() => played('shore-list', Array.from({ length: 12 }, (_, item) => find(item)).flat()));
    expect(all).toMatchObject({ value: 12, finished: 'goal' });
  });
  it('a drop costs an exercise before the way goes on', () => {
    const result = fresh(() => played('puffin-parade', [...tries('there drop there'), gate('hops'), ...tries('there')]));
    expect(result).toMatchObject({ value: 2, refused: ['owes'] });
  });
  it('water is carried until it runs over: the time counts, the trips break a tie', () => {
    const result = fresh(() => played('fill-the-lock', tries('more more over', 10_000)));
    expect(result).toMatchObject({ value: 30, finished: 'goal', better: 'low' });
    expect(result.parts[0]!.tie).toEqual([-3]);
  });
});

describe('D. attempts at one object', () => {
  it('hits out of six, the better of two goes', () => {
    const events = fresh(() => [...tries('hit miss miss hit miss miss'), begin(), ...tries('hit hit miss hit miss hit')]);
    const result = played('heron-strike', events);
    expect(result).toMatchObject({ value: 4, finished: 'attempts', refused: [] });
    expect(result.parts[0]!.goes).toEqual([2, 4]);
    expect(result.sum).toBe('best of 2, 4: 4 hits');
  });
  it('off the wall is void, a bad feed is played again', () => {
    const result = fresh(() => played('catch-the-ferry', tries('in bad-feed wall miss')));
    expect(result).toMatchObject({ value: 1, attempts: 3, refused: [] });
  });
});

describe('E. clearing a set', () => {
  it('one crate a roll; two at once are put back; all cleared are set up again while the clock waits, from farther', () => {
    const events = fresh(() => [fell(0, 1), fell(0), fell(1), fell(2), fell(3), fell(4), fell(5)]);
    const before = played('clear-the-jetty', events);
    expect(before).toMatchObject({ value: 6, attempts: 7, refused: [] });
    expect(before.moves.owed).toMatchObject({ kind: 'set-up', onClock: false });
    const stopped = clockAt(before.program, before.state, now + 20_000);
    expect(stopped).toBe(now);
    const after = fresh(() => [...events, gate('set-up'), fell(0)]);
    now = events.at(-1)!.t + 20_000;
    const later = played('clear-the-jetty', [...events, { do: 'gateDone', t: now, gate: 'set-up' }, fell(3)]);
    expect(after.length).toBe(9);
    expect(later).toMatchObject({ value: 7, refused: [] });
    expect(later.moves.place).toBe(1);
    expect(clockAt(later.program, later.state, now)).toBe(now - 20_000);
  });
  it('a crate that was taken away cannot be hit', () => {
    expect(fresh(() => played('clear-the-jetty', [fell(2), fell(2)])).refused).toEqual(['not-standing']);
  });
});

describe('F. boxes with points, first to twelve', () => {
  it('turns alternate, the edge takes a point, and the second player still has a turn', () => {
    const throwAt = (store: number, end: string, ...flags: string[]): PlayEvent[] => [choose('store', store), flagged(end, ...flags)];
    const events = fresh(() => [
      ...throwAt(2, 'in'),
      ...throwAt(1, 'in'),
      ...throwAt(2, 'in', 'edge'),
      ...throwAt(2, 'in'),
      ...throwAt(2, 'in'),
      ...throwAt(0, 'in'),
      ...throwAt(2, 'in'),
      ...throwAt(2, 'miss'),
      ...throwAt(2, 'in'),
      ...throwAt(2, 'in'),
    ]);
    const result = played('harbour-stores', events);
    expect(result).toMatchObject({ value: 14, sides: [14, 9], finished: 'target-score', refused: [] });
  });
});

describe('G. four in before the time is up', () => {
  it('an exercise before every throw, a step back after every hit, over at the fourth', () => {
    const events = fresh(() => ['in', 'miss', 'in', 'in', 'in'].flatMap((end) => [gate('hop'), ...tries(end)]));
    expect(played('four-before-dusk', events)).toMatchObject({ value: 4, attempts: 5, finished: 'goal', refused: [] });
    expect(fresh(() => played('four-before-dusk', tries('in'))).refused).toEqual(['owes']);
    const after = fresh(() => played('four-before-dusk', [gate('hop'), ...tries('in')]));
    expect(after.moves).toMatchObject({ place: 1, owed: { n: 5 } });
  });
});

describe('H. rounds and extras', () => {
  it('4 full rounds of 4 and 3 more make 19', () => {
    const round = (): PlayEvent[] => [...tries('goal goal miss goal goal', 1000), gate('jumps')];
    const events = fresh(() => [...round(), ...round(), ...round(), ...round(), ...tries('goal goal goal', 1000)]);
    expect(played('round-the-buoys', events)).toMatchObject({ value: 19, sum: '4 full rounds × 4 = 16, and 3 extra goals = 19', refused: [] });
  });
  it('the parts alone, typed at the end, make the same sum', () => {
    const events: PlayEvent[] = [
      { do: 'tally', t: 0, counter: 'rounds', n: 4 },
      { do: 'tally', t: 0, counter: 'extra', n: 3 },
      { do: 'finish', t: 90_000, why: 'time' },
    ];
    expect(played('round-the-buoys', events, 'parts')).toMatchObject({ value: 19, finished: 'time' });
  });
  it('only the goals tapped: exercises are not asked for, and misses are not known', () => {
    const events = fresh(() => tries('goal goal goal goal goal miss'));
    expect(played('round-the-buoys', events, 'successes')).toMatchObject({ value: 5, refused: ['misses-unknown'] });
  });
});

describe('I. touches', () => {
  it('taps are counted, in one figure or several', () => {
    expect(fresh(() => played('lily-pads', [count(34), count(21)]))).toMatchObject({ value: 55 });
  });
  it('the longest run counts: 3 after a drop beats 2', () => {
    expect(fresh(() => played('leaping-fish', tries('touch touch drop touch touch touch drop touch')))).toMatchObject({ value: 3 });
  });
  it('a ladder of a goal: through goes out, short comes back, a post is void', () => {
    const result = fresh(() => played('harbour-mouth', tries('through through post short through through')));
    expect(result).toMatchObject({ value: 3, refused: [] });
    expect(result.moves.place).toBe(3);
  });
});

describe('J. a circuit of two throws, two players share the time', () => {
  it('plate and bucket in turn, only the chair is no point; after half the time the other goes on', () => {
    const first = fresh(() => tries('plate in chair miss', 9000));
    const early = played('over-the-burn', [...first, { do: 'swap', t: 37_000 }]);
    expect(early).toMatchObject({ value: 2, refused: ['not-yet'], team: true });
    now = 40_000;
    const both = played('over-the-burn', [...first, { do: 'swap', t: 40_000 }, ...tries('plate in', 9000)]);
    expect(both).toMatchObject({ value: 4, refused: [], moves: { side: 1 } });
  });
});

describe('K. exactly n of n', () => {
  it('one pin, then two, a failed three, three: three steps in four rolls', () => {
    const events = fresh(() => [fell(0), fell(0, 1), fell(0, 2), fell(0, 1, 2)]);
    const result = played('skittle-stair', events);
    expect(result).toMatchObject({ value: 3, attempts: 4, refused: [] });
    expect(result.moves.standing).toEqual([0, 1, 2, 3]);
    expect(result.parts[0]!.tie).toEqual([-4]);
    expect(fresh(() => played('skittle-stair', [fell(0, 1)])).refused).toEqual(['not-standing']);
  });
});

describe('L. frames', () => {
  it('six pins: all down every time makes 18 a frame and 180 (common practice, no published source)', () => {
    const events = fresh(() => Array.from({ length: 12 }, () => count(6)));
    expect(played('loch-frames', events)).toMatchObject({ value: 180, finished: 'rounds', refused: [] });
  });
  it('the sheet shows each frame with its running total, and waits for a bonus', () => {
    const program = programOf(starter('loch-frames'));
    const events = fresh(() => [count(6), count(4), count(2), count(3), count(1), count(6)]);
    expect(framesOf(program, events)).toEqual([
      { balls: [6], kind: 'strike', total: 12 },
      { balls: [4, 2], kind: 'spare', total: 21 },
      { balls: [3, 1], kind: 'open', total: 25 },
      { balls: [6], kind: 'strike', total: null },
    ]);
  });
  it('the last frame holds its extra balls', () => {
    const program = programOf(framesGame(10), 0);
    const events = fresh(() => [...Array.from({ length: 9 }, () => [count(4), count(5)]).flat(), count(10), count(7), count(2)]);
    expect(framesOf(program, events).at(-1)).toEqual({ balls: [10, 7, 2], kind: 'strike', total: 100 });
  });
  it('a second ball cannot fell more than are left', () => {
    expect(fresh(() => played('loch-frames', [count(4), count(3)])).refused).toEqual(['not-standing']);
  });
});

describe('M. only the whole set counts', () => {
  it('three then the last one is a crew; two are none', () => {
    const result = fresh(() => played('all-ashore', [fell(0, 1, 2), fell(3), gate('set-up'), fell(0, 1)]));
    expect(result).toMatchObject({ value: 1, attempts: 3, refused: [] });
    expect(result.moves.standing).toEqual([2, 3]);
  });
});

describe('N. stepping back', () => {
  it('the farthest hit counts, three misses in a row are the end', () => {
    const result = fresh(() => played('walk-the-shore', tries('in in miss miss in miss miss miss in')));
    expect(result).toMatchObject({ value: 3, finished: 'all-out', refused: ['finished'] });
  });
});

describe('O. closest to a mark', () => {
  it('the smallest gap counts, over six kicks from three berths in turn', () => {
    const kick = (lengthMm: number): PlayEvent => ({ do: 'attempt', t: at(), lengthMm });
    const result = fresh(() => played('drop-anchor', [kick(420), kick(130), kick(260), kick(150)]));
    expect(result).toMatchObject({ value: 13, unit: 'cm', better: 'low', sum: '13 cm from the buoy' });
    expect(result.moves.place).toBe(1);
    const program = programOf(starter('drop-anchor'));
    expect(measure(program, start(program)).value).toBeNull();
  });
  it('12 that is typed is 12 cm, as it is when 12 cm are tapped', () => {
    const game = resolveLevel(starter('drop-anchor'), 0);
    const fields = partFields(game);
    expect(fields.map(({ label }) => label)).toEqual(['cm from the buoy']);
    const compiled = compile(game);
    if (!compiled.ok) throw new Error('it does not compile');
    const typed = measure(compiled.value, replay(compiled.value, eventsFromFields(game, fields, [12]), 'parts').state);
    const tapped = measure(compiled.value, replay(compiled.value, [{ do: 'attempt', t: 1000, lengthMm: 120 }]).state);
    for (const one of [typed, tapped]) expect(one).toMatchObject({ value: 12, unit: 'cm' });
  });
});

describe('P. practice without a score', () => {
  it('only the minutes are written down', () => {
    const result = fresh(() =>
      played('morning-tide', [
        { do: 'pause', t: 60_000 },
        { do: 'resume', t: 120_000 },
        { do: 'attempt', t: 430_000, end: 'done' },
      ]),
    );
    expect(result).toMatchObject({ value: 6, unit: 'minutes', finished: 'rounds' });
  });
});
