/** The draft on the chart table and what can be done to it, with undo and redo. */
import {
  withAligned,
  withFloor,
  withPlaceDistance,
  withSpread,
  withThingAt,
  withThingsMoved,
  withTurned,
  withWidth,
  type Alignment,
  type HowToMove,
} from '@/core/course/move';
import { spotOf, type CourseThing } from '@/core/course/things';
import { withLevelChange } from '@/core/levels/edit-levels';
import { withFairPoints } from '@/core/levels/fair-points';
import { solveLevel, withPlaces } from '@/core/levels/solve';
import type { OfClass } from '@/core/progress/by-family';
import type { Game, Spot } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { withSlot } from '@/core/rules/telling/sentences';

export interface Draft {
  readonly game: Game;
  readonly ageYears: number;
  /** The chances, level by level, for which distances were last found, while everything still stands where that left it. */
  readonly asked?: readonly number[];
}

export interface DraftHistory {
  readonly now: Draft;
  readonly past: readonly Draft[];
  readonly future: readonly Draft[];
  /** While something is dragged: the draft as it was when that began. All of a drag is one step of undo. */
  readonly dragFrom: Draft | null;
}

interface AtLevel extends HowToMove {
  readonly level: number;
}

export type DraftAction =
  /** Things moved so that the one that is held comes to a spot. */
  | (AtLevel & { readonly do: 'move'; readonly thing: CourseThing; readonly with?: readonly CourseThing[]; readonly to: Spot })
  /** Things turned or spread: while dragging, from where they were when the drag began. */
  | (AtLevel & { readonly do: 'turn'; readonly things: readonly CourseThing[]; readonly byRad: number })
  | (AtLevel & { readonly do: 'spread'; readonly things: readonly CourseThing[]; readonly factor: number })
  | { readonly do: 'align'; readonly level: number; readonly things: readonly CourseThing[]; readonly how: Alignment }
  | { readonly do: 'set-distance'; readonly level: number; readonly group: string; readonly mark: number; readonly distanceM: number }
  | { readonly do: 'set-width'; readonly level: number; readonly thing: CourseThing; readonly widthM: number; readonly onlyHere?: boolean }
  | { readonly do: 'floor'; readonly widthM: number; readonly depthM: number }
  /** A slot of the rules: at every level, or at one only. */
  | { readonly do: 'slot'; readonly slot: string; readonly value: string | number; readonly shown: number; readonly onlyHere: boolean }
  /** The game as something worked out or chosen makes it. */
  | { readonly do: 'mend'; readonly game: Game }
  /** The game as a change of the newest makes it. */
  | { readonly do: 'edit'; readonly change: (game: Game) => Game }
  | { readonly do: 'title'; readonly title: string }
  | { readonly do: 'level-name'; readonly level: number; readonly name: string }
  | { readonly do: 'age'; readonly ageYears: number }
  | { readonly do: 'solve'; readonly chances: readonly number[]; readonly of?: OfClass }
  | { readonly do: 'fair-points'; readonly level: number }
  /** The steps of an earlier sitting of this tab, taken up again. */
  | { readonly do: 'take-up'; readonly history: DraftHistory }
  | { readonly do: 'drag-start' }
  | { readonly do: 'drag-end' }
  | { readonly do: 'undo' }
  | { readonly do: 'redo' };

const MOST_STEPS = 200;

/** What leaves distances and chances as they are. */
const STAYS_PUT: ReadonlySet<DraftAction['do']> = new Set(['title', 'level-name', 'fair-points']);

export function beginDraft(game: Game, ageYears: number): DraftHistory {
  return { now: { game, ageYears }, past: [], future: [], dragFrom: null };
}

/** The drag brought to its end: a step of its own, or none when nothing moved, and then what can be done again stays. */
function dropped(history: DraftHistory): DraftHistory {
  const { now, past, dragFrom } = history;
  if (dragFrom === null) return history;
  if (dragFrom === now) return { ...history, dragFrom: null };
  return { now, past: [...past, dragFrom].slice(-MOST_STEPS), future: [], dragFrom: null };
}

