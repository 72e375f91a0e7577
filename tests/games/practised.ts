/**
 * One game for each kind of station and game of the practice, written apart from what ships: titles, themes, values and letters are ours, only
 * lengths and rules are common practice (no published source). Each with a play and what it comes to, worked by hand beside it.
 */
import type { Part } from '@/core/rules/game';
import {
  add,
  after,
  down,
  ends,
  exercise,
  fell,
  finish,
  game,
  go,
  inTurn,
  marks,
  NONE,
  on,
  owe,
  part,
  pins,
  reset,
  sum,
  targets,
  TIME,
  tries,
  WATCH,
  when,
  type Practised,
} from './build';

const inOut = ends('in: it stays in', '-miss: it misses');
const hitMiss = ends('hit: it hits', '-miss: it misses');
const choose = (group: string, to: number) => ({ do: 'choose' as const, group, to });
const begin = { do: 'begin' as const };
const done = (gate: string) => ({ do: 'gateDone' as const, gate });
const stop = (why: 'time' | 'stopped' = 'time') => ({ do: 'finish' as const, why });
const at = (t: number, one: object) => ({ ...one, t }) as Practised['play'][number];

/** A hole by strokes, with what costs one more and the most that it may cost. */
const hole = (id: string, title: string, cap: number, flags: Readonly<Record<string, string>>, object: string): Part =>
  part({
    id,
    title,
    counters: ['strokes', 'extra'],
    counterWords: { strokes: 'strokes', extra: 'extra strokes' },
    groups: { [`tee-${id}`]: marks(1), [object]: targets(1) },
    tasks: [
      {
        from: `tee-${id}`,
        at: object,
        technique: 'roll',
        see: 'end',
        what: 'Roll the ball by hand and play on from where it stops',
        ends: ends('home: it is home', '-on: it is not there yet'),
        flags: Object.keys(flags),
        flagWords: flags,
      },
    ],
    rows: [on('home', [add('strokes'), finish]), on('on', [add('strokes')])],
    also: Object.fromEntries(Object.keys(flags).map((flag) => [flag, [add('extra')]])),
    flagsTogether: 'each',
    stop: [{ if: [['n.strokes', '>=', cap]], why: 'cap' }],
    measure: sum({ strokes: 1, extra: 1 }, 'strokes', { better: 'low' }),
    unfinished: 'not-finished',
  });

const course = (...holes: readonly Part[]) => game('Hedgehog Home', holes, {}, { card: { combine: 'sum', better: 'low' } });

const A: Practised[] = [
  {
    kind: 'A: one thing to strike, a patch that costs one',
    game: course(hole('bend', 'The bend', 6, { leaves: 'rolls through the leaves' }, 'can')),
    play: inTurn(5, [
      { do: 'attempt', end: 'on', flags: ['leaves'] },
      { do: 'attempt', end: 'on' },
      { do: 'attempt', end: 'home' },
    ]),
    // Three strokes and one for the leaves.
    value: 4,
  },
  {
    kind: 'A: up a ramp, the edge costs one',
    game: course(hole('ramp', 'Up the ramp', 5, { edge: 'touches the edge' }, 'cup')),
    play: inTurn(5, [
      { do: 'attempt', end: 'on', flags: ['edge'] },
      { do: 'attempt', end: 'on', flags: ['edge'] },
      { do: 'attempt', end: 'home', flags: ['edge'] },
    ]),
    // Three strokes and three edges are six, on a hole of at most five.
    value: 5,
  },
  {
    kind: 'A: chairs and a bucket in the way, two at once',
    game: course(hole('yard', 'The yard', 8, { chair: 'touches a chair', bucket: 'touches the bucket' }, 'loop')),
    play: inTurn(5, [
      { do: 'attempt', end: 'on', flags: ['chair', 'bucket'] },
      { do: 'attempt', end: 'home' },
    ]),
    value: 4,
  },
  {
    kind: 'A: a course of three holes',
    game: course(
      hole('one', 'First', 6, { leaves: 'rolls through the leaves' }, 'can-one'),
      hole('two', 'Second', 6, { edge: 'touches the edge' }, 'can-two'),
      hole('three', 'Third', 6, { chair: 'touches a chair' }, 'can-three'),
    ),
    play: inTurn(5, tries('on home'), [begin], tries('home'), [begin], [{ do: 'attempt', end: 'on', flags: ['chair'] }], tries('on home')),
    // 2, 1, and 3 with a chair.
    value: 7,
  },
];

const shots = (n: number, change: Partial<Part> = {}) =>
  part({
    counters: ['lit'],
    counterWords: { lit: 'lamps lit' },
    groups: { spot: marks(n, { end: 'finish' }), bin: targets(1) },
    tasks: [{ from: 'spot', at: 'bin', technique: 'set-shot', see: 'end', ends: inOut }],
    rows: [on('in', [add('lit'), go('spot')]), on('miss')],
    stop: [after(40)],
    measure: sum({ lit: 1 }, 'lamps'),
    ...change,
  });

