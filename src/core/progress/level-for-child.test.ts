import { describe, expect, it } from 'vitest';
import { levelForChild, type LevelOfGame } from './level-for-child';

const levels: readonly LevelOfGame[] = [
  { id: 'p', name: 'Paddle', chance: 0.81 },
  { id: 'w', name: 'Wade', chance: 0.56 },
  { id: 's', name: 'Swim', chance: 0.3 },
];
const at = (levelId: string, hits: number, tries: number) => ({ levelId, hits, tries, fromM: [2.5, 2.5] as const, felt: null });

describe('the level of a child', () => {
  it('is the same again while it is neither too hard nor too easy, and says by what', () => {
    expect(levelForChild(levels, at('w', 9, 20), 50)).toEqual({ levelId: 'w', why: '9 of 20 at 2.5 m: Wade again' });
  });
  it('is the next one when it has become easy, the one before when it succeeds too seldom', () => {
    expect(levelForChild(levels, at('w', 19, 20), 0)).toEqual({ levelId: 's', why: '19 of 20 at 2.5 m: Swim, after Wade' });
    expect(levelForChild(levels, at('w', 1, 20), 0)).toEqual({ levelId: 'p', why: '1 of 20 at 2.5 m: Paddle, after Wade' });
    expect(levelForChild(levels, at('s', 30, 30), 0)).toMatchObject({ levelId: 's' });
    expect(levelForChild(levels, at('p', 0, 30), 0)).toMatchObject({ levelId: 'p' });
  });
  it('of a game that was not played is the one of about even chances, where enough is known of other games', () => {
    expect(levelForChild(levels, null, 34)).toEqual({ levelId: 'w', why: 'by 34 tries at other games: Wade, about 6 in 10' });
    expect(levelForChild(levels, null, 3)).toEqual({ levelId: null, why: 'too little is known yet' });
    expect(levelForChild(levels, null, 0)).toEqual({ levelId: null, why: 'nothing is known yet' });
    expect(
      levelForChild(
        levels.map((level) => ({ ...level, chance: null })),
        null,
        34,
      ).levelId,
    ).toBeNull();
  });
  it('follows how it felt where no try is counted', () => {
    const felt = (words: 'hard' | 'easy' | 'right' | null) => levelForChild(levels, { ...at('w', 0, 0), felt: words }, 0);
    expect(felt('hard')).toEqual({ levelId: 'p', why: 'Wade felt hard: Paddle' });
    expect(felt('easy')).toEqual({ levelId: 's', why: 'Wade felt easy: Swim' });
    expect(felt('right')).toEqual({ levelId: 'w', why: 'Wade felt right: again' });
    expect(felt(null)).toEqual({ levelId: 'w', why: 'played at Wade: again' });
  });
  it('of a level that is there no more is as if it had not been played', () => {
    expect(levelForChild(levels, at('gone', 9, 20), 34).levelId).toBe('w');
  });
});
