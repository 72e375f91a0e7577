/** Sheets of a week: which, for whom, on what paper. */
import Joi from 'joi';
import { LANGUAGES } from '@/core/words/compiled/languages';

const PAPER_KINDS = ['home', 'event', 'frames', 'diary'] as const;
/** In which sheets are printed: English by its two letters. */
export const PAPER_LANGUAGES: readonly { readonly tag: string; readonly name: string }[] = LANGUAGES.map(({ tag, inEnglish }) => ({
  tag: tag === 'en-GB' ? 'en' : tag,
  name: inEnglish,
}));

export interface PaperWanted {
  readonly kind: (typeof PAPER_KINDS)[number];
  /** All children, those on paper, or the id of one. */
  readonly who: string;
  readonly size: 'A4' | 'LETTER';
  readonly print: 'usual' | 'large';
  readonly ground: 'white' | 'pale';
  readonly language: string;
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
    .valid(...PAPER_LANGUAGES.map(({ tag }) => tag))
    .default('en'),
});
