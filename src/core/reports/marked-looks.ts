import type { LookMark, MarkedLook } from './look-marks';

export type LookMarks = Readonly<Record<string, LookMark>>;

/** The marks that were made, as they are kept: in the order of what is looked for. */
export function markedLooks(lookFors: readonly string[], marks: LookMarks): readonly MarkedLook[] {
  return lookFors.flatMap((look) => (marks[look] ? [{ look, mark: marks[look] }] : []));
}
