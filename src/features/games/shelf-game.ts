import type { ShelvedGame } from '@/contract/game';
import type { ExpectedOfLevel } from '@/core/levels/expectation';
import type { Course } from '@/core/rules/format/game';
import { bandRadii } from '@/core/forecast/depth';
import { resolveLevel } from '@/core/rules/format/level';
import { readThrowRules } from '@/core/rules/format/throw-rules';
import { aboutGame } from './about-game';

export interface ShelfGame {
  readonly id: string;
  readonly title: string;
  readonly about: string;
  /** Techniques of its stages. */
  readonly movements: readonly string[];
  readonly ageYears: number;
  readonly putAway: boolean;
  readonly sent: number;
  readonly course: Course;
  readonly radii: readonly number[];
  /** What the words of its levels are of. */
  readonly of: string;
  readonly levels: readonly ExpectedOfLevel[];
}

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
