/** Ids of a week's body are looked at before anything is asked of the database. */
import { isUuid } from '@/contract/ids';
import type { WeekBody } from '@/contract/week';
import { notFound } from '../http/answer';

export function checkIds({ classId, games }: WeekBody): void {
  if (!isUuid(classId)) throw notFound('class');
  if (!games.every(({ gameId }) => isUuid(gameId))) throw notFound('game');
}
