import type Joi from 'joi';
import { isFormat1, todaysGame } from './from-format-1';
import type { Cond, Effect, Game, Part, Place, Row } from './game';
import { gameSchema } from './game-schema';
import { gameSchema1 } from './game-1-schema';
import { levelGame } from './level';
import { mostOf } from './most';
import type { Outcome, Problem } from './problem';

/** A Joi failure as problems with a JSON Pointer each. */
export function problemsOf(error: Joi.ValidationError): Problem[] {
  return error.details.map((detail) => ({
    place: `/${detail.path.join('/')}`,
    reason: detail.message.replaceAll('"', ''),
    fix: 'Correct this field; docs/format describes what may stand here.',
  }));
}

/**
 * Reads an unknown value as a game of format 2, or of format 1, which is converted: shape by the schema, then that every name used is defined, every number in its range and every level
 * gives a whole game. Never throws; a bad file gives the list of what is wrong and where, each cause once.
 */
export function readGame(input: unknown): Outcome<Game> {
  return read(input, [namesUsed, ranges]);
}

/** A game that is to be played as it stands, not one that is being made: what is laid out must be on its floor too, each mark in a place of its own. */
export function readGameToPlay(input: unknown): Outcome<Game> {
  return read(input, [namesUsed, ranges, layout]);
}

type Check = (game: Game) => Iterable<Problem>;

function read(input: unknown, checks: readonly Check[]): Outcome<Game> {
  if (isFormat1(input)) {
    const { error } = gameSchema1.validate(input, { abortEarly: false, convert: false });
    if (error) return { ok: false, problems: problemsOf(error) };
    const converted = read(todaysGame(input), checks);
    return converted.ok ? converted : { ok: false, problems: converted.problems.map((problem) => ({ ...problem, place: placeIn1(problem.place) })) };
  }
  const { error, value } = gameSchema.validate(input, { abortEarly: false, convert: false });
  if (error) return { ok: false, problems: problemsOf(error) };
  const game = value as Game;
  const wrong = (one: Game) => checks.flatMap((check) => [...check(one)]);
  const problems = wrong(game);
  const known = new Set(problems.map(causeOf));
  const ids = new Set<string>();
  game.levels.forEach((level, index) => {
    if (ids.has(level.id)) problems.push(unknownName(`/levels/${index}/id`, level.id, 'is used by two levels'));
    ids.add(level.id);
    const resolved = levelGame(game, index);
    if (!resolved.ok) return problems.push(...resolved.problems);
    const shape = gameSchema.validate(resolved.value, { abortEarly: false, convert: false });
    for (const problem of shape.error ? problemsOf(shape.error) : wrong(resolved.value)) {
      // What is wrong with the game itself is wrong at every level, and said once.
      if (known.has(causeOf(problem))) continue;
      known.add(causeOf(problem));
      problems.push({ ...problem, place: `/levels/${index}/set gives ${problem.place}` });
    }
  });
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: game };
}

/** Where the stages of today stand in a file of format 1. */
const placeIn1 = (place: string): string => place.replace(/(\/parts\/\d+)\/stages\b/, '$1/tasks');

const causeOf = ({ place, reason }: Problem): string => `${place} ${reason}`;

function unknownName(place: string, name: string, what: string): Problem {
  return { place, reason: `“${name}” ${what}`, fix: 'Define it in this part or correct the name.' };
}

