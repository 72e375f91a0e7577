import { describe, expect, it } from 'vitest';
import { sensibleStart } from '../course/sensible-start';
import { distancesOf } from '../course/geometry';
import { childTables } from '../forecast/attempts';
import { chanceOf } from '../forecast/chances';
import { quantile } from '../forecast/pins';
import { simulateGo } from '../forecast/simulate';
import { SKILL_SPREAD_LN } from '../motion/assumed';
import { drawUnit, PURPOSE } from '../random/draw';
import type { Go } from '../reports/report';
import { compile } from '../rules/playing/compile';
import { start } from '../rules/playing/engine';
import { levelById } from '../rules/format/level';
import { measure } from '../rules/playing/measure';
import type { PlayEvent } from '../rules/format/play';
import { usedSetUpOf } from '../sheet/home-form';
import { evidenceOf, isNewTo, triesOf, type EvidenceMemo, type PlayedGo } from './evidence';
import { fitClass } from './fit';

const game = sensibleStart({ title: 'Otter Steps', aim: '', technique: 'underarm', implement: 'sock-ball', target: 'box', ageYears: 8 });
const level = levelById(game, 'level-2');
const compiled = compile(level);
if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
const program = compiled.value;

/** A go of a simulated child of this skill, counted in one of the three ways. */
function playedBy(child: string, skill: number, seed: number, play: number, change: Partial<Go> = {}): PlayedGo {
  const events: PlayEvent[] = [];
  const state = start(program);
  simulateGo(program, childTables(program, { ageYears: 8, skill }), state, seed, play, { fetchMs: 0, exerciseMs: 0 }, events);
  const { value } = measure(program, state);
  const go: Go = {
    level: level.levels[1]?.id ?? 'level-2',
    counting: 'attempts',
    hand: 'right',
    otherHand: false,
    form: 'standing',
    setUp: usedSetUpOf(level),
    events,
    total: value,
    unit: 'points',
    ...change,
  };
  return { child, ageYears: 8, game, versionId: 'v1', go, value };
}

const onPaper = { counting: 'parts', events: [] } as const;

describe('what a go tells of a child’s skill', () => {
  it('are tries and hits from each mark where every try was tapped, no more and no fewer than were counted', () => {
    const memo: EvidenceMemo = new Map();
    const played = playedBy('a', 1, 5, 1);
    const tries = triesOf(played, memo);
    const attempts = played.go.events.filter((event) => event.do === 'attempt');
    expect(tries.reduce((sum, one) => sum + one.tries, 0)).toBe(attempts.length);
    expect(tries.reduce((sum, one) => sum + one.hits, 0)).toBe(attempts.filter((event) => event.do === 'attempt' && event.end === 'in').length);
    for (const { distanceM } of tries) expect(distancesOf(level).some((length) => Math.abs(length - distanceM) < 1e-3)).toBe(true);
  });

  it('has the chance at the mark by skill as the model has it, for the thing and the lengths that were really used', () => {
    const memo: EvidenceMemo = new Map();
    const far = distancesOf(level).map((length) => length + 0.4);
    const played = playedBy('a', 1, 5, 1, { setUp: { implement: 'sock-ball', targets: ['bucket'], distancesM: far } });
    for (const { distanceM, chance } of triesOf(played, memo))
      for (const skill of [0.7, 1, 1.5])
        expect(chance(skill)).toBeCloseTo(
          chanceOf({ technique: 'underarm', implement: 'sock-ball', target: 'bucket', distanceM, ageYears: 8, skill }),
          2,
        );
  });

  it('is nothing where others played with the child, the set-up is not known, or the go was stopped before its end', () => {
    const memo: EvidenceMemo = new Map();
    const none = (change: Partial<Go>) => evidenceOf(playedBy('a', 1, 5, 1, change), memo);
    expect(none({ players: 2 })).toEqual([]);
    expect(none({ setUp: { implement: 'sock-ball', targets: [], distancesM: [] } })).toEqual([]);
    expect(none({ level: 'no-such-level' })).toEqual([]);
    expect(none({ counting: 'successes', events: [{ do: 'finish', t: 9000, why: 'stopped' }] })).toEqual([]);
    expect(none(onPaper)).toHaveLength(1);
  });

  it('is worked out once for a set-up, and again for another', () => {
    const memo: EvidenceMemo = new Map();
    const played = playedBy('a', 1, 5, 1);
    expect(isNewTo(memo, played)).toBe(true);
    evidenceOf(played, memo);
    expect(isNewTo(memo, playedBy('b', 1, 6, 2))).toBe(false);
    expect(isNewTo(memo, { ...played, ageYears: 9 })).toBe(true);
  });
});

describe('a class that only wrote its totals down', () => {
  /** Classes of twelve, each child with two totals; the mean of a class is drawn from the prior, with a fixed seed. */
  const classes = Array.from({ length: 40 }, (_, n) => 0.25 * quantile(drawUnit(77, n, 0, PURPOSE.skill)));
  const memo: EvidenceMemo = new Map();
  const fits = classes.map((mean, n) => {
    const observed = Array.from({ length: 12 }, (_, child) => {
      const skill = Math.exp(mean + SKILL_SPREAD_LN * quantile(drawUnit(77, n, child + 1, PURPOSE.skill)));
      return [1, 2].flatMap((play) => evidenceOf(playedBy(`${child}`, skill, 77 + n, child * 2 + play, onPaper), memo));
    }).flat();
    return fitClass(observed).group;
  });
  it('is fitted from the forecast of the total: its skill lies in the stated 80% interval for 25 to 38 of 40 classes', () => {
    // Binomial, 40 of 0.8: 32, and 2.8 standard deviations to either side.
    const within = fits.filter(({ low, high }, n) => Math.log(low) <= classes[n]! && classes[n]! <= Math.log(high)).length;
    expect(within).toBeGreaterThanOrEqual(25);
    expect(within).toBeLessThanOrEqual(38);
  });
  it('wilder classes are found to be wilder', () => {
    const order = [...classes.keys()].sort((a, b) => classes[a]! - classes[b]!);
    const mean = (list: readonly number[]) => list.reduce((sum, n) => sum + Math.log(fits[n]!.skill), 0) / list.length;
    expect(mean(order.slice(30))).toBeGreaterThan(mean(order.slice(0, 10)) + 0.25);
  });
  it('rests on about as many tries as such goes have', () => {
    const tries = playedBy('a', 1, 5, 1).go.events.filter((event) => event.do === 'attempt').length;
    expect(fits[0]!.attempts).toBeGreaterThan(12 * 2 * tries * 0.6);
    expect(fits[0]!.attempts).toBeLessThan(12 * 2 * tries * 1.6);
  });
});
