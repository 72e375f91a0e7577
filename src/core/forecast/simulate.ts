/**
 * A simulated child plays any game through the engine itself. Integers only in the loop: chances are 32-bit thresholds and durations
 * whole milliseconds, so that the same seed gives the same play on every machine.
 */
import { attemptDraw, drawU32, playHash, PURPOSE } from '../random/draw';
import { AT, B, Phase, type CompiledGroup, type PartProgram, type Program, type State } from '../rules/playing/program';
import { attempt, begin, choose, finish, gateDone, restart, swap } from '../rules/playing/engine';
import type { FinishReason } from '../rules/format/game';
import type { PlayEvent } from '../rules/format/play';
import type { ChildTables, Raises, TaskTables } from './attempts';
import { PIN_NODES } from './pins';
import { lieAt, type Lie } from './strokes';
import { ON_A_COURSE } from '../motion/assumed';
import { GAP_NODES } from '../motion/ground';

// Where things stand in the state, as names of this file: one that is imported is looked up anew at every use.
const { base: AT_BASE, clockT: AT_CLOCK_T, heldSince: AT_HELD_SINCE, lastT: AT_LAST_T, part: AT_PART, phase: AT_PHASE, side: AT_SIDE } = AT;
const { attempts: B_ATTEMPTS, stage: B_STAGE, usedMs: B_USED_MS } = B;

/** A go without a clock or an end is left after so many tries. */
const MOST_TRIES = 400;

/** Times of one go, in milliseconds, written by simulateGo. */
export interface GoTimes {
  fetchMs: number;
  exerciseMs: number;
}

/** The first element that is up at or after the wanted one. */
function standingFrom(mask: number, wanted: number, n: number): number {
  if ((mask & (1 << wanted)) !== 0) return wanted;
  for (let step = 0; step < n; step += 1) {
    const one = (wanted + step) % n;
    if ((mask & (1 << one)) !== 0) return one;
  }
  return wanted;
}

function picked(cumulative: Uint32Array, from: number, n: number, draw: number): number {
  let which = 0;
  while (which < n - 1 && draw >= cumulative[from + which]!) which += 1;
  return which;
}

/**
 * One go, in place on `state`. `record` takes the events when they are wanted (demo data, watching a child play).
 * The state afterwards holds score, attempts and time.
 */
