/** Other forms of a level that are full equals of it: how the body is held, what is counted, how far, how large, how long. */
import { carries } from '../rules/format/unfinished';
import { laidOutPattern, patternOf } from '../course/patterns';
import type { Effect, Game, PlacedTarget } from '../rules/format/game';
import { resolveLevel } from '../rules/format/level';
import type { Lever } from '../rules/format/levers';
import { chanceMends } from './chance-mends';
import { nextNumber, withLevelAdded, withLevelChange } from './edit-levels';
import { isAimed, levelChance, solveLevel, withPlaces } from './solve';

export interface EasierForm {
  readonly id: string;
  readonly name: string;
  readonly says: string;
  readonly lever: Lever;
  /** The level in that form. */
  readonly change: (level: Game) => Game;
}

/** Exercises that most children can do, in place of another. */
const GENTLE = ['march on the spot', 'clap above your head', 'stretch up and down'] as const;

/**
 * Other forms of a level that are full equals: seated, with two hands, another exercise, fewer pins, counted simply, nearer, bigger, with
 * more time. Only those that make a difference to this game.
 */
export function easierForms(game: Game, levelIndex: number, ageYears: number): readonly EasierForm[] {
  const level = resolveLevel(game, levelIndex);
  const stages = level.parts.flatMap((part) => part.stages);
  const throws = stages.some((task) => ['underarm', 'overarm', 'set-shot'].includes(task.technique));
  const rolls = stages.some((task) => task.technique === 'roll');
  const gates = level.parts.flatMap((part) => Object.values(part.gates)).filter((gate) => gate.kind === 'exercise');
  const pins = level.parts.flatMap((part) =>
    Object.entries(part.groups).filter(([id, group]) => group.kind === 'pin' && group.n > 1 && level.course.targets[id]),
  );
  const carried = level.parts.some((part) => carries(part));
  const valued = level.parts.some((part) => Object.values(part.groups).some((group) => group.value && new Set(group.value).size > 1));
  const timed = level.parts.some((part) => part.clock.kind === 'down');
  const found: EasierForm[] = [];
  const offer = (id: string, name: string, says: string, lever: Lever, change: (level: Game) => Game) =>
    found.push({ id, name, says, lever, change });
  const inForm = (form: NonNullable<Game['kit']['form']>) => (one: Game) => ({ ...one, kit: { ...one.kit, form } });
  if ((throws || rolls) && level.kit.form !== 'seated') offer('seated', 'seated', 'on a chair or the floor', 'task', inForm('seated'));
  if (throws && level.kit.form !== 'two-hands') offer('two-hands', 'two hands', 'both hands on the ball', 'task', inForm('two-hands'));
  if (rolls && level.kit.form !== 'kneeling') offer('kneeling', 'kneeling', 'on both knees', 'task', inForm('kneeling'));
  if (gates.length > 0) {
    const gentle = GENTLE.find((what) => gates.every((gate) => gate.what !== what))!;
    offer('other-exercise', 'other exercise', `${gentle} in place of ${gates[0]!.what}`, 'task', (one) =>
      withGates(one, (gate) => (gate.kind === 'exercise' ? { ...gate, what: gentle } : gate)),
    );
    if (gates.some((gate) => gate.n > 1))
      offer('less-exercise', 'half the exercise', `${Math.ceil(gates[0]!.n / 2)} in place of ${gates[0]!.n}`, 'task', (one) =>
        withGates(one, (gate) => (gate.kind === 'exercise' ? { ...gate, n: Math.ceil(gate.n / 2) } : gate)),
      );
  }
  if (pins.length > 0 && !carried)
    offer('fewer-pins', 'fewer pins', 'half as many in the same pattern', 'equipment', (one) =>
      fewerPins(
        one,
        pins.map(([id]) => id),
      ),
    );
  if (carried || valued)
    offer('simple-count', 'simple count', carried ? 'every pin that falls counts one' : 'every hit counts one', 'task', simpleCount);
  if (timed)
    offer('more-time', 'more time', 'half as much again, less hurry', 'task', (one) => ({
      ...one,
      parts: one.parts.map((part) =>
        part.clock.kind === 'down' ? { ...part, clock: { ...part.clock, s: Math.min(3600, Math.round((part.clock.s * 1.5) / 5) * 5) } } : part,
      ),
    }));
  if (isAimed(game)) {
    const easier = Math.min(0.9, levelChance(game, levelIndex, ageYears) + 0.2);
    offer('nearer', 'nearer', `about ${Math.round(easier * 10)} hits in 10`, 'space', (one) => {
      const alone: Game = { ...one, levels: [{ id: 'here', name: 'here', set: {} }] };
      return resolveLevel(withPlaces(alone, 0, solveLevel(alone, 0, easier, ageYears).places), 0);
    });
    const bigger = chanceMends(game, levelIndex, easier, ageYears).find((mend) => mend.lever === 'equipment');
    if (bigger)
      offer('bigger', 'a bigger target', `about ${Math.round(easier * 10)} hits in 10`, 'equipment', () => resolveLevel(bigger.game, levelIndex));
  }
  return found;
}

