import { describe, expect, it } from 'vitest';
import { chanceOf } from '../forecast/chances';
import { ROLLING } from '../motion/assumed';
import { rolledMu } from '../motion/ground';
import { evidenceOfTest, testMarks, type TestedTries } from './class-test';
import { TESTED, TESTED_FAMILIES } from './tested';
import { fitClass } from './fit';

describe('the marks of a class test', () => {
  it('are two for every movement and age, where between three and nine tries in ten hit, and farther for older children', () => {
    for (const family of TESTED_FAMILIES) {
      const byAge = [5, 7, 9, 11].map((age) => [age, testMarks(family, age)] as const);
      for (const [ageYears, marks] of byAge) {
        expect(marks[1]).toBeGreaterThanOrEqual(marks[0] + 0.4 - 1e-9);
        for (const distanceM of marks) {
          const chance = chanceOf({ ...TESTED[family], distanceM, ageYears });
          expect(chance, `${family} ${ageYears} ${distanceM}`).toBeGreaterThan(0.29);
          expect(chance, `${family} ${ageYears} ${distanceM}`).toBeLessThan(0.91);
        }
      }
      const middles = byAge.map(([, [near, far]]) => near + far);
      for (let at = 1; at < middles.length; at += 1) expect(middles[at]!, family).toBeGreaterThanOrEqual(middles[at - 1]!);
    }
  });
});

describe('what a class test tells', () => {
  const marksM = testMarks('throw', 8);
  const tests = (hits: (child: number, mark: number) => number): TestedTries[] =>
    Array.from({ length: 24 }, (_, child) =>
      [0, 1].map((mark): TestedTries => ({ child: `${child}`, ageYears: 8, mark, tries: 3, hits: hits(child, mark) })),
    ).flat();
  it('calibrates a class by itself: 144 tries, the family it was of, a child that hit more is steadier', () => {
    const { group, children } = fitClass(
      evidenceOfTest({
        family: 'throw',
        marksM,
        week: 7,
        rolled: null,
        tries: tests((child, mark) => Math.min(3, (mark === 0 ? 2 : 1) + (child < 3 ? 1 : 0))),
      }),
    );
    expect(group.attempts).toBe(144);
    expect(group.families!.throw!.attempts).toBe(144);
    expect(group.families!.kick!.attempts).toBe(0);
    expect(children.get('0')!.skill).toBeLessThan(children.get('9')!.skill);
  });
  it('says nothing of a child without tries', () => {
    expect(
      evidenceOfTest({ family: 'throw', marksM, week: 7, rolled: null, tries: [{ child: 'a', ageYears: 8, mark: 0, tries: 0, hits: 0 }] }),
    ).toEqual([]);
  });
});

describe('a ball let roll off a book', () => {
  it('worked by hand: a tennis ball, hollow, off 3 cm, rolls 0.82 m: µ = 0.03 / (5/3 · 0.82) = 0.022, that of a hard floor', () => {
    expect(rolledMu({ heightM: 0.03, lengthM: 0.82 }, { hollow: true })).toBeCloseTo(ROLLING.hard.firm, 3);
  });
  it('a solid ball off the same book is quicker and rolls farther on the same floor: 7/5 against 5/3', () => {
    expect(rolledMu({ heightM: 0.03, lengthM: (0.82 * (5 / 3)) / (7 / 5) }, {})).toBeCloseTo(
      rolledMu({ heightM: 0.03, lengthM: 0.82 }, { hollow: true }),
      12,
    );
  });
});
