/**
 * The gap finder: what the rules of a game leave open or say twice, why it matters at home, and mends that can be applied at one tap.
 * Each kind of gap is one small function over a part or the game; a game without gaps can be played without asking the teacher.
 */
import { GATE_MS, ONE_TRY_S } from '../motion/assumed';
import { IMPLEMENTS } from '../objects/catalogue';
import { AT, B, compile, Phase } from './compile';
import { Kind, start, step } from './engine';
import type { Cond, Effect, Game, Part, Row } from './game';
import { unfinishedRule } from './unfinished';
import { leversBetween, type Lever } from './levers';
import { readThrowRules, withThrowRules, type Tipped } from './throw-rules';

export type GapKind =
  | 'miss' // an end of an attempt that no rule speaks of
  | 'tipped' // the target falls over
  | 'edge' // an edge, a wall or a thing in the way is touched
  | 'two-at-once'
  | 'tie'
  | 'stroke-cap'
  | 'bad-feed'
  | 'not-finished'
  | 'mixed-units'
  | 'set-up-clock'
  | 'said-twice'
  | 'never-happens'
  | 'endless'
  | 'levers'
  | 'no-time'
  | 'luck'
  | 'in-flight'
  | 'past-target'
  | 'equal-turns'
  | 'who-calls'
  | 'two-flags';

export interface Mend {
  readonly label: string;
  /** The game with the mend applied. */
  readonly game: Game;
}

export interface Gap {
  readonly kind: GapKind;
  /** JSON Pointer into the game. */
  readonly place: string;
  readonly question: string;
  readonly why: string;
  readonly mends: readonly Mend[];
}

/** Everything that the rules leave open, in the order of the game. */
export function gapsOf(game: Game): readonly Gap[] {
  return [
    ...game.parts.flatMap((part, index) => partGaps(game, part, index)),
    ...tipped(game),
    ...tie(game),
    ...mixedUnits(game),
    ...equalTurns(game),
    ...whoCalls(game),
    ...levers(game),
  ];
}

function withPart(game: Game, index: number, change: Partial<Part>): Game {
  return { ...game, parts: game.parts.map((part, at) => (at === index ? { ...part, ...change } : part)) };
}

function partGaps(game: Game, part: Part, index: number): Gap[] {
  const at = `/parts/${index}`;
  const change = (label: string, to: Partial<Part>): Mend => ({ label, game: withPart(game, index, to) });
  return [
    ...misses(part, at, change),
    ...edges(game, part, at, change),
    ...twoAtOnce(part, at, change),
    ...strokeCap(part, at, change),
    ...badFeed(part, at, change),
    ...notFinished(part, at, change),
    ...setUpClock(part, at, change),
    ...repeated(part, at, change),
    ...neverHappens(part, at, change),
    ...endless(game, part, at, change),
    ...noTime(game, part, at, change),
    ...luck(part, at, change),
    ...inFlight(part, at, change),
    ...pastTarget(part, at, change),
    ...twoFlags(part, at, change),
  ];
}

type Change = (label: string, to: Partial<Part>) => Mend;

const catchesAll = (row: Row) => row.if.length === 0;
const namesEnd = (row: Row, end: string) => row.if.every(([operand, , value]) => operand !== 'end' || value === end);

function misses(part: Part, at: string, change: Change): Gap[] {
  const gaps: Gap[] = [];
  part.tasks.forEach((task, index) => {
    for (const end of task.ends ?? []) {
      const told = part.rows.some((row) => namesEnd(row, end.id) && row.if.every(([operand]) => operand === 'end'));
      if (told) continue;
      const row = (validity: Row['validity']): Row => ({ if: [['end', '=', end.id]], validity, do: [] });
      gaps.push({
        kind: 'miss',
        place: `${at}/tasks/${index}/ends`,
        question: `What happens after “${end.label}”?`,
        why: 'Every home would decide it for itself, and scores could not be compared.',
        mends: [
          change('Nothing; the try is used up', { rows: [...part.rows, row('counts')] }),
          change('Play it again', { rows: [...part.rows, row('replay')] }),
        ],
      });
    }
  });
  return gaps;
}

