/**
 * A game of format 1 as one of format 2, with the same result for every play. Nothing is checked here: what is no game of format 1 comes out as
 * something that readGame refuses. A child's page reads what it kept of the version before by this too, so it stands on nothing but types.
 *
 * Format 1 had three ways to end (an effect, past the last of a group, a stop), of which the effects went first; here each is a stop, in that
 * order. It had tasks that followed each other and counters that stood for stages; frames were told by four counters.
 */
import { GAME_FORMAT, GAME_FORMAT_1, saysItIs } from './formats';
import type { Cond, Effect, FinishReason, Game, Group, Level, Part, Row, Stop, Task, Validity } from './game';
import { levelGame } from './level';
import { plain } from './plain';
import { stagesOfFrames, stopOfFrames } from './read-frames';

type Effect1 = Effect | { readonly do: 'next'; readonly what: 'task' | 'side' } | { readonly do: 'finish'; readonly why: FinishReason };
type Group1 = Omit<Group, 'end'> & { readonly end: 'stay' | 'wrap' | 'finish' };
interface Row1 {
  readonly if: readonly Cond[];
  readonly validity: 'counts' | 'void' | 'replay';
  readonly do: readonly Effect1[];
}
type Part1 = Omit<Part, 'stages' | 'rows' | 'also' | 'groups'> & {
  readonly tasks: readonly Task[];
  readonly rows: readonly Row1[];
  readonly also?: Readonly<Record<string, readonly Effect1[]>>;
  readonly groups: Readonly<Record<string, Group1>>;
};
type Game1 = Omit<Game, 'format' | 'parts'> & { readonly format: typeof GAME_FORMAT_1; readonly parts: readonly Part1[] };

const VALIDITY: Readonly<Record<Row1['validity'], Validity>> = { counts: 'counts', void: 'gone', replay: 'again' };

export function isFormat1(game: unknown): game is Game1 {
  return saysItIs(GAME_FORMAT_1, game);
}

/** What was kept, as a game of today: one of format 1 converted, anything else as it is. */
export function todaysGame<T>(kept: T): T | Game {
  return isFormat1(kept) ? fromFormat1(kept) : kept;
}

function fromFormat1(game: Game1): Game {
  const parts = game.parts.map(partOf);
  return { ...game, format: GAME_FORMAT, parts, levels: game.levels.map((level) => levelOf(game, parts, level)) };
}

function effectsOf(effects: readonly Effect1[]): Effect[] {
  return effects.flatMap((effect): Effect[] => {
    if (effect.do === 'finish') return [];
    if (effect.do === 'next') return [effect.what === 'side' ? { do: 'turn' } : { do: 'stage', to: 'next' }];
    return [effect];
  });
}

const finishOf = (effects: readonly Effect1[]): FinishReason | undefined =>
  effects.reduce<FinishReason | undefined>((why, effect) => (effect.do === 'finish' ? effect.why : why), undefined);

/** True when no rule before this one can speak of the same end, so that the end alone tells that it speaks. */
function isToldByItsEnd(rows: readonly Row1[], at: number): boolean {
  const [cond, ...more] = rows[at]!.if;
  if (more.length > 0 || cond?.[0] !== 'end') return false;
  return rows.slice(0, at).every((row) => row.if.some((other) => other[0] === 'end' && other[2] !== cond[2]));
}

function partOf(part: Part1): Part {
  return framesOf(part) ?? anyPart(part);
}