export function simulateGo(
  program: Program,
  tables: ChildTables,
  state: State,
  seed: number,
  play: number,
  times: GoTimes,
  record?: PlayEvent[],
): void {
  restart(program, state);
  times.fetchMs = 0;
  times.exerciseMs = 0;
  const outcomeHash = playHash(seed, play, PURPOSE.outcome);
  const aimHash = playHash(seed, play, PURPOSE.aimTime);
  const choiceHash = playHash(seed, play, PURPOSE.choice);
  let t = 0;
  const lie = lieAt();
  let lies = false;
  for (let n = 0; n < MOST_TRIES && state[AT_PHASE] !== Phase.finished; n += 1) {
    if (state[AT_PHASE] === Phase.between) {
      t = Math.max(t, state[AT_LAST_T]!);
      begin(program, state, t);
      record?.push({ do: 'begin', t });
      lies = false;
    }
    const part = program.parts[state[AT_PART]!]!;
    const base = state[AT_BASE]!;
    const down = part.clockDownMs;
    // A player's share of a countdown that is split, or the whole.
    const share = program.turn === 'half-time' && program.sides > 1 ? (down * (state[AT_SIDE]! + 1)) / program.sides : down;
    const used = part.clockPer === 'side' ? state[base + B_USED_MS]! : 0;
    let whistle = down > 0 ? state[AT_CLOCK_T]! + share - used : Infinity;

    let owing = false;
    for (let g = 0; g < part.gates.length; g += 1) {
      const owed = state[base + part.gates[g]!.offset]!;
      if (owed === 0) continue;
      owing = true;
      t = doGate(program, part, state, g, owed, tables.gateMs[part.index]![g]!, t, whistle, seed, play, n, times, record);
      // The clock's beginning moves on by an exercise that is done off it.
      if (down > 0) whistle = state[AT_CLOCK_T]! + share - used;
    }
    if (owing && t >= whistle && state[AT_HELD_SINCE]! < 0) {
      if (!whistleBlown(program, part, state, t, whistle, record)) break;
      continue;
    }
    const compiled = part.stages[state[base + B_STAGE]!]!;
    const task = tables.parts[part.index]![state[base + B_STAGE]!]!;
    if (compiled.atWhistle) {
      const end = picked(task.ends, 0, task.endIndex.length, attemptDraw(outcomeHash, n));
      t = Math.max(t, whistle);
      attempt(program, state, t, task.endIndex[end]!, 0);
      record?.push({ do: 'attempt', t, end: compiled.ends[task.endIndex[end]!]! });
      continue;
    }
    t += task.aimLeastMs + (attemptDraw(aimHash, n) % Math.max(1, task.aimSpreadMs));
    const limit = whistle;
    if (t >= limit) {
      if (part.clockPer === 'item' && tooLate(program, task, state, limit, record)) {
        t = limit;
        continue;
      }
      if (!whistleBlown(program, part, state, t, limit, record)) break;
      t = Math.max(limit, state[AT_LAST_T]!);
      continue;
    }
    const from = compiled.from >= 0 ? part.groups[compiled.from]! : undefined;
    const at = compiled.at >= 0 ? part.groups[compiled.at]! : undefined;
    if (from && from.order !== 'fixed' && from.n > 1)
      choosePlace(program, compiled.from, from, state, base, picked(task.pickPlace, 0, task.places, attemptDraw(choiceHash, n)), t, record);
    const place = from ? state[base + from.offset]! : 0;
    if (at && at.order !== 'fixed' && at.n > 1 && task.targets > 1)
      choosePlace(
        program,
        compiled.at,
        at,
        state,
        base,
        picked(task.pickTarget, place * task.targets, task.targets, drawU32(seed, play, n, PURPOSE.skill)),
        t,
        record,
      );
    const which = place * task.targets + (at && task.targets > 1 ? state[base + at.offset]! : 0);
    const landed = t + task.airMs[which]!;
    if (landed > limit && !part.inFlightCounts) {
      if (part.clockPer === 'item' && tooLate(program, task, state, limit, record)) {
        t = limit;
        continue;
      }
      if (!whistleBlown(program, part, state, landed, limit, record)) break;
      t = Math.max(limit, state[AT_LAST_T]!);
      continue;
    }
    const draw = attemptDraw(outcomeHash, n);
    let flags = 0;
    for (let f = 0; f < compiled.flags.length; f += 1) if (drawU32(seed, play, n * 8 + f, PURPOSE.demo) < task.flagThreshold) flags |= 1 << f;
    let a = 0;
    const event: Record<string, unknown> | null = record ? {} : null;
    if (compiled.hasEnds) {
      let end: number;
      if (task.strokes) {
        if (!lies) task.strokes.begin(lie);
        task.strokes.stroke(lie, draw);
        flags = raised(task.raises, lie);
        end = endOf(program, part, task, lie.home);
        lies = !lie.home;
      } else if (state[base + B_ATTEMPTS]! < task.neverIn) end = endOf(program, part, task, false);
      else end = picked(task.ends, which * task.endIndex.length, task.endIndex.length, draw);
      a = task.endIndex[end]!;
      if (event) event['end'] = compiled.ends[a];
    } else if (task.falls) {
      const standing = at ? state[base + at.offset + 1]! : 0;
      a = task.single ? oneFalls(standing, task.single, place, draw) : task.falls[place]!(standing)[Math.floor((draw / 0x1_0000_0000) * PIN_NODES)]!;
      if (event) event['felled'] = bitsOf(a);
    } else if (task.gapsMm) {
      a = task.gapsMm[place * GAP_NODES + (draw >>> 24)]!;
      if (event) event['lengthMm'] = a;
    } else if (task.faces) {
      a = picked(task.faces, 0, task.faces.length, draw);
      if (event) event['face'] = a;
    } else {
      // A count for the whole time, within a tenth of what is expected.
      const seconds = down > 0 ? share / 1000 : 30;
      a = Math.round((task.countPerSecond * seconds * (900 + (draw % 201))) / 1_000_000);
      if (event) event['count'] = a;
    }
    const when = down > 0 && !compiled.hasEnds && !task.falls && !task.gapsMm && !task.faces ? limit : landed;
    const refused = attempt(program, state, when, a, flags);
    if (record && event) {
      if (flags !== 0) event['flags'] = bitsOf(flags).map((flag) => compiled.flags[flag]);
      if (refused === 0) record.push({ do: 'attempt', t: when, ...event } as PlayEvent);
    }
    if (refused !== 0) break;
    // On a course the child only follows the ball.
    const fetched = task.strokes ? Math.round(ON_A_COURSE.followMs + lie.rolledM * task.msAMetre) : task.fetchMs[which]!;
    t = when + fetched;
    times.fetchMs += fetched;
  }
  if (state[AT_PHASE] !== Phase.finished) {
    const end = Math.max(t, state[AT_LAST_T]!);
    finish(program, state, end, 0);
    record?.push({ do: 'finish', t: end, why: 'stopped' });
  }
}

