/**
 * The plainest kind of game as one record: throw from marks at one target, points for a success, something after a hit and a miss.
 * The record is a reading of the grammar and writes back to it; the sentences and the chart table edit it slot by slot.
 */
import { plain } from './plain';
import type { AimedId, ImplementId } from '../../objects/catalogue';
import { AIMED } from '../../objects/catalogue';
import { replacedBy } from '../../course/geometry';
import type { Technique } from '../../motion/assumed';
import type { Effect, Game, Part, Row } from './game';

export type AfterHit = 'choose' | 'stay' | 'next' | 'back';
export type AfterMiss = 'again' | 'next' | 'back' | 'first' | 'exercise';
export type Tipped = 'counts' | 'nothing' | 'again';

export interface ThrowRules {
  readonly technique: Technique;
  readonly order: 'free' | 'fixed';
  readonly implement: ImplementId;
  readonly target: AimedId;
  /** What each mark gives, near to far. */
  readonly values: readonly number[];
  readonly afterHit: AfterHit;
  readonly afterMiss: AfterMiss;
  readonly exercise: { readonly what: string; readonly n: number };
  readonly stop: { readonly kind: 'seconds'; readonly s: number } | { readonly kind: 'attempts'; readonly n: number };
  readonly inFlight: 'released' | 'landed';
  /** What the target falling over means; null while the teacher has not said. */
  readonly tipped: Tipped | null;
}

export const TECHNIQUES = ['underarm', 'overarm', 'set-shot'] as const satisfies readonly Technique[];

/** Exercises between throws, as the sentence says them before "6 times". */
export const THROW_EXERCISES = [
  'tap your heels',
  'jump like a star',
  'touch the floor',
  'turn around',
  'clap above your head',
  'balance on one leg and hop',
] as const;

export function partFromThrowRules(rules: ThrowRules): Part {
  const n = rules.values.length;
  const opening = AIMED[rules.target].shape.kind === 'opening';
  const hit = opening ? 'in' : 'hit';
  const go = (to: 'next' | 'back' | 'first' | 'stay'): Effect[] => (to === 'stay' ? [] : [{ do: 'go', group: 'mark', to }]);
  const points: Effect = { do: 'add', counter: 'points', amount: 'value', of: 'mark' };
  const hitMoves = rules.afterHit === 'choose' ? [] : go(rules.afterHit);
  const missMoves: Effect[] =
    rules.afterMiss === 'exercise' ? [{ do: 'owe', gate: 'exercise' }] : rules.afterMiss === 'again' ? [] : go(rules.afterMiss);
  const counts = (end: string, effects: readonly Effect[]): Row => ({ if: [['end', '=', end]], validity: 'counts', do: effects });
  const rows: Row[] = [counts(hit, [points, ...hitMoves]), counts('miss', missMoves)];
  if (rules.tipped === 'counts') rows.push(counts('tipped', [points, ...hitMoves]));
  if (rules.tipped === 'nothing') rows.push(counts('tipped', []));
  if (rules.tipped === 'again') rows.push({ if: [['end', '=', 'tipped']], validity: 'again', do: [] });
  return {
    id: 'main',
    goes: { n: 1, keep: 'best' },
    counters: ['points'],
    groups: {
      mark: {
        kind: 'place',
        n,
        order: rules.order,
        end: rules.order === 'fixed' && rules.afterHit === 'next' ? 'wrap' : 'stay',
        value: rules.values,
      },
      aim: { kind: 'target', n: 1, order: 'fixed', end: 'stay' },
    },
    stages: [
      {
        id: 'throw',
        from: 'mark',
        at: 'aim',
        technique: rules.technique,
        see: 'end',
        ends: [
          { id: hit, label: opening ? 'In' : 'Hit', as: 'success' },
          { id: 'miss', label: 'Missed', as: 'failure' },
          ...(rules.tipped ? [{ id: 'tipped', label: 'Fell over', as: 'seldom' as const }] : []),
        ],
      },
    ],
    gates: rules.afterMiss === 'exercise' ? { exercise: { kind: 'exercise', what: rules.exercise.what, n: rules.exercise.n, onClock: true } } : {},
    rows,
    clock:
      rules.stop.kind === 'seconds'
        ? { kind: 'down', s: rules.stop.s, per: 'part', inFlight: rules.inFlight }
        : { kind: 'none', s: 0, per: 'part', inFlight: rules.inFlight },
    stop: rules.stop.kind === 'attempts' ? [{ if: [['attempts', '>=', rules.stop.n]], why: 'attempts' }] : [],
    measure: { of: { sum: { points: 1 } }, unit: 'points', better: 'high' },
  };
}

/** Reads the record back from a game; null when the game is of another kind. */
export function readThrowRules(game: Game): ThrowRules | null {
  const part = game.parts[0]!;
  const mark = part.groups['mark'];
  const task = part.stages[0]!;
  const target = game.course.targets['aim']?.[0];
  const technique = TECHNIQUES.find((known) => known === task.technique);
  if (game.parts.length !== 1 || !mark?.value || !target || !technique || part.rows.length < 2 || mark.order === 'either-way' || game.sides.n > 1)
    return null;
  const rowOf = (end: string) => part.rows.find((row) => row.if[0]?.[2] === end);
  const hit = rowOf('in') ?? rowOf('hit');
  const miss = rowOf('miss');
  if (!hit || !miss) return null;
  const goOf = (row: Row) => row.do.find((effect) => effect.do === 'go')?.to;
  const tippedRow = rowOf('tipped');
  const attempts = part.stop.find((stop) => stop.if[0]?.[0] === 'attempts')?.if[0]?.[2];
  const gate = part.gates['exercise'];
  const hitGo = goOf(hit);
  const missGo = goOf(miss);
  const rules: ThrowRules = {
    technique,
    order: mark.order,
    implement: game.kit.implement,
    target: target.object,
    values: mark.value,
    afterHit: hitGo === 'next' || hitGo === 'back' ? hitGo : mark.order === 'free' ? 'choose' : 'stay',
    afterMiss: gate ? 'exercise' : missGo === 'next' || missGo === 'back' || missGo === 'first' ? missGo : 'again',
    exercise: gate ? { what: gate.what, n: gate.n } : { what: THROW_EXERCISES[0], n: 6 },
    stop: part.clock.kind === 'down' ? { kind: 'seconds', s: part.clock.s } : { kind: 'attempts', n: typeof attempts === 'number' ? attempts : 10 },
    inFlight: part.clock.inFlight ?? 'landed',
    tipped: !tippedRow ? null : tippedRow.validity === 'again' ? 'again' : tippedRow.do.length > 0 ? 'counts' : 'nothing',
  };
  return plain(partFromThrowRules(rules)) === plain(part) ? rules : null;
}

/** The game with these rules; places and targets keep where they stand. */
export function withThrowRules(game: Game, rules: ThrowRules): Game {
  return {
    ...game,
    kit: { ...game.kit, implement: rules.implement },
    course: {
      ...game.course,
      targets: {
        ...game.course.targets,
        aim: game.course.targets['aim']!.map((target) => (target.object === rules.target ? target : replacedBy(target, rules.target))),
      },
    },
    parts: [partFromThrowRules(rules)],
  };
}
