import { describe, expect, it } from 'vitest';
import { STARTERS, starter } from '../../../tests/examples/starters';
import { distanceM } from '../course/geometry';
import { resolveLevel } from '../rules/format/level';
import { replay } from '../rules/playing/replay';
import { momentOf, watchGo } from './watch';

describe('a simulated child that is watched', () => {
  it.each(STARTERS)('plays $id legally to its end; child and ball never leave the floor, and the child is never in two places', ({ game }) => {
    const level = resolveLevel(game, 1);
    const watched = watchGo(level, { ageYears: game.ageYears ?? 8 }, 3, 1)!;
    expect(replay(watched.program, watched.events, 'attempts').refused).toEqual([]);
    const { widthM, depthM } = level.course.floor;
    const off: number[] = [];
    for (let t = 0; t <= watched.endMs; t += 20) {
      const now = momentOf(watched, t);
      if (now && ![now.child, now.ball].every(({ xM, yM }) => xM >= 0 && xM <= widthM && yM >= 0 && yM <= depthM)) off.push(t);
    }
    expect(off).toEqual([]);
    const times = watched.tries.flatMap((one) => [one.fromMs, one.toMs]);
    expect([...times].sort((a, b) => a - b)).toEqual(times);
  });
  it('throws from the marks of the level, and a ball that is in comes down in the bucket', () => {
    const level = resolveLevel(starter('harbour-lamps'), 1);
    const { tries } = watchGo(level, { ageYears: 8 }, 3, 1)!;
    expect(tries.length).toBeGreaterThan(5);
    const bucket = level.course.targets['aim']![0]!;
    for (const one of tries) {
      expect(level.course.places['mark']!.some((mark) => distanceM(mark, one.from) < 1e-9)).toBe(true);
      expect(distanceM(one.ends, bucket) < 1e-9).toBe(one.success);
    }
  });
  it('the same child plays the same go again', () => {
    const level = resolveLevel(starter('loch-frames'), 1);
    expect(watchGo(level, { ageYears: 9 }, 3, 7)!.events).toEqual(watchGo(level, { ageYears: 9 }, 3, 7)!.events);
    expect(watchGo(level, { ageYears: 9 }, 3, 8)!.events).not.toEqual(watchGo(level, { ageYears: 9 }, 3, 7)!.events);
  });
});