export function changeDraft(history: DraftHistory, action: DraftAction): DraftHistory {
  switch (action.do) {
    case 'undo': {
      const { now, past, future } = dropped(history);
      const before = past.at(-1);
      return before ? { now: before, past: past.slice(0, -1), future: [now, ...future], dragFrom: null } : history;
    }
    case 'redo': {
      const { now, past, future } = dropped(history);
      const [after, ...rest] = future;
      return after ? { now: after, past: [...past, now], future: rest, dragFrom: null } : history;
    }
    case 'take-up':
      return history.past.length === 0 && history.dragFrom === null ? action.history : history;
    case 'drag-start':
      return { ...dropped(history), dragFrom: history.now };
    case 'drag-end':
      return dropped(history);
    default: {
      const whole = action.do === 'turn' || action.do === 'spread';
      const from = (whole ? history.dragFrom : null) ?? history.now;
      const next = changed(from, action);
      if (next === from) return history;
      const now = STAYS_PUT.has(action.do) ? next : action.do === 'solve' ? { ...next, asked: action.chances } : { ...next, asked: [] };
      return history.dragFrom ? { ...history, now } : { now, past: [...history.past, history.now].slice(-MOST_STEPS), future: [], dragFrom: null };
    }
  }
}

function changed(draft: Draft, action: Exclude<DraftAction, { do: 'undo' | 'redo' | 'take-up' | 'drag-start' | 'drag-end' }>): Draft {
  const game = gameAfter(draft, action);
  if (action.do === 'age') return action.ageYears === draft.ageYears ? draft : { ...draft, ageYears: action.ageYears };
  return game === draft.game ? draft : { ...draft, game };
}

function gameAfter({ game, ageYears }: Draft, action: Exclude<DraftAction, { do: 'undo' | 'redo' | 'take-up' | 'drag-start' | 'drag-end' }>): Game {
  switch (action.do) {
    case 'move': {
      const { level, thing, to } = action;
      if (!action.with) return withThingAt(game, level, thing, to, action);
      const now = spotOf(resolveLevel(game, level).course, thing);
      return now ? withThingsMoved(game, level, action.with, { xM: to.xM - now.xM, yM: to.yM - now.yM }, action) : game;
    }
    case 'turn':
      return withTurned(game, action.level, action.things, action.byRad, action);
    case 'spread':
      return withSpread(game, action.level, action.things, action.factor, action);
    case 'align':
      return withAligned(game, action.level, action.things, action.how);
    case 'set-distance':
      return withPlaceDistance(game, action.level, action.group, action.mark, action.distanceM);
    case 'set-width':
      return withWidth(game, action.level, action.thing, action.widthM, action.onlyHere);
    case 'floor':
      return withFloor(game, action.widthM, action.depthM);
    case 'slot':
      return slotChanged(game, action);
    case 'title':
      return action.title.trim() === '' || action.title === game.title ? game : { ...game, title: action.title.slice(0, 60) };
    case 'level-name':
      return action.name.trim() === '' || action.name === game.levels[action.level]!.name
        ? game
        : { ...game, levels: game.levels.map((level, index) => (index === action.level ? { ...level, name: action.name.slice(0, 24) } : level)) };
    case 'mend':
      return action.game;
    case 'edit':
      return action.change(game);
    case 'age':
      return game;
    case 'solve':
      return action.chances.reduce(
        (next, chance, index) =>
          index < next.levels.length ? withPlaces(next, index, solveLevel(next, index, chance, ageYears, action.of).places) : next,
        game,
      );
    case 'fair-points':
      return withFairPoints(game, action.level, ageYears) ?? game;
  }
}

/** Slots that a level cannot have otherwise. */
const OF_THE_WHOLE_GAME = /^\/?aim$|^\/(card|calls)/;

/** A slot is changed at every level, and also at the one that is shown where that has its own; or only there. */
function slotChanged(game: Game, { slot, value, shown, onlyHere }: Extract<DraftAction, { do: 'slot' }>): Game {
  const atLevel = (from: Game) => withLevelChange(from, shown, (level) => withSlot(level, slot, value));
  if (onlyHere && !OF_THE_WHOLE_GAME.test(slot)) return atLevel(game);
  return atLevel(withSlot(game, slot, value));
}
