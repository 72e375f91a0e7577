import { shapeOf } from '../../objects/catalogue';
import type { Game, Part, PlacedTarget, Stage } from '../format/game';
import type { Gap, Mend } from './gap';

/** Words of a success that say it goes in, so that nobody need ask. */
const SAYS_IN = /\b(in|into|inside|stays|lands)\b/i;

/** A thing with an opening may be landed in or only hit: which of the two is a success? */
export function hitOrIn(game: Game, part: Part, at: string): Gap[] {
  const asked = part.stages.findIndex((stage) => stage.technique !== 'move' && opensUnsaid(game, stage) && !saysIn(stage));
  if (asked < 0) return [];
  const group = part.stages[asked]!.at!;
  const mend = (label: string, aim: NonNullable<PlacedTarget['aim']>): Mend => {
    const targets = game.course.targets[group]!.map((target) => (shapeOf(target).kind === 'opening' ? { ...target, aim } : target));
    return { label, game: { ...game, course: { ...game.course, targets: { ...game.course.targets, [group]: targets } } } };
  };
  return [
    {
      kind: 'hit-or-in',
      place: `${at}/stages/${asked}/at`,
      question: 'Must it go in, or is a hit enough?',
      why: 'It has an opening. To hit it is far easier than to land in it, and the forecast is as far off.',
      mends: [mend('It must go in', 'in'), mend('A hit is enough', 'hit')],
    },
  ];
}

const opensUnsaid = ({ course }: Game, { at, see }: Stage) =>
  at !== undefined && see === 'end' && (course.targets[at] ?? []).some((target) => target.aim === undefined && shapeOf(target).kind === 'opening');

const saysIn = ({ ends = [], what = '' }: Stage) =>
  ends.some(({ as, id, label, says = '' }) => as === 'success' && SAYS_IN.test(`${id} ${label} ${says}`)) || SAYS_IN.test(what);
