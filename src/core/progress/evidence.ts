/**
 * What a go tells of a child's skill. Where every try was tapped: tries and hits from each mark, with the chance of a hit there. Where the
 * misses are not known: how likely just this total is, from the forecast of the game. A game that is not aimed tells nothing.
 */
import { asSetOut } from '../course/set-out';
import { distanceM } from '../course/geometry';
import { childTables } from '../forecast/attempts';
import { successAt } from '../forecast/success';
import { DESK_SEED } from '../forecast/forecast-level';
import type { RackShelf } from '../forecast/racks';
import { simulateGo } from '../forecast/simulate';
import { GROUND, type BodyForm } from '../motion/assumed';
import { movementOf, type Family } from '../motion/families';
import { throwerWith, type Thrower } from '../motion/release';
import type { AimedId, ImplementId } from '../objects/catalogue';
import { isAimedGame } from '../reports/reach';
import type { Go } from '../reports/report';
import { compile } from '../rules/playing/compile';
import { AT, B, type Program } from '../rules/playing/program';
import { start } from '../rules/playing/engine';
import type { Game, PlacedTarget, Task } from '../rules/format/game';
import { levelById } from '../rules/format/level';
import { measure } from '../rules/playing/measure';
import { advance } from '../rules/playing/replay';
import { familyOfGame } from './by-family';
import type { Observed } from './fit';

export interface PlayedGo {
  readonly child: string;
  readonly ageYears: number;
  /** The version of the game, and what tells it from every other. */
  readonly game: Game;
  readonly versionId: string;
  readonly go: Go;
  /** The week it was played in, as a number that grows by one a week. */
  readonly week?: number;
  /** The total as it was worked out; null for a play that was not finished. */
  readonly value: number | null;
}

/** Techniques of which a chance by distance is told. */
export const AIMED_TECHNIQUES = ['underarm', 'overarm', 'set-shot', 'roll', 'kick'] as const satisfies readonly Task['technique'][];

/** What was tried: tries of one aim differ by distance alone. */
export interface AimedTry {
  readonly technique: (typeof AIMED_TECHNIQUES)[number];
  readonly implement: ImplementId;
  readonly target: AimedId;
  readonly form: BodyForm;
  readonly otherHand: boolean;
  readonly ageYears: number;
}

/** Tries from one mark, metres from what was aimed at. */
export interface Tries {
  /** Null for a thing of the teacher's own size, a wall or a way in between: only like is told together. */
  readonly aim: AimedTry | null;
  readonly distanceM: number;
  readonly tries: number;
  readonly hits: number;
  /** Chance of a hit for a child whose spread is `skill` times the age's, with the hand that was used. */
  readonly chance: (skill: number) => number;
  /** The same for all tries with the same chance. */
  readonly curve: object;
  readonly family: Family | undefined;
}

/** What depends on skill is worked out at nodes in ln skill, and read on a straight line between them. */
const REACH_LN = 1.2;
const nodesOf = (n: number) => Array.from({ length: n }, (_, node) => Math.exp(REACH_LN * ((2 * node) / (n - 1) - 1)));
const CHANCE_SKILLS = nodesOf(25);
const TOTAL_SKILLS = nodesOf(13);

/** Plays at each node for the chance of a total. */
const PLAYS_A_NODE = 250;

/** Read between nodes; beyond them the last node holds. */
function between(nodes: ArrayLike<number>, skill: number): number {
  const at = ((Math.log(skill) / REACH_LN + 1) / 2) * (nodes.length - 1);
  const below = Math.min(nodes.length - 2, Math.max(0, Math.floor(at)));
  const share = Math.min(1, Math.max(0, at - below));
  return nodes[below]! * (1 - share) + nodes[below + 1]! * share;
}

/** A chance by skill; the same curve is the same object. */
interface ToldCurve {
  readonly curve: object;
  readonly chance: (skill: number) => number;
}

/** A chance by skill, worked out at the nodes once and read between them. */
export function curveOf(chanceAt: (skill: number) => number): ToldCurve {
  const curve = Float64Array.from(CHANCE_SKILLS, chanceAt);
  return { curve, chance: (skill) => between(curve, skill) };
}

interface TotalsBySkill {
  /** For each node the smoothed chance of each total from `least` upwards. */
  readonly shares: readonly Float64Array[];
  readonly least: number;
  readonly attempts: number;
}

