import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { distancesOf, marksOf, targetOf } from '@/core/course/geometry';
import { withLocked } from '@/core/course/change';
import { sensibleStart } from '@/core/course/sensible-start';
import { AIMED } from '@/core/objects/catalogue';
import { resolveLevel } from '@/core/rules/format/level';
import { readGame } from '@/core/rules/format/read-game';
import { jointsOf, MOVEMENTS } from '@/core/sheet/movements';
import { lookForsOf, SKILLS, teachingPoints } from '@/core/sheet/teaching-points';
import { beginDraft, changeDraft, type DraftAction, type DraftHistory } from '@/features/chart-table/draft';
import { TrueClock } from '@/features/counter/true-clock';
import { starter } from '../examples/starters';

describe('unhappy at home: the clock of the counter', () => {
  afterEach(() => vi.restoreAllMocks());
  const page = Object.assign(new EventTarget(), { hidden: false });
  beforeEach(() => vi.stubGlobal('document', page));
  afterEach(() => vi.unstubAllGlobals());
  const clocks = () => {
    let performanceNow = 1000;
    let dateNow = 50_000;
    vi.spyOn(performance, 'now').mockImplementation(() => performanceNow);
    vi.spyOn(Date, 'now').mockImplementation(() => dateNow);
    return {
      pass: (performanceMs: number, dateMs: number) => {
        performanceNow += performanceMs;
        dateNow += dateMs;
      },
    };
  };
  /** The page goes out of sight, time passes, and it is seen again. */
  const unseen = (work: () => void) => {
    const seen = (hidden: boolean) => {
      page.hidden = hidden;
      page.dispatchEvent(new Event('visibilitychange'));
    };
    seen(true);
    work();
    seen(false);
  };
  it('goes on while the device sleeps and only the calendar clock runs', () => {
    const { pass } = clocks();
    const clock = new TrueClock();
    pass(2000, 2000);
    expect(clock.read()).toBe(2000);
    unseen(() => pass(100, 30_000));
    expect(clock.read()).toBe(32_000);
  });
  it('does not go back when somebody sets the calendar clock back, nor on when it is set forward', () => {
    const { pass } = clocks();
    const clock = new TrueClock();
    pass(1500, -3_600_000);
    expect(clock.read()).toBe(1500);
    pass(1500, 86_400_000);
    expect(clock.read()).toBe(3000);
    pass(1000, 60_000);
    expect(clock.read()).toBe(4000);
    // A day's jump while nobody looks is not believed either.
    unseen(() => pass(1000, 86_400_000));
    expect(clock.read()).toBe(5000);
  });
  it('begins where a go that was cut off left it', () => {
    const { pass } = clocks();
    const clock = new TrueClock(41_000);
    pass(500, 500);
    expect(clock.read()).toBe(41_500);
  });
});

