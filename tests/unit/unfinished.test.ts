/** What a go counts that ends before its end, worked out by hand from the rules. */
import { describe, expect, it } from 'vitest';
import { judge } from '@/core/reports/judge';
import { goOf } from '@/core/reports/from-parts';
import { eventsFromFields, partFields } from '@/core/reports/parts';
import type { Report } from '@/core/reports/report';
import { compile } from '@/core/rules/playing/compile';
import { REPORT_FORMAT } from '@/core/rules/format/formats';
import type { Game } from '@/core/rules/format/game';
import { gapsOf } from '@/core/rules/gaps/gaps';
import { resolveLevel } from '@/core/rules/format/level';
import { measure } from '@/core/rules/playing/measure';
import type { PlayEvent } from '@/core/rules/format/play';
import { replay } from '@/core/rules/playing/replay';
import { unfinishedRule } from '@/core/rules/format/unfinished';
import { usedSetUpOf } from '@/core/sheet/home-form';
import { starter } from '../examples/starters';

const level = (id: string) => resolveLevel(starter(id), 0);
const scored = (game: Game, events: readonly PlayEvent[]) => {
  const compiled = compile(game);
  if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
  return measure(compiled.value, replay(compiled.value, events).state);
};
let now = 0;
const tries = (ends: string): PlayEvent[] => ends.split(' ').map((end) => ({ do: 'attempt', t: (now += 3000), end }));
const begin = (): PlayEvent => ({ do: 'begin', t: (now += 500) });
const stop = (why: 'stopped' | 'given-up' = 'stopped'): PlayEvent => ({ do: 'finish', t: (now += 500), why });
const fell = (...counts: readonly number[]): PlayEvent[] => counts.map((count) => ({ do: 'attempt', t: (now += 3000), count }));
const play = <T>(write: () => T): T => {
  now = 0;
  return write();
};

describe('a go that ends before its end', () => {
  it('of strokes: two of three holes are no score, and are told', () => {
    const left = play(() => scored(level('otters-errand'), [...tries('on in'), begin(), ...tries('on in'), stop()]));
    expect(left).toMatchObject({ value: null, sum: 'First holt 2 + Second holt 2: 2 / 3, not finished' });
    const between = play(() => scored(level('otters-errand'), [...tries('on in'), begin(), ...tries('on in'), begin(), stop()]));
    expect(between.value).toBeNull();
  });
  it('of frames: five frames are no score', () => {
    const events = play(() => [...fell(3, 2, 4, 1, 0, 0, 5, 0, 2, 2), stop()]);
    expect(scored(level('loch-frames'), events).value).toBeNull();
    expect(unfinishedRule(level('loch-frames').parts[0]!)).toBe('not-finished');
  });
  it('of a time to a goal: no score', () => {
    expect(play(() => scored(level('oilskin-dash'), [...tries('on on'), stop()])).value).toBeNull();
  });
  it('of “first to 12”: no score, unless the teacher says that it counts as it stands', () => {
    const game = level('harbour-stores');
    const race = (unfinished?: 'as-it-stands'): Game => {
      const { unfinished: _said, ...part } = game.parts[0]!;
      return { ...game, parts: [{ ...part, ...(unfinished && { unfinished }) }] };
    };
    const events = play((): PlayEvent[] => [{ do: 'choose', t: 1, group: 'store', to: 2 }, ...tries('in miss'), stop()]);
    expect(scored(race(), events).value).toBeNull();
    expect(scored(race('as-it-stands'), events).value).toBe(3);
    // Where it is open the teacher is asked.
    expect(gapsOf({ ...race(), levels: game.levels }).map(({ kind }) => kind)).toContain('not-finished');
  });
  it('of hits, of the farthest and of the nearest: what there is so far', () => {
    expect(play(() => scored(level('heron-strike'), [...tries('hit miss hit'), stop()])).value).toBe(2);
    expect(play(() => scored(level('harbour-mouth'), [...tries('through through short'), stop()])).value).toBe(2);
    const near = [410, 230].map((lengthMm, index): PlayEvent => ({ do: 'attempt', t: 3000 * (index + 1), lengthMm }));
    expect(scored(level('drop-anchor'), [...near, { do: 'finish', t: 9000, why: 'stopped' }]).value).not.toBeNull();
  });

  it('is clean when a child says so honestly, and strokes that nobody wrote were not played', () => {
    const game = level('otters-errand');
    const fields = partFields(game);
    // Strokes and extra strokes of the first hole, and nothing of the others.
    const typed = fields.map((field, index) => (field.part === 0 ? (index === 0 ? 3 : 0) : null));
    const events = eventsFromFields(game, fields, typed);
    const report = (total: number | null): Report => ({
      format: REPORT_FORMAT,
      goes: [
        goOf(
          { game, levelId: game.levels[0]!.id, setUp: { ...usedSetUpOf(game), form: 'standing' as const } },
          { counting: 'parts', hand: 'either', events, total },
        ),
      ],
      startedAt: '2027-03-01T16:00:00.000Z',
      sentAt: '2027-03-01T16:05:00.000Z',
    });
    expect(judge({ game, report: report(null) })).toMatchObject({ kind: 'clean', goes: [{ result: { value: null } }] });
    expect(judge({ game, report: report(3) }).kind).toBe('sum');
  });
});

describe('a cap on strokes', () => {
  it('caps what is scored, penalties included: 6 strokes and 4 extra strokes on a hole of at most 7 are 7', () => {
    const flagged = (end: string): PlayEvent => ({ do: 'attempt', t: (now += 3000), end, flags: ['rock'] });
    const result = play(() =>
      scored(level('otters-errand'), [...tries('on'), flagged('on'), flagged('on'), flagged('on'), ...tries('on'), flagged('in')]),
    );
    expect(result.parts[0]).toMatchObject({ value: 7, sum: '6 strokes + 4 extra strokes = 10, counted as 7' });
  });
});
