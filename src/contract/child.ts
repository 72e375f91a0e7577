/** One child as a teacher sees it. */
import type { AimCurve } from '@/core/progress/chance-by-distance';
import type { Fitted } from '@/core/progress/fit';
import type { Next } from '@/core/progress/what-next';
import type { MarkedLook } from '@/core/reports/look-marks';
import type { DiaryEntry } from './diary';
import type { Uuid } from './ids';

export interface LikeBest {
  readonly gameTitle: string;
  readonly levelName: string;
  readonly form: string;
  readonly unit: string;
  readonly best: number;
  readonly first: number;
  readonly latest: number;
  readonly goes: number;
  readonly latestOn: string;
}

export interface WeekOfChild {
  readonly number: number;
  readonly dueOn: string;
  readonly games: readonly {
    readonly title: string;
    readonly levelName: string;
    readonly unit: string;
    readonly best: number | null;
    readonly par: number | null;
    /** Goes made easier or harder: told beside the par of the set-up that was used, never compared with the others. */
    readonly otherGoes: readonly { readonly words: string; readonly value: number; readonly par: number | null }[];
    /** Something of it waits to be looked at. */
    readonly doubt: boolean;
    readonly felt: string | null;
    /** Of the child's own sums how many were right; null where none was asked for. */
    readonly ownSums: { readonly right: number; readonly of: number } | null;
    readonly looksHome: readonly MarkedLook[];
    readonly looksTeacher: readonly MarkedLook[];
    readonly film: boolean;
    readonly comment: string;
  }[];
  readonly diary: readonly DiaryEntry[];
}

export interface ChildRecord {
  readonly id: Uuid;
  readonly name: string;
  readonly classId: Uuid | null;
  readonly className: string;
  readonly ageYears: number;
  readonly fit: Fitted;
  /** False where nothing of the child itself tells of its skill: the class's is shown. */
  readonly own: boolean;
  readonly next: (Next & { readonly gameTitle: string }) | null;
  readonly bests: readonly LikeBest[];
  readonly aims: readonly AimCurve[];
  readonly weeks: readonly WeekOfChild[];
  readonly note: { readonly words: string; readonly by: string; readonly on: string } | null;
  readonly reports: number;
}

/** How much an erasure takes away, for what is asked before it. */
export interface AboutChild {
  readonly reports: number;
  readonly diary: number;
  readonly inventions: number;
}
