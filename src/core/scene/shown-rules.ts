/**
 * For each rule of a game a play that shows it: the shortest of some legal ones whose last event is a try that the rule speaks of. The engine
 * plays them, so what is shown is what is played.
 */
import { rowPlaces } from '../rules/format/rows';
import type { PlayEvent } from '../rules/format/play';
import { start } from '../rules/playing/engine';
import { AT, B, UNSET, type PartProgram, type Program, type State } from '../rules/playing/program';
import { nextMoves, type NextMoves } from '../rules/playing/next-moves';
import { randomPlay } from '../rules/playing/random-play';
import { advance } from '../rules/playing/replay';
import type { TryEvent } from './shown-try';

/** A rule as it is shown. */
export interface ShownRule {
  /** All that was played up to the try that shows it, and that try itself. */
  readonly events: readonly PlayEvent[];
  readonly attempt: TryEvent;
  readonly before: NextMoves;
  readonly after: NextMoves;
  /** What the try is worth in the score of its part; null where that is no sum, or cannot be told by a difference. */
  readonly gain: number | null;
}

/** Plays that are looked through, so many at a time, and how many at most; a try with something on the way is shown only where it must be. */
const PLAYS = { each: 24, most: 240 } as const;
const SEED = 40_611;
const OF_A_FLAG = 60;

/** By the place of the rule as a JSON Pointer, also of what happens on the way. A rule that no play comes to is not there. */
export function shownRules(program: Program): ReadonlyMap<string, ShownRule> {
  const { parts, sides, card, calls } = program.game;
  const rules = JSON.stringify([parts, sides, card, calls]);
  if (last?.rules !== rules) last = { rules, shown: look(program) };
  return last.shown;
}

/** The rules that were asked for last: a class has the same ones, each child on its own floor. */
let last: { readonly rules: string; readonly shown: ReadonlyMap<string, ShownRule> } | undefined;

function look(program: Program): ReadonlyMap<string, ShownRule> {
  const wanted = new Set(program.parts.flatMap((part) => placesOf(part)));
  const found = new Map<string, { readonly rule: ShownRule; readonly costs: number }>();
  for (let number = 0; number < PLAYS.most && (number % PLAYS.each !== 0 || found.size < wanted.size); number += 1) {
    const { events } = randomPlay(program, SEED, number);
    const state = start(program, 'attempts');
    events.forEach((event, index) => {
      if (event.do !== 'attempt') return void advance(program, state, event);
      const part = program.parts[state[AT.part]!]!;
      const base = state[AT.base]!;
      const before = state.slice();
      advance(program, state, event);
      const costs = index + (event.flags?.length ?? 0) * OF_A_FLAG;
      for (const place of spokenOf(part, state, event)) {
        if ((found.get(place)?.costs ?? Infinity) <= costs) continue;
        found.set(place, {
          costs,
          rule: {
            events: events.slice(0, index + 1),
            attempt: event,
            before: nextMoves(program, before),
            after: nextMoves(program, state),
            gain: gainOf(part, before, state, base),
          },
        });
      }
    });
  }
  return new Map([...found].map(([place, { rule }]) => [place, rule]));
}

const flagsOf = ({ part }: PartProgram) => [...new Set(part.stages.flatMap(({ flags }) => flags ?? []))];

const placesOf = (compiled: PartProgram): readonly string[] => [
  ...rowPlaces(compiled.part, `/parts/${compiled.index}`),
  ...flagsOf(compiled).map((flag) => `/parts/${compiled.index}/also/${flag}`),
];

/** The rule that spoke of a try just now, and what happened on its way. */
function spokenOf(compiled: PartProgram, state: State, { flags = [] }: TryEvent): readonly string[] {
  const row = state[AT.row]! < 0 ? undefined : rowPlaces(compiled.part, `/parts/${compiled.index}`)[state[AT.row]!];
  return [...(row === undefined ? [] : [row]), ...flags.map((flag) => `/parts/${compiled.index}/also/${flag}`)];
}

/** The difference in the sum of a part's score that a try made, in the block of who made it. */
function gainOf(compiled: PartProgram, before: State, after: State, base: number): number | null {
  const { of } = compiled.part.measure;
  if (typeof of === 'string') return null;
  const worth = (state: State) =>
    Object.entries(of.sum).reduce((sum, [counter, weight]) => sum + weight * state[base + compiled.counterOffset(counter)]!, 0);
  const unset = Object.keys(of.sum).some((counter) => before[base + compiled.counterOffset(counter)] === UNSET);
  return unset || after[base + B.attempts]! < before[base + B.attempts]! ? null : worth(after) - worth(before);
}