/** Rolling and kicking past things: is it allowed to touch them? */
function edges(game: Game, part: Part, at: string, change: Change): Gap[] {
  const past = (game.course.obstacles?.length ?? 0) + (game.course.zones?.length ?? 0) > 0;
  const along = part.tasks.findIndex((task) => ['roll', 'kick'].includes(task.technique) && task.see === 'end' && task.at !== undefined);
  if (!past || along < 0 || part.tasks.some((task) => (task.flags?.length ?? 0) > 0) || mentionsEdge(part)) return [];
  const counter = typeof part.measure.of === 'string' ? undefined : Object.keys(part.measure.of.sum)[0];
  const withFlag = (effects: readonly Effect[]): Partial<Part> => ({
    tasks: part.tasks.map((task, index) =>
      index === along ? { ...task, flags: ['touch'], flagWords: { touch: 'touches something on the way' } } : task,
    ),
    also: { ...part.also, touch: effects },
  });
  const costs = part.measure.better === 'low' ? 1 : -1;
  return [
    {
      kind: 'edge',
      place: `${at}/tasks/${along}/flags`,
      question: 'What if the ball touches something on the way?',
      why: 'There are things in the way, and nothing says whether touching them costs anything.',
      mends: [
        ...(counter ? [change(costs > 0 ? 'One more stroke' : 'One point less', withFlag([{ do: 'add', counter, amount: costs }]))] : []),
        change('It does not matter', withFlag([])),
      ],
    },
  ];
}

function mentionsEdge(part: Part): boolean {
  return part.tasks.some((task) => task.ends?.some((end) => /touch|edge|wall|side/i.test(`${end.id} ${end.label} ${end.says ?? ''}`)));
}

/** A fixed amount for "one falls" does not say what two give. */
function twoAtOnce(part: Part, at: string, change: Change): Gap[] {
  const found = part.rows.findIndex(
    (row, index) =>
      part.tasks.some((task) => task.see === 'felled') &&
      row.do.some((effect) => effect.do === 'add' && typeof effect.amount === 'number' && scores(part, effect)) &&
      row.if.some(([operand, op, value]) => operand === 'felled' && op === '>=' && value === 1) &&
      !part.rows.some(
        (other, rank) => rank < index && other.if.some(([operand, op, value]) => operand === 'felled' && op !== '<=' && Number(value) >= 2),
      ),
  );
  if (found < 0) return [];
  const row = part.rows[found]!;
  const group = Object.entries(part.groups).find(([, one]) => one.kind === 'pin' || one.kind === 'target')?.[0];
  const each = part.rows.map((one, index) =>
    index === found
      ? { ...one, do: one.do.map((effect) => (effect.do === 'add' && scores(part, effect) ? { ...effect, amount: 'felled' as const } : effect)) }
      : one,
  );
  const back: Row = { if: [['felled', '>=', 2]], validity: 'void', do: group ? [{ do: 'restore', group }] : [] };
  return [
    {
      kind: 'two-at-once',
      place: `${at}/rows/${found}`,
      question: 'What if two fall at once?',
      why: 'One try can fell two, and the rule speaks of one.',
      mends: [
        change('Each counts', { rows: each }),
        change('It does not count: put them back', { rows: [...part.rows.slice(0, found), back, row, ...part.rows.slice(found + 1)] }),
      ],
    },
  ];
}

function scores(part: Part, effect: Effect): boolean {
  return 'counter' in effect && typeof part.measure.of !== 'string' && effect.counter in part.measure.of.sum;
}

function strokeCap(part: Part, at: string, change: Change): Gap[] {
  if (part.measure.better !== 'low' || typeof part.measure.of === 'string' || part.tasks.some((task) => task.see === 'length')) return [];
  if (part.stop.some((stop) => stop.why === 'cap' || stop.if.some(([operand]) => operand === 'attempts'))) return [];
  const counter = Object.keys(part.measure.of.sum)[0]!;
  const cap = (most: number) => change(`Stop at ${most}`, { stop: [...part.stop, { if: [[`n.${counter}`, '>=', most]], why: 'cap' }] });
  return [
    {
      kind: 'stroke-cap',
      place: `${at}/stop`,
      question: 'How many strokes at the most?',
      why: 'Without a most one bad hole goes on until nobody wants to play.',
      mends: [cap(8), cap(12)],
    },
  ];
}

