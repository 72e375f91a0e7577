/**
 * The gap finder: what the rules of a game leave open or say twice, why it matters at home, and mends that can be applied at one tap.
 * Each kind of gap is a file of its own: one function over a part or the game; a game without gaps can be played without asking the teacher.
 */
import type { Game, Part } from '../format/game';
import { withPart, type Gap, type Mend } from './gap';
import { badFeed } from './bad-feed';
import { edges } from './edge';
import { endless } from './endless';
import { equalTurns } from './equal-turns';
import { hitOrIn } from './hit-or-in';
import { inFlight } from './in-flight';
import { levers } from './levers';
import { luck } from './luck';
import { misses } from './miss';
import { mixedUnits } from './mixed-units';
import { neverHappens } from './never-happens';
import { noTime } from './no-time';
import { notFinished } from './not-finished';
import { pastTarget } from './past-target';
import { saidTwice } from './said-twice';
import { setUpClock } from './set-up-clock';
import { strokeCap } from './stroke-cap';
import { tie } from './tie';
import { tipped } from './tipped';
import { twoAtOnce } from './two-at-once';
import { twoFlags } from './two-flags';
import { whoCalls } from './who-calls';
import { whoseTurn } from './whose-turn';

/** Everything that the rules leave open, in the order of the game. */
export function gapsOf(game: Game): readonly Gap[] {
  return [
    ...game.parts.flatMap((part, index) => partGaps(game, part, index)),
    ...tipped(game),
    ...tie(game),
    ...mixedUnits(game),
    ...equalTurns(game),
    ...whoseTurn(game),
    ...whoCalls(game),
    ...levers(game),
  ];
}

function partGaps(game: Game, part: Part, index: number): Gap[] {
  const at = `/parts/${index}`;
  const change = (label: string, to: Partial<Part>): Mend => ({ label, game: withPart(game, index, to) });
  return [
    ...misses(part, at, change),
    ...hitOrIn(game, part, at),
    ...edges(game, part, at, change),
    ...twoAtOnce(part, at, change),
    ...strokeCap(part, at, change),
    ...badFeed(part, at, change),
    ...notFinished(part, at, change),
    ...setUpClock(part, at, change),
    ...saidTwice(part, at, change),
    ...neverHappens(part, at, change),
    ...endless(game, part, at, change),
    ...noTime(game, part, at, change),
    ...luck(part, at, change),
    ...inFlight(part, at, change),
    ...pastTarget(part, at, change),
    ...twoFlags(part, at, change),
  ];
}
