/**
 * What a simulated child's tries are like: for every task of a game the chances of each end from each place at each target, or what else
 * is seen, and how long it takes. Made once for a child and a level; the loop in simulate.ts then only looks up integers.
 */
import {
  GROUND,
  OTHER_CHANCE,
  OTHER_MS,
  ageFactor,
  AIM_MS,
  CAREFUL_SHARE,
  DRESS_MS,
  DROP_CHANCE,
  FACES,
  FLOATING_SHARE,
  FILLING,
  FILL_MS,
  legMs,
  PRACTICE_MS,
  FIND,
  FLAG_CHANCE,
  FLIP_CHANCE,
  GATE_MS,
  OVERRUN_M,
  runSpeed,
  tapsPerSecond,
  touchChance,
  TOUCH_MS,
  TURN_MS,
} from '../motion/assumed';
import { GAP_NODES, rollsOn, stopGaps } from '../motion/ground';
import { throwerAt, throwerWith, toldBy, type Thrower } from '../motion/release';
import { IMPLEMENTS } from '../objects/catalogue';
import { aimOf, distanceM } from '../course/geometry';
import type { Course, Game, PlacedTarget, Spot, Task } from '../rules/format/game';
import { chanceThreshold } from '../random/draw';
import type { PartProgram, Program } from '../rules/playing/program';
import { atStage } from '../rules/format/used';
import { allRows, endsBy } from '../rules/format/rows';
import { fairwayOf, type Fairway } from './fairway';
import { fallTable, type FallTable } from './pins';
import type { RackShelf } from './racks';
import { lieAt, strokesOf, type Strokes } from './strokes';
import { successAt } from './success';

/** One place and one target of a task: how likely a success is, and how long ball and child are under way. */
export interface Aim {
  readonly distanceM: number;
  /** Chance of any success; null where the task is not aimed. */
  readonly chance: number | null;
  /** Of the successes, the share of the first (a wider ring gives the second). */
  readonly firstShare: number;
  readonly airMs: number;
  readonly fetchMs: number;
}

export interface TaskTables {
  readonly places: number;
  readonly targets: number;
  /** For each place and target the cumulative chances of the ends of the task, as 32-bit thresholds. */
  readonly ends: Uint32Array;
  /** The engine's number of each end. */
  readonly endIndex: Int32Array;
  readonly airMs: Int32Array;
  readonly fetchMs: Int32Array;
  readonly aimLeastMs: number;
  readonly aimSpreadMs: number;
  /** Cumulative shares with which a child that may choose picks each place, and from each place each target. */
  readonly pickPlace: Uint32Array;
  readonly pickTarget: Uint32Array;
  readonly falls: readonly FallTable[] | null;
  /** For targets that stand apart: from each place the chance to fell each, as thresholds. */
  readonly single: { readonly n: number; readonly thresholds: Uint32Array } | null;
  /** For each place 256 equally likely gaps, millimetres. */
  readonly gapsMm: Int32Array | null;
  /** Expected count in a second, in thousandths. */
  readonly countPerSecond: number;
  readonly faces: Uint32Array | null;
  readonly flagThreshold: number;
  /** In the first so many tries of a go none succeeds: a bowl is not filled by one cup. */
  readonly neverIn: number;
  /** A ball played on from where it lies, stroke by stroke along the course, and for each flag of the task what raises it. */
  readonly strokes: Strokes | null;
  readonly raises: readonly Raises[];
  /** Milliseconds that the child walks for a metre. */
  readonly msAMetre: number;
  /** The aims, for the figures on the chart. */
  readonly aims: readonly Aim[];
}

export interface ChildTables {
  readonly parts: readonly (readonly TaskTables[])[];
  /** For each part and gate how long one repetition (one toss, one setting up) takes. */
  readonly gateMs: readonly (readonly number[])[];
}

/** Tables of one child for a game resolved to one level; pins are looked up on the shelf of racks where they are there. */
export function childTables(program: Program, child: Thrower, shelf?: RackShelf): ChildTables {
  const thrower = throwerWith(program.game.kit, child);
  return {
    parts: program.parts.map((part) =>
      part.part.stages.map((stage, index) => taskTables(atStage(program.game, stage), part, stage, index, thrower, shelf)),
    ),
    gateMs: program.parts.map(gateTimes),
  };
}

