import type Joi from 'joi';
import { gameSchema, type Cond, type Effect, type Game, type Part } from './game';
import { levelGame } from './level';
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
 * Reads an unknown value as a game of format 1: shape by the schema, then that every name used is defined and every level gives a
 * whole game. Never throws; a bad file gives the list of what is wrong and where.
 */
export function readGame(input: unknown): Outcome<Game> {
  const { error, value } = gameSchema.validate(input, { abortEarly: false, convert: false });
  if (error) return { ok: false, problems: problemsOf(error) };
  const game = value as Game;
  const problems = [...namesUsed(game, '')];
  const ids = new Set<string>();
  game.levels.forEach((level, index) => {
    if (ids.has(level.id)) problems.push(unknownName(`/levels/${index}/id`, level.id, 'is used by two levels'));
    ids.add(level.id);
    const resolved = levelGame(game, index);
    if (!resolved.ok) return problems.push(...resolved.problems);
    const shape = gameSchema.validate(resolved.value, { abortEarly: false, convert: false });
    if (shape.error) problems.push(...problemsOf(shape.error).map((p) => ({ ...p, place: `/levels/${index}/set gives ${p.place}` })));
    else problems.push(...namesUsed(resolved.value, `/levels/${index}/set gives `));
  });
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: game };
}

function unknownName(place: string, name: string, what: string): Problem {
  return { place, reason: `“${name}” ${what}`, fix: 'Define it in this part or correct the name.' };
}

function* namesUsed(game: Game, prefix: string): Generator<Problem> {
  for (let p = 0; p < game.parts.length; p += 1) {
    const part = game.parts[p]!;
    const at = `${prefix}/parts/${p}`;
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
          place: `${prefix}/course/${group.kind === 'place' ? 'places' : 'targets'}/${id}`,
          reason: `lays out ${spots.length} where the rules have ${group.n}`,
          fix: 'Make the two numbers agree.',
        };
    }
    for (let t = 0; t < part.tasks.length; t += 1) {
      const task = part.tasks[t]!;
      for (const key of ['from', 'at'] as const) {
        const name = task[key];
        if (name !== undefined && !(name in part.groups)) yield unknownName(`${at}/tasks/${t}/${key}`, name, 'is no group of this part');
      }
      if (task.see === 'felled' && task.at === undefined)
        yield { place: `${at}/tasks/${t}/at`, reason: 'the task sees what falls and says not of what', fix: 'Name the group of pins or targets.' };
      if (task.see === 'end' && !task.ends?.length)
        yield {
          place: `${at}/tasks/${t}/ends`,
          reason: 'the task sees how an attempt ends but lists no ends',
          fix: 'List at least two ends, such as in and missed.',
        };
    }
    for (let r = 0; r < part.rows.length; r += 1) {
      yield* condNames(part, part.rows[r]!.if, `${at}/rows/${r}/if`);
      yield* effectNames(part, part.rows[r]!.do, `${at}/rows/${r}/do`);
    }
    for (const [flag, effects] of Object.entries(part.also ?? {})) {
      if (!part.tasks.some((task) => task.flags?.includes(flag))) yield unknownName(`${at}/also/${flag}`, flag, 'is no flag of a task');
      yield* effectNames(part, effects, `${at}/also/${flag}`);
    }
    for (let s = 0; s < part.stop.length; s += 1) yield* condNames(part, part.stop[s]!.if, `${at}/stop/${s}/if`);
    if (typeof part.measure.of !== 'string')
      for (const counter of Object.keys(part.measure.of.sum))
        if (!part.counters.includes(counter)) yield unknownName(`${at}/measure/of/sum/${counter}`, counter, 'is no counter of this part');
  }
}

function* condNames(part: Part, conds: readonly Cond[], at: string): Generator<Problem> {
  for (let i = 0; i < conds.length; i += 1) {
    const [operand, , value] = conds[i]!;
    const [space, name] = operand.split('.') as [string, string | undefined];
    if ((space === 'left' || space === 'at') && !(name! in part.groups)) yield unknownName(`${at}/${i}/0`, name!, 'is no group of this part');
    if (space === 'n' && !part.counters.includes(name!)) yield unknownName(`${at}/${i}/0`, name!, 'is no counter of this part');
    const isEnd = operand === 'end';
    if (isEnd && !part.tasks.some((task) => task.ends?.some((end) => end.id === value)))
      yield unknownName(`${at}/${i}/2`, String(value), 'is no end of a task');
    if (!isEnd && typeof value !== 'number') yield { place: `${at}/${i}/2`, reason: 'must be a whole number here', fix: 'Write a number.' };
  }
}

function* effectNames(part: Part, effects: readonly Effect[], at: string): Generator<Problem> {
  for (let i = 0; i < effects.length; i += 1) {
    const effect = effects[i]!;
    if ('counter' in effect) {
      if (!part.counters.includes(effect.counter)) yield unknownName(`${at}/${i}/counter`, effect.counter, 'is no counter of this part');
      if (effect.amount === 'value') {
        const group = effect.of === undefined ? undefined : part.groups[effect.of];
        if (!group?.value) yield unknownName(`${at}/${i}/of`, effect.of ?? '', 'is no group with values');
      }
    }
    if ('group' in effect && !(effect.group in part.groups)) yield unknownName(`${at}/${i}/group`, effect.group, 'is no group of this part');
    if ('gate' in effect && !(effect.gate in part.gates)) yield unknownName(`${at}/${i}/gate`, effect.gate, 'is no gate of this part');
  }
}
