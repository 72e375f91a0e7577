import { marksOf, targetOf } from '@/core/course/geometry';
import { placeChances } from '@/core/forecast/chances';
import { bandRadii } from '@/core/forecast/depth';
import { AIMED, IMPLEMENTS } from '@/core/objects/catalogue';
import { resolveLevel } from '@/core/rules/level';
import { readThrowRules } from '@/core/rules/throw-rules';
import type { ShelvedGame } from '@/server/db/games';
import type { ShelfGame } from './shelf';

/** What the shelf shows of a game, worked out on the server. */
export function shelfGame({ id, game, ageYears, putAway, sent }: ShelvedGame): ShelfGame {
  const middle = resolveLevel(game, Math.min(1, game.levels.length - 1));
  const target = targetOf(middle);
  const rules = readThrowRules(game);
  const mean = (levelIndex: number, skill: number) => {
    const places = placeChances(resolveLevel(game, levelIndex), { ageYears, skill });
    return places.reduce((sum, place) => sum + place.chance, 0) / Math.max(1, places.length);
  };
  return {
    id,
    title: game.title,
    about: rules
      ? `${rules.technique === 'set-shot' ? 'set shot' : rules.technique} · ${IMPLEMENTS[rules.implement].name} · ${AIMED[rules.target].name}`
      : '',
    ageYears,
    putAway,
    sent,
    floor: game.course.floor,
    target: target ? { xM: target.xM, yM: target.yM, shape: AIMED[target.object].shape } : null,
    marks: marksOf(middle),
    radii: bandRadii(middle, { ageYears }),
    levels: game.levels.map((level, index) => ({ name: level.name, chance: mean(index, 1), low: mean(index, 1.25), high: mean(index, 0.8) })),
  };
}
