/** What the server puts on the card for a standing child of eight. */
import type { CardItem } from '@/contract/card';
import { homeForms } from '@/core/levels/home-forms';
import type { Game } from '@/core/rules/format/game';
import { levelById } from '@/core/rules/format/level';
import { usedSetUpOf } from '@/core/sheet/home-form';
import { pacedGame } from '@/core/sheet/set-up';

const STEP_M = 0.53;

export function cardItem(game: Game, levelId = game.levels[0]!.id): CardItem {
  const paced = (level: Game) => pacedGame(level, STEP_M);
  return {
    assignmentId: '01900000-0000-7000-8000-000000000000' as never,
    opensOn: null,
    game,
    levelId,
    setUp: { ...usedSetUpOf(paced(levelById(game, levelId))), stepM: STEP_M, ageYears: 8, form: 'standing' },
    forms: homeForms({ game, levelId, ageYears: 8, form: 'standing', paced, askedPar: 9, parOf: () => 7 }),
    par: 9,
    best: 11,
    received: 0,
  };
}
