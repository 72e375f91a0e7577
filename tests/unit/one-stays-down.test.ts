/** Of several that fall at once one counts: the child says which stays down, the others are put up again. */
import { describe, expect, it } from 'vitest';
import type { Game, Row } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { readGame } from '@/core/rules/format/read-game';
import { gapsOf } from '@/core/rules/gaps/gaps';
import { compile } from '@/core/rules/playing/compile';
import { measure } from '@/core/rules/playing/measure';
import { nextMoves } from '@/core/rules/playing/next-moves';
import type { PlayEvent } from '@/core/rules/format/play';
import { replay } from '@/core/rules/playing/replay';
import { catalogueIn } from '@/core/rules/telling/languages';
import { plainText, sentencesOf } from '@/core/rules/telling/sentences';
import { english } from '@/core/words/english';
import { TRANSLATED } from '@/core/words/compiled/all';
import { starter } from '../examples/starters';

const french = TRANSLATED['fr']!;

const jetty = resolveLevel(starter('clear-the-jetty'), 0);
const [group] = Object.entries(jetty.parts[0]!.groups).find(([, one]) => one.kind === 'pin' || one.kind === 'target')!;
const [counter] = jetty.parts[0]!.counters;
const withRows = (rows: readonly Row[]): Game => ({ ...jetty, parts: jetty.parts.map((part) => ({ ...part, rows })) });

/** One falls: one crate. Nothing is said of two. */
const open = withRows([
  { if: [['felled', '>=', 1]], validity: 'counts', do: [{ do: 'add', counter: counter!, amount: 1 }] },
  { if: [], validity: 'counts', do: [] },
]);
const mended = gapsOf(open)
  .find((gap) => gap.kind === 'two-at-once')!
  .mends.find((mend) => mend.label.startsWith('One counts'))!.game;

function played(events: readonly PlayEvent[]) {
  const compiled = compile(mended);
  if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
  const { state, refused } = replay(compiled.value, events);
  return { standing: nextMoves(compiled.value, state).standing, value: measure(compiled.value, state).value, refused };
}
const all = played([]).standing;
const without = (...gone: readonly number[]) => all.filter((one) => !gone.includes(one));

describe('of several that fall at once one counts', () => {
  it('is one of the answers when the rules leave it open, and closes the gap', () => {
    expect(readGame(mended)).toMatchObject({ ok: true });
    expect(gapsOf(mended).map(({ kind }) => kind)).not.toContain('two-at-once');
  });

  it('the one that the child says stays down, the others stand again; it is one crate', () => {
    expect(played([{ do: 'attempt', t: 1000, felled: [0, 2], kept: 2 }])).toMatchObject({ standing: without(2), value: 1, refused: [] });
    expect(played([{ do: 'attempt', t: 1000, felled: [0, 1, 2], kept: 0 }])).toMatchObject({ standing: without(0), value: 1, refused: [] });
    // Of one alone nothing is asked.
    expect(played([{ do: 'attempt', t: 1000, felled: [1] }])).toMatchObject({ standing: without(1), value: 1, refused: [] });
  });

  it('where nobody said which, or only how many, it is the first', () => {
    expect(played([{ do: 'attempt', t: 1000, felled: [1, 2] }]).standing).toEqual(without(1));
    expect(played([{ do: 'attempt', t: 1000, count: 2 }]).standing).toEqual(without(0));
  });

  it('one that did not fall cannot be said, and changes nothing', () => {
    expect(played([{ do: 'attempt', t: 1000, felled: [0, 1], kept: 2 }])).toMatchObject({
      standing: all,
      refused: [{ index: 0, reason: 'no-choice' }],
    });
  });

  it('is told in both voices and both languages', () => {
    const restored = withRows(
      mended.parts[0]!.rows.map((row) => ({ ...row, do: row.do.map((one) => (one.do === 'restore' ? { do: 'restore', group } : one)) })),
    );
    for (const words of [english, french])
      for (const audience of ['precise', 'child'] as const) {
        const told = (game: Game) => sentencesOf(game, audience, catalogueIn(words)).map(plainText).join(' ');
        expect(told(mended)).toMatch(words === english ? /you choose which/ : /tu choisis/);
        expect(told(mended)).not.toBe(told(restored));
      }
  });

  it('is of format 2 alone, and of one', () => {
    const but = (n: unknown) => ({
      ...mended,
      parts: mended.parts.map((part) => ({
        ...part,
        rows: part.rows.map((row) => ({ ...row, do: row.do.map((one) => (one.do === 'restore' ? { ...one, but: n } : one)) })),
      })),
    });
    expect(readGame(but(1)).ok).toBe(true);
    expect(readGame(but(2)).ok).toBe(false);
  });
});
