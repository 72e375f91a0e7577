import { describe, expect, it } from 'vitest';
import { framesGame } from '../../../../tests/examples/frames-game';
import { starter } from '../../../../tests/examples/starters';
import type { Game, Part } from '../format/game';
import { resolveLevel } from '../format/level';
import { canBe, reachableTotals } from './totals';

const at = (game: Game) => resolveLevel(game, 1);
const ends = (values: readonly number[], stop: Part['stop'] = []): Game => {
  const game = starter('heron-strike');
  const part = game.parts[0]!;
  return {
    ...game,
    parts: [
      {
        ...part,
        goes: { n: 1, keep: 'best' },
        stages: part.stages.map((task) => ({
          ...task,
          ends: [...values.map((value) => ({ id: `v${value}`, label: `${value}`, as: 'success' as const })), task.ends![1]!],
        })),
        rows: [
          ...values.map((value) => ({
            if: [['end', '=', `v${value}`]] as const,
            validity: 'counts' as const,
            do: [{ do: 'add' as const, counter: 'hits', amount: value }],
          })),
          { if: [['end', '=', 'miss']], validity: 'counts', do: [] },
        ],
        stop,
      },
    ],
  };
};

describe('reachable totals', () => {
  it('for 6, 9 and 20 the largest total that cannot be is 43 (the coin problem, published)', () => {
    const totals = reachableTotals(ends([6, 9, 20]));
    expect(totals.exact).toBe(true);
    expect(totals.most).toBeNull();
    expect(Math.max(...totals.cannotBe)).toBe(43);
    expect(canBe(totals, 44)).toBe(true);
    expect(canBe(totals, 43)).toBe(false);
    expect(canBe(totals, 100_000)).toBe(true);
  });
  it('with three tries of 6, 9 and 20 the most is 60, and 41 cannot be', () => {
    const totals = reachableTotals(ends([6, 9, 20], [{ if: [['attempts', '>=', 3]], why: 'attempts' }]));
    expect(totals).toMatchObject({ least: 0, most: 60, exact: true });
    expect([41, 46, 49].map((total) => canBe(totals, total))).toEqual([false, true, true]);
  });
  it('knows what exactly four attempts can give', () => {
    const totals = reachableTotals(ends([1, 5], [{ if: [['attempts', '>=', 8]], why: 'attempts' }]), { attempts: 4 });
    expect(totals.most).toBe(20);
    expect(totals.cannotBe).toEqual([9, 13, 14, 17, 18, 19]);
  });
  it('knows a set-up of fewer pins or marks: five of six pins, and no far mark', () => {
    expect(reachableTotals(at(starter('loch-frames'))).most).toBe(180);
    // Ten strikes of five pins: three times 5 in every frame.
    expect(reachableTotals(at(starter('loch-frames')), { targets: 5 }).most).toBe(150);
    expect(reachableTotals(at(starter('harbour-mouth')), { marks: 4 }).most).toBe(4);
    const nearOnly = reachableTotals(at(starter('ferry-fares')), { marks: 1 });
    expect([canBe(nearOnly, 6), canBe(nearOnly, 7)]).toEqual([true, false]);
  });
  it('no more than the tries that fit into the time', () => {
    const totals = reachableTotals(ends([1, 5]), { seconds: 4 });
    expect(totals).toMatchObject({ least: 0, most: 40, exact: true });
    expect(reachableTotals(at(starter('ferry-fares')), { seconds: 10 }).most).toBe(100);
  });
  it('of a frames game: 300 with ten pins and 180 with six at the most; 291 to 299 by one pin short', () => {
    const six = reachableTotals(at(starter('loch-frames')));
    expect(six).toMatchObject({ least: 0, most: 180, exact: true });
    const ten = reachableTotals(framesGame(10));
    expect(ten).toMatchObject({ least: 0, most: 300 });
    if (ten.exact) expect(ten.cannotBe).toEqual([]);
  });
  it('a ladder of six marks gives none to six; a checklist of twelve none to twelve', () => {
    expect(reachableTotals(at(starter('harbour-mouth')))).toMatchObject({ least: 0, most: 6, cannotBe: [] });
    expect(reachableTotals(at(starter('shore-list')))).toMatchObject({ least: 0, most: 12, exact: true });
  });
  it('rounds of four with extras can make every total', () => {
    expect(reachableTotals(at(starter('round-the-buoys')))).toMatchObject({ least: 0, most: null, cannotBe: [] });
  });
  it('of a course: at most the caps of its holes, penalties included', () => {
    expect(reachableTotals(at(starter('otters-errand')))).toMatchObject({ least: 3, most: 7 + 8 + 9, exact: true });
  });
  it('what is measured in time or length has no totals that cannot be', () => {
    expect(reachableTotals(at(starter('oilskin-dash')))).toMatchObject({ exact: false, cannotBe: [] });
    expect(canBe(reachableTotals(at(starter('drop-anchor'))), 137)).toBe(true);
  });
  it('no total is half a point', () => expect(canBe(reachableTotals(ends([1])), 2.5)).toBe(false));
});
