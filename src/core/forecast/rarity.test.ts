import { describe, expect, it } from 'vitest';
import { starter } from '../../../tests/examples/starters';
import type { Game } from '../rules/format/game';
import { resolveLevel } from '../rules/format/level';
import { forecastSetUp } from './forecast-level';
import { rareInSteps, type KnownRarity, type RarityAsk } from './rarity';

const ask: RarityAsk = { ageYears: 8, classSkill: 1, attempts: 200, seed: 11 };

/** Whether it is rare, and in how many steps that was found. */
function asked(level: Game, score: number, known: KnownRarity = { commonTo: null, rareFrom: null }, of = ask): { rare: boolean; steps: number } {
  const going = rareInSteps(level, of, score, known);
  let steps = 0;
  for (let step = going.next(); ; step = going.next()) {
    if (step.done) return { rare: step.value, steps };
    steps += 1;
  }
}

describe('a score that is hardly ever made', () => {
  const points = resolveLevel(starter('harbour-lamps'), 1);
  const { par, likelyHigh } = forecastSetUp(points, { ageYears: 8, plays: 2000, seed: 3 });

  it('is none that is likely, and is found at once for those', () => {
    for (const score of [par, likelyHigh]) expect(asked(points, score)).toMatchObject({ rare: false });
    expect(asked(points, par).steps).toBeLessThan(2);
  });

  it('is told by the same plays every time, and every better score is rare too', () => {
    const all = Array.from({ length: 5 }, (_, n) => asked(points, likelyHigh + 22 * n).rare);
    for (const n of [0, 4]) expect(asked(points, likelyHigh + 22 * n).rare).toBe(all[n]);
    expect(all.at(-1)).toBe(true);
    const first = all.indexOf(true);
    expect(all.slice(first).every(Boolean)).toBe(true);
    expect(all.slice(0, first).some(Boolean)).toBe(false);
  });

  it('is less rare in a steadier class', () => {
    const score = likelyHigh + 24;
    const rareFor = (classSkill: number) => asked(points, score, undefined, { ...ask, classSkill }).rare;
    if (!rareFor(0.5)) expect(rareFor(1.6)).toBe(true);
    expect([rareFor(1.6), rareFor(0.5)]).not.toEqual([false, true]);
  });

  it('is remembered: what is as good as a rare score, or no better than a common one, takes no further play', () => {
    const known: KnownRarity = { commonTo: null, rareFrom: null };
    expect(asked(points, par, known).rare).toBe(false);
    expect(asked(points, 900, known).rare).toBe(true);
    expect(asked(points, par - 3, known)).toEqual({ rare: false, steps: 0 });
    expect(asked(points, 950, known)).toEqual({ rare: true, steps: 0 });
  });

  it('is a low one where fewer strokes or seconds win', () => {
    const strokes = resolveLevel(starter('oilskin-dash'), 0);
    const likely = forecastSetUp(strokes, { ageYears: 8, plays: 1000, seed: 3 });
    expect(asked(strokes, likely.par).rare).toBe(false);
    expect(asked(strokes, 1).rare).toBe(true);
    expect(asked(strokes, 10 * likely.par).rare).toBe(false);
  });

  it('is called so for no class with fewer than 36 tries', () => {
    expect(asked(points, 900, undefined, { ...ask, attempts: 35 })).toEqual({ rare: false, steps: 0 });
  });
});
