import { describe, expect, it } from 'vitest';
import { isAimed, levelChance } from '../levels/solve';
import { gapsOf } from '../rules/gaps/gaps';
import { readGame } from '../rules/format/read-game';
import { resolveLevel } from '../rules/format/level';
import { plainText, sentencesOf } from '../rules/telling/sentences';
import { SKILLS } from '../sheet/teaching-points';
import { begun, houseOf, WAYS_OF, type BeginFrom } from './begin';
import { wayById } from './ways';

const PAIRS = SKILLS.flatMap((skill) => WAYS_OF[skill].map((way) => ({ skill, way })));
const asIs = (skill: (typeof SKILLS)[number], id: string): BeginFrom => {
  const way = wayById(id)!;
  return { title: 'Gannet', skill, way: id, implement: way.from.kit.implement, target: null, ageYears: way.from.ageYears ?? 8, floor: null };
};

describe('a game begun from a skill and a way', () => {
  it('has a way for each of the nine skills', () => {
    expect(SKILLS).toHaveLength(9);
    for (const skill of SKILLS) expect(WAYS_OF[skill].length).toBeGreaterThan(0);
  });
  it.each(PAIRS)('$skill, $way: reads, leaves nothing open, and speaks of the movement', ({ skill, way }) => {
    const { game } = begun(asIs(skill, way));
    expect(readGame(game)).toMatchObject({ ok: true });
    expect(gapsOf(game).map(({ kind }) => kind)).toEqual(gapsOf(wayById(way)!.from).map(({ kind }) => kind));
    expect(game.levels.length).toBeGreaterThan(2);
    if (isAimed(game) && skill !== 'gather') expect(game.parts.some(({ stages }) => stages.some(({ technique }) => technique === skill))).toBe(true);
    expect(sentencesOf(resolveLevel(game, 0), 'precise').map(plainText).join(' ').length).toBeGreaterThan(40);
  });
  it.each(PAIRS.filter(({ way }) => isAimed(wayById(way)!.from)))(
    '$skill, $way: children of six and of eleven, with another thing, have the chance that the way was made for, or it says where not',
    ({ skill, way: id }) => {
      const way = wayById(id)!;
      const { targets, balls } = houseOf(way);
      for (const ageYears of [6, 11]) {
        const from = { ...asIs(skill, id), ageYears, target: targets.at(-1) ?? null, implement: balls.at(1) ?? balls[0]! };
        const { game, reached } = begun(from);
        expect(readGame(game), JSON.stringify(from)).toMatchObject({ ok: true });
        const things = game.levels.flatMap((_, level) => Object.values(resolveLevel(game, level).course.targets).flat());
        if (from.target) expect(new Set(things.map(({ object }) => object))).toEqual(new Set([from.target]));
        reached.forEach((isReached, level) => {
          const chance = levelChance(game, level, ageYears);
          const wanted = levelChance(way.from, level, way.from.ageYears ?? ageYears);
          if (isReached) expect(Math.abs(chance - wanted), `${id} level ${level}: ${chance} for ${wanted}`).toBeLessThanOrEqual(0.035);
        });
      }
    },
  );
  it('keeps within another floor, and says which levels that is too short for', () => {
    const { game, reached } = begun({ ...asIs('underarm', 'free-marks'), ageYears: 11, floor: { widthM: 2, depthM: 1.6 } });
    expect(game.course.floor).toMatchObject({ widthM: 2, depthM: 1.6 });
    expect(reached).toContain(false);
    expect(readGame(game)).toMatchObject({ ok: true });
  });
  it('offers things that are hit as the way’s own is: no bottle where a ball must go in', () => {
    const { targets } = houseOf(wayById('free-marks')!);
    expect(targets).toContain('bucket');
    expect(targets.some((id) => /bottle/.test(id))).toBe(false);
    expect(houseOf(wayById('aloft')!).targets).toEqual([]);
  });
});
