/** The body of a week that is to be sent, or only looked at first. */
import Joi from 'joi';
import { RACK_TEXT } from '@/core/forecast/racks';
import { isUuid } from '@/contract/ids';
import { notFound } from '../http/answer';
import { dayField } from '../http/fields';
import type { WeekToSend } from './send-week';

export type WeekBody = Omit<WeekToSend, 'schoolId' | 'teacherId' | 'today'>;

const id = Joi.string().max(36);
const levelId = Joi.string().max(24);
const words = (most: number) => Joi.string().trim().max(most).allow('');

export const weekSchema = Joi.object<WeekBody>({
  classId: id.required(),
  games: Joi.array()
    .items(
      Joi.object({
        gameId: id.required(),
        levelId: levelId.required(),
        levels: Joi.object().pattern(id, levelId).max(200),
        opensOn: dayField.allow(null),
      }),
    )
    .min(1)
    .max(20)
    .required(),
  title: words(60).default(''),
  kit: Joi.array()
    .items(
      Joi.object({
        name: Joi.string().trim().min(1).max(60).required(),
        n: Joi.number().integer().min(1).max(99).required(),
        from: Joi.string().valid('home', 'school').required(),
      }),
    )
    .max(40)
    .default([]),
  dueOn: dayField.required(),
  warmUp: words(280).required(),
  diary: words(280).required(),
  film: words(280).default(''),
  filmAlone: Joi.boolean().default(false),
  note: words(280).required(),
  racks: Joi.object().pattern(Joi.string().max(600), Joi.string().pattern(RACK_TEXT)).max(40).default({}),
});

/** Ids are looked at before anything is asked of the database. */
export function checkIds({ classId, games }: WeekBody): void {
  if (!isUuid(classId)) throw notFound('class');
  if (!games.every(({ gameId }) => isUuid(gameId))) throw notFound('game');
}
