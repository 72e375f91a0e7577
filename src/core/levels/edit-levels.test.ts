import { describe, expect, it } from 'vitest';
import { starter, STARTERS } from '../../../tests/examples/starters';
import { changesBetween, gameChanges } from '../rules/telling/changes';
import type { Game } from '../rules/format/game';
import { plain } from '../rules/format/plain';
import { resolveLevel } from '../rules/format/level';
import { plainText, sentencesOf, withSlot } from '../rules/telling/sentences';
import { readGame } from '../rules/format/read-game';
import { withThingAt } from '../course/move';
import { throwerWith } from '../motion/release';
import { forecastLevel } from '../forecast/forecast-level';
import { easierForms, withEasierForm } from './easier-forms';
import { MOST_LEVELS, withLevelAdded, withLevelChange, withLevelMoved, withLevelRemoved, withLevelTo } from './edit-levels';
import { levelChance } from './solve';
import { changedSince, toBeatOf } from './to-beat';

const lamps = starter('harbour-lamps');
const names = (game: Game) => game.levels.map((level) => level.name);
const reads = (game: Game) => {
  const read = readGame(game);
  return read.ok ? [] : read.problems;
};

describe('levels put in, taken out and in another order', () => {
  it('a new level is like the one it was made from, after it, with a name that is free', () => {
    const more = withLevelAdded(lamps, 1);
    expect(names(more)).toEqual(['Paddle', 'Wade', 'Dive', 'Swim']);
    expect(resolveLevel(more, 2).course).toEqual(resolveLevel(lamps, 1).course);
    expect(new Set(more.levels.map((level) => level.id)).size).toBe(4);
    expect(reads(more)).toEqual([]);
  });
  it('six are the most, and the last one stays', () => {
    let game = lamps;
    for (let guard = 0; guard < 9; guard += 1) game = withLevelAdded(game, 0);
    expect(game.levels).toHaveLength(MOST_LEVELS);
    expect(new Set(names(game)).size).toBe(MOST_LEVELS);
    for (let guard = 0; guard < 9; guard += 1) game = withLevelRemoved(game, 0);
    expect(game.levels).toHaveLength(1);
    expect(reads(game)).toEqual([]);
  });
  it('earlier and later, not past the ends', () => {
    expect(names(withLevelMoved(lamps, 2, -1))).toEqual(['Paddle', 'Swim', 'Wade']);
    expect(withLevelMoved(lamps, 0, -1)).toBe(lamps);
    expect(withLevelMoved(lamps, 2, 1)).toBe(lamps);
  });
  it('before or after another; a level that is not there, or itself, changes nothing', () => {
    const [paddle, wade, swim] = lamps.levels.map((level) => level.id) as [string, string, string];
    expect(names(withLevelTo(lamps, paddle, 'after', swim))).toEqual(['Wade', 'Swim', 'Paddle']);
    expect(names(withLevelTo(lamps, swim, 'before', paddle))).toEqual(['Swim', 'Paddle', 'Wade']);
    expect(names(withLevelTo(lamps, paddle, 'before', wade))).toEqual(names(lamps));
    for (const [id, other] of [
      [paddle, paddle],
      [paddle, 'gone'],
      ['gone', paddle],
    ] as const)
      expect(withLevelTo(lamps, id, 'after', other)).toBe(lamps);
  });
});

