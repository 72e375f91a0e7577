/** What is hard to believe of a go: more than a body does in the time, a race that nobody runs so fast, a length that no floor has. */
import { allRows } from '../rules/format/rows';
import { placedMarks } from '../course/geometry';
import { MOST_OF_A_BODY, OLDER_FROM } from '../motion/assumed';
import type { Game, Part } from '../rules/format/game';
import { mmPerUnit } from '../rules/format/length-unit';
import type { PlayEvent } from '../rules/format/play';
import type { Go } from './report';

/** Beyond the floor a ball runs on through an open side, metres. Assumed. */
const RUNS_ON_M = 5;

interface Played {
  readonly game: Game;
  readonly go: Go;
  /** The score in the unit of the game; null for none. */
  readonly value: number | null;
  /** What the go took, as far as it is known, and how many tries were counted in it. */
  readonly seconds: number;
  readonly tries: number;
}

/** A finding as it is said, or nothing; only of games of one part, whose score is what is asked about. */
export function hardToBelieve({ game, go, value, seconds, tries }: Played): string | null {
  const [part] = game.parts as [Part];
  if (game.parts.length > 1) return null;
  const played = part.clock.kind === 'down' && part.clock.per === 'part' ? part.clock.s : seconds;
  const isOlder = (game.ageYears ?? OLDER_FROM) >= OLDER_FROM;
  return (
    tooQuick(part, tries, value, played) ??
    (value === null ? null : (racedTooFast(game, part, value, isOlder) ?? tooLong(game, part, go, value))) ??
    wordsOf(part, go.events) ??
    exercises(part, go.events)
  );
}

/** How often a second it can be done at most; null where the body sets no bound that is known. */
function mostPerSecond(part: Part): { readonly perS: number; readonly what: string } | null {
  const [task] = part.stages;
  if (!task || part.stages.length > 1) return null;
  const { tapsPerS, keepUpsPerS, flipsPerS, wordS } = MOST_OF_A_BODY;
  if (task.see === 'text') return { perS: 1 / wordS, what: 'find and fetch' };
  if (task.technique === 'strike-up') return { perS: keepUpsPerS * Math.max(1, balls(part)), what: 'keep up' };
  if (task.see === 'count') return { perS: tapsPerS, what: 'tap' };
  if (task.technique === 'other' && task.see === 'end' && task.at === undefined && task.asked !== 'whistle') return { perS: flipsPerS, what: 'do' };
  return null;
}

const balls = (part: Part): number => Object.values(part.groups).find(({ kind }) => kind === 'implement')?.n ?? 1;

/** The score counts what is done, one each. */
const countsEach = (part: Part): boolean =>
  typeof part.measure.of !== 'string' &&
  part.measure.better === 'high' &&
  allRows(part).every((row) => row.do.every((effect) => effect.do !== 'add' || effect.amount === 'count' || effect.amount === 1)) &&
  Object.values(part.measure.of.sum).every((weight) => weight === 1);

function tooQuick(part: Part, tries: number, value: number | null, seconds: number): string | null {
  const bound = mostPerSecond(part);
  if (!bound || seconds <= 0) return null;
  // Of words those that were found.
  const counted = ['count', 'text'].includes(part.stages[0]!.see) || tries === 0;
  const done = counted ? (countsEach(part) ? (value ?? 0) : 0) : tries;
  const most = Math.floor(bound.perS * seconds);
  return done > Math.max(1, most) ? `${done} in ${Math.round(seconds)} seconds is more than anybody can ${bound.what}: about ${most} at most.` : null;
}

/** A race from mark to mark, with something to do at each that has words of its own. */
function racedTooFast(game: Game, part: Part, seconds: number, isOlder: boolean): string | null {
  if (part.measure.of !== 'clock' || part.stages.some((task) => task.technique !== 'move')) return null;
  const from = part.stages[0]!.from;
  const group = from === undefined ? undefined : part.groups[from];
  const marks = placedMarks(game).filter((mark) => mark.group === from);
  const way = marks.slice(1).reduce((sum, { spot }, index) => sum + Math.hypot(spot.xM - marks[index]!.spot.xM, spot.yM - marks[index]!.spot.yM), 0);
  const { runMPerS, stationS } = MOST_OF_A_BODY;
  const least = way / runMPerS[isOlder ? 'older' : 'young'] + (group?.labels?.length ?? 0) * stationS;
  // A race of no known way takes a second at least.
  return seconds < Math.max(1, least)
    ? `${seconds} seconds is faster than anybody can do it: about ${Math.ceil(Math.max(1, least))} at least.`
    : null;
}

/** A length that is longer than the floor and what runs past it. */
function tooLong(game: Game, part: Part, go: Go, value: number): string | null {
  if (!part.stages.some((task) => task.see === 'length')) return null;
  const { floor, open = [] } = game.course;
  const mostM = Math.hypot(floor.widthM, floor.depthM) + (open.length > 0 ? RUNS_ON_M : 0);
  const lengths = go.events.flatMap((event) => (event.do === 'attempt' && event.lengthMm !== undefined ? [event.lengthMm] : []));
  const longest = Math.max(value * mmPerUnit(part, part.measure), ...lengths) / 1000;
  return longest > mostM ? `${longest.toFixed(1)} m is more than the floor has: about ${mostM.toFixed(1)} m.` : null;
}

/** One word for several letters, or one that does not begin with its letter. */
function wordsOf(part: Part, events: readonly PlayEvent[]): string | null {
  const task = part.stages.find(({ see }) => see === 'text');
  if (!task) return null;
  const found = events.flatMap((event) => (event.do === 'attempt' && event.text !== undefined ? [event.text.trim().toLocaleLowerCase()] : []));
  const twice = found.find((word, index) => found.indexOf(word) < index);
  if (twice !== undefined) return `“${twice}” was written for more than one thing.`;
  return null;
}

/** Exercises that were ticked off faster than they can be done. */
function exercises(part: Part, events: readonly PlayEvent[]): string | null {
  let least = 0;
  let took = 0;
  let times = 0;
  for (const [index, event] of events.entries()) {
    const gate = event.do === 'gateDone' ? part.gates[event.gate] : undefined;
    if (gate?.kind !== 'exercise') continue;
    const perS = /jump|hop/i.test(gate.what) ? MOST_OF_A_BODY.jumpsPerS : MOST_OF_A_BODY.exercisesPerS;
    least += gate.n / perS;
    took += (event.t - (events[index - 1]?.t ?? 0)) / 1000;
    times += gate.n;
  }
  // Somebody may have pressed a little early.
  return took < least / 2 ? `${times} exercises in ${took.toFixed(0)} seconds is faster than anybody can do them.` : null;
}