/** The flags of a stroke, as bits. */
function raised(raises: readonly Raises[], { zones, touched }: Lie): number {
  let flags = 0;
  for (let f = 0; f < raises.length; f += 1) {
    const by = raises[f]!;
    if (by === 'touch' ? touched : (zones & by) !== 0) flags |= 1 << f;
  }
  return flags;
}

function bitsOf(mask: number): number[] {
  const bits: number[] = [];
  for (let bit = 0; bit < 31; bit += 1) if ((mask & (1 << bit)) !== 0) bits.push(bit);
  return bits;
}

/** Things that stand apart from each other: the easiest of those that stand is aimed at, and falls when it is hit. */
function oneFalls(standing: number, single: { readonly n: number; readonly thresholds: Uint32Array }, place: number, draw: number): number {
  let best = -1;
  for (let one = 0; one < single.n; one += 1)
    if ((standing & (1 << one)) !== 0 && (best < 0 || single.thresholds[place * single.n + one]! > single.thresholds[place * single.n + best]!))
      best = one;
  return best >= 0 && draw < single.thresholds[place * single.n + best]! ? 1 << best : 0;
}

function endOf(_program: Program, part: PartProgram, task: TaskTables, success: boolean): number {
  const { successMask } = part.stages[0]!;
  for (let end = 0; end < task.endIndex.length; end += 1) if ((((successMask >>> task.endIndex[end]!) & 1) === 1) === success) return end;
  return 0;
}

function choosePlace(
  program: Program,
  index: number,
  group: CompiledGroup,
  state: State,
  base: number,
  wanted: number,
  t: number,
  record?: PlayEvent[],
): void {
  const now = state[base + group.offset]!;
  const mask = state[base + group.offset + 1]!;
  let to = standingFrom(mask, wanted, group.n);
  // Either way: towards the wanted one, as far as the next that is up.
  if (group.order === 'either-way') {
    const towards = to > now ? 1 : -1;
    let one = now;
    while (one !== to && (one === now || (mask & (1 << one)) === 0)) one += towards;
    to = one;
  }
  if (to === now && (mask & (1 << now)) !== 0) return;
  if (choose(program, state, t, index, to) === 0) record?.push({ do: 'choose', t, group: group.id, to });
}

function doGate(
  program: Program,
  part: PartProgram,
  state: State,
  g: number,
  owed: number,
  eachMs: number,
  t: number,
  whistle: number,
  seed: number,
  play: number,
  n: number,
  times: GoTimes,
  record?: PlayEvent[],
): number {
  const gate = part.gates[g]!;
  let now = t;
  const takesMs = gate.faces > 0 ? eachMs : owed * eachMs;
  for (let toss = 0; toss < 30 && state[state[AT_BASE]! + gate.offset]! > 0; toss += 1) {
    now += takesMs;
    times.exerciseMs += takesMs;
    if (gate.onClock && now >= whistle) return now;
    const face = gate.faces > 0 ? drawU32(seed, play, n * 32 + toss, PURPOSE.demo) % gate.faces : 0;
    gateDone(program, state, now, g, face);
    record?.push({ do: 'gateDone', t: now, gate: gate.id, ...(gate.faces > 0 ? { face } : {}) });
  }
  return now;
}

/** A hunt with a countdown for each: the time is up, the next. */
function tooLate(program: Program, task: TaskTables, state: State, limit: number, record?: PlayEvent[]): boolean {
  const part = program.parts[state[AT_PART]!]!;
  const compiled = part.stages[state[state[AT_BASE]! + B_STAGE]!]!;
  const end = endOf(program, part, task, false);
  if ((compiled.successMask >>> task.endIndex[end]!) & 1) return false;
  attempt(program, state, limit, task.endIndex[end]!, 0);
  record?.push({ do: 'attempt', t: limit, end: compiled.ends[task.endIndex[end]!]! });
  return true;
}

/** The time is up: the next player goes on, or the part ends. False when nothing more can happen. */
function whistleBlown(program: Program, part: PartProgram, state: State, t: number, limit: number, record?: PlayEvent[]): boolean {
  const at = Math.max(limit, state[AT_LAST_T]!);
  if (program.turn === 'half-time' && state[AT_SIDE]! < program.sides - 1) {
    if (swap(program, state, at) !== 0) return false;
    record?.push({ do: 'swap', t: at });
    return true;
  }
  const why: FinishReason = 'time';
  if (part.clockPer === 'side') return false;
  if (finish(program, state, at, 1) !== 0) return false;
  record?.push({ do: 'finish', t: at, why });
  return t >= 0;
}