function* namesUsed(game: Game): Generator<Problem> {
  for (let p = 0; p < game.parts.length; p += 1) {
    const part = game.parts[p]!;
    const at = `/parts/${p}`;
    for (const [id, group] of Object.entries(part.groups)) {
      if (group.value && group.value.length !== group.n)
        yield {
          place: `${at}/groups/${id}/value`,
          reason: `has ${group.value.length} values for ${group.n} elements`,
          fix: 'Give each element one value.',
        };
      const spots =
        group.kind === 'place' ? game.course.places[id] : group.kind === 'target' || group.kind === 'pin' ? game.course.targets[id] : undefined;
      if (spots && spots.length !== group.n)
        yield {
          place: `/course/${group.kind === 'place' ? 'places' : 'targets'}/${id}`,
          reason: `lays out ${spots.length} where the rules have ${group.n}`,
          fix: 'Make the two numbers agree.',
        };
    }
    for (let t = 0; t < part.stages.length; t += 1) {
      const task = part.stages[t]!;
      for (const key of ['from', 'at'] as const) {
        const name = task[key];
        if (name !== undefined && !(name in part.groups)) yield unknownName(`${at}/stages/${t}/${key}`, name, 'is no group of this part');
      }
      if (task.see === 'felled' && task.at === undefined)
        yield { place: `${at}/stages/${t}/at`, reason: 'the task sees what falls and says not of what', fix: 'Name the group of pins or targets.' };
      if (task.see === 'end' && !task.ends?.length)
        yield {
          place: `${at}/stages/${t}/ends`,
          reason: 'the task sees how an attempt ends but lists no ends',
          fix: 'List at least two ends, such as in and missed.',
        };
    }
    for (const [place, row] of rowsWithPlaces(part, at)) {
      yield* condNames(part, row.if, `${place}/if`, false);
      yield* effectNames(part, row.do, `${place}/do`);
    }
    yield* twice(
      rowsWithPlaces(part, at).flatMap(([, row]) => row.id ?? []),
      `${at}/rows`,
      'rules',
    );
    if (rowsWithPlaces(part, at).length === 0) yield { place: `${at}/rows`, reason: 'there is no rule', fix: 'Say what a try gives.' };
    for (const [flag, effects] of Object.entries(part.also ?? {})) {
      if (!part.stages.some((task) => task.flags?.includes(flag))) yield unknownName(`${at}/also/${flag}`, flag, 'is no flag of a task');
      yield* effectNames(part, effects, `${at}/also/${flag}`);
    }
    for (let s = 0; s < part.stop.length; s += 1) yield* condNames(part, part.stop[s]!.if, `${at}/stop/${s}/if`, true);
    for (const [place, measure] of [
      [`${at}/measure`, part.measure] as const,
      ...(part.measure.tie ?? []).map((tie, index) => [`${at}/measure/tie/${index}`, tie] as const),
    ])
      if (typeof measure.of !== 'string') yield* countersUsed(part, Object.keys(measure.of.sum), `${place}/of/sum`);
    yield* countersUsed(part, Object.keys(part.kept ?? {}), `${at}/kept`);
    for (const [counter, { farthest }] of Object.entries(part.kept ?? {}))
      if (part.groups[farthest]?.kind !== 'place')
        yield unknownName(`${at}/kept/${counter}/farthest`, farthest, 'is no group of places of this part');
    yield* countersUsed(part, Object.keys(part.startAt ?? {}), `${at}/startAt`);
    yield* countersUsed(part, Object.keys(part.counterWords ?? {}), `${at}/counterWords`);
    for (const [id, group] of Object.entries(part.groups))
      if (group.up !== undefined && !part.counters.includes(group.up)) yield unknownName(`${at}/groups/${id}/up`, group.up, NO_COUNTER);
    for (const [index, cond] of (part.when ?? []).entries())
      if (cond[0] !== 'card.level' || cond[1] !== '=' || (cond[2] !== 0 && cond[2] !== 1))
        yield { place: `${at}/when/${index}`, reason: 'only “card.level = 1” or “= 0” may stand here', fix: 'Say whether the card must be level.' };
    for (const [id, gate] of Object.entries(part.gates))
      for (const [index, face] of (gate.passes ?? []).entries())
        if (face >= (gate.faces?.length ?? 2))
          yield { place: `${at}/gates/${id}/passes/${index}`, reason: 'there is no such face', fix: 'Count the faces from 0.' };
    yield* twice(part.counters, `${at}/counters`, 'counters');
    yield* twice(
      part.stages.map((task) => task.id),
      `${at}/stages`,
      'stages',
    );
    for (const [index, task] of part.stages.entries())
      yield* twice(
        (task.ends ?? []).map((end) => end.id),
        `${at}/stages/${index}/ends`,
        'ends',
      );
  }
}

const NO_COUNTER = 'is no counter of this part';

function* countersUsed(part: Part, counters: readonly string[], at: string): Generator<Problem> {
  for (const counter of counters) if (!part.counters.includes(counter)) yield unknownName(`${at}/${counter}`, counter, NO_COUNTER);
}

