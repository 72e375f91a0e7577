/** What is asked of the paper maker: how it shall look, and its sheets. Plain data, handed to a process of its own. */
import type { EventSlot } from '@/core/levels/event-order';
import type { PaperWanted } from '@/contract/paper';
import type { KitThing } from '@/contract/assignment';
import type { TestedFamily } from '@/core/progress/tested';
import type { Game } from '@/core/rules/format/game';
import type { Hand } from '@/core/sheet/teaching-points';

/** The languages in which sheets are printed. */
export type PaperLanguage = PaperWanted['language'];

export interface PaperLook {
  readonly size: 'A4' | 'LETTER';
  readonly print: 'usual' | 'large';
  /** For readers whom white glares at. */
  readonly ground: 'white' | 'pale';
  readonly language: PaperLanguage;
}

export const USUAL_LOOK: PaperLook = { size: 'A4', print: 'usual', ground: 'white', language: 'en' };

/** Where the score goes back: a link in a square, and the code to type. */
export interface Slip {
  readonly url: string;
  /** To be typed at `page`, where there is no camera. */
  readonly code: string;
  /** The address of the page without its protocol: "school.example/home". */
  readonly page: string;
}

/** Of whom a sheet is; null where it is for anybody. */
export interface SheetOf {
  readonly name: string | null;
  readonly hand: Hand;
  /** What the paces are counted in, metres; the level's marks are where they put them. */
  readonly stepM: number;
}

export interface GameOnPaper {
  readonly title: string;
  readonly levelName: string;
  readonly aim: string;
  /** The game resolved to its level. */
  readonly level: Game;
}

export interface WeekOnPaper {
  readonly number: number | null;
  readonly dueOn: string | null;
  readonly warmUp: string;
  readonly diary: string;
  readonly note: string;
  readonly film: string;
  readonly filmAlone: boolean;
}

export type Sheet =
  | {
      readonly kind: 'home';
      readonly of: SheetOf;
      readonly game: GameOnPaper;
      readonly week: WeekOnPaper;
      readonly par: number | null;
      readonly slip: Slip | null;
    }
  | {
      readonly kind: 'class-test';
      readonly className: string;
      readonly family: TestedFamily;
      readonly marksM: readonly number[];
      readonly heldOn: string;
      /** The children of a group, and which of how many groups it is. */
      readonly names: readonly string[];
      readonly group: number;
      readonly groups: number;
    }
  | { readonly kind: 'notice'; readonly title: string; readonly words: string }
  | { readonly kind: 'frames'; readonly of: SheetOf; readonly game: GameOnPaper; readonly week: WeekOnPaper; readonly slip: Slip | null }
  | { readonly kind: 'diary'; readonly of: SheetOf; readonly week: WeekOnPaper; readonly days: readonly string[] }
  | {
      readonly kind: 'event';
      readonly of: SheetOf;
      readonly title: string;
      readonly week: WeekOnPaper;
      readonly games: readonly EventGameOnPaper[];
      readonly kit: readonly KitThing[];
    };

/** A game of an event, with the minutes that it takes in its order; null where they are not known. */
export interface EventGameOnPaper extends GameOnPaper {
  readonly opensOn: string | null;
  readonly slip: Slip | null;
  readonly slot: EventSlot | null;
}

export interface PaperJob {
  readonly look: PaperLook;
  readonly sheets: readonly Sheet[];
}