describe('the draft on the chart table', () => {
  const game = sensibleStart({ title: 'Otter Steps', aim: '', technique: 'underarm', implement: 'sock-ball', target: 'box', ageYears: 8 });
  const after = (...actions: DraftAction[]): DraftHistory => actions.reduce(changeDraft, beginDraft(game, 8));
  const lengths = (history: DraftHistory, level: number) => distancesOf(resolveLevel(history.now.game, level));

  it('a typed length moves one mark of one level along its own line', () => {
    const typed = after({ do: 'set-distance', level: 1, group: 'mark', mark: 2, distanceM: 2 });
    expect(lengths(typed, 1)[2]).toBeCloseTo(2, 2);
    expect(lengths(typed, 1).slice(0, 2)).toEqual(lengths(beginDraft(game, 8), 1).slice(0, 2));
    expect(lengths(typed, 0)).toEqual(lengths(beginDraft(game, 8), 0));
  });
  it('a mark never leaves the floor', () => {
    const moved = after({ do: 'move', level: 0, thing: { kind: 'place', group: 'mark', index: 0 }, to: { xM: -3, yM: 99 } });
    const mark = marksOf(resolveLevel(moved.now.game, 0))[0]!;
    expect(mark.xM).toBeGreaterThan(0);
    expect(mark.yM).toBeLessThan(game.course.floor.depthM);
  });
  it('a whole drag is one step of undo', () => {
    const dragged = after(
      { do: 'drag-start' },
      { do: 'move', level: 0, thing: { kind: 'place', group: 'mark', index: 0 }, to: { xM: 3, yM: 1 } },
      { do: 'move', level: 0, thing: { kind: 'place', group: 'mark', index: 0 }, to: { xM: 2, yM: 1 } },
      { do: 'drag-end' },
    );
    expect(dragged.past).toHaveLength(1);
    const undone = changeDraft(dragged, { do: 'undo' });
    expect(undone.now.game).toBe(game);
    expect(changeDraft(undone, { do: 'redo' }).now).toBe(dragged.now);
  });
  it('a click that moves nothing leaves nothing to undo', () => {
    expect(after({ do: 'drag-start' }, { do: 'drag-end' }).past).toHaveLength(0);
  });
  it('what was undone can be done again after a thing was pressed without being moved', () => {
    const moved = after({ do: 'floor', widthM: 4, depthM: 3 });
    const undone = changeDraft(moved, { do: 'undo' });
    const pressed = changeDraft(changeDraft(undone, { do: 'drag-start' }), { do: 'drag-end' });
    expect(changeDraft(pressed, { do: 'redo' }).now).toBe(moved.now);
    const during = changeDraft(changeDraft(undone, { do: 'drag-start' }), { do: 'redo' });
    expect(during.now).toBe(moved.now);
  });
  it('undo in the middle of a drag takes the drag back, and redo brings it again', () => {
    const held = after({ do: 'drag-start' }, { do: 'move', level: 0, thing: { kind: 'place', group: 'mark', index: 0 }, to: { xM: 3, yM: 1 } });
    const undone = changeDraft(held, { do: 'undo' });
    expect(undone.now.game).toBe(game);
    expect(changeDraft(undone, { do: 'redo' }).now).toBe(held.now);
  });
  it('a smaller floor brings everything inside, and the game still reads', () => {
    const small = after({ do: 'floor', widthM: 2.5, depthM: 2 });
    const level = resolveLevel(small.now.game, 2);
    for (const spot of [...marksOf(level), targetOf(level)!]) {
      expect(spot.xM).toBeLessThanOrEqual(2.5);
      expect(spot.yM).toBeLessThanOrEqual(2);
    }
    expect(readGame(small.now.game)).toMatchObject({ ok: true });
  });
  it('what was asked for stays with the draft until something is moved, and comes back with undo', () => {
    const solved = after({ do: 'solve', chances: [0.7, 0.5, 0.3] });
    expect(solved.now.asked).toEqual([0.7, 0.5, 0.3]);
    const named = changeDraft(solved, { do: 'title', title: 'Another' });
    expect(named.now.asked).toEqual([0.7, 0.5, 0.3]);
    const moved = changeDraft(named, { do: 'move', level: 0, thing: { kind: 'place', group: 'mark', index: 0 }, to: { xM: 2, yM: 1 } });
    expect(moved.now.asked).toEqual([]);
    expect(changeDraft(moved, { do: 'undo' }).now.asked).toEqual([0.7, 0.5, 0.3]);
  });
  it('a target is made as wide as is typed, within what such things measure in homes', () => {
    const wide = (history: DraftHistory) => targetOf(resolveLevel(history.now.game, 2))!.widthM;
    const set = (widthM: number) => after({ do: 'set-width', level: 1, thing: { kind: 'target', group: 'aim', index: 0 }, widthM });
    expect(wide(set(0.5))).toBe(0.5);
    expect(wide(set(9))).toBe(AIMED.box.sizeM[1]);
    expect(wide(set(0.01))).toBe(AIMED.box.sizeM[0]);
    // Another thing is as wide as its kind.
    const swapped = changeDraft(set(0.5), { do: 'slot', slot: 'target', value: 'bucket', shown: 0, onlyHere: false });
    expect(targetOf(swapped.now.game)).toMatchObject({ object: 'bucket' });
    expect(targetOf(swapped.now.game)!.widthM).toBeUndefined();
  });
  it('nothing happens to a thing that is not there', () => {
    const history = beginDraft(game, 8);
    for (const action of [
      { do: 'move', level: 0, thing: { kind: 'obstacle', index: 3 }, to: { xM: 1, yM: 1 } },
      { do: 'set-width', level: 0, thing: { kind: 'target', group: 'nowhere', index: 0 }, widthM: 0.4 },
      { do: 'set-distance', level: 0, group: 'nowhere', mark: 0, distanceM: 2 },
    ] as const)
      expect(changeDraft(history, action).now.game).toBe(game);
  });
  it('every kind of change gives a game that reads', () => {
    const actions: DraftAction[] = [
      { do: 'solve', chances: [0.9, 0.5, 0.2] },
      { do: 'fair-points', level: 1 },
      { do: 'title', title: 'Another' },
      { do: 'level-name', level: 0, name: 'Shallow' },
      { do: 'move', level: 0, thing: { kind: 'target', group: 'aim', index: 0 }, to: { xM: 1, yM: 1 } },
      { do: 'slot', slot: 'order', value: 'fixed', shown: 0, onlyHere: false },
      { do: 'slot', slot: 'target', value: 'bottle', shown: 0, onlyHere: false },
      { do: 'age', ageYears: 11 },
    ];
    let history = beginDraft(game, 8);
    for (const action of actions) {
      history = changeDraft(history, action);
      expect(readGame(history.now.game), action.do).toMatchObject({ ok: true });
    }
    expect(history.past).toHaveLength(actions.length);
  });
  it('a slot is changed at every level, or only at the one that is shown; what belongs to the whole game always everywhere', () => {
    const seconds = (history: DraftHistory, level: number) => resolveLevel(history.now.game, level).parts[0]!.clock.s;
    const here = after({ do: 'slot', slot: 'seconds', value: 45, shown: 1, onlyHere: true });
    expect([0, 1, 2].map((level) => seconds(here, level))).toEqual([90, 45, 90]);
    const all = changeDraft(here, { do: 'slot', slot: 'seconds', value: 60, shown: 1, onlyHere: false });
    expect([0, 1, 2].map((level) => seconds(all, level))).toEqual([60, 60, 60]);
    const other = changeDraft(here, { do: 'slot', slot: 'seconds', value: 75, shown: 0, onlyHere: false });
    expect([0, 1, 2].map((level) => seconds(other, level))).toEqual([75, 45, 75]);
    expect(after({ do: 'slot', slot: 'aim', value: 'Otters first', shown: 1, onlyHere: true }).now.game.aim).toBe('Otters first');
  });
  it('several things are moved as the one that is held is; a turn while dragging goes from where the drag began', () => {
    const marks = [0, 1, 2].map((index) => ({ kind: 'place', group: 'mark', index }) as const);
    const before = marksOf(resolveLevel(game, 0));
    const moved = after({ do: 'move', level: 0, thing: marks[0]!, with: marks, to: { xM: before[0]!.xM - 0.3, yM: before[0]!.yM } });
    marksOf(resolveLevel(moved.now.game, 0)).forEach((spot, index) => expect(spot.xM).toBeCloseTo(before[index]!.xM - 0.3, 2));
    let history = changeDraft(beginDraft(game, 8), { do: 'drag-start' });
    for (const byRad of [0.1, 0.2, 0.1]) history = changeDraft(history, { do: 'turn', level: 0, things: marks, byRad });
    history = changeDraft(history, { do: 'drag-end' });
    expect(history.past).toHaveLength(1);
    expect(history.now.game).toEqual(after({ do: 'turn', level: 0, things: marks, byRad: 0.1 }).now.game);
    expect(changeDraft(history, { do: 'undo' }).now.game).toBe(game);
  });
  it('a mark that is locked stays where it is when distances are found for the others', () => {
    const locked = after({ do: 'edit', change: (now) => withLocked(now, 1, [{ kind: 'place', group: 'mark', index: 0 }], true) });
    const solved = changeDraft(locked, { do: 'solve', chances: [0.9, 0.3, 0.2] });
    const [before, there] = [marksOf(resolveLevel(locked.now.game, 1)), marksOf(resolveLevel(solved.now.game, 1))];
    expect(there[0]).toEqual(before[0]);
    expect(there[1]).not.toEqual(before[1]);
  });
  it('an earlier sitting is taken up only before anything is done', () => {
    const earlier = after({ do: 'title', title: 'Before' });
    expect(changeDraft(beginDraft(game, 8), { do: 'take-up', history: earlier }).past).toHaveLength(1);
    const busy = after({ do: 'title', title: 'Now' });
    expect(changeDraft(busy, { do: 'take-up', history: earlier })).toBe(busy);
  });
  it('an empty title is not taken', () => expect(after({ do: 'title', title: '  ' }).now.game.title).toBe('Otter Steps'));
});

