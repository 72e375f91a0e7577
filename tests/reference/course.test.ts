/**
 * Courses that are played from where the ball lies. Straight holes against a simulation written here, in which balls roll along lines and not over a
 * grid; then what bends, edges, chairs, patches and ramps must do to them.
 */
import { describe, expect, it } from 'vitest';
import { forecastSetUp } from '@/core/forecast/forecast-level';
import { fairwayOf } from '@/core/forecast/fairway';
import { lieAt, strokesOf, type Strokes } from '@/core/forecast/strokes';
import { IMPLEMENTS, type AimedId } from '@/core/objects/catalogue';
import type { Course, PlacedTarget } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { starter } from '../examples/starters';
import { LONG } from '../long';

const G = 9.80665;
const BALL = IMPLEMENTS['tennis-ball'];
const AGE = 8;
/** Of the table of assumed figures: a roll of an adult, the age's factor, a firm ball on carpet, the fastest roll at eight. */
const [AZIMUTH, SPEED, MU, TOP] = [((1.7 * Math.PI) / 180) * (1 + 2.2 * Math.exp(-4 / 4.5)), 0.08 * (1 + 2.2 * Math.exp(-4 / 4.5)), 0.045, 5.5];

const thing = (object: AimedId, xM: number, yM: number, extra: Partial<PlacedTarget> = {}): PlacedTarget => ({
  object,
  xM,
  yM,
  turnRad: 0,
  standM: 0,
  ...extra,
});
const floor = (more: Partial<Course> = {}): Course => ({
  floor: { widthM: 8, depthM: 4, surface: 'carpet' },
  furniture: [],
  places: { tee: [{ xM: 1, yM: 2 }] },
  targets: {},
  ...more,
});
const playedOn = (course: Course, cup: PlacedTarget, skill = 1): Strokes =>
  strokesOf(fairwayOf(course, BALL, course.places['tee']![0]!, cup), {
    technique: 'roll',
    thrower: { ageYears: AGE, skill },
    ball: BALL,
    surface: course.floor.surface,
  });

const random = (seed: number) => () => {
  seed = (Math.imul(seed, 1_664_525) + 1_013_904_223) >>> 0;
  return seed;
};

/** Mean strokes, and touches, of so many goes by the product's strokes. */
function mean(strokes: Strokes, goes = LONG ? 3000 : 1500) {
  const draw = random(11);
  const lie = lieAt();
  let [total, touches, zones] = [0, 0, 0];
  for (let go = 0; go < goes; go += 1) {
    strokes.begin(lie);
    for (let n = 0; n < 25 && !lie.home; n += 1) {
      strokes.stroke(lie, (draw() ^ (draw() >>> 11)) >>> 0);
      total += 1;
      if (lie.touched) touches += 1;
      if (lie.zones > 0) zones += 1;
    }
  }
  return { strokes: total / goes, touches: touches / goes, zones: zones / goes };
}

/** The same of a straight hole on a floor without ends, along lines. */
function alongLines(lengthM: number, homeM: number, lies: boolean, goes: number): number {
  const next = random(5);
  const uniform = () => next() / 2 ** 32 + 2 ** -33;
  const normal = () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
  let total = 0;
  for (let go = 0; go < goes; go += 1) {
    let [x, y] = [0, 0];
    for (let n = 0; n < 25; n += 1) {
      const [dx, dy] = [lengthM - x, -y];
      const length = Math.max(0.05, Math.hypot(dx, dy));
      const meant = Math.min(TOP, Math.sqrt(2 * MU * G * (length + (lies ? 0 : 0.25))));
      const speed = Math.max(0, meant * (1 + normal() * SPEED));
      const rolled = (speed * speed) / (2 * MU * G);
      const angle = Math.atan2(dy, dx) + normal() * AZIMUTH;
      const [ux, uy] = [Math.cos(angle), Math.sin(angle)];
      total += 1;
      // Nearest to the cup on its way.
      const nearest = Math.min(rolled, Math.max(0, (lengthM - x) * ux - y * uy));
      const passes = Math.hypot(x + nearest * ux - lengthM, y + nearest * uy) <= homeM;
      [x, y] = [x + rolled * ux, y + rolled * uy];
      if (lies ? Math.hypot(x - lengthM, y) <= homeM : passes) break;
    }
  }
  return total / goes;
}

describe('a straight hole', () => {
  it.each([
    ['a loop of string', thing('string-loop', 4, 2), true, 0.25 + BALL.radiusM],
    ['a bottle', thing('bottle', 4.5, 2), false, 0.045 + BALL.radiusM],
    ['a plate', thing('paper-plate', 3, 2), true, 0.115 + BALL.radiusM],
  ] as const)('takes as many strokes as balls that roll along lines: %s', (_name, cup, lies, homeM) => {
    const ours = mean(playedOn(floor(), cup)).strokes;
    expect(Math.abs(ours - alongLines(cup.xM - 1, homeM, lies, 20_000))).toBeLessThan(0.08);
  });
  it('is nearer, it takes fewer; is wilder the child, it takes more', () => {
    const of = (xM: number) => mean(playedOn(floor(), thing('string-loop', xM, 2))).strokes;
    expect(of(2)).toBeLessThan(of(4) - 0.2);
    expect(of(4)).toBeLessThan(of(7) - 0.2);
    const wild = mean(playedOn(floor(), thing('string-loop', 4, 2), 1.6)).strokes;
    expect(wild).toBeGreaterThan(of(4) + 0.2);
  });
});