function badFeed(part: Part, at: string, change: Change): Gap[] {
  const index = part.tasks.findIndex((task) => task.feeder === 'partner');
  if (index < 0) return [];
  const task = part.tasks[index]!;
  if (task.ends?.some((end) => /feed/.test(end.id)) || task.see !== 'end') return [];
  const withEnd = (validity: Row['validity']): Partial<Part> => ({
    tasks: part.tasks.map((one, at_) =>
      at_ === index ? { ...one, ends: [...(one.ends ?? []), { id: 'bad-feed', label: 'Bad feed', says: 'the ball came badly', as: 'seldom' }] } : one,
    ),
    rows: [...part.rows, { if: [['end', '=', 'bad-feed']], validity, do: [] }],
  });
  return [
    {
      kind: 'bad-feed',
      place: `${at}/tasks/${index}/ends`,
      question: 'What if the partner feeds it badly?',
      why: 'A ball that comes badly is not the fault of the one who throws.',
      mends: [change('Play it again', withEnd('replay')), change('It counts as a try', withEnd('counts'))],
    },
  ];
}

function notFinished(part: Part, at: string, change: Change): Gap[] {
  if (part.unfinished !== undefined || part.measure.of === 'clock' || part.measure.of === 'minutes' || part.measure.of === 'done') return [];
  if (unfinishedRule(part) === 'as-it-stands' && part.measure.better === 'high' && part.clock.kind !== 'up') return [];
  return [
    {
      kind: 'not-finished',
      place: `${at}/unfinished`,
      question: 'What if it is stopped before the end?',
      why:
        part.measure.better === 'low'
          ? 'Fewer is better here, so that stopping early would look like the best score of all.'
          : 'Half of it is no score that could be compared with a whole one.',
      mends: [change('Write “not finished”', { unfinished: 'not-finished' }), change('It counts as it stands', { unfinished: 'as-it-stands' })],
    },
  ];
}

function setUpClock(part: Part, at: string, change: Change): Gap[] {
  if (part.clock.kind !== 'down' || Object.values(part.gates).some((gate) => gate.kind === 'set-up')) return [];
  const isSet = (effect: Effect) =>
    effect.do === 'reset' && ['pin', 'target'].includes(part.groups[effect.group]!.kind) && part.groups[effect.group]!.n > 1;
  const row = part.rows.findIndex((one) => one.do.some(isSet));
  if (row < 0) return [];
  const withGate = (onClock: boolean): Partial<Part> => ({
    gates: { ...part.gates, 'set-up': { kind: 'set-up', what: 'set all up again', n: 1, onClock } },
    rows: part.rows.map((one) => (one.do.some(isSet) ? { ...one, do: [...one.do, { do: 'owe', gate: 'set-up' }] } : one)),
  });
  return [
    {
      kind: 'set-up-clock',
      place: `${at}/rows/${row}`,
      question: 'Does the clock run while all is set up again?',
      why: 'Setting up takes longer than a throw; homes would differ by half the time.',
      mends: [change('The clock runs on', withGate(true)), change('The clock waits', withGate(false))],
    },
  ];
}

const condKey = (conds: readonly Cond[]) => JSON.stringify([...conds].map((cond) => cond.join(' ')).sort());

function repeated(part: Part, at: string, change: Change): Gap[] {
  const gaps: Gap[] = [];
  const without = (index: number) => part.rows.filter((_, rank) => rank !== index);
  part.rows.forEach((row, index) => {
    const earlier = part.rows.findIndex((other, rank) => rank < index && (catchesAll(other) || condKey(other.if) === condKey(row.if)));
    if (earlier < 0) return;
    gaps.push({
      kind: 'said-twice',
      place: `${at}/rows/${index}`,
      question: 'Which of two rules holds?',
      why: `Rule ${earlier + 1} already speaks of this, so that rule ${index + 1} never comes to bear.`,
      mends: [change('Keep the first', { rows: without(index) }), change('Keep the second', { rows: without(earlier) })],
    });
  });
  return gaps;
}