describe('teaching points', () => {
  it('the foot opposite the throwing hand steps, for right and left (common practice, no published source)', () => {
    for (const skill of ['underarm', 'overarm', 'roll', 'kick', 'lift'] as const) {
      expect(teachingPoints({}, skill, 'right')[0]).toMatchObject({ frontFoot: 'left' });
      expect(teachingPoints({}, skill, 'left')[0]).toMatchObject({ frontFoot: 'right' });
    }
  });
  it('for a set shot the dominant foot is in front, and a rolling ball is picked up beside the foot of the same side (common practice)', () => {
    expect(teachingPoints({}, 'set-shot', 'right')[0]).toMatchObject({ frontFoot: 'right' });
    expect(teachingPoints({}, 'gather', 'left').find((point) => point.word === 'Together')).toMatchObject({ frontFoot: 'left' });
  });
  it.each(SKILLS)('%s: each has a word to say aloud, what to look for and the usual fault, for either hand, and no slot is left open', (skill) => {
    for (const hand of ['left', 'right'] as const)
      for (const point of teachingPoints({}, skill, hand)) {
        expect(point.word).toMatch(/^\w+$/);
        expect(point.look.length).toBeGreaterThan(10);
        expect(point.fault.length).toBeGreaterThan(10);
        expect([point.point, point.look, point.fault].join(' ')).not.toMatch(/[{}]/);
        expect([point.point, point.look, point.fault].join(' ')).not.toMatch(/same side/);
      }
  });
  it('the words of the teacher take the place of ours, and a game says what to look for, four at most', () => {
    const game = starter('heron-strike');
    const mine = { word: 'Tall', point: 'Stand tall, {other} foot in front.', look: 'Tall.', fault: 'Small.' };
    const taught = { ...game, teaching: { points: { overarm: [mine] }, lookFors: ['Eyes on the reed'] } };
    expect(teachingPoints(taught, 'overarm', 'left')).toEqual([{ ...mine, point: 'Stand tall, right foot in front.', frontFoot: 'right' }]);
    expect(lookForsOf(taught)).toEqual(['Eyes on the reed']);
    expect(lookForsOf(game).length).toBeGreaterThan(0);
    expect(lookForsOf(game).length).toBeLessThanOrEqual(4);
    expect(readGame(taught)).toMatchObject({ ok: true });
    expect(readGame({ ...game, teaching: { lookFors: ['a', 'b', 'c', 'd', 'e'] } })).toMatchObject({ ok: false });
  });
  it.each(SKILLS)('%s is drawn in four frames of a figure that stands on the floor and hangs together', (skill) => {
    expect(MOVEMENTS[skill]).toHaveLength(4);
    for (const frame of MOVEMENTS[skill]) {
      const joints = jointsOf(frame);
      expect(Math.min(joints.foot[1], joints.otherFoot[1])).toBeCloseTo(0, 6);
      expect(joints.head[1]).toBeGreaterThan(joints.hip[1]);
      for (const [x, y] of Object.values(joints).filter((joint) => joint !== null)) {
        expect(Math.abs(x)).toBeLessThan(1.6);
        expect(y).toBeGreaterThan(-0.02);
        expect(y).toBeLessThan(2.2);
      }
    }
  });
});
