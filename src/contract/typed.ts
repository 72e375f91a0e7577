/** An assignment to type a score in for. */
import { record, textField } from './fields';
import Joi from 'joi';
import type { Game } from '@/core/rules/format/game';
import type { AssignedSetUp } from './assignment';

export interface TypeInAnswer {
  readonly game: Game;
  readonly levelId: string;
  readonly setUp: AssignedSetUp;
}

export const typeInSchema = record<TypeInAnswer>({ game: Joi.object(), levelId: textField, setUp: Joi.object() });