function changed(part: Part): ReadonlySet<string> {
  const effects = [...part.rows.flatMap((row) => row.do), ...Object.values(part.also ?? {}).flat()];
  return new Set(effects.flatMap((effect) => ('counter' in effect ? [`n.${effect.counter}`] : 'group' in effect ? [`g.${effect.group}`] : [])));
}

/** A stop or a rule that looks at what nothing ever changes, and an end that no task has. */
function neverHappens(part: Part, at: string, change: Change): Gap[] {
  const moved = changed(part);
  const felled = part.tasks.some((task) => task.see === 'felled');
  const choosable = (group: string) => part.groups[group]!.order !== 'fixed';
  const never = ([operand, op, value]: Cond): boolean => {
    const [space, name] = operand.split('.') as [string, string | undefined];
    if (space === 'n') return !moved.has(operand) && !satisfied(part.startAt?.[name!] ?? 0, op, Number(value));
    if (space === 'left') return !felled && !moved.has(`g.${name!}`) && !satisfied(part.groups[name!]!.n, op, Number(value));
    if (space === 'at')
      return (
        (!moved.has(`g.${name!}`) && !choosable(name!) && !satisfied(1, op, Number(value))) || (op !== '<=' && Number(value) > part.groups[name!]!.n)
      );
    return false;
  };
  const gaps: Gap[] = [];
  part.stop.forEach((stop, index) => {
    if (stop.if.some(never))
      gaps.push({
        kind: 'never-happens',
        place: `${at}/stop/${index}`,
        question: 'This end is never reached. What ends the game?',
        why: 'Nothing in the rules changes what it waits for.',
        mends: [change('Take it away', { stop: part.stop.filter((_, rank) => rank !== index) })],
      });
  });
  part.rows.forEach((row, index) => {
    if (row.if.some(never))
      gaps.push({
        kind: 'never-happens',
        place: `${at}/rows/${index}`,
        question: 'This rule never comes to bear. Is it needed?',
        why: 'Nothing in the rules changes what it waits for.',
        mends: [change('Take it away', { rows: part.rows.filter((_, rank) => rank !== index) })],
      });
  });
  return gaps;
}

function satisfied(found: number, op: '=' | '>=' | '<=', value: number): boolean {
  return op === '=' ? found === value : op === '>=' ? found >= value : found <= value;
}

const MANY_TRIES = 400;

/** True when the part ends by itself even if every try goes wrong in the same way, whichever way that is. */
function surelyEnds(game: Game, part: Part): boolean {
  if (part.clock.kind === 'down' || part.measure.of === 'minutes' || part.measure.of === 'done') return true;
  const compiled = compile({ ...game, parts: [part], sides: { n: 1, turn: 'none' } });
  if (!compiled.ok) return true;
  const program = compiled.value;
  const { tasks, rows } = program.parts[0]!;
  const replayed = (end: string) =>
    part.rows.some((row) => row.validity === 'replay' && row.if.some(([operand, , value]) => operand === 'end' && value === end));
  const failing = part.tasks.flatMap((task) => (task.ends ?? []).filter((end) => end.as !== 'success' && !replayed(end.id)).map((end) => end.id));
  const ways = failing.length > 0 ? failing : ['nothing'];
  return ways.every((way) => {
    const state = start(program);
    for (let tries = 0; tries < MANY_TRIES && state[AT.phase] === Phase.playing; tries += 1) {
      for (const gate of program.parts[0]!.gates) state[state[AT.base]! + gate.offset] = 0;
      const task = tasks[state[state[AT.base]! + B.task]!]!;
      const end = task.ends.indexOf(way);
      const fitting =
        task.hasEnds && (task.endMask & (1 << Math.max(0, end))) === 0 ? task.ends.findIndex((_, index) => task.endMask & (1 << index)) : end;
      if (step(program, state, Kind.attempt, 0, task.hasEnds ? fitting : 0, 0) !== 0 || rows.length === 0) return false;
    }
    return state[AT.phase] !== Phase.playing;
  });
}

