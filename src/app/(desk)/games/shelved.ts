import { shelfGame, type ShelfGame } from '@/features/games/shelf-game';
import { expectationsOf } from '@/server/games/expectations';

/** Games as the shelf and the picker show them. */
export const shelved = (games: readonly Parameters<typeof shelfGame>[0][]): Promise<ShelfGame[]> =>
  Promise.all(games.map(async (one) => shelfGame(one, await expectationsOf(one.game, one.ageYears))));
