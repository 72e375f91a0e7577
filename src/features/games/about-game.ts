import { IMPLEMENTS, nameOf } from '@/core/objects/catalogue';
import type { Game } from '@/core/rules/format/game';

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
  return [skills.slice(0, 2).join(' and '), IMPLEMENTS[game.kit.implement].name, things.slice(0, 2).join(' and ')].filter(Boolean).join(' · ');
}
