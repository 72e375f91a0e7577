/**
 * Nothing was tapped: what a family or a helper types at the end, and the events that it stands for. One list of fields for the page,
 * the grid of paper sheets and the boxes on the sheet itself.
 */
import type { Effect, Game, Group, Part } from '../rules/format/game';
import { mmPerUnit } from '../rules/format/length-unit';
import { reachableParts } from '../rules/playing/totals';
import { carries, unfinishedRule } from '../rules/format/unfinished';
import { placeMark } from '../rules/telling/place-name';
import { english } from '../words/english';
import type { Words } from '../words/words';
import type { PlayEvent } from '../rules/format/play';

export type PartField = {
  readonly part: number;
  readonly go: number;
  /** What to write here: "far mark", "full rounds", "frame 3, first ball". */
  readonly label: string;
  /** What each is worth, where that is one number. */
  readonly each: number | null;
  readonly least: number;
  readonly most: number;
} & (
  | { readonly kind: 'row'; readonly row: number; readonly at: number }
  | { readonly kind: 'counter'; readonly counter: string }
  | { readonly kind: 'seconds' }
  | { readonly kind: 'minutes' }
  | { readonly kind: 'done' }
  /** Pins felled by one ball; empty where the ball was not played. */
  | { readonly kind: 'ball' }
);

const MOST = 999;
const MOST_COUNTED = 100_000;

/** The fields of a game resolved to one level, in the order in which they are written. */
export function partFields(game: Game, words = english): readonly PartField[] {
  return game.parts.flatMap((part, index) =>
    Array.from({ length: part.goes.n }, (_, go) =>
      fieldsOfPart(game, index, words).map((field) => ({ ...field, part: index, go }) as PartField),
    ).flat(),
  );
}

type Field = { [K in PartField['kind']]: Omit<Extract<PartField, { kind: K }>, 'part' | 'go'> }[PartField['kind']];

function fieldsOfPart(game: Game, index: number, words: Words): Field[] {
  const part = game.parts[index]!;
  const { of } = part.measure;
  const { i18n, own } = words;
  if (of === 'clock') return [{ kind: 'seconds', label: i18n.t('seconds (a unit)', {}, { message: 'seconds' }), each: null, least: 0, most: 3600 }];
  if (of === 'minutes')
    return [{ kind: 'minutes', label: i18n.t('minutes (a length of time)', {}, { message: 'minutes' }), each: null, least: 0, most: 240 }];
  if (of === 'done') return [{ kind: 'done', label: i18n.t('done (ticked)', {}, { message: 'done' }), each: null, least: 0, most: 1 }];
  if (carries(part)) return balls(part, words);
  const byRow = rowFields(part, of.sum, words);
  if (byRow) return byRow;
  const counters = countersAsked(part);
  const most = mostOfCounters(game, index);
  return counters.map((counter, at) => ({
    kind: 'counter',
    counter,
    label: own(part.counterWords?.[counter] ?? counter),
    each: of.sum[counter] ?? null,
    least: 0,
    most: most[at] ?? MOST_COUNTED,
  }));
}

/** The counters of which a figure is asked: those of the score, and those that break a tie. */
export function countersAsked({ measure }: Part): string[] {
  const rules = [measure, ...(measure.tie ?? [])];
  return [...new Set(rules.flatMap(({ of }) => (typeof of === 'string' ? [] : Object.keys(of.sum))))];
}

/** What goes on beyond this has no most that a field could say. */
const FIELD_CEILING = 60;
const mostByPart = new WeakMap<Part, readonly (number | null)[]>();

/** The most of each counter that is asked, as far as the rules say; worked out once for a part. */
function mostOfCounters(game: Game, index: number): readonly (number | null)[] {
  const part = game.parts[index]!;
  const known = mostByPart.get(part) ?? reachableParts(game, index, countersAsked(part), {}, FIELD_CEILING).most;
  mostByPart.set(part, known);
  return known;
}

/** Balls of a frames game: two a frame and up to two extra. */
function balls(part: Part, { i18n }: Words): Field[] {
  const pins = Object.values(part.groups).find((group) => group.kind === 'pin')?.n ?? 10;
  const frames = Number(part.stop.flatMap((stop) => stop.if).find(([operand, op]) => operand.startsWith('n.') && op === '>=')?.[2] ?? 10);
  const ball = (label: string): Field => ({ kind: 'ball', label, each: null, least: 0, most: pins });
  return [
    ...Array.from({ length: frames }, (_, frame) => [
      ball(i18n.t('frame {n}, first ball', { n: frame + 1 })),
      ball(i18n.t('frame {n}, second ball', { n: frame + 1 })),
    ]).flat(),
    ball(i18n.t('extra ball {n}', { n: 1 })),
    ball(i18n.t('extra ball {n}', { n: 2 })),
  ];
}

