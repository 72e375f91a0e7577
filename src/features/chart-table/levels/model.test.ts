import { describe, expect, it } from 'vitest';
import { forecastLevel } from '@/core/forecast/forecast-level';
import { withLevelAdded } from '@/core/levels/edit-levels';
import { toBeatOf } from '@/core/levels/to-beat';
import { resolveLevel } from '@/core/rules/format/level';
import { starter } from '../../../../tests/examples/starters';
import { beatWords, differenceWords, distancesText, hasChoice, likelyWords, reachWords, readDistances, remarksOf, withMoveUpAt } from './model';

const lamps = starter('harbour-lamps');
const of = (level: number) => resolveLevel(lamps, level);
const forecast = forecastLevel(lamps, 0, { seed: 1, plays: 200, ageYears: 8 });

describe('what the level strip says', () => {
  it('tells how far the marks are, in metres and in steps, once where they are alike', () => {
    expect(reachWords([1.9, 1.28, 2.69], 0.55)).toEqual({ metres: '1.3–2.7 m', steps: '2½ to 5 steps' });
    expect(reachWords([2, 2.01], 0.5)).toEqual({ metres: '2.0 m', steps: '4 steps' });
    expect(reachWords([], 0.5)).toBeNull();
  });

  it('reads lengths as it writes them, and none as none', () => {
    const lengths = readDistances(distancesText(of(0)));
    expect(lengths.length).toBeGreaterThan(1);
    expect(lengths.join(' ')).toBe(distancesText(of(0)));
    expect(readDistances('')).toEqual([]);
  });

  it('tells what sets a level apart from the one before it, at most two things', () => {
    expect(differenceWords(lamps, 0)).toBe('');
    const like = withLevelAdded(lamps, 0);
    expect(differenceWords(like, 1)).toBe(`the same as ${like.levels[0]!.name}`);
    expect(differenceWords(starter('letter-tide'), 1)).toBe('40 seconds, was 60');
    expect(differenceWords(starter('squall'), 1)).toBe('45 seconds, was 30');
    // How far the marks are stands above already.
    expect(differenceWords(lamps, 1)).toBe('');
  });

  it('knows where points can be made fair: among marks of different worth', () => {
    expect(hasChoice(lamps)).toBe(true);
    expect(hasChoice(starter('lily-pads'))).toBe(false);
  });

  it('sets a score to move up at this level only, and takes it away again', () => {
    const set = withMoveUpAt(lamps, 0, 30);
    expect(set.levels.map((level) => level.moveUpAt)).toEqual([30, ...lamps.levels.slice(1).map((level) => level.moveUpAt)]);
    expect(withMoveUpAt(set, 0, null).levels[0]).not.toHaveProperty('moveUpAt');
  });

  it('says what is likely: scores, throws and time; one throw is one', () => {
    expect(likelyWords({ ...forecast, likelyLow: 3, likelyHigh: 9, throws: 1.2, seconds: 90 }, true)).toBe('likely 3 to 9 · 1 throw · 90 s a go');
    expect(likelyWords({ ...forecast, likelyLow: 3, likelyHigh: 9, throws: 8, seconds: 150 }, false)).toBe('likely 3 to 9 · 8 tries · 2.5 min a go');
  });

  it('says how many come to the end and how far pins can be trusted, where that is worth a word', () => {
    const sure = { ...forecast, parLow: forecast.par, parHigh: forecast.par };
    expect(remarksOf({ ...sure, parLow: 30, parHigh: 51, places: [], finishShare: 1, rough: 'none' }, '')).toEqual(['par 30 to 51']);
    expect(remarksOf({ ...sure, places: [], finishShare: 1, rough: 'none' }, '')).toEqual([]);
    expect(remarksOf({ ...sure, places: [], finishShare: 0.62, rough: 'all' }, 'farther')).toEqual([
      '6 in 10 get to the end',
      'pins are rough figures',
      'farther',
    ]);
  });

  it('tells the score to beat with where it was made, and what has changed since', () => {
    const there = of(0);
    expect(beatWords(there, lamps.levels[0]!)).toBe('');
    const toBeat = toBeatOf(there, 41, 'points', 'Ms Tarn', '2026-11-20');
    const far = Math.max(...toBeat.setUp.distancesM).toFixed(1);
    expect(beatWords(there, { ...lamps.levels[0]!, toBeat })).toBe(`to beat 41 (Ms Tarn, from ${far} m)`);
    expect(beatWords(of(1), { ...lamps.levels[1]!, toBeat })).toMatch(new RegExp(`^to beat 41 .*: made from ${far} m, now \\d\\.\\d m$`));
  });
});