const B: Practised[] = [
  {
    kind: 'B: sixteen numbered spots, then a shot for three more',
    game: game('Lamplighter', [
      shots(16, { id: 'street', title: 'The street' }),
      part({
        id: 'last',
        title: 'The last lamp',
        counters: ['more'],
        counterWords: { more: 'lamps more' },
        groups: { any: marks(16, { order: 'free' }), bin: targets(1) },
        tasks: [{ from: 'any', at: 'bin', technique: 'set-shot', see: 'end', ends: inOut }],
        rows: [on('in', [add('more', 3)]), on('miss')],
        stop: [after(1)],
        measure: sum({ more: 1 }, 'lamps'),
      }),
    ]),
    play: inTurn(4, tries(`${'in '.repeat(16).trim()}`), [begin, choose('any', 4)], tries('in')),
    value: 19,
  },
  {
    kind: 'B: two shoot in turn, each on a number of their own',
    game: game('Lamplighters', [shots(5)], {}, { sides: { n: 2, turn: 'attempt', score: 'own', lastTurnLevel: true } }),
    play: tries('in miss in in miss in'),
    // The child: in, in, miss.
    value: 2,
  },
  {
    kind: 'B: a minute of free choice among five zones',
    game: game('Acorn Store', [
      part({
        counters: ['acorns'],
        groups: { zone: marks(5, { order: 'free', value: [1, 4, 6, 7, 9] }), bin: targets(1) },
        tasks: [{ from: 'zone', at: 'bin', technique: 'set-shot', see: 'end', ends: inOut }],
        rows: [on('in', [add('acorns', 'value', { of: 'zone' })]), on('miss')],
        clock: down(60, { inFlight: 'released' }),
        measure: sum({ acorns: 1 }, 'acorns'),
      }),
    ]),
    play: inTurn(4, [choose('zone', 4)], tries('in miss'), [choose('zone', 1)], tries('in'), [choose('zone', 2)], tries('in')),
    value: 19,
  },
  {
    kind: 'B: boxes near to far, then five places round, either way',
    game: game('Round the Pond', [
      part({
        counters: ['hops'],
        groups: { box: marks(4), stone: marks(5, { order: 'either-way' }), bin: targets(1) },
        tasks: [
          { from: 'box', at: 'bin', see: 'end', ends: ends('box-in: it stays in from a box', '-box-miss: it misses from a box') },
          { from: 'stone', at: 'bin', see: 'end', ends: ends('stone-in: it stays in from a stone', '-stone-miss: it misses from a stone') },
        ],
        rows: [
          on('box-in', [add('hops'), { do: 'next', what: 'task' }], [['at.box', '=', 4]]),
          on('box-in', [add('hops'), go('box')]),
          on('box-miss'),
          on('stone-in', [add('hops'), { do: 'mark', group: 'stone', as: 'down' }]),
          on('stone-miss'),
        ],
        stop: [{ if: [['left.stone', '=', 0]], why: 'goal' }, after(25)],
        measure: sum({ hops: 1 }, 'hops'),
      }),
    ]),
    play: inTurn(4, tries('box-in box-in box-miss box-in box-in'), tries('stone-in'), [choose('stone', 1)], tries('stone-miss stone-in')),
    value: 6,
  },
  {
    kind: 'B: a shared minute, one score together',
    game: game(
      'Two for the Store',
      [shots(3, { groups: { spot: marks(3, { end: 'wrap' }), bin: targets(1) }, clock: down(60, { inFlight: 'landed' }), stop: [] })],
      {},
      {
        sides: { n: 2, turn: 'half-time', score: 'joint' },
      },
    ),
    play: [...tries('in in'), at(30_000, { do: 'swap' }), at(35_000, { do: 'attempt', end: 'in' }), at(60_000, stop())],
    value: 3,
  },
];

const counted = (what: string, words: string, s: number, change: Partial<Part> = {}) =>
  part({
    counters: ['n'],
    counterWords: { n: words },
    tasks: [{ technique: 'move', see: 'count', what }],
    rows: [when([], [add('n', 'count')])],
    clock: down(s),
    measure: sum({ n: 1 }, words),
    ...change,
  });

const table = (id: string, change: Partial<Part> = {}) =>
  part({
    id,
    title: `Gust ${id}`,
    counters: ['won'],
    counterWords: { won: 'gusts won' },
    tasks: [
      {
        technique: 'other',
        see: 'end',
        asked: 'whistle',
        what: 'Fan the feather over the table at each other; off the table, it starts again in the middle',
        ends: ends('theirs: it lies in their half', '-mine: it lies in your half'),
      },
    ],
    rows: [on('theirs', [add('won')]), on('mine', [add('won', 1, { for: 'others' })])],
    clock: down(60),
    measure: sum({ won: 1 }, 'gusts', { tie: [] }),
    ...change,
  });

