/** The draft on the chart table and what can be done to it, with undo and redo. */
import { withFloor, withPlaceDistance, withThingAt, withWidth, type CourseThing } from '@/core/course/move';
import { placeChances } from '@/core/forecast/chances';
import { withFairPoints } from '@/core/levels/fair-points';
import { fairPoints, solveLevel, withPlaces } from '@/core/levels/solve';
import type { Game, Spot } from '@/core/rules/game';
import { resolveLevel } from '@/core/rules/level';
import { readThrowRules, withThrowRules } from '@/core/rules/throw-rules';
import { withSlot } from '@/core/rules/sentences';

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
  /** True between the first and the last movement of a drag: one step of undo for all of it. */
  readonly dragging: boolean;
}

export type DraftAction =
  | { readonly do: 'move'; readonly level: number; readonly thing: CourseThing; readonly to: Spot }
  | { readonly do: 'set-distance'; readonly level: number; readonly group: string; readonly mark: number; readonly distanceM: number }
  | { readonly do: 'set-width'; readonly level: number; readonly group: string; readonly index: number; readonly widthM: number }
  | { readonly do: 'floor'; readonly widthM: number; readonly depthM: number }
  | { readonly do: 'slot'; readonly slot: string; readonly value: string | number }
  | { readonly do: 'mend'; readonly game: Game }
  | { readonly do: 'title'; readonly title: string }
  | { readonly do: 'level-name'; readonly level: number; readonly name: string }
  | { readonly do: 'age'; readonly ageYears: number }
  | { readonly do: 'solve'; readonly chances: readonly number[] }
  | { readonly do: 'fair-points'; readonly level: number }
  | { readonly do: 'drag-start' }
  | { readonly do: 'drag-end' }
  | { readonly do: 'undo' }
  | { readonly do: 'redo' };

const MOST_STEPS = 200;

/** What leaves distances and chances as they are. */
const STAYS_PUT: ReadonlySet<DraftAction['do']> = new Set(['title', 'level-name', 'fair-points']);

export function begin(game: Game, ageYears: number): DraftHistory {
  return { now: { game, ageYears }, past: [], future: [], dragging: false };
}

export function changeDraft(history: DraftHistory, action: DraftAction): DraftHistory {
  switch (action.do) {
    case 'undo': {
      const before = history.past.at(-1);
      return before ? { now: before, past: history.past.slice(0, -1), future: [history.now, ...history.future], dragging: false } : history;
    }
    case 'redo': {
      const [after, ...rest] = history.future;
      return after ? { now: after, past: [...history.past, history.now], future: rest, dragging: false } : history;
    }
    case 'drag-start':
      return { ...history, past: [...history.past, history.now].slice(-MOST_STEPS), future: [], dragging: true };
    case 'drag-end':
      return { ...history, dragging: false, past: history.past.at(-1) === history.now ? history.past.slice(0, -1) : history.past };
    default: {
      const next = changed(history.now, action);
      if (next === history.now) return history;
      const now = STAYS_PUT.has(action.do) ? next : action.do === 'solve' ? { ...next, asked: action.chances } : { ...next, asked: [] };
      return history.dragging ? { ...history, now } : { now, past: [...history.past, history.now].slice(-MOST_STEPS), future: [], dragging: false };
    }
  }
}

function changed(draft: Draft, action: Exclude<DraftAction, { do: 'undo' | 'redo' | 'drag-start' | 'drag-end' }>): Draft {
  const { game } = draft;
  switch (action.do) {
    case 'move':
      return { ...draft, game: withThingAt(game, action.level, action.thing, action.to) };
    case 'set-distance':
      return { ...draft, game: withPlaceDistance(game, action.level, action.group, action.mark, action.distanceM) };
    case 'set-width':
      return { ...draft, game: withWidth(game, action.level, action.group, action.index, action.widthM) };
    case 'floor':
      return { ...draft, game: withFloor(game, action.widthM, action.depthM) };
    case 'slot':
      return { ...draft, game: withSlot(game, action.slot, action.value) };
    case 'title':
      return action.title.trim() === '' ? draft : { ...draft, game: { ...game, title: action.title.slice(0, 60) } };
    case 'level-name':
      return action.name.trim() === ''
        ? draft
        : {
            ...draft,
            game: {
              ...game,
              levels: game.levels.map((level, index) => (index === action.level ? { ...level, name: action.name.slice(0, 24) } : level)),
            },
          };
    case 'mend':
      return { ...draft, game: action.game };
    case 'age':
      return { ...draft, ageYears: action.ageYears };
    case 'solve':
      return {
        ...draft,
        game: action.chances.reduce(
          (next, chance, index) =>
            index < next.levels.length ? withPlaces(next, index, solveLevel(next, index, chance, draft.ageYears).places) : next,
          game,
        ),
      };
    case 'fair-points': {
      const rules = readThrowRules(game);
      if (!rules) return { ...draft, game: withFairPoints(game, action.level, draft.ageYears) ?? game };
      const chances = placeChances(resolveLevel(game, action.level), { ageYears: draft.ageYears }).map((place) => place.chance);
      return { ...draft, game: withThrowRules(game, { ...rules, values: fairPoints(chances) }) };
    }
  }
}
