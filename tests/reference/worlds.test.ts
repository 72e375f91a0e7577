/** What the guide claims of worlds that share no code with the model; `npm run worlds` plays many more classes and writes the table. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { heldAgainst, testedClasses, WORLDS, type WorldFigures } from './worlds';
import { LONG } from '../long';

const CLASSES = LONG ? 200 : 5;
const of = (name: string): WorldFigures =>
  heldAgainst(
    WORLDS.find((world) => world.name === name)!,
    CLASSES,
  );

describe('worlds', { timeout: 900_000 }, () => {
  it('in the world that the model assumes chances are forecast within a few points, far better than by the age alone, and par is reached by about half', () => {
    const own = of('own');
    own.rmse.forEach((one, at) => expect(one).toBeLessThan(own.ageRmse[at]! / 2));
    for (const one of own.bias) expect(Math.abs(one)).toBeLessThan(LONG ? 1.5 : 3);
    for (const share of own.coverage) expect(share).toBeGreaterThan(LONG ? 0.7 : 0.3);
    expect(own.par.size).toBeLessThan(0.8);
    expect(own.par.reached).toBeGreaterThan(0.45);
    expect(own.par.reached).toBeLessThan(0.68);
    expect(own.alarms.any).toBeLessThanOrEqual(LONG ? 0.05 : 0.25);
  });
  it('a class that learns is noticed, and its par goes along', () => {
    const learning = of('learning');
    expect(learning.alarms.trend).toBeGreaterThan(0.6);
    expect(Math.abs(learning.par.bias)).toBeLessThan(0.4);
    expect(learning.par.reached).toBeLessThan(0.68);
  });
  it('scores that are told too high are noticed in most classes, and tails that are heavy in many', () => {
    expect(of('inflated').alarms.any).toBeGreaterThan(LONG ? 0.6 : 0.4);
    expect(of('heavy tails').alarms.any).toBeGreaterThan(LONG ? 0.4 : 0.1);
  });
  it('a class test of six throws a child, before any week, more than halves the error of the age alone, near and far', () => {
    const { byAge, byTest } = testedClasses(LONG ? 400 : 40);
    if (LONG)
      process.stdout.write(
        `by age ${byAge.map((one) => one.toFixed(1)).join(' / ')}, by the test ${byTest.map((one) => one.toFixed(1)).join(' / ')}\n`,
      );
    byTest.forEach((one, at) => expect(one).toBeLessThan(byAge[at]! / 2));
    expect(byTest[1]).toBeLessThan(LONG ? 5 : 6);
  });
  it('the guide has a line for every world', () => {
    const guide = readFileSync(join(import.meta.dirname, '../../docs/guide/how-far-to-trust-it.md'), 'utf8');
    for (const { name, says } of WORLDS) expect(guide).toContain(`| **${name}**: ${says} `);
  });
});