function endless(game: Game, part: Part, at: string, change: Change): Gap[] {
  if (surelyEnds(game, part)) return [];
  const everFinishes = Object.values(part.groups).some((group) => group.end === 'finish');
  // A race against the watch is over when the child gives up; it is then written down as not finished.
  if (
    part.measure.of === 'clock' &&
    (everFinishes || part.stop.length > 0 || part.rows.some((row) => row.do.some((effect) => effect.do === 'finish')))
  )
    return [];
  const stopAt = (n: number) => change(`End after ${n} tries`, { stop: [...part.stop, { if: [['attempts', '>=', n]], why: 'attempts' }] });
  return [
    {
      kind: 'endless',
      place: `${at}/stop`,
      question: 'When does it end if it does not go well?',
      why: 'A child for whom it does not go well would never come to the end.',
      mends: [
        stopAt(20),
        stopAt(40),
        change('End after five minutes', { clock: { ...part.clock, kind: 'down', s: 300, inFlight: part.clock.inFlight ?? 'landed' } }),
      ],
    },
  ];
}

/** A second for each repetition of an exercise, as in the forecast. */
const ONE_REPETITION_S = GATE_MS.exercise / 1000;

function noTime(game: Game, part: Part, at: string, change: Change): Gap[] {
  if (part.clock.kind !== 'down' || part.clock.per === 'item') return [];
  const gate = Object.entries(part.gates).find(([, one]) => one.before === 'attempt' && one.onClock && one.kind === 'exercise');
  const goal = part.stop.find((stop) => stop.why === 'goal' && stop.if.some(([operand, op]) => operand.startsWith('n.') && op !== '<='));
  const needed = Number(goal?.if.find(([operand]) => operand.startsWith('n.'))?.[2] ?? 0);
  if (!gate) return [];
  const [id, { n }] = gate;
  const each = n * ONE_REPETITION_S + ONE_TRY_S;
  const seconds = part.clock.s / (game.sides.turn === 'half-time' ? game.sides.n : 1);
  const tries = Math.floor(seconds / each);
  // A child who may miss needs about twice as many tries as it must succeed.
  const wanted = needed > 0 ? 2 * needed : 4;
  if (tries >= wanted) return [];
  const fits = Math.max(1, Math.floor((seconds / wanted - ONE_TRY_S) / ONE_REPETITION_S));
  const longer = Math.ceil((wanted * each) / 15) * 15 * (game.sides.turn === 'half-time' ? game.sides.n : 1);
  return [
    {
      kind: 'no-time',
      place: `${at}/gates/${id}/n`,
      question: `The clock has room for about ${tries} ${tries === 1 ? 'try' : 'tries'}. Is that meant?`,
      why: `${n} before every try and ${seconds} seconds in all leave time for ${tries}.`,
      mends: [
        change(`${fits} before every try`, { gates: { ...part.gates, [id]: { ...part.gates[id]!, n: fits } } }),
        change(`${longer} seconds`, { clock: { ...part.clock, s: longer } }),
      ],
    },
  ];
}

function luck(part: Part, at: string, change: Change): Gap[] {
  if (part.measure.of === 'done' || !part.tasks.every((task) => task.see === 'face' && IMPLEMENTS_OF_CHANCE.test(task.what ?? 'coin'))) return [];
  return [
    {
      kind: 'luck',
      place: `${at}/measure`,
      question: 'Who does best here is mostly luck. Is it to be ranked?',
      why: 'A coin decides; comparing children by it would compare their luck.',
      mends: [change('Write down only that it is done', { measure: { of: 'done', unit: 'done', better: 'high' } })],
    },
  ];
}

const IMPLEMENTS_OF_CHANCE = new RegExp(`\\b(${IMPLEMENTS.coin.name}|die|dice|draw)\\b`, 'i');

