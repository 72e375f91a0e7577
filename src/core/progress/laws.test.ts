/** What holds for every class, child and week, whatever they play: tried with many made-up ones. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hasCredit, missingWords } from './credit';
import { eventTotal, totalWords, type GameOfEvent } from './event-total';
import { fitClass, type Observed, type ObservedHits } from './fit';
import { levelFit } from './level-fit';
import { whatNext, type NextAsk } from './what-next';
import { wilson, Z_80 } from './wilson';

/** A chance that falls with skill as the model's does: near 1 for the steadiest, low for the wildest. */
const chanceAt = (ease: number) => (skill: number) => 1 / (1 + (skill / ease) ** 3);

const observed = fc
  .record({
    child: fc.constantFrom('a', 'b', 'c', 'd', 'e'),
    attempts: fc.integer({ min: 1, max: 30 }),
    share: fc.double({ min: 0, max: 1, noNaN: true }),
    ease: fc.double({ min: 0.5, max: 2, noNaN: true }),
  })
  .map(({ child, attempts, share, ease }): ObservedHits => ({ child, attempts, hits: Math.round(share * attempts), chance: chanceAt(ease) }));

const FEW = { numRuns: 25 };

describe('the fit of a class', () => {
  it('has its skill inside its interval, and every child that was seen in it', () => {
    fc.assert(
      fc.property(fc.array(observed, { maxLength: 12 }), (list) => {
        const { group, children } = fitClass(list);
        expect(group.low).toBeLessThanOrEqual(group.skill);
        expect(group.skill).toBeLessThanOrEqual(group.high);
        expect(new Set(children.keys())).toEqual(new Set(list.map(({ child }) => child)));
        expect([...children.values()].reduce((sum, one) => sum + one.attempts, 0)).toBe(group.attempts);
        for (const one of children.values()) {
          expect(one.low).toBeLessThanOrEqual(one.skill);
          expect(one.skill).toBeLessThanOrEqual(one.high);
        }
      }),
      FEW,
    );
  });

  it('does not depend on the order in which the reports came', () => {
    fc.assert(
      fc.property(fc.array(observed, { minLength: 2, maxLength: 8 }), (list) => {
        const [one, other] = [fitClass(list).group, fitClass([...list].reverse()).group];
        expect(one.skill).toBeCloseTo(other.skill, 9);
        expect(one.low).toBeCloseTo(other.low, 9);
        expect(one.high).toBeCloseTo(other.high, 9);
      }),
      FEW,
    );
  });

  it('finds a class no wilder when one of its misses was a hit', () => {
    fc.assert(
      fc.property(fc.array(observed, { minLength: 1, maxLength: 6 }), fc.nat(), (list, which) => {
        const at = which % list.length;
        const one = list[at]!;
        fc.pre(one.hits < one.attempts);
        const better: Observed[] = list.map((each, index) => (index === at ? { ...one, hits: one.hits + 1 } : each));
        expect(fitClass(better).group.skill).toBeLessThanOrEqual(fitClass(list).group.skill + 1e-9);
        expect(fitClass(better).children.get(one.child)!.skill).toBeLessThanOrEqual(fitClass(list).children.get(one.child)!.skill + 1e-9);
      }),
      FEW,
    );
  });

  it('is as sure of a total that is as likely as the hits as it is of the hits', () => {
    const chance = chanceAt(1);
    // Six of ten in any order: 210 ways.
    const hits = fitClass([{ child: 'a', attempts: 10, hits: 6, chance }]).group;
    const total = fitClass([{ child: 'a', attempts: 10, likelihood: (skill) => 210 * chance(skill) ** 6 * (1 - chance(skill)) ** 4 }]).group;
    expect(total.skill).toBeCloseTo(hits.skill, 2);
    expect(total.high - total.low).toBeCloseTo(hits.high - hits.low, 2);
  });

  it('is surer the more was tried', () => {
    for (const share of [0.3, 0.5, 0.8]) {
      const widths = [10, 40, 160].map((attempts) => {
        const { low, high } = fitClass([{ child: 'a', attempts, hits: Math.round(share * attempts), chance: chanceAt(1) }]).group;
        return Math.log(high / low);
      });
      expect(widths[0]!).toBeGreaterThan(widths[1]!);
      expect(widths[1]!).toBeGreaterThan(widths[2]!);
    }
  });
});

describe('an interval of a share', () => {
  it('holds the share, stays between nothing and all, and is narrower for more tries', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), fc.double({ min: 0, max: 1, noNaN: true }), (n, share) => {
        const k = Math.round(share * n);
        const { low, high } = wilson(k, n, Z_80);
        expect(low).toBeGreaterThanOrEqual(0);
        expect(high).toBeLessThanOrEqual(1);
        expect(low).toBeLessThanOrEqual(k / n + 1e-12);
        expect(high).toBeGreaterThanOrEqual(k / n - 1e-12);
        const more = wilson(4 * k, 4 * n, Z_80);
        expect(more.high - more.low).toBeLessThan(high - low);
      }),
    );
  });
  it('of hits and of misses mirror each other', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), fc.nat({ max: 60 }), (n, k) => {
        fc.pre(k <= n);
        expect(wilson(k, n, Z_80).low).toBeCloseTo(1 - wilson(n - k, n, Z_80).high, 12);
      }),
    );
  });
});

