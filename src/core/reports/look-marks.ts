/** What was seen of a movement: each thing to look for marked yes, sometimes or not yet. */
import Joi from 'joi';

export const LOOK_MARKS = ['yes', 'sometimes', 'not-yet'] as const;
export type LookMark = (typeof LOOK_MARKS)[number];

export interface MarkedLook {
  /** What was looked for, in the words of the game as it was sent. */
  readonly look: string;
  readonly mark: LookMark;
}

export const markedLooksSchema = Joi.array()
  .items(
    Joi.object<MarkedLook>({
      look: Joi.string().trim().min(1).max(160).required(),
      mark: Joi.string()
        .valid(...LOOK_MARKS)
        .required(),
    }),
  )
  .max(4)
  .unique('look');
