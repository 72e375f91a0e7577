/** How rare a score is: among many plays, kept, of children drawn from the class's spread. */
import { SKILL_SPREAD_LN, type BodyForm } from '../motion/assumed';
import { compile } from '../rules/compile';
import { start } from '../rules/engine';
import type { Game } from '../rules/game';
import { measure } from '../rules/measure';
import { childTables } from './attempts';
import { quantile } from './pins';
import type { RackShelf } from './racks';
import { simulateGo } from './simulate';

const PLAYS = 20_000;
/** Children between whom the plays are shared out, from steadiest to wildest. */
const CHILDREN = 25;
/** A class with fewer attempts is not calibrated: nothing is called rare. */
const ENOUGH_ATTEMPTS = 36;

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

/** The share of plays at least as good as a score, for a game resolved to one level; null for a class with too few attempts. */
export function rarityOf(level: Game, ask: RarityAsk): (score: number) => number | null {
  if (ask.attempts < ENOUGH_ATTEMPTS) return () => null;
  const compiled = compile(level);
  if (!compiled.ok) return () => null;
  const program = compiled.value;
  const state = start(program);
  const tables = Array.from({ length: CHILDREN }, (_, child) =>
    childTables(
      program,
      {
        ageYears: ask.ageYears,
        skill: ask.classSkill * Math.exp(SKILL_SPREAD_LN * quantile((child + 0.5) / CHILDREN)),
        ...(ask.form ? { form: ask.form } : {}),
      },
      ask.shelf,
    ),
  );
  const scores: number[] = [];
  let better: 'high' | 'low' = 'high';
  for (let play = 0; play < PLAYS; play += 1) {
    simulateGo(program, tables[play % CHILDREN]!, state, ask.seed, play, { fetchMs: 0, exerciseMs: 0 });
    const result = measure(program, state);
    better = result.better;
    if (result.value !== null) scores.push(result.value);
  }
  return (score) => scores.filter((one) => (better === 'high' ? one >= score : one <= score)).length / PLAYS;
}
