/** A simulated play to be watched: its events, and where child and ball are at any time of it. */
import type { Thrower } from '../motion/release';
import { spotBetween } from '../course/geometry';
import { drawU32, PURPOSE } from '../random/draw';
import { compile } from '../rules/playing/compile';
import { type Program } from '../rules/playing/program';
import { start } from '../rules/playing/engine';
import type { Game, Spot } from '../rules/format/game';
import { nextMoves } from '../rules/playing/next-moves';
import type { PlayEvent } from '../rules/format/play';
import { reduce, replay } from '../rules/playing/replay';
import { shownTry, type ShownTry } from '../scene/shown-try';
import { childTables } from './attempts';
import type { RackShelf } from './racks';
import { simulateGo } from './simulate';

/** One thing that happens in a play that is watched. Times in milliseconds. */
interface WatchedTry extends ShownTry {
  /** When the ball leaves and when it is down. */
  readonly fromMs: number;
  readonly toMs: number;
}

export interface Watched {
  readonly program: Program;
  readonly events: readonly PlayEvent[];
  readonly tries: readonly WatchedTry[];
  readonly endMs: number;
}

/** Longest and shortest flight that is drawn, milliseconds. */
const FLIGHT_MS = { least: 250, most: 900 } as const;

/** Plays one go of a simulated child and says where everything is. Null when the level cannot be played. */
export function watchGo(level: Game, child: Thrower, seed: number, play: number, shelf?: RackShelf): Watched | null {
  const compiled = compile(level);
  if (!compiled.ok) return null;
  const program = compiled.value;
  const events: PlayEvent[] = [];
  simulateGo(program, childTables(program, child, shelf), start(program), seed, play, { fetchMs: 0, exerciseMs: 0 }, events);
  let { state } = replay(program, [], 'attempts');
  const tries: WatchedTry[] = [];
  let lastMs = 0;
  events.forEach((event, index) => {
    if (event.do === 'attempt') {
      const shown = shownTry(level, nextMoves(program, state), event, drawU32(seed, index, 1, PURPOSE.demo), drawU32(seed, index, 3, PURPOSE.demo));
      const toMs = event.t;
      const fromMs = Math.max(lastMs, toMs - Math.min(FLIGHT_MS.most, Math.max(FLIGHT_MS.least, (toMs - lastMs) * (shown.goes ? 1 : 0.35))));
      tries.push({ ...shown, fromMs, toMs });
      lastMs = toMs;
    } else lastMs = Math.max(lastMs, event.t);
    state = reduce(program, state, event).state;
  });
  return { program, events, tries, endMs: events.at(-1)?.t ?? 0 };
}

export interface Moment {
  readonly child: Spot;
  readonly ball: Spot;
  /** The last thing that came down, for a moment after it did. */
  readonly landed: WatchedTry | null;
}

const SHOWN_MS = 900;

/** Where child and ball are at a time of a play; null where there is nobody to be drawn yet. */
export function momentOf({ tries }: Watched, atMs: number): Moment | null {
  if (tries.length === 0) return null;
  const now = tries.findLast((one) => one.fromMs <= atMs);
  const next = tries[now ? tries.indexOf(now) + 1 : 0];
  if (!now) return { child: next!.from, ball: next!.from, landed: null };
  if (atMs < now.toMs) {
    const share = (atMs - now.fromMs) / Math.max(1, now.toMs - now.fromMs);
    const at = spotBetween(now.from, now.ends, share);
    return { child: now.goes ? at : now.from, ball: at, landed: null };
  }
  const landed = atMs - now.toMs < SHOWN_MS ? now : null;
  if (!next || now.goes) return { child: now.goes ? now.ends : now.from, ball: now.ends, landed };
  // There to fetch, and back with the ball.
  const share = Math.min(1, (atMs - now.toMs) / Math.max(1, next.fromMs - now.toMs));
  const child = share < 0.5 ? spotBetween(now.from, now.ends, share * 2) : spotBetween(now.ends, next.from, share * 2 - 1);
  return { child, ball: share < 0.5 ? now.ends : child, landed };
}