const C: Practised[] = [
  {
    kind: 'C: five balls off the wall, in to stay',
    game: game('Off the Barn', [
      part({
        counters: ['in'],
        counterWords: { in: 'balls in' },
        groups: { line: marks(1), tub: targets(1) },
        tasks: [{ from: 'line', at: 'tub', technique: 'overarm', see: 'end', what: 'Throw off the wall into the tub', ends: inOut }],
        rows: [on('in', [add('in')]), on('miss')],
        stop: [after(5)],
        measure: sum({ in: 1 }, 'balls'),
      }),
    ]),
    play: tries('in in miss in miss'),
    value: 3,
  },
  {
    kind: 'C: three bowls in line',
    game: game('Duck Dinner', [
      part({
        counters: ['fish'],
        groups: { bank: marks(1), bowl: targets(3, { value: [2, 3, 7], labels: ['the large bowl', 'the middle bowl', 'the small bowl'] }) },
        tasks: [{ from: 'bank', at: 'bowl', see: 'end', ends: inOut }],
        rows: [on('in', [add('fish', 'value', { of: 'bowl' })]), on('miss')],
        clock: down(60, { inFlight: 'landed' }),
        measure: sum({ fish: 1 }, 'fish'),
      }),
    ]),
    play: inTurn(4, [choose('bowl', 2)], tries('miss in'), [choose('bowl', 0)], tries('in')),
    value: 9,
  },
  {
    kind: 'C: a dressed run between two marks',
    game: game('Snow Day', [
      part({
        counters: ['on'],
        counterWords: { on: 'things on' },
        groups: { post: marks(4, { end: 'finish', labels: ['jumper on', 'shorts on', 'cap on', 'home'] }) },
        tasks: [
          { from: 'post', technique: 'move', see: 'end', what: 'Run to the next post and put the next thing on', ends: ends('on: it is fully on') },
        ],
        rows: [on('on', [add('on'), go('post')])],
        clock: WATCH,
        measure: TIME,
      }),
    ]),
    play: tries('on on on on', 8),
    value: 32,
  },
  {
    kind: 'C: a coin decides whether to run',
    game: game('Milk Run', [
      part({
        counters: ['steps'],
        counterWords: { steps: 'steps' },
        tasks: [{ technique: 'other', see: 'face', what: 'Toss the coin', faces: ['heads', 'tails'] }],
        gates: { rest: { kind: 'rest', what: 'stand still', n: 5, onClock: true } },
        rows: [when([['face', '=', 0]], [add('steps', 20)]), when([], [owe('rest')])],
        stop: [{ if: [['n.steps', '>=', 60]], why: 'goal' }],
        measure: { of: 'done', unit: 'done', better: 'high' },
      }),
    ]),
    play: inTurn(6, [{ do: 'attempt', face: 0 }, { do: 'attempt', face: 1 }, done('rest'), { do: 'attempt', face: 0 }, { do: 'attempt', face: 0 }]),
    value: 1,
  },
  {
    kind: 'C: two rounds at a table, a third only if level',
    game: game(
      'Feather Fair',
      [table('one'), table('two'), table('three', { when: [['card.level', '=', 1]] })],
      {},
      {
        sides: { n: 2, turn: 'none', score: 'own' },
        card: { combine: 'wins', better: 'high' },
        calls: 'again',
      },
    ),
    play: [
      at(60_000, { do: 'attempt', end: 'theirs' }),
      at(61_000, begin),
      at(121_000, { do: 'attempt', end: 'mine' }),
      at(122_000, begin),
      at(182_000, { do: 'attempt', end: 'theirs' }),
    ],
    value: 2,
  },
  {
    kind: 'C: a lid that is flipped',
    game: game('Pancake', [
      part({
        counters: ['turned'],
        counterWords: { turned: 'turned over' },
        tasks: [
          {
            technique: 'other',
            see: 'end',
            what: 'Flip the lid from the edge of the table',
            ends: ends('over: it lands turned over', '-same: it lands as it was'),
          },
        ],
        rows: [on('over', [add('turned')]), on('same')],
        clock: down(60),
        measure: sum({ turned: 1 }, 'turned'),
      }),
    ]),
    play: tries('over same over over'),
    value: 3,
  },
  {
    kind: 'C: a shoe off the toe',
    game: game('Lucky Boot', [
      part({
        counters: ['luck'],
        tasks: [
          {
            technique: 'other',
            see: 'face',
            what: 'Let the shoe fly off your toe; wait till it lies still',
            faces: ['on its side', 'upright', 'upside down'],
          },
        ],
        rows: [when([['face', '=', 0]], [add('luck', 1)]), when([['face', '=', 1]], [add('luck', 3)]), when([['face', '=', 2]], [add('luck', 4)])],
        stop: [after(4)],
        measure: sum({ luck: 1 }, 'luck'),
      }),
    ]),
    play: inTurn(
      5,
      [0, 2, 0, 1].map((face) => ({ do: 'attempt' as const, face })),
    ),
    value: 9,
  },
  {
    kind: 'C: three balloons kept up, a grounded one is out',
    game: game(
      'Three Clouds',
      [
        part({
          counters: ['taps'],
          groups: { cloud: { kind: 'implement', n: 3, order: 'free', end: 'stay' } },
          tasks: [
            { at: 'cloud', technique: 'strike-up', see: 'end', what: 'Tap the clouds up', ends: ends('tap: you tap it up', '-down: it comes down') },
          ],
          rows: [on('tap', [add('taps')]), on('down', [{ do: 'mark', group: 'cloud', as: 'out' }])],
          stop: [{ if: [['left.cloud', '=', 0]], why: 'all-out' }],
          clock: down(60),
          measure: sum({ taps: 1 }, 'taps'),
        }),
      ],
      {},
      { kit: { implement: 'balloon', marker: 'sock' } },
    ),
    play: inTurn(2, tries('tap tap down'), [choose('cloud', 1)], tries('tap down'), [choose('cloud', 2)], tries('tap down')),
    value: 4,
  },
  {
    kind: 'C: a thing for each of four letters, a minute each',
    game: game('Post Sort', [
      part({
        counters: ['found'],
        counterWords: { found: 'words' },
        groups: { letter: { kind: 'item', n: 4, order: 'fixed', end: 'finish', labels: ['M', 'O', 'S', 'S'] } },
        tasks: [
          {
            from: 'letter',
            technique: 'other',
            see: 'text',
            what: 'Find a thing that begins with the letter',
            ends: ends('found: you found one', '-not: the time is up'),
          },
        ],
        rows: [on('found', [add('found'), go('letter')]), on('not', [go('letter')])],
        clock: down(60, { per: 'item' }),
        measure: sum({ found: 1 }, 'words'),
      }),
    ]),
    play: [
      at(20_000, { do: 'attempt', end: 'found', text: 'mug' }),
      at(50_000, { do: 'attempt', end: 'found', text: 'onion' }),
      at(110_000, { do: 'attempt', end: 'not' }),
      at(140_000, { do: 'attempt', end: 'found', text: 'soap' }),
    ],
    value: 3,
  },
  {
    kind: 'C: a list of fifteen things in ten minutes',
    game: game('Squirrel List', [
      part({
        counters: ['found'],
        counterWords: { found: 'things' },
        groups: {
          thing: { kind: 'item', n: 15, order: 'free', end: 'stay', labels: Array.from({ length: 15 }, (_, n) => `thing ${n + 1} of the list`) },
        },
        tasks: [{ at: 'thing', technique: 'other', see: 'end', what: 'Look for the things on the list', ends: ends('found: you find it') }],
        rows: [on('found', [add('found'), { do: 'mark', group: 'thing', as: 'down' }])],
        stop: [{ if: [['left.thing', '=', 0]], why: 'goal' }],
        clock: down(600),
        measure: sum({ found: 1 }, 'things'),
      }),
    ]),
    play: inTurn(20, tries('found'), [choose('thing', 7)], tries('found'), [choose('thing', 3)], tries('found'), [stop('stopped')]),
    value: 3,
  },
  {
    kind: 'C: three paper planes, outside one and inside two',
    game: game(
      'Swallows',
      [
        part({
          counters: ['points'],
          groups: { sill: marks(1), nest: targets(1) },
          tasks: [
            {
              from: 'sill',
              at: 'nest',
              technique: 'other',
              see: 'end',
              what: 'Send three planes to the nest, then fetch them',
              ends: ends('inside: it lies inside', 'outside: it touches from outside', '-far: it lies elsewhere'),
            },
          ],
          rows: [on('inside', [add('points', 2)]), on('outside', [add('points', 1)]), on('far')],
          stop: [after(3)],
          measure: sum({ points: 1 }, 'points'),
        }),
      ],
      {},
      { kit: { implement: 'paper-plane', marker: 'sock' } },
    ),
    play: tries('inside far outside'),
    value: 3,
  },
  {
    kind: 'C: a waddle between cups, a drop costs five star jumps',
    game: game('Penguin Post', [
      part({
        counters: ['cups'],
        counterWords: { cups: 'cups turned' },
        groups: { cup: marks(2, { end: 'wrap' }) },
        tasks: [
          {
            from: 'cup',
            technique: 'move',
            see: 'end',
            what: 'Waddle to the other cup and turn it',
            ends: ends('there: you turn it', '-drop: the egg falls'),
          },
        ],
        gates: { jumps: exercise('jump like a star', 5) },
        rows: [on('there', [add('cups'), go('cup')]), on('drop', [owe('jumps')])],
        clock: down(60),
        measure: sum({ cups: 1 }, 'cups'),
      }),
    ]),
    play: inTurn(6, tries('there there drop'), [done('jumps')], tries('there')),
    value: 3,
  },
  {
    kind: 'C: a basket on a bottle: the ball, the bottle, both',
    game: game('Lobster Pot', [
      part({
        counters: ['points'],
        groups: { line: marks(1) },
        tasks: [
          {
            from: 'line',
            technique: 'roll',
            see: 'end',
            what: 'Roll at the basket that leans on the bottle',
            ends: ends(
              'both: the bottle falls and the ball is caught',
              'bottle: only the bottle falls',
              'ball: only the ball is caught',
              '-none: neither happens',
            ),
          },
        ],
        rows: [on('both', [add('points', 3)]), on('bottle', [add('points', 2)]), on('ball', [add('points', 1)]), on('none')],
        clock: down(60, { inFlight: 'landed' }),
        measure: sum({ points: 1 }, 'points'),
      }),
    ]),
    play: tries('none both bottle'),
    value: 5,
  },
  {
    kind: 'C: water on the head until the bowl runs over',
    game: game('Rain Bringer', [
      part({
        counters: ['trips'],
        counterWords: { trips: 'trips' },
        groups: { well: marks(1), bowl: targets(1) },
        tasks: [
          {
            from: 'well',
            at: 'bowl',
            technique: 'move',
            see: 'end',
            what: 'Carry the cup on your head; hands may help in the last two steps',
            ends: ends('over: the bowl runs over', '-more: there is room left'),
          },
        ],
        rows: [on('over', [add('trips'), finish]), on('more', [add('trips')])],
        clock: WATCH,
        measure: { ...TIME, tie: [{ of: { sum: { trips: 1 } }, unit: 'trips', better: 'low' }] },
      }),
    ]),
    play: tries('more more over', 15),
    value: 45,
  },
];

