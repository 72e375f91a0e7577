import type { Game, Part, Row } from '../format/game';

export type GapKind =
  | 'miss' // an end of an attempt that no rule speaks of
  | 'tipped' // the target falls over
  | 'edge' // an edge, a wall or a thing in the way is touched
  | 'two-at-once'
  | 'tie'
  | 'stroke-cap'
  | 'bad-feed'
  | 'not-finished'
  | 'mixed-units'
  | 'set-up-clock'
  | 'said-twice'
  | 'never-happens'
  | 'endless'
  | 'levers'
  | 'no-time'
  | 'luck'
  | 'hit-or-in' // a thing with an opening
  | 'in-flight'
  | 'past-target'
  | 'equal-turns'
  | 'whose-turn' // said twice, or not at all
  | 'who-calls'
  | 'two-flags';

export interface Mend {
  readonly label: string;
  /** The game with the mend applied. */
  readonly game: Game;
}

export interface Gap {
  readonly kind: GapKind;
  /** JSON Pointer into the game. */
  readonly place: string;
  readonly question: string;
  readonly why: string;
  readonly mends: readonly Mend[];
}

/** A mend of one part: how it is called, and what of the part it replaces. */
export type Change = (label: string, to: Partial<Part>) => Mend;

export function withPart(game: Game, index: number, change: Partial<Part>): Game {
  return { ...game, parts: game.parts.map((part, at) => (at === index ? { ...part, ...change } : part)) };
}

/** Rules that are asked one after the other: those of the part, and those of each stage. */
export interface RuleList {
  /** JSON Pointer of the list. */
  readonly place: string;
  readonly rows: readonly Row[];
  /** The part with other rules in their place. */
  readonly put: (rows: readonly Row[]) => Partial<Part>;
}

export function ruleLists(part: Part, at: string): readonly RuleList[] {
  const ofStages = part.stages.flatMap((stage, index): RuleList[] =>
    stage.rows
      ? [{ place: `${at}/stages/${index}/rows`, rows: stage.rows, put: (rows) => ({ stages: part.stages.with(index, { ...stage, rows }) }) }]
      : [],
  );
  return [{ place: `${at}/rows`, rows: part.rows, put: (rows) => ({ rows }) }, ...ofStages];
}

/** Players who play against each other, each with a score of their own. */
export const against = (game: Game): boolean => game.sides.n > 1 && game.sides.score !== 'joint';
