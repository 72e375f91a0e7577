/** Format 2 of a game (format 1 is read by from-format-1.ts): what it is made of. What admits one is in game-schema.ts, which a child's page does not load. */
import type { GAME_FORMAT } from './formats';
import type { ImplementId } from '../../objects/catalogue';
import type { BodyForm, Technique } from '../../motion/assumed';
import type { Course, Id } from './course-format';

export type { Box, Course, Door, FloorSide, Furniture, FurnitureKind, Id, Place, PlacedTarget, Patch, Spot, Surface, Zone } from './course-format';
export type { OwnThing } from '../../objects/own';

/** What a condition looks at; names inside the game are prefixed so that nothing hides an end. */
export type Operand =
  | 'end'
  | 'felled'
  | 'count'
  | 'length'
  | 'face'
  | 'attempts'
  | 'carry'
  | 'time'
  | 'card.level'
  /** The stage that comes next, by its id. */
  | 'stage'
  /** The rule that spoke of this try, by its id. */
  | 'row'
  /** 1 when this try led past the last element of a group. */
  | `passed.${Id}`
  | `left.${Id}`
  | `at.${Id}`
  | `n.${Id}`
  | `flag.${Id}`;

export type Cond = readonly [Operand, '=' | '>=' | '<=', number | string];

/** A number, what was seen of the attempt, the value of a group's element, or what a counter or a group holds. */
export type Amount = number | 'felled' | 'count' | 'face' | 'value' | 'length' | `n.${Id}` | `at.${Id}` | `left.${Id}`;

export type Effect =
  | {
      readonly do: 'add';
      readonly counter: Id;
      readonly amount: Amount;
      /** The group whose present element's value is added, with the amount 'value'. */
      readonly of?: Id;
      readonly timesCarry?: boolean;
      /** 'others': it is the other sides' counter. */
      readonly for?: 'others';
    }
  | { readonly do: 'set' | 'keepMax' | 'keepMin'; readonly counter: Id; readonly amount: Amount; readonly of?: Id }
  | { readonly do: 'go'; readonly group: Id; readonly to: 'next' | 'back' | 'first' | 'stay' }
  | { readonly do: 'mark'; readonly group: Id; readonly as: 'down' | 'out' }
  | { readonly do: 'reset'; readonly group: Id }
  /** What fell in this attempt is put up again; with 'but' all of it but one, and the child says which. */
  | { readonly do: 'restore'; readonly group: Id; readonly but?: 1 }
  | { readonly do: 'owe'; readonly gate: Id }
  | { readonly do: 'carry'; readonly next: number; readonly afterNext: number }
  | { readonly do: 'stage'; readonly to: 'next' | Id }
  /** The next player's turn: where the turn changes as the rules say. */
  | { readonly do: 'turn' };

/** 'stopped' ends the whole go before its end; 'given-up' ends one part of it. */
export type FinishReason = 'time' | 'goal' | 'attempts' | 'cap' | 'all-out' | 'target-score' | 'rounds' | 'stopped' | 'given-up';

export interface Group {
  readonly kind: 'place' | 'target' | 'pin' | 'item' | 'implement';
  readonly n: number;
  readonly order: 'fixed' | 'either-way' | 'free';
  /** Past the last element: it stays there, or begins at the first again. */
  readonly end: 'stay' | 'wrap';
  /** The counter that says how many elements a reset puts up, from the first. Without it: all. */
  readonly up?: Id;
  readonly value?: readonly number[];
  readonly labels?: readonly string[];
}

export interface End {
  readonly id: Id;
  readonly label: string;
  /** For the sentences, after "if": "it stays in the basket". */
  readonly says?: string;
  /** What the forecast takes it for: the attempt did what it was meant to, or did not, or something seldom that it leaves out. */
  readonly as: 'success' | 'failure' | 'seldom';
}

/**
 * A stage of a part: what a try is here. Where a part has several, each try belongs to one: along the line, then round the ring; first ball,
 * second ball. Without a word it stays in its stage.
 */
export interface Stage extends Task {
  /** How it is called, where there are several: "first ball". */
  readonly name?: string;
  /** Rules of this stage, asked before those of the whole part. */
  readonly rows?: readonly Row[];
  /** What is thrown, kicked or kept up here, where it is another thing than the game's, or nothing. */
  readonly with?: ImplementId | 'nothing';
}

export interface Task {
  readonly id: Id;
  readonly from?: Id;
  readonly at?: Id;
  readonly technique: Technique | 'roll' | 'kick' | 'lift' | 'strike-up' | 'move' | 'other';
  readonly see: 'end' | 'felled' | 'count' | 'length' | 'face' | 'text';
  readonly ends?: readonly End[];
  readonly flags?: readonly Id[];
  /** Words for the flags, as the counter's buttons and the sentences say them: "touched the edge". */
  readonly flagWords?: Readonly<Record<Id, string>>;
  /** Words for the faces, from 0: heads and tails, the sides of a shoe. */
  readonly faces?: readonly string[];
  /** Asked after every try, or only once, when the time is up. */
  readonly asked?: 'each' | 'whistle';
  /** Who brings the ball: a partner rolls it, or a wall sends it back. */
  readonly feeder?: 'partner' | 'wall';
  /** What is to be done, in a few words, where the technique does not say it: "carry the water to the bowl". */
  readonly what?: string;
}

/**
 * What becomes of a try: it counts; it is gone, used up with nothing given for it; it is taken again, not used up; it never was, and a clock
 * gives its time back.
 */
export type Validity = 'counts' | 'gone' | 'again' | 'never';

export interface Row {
  /** For a stop that names it. */
  readonly id?: Id;
  readonly if: readonly Cond[];
  readonly validity: Validity;
  readonly do: readonly Effect[];
}

