/** Credit for a week: a report of any verdict but impossible (or a film that was handed in), or a log that an adult has signed. */

/** What a teacher asks for: one of the two, or both. */
export const CREDIT_RULES = ['either', 'both'] as const;
export type CreditRule = (typeof CREDIT_RULES)[number];

export interface TookPart {
  readonly reported: boolean;
  readonly signed: boolean;
}

export function hasCredit({ reported, signed }: TookPart, rule: CreditRule): boolean {
  return rule === 'both' ? reported && signed : reported || signed;
}

/** What is still missing for the credit, in words; empty when nothing is. */
export function missingWords(part: TookPart, rule: CreditRule): string {
  if (hasCredit(part, rule)) return '';
  if (rule === 'both' && part.reported) return 'the log is not signed yet';
  if (rule === 'both' && part.signed) return 'no report yet';
  return 'nothing yet';
}