const five = (change: Partial<Part> = {}, more: Parameters<typeof game>[3] = {}) =>
  game(
    'Crow at the Post',
    [
      part({
        counters: ['hits'],
        groups: { line: marks(1), post: targets(1) },
        tasks: [{ from: 'line', at: 'post', technique: 'overarm', see: 'end', ends: hitMiss }],
        rows: [on('hit', [add('hits')]), on('miss')],
        stop: [after(5)],
        measure: sum({ hits: 1 }, 'hits'),
        ...change,
      }),
    ],
    { post: 'kitchen-roll' },
    more,
  );

const D: Practised[] = [
  { kind: 'D: five throws at one thing', game: five(), play: tries('hit miss miss hit hit'), value: 3 },
  {
    kind: 'D: the other hand',
    game: five({}, { kit: { implement: 'sock-ball', marker: 'sock', hand: 'other' } }),
    play: tries('miss miss hit miss miss'),
    value: 1,
  },
  {
    kind: 'D: gather and throw; off the wall does not count, a bad feed is played again',
    game: five({
      tasks: [
        {
          id: 'gather',
          from: 'line',
          at: 'post',
          technique: 'overarm',
          see: 'end',
          feeder: 'partner',
          ends: ends('hit: it hits', '-wall: it comes off the wall', '-miss: it misses', '-bad: the ball came badly'),
        },
      ],
      rows: [on('hit', [add('hits')]), on('wall', [], [], 'void'), on('miss'), on('bad', [], [], 'replay')],
    }),
    play: tries('hit wall bad hit miss hit'),
    // Five tries besides the bad feed, three of them hits.
    value: 3,
  },
];

