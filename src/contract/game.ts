/** A game on the shelf, and its versions. */
import { count, list, oneOf, record, textField, uuid } from './fields';
import Joi from 'joi';
import type { Game } from '@/core/rules/format/game';
import type { Uuid } from './ids';

export interface ShelvedGame {
  readonly id: Uuid;
  readonly game: Game;
  readonly revision: number;
  readonly ageYears: number;
  readonly putAway: boolean;
  readonly updatedAt: Date;
  /** Weeks in which it was sent. */
  readonly sent: number;
  /** The folder of the shelf that it lies in; null for none. */
  readonly folder: string | null;
  /** The teacher who made it; null where that was not kept. */
  readonly madeBy: string | null;
}

/** A version as it is told: when and why it was kept, how often it was sent, and what it has otherwise than the one before it. */
export interface ToldVersion {
  readonly id: Uuid;
  readonly number: number;
  readonly game: Game;
  readonly keptAt: string;
  readonly by: string | null;
  readonly why: 'sent' | 'kept' | 'sitting' | 'before';
  readonly sent: number;
  readonly changes: readonly string[];
}

export interface VersionsOfGame {
  /** What the draft has otherwise than the newest. */
  readonly since: readonly string[];
  /** The newest first. */
  readonly versions: readonly ToldVersion[];
}

export const versionsSchema = record<VersionsOfGame>({
  since: list(textField),
  versions: list(
    record<ToldVersion>({
      id: uuid,
      number: count,
      game: Joi.object(),
      keptAt: Joi.string().isoDate(),
      by: textField.allow(null),
      why: oneOf('sent', 'kept', 'sitting', 'before'),
      sent: count,
      changes: list(textField),
    }),
  ),
});
