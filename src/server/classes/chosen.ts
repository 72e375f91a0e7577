/** Which class a page of scores is of: the one that was asked for, else the oldest. */
import type { Uuid } from '@/contract/ids';
import { classesOf } from '../db/classes';

export interface ChosenClass {
  readonly classes: readonly { readonly id: Uuid; readonly name: string }[];
  readonly classId: Uuid;
}

/** Undefined for a school without a class. */
export async function chosenClass(schoolId: Uuid, wanted: string | undefined, today: string): Promise<ChosenClass | undefined> {
  const classes = await classesOf(schoolId, today);
  const chosen = classes.find((one) => one.id === wanted) ?? classes.at(-1);
  return chosen && { classes: classes.map(({ id, name }) => ({ id, name })), classId: chosen.id };
}