const clear = (more: Partial<Part> = {}) =>
  game(
    'Mole Hills',
    [
      part({
        counters: ['hills'],
        groups: { line: marks(3), hill: targets(5) },
        tasks: [{ from: 'line', at: 'hill', technique: 'roll', see: 'felled' }],
        rows: [when([['felled', '>=', 1]], [add('hills', 'felled')]), when([])],
        stop: [{ if: [['left.hill', '=', 0]], why: 'goal' }],
        clock: down(30, { inFlight: 'released' }),
        measure: sum({ hills: 1 }, 'hills'),
        ...more,
      }),
    ],
    { hill: 'paper-cup' },
  );

const E: Practised[] = [
  { kind: 'E: five things cleared by rolling', game: clear(), play: fell(1, 0, 2, 1), value: 4 },
  {
    kind: 'E: farther away once all are cleared',
    game: clear({
      rows: [
        when(
          [
            ['felled', '>=', 1],
            ['left.hill', '=', 0],
          ],
          [add('hills', 'felled'), reset('hill'), go('line')],
        ),
        when([['felled', '>=', 1]], [add('hills', 'felled')]),
        when([]),
      ],
      stop: [],
    }),
    play: fell(2, 3, 0, 1),
    value: 6,
  },
  {
    kind: 'E: two at once do not count and are put back',
    game: clear({
      rows: [when([['felled', '>=', 2]], [{ do: 'restore', group: 'hill' }], 'void'), when([['felled', '=', 1]], [add('hills')]), when([])],
    }),
    play: fell(1, 2, 1),
    value: 2,
  },
];

const F: Practised[] = [
  {
    kind: 'F: tubes, first to exactly fifteen',
    game: game(
      'Fifteen Reeds',
      [
        part({
          counters: ['reeds'],
          groups: { line: marks(1), reed: pins(6) },
          tasks: [{ from: 'line', at: 'reed', technique: 'roll', see: 'felled' }],
          rows: [when([['felled', '>=', 0]], [add('reeds', 'felled'), reset('reed')])],
          stop: [{ if: [['n.reeds', '>=', 15]], why: 'target-score' }, after(12)],
          measure: sum({ reeds: 1 }, 'reeds'),
          unfinished: 'as-it-stands',
        }),
      ],
      { reed: 'tube' },
    ),
    play: fell(6, 4, 6),
    value: 16,
  },
  {
    kind: 'F: a ramp into labelled boxes, first to twenty, in turn',
    game: game(
      'Grain Chute',
      [
        part({
          counters: ['sacks'],
          groups: { chute: marks(1), barn: targets(3, { value: [4, 6, 9], labels: ['left barn', 'middle barn', 'right barn'] }) },
          tasks: [{ from: 'chute', at: 'barn', technique: 'roll', see: 'end', ends: inOut }],
          rows: [on('in', [add('sacks', 'value', { of: 'barn' })]), on('miss')],
          stop: [{ if: [['n.sacks', '>=', 20]], why: 'target-score' }, after(15)],
          measure: sum({ sacks: 1 }, 'sacks', { tie: [] }),
          unfinished: 'not-finished',
        }),
      ],
      { barn: 'box' },
      { sides: { n: 2, turn: 'attempt', score: 'own', lastTurnLevel: true }, calls: 'partner' },
    ),
    play: inTurn(5, [choose('barn', 2)], tries('in miss'), tries('in miss'), [choose('barn', 0)], tries('in miss')),
    // 9 + 9 + 4 = 22, and the other has had the last turn.
    value: 22,
  },
];

