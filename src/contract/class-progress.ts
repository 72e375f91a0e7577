/** How a class gets on, as its page is served with it. */
import type { SkillOverWeeks } from '@/core/progress/over-the-weeks';

export interface ProgressOfClass {
  readonly skills: readonly SkillOverWeeks[];
  /** The Mondays of the weeks, ISO 8601. */
  readonly since: Readonly<Record<number, string>>;
  readonly tries: number;
}
