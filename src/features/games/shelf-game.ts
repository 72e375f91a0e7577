import type { ShelvedGame } from '@/contract/game';
import { bandRadii } from '@/core/forecast/depth';
import { resolveLevel } from '@/core/rules/format/level';
import { readThrowRules } from '@/core/rules/format/throw-rules';
import { aboutGame } from './about-game';
import type { ShelfGame } from './shelf';

/** What the shelf shows of a game; `expected` was worked out on the server. */
export function shelfGame(
  { id, game, ageYears, putAway, sent }: Pick<ShelvedGame, 'id' | 'game' | 'ageYears' | 'putAway' | 'sent'>,
  expected: Pick<ShelfGame, 'of' | 'levels'>,
): ShelfGame {
  const middle = resolveLevel(game, Math.min(1, game.levels.length - 1));
  return {
    id,
    title: game.title,
    about: aboutGame(game),
    movements: [...new Set(game.parts.flatMap(({ stages }) => stages.map(({ technique }) => technique)))],
    ageYears,
    putAway,
    sent,
    course: middle.course,
    radii: readThrowRules(game) ? bandRadii(middle, { ageYears }) : [],
    of: expected.of,
    levels: expected.levels,
  };
}
