/**
 * A simulated child plays the game through the engine itself. Integers only in the loop: chances are 32-bit thresholds and
 * durations whole milliseconds, so that the same seed gives the same play on every machine.
 */
import { chanceThreshold, drawU32, PURPOSE } from '../random/draw';
import { AT, type Program } from '../rules/compile';
import { Kind, restart, step, type State } from '../rules/engine';
import type { PlayEvent } from '../rules/play';
import type { PlaceChance } from './chances';

/** Assumed times of a child at play. */
const AIM_MIN_MS = 1000;
const AIM_SPREAD_MS = 1000;
const TURN_MS = 800;
const EXERCISE_MS = 1000;
/** How far behind the target the ball ends up, on average. Assumed. */
const OVERRUN_M = 0.5;
/** A go without a clock or an end is left after so many throws. */
const MOST_THROWS = 400;

/** Running speed of a child fetching a ball, m/s: 1.6 at four years and 0.16 more a year. Assumed. */
function fetchSpeed(ageYears: number): number {
  return 1.6 + 0.16 * (Math.min(ageYears, 14) - 4);
}

/** What the loop needs to know of each mark. */
export interface PlayTables {
  readonly threshold: Uint32Array;
  readonly airMs: Int32Array;
  readonly fetchMs: Int32Array;
  /** Cumulative shares, as 32-bit thresholds, with which a child that may choose picks each mark. */
  readonly pick: Uint32Array;
  readonly successEnd: number;
  readonly failureEnd: number;
}

export function playTables(program: Program, places: readonly PlaceChance[], ageYears: number): PlayTables {
  const speed = fetchSpeed(ageYears);
  const part = program.parts[0]!;
  const values = part.tasks[0]!.from >= 0 ? part.groups[part.tasks[0]!.from]!.values : new Int32Array();
  const fetchMs = Int32Array.from(places, (place) => Math.round(TURN_MS + (2000 * (place.distanceM + OVERRUN_M)) / speed));
  const airMs = Int32Array.from(places, (place) => Math.round(1000 * Math.min(3, place.airS)));
  // A child that may choose leans towards the mark that pays best for its time. Assumed: in proportion, a little sharpened.
  const worth = places.map((place, index) => {
    const seconds = (airMs[index]! + fetchMs[index]! + AIM_MIN_MS + AIM_SPREAD_MS / 2) / 1000;
    return Math.max(0.001, (place.chance * Math.max(0, values[index] ?? 1)) / seconds) ** 2;
  });
  const total = worth.reduce((sum, share) => sum + share, 0);
  let running = 0;
  const pick = Uint32Array.from(worth, (share) => chanceThreshold((running += share) / total));
  const ends = part.part.tasks[0]!.ends ?? [];
  const names = part.tasks[0]!.ends;
  return {
    threshold: Uint32Array.from(places, (place) => chanceThreshold(place.chance)),
    airMs,
    fetchMs,
    pick,
    successEnd: names.indexOf(ends.find((end) => end.as === 'success')?.id ?? ''),
    failureEnd: names.indexOf(ends.find((end) => end.as === 'failure')?.id ?? ''),
  };
}

/** Times of one go, in milliseconds, written by simulateGo. */
export interface GoTimes {
  fetchMs: number;
  exerciseMs: number;
}

/**
 * One go, in place on `state`. `record` takes the events when they are wanted (demo data, watching a child play).
 * The state afterwards holds score, attempts and time.
 */
export function simulateGo(
  program: Program,
  tables: PlayTables,
  state: State,
  seed: number,
  play: number,
  times: GoTimes,
  record?: PlayEvent[],
): void {
  restart(program, state);
  times.fetchMs = 0;
  times.exerciseMs = 0;
  const part = program.parts[0]!;
  const base = part.base;
  const task = part.tasks[0]!;
  const from = task.from >= 0 ? part.groups[task.from]! : undefined;
  const mayChoose = from !== undefined && from.order === 'free' && from.n > 1;
  const down = part.clockDownMs;
  let t = 0;
  for (let n = 0; n < MOST_THROWS && state[AT.phase] === 0; n += 1) {
    for (let g = 0; g < part.gates.length; g += 1) {
      const gate = part.gates[g]!;
      const owed = state[base + gate.offset]!;
      if (owed === 0) continue;
      t += owed * EXERCISE_MS;
      times.exerciseMs += owed * EXERCISE_MS;
      if (down > 0 && t >= down) break;
      step(program, state, Kind.gateDone, t, g, 0);
      record?.push({ do: 'gateDone', t, gate: gate.id });
    }
    t += AIM_MIN_MS + (drawU32(seed, play, n, PURPOSE.aimTime) % AIM_SPREAD_MS);
    if (down > 0 && t >= down) break;
    if (mayChoose) {
      const draw = drawU32(seed, play, n, PURPOSE.choice);
      let wanted = 0;
      while (wanted < tables.pick.length - 1 && draw >= tables.pick[wanted]!) wanted += 1;
      if (wanted !== state[base + from.offset]) {
        step(program, state, Kind.choose, t, task.from, wanted);
        record?.push({ do: 'choose', t, group: from.id, to: wanted });
      }
    }
    const at = from ? state[base + from.offset]! : 0;
    const landed = t + tables.airMs[at]!;
    if (down > 0 && landed > down && !part.inFlightCounts) break;
    const end = drawU32(seed, play, n, PURPOSE.outcome) < tables.threshold[at]! ? tables.successEnd : tables.failureEnd;
    step(program, state, Kind.attempt, landed, end, 0);
    record?.push({ do: 'attempt', t: landed, end: task.ends[end]! });
    t = landed + tables.fetchMs[at]!;
    times.fetchMs += tables.fetchMs[at]!;
  }
  if (state[AT.phase] === 0) {
    const end = down > 0 ? Math.max(down, state[AT.lastT]!) : t;
    step(program, state, Kind.finish, end, 0, 0);
    record?.push({ do: 'finish', t: end, why: down > 0 ? 'time' : 'stopped' });
  }
}
