import { IMPLEMENTS, nameOf } from '@/core/objects/catalogue';
import type { Game } from '@/core/rules/format/game';
import { allUsed } from '@/core/rules/format/used';
import { plainText, stepsOf } from '@/core/rules/telling/sentences';

const SKILLS: Readonly<Partial<Record<string, string>>> = {
  underarm: 'underarm throw',
  overarm: 'overarm throw',
  'set-shot': 'set shot',
  roll: 'roll',
  kick: 'kick',
  lift: 'lift',
  'strike-up': 'keep up',
  move: 'move',
};

/** "underarm · sock ball · bucket": what a game is about, in a line. */
export function aboutGame(game: Game): string {
  const stages = game.parts.flatMap((part) => part.stages);
  const skills = [...new Set(stages.map((task) => SKILLS[task.technique]).filter((word) => word !== undefined))];
  const things = [...new Set(Object.values(game.course.targets).flat().map(nameOf))];
  return [
    skills.slice(0, 2).join(' and '),
    allUsed(game)
      .slice(0, 2)
      .map((id) => IMPLEMENTS[id].name)
      .join(' and '),
    things.slice(0, 2).join(' and '),
  ]
    .filter(Boolean)
    .join(' · ');
}

/** How a game is played, in one sentence: the first that tells a movement. Of several stations what all are about. */
export function howItIsPlayed(game: Game): string {
  const steps = stepsOf(game, 'precise');
  const told = steps.find(({ kind }) => kind === (game.parts.length > 1 ? 'aim' : 'move')) ?? steps[0];
  return told ? (/^.*?[.?!](?=\s|$)/.exec(plainText(told.sentence))?.[0] ?? plainText(told.sentence)) : '';
}