export interface Gate {
  readonly kind: 'exercise' | 'rest' | 'set-up' | 'face';
  readonly what: string;
  readonly n: number;
  readonly onClock: boolean;
  /** Owed before every attempt, or each time a group has gone round. */
  readonly before?: 'attempt' | 'round';
  /** For a gate of chance: the words of its faces, and which of them let the child go on. */
  readonly faces?: readonly string[];
  readonly passes?: readonly number[];
}

export interface Clock {
  readonly kind: 'none' | 'down' | 'up';
  readonly s: number;
  readonly per: 'part' | 'item' | 'side';
  /** A ball in the air at the whistle counts when it was released before it, or only when it has landed. */
  readonly inFlight?: 'released' | 'landed';
}

export interface Stop {
  readonly if: readonly Cond[];
  readonly why: FinishReason;
}

export interface Measure {
  readonly of: { readonly sum: Readonly<Record<Id, number>> } | 'clock' | 'minutes' | 'done';
  readonly unit: string;
  readonly better: 'high' | 'low';
  readonly tie?: readonly Measure[];
}

/** Things that a station needs beside those on the floor and what is played with: a coat, a cup. */
export interface Needed {
  readonly name: string;
  readonly n: number;
}

export interface Part {
  readonly id: Id;
  readonly title?: string;
  readonly needs?: readonly Needed[];
  /** So many play this station together for one score. */
  readonly together?: number;
  readonly when?: readonly Cond[];
  readonly goes: { readonly n: number; readonly keep: 'best' | 'last' | 'sum' };
  readonly counters: readonly Id[];
  /** Where a counter starts, if not at 0. */
  readonly startAt?: Readonly<Record<Id, number>>;
  /** Counters that no rule need speak of: the number of the farthest place of a group from which a try succeeded. */
  readonly kept?: Readonly<Record<Id, { readonly farthest: Id }>>;
  /** Words for the counters, as the working says them: "full rounds". */
  readonly counterWords?: Readonly<Record<Id, string>>;
  readonly groups: Readonly<Record<Id, Group>>;
  readonly stages: readonly Stage[];
  readonly gates: Readonly<Record<Id, Gate>>;
  readonly rows: readonly Row[];
  readonly also?: Readonly<Record<Id, readonly Effect[]>>;
  /** Several flags at one attempt: each counts, or only the first of the list. */
  readonly flagsTogether?: 'each' | 'one';
  readonly clock: Clock;
  /** The one way to end: the first of these that holds after a try, or the clock. */
  readonly stop: readonly Stop[];
  readonly measure: Measure;
  /** A part that ended before its goal: written down as not finished, or its score counts as it stands. */
  readonly unfinished?: 'not-finished' | 'as-it-stands';
}

/** A level replaces named slots of the game: JSON Pointers (RFC 6901) from a closed list, each with its value. */
export interface Level {
  readonly id: Id;
  readonly name: string;
  readonly set: Readonly<Record<string, unknown>>;
  /** Move up after this score, if the teacher set one. */
  readonly moveUpAt?: number;
  readonly toBeat?: ToBeat;
}

/** A score to beat, and the set-up with which it was made. */
export interface ToBeat {
  readonly value: number;
  readonly unit: string;
  readonly by: string;
  /** Day of the play, ISO 8601. */
  readonly on: string;
  readonly setUp: {
    readonly implement: ImplementId;
    /** Metres from each place to what it looks towards, in the order of the places. */
    readonly distancesM: readonly number[];
    readonly targets: readonly string[];
  };
}

/** A teaching point as it is told: a word to say aloud, what to do, what to look for, and the usual fault with what it does. */
export interface ToldPoint {
  readonly word: string;
  readonly point: string;
  readonly look: string;
  readonly fault: string;
}

/** What the teacher says of the movement, where it is not what Lochside says. */
export interface Teaching {
  /** By skill: points in place of the usual ones; "{hand}", "{foot}" and "{other}" stand for the child's own side. */
  readonly points?: Readonly<Record<string, readonly ToldPoint[]>>;
  /** Up to four things to look for, marked yes, sometimes or not yet. */
  readonly lookFors?: readonly string[];
  /** Cautions beside those that always go with the things. */
  readonly cautions?: readonly string[];
}

/** How the body is held, and which hand or foot is used; standing and their own when it is not said. */
export interface Kit {
  readonly implement: ImplementId;
  readonly marker: string;
  readonly form?: BodyForm;
  readonly hand?: 'own' | 'other';
}

export interface Game {
  readonly format: typeof GAME_FORMAT;
  readonly title: string;
  /** The age it was made for, in years. */
  readonly ageYears?: number;
  /** One sentence said to the child before anything else: "Light as many lanterns as you can". */
  readonly aim: string;
  readonly kit: Kit;
  readonly course: Course;
  readonly parts: readonly Part[];
  readonly card: { readonly combine: 'sum' | 'wins' | 'list'; readonly better: 'high' | 'low' };
  readonly sides: {
    readonly n: number;
    /** When the turn changes; 'said': when a rule says so. */
    readonly turn: 'none' | 'attempt' | 'miss' | 'frame' | 'half-time' | 'part' | 'said';
    /** When one reaches the end first, the others still get the turns that they have had fewer. */
    readonly lastTurnLevel?: boolean;
    /** Every player's own score, or one that all make together. */
    readonly score?: 'own' | 'joint';
    /** How much farther off each player stands than the places say, metres; the child first. */
    readonly fartherM?: readonly number[];
  };
  /** The page asks the child for the sum before it says it; both are kept. */
  readonly childAdds?: true;
  /** Who says what a doubtful attempt was. */
  readonly calls?: 'thrower' | 'partner' | 'again';
  readonly teaching?: Teaching;
  readonly levels: readonly Level[];
}