function anyPart({ tasks, rows, also, groups, stop, flagsTogether, ...rest }: Part1): Part {
  const past = Object.keys(groups).filter((id) => groups[id]!.end === 'finish');
  const passed = past.map((id): Stop => ({ if: [[`passed.${id}`, '=', 1]], why: 'goal' }));
  const flags = [...new Set(tasks.flatMap((task) => task.flags ?? []))];
  // Of several flags the last that ends it names the reason, and where only the first of them counts, that one.
  const byFlag = flags.flatMap((flag, at): Stop[] => {
    const why = finishOf(also?.[flag] ?? []);
    if (why === undefined) return [];
    const before = flagsTogether === 'one' ? flags.slice(0, at).map((other): Cond => [`flag.${other}`, '=', 0]) : [];
    return [{ if: [[`flag.${flag}`, '=', 1], ...before], why }];
  });
  const byRow = rows.flatMap((row, at): Stop[] => {
    const why = finishOf(row.do);
    if (why === undefined) return [];
    return [{ if: [isToldByItsEnd(rows, at) ? row.if[0]! : ['row', '=', idOf(at)]], why }];
  });
  const flagsGoOn = Object.values(also ?? {}).some((effects) => effects.some((effect) => effect.do === 'go'));
  return {
    ...rest,
    ...(flagsTogether !== undefined && { flagsTogether }),
    stages: tasks,
    groups: Object.fromEntries(Object.entries(groups).map(([id, group]) => [id, { ...group, end: group.end === 'finish' ? 'stay' : group.end }])),
    rows: rows.map((row, at): Row => {
      const named = finishOf(row.do) !== undefined && !isToldByItsEnd(rows, at);
      return { ...(named && { id: idOf(at) }), if: row.if, validity: VALIDITY[row.validity], do: effectsOf(row.do) };
    }),
    ...(also && { also: Object.fromEntries(Object.entries(also).map(([flag, effects]) => [flag, effectsOf(effects)])) }),
    stop: [...byFlag.reverse(), ...(flagsGoOn ? [...passed, ...byRow] : [...byRow, ...passed]), ...stop],
  };
}

const idOf = (row: number) => `rule-${row + 1}`;

/** Frames as format 1 wrote them: four counters, of which two said which ball it is and how many are due. Null for anything that is not just that. */
function framesOf(part: Part1): Part | null {
  const { measure, stop, rows, tasks } = part;
  const task = tasks[0]!;
  const [atLast, noneDue] = stop[0]?.if ?? [];
  if (typeof measure.of === 'string' || tasks.length !== 1 || task.see !== 'felled' || task.at === undefined || !atLast || !noneDue) return null;
  if (part.startAt || part.also || task.flags || rows.length !== 8 || !part.groups[task.at] || part.groups[task.at]!.up !== undefined) return null;
  const [points = ''] = Object.keys(measure.of.sum);
  const [frame, extra, ball] = [atLast[0], noneDue[0], rows[4]!.if[0]?.[0] ?? ''].map((operand) => operand.slice(2)) as [string, string, string];
  const names = { points, frame, extra, ball, pin: task.at };
  const last = Number(atLast[2]);
  const told = { of: measure.of, stop, rows };
  const asFrames = { of: { sum: { [points]: 1 } }, stop: stopOfFrames1(names, last), rows: rowsOfFrames1(names, last) };
  if (new Set(Object.values(names)).size !== 5 || plain(told) !== plain(asFrames)) return null;
  // Who breaks a tie by the counters that go would break it otherwise.
  if ((measure.tie ?? []).some(({ of }) => typeof of !== 'string' && (ball in of.sum || extra in of.sum))) return null;
  const { tasks: _tasks, groups, also: _also, ...rest } = part;
  return {
    ...rest,
    stages: stagesOfFrames(task, names, last),
    groups: groups as Part['groups'],
    rows: [],
    stop: stopOfFrames(frame, last),
  };
}

const stopOfFrames1 = ({ frame, extra }: Readonly<Record<'frame' | 'extra', string>>, last: number): readonly Stop[] => [
  {
    if: [
      [`n.${frame}`, '>=', last],
      [`n.${extra}`, '<=', 0],
    ],
    why: 'rounds',
  },
];

