import { createRequire } from 'node:module';
import { describe, expect, it } from 'vitest';
import { bentChance } from '../motion/bend';
import { fitBend } from './fit-bend';
import { forGame, ofClass } from './by-family';
import { fitClass, inWeek, type ObservedHits } from './fit';
import { chanceFor } from './held-out';
import { wilson } from './wilson';

const chance = (skill: number) => 1 / (1 + skill ** 3);
const seen = (child: string, hits: number, more: Partial<ObservedHits> = {}): ObservedHits => ({
  child,
  attempts: 40,
  hits,
  chance,
  curve: chance,
  ...more,
});
const children = Array.from({ length: 12 }, (_, n) => `${n}`);

describe('families of movement', () => {
  const { group, children: own } = fitClass(children.flatMap((child) => [seen(child, 20, { family: 'throw' }), seen(child, 8, { family: 'kick' })]));
  it('a class that throws well and kicks wildly is both, and its other movements lie between', () => {
    expect(group.families!.throw!.skill).toBeLessThan(group.skill);
    expect(group.families!.kick!.skill).toBeGreaterThan(group.skill + 0.2);
    expect(group.families!.throw!.attempts).toBe(480);
    expect(own.get('3')!.families!.kick!.skill).toBeGreaterThan(own.get('3')!.families!.throw!.skill);
  });
  it('a game of kicks is forecast with the kicks, one of both with each its own', () => {
    const game = (technique: 'kick' | 'underarm') => ({ parts: [{ stages: [{ technique }] }] }) as unknown as Parameters<typeof forGame>[1];
    expect(forGame(group, game('kick')).skill).toBeCloseTo(group.families!.kick!.skill, 12);
    const thrown = ofClass(game('underarm'), group);
    expect(thrown.skill! * thrown.factors!.kick!).toBeCloseTo(group.families!.kick!.skill, 12);
    expect(thrown.skill! * thrown.factors!.roll!).toBeCloseTo(group.families!.roll!.skill, 12);
    expect(group.families!.roll!.attempts).toBe(0);
    expect(Math.log(group.families!.roll!.high / group.families!.roll!.low)).toBeGreaterThan(
      1.5 * Math.log(group.families!.kick!.high / group.families!.kick!.low),
    );
    expect(ofClass(game('kick'), null)).toEqual({});
  });
});

describe('a trend', () => {
  const learning = (aWeek: number) =>
    fitClass(
      Array.from({ length: 6 }, (_, week) =>
        children.map((child) => seen(child, Math.round(40 * chance(1.2 * Math.exp(aWeek * week))), { week })),
      ).flat(),
    ).group;
  it('is found where the spread falls by 4% a week, and carried on for the next weeks, less and less surely', () => {
    const fitted = learning(-0.04);
    expect(fitted.trend!.aWeek).toBeCloseTo(-0.038, 2);
    expect(fitted.trend!.week).toBe(5);
    expect(fitted.skill).toBeCloseTo(1.2 * Math.exp(-0.2), 1);
    const later = inWeek(fitted, 8);
    expect(later.skill).toBeLessThan(fitted.skill * 0.92);
    expect(later.high / later.low).toBeGreaterThan(fitted.high / fitted.low);
    expect(inWeek(fitted, 40).skill).toBeCloseTo(inWeek(fitted, 9).skill, 12);
    expect(inWeek(fitted, 2)).toBe(fitted);
  });
  it('is none where nothing changes, and nothing is said of one week', () => {
    expect(Math.abs(learning(0).trend!.aWeek)).toBeLessThan(0.01);
    expect(fitClass(children.map((child) => seen(child, 20))).group.trend).toBeUndefined();
  });
});

describe('a bend', () => {
  it('finds the two numbers that bent the chances, drawn a little to none', () => {
    const bend = { a: 0.3, b: 0.6 };
    const found = fitBend(
      [0.1, 0.3, 0.5, 0.7, 0.9].map((p) => ({ chance: p, hits: 2000 * bentChance(p, bend), misses: 2000 * (1 - bentChance(p, bend)) })),
    );
    expect(found.a).toBeCloseTo(0.3, 1);
    expect(found.b).toBeCloseTo(0.6, 1);
    expect(fitBend([])).toEqual({ a: 0, b: 1 });
  });
  it('leaves what is sure and what cannot be', () => {
    expect([bentChance(0, { a: 1, b: 1 }), bentChance(1, { a: -1, b: 1 })]).toEqual([0, 1]);
    expect(bentChance(0.37, { a: 0, b: 1 })).toBeCloseTo(0.37, 12);
  });
});

describe('published checks', () => {
  it('Newcombe 1998, Statistics in Medicine 17: 857–872, table I, method 3: 81 of 263, 15 of 148, 0 of 20, 1 of 29 at 95%', () => {
    const of = (k: number, n: number) => Object.values(wilson(k, n, 1.959964)).map((value) => Number(value.toFixed(4)));
    expect(of(81, 263)).toEqual([0.2553, 0.3662]);
    expect(of(15, 148)).toEqual([0.0624, 0.1605]);
    expect(of(0, 20)).toEqual([0, 0.1611]);
    expect(of(1, 29)).toEqual([0.0061, 0.1718]);
  });
  it('Gauss and Hermite, three nodes (Abramowitz and Stegun, table 25.10: ±1.2247448714, 0): exact for a chance that is a polynomial of the fifth degree', () => {
    const fitted = { skill: 1, low: Math.exp(-1.2815515655446004 * 0.2), high: Math.exp(1.2815515655446004 * 0.2), attempts: 9 };
    // E[½ + ¼x + x² + x⁴] for x normal with standard deviation .2: ½ + .04 + 3 · .0016.
    const polynomial = (skill: number) => 0.5 + 0.25 * Math.log(skill) + Math.log(skill) ** 2 + Math.log(skill) ** 4;
    expect(chanceFor({ child: 'a', attempts: 1, hits: 1, chance: polynomial }, fitted)).toBeCloseTo(0.5 + 0.04 + 3 * 0.0016, 9);
  });
  it('the normal deviate of the middle 80% is that of jstat', () => {
    const { jStat } = createRequire(import.meta.url)('jstat') as { jStat: { normal: { inv: (p: number, mean: number, sd: number) => number } } };
    expect(jStat.normal.inv(0.9, 0, 1)).toBeCloseTo(1.2815515655446004, 6);
  });
});