const G: Practised[] = [
  {
    kind: 'G: three in before the minute ends, a step back after each',
    game: game('Seed Thrower', [
      part({
        counters: ['in'],
        counterWords: { in: 'seeds in' },
        groups: { step: marks(3), pot: targets(1) },
        tasks: [{ from: 'step', at: 'pot', see: 'end', ends: inOut }],
        gates: { jumps: exercise('jump like a star', 10, { before: 'attempt' }) },
        rows: [on('in', [add('in'), go('step')]), on('miss')],
        stop: [{ if: [['n.in', '>=', 3]], why: 'goal' }],
        clock: down(60, { inFlight: 'released' }),
        measure: sum({ in: 1 }, 'seeds'),
      }),
    ]),
    play: inTurn(7, [done('jumps')], tries('in'), [done('jumps')], tries('miss'), [done('jumps')], tries('in')),
    value: 2,
  },
];

const H: Practised[] = [
  {
    kind: 'H: three marks, full rounds and extras',
    game: game(
      'Three Gates',
      [
        part({
          counters: ['rounds', 'extra'],
          counterWords: { rounds: 'full rounds', extra: 'extra goals' },
          groups: { gate: marks(3, { end: 'wrap' }), basket: targets(1) },
          tasks: [{ from: 'gate', at: 'basket', technique: 'kick', see: 'end', ends: ends('goal: it is in', '-miss: it misses') }],
          gates: { jumps: exercise('jump like a frog', 10, { before: 'round' }) },
          rows: [
            on('goal', [add('rounds'), { do: 'set', counter: 'extra', amount: 0 }, go('gate')], [['at.gate', '=', 3]]),
            on('goal', [add('extra'), go('gate')]),
            on('miss'),
          ],
          clock: down(120, { inFlight: 'released' }),
          measure: sum({ rounds: 3, extra: 1 }, 'goals'),
        }),
      ],
      { basket: 'tipped-basket' },
    ),
    play: inTurn(8, tries('goal goal goal'), [done('jumps')], tries('goal miss goal goal'), [done('jumps')], tries('goal goal')),
    // Two rounds of three, and two.
    value: 8,
  },
];

const I: Practised[] = [
  {
    kind: 'I: toe taps in a minute',
    game: game('Woodpecker', [counted('Tap the roll with your toes, left and right in turn', 'taps', 60)]),
    play: [at(60_000, { do: 'attempt', count: 74 })],
    value: 74,
  },
  {
    kind: 'I: a goal between two shoes, farther after each',
    game: game(
      'Fox Hole',
      [
        part({
          counters: ['far'],
          counterWords: { far: 'marks out' },
          groups: { out: marks(5, { end: 'finish' }), hole: targets(1) },
          tasks: [
            {
              from: 'out',
              at: 'hole',
              technique: 'kick',
              see: 'end',
              ends: ends('through: it goes through', '-short: it stops short', '-wide: it goes wide'),
            },
          ],
          rows: [on('through', [{ do: 'keepMax', counter: 'far', amount: 'at.out' }, go('out')]), on('short'), on('wide')],
          stop: [after(10)],
          measure: sum({ far: 1 }, 'marks'),
        }),
      ],
      { hole: 'shoe-gate' },
    ),
    play: tries('through short through through wide'),
    value: 3,
  },
  {
    kind: 'I: lifted with the laces on to the seat',
    game: five({
      tasks: [{ id: 'lift', from: 'line', at: 'post', technique: 'lift', see: 'end', ends: ends('hit: it lies on the seat', '-miss: it does not') }],
    }),
    play: tries('miss hit miss hit hit'),
    value: 3,
  },
  {
    kind: 'I: keep-ups, the longest run',
    game: game('Juggling Mouse', [
      part({
        counters: ['run', 'best'],
        counterWords: { run: 'touches in this run', best: 'touches' },
        tasks: [
          { technique: 'strike-up', see: 'end', what: 'Keep the roll up with knee and foot', ends: ends('up: you keep it up', '-down: it falls') },
        ],
        rows: [on('up', [add('run'), { do: 'keepMax', counter: 'best', amount: 'n.run' }]), on('down', [{ do: 'set', counter: 'run', amount: 0 }])],
        clock: down(60),
        measure: sum({ best: 1 }, 'touches'),
      }),
    ]),
    play: tries('up up down up up up down up', 1),
    value: 3,
  },
  {
    kind: 'I: door to door against the watch, then a kick at goal',
    game: game('Night Mail', [
      part({
        counters: ['goals'],
        groups: { door: marks(2, { end: 'finish' }) },
        tasks: [
          {
            from: 'door',
            technique: 'move',
            see: 'end',
            what: 'Roll it with your foot to the next door, and at the last one into the goal',
            ends: ends('there: you are there'),
          },
        ],
        rows: [on('there', [go('door')])],
        clock: WATCH,
        measure: TIME,
      }),
    ]),
    play: tries('there there', 9),
    value: 18,
  },
];