describe('what stands and lies on the way', () => {
  const cup = thing('string-loop', 6, 2);
  const plain = mean(playedOn(floor(), cup));
  it('a chair in the line costs strokes, and two ways round it are told', () => {
    const strokes = playedOn(floor({ obstacles: [thing('chair', 3.5, 2.1)] }), cup);
    expect(mean(strokes).strokes).toBeGreaterThan(plain.strokes + 0.3);
    expect(strokes.told.map(({ way }) => way.side).sort()).toEqual(['left', 'right']);
    // The chair stands a little to the right of the line (y grows downwards), so that the left is nearer.
    expect(strokes.way.side).toBe('left');
  });
  it('a wall across all but a gap on one side leaves the way through the gap', () => {
    const walled = floor({ furniture: [{ name: 'wall', xM: 3.4, yM: 0, widthM: 0.1, depthM: 3.2, kind: 'wall' }] });
    const strokes = playedOn(walled, cup);
    expect(mean(strokes).strokes).toBeGreaterThan(plain.strokes + 0.7);
    const aim = strokes.way.aimFrom(1, 2);
    expect(aim.yM).toBeGreaterThan(3.1);
  });
  it('reeds that must not be crossed are gone round or rolled through at their price; how often is counted', () => {
    const reeds = floor({ zones: [{ name: 'reeds', xM: 3.5, yM: 2, radiusM: 0.4 }] });
    const strokes = playedOn(reeds, cup);
    expect(strokes.told).toHaveLength(3);
    const price = ({ strokes: n, zones }: ReturnType<typeof mean>) => n + zones;
    expect(price(mean(strokes))).toBeGreaterThan(plain.strokes + 0.15);
    expect(price(mean(strokes))).toBeLessThan(plain.strokes + 1.6);
    for (let n = 1; n < strokes.told.length; n += 1) expect(strokes.told[n]!.strokes).toBeGreaterThanOrEqual(strokes.told[n - 1]!.strokes);
  });
  it('an edge close by is touched, an open one is rolled over, and a ball never leaves the floor', () => {
    const beside = { places: { tee: [{ xM: 1, yM: 0.15 }] } };
    const along = thing('string-loop', 6, 0.2);
    expect(mean(playedOn(floor(beside), along)).touches).toBeGreaterThan(plain.touches + 0.1);
    const strokes = playedOn(floor({ ...beside, open: ['top'] }), along);
    const lie = lieAt();
    const draw = random(3);
    for (let go = 0; go < 500; go += 1) {
      strokes.begin(lie);
      for (let n = 0; n < 12 && !lie.home; n += 1) {
        strokes.stroke(lie, draw());
        expect(lie.xM).toBeGreaterThanOrEqual(0);
        expect(lie.xM).toBeLessThanOrEqual(8);
        expect(lie.yM).toBeGreaterThanOrEqual(0);
        expect(lie.yM).toBeLessThanOrEqual(4);
      }
    }
  });
  it('a ramp on the way costs, and a patch of long grass costs', () => {
    expect(mean(playedOn(floor({ obstacles: [thing('ramp', 3.5, 2, { widthM: 2 })] }), cup)).strokes).toBeGreaterThan(plain.strokes + 0.03);
    const grass = floor({ patches: [{ name: 'grass', surface: 'grass', xM: 3, yM: 1, widthM: 1.5, depthM: 2 }] });
    expect(mean(playedOn(grass, cup)).strokes).toBeGreaterThan(plain.strokes + 0.1);
  });
});

describe('the errand of the otter', () => {
  const game = starter('otters-errand');
  const par = (change: (course: Course) => Course, level = 1) => {
    const there = resolveLevel(game, level);
    return forecastSetUp({ ...there, course: change(there.course) }, { ageYears: 8, plays: LONG ? 900 : 300, seed: 3 });
  };
  const shown = par((course) => course);
  const average = ({ histogram, lowestScore, scoreStep }: typeof shown) =>
    histogram.reduce((sum, n, at) => sum + n * (lowestScore + at * scoreStep), 0) / histogram.reduce((sum, n) => sum + n, 0);
  it('is easier without what stands in its way, and harder with the reeds grown wide', () => {
    expect(average(par((course) => ({ ...course, obstacles: [], zones: [] })))).toBeLessThan(average(shown) - 0.4);
    expect(average(par((course) => ({ ...course, zones: [{ name: 'reeds', xM: 3.6, yM: 0.7, radiusM: 0.7 }] })))).toBeGreaterThan(
      average(shown) + 0.1,
    );
  });
  it('tells the ways of the holes that have two, the better first', () => {
    expect(shown.ways.length).toBeGreaterThan(0);
    for (const { ways } of shown.ways) {
      expect(ways.length).toBeGreaterThan(1);
      for (let n = 1; n < ways.length; n += 1) expect(ways[n]!.strokes).toBeGreaterThanOrEqual(ways[n - 1]!.strokes);
    }
  });
});
