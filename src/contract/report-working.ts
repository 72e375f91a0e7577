/** How the goes of a report are worked out. */
import type { Frame } from '@/core/rules/playing/frames';
import { count, figure, list, oneOf, record, textField } from './fields';

export interface ReportWorking {
  readonly goes: readonly {
    /** "4 full rounds × 4 = 16, and 3 extra goals = 19", or why there is none. */
    readonly sum: string;
    readonly frames: readonly Frame[] | null;
  }[];
}

export const reportWorkingSchema = record<ReportWorking>({
  goes: list(
    record({ sum: textField, frames: list(record({ balls: list(count), kind: oneOf('open', 'spare', 'strike'), total: figure })).allow(null) }),
  ),
});
