/** A score that is nobody's yet, as a person completes it: whose it is, of which week and level. No interface here. */
import Joi from 'joi';
import type { MayBe, Waiting } from '@/contract/to-look-at';
import { totalSchema } from './typed-parts';

export interface WaitingDecision {
  readonly child: string;
  readonly weekId: string;
  /** Empty for the level that was read, or else the one that was sent. */
  readonly levelId: string;
  readonly total: string;
}

export const decisionSchema = Joi.object<WaitingDecision>({
  child: Joi.string().trim().min(1).required().messages({ 'string.empty': 'Which child is it?' }),
  weekId: Joi.string().guid().required(),
  levelId: Joi.string().allow(''),
  total: totalSchema,
});

/** What is meant by what is written: the child by its first letters, and what it was sent in that week. */
export function meantBy(waiting: Pick<Waiting, 'levelId'>, mayBe: MayBe, { child, weekId, levelId }: Omit<WaitingDecision, 'total'>) {
  const written = child.trim().toLocaleLowerCase('en-GB');
  const meant = written === '' ? undefined : mayBe.children.find((one) => one.name.toLocaleLowerCase('en-GB').startsWith(written));
  const week = mayBe.weeks.find((one) => one.id === weekId);
  const asked = meant && week?.asked[meant.id];
  const read = week?.levels.find((one) => one.id === waiting.levelId)?.id;
  return { meant, week, asked, levelId: levelId || (read ?? asked?.levelId ?? week?.levels[0]?.id ?? '') };
}
