import { describe, expect, it } from 'vitest';
import { STARTERS } from '../../../tests/examples/starters';
import { GIVE, GROUND, ROLLING, TECHNIQUE_SPREAD, THROWN } from '../motion/assumed';
import { AIMED, IMPLEMENTS } from '../objects/catalogue';
import { resolveLevel } from '../rules/format/level';
import { whereFrom, whereFromTry, windFrom } from './where-from';

describe('where is this from', () => {
  it.each(STARTERS.map(({ id, game }) => [id, game] as const))(
    '%s: every line has a value and a source, and each figure is told once',
    (_id, game) => {
      game.levels.forEach((__, index) => {
        const level = resolveLevel(game, index);
        const lines = whereFrom(level, 8, null);
        expect(new Set(lines.map(({ what }) => what)).size).toBe(lines.length);
        for (const { what, value, source } of lines) {
          expect(value, what).not.toMatch(/NaN|undefined|Infinity/);
          expect(source, what).toMatch(/assumed|rigid bodies|ITF|ITTF|Laws of the Game/);
        }
        const told = lines.map(({ what, value, source }) => `${what} ${value} ${source}`).join('\n');
        for (const { stages } of level.parts)
          for (const stage of stages) {
            const thrown = THROWN[stage.technique];
            if (thrown) expect(told).toContain(`${TECHNIQUE_SPREAD[thrown].azimuthDeg}° to the side`);
            if (GROUND[stage.technique] && stage.technique !== 'lift')
              expect(told).toMatch(
                new RegExp(
                  Object.values(ROLLING[level.course.floor.surface])
                    .map((mu) => `µ ${mu}`)
                    .join('|'),
                ),
              );
            if (stage.see === 'felled') expect(told).toContain('not checked against real pins');
          }
      });
    },
  );
  it('the bounce, the basket and the ITF’s rebound are told with a tennis ball at a box', () => {
    const lines = whereFromTry(
      { technique: 'underarm', implement: 'tennis-ball', target: 'box', form: 'seated', otherHand: true, ageYears: 7 },
      null,
    );
    const of = (what: RegExp) => lines.find((line) => what.test(line.what))!;
    expect(of(/tennis ball/).source).toBe(IMPLEMENTS['tennis-ball'].source);
    expect(of(/stays in/).value).toContain(`${Math.round(100 * GIVE[AIMED.box.give!].wall)}%`);
    expect(of(/other hand/).value).toBe('1.80 times the spread');
    expect(of(/seated/).value).toBe('1.15 times');
  });
  it('the wind that tips what stands is told with its sources', () => {
    for (const { value, source } of windFrom()) {
      expect(value).not.toBe('');
      expect(source).toMatch(/assumed|Standard Atmosphere/);
    }
  });
  it('a class that has reported is told with its tries, its change and its bend', () => {
    const fitted = {
      skill: 0.8,
      low: 0.7,
      high: 0.9,
      attempts: 400,
      families: { throw: { skill: 0.75, low: 0.7, high: 0.8, attempts: 300 } },
      trend: { aWeek: -0.03, sd: 0.01, week: 4 },
      bend: { a: 0.1, b: 0.8 },
    };
    const lines = whereFromTry(
      { technique: 'underarm', implement: 'sock-ball', target: 'bucket', form: 'standing', otherHand: false, ageYears: 8 },
      fitted,
    );
    expect(lines.find(({ what }) => what.startsWith('This class'))).toMatchObject({
      value: '0.75 times the spread of its age (0.70 to 0.80)',
      source: '300 tries that it reported',
    });
    expect(lines.map(({ what }) => what)).toEqual(expect.arrayContaining(['Its change a week', 'Bend of its chances']));
  });
});