interface SetUpKnown {
  readonly level: Game;
  readonly program: Program;
  readonly chances: Map<string, ToldCurve>;
  totals: TotalsBySkill | null | undefined;
}

/** What was worked out for a set-up, for all who play it. The caller keeps it as long as it likes; null for what tells nothing. */
export interface EvidenceMemo {
  has(key: string): boolean;
  get(key: string): { readonly setUp: SetUpKnown | null } | undefined;
  set(key: string, known: { readonly setUp: SetUpKnown | null }): unknown;
}

/** True when going on with this go costs a new working out (tens of milliseconds). */
export function isNewTo(memo: EvidenceMemo, played: PlayedGo): boolean {
  return !memo.has(setUpKey(played));
}

const setUpKey = ({ versionId, ageYears, go }: PlayedGo) =>
  JSON.stringify([versionId, go.level, ageYears, go.form, go.otherHand, go.setUp.implement, go.setUp.targets, go.setUp.distancesM]);

function setUpOf(played: PlayedGo, memo: EvidenceMemo): SetUpKnown | null {
  const key = setUpKey(played);
  const known = memo.get(key);
  if (known) return known.setUp;
  const made = setUpMade(played);
  memo.set(key, { setUp: made });
  return made;
}

function setUpMade({ game, go }: PlayedGo): SetUpKnown | null {
  if (!game.levels.some((level) => level.id === go.level)) return null;
  const asked = levelById(game, go.level);
  const level = go.setUp.implement === asked.kit.implement ? asSetOut(asked, go.setUp) : null;
  const compiled = level && compile(level);
  if (!level || !compiled?.ok || !isAimedGame(compiled.value)) return null;
  return { level, program: compiled.value, chances: new Map(), totals: undefined };
}

const throwerOf = ({ ageYears, go }: Pick<PlayedGo, 'ageYears' | 'go'>, skill: number): Thrower => ({
  ageYears,
  skill,
  ...(go.form !== 'standing' && { form: go.form satisfies BodyForm }),
  ...(go.otherHand && { otherHand: true }),
});

/** Whether hits and misses of a go are known one by one: every try was tapped, of one thing after another, by the child alone. */
function triesAreKnown({ go }: PlayedGo, { program }: SetUpKnown): boolean {
  return (
    go.counting === 'attempts' &&
    (go.players ?? 1) === 1 &&
    program.sides === 1 &&
    program.parts.every(({ part }) => part.stages.every((task) => task.see === 'end'))
  );
}

/** Tries and hits from each mark; empty where they are not known or nothing is aimed. */
export function triesOf(played: PlayedGo, memo: EvidenceMemo): readonly Tries[] {
  const known = setUpOf(played, memo);
  if (!known || !triesAreKnown(played, known)) return [];
  const { program, level, chances } = known;
  const state = start(program, played.go.counting);
  const found = new Map<string, { -readonly [K in keyof Tries]: Tries[K] }>();
  for (const event of played.go.events) {
    const part = program.parts[state[AT.part]!]!;
    const base = state[AT.base]!;
    const index = state[base + B.stage]!;
    const compiled = part.stages[index]!;
    const task = part.part.stages[index]!;
    const place = compiled.from >= 0 ? state[base + part.groups[compiled.from]!.offset]! : 0;
    const target = compiled.at >= 0 ? state[base + part.groups[compiled.at]!.offset]! : 0;
    if (advance(program, state, event) !== null || event.do !== 'attempt') continue;
    const end = task.ends?.find((one) => one.id === event.end);
    const spot = task.from === undefined ? undefined : level.course.places[task.from]?.[place];
    const thing = task.at === undefined ? undefined : level.course.targets[task.at]?.[target];
    if (!end || end.as === 'seldom' || !spot || !thing) continue;
    const key = `${part.index} ${index} ${place} ${target}`;
    const told = chances.get(key) ?? curveOf((skill) => successAt(level, task, spot, thing, throwerOf(played, skill)).chance);
    chances.set(key, told);
    const one = found.get(key) ?? {
      aim: aimed(played, level, task, thing),
      distanceM: distanceM(spot, thing),
      tries: 0,
      hits: 0,
      ...told,
      family: movementOf(task.technique),
    };
    one.tries += 1;
    if (end.as === 'success') one.hits += 1;
    found.set(key, one);
  }
  return [...found.values()];
}

