/** A game of the shelf as something that a term can hold. */
import { longestLineM } from '../course/geometry';
import { resolveLevel } from '../rules/format/level';
import type { Game } from '../rules/format/game';
import { thingsCounted } from '../sheet/set-up';
import { SKILLS, type Skill } from '../sheet/teaching-points';
import type { PlanOffer } from './term';

/** How it is played, by what ends a go and what is measured: games that are alike in this feel alike. */
function wayOf({ parts, sides }: Game): string {
  const [first] = parts;
  if (parts.length > 1) return 'stations';
  if (sides.n > 1) return 'two sides';
  const { measure, clock, stop } = first!;
  if (measure.of === 'clock') return 'against the clock';
  if (measure.of !== 'done' && measure.of !== 'minutes' && measure.better === 'low') return 'as few as can be';
  if (clock.kind === 'down') return 'as many as can be in a time';
  if (measure.of === 'done' || measure.of === 'minutes') return 'for so long';
  return stop.some(({ why }) => why === 'rounds') ? 'in rounds' : 'so many tries';
}

const isSkill = (technique: string): technique is Skill => (SKILLS as readonly string[]).includes(technique);

export function offerOf(id: string, game: Game): PlanOffer {
  const middle = resolveLevel(game, Math.min(1, game.levels.length - 1));
  const needed = thingsCounted(middle);
  return {
    id,
    title: game.title,
    kind: 'game',
    skills: [...new Set(game.parts.flatMap(({ stages }) => stages.map(({ technique }): string => technique)).filter(isSkill))],
    way: wayOf(game),
    levels: game.levels.map((level) => ({ id: level.id, name: level.name })),
    things: needed.map(({ name }) => name),
    lends: Object.fromEntries(needed.map(({ name, n }) => [name, n])),
    floorM: longestLineM(middle),
  };
}
