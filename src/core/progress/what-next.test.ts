import { describe, expect, it } from 'vitest';
import { chanceByDistance } from './chance-by-distance';
import type { AimedTry, Tries } from './evidence';
import { whatNext, type NextAsk } from './what-next';

const ask: NextAsk = {
  tries: 20,
  hits: 9,
  fromM: [1.5, 2.5],
  level: 'Wade',
  felt: 'right',
  before: { name: 'Paddle', chance: { chance: 0.7, low: 0.62, high: 0.78 } },
  after: { name: 'Swim', chance: { chance: 0.35, low: 0.28, high: 0.41 } },
};

describe('what a child should try next', () => {
  it('says what was seen first: hits, tries, from where, and what chance that may be', () => {
    expect(whatNext(ask).evidence).toBe('9 of 20 at Wade, from 1.5 to 2.5 m: a chance of about 3 to 6 in 10.');
    expect(whatNext({ ...ask, fromM: [2.5, 2.5] }).evidence).toContain('from 2.5 m');
  });
  it('is the same again while about half succeeds, or while there are too few tries to say', () => {
    expect(whatNext(ask)).toMatchObject({ kind: 'same', advice: 'Wade again: it is neither too easy nor too hard.' });
    expect(whatNext({ ...ask, tries: 5, hits: 0 })).toMatchObject({ kind: 'more', advice: 'Wade again: 5 tries say too little.' });
    expect(whatNext({ ...ask, tries: 1, hits: 1 }).advice).toBe('Wade again: one try says too little.');
  });
  it('is the level before when it seldom succeeds, with what is likely there; nearer at the first level', () => {
    expect(whatNext({ ...ask, hits: 2 })).toMatchObject({
      kind: 'easier-level',
      advice: 'Paddle, where about 6 to 8 in 10 is likely: it succeeds too seldom at Wade.',
    });
    expect(whatNext({ ...ask, hits: 2, before: null }).kind).toBe('nearer');
  });
  it('is the next level when it mostly succeeds and was not felt to be hard; farther at the last', () => {
    expect(whatNext({ ...ask, hits: 18 })).toMatchObject({
      kind: 'harder-level',
      advice: 'Swim, where about 3 to 4 in 10 is likely: Wade has become easy.',
    });
    expect(whatNext({ ...ask, hits: 18, felt: 'hard' })).toMatchObject({
      kind: 'same',
      advice: 'Wade again: it mostly succeeds, but felt hard the last time.',
    });
    expect(whatNext({ ...ask, hits: 18, after: null }).kind).toBe('farther');
  });
});

describe('hits by distance', () => {
  const aim: AimedTry = { technique: 'underarm', implement: 'sock-ball', target: 'bucket', form: 'standing', otherHand: false, ageYears: 8 };
  const tried = (distanceM: number, tries: number, hits: number, change: Partial<AimedTry> | null = {}): Tries => ({
    aim: change && { ...aim, ...change },
    distanceM,
    tries,
    hits,
    curve: {},
    family: undefined,
    chance: () => 0.5,
  });
  const fitted = { skill: 0.9, low: 0.8, high: 1, attempts: 60 };
  it('puts tries from about one distance together, and each thing that was aimed at apart, the most tried first', () => {
    const curves = chanceByDistance(
      [tried(1.5, 10, 6), tried(1.55, 10, 7), tried(2.5, 10, 2), tried(2, 5, 1, { target: 'box' }), tried(1, 9, 9, null)],
      fitted,
    );
    expect(curves.map((one) => [one.aim.target, one.tries])).toEqual([
      ['bucket', 30],
      ['box', 5],
    ]);
    expect(curves[0]!.from.map(({ tries, hits }) => [tries, hits])).toEqual([
      [20, 13],
      [10, 2],
    ]);
    expect(curves[0]!.from[0]!.distanceM).toBeCloseTo(1.525, 6);
  });
  it('has a curve that falls with distance, between those of a steadier and a wilder child', () => {
    const { curve } = chanceByDistance([tried(2, 10, 5)], fitted)[0]!;
    expect(curve.length).toBeGreaterThan(15);
    curve.forEach((at, index) => {
      expect(at.low).toBeLessThanOrEqual(at.chance);
      expect(at.chance).toBeLessThanOrEqual(at.high);
      if (index > 0) expect(at.chance).toBeLessThanOrEqual(curve[index - 1]!.chance + 1e-9);
    });
  });
});