/** Setting up again takes a while for each pin or target. */
function gateTimes({ part, gates }: PartProgram): number[] {
  const things = Object.values(part.groups).reduce(
    (most, group) => (group.kind === 'pin' || group.kind === 'target' ? Math.max(most, group.n) : most),
    1,
  );
  return gates.map(({ id }) => {
    const { kind } = part.gates[id]!;
    return GATE_MS[kind] * (kind === 'set-up' ? things : 1);
  });
}

/** The aims of one task from its places at its targets, places first. */
function aimsOf(game: Game, task: Task, places: number, targets: number, thrower: Thrower): Aim[] {
  const spots = task.from === undefined ? [] : (game.course.places[task.from] ?? []);
  const things = task.at === undefined ? [] : (game.course.targets[task.at] ?? []);
  const aims: Aim[] = [];
  for (let place = 0; place < places; place += 1) {
    for (let target = 0; target < targets; target += 1) aims.push(aimAt(game, task, spots, place, things[target], thrower));
  }
  return aims;
}

function aimAt(game: Game, task: Task, spots: readonly Spot[], place: number, thing: PlacedTarget | undefined, thrower: Thrower): Aim {
  const spot = spots[place];
  const speed = runSpeed(thrower.ageYears);
  if (!spot || !thing || task.technique === 'move') return unaimed(game, task, spots, place, thrower);
  const length = distanceM(spot, thing);
  const fetchMs = Math.round(TURN_MS + (2000 * (length + OVERRUN_M)) / speed);
  const { chance, firstShare, airS } = successAt(game, task, spot, thing, thrower);
  return { distanceM: length, chance, firstShare, airMs: Math.round(1000 * Math.min(4, airS)), fetchMs };
}

/** Tries without a target to aim at: races, flips, touches, hunts. */
function unaimed(game: Game, task: Task, spots: readonly Spot[], place: number, thrower: Thrower): Aim {
  const plain = (chance: number, airMs: number, fetchMs = 0): Aim => ({ distanceM: 0, chance, firstShare: 1, airMs, fetchMs });
  const skill = thrower.skill ?? 1;
  if (game.parts.some((part) => part.measure.of === 'minutes')) return plain(1, PRACTICE_MS);
  if (task.technique === 'strike-up') {
    const floats = IMPLEMENTS[game.kit.implement].moves === 'floats';
    return plain(floats ? 1 - (1 - touchChance(thrower.ageYears, skill)) * FLOATING_SHARE : touchChance(thrower.ageYears, skill), TOUCH_MS);
  }
  if (task.technique === 'move') {
    const here = spots[place];
    const next = here && (spots[(place + 1) % spots.length] ?? aimOf(game, task.from!, here));
    const goal = next === here && here ? aimOf(game, task.from!, here) : next;
    const length = here && goal ? distanceM(here, goal) : 3;
    const careful = task.ends?.some((end) => end.as === 'failure') ?? false;
    const speed = (runSpeed(thrower.ageYears) * (careful ? CAREFUL_SHARE : 1)) / Math.sqrt(skill);
    const dressed = game.parts.some((part) => task.from !== undefined && (part.groups[task.from]?.labels?.length ?? 0) > 0);
    const filling = fills(game, task);
    const back = filling ? FILL_MS + legMs(length, runSpeed(thrower.ageYears)) : 0;
    return {
      distanceM: length,
      chance: careful ? (filling ? FILLING.chance : 1 - DROP_CHANCE) : 1,
      firstShare: 1,
      airMs: Math.round(legMs(length, speed)),
      fetchMs: Math.round(dressed ? DRESS_MS : back),
    };
  }
  if (task.see === 'text' || task.from !== undefined || (task.at !== undefined && !game.course.targets[task.at]))
    return plain(FIND.chance, FIND.leastMs);
  if (IMPLEMENTS[game.kit.implement].moves === 'flips' || task.technique === 'other')
    return plain(task.asked === 'whistle' ? 0.45 : FLIP_CHANCE, OTHER_MS);
  return plain(OTHER_CHANCE, OTHER_MS, 3000);
}

