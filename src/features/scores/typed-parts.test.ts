import { describe, expect, it } from 'vitest';
import type { AssignedSetUp } from '@/contract/assignment';
import { partFields } from '@/core/reports/parts';
import { resolveLevel } from '@/core/rules/format/level';
import { starter } from '../../../tests/examples/starters';
import { isNearer, lineSchema, readCells, setUpAtSteps, totalOf, workedOutOf } from './typed-parts';

const game = starter('harbour-lamps');
const level = resolveLevel(game, 0);
const fields = partFields(level);

describe('the cells of a sheet', () => {
  it('are whole numbers that the game allows; an empty one is none', () => {
    expect(readCells(fields, [3, null, 2])).toEqual([3, null, 2]);
    expect(readCells(fields, [3])).toEqual([3, null, null]);
    expect(readCells(fields, [1.5])).toBeNull();
    expect(readCells(fields, [-1])).toBeNull();
    expect(readCells(fields, [fields[0]!.most + 1])).toBeNull();
    expect(readCells(fields, [Number.NaN])).toBeNull();
  });

  it('are worked out by what each is worth, while they can be', () => {
    const each = fields.map((field) => field.each ?? 0);
    expect(workedOutOf(level, fields, [3, null, 2])?.value).toBe(3 * each[0]! + 2 * each[2]!);
    expect(workedOutOf(level, fields, [0.5])).toBeNull();
  });
});

describe('a total', () => {
  it('is a whole number, n for not finished, or not there', () => {
    expect(totalOf(' 42 ')).toEqual({ total: 42 });
    expect(totalOf('-3')).toEqual({ total: -3 });
    for (const text of ['n', 'N', 'nf', 'Not finished']) expect(totalOf(text)).toEqual({ total: null });
    expect(totalOf('  ')).toBeNull();
    for (const text of ['4.5', 'lots', '4 2', '1e3']) expect(totalOf(text)).toBeUndefined();
  });
});

describe('the marks that a family stepped out', () => {
  const sent = { distancesM: [1.2, 1.8, 2.5], stepM: 0.52 } as unknown as AssignedSetUp;

  it('stay as they were sent where nothing is written', () => {
    expect(setUpAtSteps(sent, ' ')).toBe(sent);
  });

  it('are so many steps of the child, halves too', () => {
    const set = setUpAtSteps(sent, '2 3½, 5');
    expect(set).toMatchObject({ distancesM: [2, 3.5, 5].map((steps) => Math.round(steps * sent.stepM * 1000) / 1000) });
  });

  it('must be one for each mark', () => {
    for (const text of ['2 3', '2 3 4 5', '2 3 0', '2 three 4']) expect(setUpAtSteps(sent, text)).toMatch(/^Give 3 numbers of steps/);
  });

  it('are nearer than sent when one is by more than a hand and a half', () => {
    const moved = (byM: number) => ({ ...sent, distancesM: sent.distancesM.map((one, index) => (index === 1 ? one + byM : one)) });
    expect(isNearer(moved(0), sent)).toBe(false);
    expect(isNearer(moved(-0.2), sent)).toBe(false);
    expect(isNearer(moved(-0.3), sent)).toBe(true);
    expect(isNearer(moved(1), sent)).toBe(false);
  });
});

describe('a line typed in', () => {
  const line = { child: 'Isla', levelId: game.levels[0]!.id, cells: [1, null, 2], total: '', steps: '' };
  const problems = (changed: object) =>
    lineSchema(game)
      .validate({ ...line, ...changed }, { abortEarly: false })
      .error?.details.map((one) => one.path.join('.'));

  it('is taken as it is written', () => {
    expect(problems({})).toBeUndefined();
    expect(problems({ total: 'n', steps: '2 3 4' })).toBeUndefined();
  });

  it('says at which place it is wrong', () => {
    expect(problems({ child: ' ' })).toEqual(['child']);
    expect(problems({ cells: [1, 2.5, 0], total: 'lots' })).toEqual(['cells.1', 'total']);
    expect(problems({ levelId: 'nowhere' })).toContain('levelId');
  });

  it('has the cells of the level that was played; what another level left is dropped', () => {
    const { value } = lineSchema(game).validate({ ...line, cells: [1, 2, 3, 99, 99] }) as { value: { cells: unknown[] } };
    expect(value.cells).toEqual([1, 2, 3]);
  });
});
