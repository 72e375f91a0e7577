/** Levels child by child that what was reported speaks for. */
import type { LevelForChild } from '@/core/progress/level-for-child';
import { list, record, textField, uuid } from './fields';
import type { Uuid } from './ids';

export interface LevelsOfGameForClass {
  readonly gameId: Uuid;
  readonly children: readonly (LevelForChild & { readonly childId: Uuid })[];
}

export const levelsForClassSchema = record<{ readonly games: readonly LevelsOfGameForClass[] }>({
  games: list(record({ gameId: uuid, children: list(record({ childId: uuid, levelId: textField.allow(null), why: textField })) })),
});
