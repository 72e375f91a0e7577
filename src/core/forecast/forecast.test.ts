import { starter } from '../../../tests/examples/starters';
import { describe, expect, it } from 'vitest';
import { distancesOf } from '../course/geometry';
import { sensibleStart, withMarks } from '../course/sensible-start';
import { fairPoints } from '../levels/fair-points';
import { solveMarks } from '../levels/solve';
import { compile } from '../rules/playing/compile';
import { start } from '../rules/playing/engine';
import { replay } from '../rules/playing/replay';
import { resolveLevel } from '../rules/format/level';
import { measure } from '../rules/playing/measure';
import type { PlayEvent } from '../rules/format/play';
import { readThrowRules, withThrowRules, type ThrowRules } from '../rules/format/throw-rules';
import { pacedGame, setUpFor } from '../sheet/set-up';
import { stepLengthM } from '../measure/stature';
import { placeChances } from './chances';
import { bandRadii } from './depth';
import type { Game } from '../rules/format/game';
import { forecastLevel as forecastOrNull, type ForecastAsk } from './forecast-level';
import { childTables } from './attempts';
import { simulateGo } from './simulate';

const game = sensibleStart({ title: 'Otter Steps', aim: '', technique: 'underarm', implement: 'sock-ball', target: 'box', ageYears: 8 });
const withRules = (change: Partial<ThrowRules>) => withThrowRules(game, { ...readThrowRules(game)!, ...change });
const ask = { ageYears: 8, plays: 2000, seed: 5 };
const meanChance = (levelIndex: number, ageYears: number) => {
  const places = placeChances(resolveLevel(game, levelIndex), { ageYears });
  return places.reduce((sum, place) => sum + place.chance, 0) / places.length;
};

const forecastLevel = (of: Game, level: number, asked: ForecastAsk) => forecastOrNull(of, level, asked)!;

describe('the forecast of a game', () => {
  it('is the same for the same seed, and nearly the same for another', () => {
    expect(forecastLevel(game, 1, ask)).toEqual(forecastLevel(game, 1, ask));
    const other = forecastLevel(game, 1, { ...ask, seed: 6 });
    expect(Math.abs(other.par - forecastLevel(game, 1, ask).par)).toBeLessThanOrEqual(2);
  });
  it('expects less of a harder level', () => {
    const pars = [0, 1, 2].map((level) => forecastLevel(game, level, ask).par);
    expect(pars[0]).toBeGreaterThan(pars[1]!);
    expect(pars[1]).toBeGreaterThan(pars[2]!);
  });
  it('expects more of older children at the same distances', () => {
    expect(forecastLevel(game, 1, { ...ask, ageYears: 10 }).par).toBeGreaterThan(forecastLevel(game, 1, { ...ask, ageYears: 6 }).par);
  });
  it('counts every play once, with par inside the likely band', () => {
    const forecast = forecastLevel(game, 1, ask);
    expect(forecast.histogram.reduce((sum, count) => sum + count, 0)).toBe(2000);
    expect(forecast.par).toBeGreaterThanOrEqual(forecast.likelyLow);
    expect(forecast.par).toBeLessThanOrEqual(forecast.likelyHigh);
    expect(forecast.chance!.low).toBeLessThan(forecast.chance!.chance);
    expect(forecast.chance!.high).toBeGreaterThan(forecast.chance!.chance);
  });
  it('thirty star jumps after a miss leave time for few throws in a minute (common practice, no published source)', () => {
    const minute = { stop: { kind: 'seconds', s: 60 }, exercise: { what: 'jump like a star', n: 30 } } as const;
    const without = forecastLevel(withRules({ ...minute, afterMiss: 'again' }), 2, ask);
    const jumping = forecastLevel(withRules({ ...minute, afterMiss: 'exercise' }), 2, ask);
    expect(jumping.throws).toBeLessThan(without.throws / 2);
    expect(jumping.exerciseShare).toBeGreaterThan(0.4);
  });
  it('a game of twelve throws has twelve throws', () => {
    expect(forecastLevel(withRules({ stop: { kind: 'attempts', n: 12 } }), 0, ask).throws).toBe(12);
  });
});