/** Trips with water: one whose success is the end is one of many that fill the bowl. */
function fills(game: Pick<Game, 'parts'>, task: Task): boolean {
  const careful = task.ends?.some((end) => end.as === 'failure') ?? false;
  return task.technique === 'move' && careful && game.parts.some((part) => allRows(part).some((row) => endsBy(part, row) !== undefined));
}

function taskTables(game: Game, part: PartProgram, task: Task, index: number, child: Thrower, shelf?: RackShelf): TaskTables {
  const thrower = throwerAt(task.technique, child);
  const compiled = part.stages[index]!;
  const from = compiled.from >= 0 ? part.groups[compiled.from]! : undefined;
  const at = compiled.at >= 0 ? part.groups[compiled.at]! : undefined;
  const places = from?.n ?? 1;
  const targets = at && task.see !== 'felled' ? at.n : 1;
  const aims = aimsOf(game, task, places, targets, thrower);
  const ends = task.ends ?? [];
  const chances = new Uint32Array(places * targets * Math.max(1, ends.length));
  aims.forEach((aim, which) => {
    let running = 0;
    endShares(task, aim).forEach((share, end) => {
      running += share;
      chances[which * ends.length + end] = end === ends.length - 1 ? 0xffffffff : chanceThreshold(running);
    });
  });
  const seconds = (aim: Aim) => (aim.airMs + aim.fetchMs + AIM_MS.least + AIM_MS.spread / 2) / 1000;
  const worthOf = (which: number) => {
    const aim = aims[which]!;
    const value = from?.values[Math.floor(which / targets)] ?? at?.values[which % targets] ?? 1;
    // A child that may choose leans towards what pays best for its time. Assumed: in proportion, a little sharpened.
    return Math.max(0.001, ((aim.chance ?? 0.5) * Math.max(0, value)) / seconds(aim)) ** 2;
  };
  const pickPlace = shares(
    Array.from({ length: places }, (_, place) => Math.max(...Array.from({ length: targets }, (__, target) => worthOf(place * targets + target)))),
  );
  const pickTarget = new Uint32Array(places * targets);
  for (let place = 0; place < places; place += 1)
    pickTarget.set(shares(Array.from({ length: targets }, (_, target) => worthOf(place * targets + target))), place * targets);
  const ground = GROUND[task.technique];
  const shot = ground && { technique: ground, thrower, ...rollsOn(game) };
  const spots = task.from === undefined ? [] : (game.course.places[task.from] ?? []);
  const things = task.at === undefined ? [] : (game.course.targets[task.at] ?? []);
  const strokes = shot && playedFromRest(part, task) && things[0] && spots[0] ? strokesOf(fairwayFor(game, spots[0], things[0]), shot) : null;
  const quick = task.technique === 'strike-up' || task.technique === 'move' || task.see === 'count' || task.see === 'text' || at?.kind === 'item';
  return {
    places,
    targets,
    ends: chances,
    endIndex: Int32Array.from(ends, (end) => compiled.ends.indexOf(end.id)),
    airMs: Int32Array.from(aims, (aim) => aim.airMs),
    fetchMs: Int32Array.from(aims, (aim) => aim.fetchMs),
    aimLeastMs: quick ? 0 : AIM_MS.least,
    aimSpreadMs: task.see === 'text' || at?.kind === 'item' ? FIND.spreadMs : quick ? 300 : AIM_MS.spread,
    pickPlace,
    pickTarget,
    falls:
      task.see === 'felled'
        ? Array.from({ length: places }, (_, place) =>
            fallTable(things, spots[place] ?? { xM: 0, yM: 0 }, shot ?? { technique: 'roll', thrower, ...rollsOn(game) }, shelf),
          )
        : null,
    single:
      task.see === 'felled' && at?.kind === 'target'
        ? { n: at.n, thresholds: Uint32Array.from(aimsOf(game, task, places, at.n, thrower), (aim) => chanceThreshold(aim.chance ?? 0)) }
        : null,
    gapsMm: task.see === 'length' && shot ? gapTable(aims.map((aim) => stopGaps({ ...shot, distanceM: aim.distanceM }))) : null,
    countPerSecond: Math.round(1000 * tapsPerSecond(thrower.ageYears, thrower.skill ?? 1)),
    faces: task.see === 'face' ? shares(facesOf(task)) : null,
    flagThreshold: chanceThreshold(FLAG_CHANCE * Math.min(2, ageFactor(thrower.ageYears) * 0.6)),
    neverIn: fills(game, task) ? FILLING.neverIn : 0,
    strokes,
    raises: strokes ? raisedBy(game, task) : [],
    msAMetre: 1000 / runSpeed(thrower.ageYears),
    aims: strokes ? aims.map((aim) => ({ ...aim, chance: toldBy(child, homeInOne(strokes)) })) : aims,
  };
}