function inFlight(part: Part, at: string, change: Change): Gap[] {
  if (part.clock.kind !== 'down' || part.clock.inFlight !== undefined) return [];
  if (!part.tasks.some((task) => task.asked !== 'whistle' && ['underarm', 'overarm', 'set-shot', 'roll', 'kick', 'lift'].includes(task.technique)))
    return [];
  return [
    {
      kind: 'in-flight',
      place: `${at}/clock/inFlight`,
      question: 'Does a ball count that is in the air when the time is up?',
      why: 'It happens in most goes, and each home would decide for itself.',
      mends: [
        change('It still counts', { clock: { ...part.clock, inFlight: 'released' } }),
        change('It does not count', { clock: { ...part.clock, inFlight: 'landed' } }),
      ],
    },
  ];
}

function pastTarget(part: Part, at: string, change: Change): Gap[] {
  const gaps: Gap[] = [];
  part.stop.forEach((stop, index) => {
    const exact = stop.if.findIndex(([operand, op, value]) => operand.startsWith('n.') && op === '=' && Number(value) > 0);
    if (exact < 0) return;
    const counter = stop.if[exact]![0].slice(2);
    const steps = part.rows.flatMap((row) => row.do).filter((effect) => effect.do === 'add' && effect.counter === counter);
    const jumps = steps.some((effect) => effect.do === 'add' && (typeof effect.amount !== 'number' || Math.abs(effect.amount) > 1));
    const turnsBack = part.rows.some((row) => row.if.some(([operand, op]) => operand === `n.${counter}` && op === '>='));
    if (!jumps || turnsBack) return;
    const atLeast = stop.if.map((cond, rank): Cond => (rank === exact ? [cond[0], '>=', cond[2]] : cond));
    gaps.push({
      kind: 'past-target',
      place: `${at}/stop/${index}`,
      question: 'What if the score goes past the one that was aimed for?',
      why: 'It asks for exactly that score, and one try can jump over it.',
      mends: [change('That many or more will do', { stop: part.stop.map((one, rank) => (rank === index ? { ...one, if: atLeast } : one)) })],
    });
  });
  return gaps;
}

function twoFlags(part: Part, at: string, change: Change): Gap[] {
  const telling = Object.values(part.also ?? {}).filter((effects) => effects.length > 0);
  if (telling.length < 2 || part.flagsTogether !== undefined) return [];
  return [
    {
      kind: 'two-flags',
      place: `${at}/flagsTogether`,
      question: 'What if two of these happen in one try?',
      why: 'A ball can touch two things on its way.',
      mends: [change('Both count', { flagsTogether: 'each' }), change('Only the first counts', { flagsTogether: 'one' })],
    },
  ];
}

const TIPPED: readonly { readonly tipped: Tipped; readonly label: string }[] = [
  { tipped: 'nothing', label: 'No points' },
  { tipped: 'counts', label: 'It counts' },
  { tipped: 'again', label: 'Throw again' },
];

function tipped(game: Game): Gap[] {
  const rules = readThrowRules(game);
  if (!rules || rules.tipped !== null || !game.parts[0]!.tasks[0]!.ends?.some((end) => end.id === 'in')) return [];
  return [
    {
      kind: 'tipped',
      place: '/parts/0/tasks/0/ends',
      question: 'What if the ball knocks the target over?',
      why: 'A light box or basket falls now and then.',
      mends: TIPPED.map(({ tipped: to, label }) => ({ label, game: withThrowRules(game, { ...rules, tipped: to }) })),
    },
  ];
}

const against = (game: Game) => game.sides.n > 1 && game.sides.score !== 'joint';

function tie(game: Game): Gap[] {
  if (!against(game) || game.card.combine === 'wins') return [];
  const index = game.parts.findIndex((part) => part.measure.tie === undefined);
  if (index < 0) return [];
  const part = game.parts[index]!;
  return [
    {
      kind: 'tie',
      place: `/parts/${index}/measure/tie`,
      question: 'What if two players come out level?',
      why: 'They play against each other, and nothing says how a tie is broken.',
      mends: [{ label: 'Then it is a draw', game: withPart(game, index, { measure: { ...part.measure, tie: [] } }) }],
    },
  ];
}