describe('a simulated child', () => {
  it('plays only legal plays, whose replay gives the same score', () => {
    for (const change of [
      {},
      { afterMiss: 'back', order: 'fixed', afterHit: 'next' },
      { stop: { kind: 'attempts', n: 10 } },
      { inFlight: 'landed' },
    ] as Partial<ThrowRules>[]) {
      const level = resolveLevel(withRules(change), 1);
      const compiled = compile(level);
      if (!compiled.ok) throw new Error('does not compile');
      const program = compiled.value;
      const tables = childTables(program, { ageYears: 8 });
      const state = start(program);
      for (let play = 0; play < 300; play += 1) {
        const events: PlayEvent[] = [];
        simulateGo(program, tables, state, 9, play, { fetchMs: 0, exerciseMs: 0 }, events);
        const again = replay(program, events);
        expect(again.refused).toEqual([]);
        expect(measure(program, again.state)).toEqual(measure(program, state));
      }
    }
  });
  it('hits as often as the chance says', () => {
    const level = resolveLevel(withRules({ stop: { kind: 'attempts', n: 100 }, afterMiss: 'again' }), 1);
    const compiled = compile(level);
    if (!compiled.ok) throw new Error('does not compile');
    const state = start(compiled.value);
    const tables = childTables(compiled.value, { ageYears: 8 });
    const chances = placeChances(level, { ageYears: 8 }).map((place) => place.chance);
    const [first, second] = Array.from(tables.parts[0]![0]!.pickPlace, (share) => share / 0x1_0000_0000);
    const expected = first! * chances[0]! + (second! - first!) * chances[1]! + (1 - second!) * chances[2]!;
    let hits = 0;
    for (let play = 0; play < 200; play += 1) {
      simulateGo(compiled.value, tables, state, 3, play, { fetchMs: 0, exerciseMs: 0 });
      hits += measure(compiled.value, state).successes;
    }
    expect(Math.abs(hits / 20_000 - expected)).toBeLessThan(0.015);
  });
});

describe('depth over the floor', () => {
  const level = resolveLevel(game, 1);
  it('draws rings that widen as the chance falls', () => {
    const radii = bandRadii(level, { ageYears: 8 });
    expect([...radii].sort((a, b) => b - a)).toEqual(radii);
  });
});

describe('levels solved', () => {
  it('a new game has levels of about 8, 6 and 4 hits in 10', () => {
    [0.8, 0.6, 0.4].forEach((wanted, level) => expect(Math.abs(meanChance(level, 8) - wanted)).toBeLessThan(0.03));
  });
  it('finds the distances for any wanted chance that the floor has room for', () => {
    for (const wanted of [0.9, 0.7, 0.5, 0.3]) {
      const solved = solveMarks(game, 0, wanted, 8);
      expect(solved.reached).toBe(true);
      const moved = placeChances(resolveLevel(withMarks(game, 0, solved.marks), 0), { ageYears: 8 });
      expect(Math.abs(moved.reduce((sum, place) => sum + place.chance, 0) / 3 - wanted)).toBeLessThan(0.03);
    }
  });
  it('says when the floor is too short', () => {
    expect(solveMarks(game, 0, 0.01, 12).reached).toBe(false);
  });
  it('keeps every mark on the floor', () => {
    const { widthM, depthM } = game.course.floor;
    for (const spot of solveMarks(game, 0, 0.05, 12).marks) {
      expect(spot.xM).toBeGreaterThanOrEqual(0);
      expect(spot.xM).toBeLessThanOrEqual(widthM);
      expect(spot.yM).toBeGreaterThanOrEqual(0);
      expect(spot.yM).toBeLessThanOrEqual(depthM);
    }
  });
  it('fair points make no mark the only one worth aiming at', () => {
    const chances = [0.85, 0.6, 0.35];
    const points = fairPoints(chances);
    const worth = points.map((value, index) => value * chances[index]!);
    expect(Math.max(...worth) / Math.min(...worth)).toBeLessThan(1.25);
    expect(points).toEqual([...points].sort((a, b) => a - b));
  });
});

describe('the set-up for a family', () => {
  const level = resolveLevel(game, 1);
  it('says the distances in the steps of the child, in half steps', () => {
    const setUp = setUpFor(level, stepLengthM(8));
    expect(setUp.places.map((place) => place.name)).toEqual(['near', 'middle', 'far']);
    setUp.places.forEach((place) => expect(Math.abs(place.lengthM - place.designM)).toBeLessThanOrEqual(stepLengthM(8) / 4 + 1e-9));
    expect(setUp.directions[1]).toMatch(/^Walk \d+½? steps? away from it\. Put a sock there: the near mark\.$/);
  });
  it('says how wide a thing is where that is told, and what each place of a card is walked away from', () => {
    const wide = {
      ...level,
      course: { ...level.course, targets: { aim: level.course.targets['aim']!.map((target) => ({ ...target, widthM: 0.4 })) } },
    };
    expect(setUpFor(wide, 0.5).things.map((thing) => thing.hint)).toContainEqual(expect.stringMatching(/^About 40 cm wide\. /));
    const regatta = setUpFor(resolveLevel(starter('regatta-day'), 1), 0.5);
    expect(regatta.directions.some((line) => /away from the cardboard box/.test(line))).toBe(true);
    expect(regatta.directions.some((line) => /away from the loop of string/.test(line))).toBe(true);
  });
  it('moves the marks to where the paces really end', () => {
    const paced = pacedGame(level, 0.5);
    distancesOf(paced).forEach((length) => expect(length / 0.25).toBeCloseTo(Math.round(length / 0.25), 6));
  });
  it('always comes with cautions that leave the decision to the adult', () => {
    const { cautions } = setUpFor(level, 0.5);
    expect(cautions.length).toBeGreaterThanOrEqual(6);
    expect(cautions.at(-1)).toContain('the adult with you decides');
  });
});
