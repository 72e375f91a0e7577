/** How a week's level fitted its class, by what was reported of its first game. */
import type { Uuid } from '@/contract/ids';
import { isAimed } from '@/core/levels/solve';
import { hitsFit, levelFit, type JudgedFit } from '@/core/progress/level-fit';
import type { Game } from '@/core/rules/format/game';
import type { ChildAssignment } from '../db/weeks';
import { tells } from '../progress/fit-of-class';
import type { ReportedPlay } from '../reports/plays';
import { betterOf } from '@/core/rules/playing/better';

/** Every try is known, from the marks as they were asked. */
const wasTapped = (play: ReportedPlay) => play.asAsked && tells(play) && play.report.goes[play.goNumber - 1]!.counting === 'attempts';

/** What counted of plays at a game as it was asked, in their order. */
export const countedAsAsked = (plays: readonly ReportedPlay[]): readonly number[] =>
  plays.filter((play) => play.counts !== null && play.asAsked).map((play) => play.counts!);

/** `assignments` are those of one game. */
export function fitOfWeek(
  game: Game | null,
  assignments: readonly ChildAssignment[],
  byAssignment: ReadonlyMap<Uuid, readonly ReportedPlay[]>,
): JudgedFit {
  const playsOf = ({ id }: ChildAssignment) => byAssignment.get(id) ?? [];
  if (game && isAimed(game) && assignments.some(({ restsOn }) => restsOn > 0)) {
    const tapped = assignments.flatMap(playsOf).filter(wasTapped);
    const sum = (of: 'successes' | 'attempts') => tapped.reduce((all, play) => all + play[of], 0);
    return hitsFit(sum('successes'), sum('attempts'));
  }
  const firsts = assignments.flatMap((assignment) => {
    const [score] = countedAsAsked(playsOf(assignment));
    return score === undefined || assignment.par === null ? [] : [{ score, par: assignment.par }];
  });
  return levelFit(firsts, game ? betterOf(game) : 'high');
}
