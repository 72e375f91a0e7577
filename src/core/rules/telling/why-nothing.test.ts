import { describe, expect, it } from 'vitest';
import { starter } from '../../../../tests/examples/starters';
import { TRANSLATED } from '../../words/compiled/all';
import type { Game, Row } from '../format/game';
import type { PlayEvent } from '../format/play';
import { resolveLevel } from '../format/level';
import { compile } from '../playing/compile';
import { start } from '../playing/engine';
import { nextMoves } from '../playing/next-moves';
import { randomPlay } from '../playing/random-play';
import { reduce } from '../playing/replay';
import { STARTERS } from '../../../../tests/examples/starters';
import { whyNothing } from './why-nothing';

const french = TRANSLATED['fr']!;

function programOf(game: Game) {
  const compiled = compile(game);
  if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
  return compiled.value;
}

/** What is said of the last of some events. */
function saidOf(game: Game, events: readonly PlayEvent[], words?: typeof french) {
  const program = programOf(game);
  let state = start(program);
  let said: ReturnType<typeof whyNothing> = null;
  for (const event of events) {
    const { state: after, refusal } = reduce(program, state, event);
    if (refusal) throw new Error(refusal);
    said = whyNothing(program, state, after, event, words);
    state = after;
  }
  return said;
}

describe('why a try gave nothing', () => {
  const jetty = resolveLevel(starter('clear-the-jetty'), 0);
  const withRows = (rows: readonly Row[]): Game => ({ ...jetty, parts: [{ ...jetty.parts[0]!, rows }] });

  it('two fall where one counts', () => {
    expect(saidOf(jetty, [{ do: 'attempt', felled: [0, 1], t: 2000 }])).toEqual({ why: 'gone', what: '2 or more fall' });
    expect(saidOf(jetty, [{ do: 'attempt', felled: [0], t: 2000 }])).toBeNull();
  });
  it('not all are down yet', () => {
    const [part] = jetty.parts;
    const all = withRows([{ if: [['left.crate', '=', 0]], validity: 'counts', do: [{ do: 'add', counter: 'crates', amount: 1 }] }]);
    expect(saidOf(all, [{ do: 'attempt', felled: [0], t: 2000 }])).toEqual({ why: 'not-yet', what: 'none is left' });
    expect(saidOf(all, [{ do: 'attempt', felled: [], t: 2000 }])).toBeNull();
    const everyOne = Array.from({ length: part!.groups['crate']!.n }, (_, n) => n);
    expect(saidOf(all, [{ do: 'attempt', felled: everyOne, t: 2000 }])).toBeNull();
    expect(saidOf(all, [{ do: 'attempt', felled: [0], t: 2000 }], french)!.what).not.toBe('none is left');
  });
  it('a feed that was bad is played again; a ball on the post does not count', () => {
    const ferry = resolveLevel(starter('catch-the-ferry'), 0);
    expect(saidOf(ferry, [{ do: 'attempt', end: 'bad-feed', t: 2000 }])?.why).toBe('again');
    const mouth = resolveLevel(starter('harbour-mouth'), 0);
    expect(saidOf(mouth, [{ do: 'attempt', end: 'post', t: 2000 }])?.why).toBe('gone');
  });
  it('is said of no try after which the score or what is to be done next has changed for the better', () => {
    let asked = 0;
    for (const { id, game } of STARTERS) {
      const program = programOf(resolveLevel(game, 0));
      for (let n = 0; n < 6; n += 1) {
        let state = start(program);
        for (const event of randomPlay(program, 7, n).events) {
          const { state: after } = reduce(program, state, event);
          const said = whyNothing(program, state, after, event);
          asked += 1;
          if (said) expect(said.what, id).not.toBe('');
          if (said?.why === 'not-yet') expect(nextMoves(program, after).task.id, id).toBe(nextMoves(program, state).task.id);
          state = after;
        }
      }
    }
    expect(asked).toBeGreaterThan(500);
  });
});