function rowsOfFrames1(
  { points, frame, ball, extra, pin }: Readonly<Record<'points' | 'frame' | 'ball' | 'extra' | 'pin', string>>,
  last: number,
): Row1[] {
  const score: Effect = { do: 'add', counter: points, amount: 'felled', timesCarry: true };
  const reset: Effect = { do: 'reset', group: pin };
  const ends: readonly Effect[] = [{ do: 'add', counter: frame, amount: 1 }, { do: 'set', counter: ball, amount: 0 }, reset];
  const used: Effect = { do: 'add', counter: extra, amount: -1 };
  const row = (conds: Row1['if'], effects: readonly Effect[]): Row1 => ({ if: conds, validity: 'counts', do: [score, ...effects] });
  const down = [`left.${pin}`, '=', 0] as const;
  const first = [`n.${ball}`, '=', 0] as const;
  const early = [`n.${frame}`, '<=', last - 2] as const;
  const due = [`n.${extra}`, '>=', 1] as const;
  return [
    row([due, down], [used, reset]),
    row([due], [used]),
    row([first, down, early], [{ do: 'carry', next: 1, afterNext: 1 }, ...ends]),
    row([first, down], [{ do: 'set', counter: extra, amount: 2 }, ...ends]),
    row([first], [{ do: 'set', counter: ball, amount: 1 }]),
    row([down, early], [{ do: 'carry', next: 1, afterNext: 0 }, ...ends]),
    row([down], [{ do: 'set', counter: extra, amount: 1 }, ...ends]),
    row([], ends),
  ];
}

/** Slots of a part that do not stand where they stood, or hold what is written in another way now. */
const CHANGED = /^\/parts\/(\d+)\/(tasks|rows|also|stop|groups)\b/;

/** What a level changes: said as it was, but for slots that have moved, which are told by what they come to. */
function levelOf(game: Game1, parts: readonly Part[], level: Level): Level {
  const moved = new Set(Object.keys(level.set).flatMap((pointer) => CHANGED.exec(pointer)?.[1] ?? []));
  if (moved.size === 0) return level;
  const set: Record<string, unknown> = {};
  for (const [pointer, value] of Object.entries(level.set)) {
    const slot = CHANGED.exec(pointer);
    // A figure or a word inside of what is written as before stays a slot of its own.
    const same = slot?.[2] === 'groups' && !pointer.endsWith('/end') && typeof value !== 'object';
    const inside = slot?.[2] === 'tasks' ? pointer.replace(/\/tasks(?=\/|$)/, '/stages') : same ? pointer : null;
    if (!slot || (inside !== null && framesOf(game.parts[Number(slot[1])]!) === null)) set[inside ?? pointer] = value;
  }
  const before = levelGame({ ...game, levels: [level] } as unknown as Game, 0);
  const after = levelGame({ ...game, format: GAME_FORMAT, parts, levels: [{ ...level, set }] }, 0);
  // What it names is not there: the reader says so.
  if (!before.ok || !after.ok) return { ...level, set };
  for (const index of [...moved].map(Number)) {
    const so = partOf((before.value as unknown as Game1).parts[index]!);
    const now = after.value.parts[index]!;
    for (const slot of ['stages', 'rows', 'also', 'stop', 'groups'] as const)
      for (const [pointer, value] of differences(now[slot], so[slot], `/parts/${index}/${slot}`)) set[pointer] = value;
  }
  return { ...level, set };
}

/** Where two values of the same shape differ, each place as a pointer with the second value; a list of another length as a whole. */
function* differences(one: unknown, other: unknown, at: string): Generator<readonly [string, unknown]> {
  if (plain(one) === plain(other)) return;
  const both = typeof one === 'object' && typeof other === 'object' && one !== null && other !== null;
  if (!both || Array.isArray(one) !== Array.isArray(other) || Object.keys(one).join() !== Object.keys(other).join()) yield [at, other];
  else
    for (const key of Object.keys(one))
      yield* differences((one as Record<string, unknown>)[key], (other as Record<string, unknown>)[key], `${at}/${key}`);
}