function withGates(game: Game, change: (gate: Game['parts'][number]['gates'][string]) => Game['parts'][number]['gates'][string]): Game {
  return {
    ...game,
    parts: game.parts.map((part) => ({ ...part, gates: Object.fromEntries(Object.entries(part.gates).map(([id, gate]) => [id, change(gate)])) })),
  };
}

/** Half the pins (at least one), in the pattern in which they stand, else those that stand first. */
function fewerPins(level: Game, groups: readonly string[]): Game {
  const targets: Record<string, readonly PlacedTarget[]> = { ...level.course.targets };
  for (const group of groups) {
    const list = targets[group]!;
    const n = Math.max(1, Math.floor(list.length / 2));
    const pattern = patternOf(list);
    const spots = pattern && n > 2 ? laidOutPattern({ ...pattern, n }) : list;
    targets[group] = list.slice(0, n).map((pin, index) => ({ ...pin, xM: spots[index]!.xM, yM: spots[index]!.yM }));
  }
  const parts = level.parts.map((part) => ({
    ...part,
    groups: Object.fromEntries(
      Object.entries(part.groups).map(([id, group]) => [id, groups.includes(id) ? { ...group, n: targets[id]!.length } : group]),
    ),
  }));
  return { ...level, course: { ...level.course, targets }, parts };
}

/** Without bonuses that are carried on, and with every success worth one. */
function simpleCount(level: Game): Game {
  const plain = (effects: readonly Effect[]): Effect[] =>
    effects
      .filter((effect) => effect.do !== 'carry')
      .map((effect) => {
        if (effect.do !== 'add') return effect;
        const { timesCarry: _times, ...rest } = effect;
        return rest;
      });
  return {
    ...level,
    parts: level.parts.map((part) => ({
      ...part,
      groups: Object.fromEntries(
        Object.entries(part.groups).map(([id, group]) => [id, group.value ? { ...group, value: group.value.map(() => 1) } : group]),
      ),
      rows: part.rows.map((row) => ({ ...row, do: plain(row.do) })),
      stages: part.stages.map((stage) => (stage.rows ? { ...stage, rows: stage.rows.map((row) => ({ ...row, do: plain(row.do) })) } : stage)),
    })),
  };
}

/** The game with a level more: another form of one that it has. */
export function withEasierForm(game: Game, levelIndex: number, form: EasierForm): Game {
  const name = `${game.levels[levelIndex]!.name}, ${form.name}`;
  const taken = new Set(game.levels.map((level) => level.name));
  const added = withLevelAdded(game, levelIndex, taken.has(name) ? nextNumber(taken, name) : name);
  return added === game ? game : withLevelChange(added, levelIndex + 1, form.change);
}
