import { describe, expect, it } from 'vitest';
import { resolveLevel } from '@/core/rules/format/level';
import { starter } from '../../../tests/examples/starters';
import { asMine, firstPicked, firstShown, keyMeans, levelAt, saidOf, shownOf, withToBeat } from './table-model';
import { savedWords } from '@/ui/use-autosave';

const lamps = starter('harbour-lamps');
const free = { ctrl: false, shift: false, alt: false };

describe('the chart table when it is opened', () => {
  it('shows the level that is asked for, else the second, else the only one', () => {
    expect(firstShown(lamps, lamps.levels[2]!.id)).toBe(2);
    expect(firstShown(lamps, 'gone')).toBe(1);
    expect(firstShown({ ...lamps, levels: lamps.levels.slice(0, 1) }, undefined)).toBe(0);
  });
  it('stays the same level wherever it is moved; where it is gone, the one in its place', () => {
    const swim = levelAt(lamps, 2);
    expect(shownOf({ ...lamps, levels: lamps.levels.toReversed() }, swim)).toBe(0);
    expect(shownOf({ ...lamps, levels: lamps.levels.slice(0, 2) }, swim)).toBe(1);
    expect(shownOf({ ...lamps, levels: lamps.levels.slice(1) }, levelAt(lamps, 0))).toBe(0);
  });

  it('takes hold of the middle mark of the first group; of nothing where there is no mark', () => {
    expect(firstPicked(resolveLevel(lamps, 0))).toMatchObject([{ kind: 'place', index: 1 }]);
    const bare = resolveLevel(lamps, 0);
    expect(firstPicked({ ...bare, course: { ...bare.course, places: {} } })).toEqual([]);
  });
});

describe('keys of the whole page', () => {
  it('show a level that there is, the list of keys, the tape; undo and redo', () => {
    expect(keyMeans('2', free, false, 3)).toEqual({ do: 'show', level: 1 });
    expect(keyMeans('4', free, false, 3)).toBeNull();
    expect(keyMeans('0', free, false, 3)).toBeNull();
    expect(keyMeans('?', { ...free, shift: true }, false, 3)).toEqual({ do: 'keys' });
    expect(keyMeans('m', free, false, 3)).toEqual({ do: 'tape' });
    expect(keyMeans('z', { ...free, ctrl: true }, false, 3)).toEqual({ do: 'undo' });
    expect(keyMeans('Z', { ...free, ctrl: true, shift: true }, false, 3)).toEqual({ do: 'redo' });
  });

  it('are letters while something is typed, and the browser’s with Ctrl or Alt', () => {
    for (const key of ['2', '?', 'm']) {
      expect(keyMeans(key, free, true, 3)).toBeNull();
      expect(keyMeans(key, { ...free, ctrl: true }, false, 3)).toBeNull();
      expect(keyMeans(key, { ...free, alt: true }, false, 3)).toBeNull();
    }
    expect(keyMeans('z', { ...free, ctrl: true }, true, 3)).toBeNull();
  });
});

describe('what is said and kept', () => {
  it('tells chance and par of a level; a game without a chance has par alone', () => {
    expect(saidOf('Wade', { chance: { chance: 0.58, low: 0.5, high: 0.7, distanceM: 2 }, par: 23 })).toBe('Wade: about 6 hits in 10, par 23.');
    expect(saidOf('Wade', { chance: null, par: 23 })).toBe('Wade: par 23.');
  });

  it('names a game of one’s own within the longest title', () => {
    expect(asMine({ ...lamps, title: 'x'.repeat(60) }).title).toMatch(/^x+ \(mine\)$/);
    expect(asMine({ ...lamps, title: 'x'.repeat(60) }).title.length).toBeLessThanOrEqual(60);
  });

  it('writes a score to beat to its level with the set-up as it stands', () => {
    const { levels } = withToBeat(lamps, 1, { value: 41, unit: 'points' }, 'Ms Tarn', '2026-11-27');
    expect(levels[1]!.toBeat).toMatchObject({ value: 41, by: 'Ms Tarn', on: '2026-11-27', setUp: { implement: lamps.kit.implement } });
    expect(levels[0]!.toBeat).toEqual(lamps.levels[0]!.toBeat);
  });

  it('says whether it is saved', () => {
    const said = (state: Parameters<typeof savedWords>[0]) => savedWords(state, (at) => at.slice(11, 16));
    expect(said({ kind: 'saved', at: null })).toBe('saved');
    expect(said({ kind: 'saved', at: '2026-11-27T09:05:00Z' })).toBe('saved 09:05');
    expect(said({ kind: 'changed', at: null })).toBe('saving …');
    expect(said({ kind: 'saving' })).toBe('saving …');
    expect(said({ kind: 'waiting', problem: 'No connection.' })).toBe('not saved yet: No connection.');
    expect(said({ kind: 'conflict', problem: 'x' })).toBe('not saved');
  });
});
