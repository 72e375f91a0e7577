import type { ShelvedGame } from '@/contract/game';
import type { ExpectedOfLevel } from '@/core/levels/expectation';
import type { Course } from '@/core/rules/format/game';
import { bandRadii } from '@/core/forecast/depth';
import { resolveLevel } from '@/core/rules/format/level';
import { readThrowRules } from '@/core/rules/format/throw-rules';
import { longestLineM } from '@/core/course/geometry';
import { thingsNeeded } from '@/core/sheet/set-up';
import { aboutGame, howItIsPlayed } from './about-game';

export interface ShelfGame {
  readonly id: string;
  readonly title: string;
  readonly about: string;
  /** How it is played, in one sentence. */
  readonly says: string;
  /** What is played with, aimed at and needed besides. */
  readonly things: readonly string[];
  /** The middle level: how long a go usually takes, and the longest clear line that it needs, metres. */
  readonly minutes: number;
  readonly lineM: number;
  readonly folder: string | null;
  readonly madeBy: string | null;
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
  {
    id,
    game,
    ageYears,
    putAway,
    sent,
    folder,
    madeBy,
  }: Pick<ShelvedGame, 'id' | 'game' | 'ageYears' | 'putAway' | 'sent'> & Partial<Pick<ShelvedGame, 'folder' | 'madeBy'>>,
  expected: Pick<ShelfGame, 'of' | 'levels'>,
): ShelfGame {
  const index = Math.min(1, game.levels.length - 1);
  const middle = resolveLevel(game, index);
  return {
    id,
    title: game.title,
    about: aboutGame(game),
    says: howItIsPlayed(middle),
    things: thingsNeeded(middle).map(({ name }) => name),
    minutes: Math.max(1, Math.round((expected.levels[index]?.seconds ?? 0) / 60)),
    lineM: longestLineM(middle),
    folder: folder ?? null,
    madeBy: madeBy ?? null,
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

/** "2 minutes a go, 2.5 m clear". */
export const lengthWords = ({ minutes, lineM }: Pick<ShelfGame, 'minutes' | 'lineM'>): string =>
  `${minutes === 1 ? '1 minute' : `${minutes} minutes`} a go${lineM > 0 ? `, ${Math.round(lineM * 10) / 10} m clear` : ''}`;