/** One field for each row (and element) that gives points, when the score is nothing but those; else undefined. */
function rowFields(part: Part, sum: Readonly<Record<string, number>>, words: Words): Field[] | undefined {
  const { own } = words;
  const scores = (effect: Effect) => 'counter' in effect && effect.counter in sum;
  if (Object.values(part.also ?? {}).some((effects) => effects.some(scores))) return undefined;
  if (Object.keys(sum).some((counter) => part.startAt?.[counter])) return undefined;
  const fields: Field[] = [];
  const most = Math.min(MOST, mostTries(part));
  for (const [row, rule] of part.rows.entries()) {
    const scoring = rule.do.filter(scores);
    if (scoring.length === 0) continue;
    if (rule.validity === 'again' || rule.validity === 'never' || rule.if.length !== 1 || rule.if[0]![0] !== 'end' || scoring.length > 1)
      return undefined;
    const effect = scoring[0]!;
    if (effect.do !== 'add' || effect.timesCarry || effect.for === 'others') return undefined;
    const weight = sum[effect.counter]!;
    const endLabel = part.stages.flatMap((task) => task.ends ?? []).find((end) => end.id === rule.if[0]![2])?.label ?? '';
    const ended = own(endLabel).toLocaleLowerCase(words.tag);
    if (typeof effect.amount === 'number') {
      fields.push({ kind: 'row', row, at: 0, label: ended, each: effect.amount * weight, least: 0, most });
      continue;
    }
    const group = effect.amount === 'value' && effect.of !== undefined ? part.groups[effect.of] : undefined;
    if (!group?.value) return undefined;
    group.value.forEach((value, at) => {
      const name = nameOfElement(group, at, words);
      const seldom = part.stages.flatMap((task) => task.ends ?? []).find((end) => end.id === rule.if[0]![2])?.as === 'seldom';
      fields.push({
        kind: 'row',
        row,
        at,
        label: seldom ? `${name}, ${ended}` : name,
        each: value * weight,
        least: 0,
        most,
      });
    });
  }
  // A rare end that counts like a hit is written with the hits.
  const main = fields.filter((field) => field.kind === 'row' && !isSeldom(part, field.row));
  return main.length > 0 ? main : undefined;
}

/** The number of tries after which a part is over whatever happens; without one, no bound. */
function mostTries(part: Part): number {
  const bounds = part.stop.flatMap(({ if: [cond, ...more] }) =>
    cond && more.length === 0 && cond[0] === 'attempts' && cond[1] === '>=' && typeof cond[2] === 'number' ? [cond[2]] : [],
  );
  return Math.min(Infinity, ...bounds);
}

function nameOfElement(group: Group, at: number, words: Words): string {
  const label = group.labels?.[at];
  if (label !== undefined) return words.own(label);
  const kind = words.own(group.kind);
  if (group.kind !== 'place') return `${kind} ${at + 1}`;
  return placeMark(at, group.n, words);
}

function isSeldom(part: Part, row: number): boolean {
  const end = part.rows[row]!.if[0]?.[2];
  return part.stages.flatMap((task) => task.ends ?? []).find((one) => one.id === end)?.as === 'seldom';
}

/** The events that the typed fields stand for; empty fields count as nothing. The list is played with counting 'parts'. */
export function eventsFromFields(game: Game, fields: readonly PartField[], typed: readonly (number | null)[]): PlayEvent[] {
  const events: PlayEvent[] = [];
  let t = 0;
  let first = true;
  for (const [index, part] of game.parts.entries()) {
    for (let go = 0; go < part.goes.n; go += 1) {
      const mine = fields.map((field, at) => ({ field, value: typed[at] ?? null })).filter(({ field }) => field.part === index && field.go === go);
      if (part.when && mine.every(({ value }) => value === null)) continue;
      if (!first) events.push({ do: 'begin', t });
      first = false;
      const nothing = mine.every(({ value }) => value === null);
      // Strokes of which none were written were not played.
      const unplayed = nothing && unfinishedRule(part) === 'not-finished';
      let why: 'time' | 'goal' | 'rounds' | 'given-up' = unplayed ? 'given-up' : part.clock.kind === 'down' ? 'time' : 'rounds';
      let took = part.clock.kind === 'down' ? part.clock.s * 1000 : 0;
      let ended = false;
      for (const { field, value } of mine) {
        if (value === null) {
          if (field.kind === 'seconds' || field.kind === 'minutes' || field.kind === 'done') why = 'given-up';
          continue;
        }
        switch (field.kind) {
          case 'row':
            if (value > 0) events.push({ do: 'tally', t, row: field.row, at: field.at, n: value });
            break;
          case 'counter':
            events.push({ do: 'tally', t, counter: field.counter, n: value * mmPerUnit(part, part.measure) });
            break;
          case 'seconds':
            took = value * 1000;
            why = 'goal';
            break;
          case 'minutes':
            took = value * 60_000;
            why = 'goal';
            break;
          case 'done':
            why = value > 0 ? 'goal' : 'given-up';
            break;
          case 'ball':
            events.push({ do: 'attempt', t, count: value });
            ended = true;
            break;
        }
      }
      t += took;
      // Frames end by themselves when the last ball is in.
      if (!ended) events.push({ do: 'finish', t, why });
    }
  }
  return events;
}
