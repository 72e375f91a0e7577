import type { ShelvedGame } from '@/contract/game';
import { placeChances } from '@/core/forecast/chances';
import { bandRadii } from '@/core/forecast/depth';
import { resolveLevel } from '@/core/rules/format/level';
import { readThrowRules } from '@/core/rules/format/throw-rules';
import { aboutGame } from './about-game';
import type { ShelfGame } from './shelf';

/** What the shelf shows of a game, worked out on the server. */
export function shelfGame({ id, game, ageYears, putAway, sent }: Pick<ShelvedGame, 'id' | 'game' | 'ageYears' | 'putAway' | 'sent'>): ShelfGame {
  const middle = resolveLevel(game, Math.min(1, game.levels.length - 1));
  const plain = readThrowRules(game) !== null;
  const mean = (levelIndex: number, skill: number) => {
    const places = placeChances(resolveLevel(game, levelIndex), { ageYears, skill });
    return places.length === 0 ? null : places.reduce((sum, place) => sum + place.chance, 0) / places.length;
  };
  return {
    id,
    title: game.title,
    about: aboutGame(game),
    ageYears,
    putAway,
    sent,
    course: middle.course,
    radii: plain ? bandRadii(middle, { ageYears }) : [],
    levels: game.levels.map((level, index) => ({
      name: level.name,
      chance: plain ? mean(index, 1) : null,
      low: mean(index, 1.25) ?? 0,
      high: mean(index, 0.8) ?? 0,
    })),
  };
}