const J: Practised[] = [
  {
    kind: 'J: two throws and a leap, a minute, swapped at half-time',
    game: game(
      'Stream Post',
      [
        part({
          counters: ['posted'],
          counterWords: { posted: 'letters posted' },
          groups: { near: marks(1), far: marks(1), plate: targets(1), bucket: targets(1) },
          tasks: [
            {
              id: 'first',
              from: 'near',
              at: 'plate',
              technique: 'overarm',
              see: 'end',
              ends: ends('plate: it hits the plate', '-off: it misses the plate'),
            },
            { id: 'second', from: 'far', at: 'bucket', see: 'end', ends: ends('bucket: it stays in the bucket', '-out: it misses the bucket') },
          ],
          rows: [
            on('plate', [add('posted'), { do: 'next', what: 'task' }]),
            on('off', [{ do: 'next', what: 'task' }]),
            on('bucket', [add('posted'), { do: 'next', what: 'task' }]),
            on('out', [{ do: 'next', what: 'task' }]),
          ],
          clock: down(60, { inFlight: 'landed' }),
          measure: sum({ posted: 1 }, 'letters'),
        }),
      ],
      { plate: 'plate-on-chair', bucket: 'bucket' },
      { sides: { n: 2, turn: 'half-time', score: 'joint' } },
    ),
    play: [
      ...tries('plate bucket off'),
      at(30_000, { do: 'swap' }),
      at(34_000, { do: 'attempt', end: 'bucket' }),
      at(38_000, { do: 'attempt', end: 'plate' }),
    ],
    value: 4,
  },
];

const K: Practised[] = [
  {
    kind: 'K: exactly all of one, two, three pins',
    game: game(
      'Pine Steps',
      [
        part({
          counters: ['step', 'top', 'rolls'],
          startAt: { step: 1 },
          counterWords: { step: 'pins that stand', top: 'steps', rolls: 'rolls' },
          groups: { line: marks(1), pine: pins(6, { up: 'step' }) },
          tasks: [{ from: 'line', at: 'pine', technique: 'roll', see: 'felled', what: 'Set up as many as your step says and roll once' }],
          rows: [
            when([['left.pine', '=', 0]], [add('rolls'), { do: 'keepMax', counter: 'top', amount: 'n.step' }, add('step'), reset('pine')]),
            when([], [add('rolls'), reset('pine')]),
          ],
          stop: [{ if: [['n.top', '>=', 6]], why: 'goal' }, after(20)],
          measure: sum({ top: 1 }, 'steps', { tie: [{ of: { sum: { rolls: 1 } }, unit: 'rolls', better: 'low' }] }),
        }),
      ],
      { pine: 'tube' },
    ),
    play: fell(1, 1, 2, 3, 2),
    // One of one; one of two is not all; both; all three; two of four are not all.
    value: 3,
  },
];

/** Two balls a frame with so many pins, so many frames. */
const framed = (n: number, frames: number): Part => {
  const score = add('points', 'felled', { timesCarry: true });
  const over = [add('frame'), { do: 'set', counter: 'ball', amount: 0 } as const, reset('pin')];
  const early = ['n.frame', '<=', frames - 2] as const;
  const all = ['left.pin', '=', 0] as const;
  const first = ['n.ball', '=', 0] as const;
  const due = ['n.extra', '>=', 1] as const;
  return part({
    counters: ['points', 'frame', 'ball', 'extra'],
    groups: { line: marks(1), pin: pins(n) },
    tasks: [{ from: 'line', at: 'pin', technique: 'roll', see: 'felled' }],
    rows: [
      when([due, all], [score, add('extra', -1), reset('pin')]),
      when([due], [score, add('extra', -1)]),
      when([first, all, early], [score, { do: 'carry', next: 1, afterNext: 1 }, ...over]),
      when([first, all], [score, { do: 'set', counter: 'extra', amount: 2 }, ...over]),
      when([first], [score, { do: 'set', counter: 'ball', amount: 1 }]),
      when([all, early], [score, { do: 'carry', next: 1, afterNext: 0 }, ...over]),
      when([all], [score, { do: 'set', counter: 'extra', amount: 1 }, ...over]),
      when([], [score, ...over]),
    ],
    stop: [
      {
        if: [
          ['n.frame', '>=', frames],
          ['n.extra', '<=', 0],
        ],
        why: 'rounds',
      },
    ],
    measure: sum({ points: 1 }, 'points'),
    unfinished: 'not-finished',
  });
};

const L: Practised[] = [
  // A strike 6 + 2 + 4, a spare 6 + 3, then 3 + 1.
  { kind: 'L: three frames with six pins', game: game('Six Geese', [framed(6, 3)], { pin: 'bottle' }), play: fell(6, 2, 4, 3, 1), value: 25 },
  // 3 + 3 + 1, 3 + 1 + 2, then the spare 3 and its extra 3.
  {
    kind: 'L: three frames with three pins',
    game: game('Three Geese', [framed(3, 3)], { pin: 'bottle' }),
    play: fell(3, 3, 1, 2, 3),
    value: 7 + 6 + 6,
  },
  // Twelve strikes: 30 a frame.
  {
    kind: 'L: ten frames with ten pins',
    game: game('Ten Geese', [framed(10, 10)], { pin: 'small-bottle' }),
    play: fell(...Array<number>(12).fill(10)),
    value: 300,
  },
  {
    kind: 'L: two play by frame',
    game: game('Geese in Turn', [framed(6, 2)], { pin: 'bottle' }, { sides: { n: 2, turn: 'frame', score: 'own' } }),
    play: fell(3, 1, 6, 2, 4, 5, 0, 0),
    // The child: 3 + 1, then the spare 6 with an extra 5; the other: a strike with 0 and 0.
    value: 15,
  },
  {
    kind: 'L: pins are simply counted',
    game: game(
      'Geese Away',
      [
        part({
          counters: ['geese'],
          groups: { line: marks(1), goose: pins(6) },
          tasks: [{ from: 'line', at: 'goose', technique: 'roll', see: 'felled' }],
          rows: [when([], [add('geese', 'felled'), reset('goose')])],
          stop: [after(8)],
          measure: sum({ geese: 1 }, 'geese'),
        }),
      ],
      { goose: 'bottle' },
    ),
    play: fell(3, 0, 6, 2, 1, 4, 0, 5),
    value: 21,
  },
];

