/** The forecast over every starter: legal, the same each time, and honest about what cannot be made equal. */
import { describe, expect, it } from 'vitest';
import { childTables } from '@/core/forecast/attempts';
import { forecastLevel } from '@/core/forecast/forecast-level';
import { simulateGo } from '@/core/forecast/simulate';
import { fairAges } from '@/core/levels/fair-points';
import type { Game } from '@/core/rules/format/game';
import { equalSetUp, isAimed, LIKE_TOLERANCE, solveLevel, withPlaces } from '@/core/levels/solve';
import { AIMED, type AimedId } from '@/core/objects/catalogue';
import { fitClass, type Observed } from '@/core/progress/fit';
import { drawUnit, PURPOSE } from '@/core/random/draw';
import { quantile } from '@/core/forecast/pins';
import { SKILL_SPREAD_LN } from '@/core/motion/assumed';
import { compile } from '@/core/rules/playing/compile';
import { start } from '@/core/rules/playing/engine';
import { replay } from '@/core/rules/playing/replay';
import { resolveLevel } from '@/core/rules/format/level';
import { measure } from '@/core/rules/playing/measure';
import type { PlayEvent } from '@/core/rules/format/play';
import { canBe, reachableTotals } from '@/core/rules/playing/totals';
import { chanceOf } from '@/core/forecast/chances';
import { starter, STARTERS } from '../examples/starters';
import { LONG } from '../long';

describe.each(STARTERS)('the simulated child at $id', ({ game }) => {
  it('plays only legal plays, whose replay gives the same score, and whose total can be', () => {
    const level = resolveLevel(game, 1);
    const compiled = compile(level);
    if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
    const program = compiled.value;
    const tables = childTables(program, { ageYears: game.ageYears ?? 8 });
    const totals = reachableTotals(level);
    const state = start(program);
    for (let play = 0; play < (LONG ? 150 : 40); play += 1) {
      const events: PlayEvent[] = [];
      simulateGo(program, tables, state, 4, play, { fetchMs: 0, exerciseMs: 0 }, events);
      const again = replay(program, events);
      expect(again.refused).toEqual([]);
      const { value } = measure(program, state);
      expect(measure(program, again.state).value).toBe(value);
      if (value !== null) expect(canBe(totals, value)).toBe(true);
    }
  });
  it('gives the same figures for the same seed, a par within what is likely, and shares that are shares', () => {
    const ask = { ageYears: game.ageYears ?? 8, plays: LONG ? 300 : 100, seed: 5 };
    const forecast = forecastLevel(game, 1, ask);
    expect(forecastLevel(game, 1, ask)).toEqual(forecast);
    expect(forecast.par).toBeGreaterThanOrEqual(forecast.likelyLow);
    expect(forecast.par).toBeLessThanOrEqual(forecast.likelyHigh);
    for (const share of [forecast.fetchShare, forecast.exerciseShare, forecast.finishShare, forecast.luckShare]) {
      expect(share).toBeGreaterThanOrEqual(0);
      expect(share).toBeLessThanOrEqual(1);
    }
    expect(forecast.seconds).toBeGreaterThan(1);
  });
});

const AIMED_STARTERS = STARTERS.filter(({ game }) => isAimed(game));

describe('the equal set-up of another home', () => {
  it.each(AIMED_STARTERS)('works for $id: within the tolerance, or it says that it cannot', ({ game }) => {
    const level = resolveLevel(game, 1);
    const asked = Object.values(level.course.targets)[0]![0]!.object;
    const thrower = { ageYears: game.ageYears ?? 8 };
    for (const clearM of [1.8, 2.6, 6]) {
      const found = equalSetUp(level, thrower, { have: AIMED[asked].substitutes, clearM, without: [asked] })!;
      expect(found.object).not.toBe(asked);
      expect(found.equal).toBe(found.worst <= LIKE_TOLERANCE);
      for (const place of found.places) expect(place.lengthM).toBeLessThanOrEqual(clearM);
    }
  });
  it('leaves the set-up as it is where the thing is there and the line is long enough', () => {
    const level = resolveLevel(starter('ferry-fares'), 1);
    const found = equalSetUp(level, { ageYears: 8 }, { have: ['bucket'], clearM: 8 })!;
    expect(found).toMatchObject({ object: 'laundry-basket', worst: 0, equal: true });
  });
  it('brings a bucket nearer than a basket, with the same chances', () => {
    const level = resolveLevel(starter('ferry-fares'), 1);
    const found = equalSetUp(level, { ageYears: 8 }, { have: ['bucket'], without: ['laundry-basket'], clearM: 5 })!;
    expect(found.object).toBe('bucket');
    for (const place of found.places) {
      expect(place.lengthM).toBeLessThan(place.designM);
      expect(Math.abs(place.chance - place.designChance)).toBeLessThanOrEqual(LIKE_TOLERANCE);
    }
  });
});

