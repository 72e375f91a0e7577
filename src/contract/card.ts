/** The card of one child. */
import type { Game } from '@/core/rules/format/game';
import type { HomeForm } from '@/core/sheet/home-form';
import type { AroundTheGames, AssignedSetUp, KitThing } from './assignment';
import type { DiaryEntry } from './diary';
import type { Uuid } from './ids';

/** One game of a week, for one child. */
export interface CardItem {
  readonly assignmentId: Uuid;
  /** The day from which it may be played; null from the start. */
  readonly opensOn: string | null;
  readonly game: Game;
  readonly levelId: string;
  readonly setUp: AssignedSetUp;
  /** As asked first, then the other forms, each with its ready table of equal set-ups. */
  readonly forms: readonly HomeForm[];
  readonly par: number | null;
  /** Best score that counted as it was asked or on an equal set-up, in any week, and how often it was reported. */
  readonly best: number | null;
  readonly received: number;
}

export interface CardWeek extends AroundTheGames {
  readonly id: Uuid;
  readonly number: number;
  readonly dueOn: string;
  readonly note: string;
  /** Of an event; else empty. */
  readonly title: string;
  readonly kit: readonly KitThing[];
  readonly games: readonly CardItem[];
  /** What the school has of the movement diary. */
  readonly diaryEntries: readonly DiaryEntry[];
}

export interface Card {
  readonly scope: 'card' | 'slip';
  /** Not told to a slip: paper gets picked up by others. */
  readonly child: { readonly name: string; readonly hand: 'right' | 'left' | null } | null;
  /** The same on every card and slip of this child, and of no other: it names nobody. Absent on what was kept before there were marks. */
  readonly mark?: string;
  readonly exerciseSwapped: boolean;
  /** The newest first. */
  readonly weeks: readonly CardWeek[];
}
