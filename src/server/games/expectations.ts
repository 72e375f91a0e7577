/** What the levels of a game may be expected to come to, worked out once for each content and age. */
import { createHash } from 'node:crypto';
import { expectationOf, expectedOf, type ExpectedOfLevel } from '@/core/levels/expectation';
import { makesBreathless, type EventGame } from '@/core/levels/event-order';
import { levelById } from '@/core/rules/format/level';
import { thingsNeeded } from '@/core/sheet/set-up';
import { shippedRacks } from '@/core/forecast/shipped-racks';
import type { Game } from '@/core/rules/format/game';
import { cache, keptOr } from '../caches';
import { breath } from '../progress/breath';

export interface Expectations {
  readonly of: string;
  readonly levels: readonly ExpectedOfLevel[];
}

const known = cache<Promise<Expectations>>('expectations of games', 500);

export function expectationsOf(game: Game, ageYears: number): Promise<Expectations> {
  const key = createHash('sha256')
    .update(JSON.stringify([ageYears, game]))
    .digest('base64');
  return keptOr(known, key, async () => {
    const levels: ExpectedOfLevel[] = [];
    for (let index = 0; index < game.levels.length; index += 1) {
      await breath();
      levels.push(expectedOf(game, index, ageYears, shippedRacks));
    }
    return { of: expectationOf(game), levels };
  });
}

/** What the order of an event asks of a game: how long a go of this level takes, how much is to be set out, whether it makes one breathless. */
export async function inOrder(game: Game, levelId: string, ageYears: number): Promise<EventGame> {
  const { levels } = await expectationsOf(game, ageYears);
  return {
    seconds: levels[game.levels.findIndex(({ id }) => id === levelId)]?.seconds ?? 0,
    things: thingsNeeded(levelById(game, levelId)).reduce((sum, { n }) => sum + n, 0),
    runs: makesBreathless(game),
  };
}