describe('any slot can be otherwise at one level', () => {
  it.each(STARTERS)('every slot of $id: changed at the middle level only', ({ game }) => {
    const level = resolveLevel(game, 1);
    const slots = sentencesOf(level, 'precise')
      .flat()
      .flatMap((token) => (token.kind === 'slot' && !/^\/?aim$|^\/(card|calls)/.test(token.slot) ? [token] : []));
    for (const { slot, editor } of slots) {
      const value =
        editor.kind === 'number'
          ? editor.value + editor.step <= editor.max
            ? editor.value + editor.step
            : editor.value - editor.step
          : editor.kind === 'choice'
            ? editor.options.find((option) => option.value !== editor.value)?.value
            : `${editor.value} too`.slice(0, editor.maxLength);
      if (value === undefined) continue;
      const changed = withLevelChange(game, 1, (one) => withSlot(one, slot, value));
      expect(reads(changed), slot).toEqual([]);
      const told = (one: Game, index: number) => sentencesOf(resolveLevel(one, index), 'precise').map(plainText).join(' ');
      expect(told(changed, 0), slot).toBe(told(game, 0));
      expect(told(changed, 2), slot).toBe(told(game, 2));
      const played = ({ kit, course, parts, sides }: Game) => plain({ kit, course, parts, sides });
      expect(played(resolveLevel(changed, 1)) === played(withSlot(level, slot, value)), slot).toBe(true);
    }
    expect(slots.length).toBeGreaterThan(0);
  });
  it('what is changed back is no slot of the level any more', () => {
    const there = withLevelChange(lamps, 1, (one) => withSlot(one, 'seconds', 60));
    expect(there.levels[1]!.set).toHaveProperty('/parts/0/clock/s', 60);
    const back = withLevelChange(there, 1, (one) => withSlot(one, 'seconds', lamps.parts[0]!.clock.s));
    expect(back.levels[1]!.set).not.toHaveProperty('/parts/0/clock/s');
  });
  it('the form of the body and the hand are slots of a level, and the forecast knows them', () => {
    const seated = withLevelChange(lamps, 1, (one) => ({ ...one, kit: { ...one.kit, form: 'seated' } }));
    expect(reads(seated)).toEqual([]);
    expect(resolveLevel(seated, 0).kit.form).toBe('standing');
    expect(sentencesOf(resolveLevel(seated, 1), 'precise').map(plainText).join(' ')).toContain('Play it seated');
    expect(levelChance(seated, 1, 8)).toBeLessThan(levelChance(lamps, 1, 8));
    // A child who is said to stand plays a seated level seated; one who always kneels goes on kneeling.
    expect(throwerWith({ form: 'seated' }, { ageYears: 8, form: 'standing' })).toMatchObject({ form: 'seated' });
    expect(throwerWith({ form: 'seated' }, { ageYears: 8, form: 'kneeling' })).toMatchObject({ form: 'kneeling' });
    expect(throwerWith({ hand: 'other' }, { ageYears: 8 })).toMatchObject({ otherHand: true });
    const child = { ageYears: 8 };
    expect(throwerWith({}, child)).toBe(child);
    const other = withLevelChange(lamps, 1, (one) => ({ ...one, kit: { ...one.kit, hand: 'other' } }));
    expect(levelChance(other, 1, 8)).toBeLessThan(levelChance(lamps, 1, 8) - 0.05);
    expect(levelChance(other, 0, 8)).toBeCloseTo(levelChance(lamps, 0, 8), 9);
  });
});

describe('other forms of a level, as full equals', () => {
  it.each(STARTERS)('every form that is offered for $id reads, is a level of its own and differs from the one it was made from', ({ game }) => {
    for (const form of easierForms(game, 1, game.ageYears ?? 8)) {
      const more = withEasierForm(game, 1, form);
      expect(reads(more), form.id).toEqual([]);
      expect(more.levels).toHaveLength(game.levels.length + 1);
      const changes = changesBetween(resolveLevel(more, 1), resolveLevel(more, 2));
      expect(changes.length, form.id).toBeGreaterThan(0);
      for (const old of [0, 1]) expect(JSON.stringify(resolveLevel(more, old).course)).toBe(JSON.stringify(resolveLevel(game, old).course));
    }
  });
  it('throws can be seated or with two hands, rolls kneeling, exercises others, pins fewer, frames counted simply', () => {
    const ids = (id: string) => easierForms(starter(id), 1, 8).map((form) => form.id);
    expect(ids('harbour-lamps')).toEqual(expect.arrayContaining(['seated', 'two-hands', 'other-exercise', 'simple-count', 'nearer', 'bigger']));
    expect(ids('clear-the-jetty')).toEqual(expect.arrayContaining(['seated', 'kneeling']));
    expect(ids('all-ashore')).toContain('fewer-pins');
    expect(ids('loch-frames')).toContain('simple-count');
  });
  it('nearer and bigger are easier', () => {
    for (const id of ['nearer', 'bigger']) {
      const form = easierForms(lamps, 1, 8).find((one) => one.id === id)!;
      expect(levelChance(withEasierForm(lamps, 1, form), 2, 8), id).toBeGreaterThan(levelChance(lamps, 1, 8) + 0.05);
    }
  });
  it('frames that are counted simply have no bonus left: twelve strikes are 12 × 6, not 180', () => {
    const frames = starter('loch-frames');
    const simple = withEasierForm(
      frames,
      1,
      easierForms(frames, 1, 9).find((form) => form.id === 'simple-count')!,
    );
    expect(JSON.stringify(resolveLevel(simple, 2).parts)).not.toMatch(/"carry"|timesCarry/);
    const ask = { ageYears: 9, plays: 300, seed: 1 };
    expect(forecastLevel(simple, 2, ask).par).toBeLessThan(forecastLevel(simple, 1, ask).par);
  });
});