/** Shares of the ends of a task: the successes share its chance, the failures what is left; what is seldom is left out. */
function endShares(task: Task, aim: Aim): number[] {
  const ends = task.ends ?? [];
  const successes = ends.filter((end) => end.as === 'success').length;
  const failures = ends.filter((end) => end.as === 'failure').length;
  const chance = failures === 0 ? 1 : (aim.chance ?? 0.5);
  let rank = 0;
  return ends.map((end) => {
    if (end.as === 'seldom') return 0;
    if (end.as === 'failure') return (1 - (successes === 0 ? 0 : chance)) / failures;
    rank += 1;
    if (successes === 1) return chance;
    if (aim.firstShare < 1) return rank === 1 ? chance * aim.firstShare : (chance * (1 - aim.firstShare)) / (successes - 1);
    return chance / successes;
  });
}

function shares(worths: readonly number[]): Uint32Array {
  const total = worths.reduce((sum, one) => sum + one, 0);
  let running = 0;
  return Uint32Array.from(worths, (worth, index) => (index === worths.length - 1 ? 0xffffffff : chanceThreshold((running += worth) / total)));
}

function facesOf(task: Task): readonly number[] {
  const n = task.faces?.length ?? 2;
  return FACES[n] ?? Array.from({ length: n }, () => 1 / n);
}

function gapTable(gaps: readonly Float64Array[]): Int32Array {
  const table = new Int32Array(gaps.length * GAP_NODES);
  gaps.forEach((list, place) => list.forEach((gap, node) => (table[place * GAP_NODES + node] = Math.round(1000 * gap))));
  return table;
}

/** Fewest strokes, one place to start from, and an end that only says "not there yet". */
function playedFromRest(part: PartProgram, task: Task): boolean {
  return (
    part.part.measure.better === 'low' &&
    typeof part.part.measure.of !== 'string' &&
    task.see === 'end' &&
    (task.ends?.some((end) => end.as === 'failure') ?? false)
  );
}

/** What raises a flag of a course: a zone that was crossed (its bit), or anything that was touched. */
export type Raises = number | 'touch';

/** A flag that is called as a zone is raised by crossing it; any other by touching something. */
function raisedBy({ course }: Pick<Game, 'course'>, task: Task): readonly Raises[] {
  return (task.flags ?? []).map((flag): Raises => {
    const zone = (course.zones ?? []).findIndex(({ name }) => name.toLowerCase() === flag.toLowerCase());
    return zone < 0 ? 'touch' : 1 << zone;
  });
}

/** Fairways by course, made once for all children who play it. */
const fairways = new WeakMap<Course, Map<string, Fairway>>();

function fairwayFor({ kit, course }: Pick<Game, 'kit' | 'course'>, from: Spot, cup: PlacedTarget): Fairway {
  const known = fairways.get(course) ?? new Map<string, Fairway>();
  fairways.set(course, known);
  const key = `${kit.implement} ${from.xM} ${from.yM} ${cup.xM} ${cup.yM}`;
  const { ball, mu } = rollsOn({ kit, course });
  const made = known.get(key) ?? fairwayOf(course, ball, from, cup, mu);
  known.set(key, made);
  return made;
}

/** Share of first strokes that are home. */
function homeInOne(strokes: Strokes): number {
  const lie = lieAt();
  let home = 0;
  for (let node = 0; node < 256; node += 1) {
    strokes.begin(lie);
    // Each direction once, with speeds in another order.
    strokes.stroke(lie, ((node << 24) | (((node * 97) & 255) << 16)) >>> 0);
    if (lie.home) home += 1;
  }
  return home / 256;
}
