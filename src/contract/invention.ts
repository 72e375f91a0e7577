/** A child's game on its way to the shelf, without the child's name. */
import Joi from 'joi';
import { ageYears } from './school-class';

export interface TakenAsGame {
  readonly ageYears: number;
  readonly title: string;
}

export const takenAsGameSchema = Joi.object<TakenAsGame>({ ageYears: ageYears.required(), title: Joi.string().trim().min(1).max(60).required() });
