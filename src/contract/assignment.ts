/** What was asked of one child: its set-up, and what goes with the games of a week. */
import type { BodyForm } from '@/core/motion/assumed';
import type { UsedSetUp } from '@/core/reports/report';

/** What was asked of one child: stored with the assignment so that an old par stays what it was. */
export interface AssignedSetUp extends UsedSetUp {
  readonly stepM: number;
  readonly ageYears: number;
  readonly form: BodyForm;
}

/** A thing that a home finds, or that the school sends, so many for each child. */
export interface KitThing {
  readonly name: string;
  readonly n: number;
  readonly from: 'home' | 'school';
}

/** What goes with the games of a week. */
export interface AroundTheGames {
  readonly warmUp: string;
  readonly diary: string;
  readonly film: string;
  /** The film is what is handed in: no score is asked. */
  readonly filmAlone: boolean;
  /** A film or page of the teacher's own: its address, opened by an adult alone; absent or empty for none. */
  readonly page?: string;
}
