import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { goOf } from '@/core/reports/from-parts';
import { judge } from '@/core/reports/judge';
import { eventsFromFields, partFields } from '@/core/reports/parts';
import type { KnownLevel } from '@/core/reports/reach';
import { compile } from '@/core/rules/playing/compile';
import { REPORT_FORMAT } from '@/core/rules/format/formats';
import { measure } from '@/core/rules/playing/measure';
import { replay } from '@/core/rules/playing/replay';
import { lineNeededM, playedAsAsked } from '@/core/sheet/home-form';
import { inHand, paceOf, stopped } from '@/features/home/in-hand';
import { usualWays, type Ways } from '@/features/home/store';
import { scoreWords, todayHere } from '@/features/home/words';
import { cardItem } from '../examples/card-item';
import { STARTERS } from '../examples/starters';
import { LONG } from '../long';

const ways = (change: Partial<Ways> = {}): Ways => ({ ...usualWays('t'), ...change });
const STEP_M = 0.53;
/** With the forms of its level worked out, which takes its time: once a game. */
const ITEMS = new Map(STARTERS.map(({ id, game }) => [id, cardItem(game)]));
const lamps = ITEMS.get('harbour-lamps')!;

describe('the game in hand at home', () => {
  it.each([...ITEMS])('%s, set out as asked, is just what was asked', (_id, item) => {
    const hand = inHand(item, 'asked', ways());
    const { form: _form, ...used } = hand.used;
    const { implement, targets, distancesM } = item.setUp;
    expect(used).toEqual({ implement, targets, distancesM });
    expect(playedAsAsked(item.forms[0]!, item.setUp, { level: item.levelId, otherHand: hand.form.otherHand, setUp: used })).toBe(true);
    expect(hand).toMatchObject({ par: 9, best: 11 });
  });

  it.each([...ITEMS])('%s, played in any of its forms and counted afterwards, is a clean report', (_id, item) => {
    const levels = new Map<number, KnownLevel>();
    for (const form of LONG ? item.forms : item.forms.filter((_, n) => n % 3 === 0)) {
      const hand = inHand(item, form.id, ways());
      const compiled = compile(hand.level);
      if (!compiled.ok) throw new Error(`${form.id}: ${compiled.problems[0]!.reason}`);
      const fields = partFields(hand.level);
      const events = eventsFromFields(
        hand.level,
        fields,
        fields.map((field) =>
          field.kind === 'seconds' ? 40 : field.kind === 'minutes' ? 5 : field.kind === 'ball' ? null : Math.min(1, field.most),
        ),
      );
      const { value, unit } = measure(compiled.value, replay(compiled.value, events, 'parts').state);
      const go = goOf(
        { game: item.game, levelId: form.levelId, setUp: hand.used },
        { counting: 'parts', hand: 'right', otherHand: form.otherHand, events, total: value, unit },
      );
      const report = { format: REPORT_FORMAT, goes: [go], startedAt: '2027-03-01T16:00:00.000Z', sentAt: '2027-03-01T16:05:00.000Z' } as const;
      const verdict = judge({ game: item.game, report, levels });
      expect(
        verdict.reasons.filter((reason) => reason.kind === 'sum' || reason.kind === 'incomplete'),
        `${form.id}: ${JSON.stringify(verdict.reasons)}`,
      ).toEqual([]);
    }
  });

  it('has par and own best only where the set-up is equal', () => {
    const needed = lineNeededM(lamps.forms[0]!.things[0]!);
    expect(inHand(lamps, 'asked', ways({ clearM: needed + 0.1 }))).toMatchObject({ par: 9, best: 11, chosen: { equal: true } });
    expect(inHand(lamps, 'asked', ways({ clearM: needed - 0.3 }))).toMatchObject({ par: null, best: null, chosen: { equal: false } });
    const level = lamps.forms.find((form) => form.change.kind === 'level')!;
    expect(inHand(lamps, level.id, ways())).toMatchObject({ par: 7, best: null });
  });

  it('with things that this form does not know, or a form that is gone, falls back to what was asked', () => {
    expect(inHand(lamps, 'asked', ways({ have: ['wall'] })).chosen.object).toBe(lamps.forms[0]!.things[0]!.object);
    expect(inHand(lamps, 'no such form', ways()).form.id).toBe('asked');
  });

  it('measured in sheets or towels the marks stand within half a part of where they should', () => {
    fc.assert(
      fc.property(fc.constantFrom('steps' as const, 'sheets' as const, 'towels' as const), fc.constantFrom(...lamps.forms), (pace, form) => {
        const hand = inHand(lamps, form.id, ways({ pace }));
        const { lengthM, parts } = paceOf(pace, STEP_M);
        hand.used.distancesM.forEach((length, index) =>
          expect(Math.abs(length - hand.chosen.lengthsM[index]!)).toBeLessThanOrEqual(lengthM / parts / 2 + 0.002),
        );
      }),
    );
  });
});

describe('a go that was cut off', () => {
  it('goes on with the clock stopped after the last thing that happened, once', () => {
    const events = [
      { do: 'attempt', t: 1200, end: 'in' },
      { do: 'attempt', t: 3400, end: 'missed' },
    ] as const;
    expect(stopped(events).at(-1)).toEqual({ do: 'pause', t: 3400 });
    expect(stopped(stopped(events))).toEqual(stopped(events));
    expect(stopped([])).toEqual([]);
  });
});

describe('words of the home pages', () => {
  it('tell a score with its unit, lengths in centimetres, and a go that was not finished', () => {
    expect(scoreWords(14, 'points')).toBe('14 points');
    expect(scoreWords(235, 'mm')).toBe('23.5 cm');
    expect(scoreWords(null, 'points')).toBe('not finished');
  });

  it('know the day on this device', () => {
    expect(todayHere(new Date(2027, 2, 9, 23, 59))).toBe('2027-03-09');
  });
});
