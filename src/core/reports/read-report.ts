import { problemsOf } from '../rules/read-game';
import type { Outcome } from '../rules/problem';
import { reportSchema, type Report } from './report';

/** Reads an unknown value as a report of format 1. Never throws; says what is wrong and where. */
export function readReport(input: unknown): Outcome<Report> {
  const { error, value } = reportSchema.validate(input, { abortEarly: false, convert: false });
  return error ? { ok: false, problems: problemsOf(error) } : { ok: true, value: value as Report };
}
