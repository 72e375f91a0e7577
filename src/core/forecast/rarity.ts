/** How rare a score is among many plays of children drawn from the class's spread. */
import { SKILL_SPREAD_LN, type BodyForm } from '../motion/assumed';
import { CALIBRATED_FROM } from '../progress/calibrated';
import { compile } from '../rules/playing/compile';
import { start } from '../rules/playing/engine';
import type { Game } from '../rules/format/game';
import { measure } from '../rules/playing/measure';
import { childTables, type ChildTables } from './attempts';
import { quantile } from './pins';
import type { RackShelf } from './racks';
import { scoreReader } from './forecast-level';
import { simulateGo } from './simulate';

const PLAYS = 20_000;
/** Children between whom the plays are shared out, from steadiest to wildest. */
const CHILDREN = 25;
/** Fewer plays than this are as good: the score is rare. */
const RARE_PLAYS = 8;

export interface RarityAsk {
  readonly ageYears: number;
  readonly form?: BodyForm;
  /** The fitted skill of the class, and from how many attempts. */
  readonly classSkill: number;
  readonly attempts: number;
  readonly seed: number;
  /** Tables of rigid bodies for pins. */
  readonly shelf?: RackShelf;
}

/** What is known so far of the scores of one level and class: a score at least as good as `rareFrom` is rare, one no better than `commonTo` is not. */
export interface KnownRarity {
  commonTo: number | null;
  rareFrom: number | null;
}

/** Plays between two breaths. */
const AT_A_TIME = 250;

/**
 * Whether a score is rare for a game resolved to one level: fewer than 8 of 20,000 plays of children drawn from the class's spread are as
 * good. False for a class with too few attempts, or a level that cannot be played. Told in steps, so that a server may do other work between
 * them; what is found is written into `known`.
 */
export function* rareInSteps(level: Game, ask: RarityAsk, score: number, known: KnownRarity): Generator<undefined, boolean> {
  if (ask.attempts < CALIBRATED_FROM) return false;
  const compiled = compile(level);
  if (!compiled.ok) return false;
  const program = compiled.value;
  const state = start(program);
  const { better } = measure(program, state);
  const asGood = (one: number, other: number) => (better === 'high' ? one >= other : one <= other);
  if (known.commonTo !== null && asGood(known.commonTo, score)) return false;
  if (known.rareFrom !== null && asGood(score, known.rareFrom)) return true;
  const tables = new Map<number, ChildTables>();
  const tablesOf = (child: number) => {
    const made =
      tables.get(child) ??
      childTables(
        program,
        {
          ageYears: ask.ageYears,
          skill: ask.classSkill * Math.exp(SKILL_SPREAD_LN * quantile((child + 0.5) / CHILDREN)),
          ...(ask.form ? { form: ask.form } : {}),
        },
        ask.shelf,
      );
    tables.set(child, made);
    return made;
  };
  const read = scoreReader(program);
  const times = { fetchMs: 0, exerciseMs: 0 };
  let found = 0;
  for (let play = 0; play < PLAYS; play += 1) {
    if (play % AT_A_TIME === AT_A_TIME - 1) yield;
    simulateGo(program, tablesOf(play % CHILDREN), state, ask.seed, play, times);
    const one = read(state);
    if (one !== null && asGood(one, score)) found += 1;
    if (found >= RARE_PLAYS) {
      known.commonTo = score;
      return false;
    }
  }
  known.rareFrom = score;
  return true;
}
