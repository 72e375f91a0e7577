/** Families of movement: who throws steadily need not kick steadily. */
import type { Task } from '../rules/format/game';

export const FAMILIES = ['throw', 'set-shot', 'roll', 'kick', 'keep-up'] as const;
export type Family = (typeof FAMILIES)[number];

const FAMILY_OF: Readonly<Partial<Record<Task['technique'], Family>>> = {
  underarm: 'throw',
  overarm: 'throw',
  'set-shot': 'set-shot',
  roll: 'roll',
  kick: 'kick',
  lift: 'kick',
  'strike-up': 'keep-up',
};

/** The family of a technique; undefined for what is not aimed: running, finding, flipping a lid. */
export const movementOf = (technique: Task['technique']): Family | undefined => FAMILY_OF[technique];