function* twice(ids: readonly string[], at: string, what: string): Generator<Problem> {
  for (const [index, id] of ids.entries())
    if (ids.indexOf(id) < index)
      yield { place: `${at}/${index}`, reason: `“${id}” is the name of two ${what}`, fix: 'Give one of them another name.' };
}

function* ranges(game: Game): Generator<Problem> {
  yield* twice(
    game.parts.map((part) => part.id),
    '/parts',
    'parts',
  );
  if (game.sides.fartherM && game.sides.fartherM.length !== game.sides.n)
    yield {
      place: '/sides/fartherM',
      reason: `has ${game.sides.fartherM.length} distances for ${game.sides.n} players`,
      fix: 'Give each player one; 0 for the child.',
    };
  for (const [p, part] of game.parts.entries()) {
    const at = `/parts/${p}`;
    for (const [index, stage] of part.stages.entries())
      if (stage.with === 'nothing' && stage.what === undefined && stage.technique !== 'move')
        yield { place: `${at}/stages/${index}/with`, reason: 'nothing is played with, and nothing says what is done', fix: 'Say it under “what”.' };
    if (part.clock.kind === 'down' && part.clock.s < 1)
      yield { place: `${at}/clock/s`, reason: 'a clock that counts down from nothing is over before it starts', fix: 'Give it some seconds.' };
    const lists: readonly (readonly [string, readonly Cond[]])[] = [
      ...rowsWithPlaces(part, at).map(([place, row]) => [`${place}/if`, row.if] as const),
      ...part.stop.map((stop, index) => [`${at}/stop/${index}/if`, stop.if] as const),
    ];
    for (const [place, conds] of lists)
      for (const [index, [operand, , value]] of conds.entries()) {
        const most = mostOf(operand);
        if (most !== undefined && Number(value) > most)
          yield {
            place: `${place}/${index}/2`,
            reason: `${String(value)} is more than anybody has: at most ${most}`,
            fix: 'Write a smaller number.',
          };
      }
    for (const [place, effects] of [
      ...rowsWithPlaces(part, at).map(([place, row]) => [`${place}/do`, row.do] as const),
      ...Object.entries(part.also ?? {}).map(([flag, list]) => [`${at}/also/${flag}`, list] as const),
    ])
      for (const [index, effect] of effects.entries())
        if (effect.do === 'add' && effect.amount === `n.${effect.counter}`)
          yield {
            place: `${place}/${index}/amount`,
            reason: 'the counter is added to itself, and overflows',
            fix: 'Add a number, or another counter.',
          };
  }
}

/** Nearer to each other than this two marks are one, metres. */
const APART_M = 0.05;

function* layout(game: Game): Generator<Problem> {
  const { floor, places, targets, obstacles = [] } = game.course;
  const lists: readonly (readonly [string, readonly Place[]])[] = [
    ...Object.entries(places).map(([id, spots]) => [`/course/places/${id}`, spots] as const),
    ...Object.entries(targets).map(([id, spots]) => [`/course/targets/${id}`, spots] as const),
    ['/course/obstacles', obstacles],
  ];
  for (const [at, spots] of lists)
    for (const [index, { xM, yM, box }] of spots.entries()) {
      if (xM > floor.widthM || yM > floor.depthM)
        yield {
          place: `${at}/${index}`,
          reason: `stands at ${xM}, ${yM} m, on a floor of ${floor.widthM} × ${floor.depthM} m`,
          fix: 'Move it on to the floor, or make the floor larger.',
        };
      if (box && (box.widthM > floor.widthM || box.depthM > floor.depthM))
        yield {
          place: `${at}/${index}/box`,
          reason: `is ${box.widthM} × ${box.depthM} m, on a floor of ${floor.widthM} × ${floor.depthM} m`,
          fix: 'Make the box smaller, or the floor larger.',
        };
      const other = at.startsWith('/course/places') ? spots.findIndex((one) => Math.hypot(one.xM - xM, one.yM - yM) < APART_M) : index;
      if (other < index)
        yield { place: `${at}/${index}`, reason: `stands where ${at.split('/').at(-1)} number ${other + 1} stands`, fix: 'Move one of the two.' };
    }
}