const M: Practised[] = [
  {
    kind: 'M: a point only when the whole set is down',
    game: game(
      'All the Sheep',
      [
        part({
          counters: ['flocks'],
          groups: { line: marks(1), sheep: pins(3) },
          tasks: [{ from: 'line', at: 'sheep', technique: 'kick', see: 'felled' }],
          gates: { again: { kind: 'set-up', what: 'set the sheep up again', n: 1, onClock: true } },
          rows: [when([['left.sheep', '=', 0]], [add('flocks'), reset('sheep'), owe('again')]), when([])],
          clock: down(300, { inFlight: 'landed' }),
          measure: sum({ flocks: 1 }, 'flocks'),
        }),
      ],
      { sheep: 'tube' },
    ),
    play: inTurn(6, fell(2, 1), [done('again')], fell(3), [done('again')], fell(1)),
    value: 2,
  },
];

const N: Practised[] = [
  {
    kind: 'N: one step back after each hit, the farthest counts',
    game: game(
      'Heron Walk',
      [
        part({
          counters: ['far', 'misses'],
          counterWords: { far: 'steps back', misses: 'misses in a row' },
          groups: { step: marks(8, { end: 'finish' }), bucket: targets(1) },
          tasks: [{ from: 'step', at: 'bucket', see: 'end', ends: inOut }],
          rows: [
            on('in', [{ do: 'keepMax', counter: 'far', amount: 'at.step' }, { do: 'set', counter: 'misses', amount: 0 }, go('step')]),
            on('miss', [add('misses')]),
          ],
          stop: [{ if: [['n.misses', '>=', 4]], why: 'all-out' }],
          measure: sum({ far: 1 }, 'steps'),
        }),
      ],
      { bucket: 'bucket' },
    ),
    play: tries('in miss in miss miss miss miss'),
    value: 2,
  },
];

const O: Practised[] = [
  {
    kind: 'O: a gate that is passed; hitting the post does not count',
    game: five({
      tasks: [
        {
          id: 'kick',
          from: 'line',
          at: 'post',
          technique: 'kick',
          see: 'end',
          ends: ends('hit: it goes through', '-post: it hits the post', '-miss: it misses'),
        },
      ],
      rows: [on('hit', [add('hits')]), on('post', [], [], 'void'), on('miss')],
    }),
    play: tries('hit post hit miss hit'),
    value: 3,
  },
  {
    kind: 'O: stopped nearest to a bottle',
    game: game(
      'Sleeping Cat',
      [
        part({
          counters: ['near'],
          counterWords: { near: 'cm from the cat' },
          groups: { spot: marks(2, { end: 'wrap' }), cat: targets(1) },
          tasks: [{ from: 'spot', at: 'cat', technique: 'kick', see: 'length', what: 'Kick so that the ball stops by the cat' }],
          rows: [when([], [{ do: 'keepMin', counter: 'near', amount: 'length' }, go('spot')])],
          stop: [after(5)],
          measure: sum({ near: 1 }, 'cm', { better: 'low' }),
          unfinished: 'as-it-stands',
        }),
      ],
      { cat: 'bottle' },
    ),
    play: inTurn(
      5,
      [420, 95, 310].map((lengthMm) => ({ do: 'attempt' as const, lengthMm })),
      [stop('stopped')],
    ),
    // 9.5 cm, to the nearest.
    value: 10,
  },
];

const P: Practised[] = [
  {
    kind: 'P: practice by the minute',
    game: game('Play in the Yard', [
      part({
        counters: ['n'],
        tasks: [{ see: 'end', what: 'Throw and catch as you like', ends: ends('enough: you have had enough') }],
        rows: [on('enough', [{ do: 'finish', why: 'rounds' }])],
        clock: WATCH,
        measure: { of: 'minutes', unit: 'minutes', better: 'high' },
      }),
    ]),
    play: [at(372_000, { do: 'attempt', end: 'enough' })],
    value: 6,
  },
  {
    kind: 'P: a warm-up that is done or not',
    game: game('Wake the Bear', [
      part({
        counters: ['moves'],
        counterWords: { moves: 'moves' },
        groups: { move: { kind: 'item', n: 3, order: 'fixed', end: 'finish', labels: ['stretch', 'shake', 'stamp'] } },
        tasks: [{ from: 'move', technique: 'other', see: 'end', what: 'Do the next move', ends: ends('did: you have done it') }],
        rows: [on('did', [add('moves'), go('move')])],
        clock: NONE,
        measure: { of: 'done', unit: 'done', better: 'high' },
      }),
    ]),
    play: tries('did did did', 20),
    value: 1,
  },
];

export const PRACTISED: readonly Practised[] = [A, B, C, D, E, F, G, H, I, J, K, L, M, N, O, P].flat();
