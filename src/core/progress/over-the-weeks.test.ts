import { describe, expect, it } from 'vitest';
import { LONG } from '../../../tests/long';
import { chanceOf } from '../forecast/chances';
import { drawUnit, PURPOSE } from '../random/draw';
import { bestSentence, skillSentence, tookPartSentence } from './evening-words';
import { curveOf, type AimedTry, type Tries } from './evidence';
import { changeOver, skillsOverTheWeeks, type TriedInWeek } from './over-the-weeks';

const AIM: AimedTry = { technique: 'underarm', implement: 'sock-ball', target: 'bucket', form: 'standing', otherHand: false, ageYears: 8 };

/** A class of `n` children whose spread is so many times its age's in each week: its tries drawn with the model's own chances. */
function played(skills: readonly number[], n: number, tries: number, seed: number, aim = AIM): TriedInWeek[] {
  return skills.flatMap((skill, week) =>
    Array.from({ length: n }, (_, child): TriedInWeek => ({
      child: `c${child}`,
      week,
      tries: [1.6, 2.4].map((distanceM, mark): Tries => {
        const chanceAt = (one: number) => chanceOf({ ...aim, distanceM, skill: one });
        let hits = 0;
        for (let go = 0; go < tries; go += 1) if (drawUnit(seed, week * 1000 + child * 10 + mark, go, PURPOSE.demo) < chanceAt(skill)) hits += 1;
        return { aim, distanceM, tries, hits, family: 'throw', ...curveOf(chanceAt) };
      }),
    })),
  );
}

describe('a class over its weeks', () => {
  it('is told each skill at one set-up, week by week; the true chance lies in eight intervals of ten', () => {
    const skills = [1.3, 1.15, 1, 0.9];
    let inside = 0;
    let all = 0;
    for (let seed = 1; seed <= (LONG ? 12 : 7); seed += 1) {
      const [skill] = skillsOverTheWeeks(played(skills, 20, 6, seed), {});
      expect(skill).toMatchObject({ aim: { technique: 'underarm' } });
      expect(skill!.weeks.map(({ tries }) => tries)).toEqual([240, 240, 240, 240]);
      for (const [week, { low, high }] of skill!.weeks.entries()) {
        const truth = chanceOf({ ...AIM, distanceM: skill!.distanceM, skill: skills[week]! });
        all += 1;
        if (low <= truth && truth <= high) inside += 1;
      }
    }
    expect(inside / all).toBeGreaterThan(0.68);
    expect(inside / all).toBeLessThan(0.95);
  });

  it('says better only where it surely is, and nothing of a week in which hardly anybody tried', () => {
    const learnt = skillsOverTheWeeks(played([1.6, 0.8], 20, 6, 3), {})[0]!;
    expect(changeOver(learnt)).toBe('better');
    expect(skillSentence(learnt, (week) => `week ${week + 1}`)).toMatch(
      /^With the underarm throw, .+ in 10 succeed from \d\.\d m at a bucket with a sock ball by week 2; .+ surely better\.$/,
    );
    const same = skillsOverTheWeeks(played([1, 1], 20, 6, 4), {})[0]!;
    expect(changeOver(same)).toBe('open');
    expect(skillSentence(same, String)).toMatch(/too near each other/);
    expect(skillsOverTheWeeks(played([1], 1, 5, 5), {})).toEqual([]);
    expect(changeOver(skillsOverTheWeeks(played([1], 20, 6, 6), {})[0]!)).toBe('first');
  });

  it('keeps skills apart, the one that was tried most first', () => {
    const rolled = played([1], 10, 4, 7, { ...AIM, technique: 'roll' });
    const skills = skillsOverTheWeeks([...rolled, ...played([1], 20, 6, 8)], {});
    expect(skills.map(({ aim }) => aim.technique)).toEqual(['underarm', 'roll']);
  });
});

describe('what parents are told', () => {
  it('is a child’s best beside its own first, in a go or many', () => {
    const best = { gameTitle: 'Kelp Kettle', levelName: 'Wade', unit: 'points', first: 3, best: 8, goes: 4 };
    expect(bestSentence(best)).toBe('Kelp Kettle, Wade: from 3 at the first go to 8 points, in 4 goes.');
    expect(bestSentence({ ...best, best: 1, first: 1, goes: 1 })).toBe('Kelp Kettle, Wade: 1 point, in one go so far.');
    expect(bestSentence({ ...best, best: 3, goes: 2 })).toBe('Kelp Kettle, Wade: 3 points at the first go, and not beaten in 1 more.');
  });

  it('says kindly of a child that sent nothing that nothing came, and no more', () => {
    expect(tookPartSentence('Isla M.', 0, 4)).toMatch(/^Nothing of Isla M\. has come in yet\./);
    expect(tookPartSentence('Isla M.', 4, 4)).toBe('Isla M. took part in all 4 weeks so far.');
    expect(tookPartSentence('Isla M.', 1, 1)).toBe('Isla M. took part in the one week so far.');
    expect(tookPartSentence('Isla M.', 2, 4)).toBe('Isla M. took part in 2 of 4 weeks so far.');
  });
});
