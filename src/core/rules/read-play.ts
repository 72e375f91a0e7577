import { playSchema, type Play } from './play';
import type { Outcome } from './problem';
import { problemsOf } from './read-game';

/** Reads an unknown value as a play of format 1. Never throws; says what is wrong and where. */
export function readPlay(input: unknown): Outcome<Play> {
  const { error, value } = playSchema.validate(input, { abortEarly: false, convert: false });
  return error ? { ok: false, problems: problemsOf(error) } : { ok: true, value: value as Play };
}