describe('a level for a class', () => {
  const children = fc.array(fc.record({ score: fc.integer({ min: 0, max: 40 }), par: fc.integer({ min: 1, max: 30 }) }), { maxLength: 30 });
  it('is never too easy and too hard at once, and never judged the other way when all score more', () => {
    fc.assert(
      fc.property(children, (list) => {
        const order = ['too-hard', 'right', 'too-easy'];
        const now = levelFit(list, 'high');
        const more = levelFit(
          list.map((child) => ({ ...child, score: child.score + 5 })),
          'high',
        );
        expect(more.reached).toBeGreaterThanOrEqual(now.reached);
        if (now.fit !== 'too-few') expect(order.indexOf(more.fit)).toBeGreaterThanOrEqual(order.indexOf(now.fit));
        expect(now.of).toBe(list.length);
      }),
    );
  });
});

describe('what to try next', () => {
  const asks = fc
    .record({
      tries: fc.integer({ min: 0, max: 80 }),
      share: fc.double({ min: 0, max: 1, noNaN: true }),
      felt: fc.constantFrom('hard', 'right', 'easy', null),
      first: fc.boolean(),
      last: fc.boolean(),
    })
    .map(({ tries, share, felt, first, last }): NextAsk => ({
      tries,
      hits: Math.round(share * tries),
      fromM: [1.2, 2.4],
      level: 'Wade',
      felt,
      before: first ? null : { name: 'Paddle', chance: null },
      after: last ? null : { name: 'Swim', chance: null },
    }));
  const HARDER = ['harder-level', 'farther'];
  const EASIER = ['easier-level', 'nearer'];
  it('names a level that there is, and evidence with the very figures', () => {
    fc.assert(
      fc.property(asks, (ask) => {
        const { kind, evidence, advice } = whatNext(ask);
        expect(evidence.startsWith(`${ask.hits} of ${ask.tries} at Wade`)).toBe(true);
        if (kind === 'harder-level') expect(ask.after).not.toBeNull();
        if (kind === 'easier-level') expect(ask.before).not.toBeNull();
        expect(advice).toMatch(/^(Wade|Paddle|Swim)/);
      }),
    );
  });
  it('is never harder for fewer hits, and never harder than felt', () => {
    fc.assert(
      fc.property(asks, (ask) => {
        fc.pre(ask.hits > 0);
        const now = whatNext(ask).kind;
        const fewer = whatNext({ ...ask, hits: ask.hits - 1 }).kind;
        if (EASIER.includes(now)) expect(HARDER).not.toContain(fewer);
        if (!HARDER.includes(now)) expect(HARDER).not.toContain(fewer);
        if (ask.felt === 'hard') expect(HARDER).not.toContain(now);
      }),
    );
  });
});

describe('credit and the total of an event', () => {
  it('credit for both is credit for either, and something is missing exactly when there is none', () => {
    fc.assert(
      fc.property(fc.boolean(), fc.boolean(), (reported, signed) => {
        const part = { reported, signed };
        if (hasCredit(part, 'both')) expect(hasCredit(part, 'either')).toBe(true);
        for (const rule of ['either', 'both'] as const) expect(missingWords(part, rule) === '').toBe(hasCredit(part, rule));
      }),
    );
  });
  it('a total counts no game that was not played, and adds only what can be added', () => {
    const game = fc.record({
      unit: fc.constantFrom('points', 'hits', 'seconds'),
      better: fc.constantFrom('high' as const, 'low' as const),
      best: fc.option(fc.integer({ min: 0, max: 90 })),
      par: fc.option(fc.integer({ min: 1, max: 90 })),
    });
    fc.assert(
      fc.property(fc.array(game, { minLength: 1, maxLength: 20 }), (games: GameOfEvent[]) => {
        const total = eventTotal(games);
        expect(total.played).toBe(games.filter(({ best }) => best !== null).length);
        expect(total.reachedPar).toBeLessThanOrEqual(total.withPar);
        expect(total.withPar).toBeLessThanOrEqual(total.played);
        if (total.sum) {
          expect(new Set(games.map(({ unit }) => unit)).size).toBe(1);
          expect(games.every(({ better }) => better === 'high')).toBe(true);
          expect(total.sum.value).toBe(games.reduce((sum, { best }) => sum + (best ?? 0), 0));
        }
        expect(totalWords(total) === '').toBe(total.played === 0);
      }),
    );
  });
});
