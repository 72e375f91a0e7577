/** The movement diary. */
import type { Uuid } from './ids';

export interface DiaryEntry {
  /** Made by the page, so that sending twice writes once. */
  readonly id: Uuid;
  readonly weekId: Uuid;
  readonly day: string;
  readonly what: string;
  readonly minutes: number;
  readonly initials: string;
  readonly struck: boolean;
}