describe('levels solved', () => {
  it.each(AIMED_STARTERS.filter(({ game }) => game.parts.length === 1))('$id: what is reached is what was asked for', ({ game }) => {
    for (const wanted of [0.7, 0.5, 0.3]) {
      const solved = solveLevel(game, 1, wanted, game.ageYears ?? 8);
      if (solved.reached) expect(Math.abs(solved.chance - wanted)).toBeLessThanOrEqual(0.02);
      expect(compile(resolveLevel(withPlaces(game, 1, solved.places), 1)).ok).toBe(true);
    }
  });
  it('says for which ages points are fair', () => {
    const game = starter('ferry-fares');
    const [part] = game.parts;
    const worth = (value: readonly number[]): Game => ({
      ...game,
      parts: [{ ...part!, groups: { ...part!.groups, mark: { ...part!.groups['mark']!, value } } }],
    });
    expect(fairAges(worth([2, 3, 5]), 1)).toContain(8);
    expect(fairAges(worth([1, 1, 9]), 1)).toEqual([]);
  });
});

describe('how steady a class is', () => {
  const observed = (target: AimedId, distanceM: number) => {
    const known = new Map<number, number>();
    return (skill: number) => {
      const key = Math.round(skill * 200) / 200;
      let chance = known.get(key);
      if (chance === undefined)
        known.set(key, (chance = chanceOf({ technique: 'underarm', implement: 'sock-ball', target, distanceM, ageYears: 8, skill: key })));
      return chance;
    };
  };
  const setUps = [observed('box', 2), observed('bucket', 1.5)];
  it('without attempts is what is assumed', () => {
    const { group } = fitClass([]);
    expect(group.skill).toBeCloseTo(1, 2);
    expect(group.low).toBeLessThan(0.8);
  });
  it('more hits mean a steadier child, drawn to the class where there are few attempts', () => {
    const chance = setUps[0]!;
    const few = fitClass([{ child: 'a', attempts: 4, hits: 4, chance }]).children.get('a')!;
    const many = fitClass([{ child: 'a', attempts: 60, hits: 58, chance }]).children.get('a')!;
    expect(many.skill).toBeLessThan(few.skill);
    expect(many.high - many.low).toBeLessThan(few.high - few.low);
  });
  it('lies in its stated 80% interval for as many of the classes drawn from the prior as that says', () => {
    // Two and a half standard deviations of so many draws either way.
    const [classes, least, most] = LONG ? [200, 145, 174] : [80, 55, 73];
    let within = 0;
    for (let n = 0; n < classes; n += 1) {
      const mean = 0.25 * quantile(drawUnit(31, n, 0, PURPOSE.skill));
      const list: Observed[] = [];
      const logs = Array.from({ length: 20 }, (_, child) => mean + SKILL_SPREAD_LN * quantile(drawUnit(31, n, child + 1, PURPOSE.skill)));
      // Twelve of the twenty of the class have reported; the interval is of the mean of all.
      const truth = logs.reduce((sum, one) => sum + one, 0) / logs.length;
      for (let child = 0; child < 12; child += 1) {
        const skill = Math.exp(logs[child]!);
        for (const [which, chance] of setUps.entries()) {
          let hits = 0;
          for (let attempt = 0; attempt < 8; attempt += 1) if (drawUnit(n, child, attempt * 2 + which, PURPOSE.outcome) < chance(skill)) hits += 1;
          list.push({ child: `${child}`, attempts: 8, hits, chance });
        }
      }
      const { group } = fitClass(list);
      if (Math.log(group.low) <= truth && truth <= Math.log(group.high)) within += 1;
    }
    expect(within).toBeGreaterThanOrEqual(least);
    expect(within).toBeLessThanOrEqual(most);
  }, 300_000);
});