/** Somebody stopped a go that would have ended by itself: its total is not what the forecast speaks of. */
function stoppedEarly({ counting, events }: Go, { program }: SetUpKnown): boolean {
  const last = events.at(-1);
  if (counting === 'parts' || last?.do !== 'finish' || (last.why !== 'stopped' && last.why !== 'given-up')) return false;
  return program.parts.some(({ part }) => part.stop.length > 0 || part.clock.kind === 'down');
}

function aimed({ ageYears, go }: PlayedGo, { kit, course }: Game, task: Task, { object, own, widthM, standM }: PlacedTarget): AimedTry | null {
  const technique = AIMED_TECHNIQUES.find((one) => one === task.technique);
  if (!technique || own || widthM !== undefined || standM > 0 || (course.obstacles?.length ?? 0) > 0) return null;
  // How far a ball rolls depends on the floor; the curve is that of a hard one.
  if (technique in GROUND && course.floor.surface !== 'hard') return null;
  const { form = 'standing', otherHand = false } = throwerWith(kit, throwerOf({ ageYears, go }, 1));
  return { technique, implement: kit.implement, target: object, form, otherHand, ageYears };
}

/** Evidence of one go for the fit of its class; empty when it tells nothing. */
export function evidenceOf(played: PlayedGo, memo: EvidenceMemo, shelf?: RackShelf): readonly Observed[] {
  const { child, go, value, week } = played;
  const known = setUpOf(played, memo);
  if (!known || (go.players ?? 1) > 1) return [];
  const seen = { child, go, ...(week !== undefined && { week }) };
  if (triesAreKnown(played, known))
    return triesOf(played, memo).map(({ tries, hits, chance, curve, distanceM: from, family }) => ({
      ...seen,
      ...(family && { family }),
      attempts: tries,
      hits,
      chance,
      curve,
      distanceM: from,
    }));
  if (value === null || stoppedEarly(go, known)) return [];
  known.totals ??= totalsBySkill(known.program, (skill) => throwerOf(played, skill), shelf);
  const { totals } = known;
  if (!totals) return [];
  const family = familyOfGame(known.level);
  return [
    {
      ...seen,
      ...(family && { family }),
      attempts: totals.attempts,
      likelihood: (skill) =>
        between(
          totals.shares.map((node) => node[value - totals.least] ?? 0),
          skill,
        ),
    },
  ];
}

/** The forecast distribution of the total at each node; null for a game without a whole score. */
function totalsBySkill(program: Program, throwerAt: (skill: number) => Thrower, shelf?: RackShelf): TotalsBySkill | null {
  const state = start(program);
  const times = { fetchMs: 0, exerciseMs: 0 };
  let attempts = 0;
  const scores = TOTAL_SKILLS.map((skill) => {
    const tables = childTables(program, throwerAt(skill), shelf);
    const found: number[] = [];
    for (let play = 0; play < PLAYS_A_NODE; play += 1) {
      simulateGo(program, tables, state, DESK_SEED, play, times);
      const { value, attempts: tried } = measure(program, state, 0, null);
      attempts += tried;
      if (value !== null) found.push(value);
    }
    return found;
  });
  const all = scores.flat();
  if (all.length === 0) return null;
  const least = all.reduce((low, one) => Math.min(low, one), Infinity);
  const most = all.reduce((high, one) => Math.max(high, one), -Infinity);
  return {
    least,
    shares: scores.map((found) => smoothed(found, least, most)),
    attempts: Math.round(attempts / (TOTAL_SKILLS.length * PLAYS_A_NODE)),
  };
}

/** Shares of totals, each spread a little over its neighbours: a quarter of the standard deviation to each side, at least the total itself. */
function smoothed(found: readonly number[], least: number, most: number): Float64Array {
  const shares = new Float64Array(most - least + 1);
  if (found.length === 0) return shares;
  const mean = found.reduce((sum, one) => sum + one, 0) / found.length;
  const sd = Math.sqrt(found.reduce((sum, one) => sum + (one - mean) ** 2, 0) / found.length);
  const reach = Math.floor(sd / 4);
  const weights = Array.from({ length: 2 * reach + 1 }, (_, at) => reach + 1 - Math.abs(at - reach));
  const total = weights.reduce((sum, one) => sum + one, 0);
  for (const one of found)
    weights.forEach((weight, at) => {
      const to = Math.min(most, Math.max(least, one + at - reach)) - least;
      shares[to]! += weight / total / found.length;
    });
  return shares;
}
