/**
 * Parts that are typed at the end are taken exactly where a legal play yields them. What is legal is worked out here from the rules by hand, not by
 * the engine; and the fields know the same most.
 */
import { describe, expect, it } from 'vitest';
import { goOf } from '@/core/reports/from-parts';
import { judge } from '@/core/reports/judge';
import type { KnownLevel } from '@/core/reports/reach';
import { eventsFromFields, partFields } from '@/core/reports/parts';
import { REPORT_FORMAT } from '@/core/rules/format/formats';
import { compile } from '@/core/rules/playing/compile';
import type { Game } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { measure } from '@/core/rules/playing/measure';
import { replay } from '@/core/rules/playing/replay';
import { usedSetUpOf } from '@/core/sheet/home-form';
import { starter } from '../examples/starters';

const level = (id: string): Game => {
  const game = resolveLevel(starter(id), 0);
  return { ...game, parts: game.parts.slice(0, 1), levels: [{ ...game.levels[0]!, set: {} }] };
};

/** What is worked out once for a game, as the server keeps it. */
const known = new Map<Game, Map<number, KnownLevel>>();

/** The verdict on these figures in the order of the fields, with the total that they come to. */
function verdictOf(game: Game, figures: readonly number[]) {
  const compiled = compile(game);
  if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
  const events = eventsFromFields(game, partFields(game), figures);
  const { value, unit } = measure(compiled.value, replay(compiled.value, events, 'parts').state);
  const setUp = { ...usedSetUpOf(game), form: 'standing' as const };
  const go = goOf({ game, levelId: game.levels[0]!.id, setUp }, { counting: 'parts', hand: 'either', events, total: value, unit });
  const levels = known.get(game) ?? new Map<number, KnownLevel>();
  known.set(game, levels);
  return judge({
    game,
    report: { format: REPORT_FORMAT, goes: [go], startedAt: '2027-03-01T16:00:00.000Z', sentAt: '2027-03-01T16:05:00.000Z' },
    levels,
  });
}

interface Box {
  readonly id: string;
  /** The most that each field is tried with. */
  readonly upTo: readonly [number, number];
  readonly legal: (first: number, second: number) => boolean;
}

const BOXES: readonly Box[] = [
  // Four marks round: a fourth loose goal is a full round.
  { id: 'round-the-buoys', upTo: [12, 8], legal: (_rounds, extra) => extra <= 3 },
  // At least one stroke, at most seven; each may touch the reeds and a rock.
  { id: 'otters-errand', upTo: [9, 16], legal: (strokes, extra) => strokes >= 1 && strokes <= 7 && extra <= 2 * strokes },
  // A roll for each step, 25 rolls at the most, eight steps.
  { id: 'skittle-stair', upTo: [10, 28], legal: (top, rolls) => top <= 8 && rolls >= top && rolls <= 25 },
];

describe('parts typed at the end', () => {
  it.each(BOXES)('of $id are taken exactly where a play gives them', ({ id, upTo, legal }) => {
    const game = level(id);
    expect(partFields(game)).toHaveLength(2);
    const wrong: string[] = [];
    for (let first = 0; first <= upTo[0]; first += 1)
      for (let second = 0; second <= upTo[1]; second += 1) {
        const taken = verdictOf(game, [first, second]).kind !== 'impossible';
        if (taken !== legal(first, second)) wrong.push(`${first}, ${second}: ${taken ? 'taken' : 'refused'}`);
      }
    expect(wrong).toEqual([]);
  });

  it('a refusal says the most that can be, and so does the field', () => {
    const game = level('round-the-buoys');
    expect(verdictOf(game, [2, 5]).reasons[0]!.sentence).toBe('5 extra goals cannot be: the most is 3.');
    expect(partFields(game).map(({ most }) => most)).toEqual([100_000, 3]);
    expect(partFields(level('otters-errand')).map(({ most }) => most)).toEqual([7, 14]);
    expect(verdictOf(level('otters-errand'), [2, 5]).reasons[0]!.sentence).toBe('2 strokes and 5 extra strokes cannot be together.');
  });
});
