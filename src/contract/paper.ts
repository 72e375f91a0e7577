/** Sheets of a week: which, for whom, on what paper. */
import Joi from 'joi';

const PAPER_KINDS = ['home', 'event', 'frames', 'diary'] as const;
const PAPER_LANGUAGES = ['en', 'fr'] as const;

export interface PaperWanted {
  readonly kind: (typeof PAPER_KINDS)[number];
  /** All children, those on paper, or the id of one. */
  readonly who: string;
  readonly size: 'A4' | 'LETTER';
  readonly print: 'usual' | 'large';
  readonly ground: 'white' | 'pale';
  readonly language: (typeof PAPER_LANGUAGES)[number];
}

export const paperSchema = Joi.object<PaperWanted>({
  kind: Joi.string()
    .valid(...PAPER_KINDS)
    .required(),
  who: Joi.string().max(36).required(),
  size: Joi.string().valid('A4', 'LETTER').required(),
  print: Joi.string().valid('usual', 'large').required(),
  ground: Joi.string().valid('white', 'pale').required(),
  language: Joi.string()
    .valid(...PAPER_LANGUAGES)
    .default('en'),
});