/** Seconds and points do not add up. */
function mixedUnits(game: Game): Gap[] {
  if (game.parts.length < 2 || game.card.combine !== 'sum') return [];
  const units = [...new Set(game.parts.map(({ measure }) => `${measure.unit}, ${measure.better === 'high' ? 'more' : 'less'} is better`))];
  if (units.length < 2) return [];
  const combined = (combine: 'list' | 'wins'): Game => ({ ...game, card: { ...game.card, combine } });
  return [
    {
      kind: 'mixed-units',
      place: '/card/combine',
      question: `The parts are scored in ${units.join(' and in ')}. How do they make one score?`,
      why: 'Added up they would mean nothing.',
      mends: [
        { label: 'Each part has a score of its own', game: combined('list') },
        ...(game.sides.n > 1 ? [{ label: 'Who wins more parts has won', game: combined('wins') }] : []),
      ],
    },
  ];
}

function equalTurns(game: Game): Gap[] {
  if (!against(game) || game.sides.lastTurnLevel !== undefined || !['attempt', 'miss', 'frame'].includes(game.sides.turn)) return [];
  const race = game.parts.some(
    (part) =>
      part.stop.some((stop) => stop.why === 'goal' || stop.why === 'target-score') ||
      Object.values(part.groups).some((group) => group.end === 'finish'),
  );
  if (!race) return [];
  return [
    {
      kind: 'equal-turns',
      place: '/sides/lastTurnLevel',
      question: 'When one is there first, do the others still have their turn?',
      why: 'The one who begins has had a turn more.',
      mends: [
        { label: 'Yes, equal turns', game: { ...game, sides: { ...game.sides, lastTurnLevel: true } } },
        { label: 'No, it is over at once', game: { ...game, sides: { ...game.sides, lastTurnLevel: false } } },
      ],
    },
  ];
}

function whoCalls(game: Game): Gap[] {
  if (!against(game) || game.calls !== undefined) return [];
  const mend = (label: string, calls: NonNullable<Game['calls']>): Mend => ({ label, game: { ...game, calls } });
  return [
    {
      kind: 'who-calls',
      place: '/calls',
      question: 'Who says what a doubtful try was?',
      why: 'Two who play against each other see it differently.',
      mends: [mend('The one who played', 'thrower'), mend('The partner', 'partner'), mend('Play it again', 'again')],
    },
  ];
}

const LEVER_WORDS: Readonly<Record<Lever, string>> = { space: 'the distances', task: 'the task', equipment: 'the things', people: 'the players' };

function levers(game: Game): Gap[] {
  const gaps: Gap[] = [];
  for (let index = 1; index < game.levels.length; index += 1) {
    const between = leversBetween(game, index - 1, index);
    // Fewer places or pins than before lie elsewhere of necessity: that is one lever.
    const counted = [...between.keys()].filter(
      (lever) => !(lever === 'space' && between.get('equipment')?.some((pointer) => pointer.includes('/groups/'))),
    );
    if (counted.length < 2) continue;
    const level = game.levels[index]!;
    gaps.push({
      kind: 'levers',
      place: `/levels/${index}/set`,
      question: `${level.name} changes ${counted.map((lever) => LEVER_WORDS[lever]).join(' and ')} at once. Is that meant?`,
      why: 'When two things change, nobody knows which of them made it harder.',
      mends: counted.map((keep) => {
        const undone = counted.filter((lever) => lever !== keep).flatMap((lever) => between.get(lever)!);
        const before = game.levels[index - 1]!.set;
        const set = { ...level.set };
        for (const pointer of undone) {
          if (pointer in before) set[pointer] = before[pointer];
          else delete set[pointer];
        }
        return {
          label: `Change only ${LEVER_WORDS[keep]}`,
          game: { ...game, levels: game.levels.map((one, at) => (at === index ? { ...one, set } : one)) },
        };
      }),
    });
  }
  return gaps;
}
