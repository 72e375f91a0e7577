import { problemsOf } from '../rules/format/read-game';
import { tooManyEvents } from '../rules/format/read-play';
import type { Outcome } from '../rules/format/problem';
import { reportSchema, type Report } from './report';

/** Reads an unknown value as a report of format 1. Never throws; says what is wrong and where. */
export function readReport(input: unknown): Outcome<Report> {
  const goes = (input as { readonly goes?: unknown } | null)?.goes;
  for (const [index, go] of (Array.isArray(goes) ? (goes as unknown[]) : []).entries()) {
    const many = tooManyEvents((go as { readonly events?: unknown } | null)?.events, `/goes/${index}/events`);
    if (many) return { ok: false, problems: [many] };
  }
  const { error, value } = reportSchema.validate(input, { abortEarly: false, convert: false });
  return error ? { ok: false, problems: problemsOf(error) } : { ok: true, value: value as Report };
}
