import { MAX_EVENTS, playSchema, type Play } from './play';
import type { Outcome, Problem } from './problem';
import { problemsOf } from './read-game';

/** More events than a go can have, said before each of them is looked at; undefined for as many as may be. */
export function tooManyEvents(events: unknown, place: string): Problem | undefined {
  if (!Array.isArray(events) || events.length <= MAX_EVENTS) return undefined;
  return { place, reason: `there are ${events.length} events, and a go has at most ${MAX_EVENTS}`, fix: 'Send the goes one by one.' };
}

/** Reads an unknown value as a play of format 1. Never throws; says what is wrong and where. */
export function readPlay(input: unknown): Outcome<Play> {
  const many = tooManyEvents((input as { readonly events?: unknown } | null)?.events, '/events');
  if (many) return { ok: false, problems: [many] };
  const { error, value } = playSchema.validate(input, { abortEarly: false, convert: false });
  return error ? { ok: false, problems: problemsOf(error) } : { ok: true, value: value as Play };
}
