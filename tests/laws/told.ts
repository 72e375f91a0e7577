/** What a game answers to plays, and what a family is told of it. */
import { compile } from '@/core/rules/playing/compile';
import { type Program } from '@/core/rules/playing/program';
import type { Game } from '@/core/rules/format/game';
import { catalogueIn } from '@/core/rules/telling/languages';
import { measure } from '@/core/rules/playing/measure';
import { nextMoves } from '@/core/rules/playing/next-moves';
import type { PlayEvent } from '@/core/rules/format/play';
import { randomPlay } from '@/core/rules/playing/random-play';
import { advance } from '@/core/rules/playing/replay';
import { start } from '@/core/rules/playing/engine';
import { plainText, sentencesOf, type Audience } from '@/core/rules/telling/sentences';
import { setUpFor } from '@/core/sheet/set-up';
import { english } from '@/core/words/english';
import { TRANSLATED } from '@/core/words/compiled/all';

const french = TRANSLATED['fr']!;

export function programOf(game: Game): Program {
  const compiled = compile(game);
  if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
  return compiled.value;
}

/** All that is said to somebody who plays the game. */
export function told(game: Game, audience: Audience, words = english): string {
  const { things, directions } = setUpFor(game, 0.5, words);
  return [
    ...sentencesOf(game, audience, catalogueIn(words)).map(plainText),
    ...things.map(({ name, hint }) => `${name} ${hint}`),
    ...directions,
  ].join('\n');
}

export const VOICES = [
  { audience: 'precise', words: english },
  { audience: 'child', words: english },
  { audience: 'precise', words: french },
  { audience: 'child', words: french },
] as const;

/** What the engine says after each event of a play: whether it was taken, whose turn it is, what is asked next, and in the end the score. */
function* answers(program: Program, events: readonly PlayEvent[]): Generator<string> {
  const state = start(program);
  for (const event of events) {
    const refusal = advance(program, state, event);
    const { over, waiting, owed, task, choice, aim, standing, place, side } = nextMoves(program, state);
    const stands = task.see === 'felled' ? standing : 0;
    yield JSON.stringify([
      refusal,
      over,
      waiting?.number,
      waiting?.go,
      owed && [owed.gate, owed.n],
      over || waiting ? 0 : [task.id, choice?.options, aim?.options, stands, place, side],
    ]);
  }
  const { value, unit, sides, team, parts } = measure(program, state);
  const { card, parts: rules } = program.game;
  // More wins are better, done is done, and a game of one part has no card, whatever stands there.
  const better = [
    rules.length === 1 || card.combine === 'wins' ? '' : card.better,
    ...rules.map(({ measure: rule }) => (rule.of === 'done' ? '' : rule.better)),
  ];
  yield JSON.stringify([value, unit, better, sides, team, parts.map((part) => [part.value, part.tie])]);
}

function differ(one: Program, other: Program, events: readonly PlayEvent[]): boolean {
  const theirs = answers(other, events);
  for (const mine of answers(one, events)) if (mine !== theirs.next().value) return true;
  return false;
}

const SEED = 16;

/** The plays by which a game is known. */
export const playsOf = (program: Program, n: number): (readonly PlayEvent[])[] =>
  Array.from({ length: n }, (_, number) => randomPlay(program, SEED, number).events);

/** A play to which two games answer differently; undefined where none of those tried shows it. */
export function telling(game: Game, plays: readonly (readonly PlayEvent[])[], other: Game): readonly PlayEvent[] | undefined {
  const [one, two] = [programOf(game), programOf(other)];
  return [...plays, ...playsOf(two, Math.ceil(plays.length / 3))].find((events) => differ(one, two, events));
}