describe('what sets two levels apart', () => {
  const words = (before: Game, after: Game) => changesBetween(before, after).map((change) => `${change.lever}: ${change.words}`);
  it('the distance, in metres, as space', () => {
    const [change, ...rest] = words(resolveLevel(lamps, 0), resolveLevel(lamps, 1));
    expect(change).toMatch(/^space: farther: \d\.\d–\d\.\d m, was \d\.\d–\d\.\d m$/);
    expect(rest).toEqual([]);
  });
  it('a thing as equipment, the time as task, players as people', () => {
    const level = resolveLevel(lamps, 1);
    expect(words(level, resolveLevel(withSlot(lamps, 'target', 'laundry-basket'), 1)).join()).toContain(
      'equipment: 1 laundry basket in place of 1 bucket',
    );
    expect(words(level, resolveLevel(withSlot(lamps, 'seconds', 60), 1)).join()).toMatch(/^task: .*60.*was 80/);
    expect(words(level, { ...level, sides: { n: 2, turn: 'attempt' } })).toEqual(['people: 2 players, was 1']);
    expect(words(level, { ...level, kit: { ...level.kit, form: 'kneeling' } })[0]).toBe('task: kneeling');
  });
  it('nothing, of a level and itself', () => {
    for (const { game } of STARTERS) expect(changesBetween(resolveLevel(game, 1), resolveLevel(game, 1))).toEqual([]);
  });
  it('of two versions of a game: its name, its levels and what moved, told once when it is so at every level', () => {
    const next = withLevelRemoved(
      withThingAt({ ...lamps, title: 'Lamps again' }, 0, { kind: 'target', group: 'aim', index: 0 }, { xM: 5, yM: 1 }),
      2,
    );
    const told = gameChanges(lamps, next);
    expect(told).toContain('now called Lamps again');
    expect(told).toContain('level Swim gone');
    expect(told).toContain('targets elsewhere');
    expect(gameChanges(lamps, lamps)).toEqual([]);
    expect(gameChanges(lamps, withLevelMoved(lamps, 0, 1))).toContain('levels in another order');
    expect(
      gameChanges(
        lamps,
        withLevelChange(lamps, 1, (one) => withSlot(one, 'seconds', 60)),
      ).join(),
    ).toMatch(/^Wade: .*60/);
  });
});

describe('a score to beat', () => {
  const level = resolveLevel(lamps, 1);
  const beat = toBeatOf(level, 41, 'points', 'Ms Tarn', '2026-03-02');
  it('is kept with the set-up with which it was made, in the game file', () => {
    expect(beat.setUp.distancesM).toHaveLength(3);
    expect(beat.setUp.targets).toEqual(['bucket']);
    expect(reads({ ...lamps, levels: lamps.levels.map((one, index) => (index === 1 ? { ...one, toBeat: beat } : one)) })).toEqual([]);
    expect(changedSince(level, beat)).toEqual([]);
  });
  it('says so when the level is no longer what it was made at', () => {
    const farther = withThingAt(lamps, 1, { kind: 'place', group: 'mark', index: 2 }, { xM: 0.4, yM: 3.2 });
    expect(changedSince(resolveLevel(farther, 1), beat)[0]).toMatch(/^made from \d\.\d m, now \d\.\d m$/);
    expect(changedSince(resolveLevel(withSlot(lamps, 'target', 'box'), 1), beat)).toEqual(['made with bucket']);
  });
});