/** Every rule with the place where it is said. */
function rowsWithPlaces(part: Part, at: string): readonly (readonly [string, Row])[] {
  const of = (rows: readonly Row[], place: string) => rows.map((row, index) => [`${place}/rows/${index}`, row] as const);
  return [...of(part.rows, at), ...part.stages.flatMap((stage, index) => of(stage.rows ?? [], `${at}/stages/${index}`))];
}

/** What only a stop can look at: it comes about by the try itself. */
const OF_A_STOP = /^(row|passed\.)/;

function* condNames(part: Part, conds: readonly Cond[], at: string, stops: boolean): Generator<Problem> {
  for (let i = 0; i < conds.length; i += 1) {
    const [operand, op, value] = conds[i]!;
    const [space, name] = operand.split('.') as [string, string | undefined];
    if (!stops && OF_A_STOP.test(operand)) yield { place: `${at}/${i}/0`, reason: 'is looked at when it may end only', fix: 'Say it under “stop”.' };
    if (
      (space === 'passed' && (op !== '=' || value !== 1)) ||
      ((operand === 'stage' || operand === 'row' || (stops && operand === 'end')) && op !== '=')
    )
      yield { place: `${at}/${i}/1`, reason: `“${operand}” either is so or is not`, fix: space === 'passed' ? 'Write “= 1”.' : 'Write “=”.' };
    if ((space === 'left' || space === 'at' || space === 'passed') && !(name! in part.groups))
      yield unknownName(`${at}/${i}/0`, name!, 'is no group of this part');
    if (space === 'n' && !part.counters.includes(name!)) yield unknownName(`${at}/${i}/0`, name!, NO_COUNTER);
    if (space === 'flag' && !part.stages.some((task) => task.flags?.includes(name!)))
      yield unknownName(`${at}/${i}/0`, name!, 'is no flag of a task');
    if (operand === 'card.level') yield { place: `${at}/${i}/0`, reason: 'the card is looked at between parts only', fix: 'Say it under “when”.' };
    const isEnd = operand === 'end';
    if (isEnd && !part.stages.some((task) => task.ends?.some((end) => end.id === value)))
      yield unknownName(`${at}/${i}/2`, String(value), 'is no end of a task');
    const named = operand === 'stage' ? part.stages : operand === 'row' ? rowsWithPlaces(part, '').map(([, row]) => row) : null;
    if (named) {
      if (!named.some(({ id }) => id === value))
        yield unknownName(`${at}/${i}/2`, String(value), `is no ${operand === 'stage' ? 'stage' : 'rule'} of this part`);
    } else if (!isEnd && typeof value !== 'number') yield { place: `${at}/${i}/2`, reason: 'must be a whole number here', fix: 'Write a number.' };
  }
}

function* effectNames(part: Part, effects: readonly Effect[], at: string): Generator<Problem> {
  for (let i = 0; i < effects.length; i += 1) {
    const effect = effects[i]!;
    if ('counter' in effect) {
      if (!part.counters.includes(effect.counter)) yield unknownName(`${at}/${i}/counter`, effect.counter, NO_COUNTER);
      const [space, name] = typeof effect.amount === 'string' ? effect.amount.split('.') : [];
      if (space === 'n' && !part.counters.includes(name!)) yield unknownName(`${at}/${i}/amount`, name!, NO_COUNTER);
      if ((space === 'at' || space === 'left') && !(name! in part.groups)) yield unknownName(`${at}/${i}/amount`, name!, 'is no group of this part');
      if (effect.amount === 'value') {
        const group = effect.of === undefined ? undefined : part.groups[effect.of];
        if (!group?.value) yield unknownName(`${at}/${i}/of`, effect.of ?? '', 'is no group with values');
      }
    }
    if ('group' in effect && !(effect.group in part.groups)) yield unknownName(`${at}/${i}/group`, effect.group, 'is no group of this part');
    if (effect.do === 'stage' && effect.to !== 'next' && !part.stages.some((stage) => stage.id === effect.to))
      yield unknownName(`${at}/${i}/to`, effect.to, 'is no stage of this part');
    if ('gate' in effect && !(effect.gate in part.gates)) yield unknownName(`${at}/${i}/gate`, effect.gate, 'is no gate of this part');
  }
}
