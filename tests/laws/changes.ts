/** Every small change of a game: a number one more or less, another choice, a part taken away, other words. */
import { placedMarks, replacedBy } from '@/core/course/geometry';
import { withLengths } from '@/core/course/set-out';
import { shapeOf } from '@/core/objects/catalogue';
import type { Game, Part, Place, PlacedTarget } from '@/core/rules/format/game';
import { allUsed } from '@/core/rules/format/used';
import { readGame } from '@/core/rules/format/read-game';
import { compile } from '@/core/rules/playing/compile';

export interface Change {
  /** JSON Pointer of what is changed. */
  readonly place: string;
  readonly how: string;
  readonly game: Game;
}

type Json = null | boolean | number | string | readonly Json[] | { readonly [key: string]: Json };

/** What else may stand at a place, by the last step of its pointer; where one name means several things, by what holds it. */
const CHOICES: Readonly<Record<string, readonly string[]>> = {
  to: ['next', 'back', 'first', 'stay'],
  as: ['success', 'failure', 'seldom'],
  why: ['time', 'goal', 'attempts', 'cap', 'all-out', 'target-score', 'rounds', 'stopped'],
  validity: ['counts', 'gone', 'again', 'never'],
  per: ['part', 'item', 'side'],
  inFlight: ['released', 'landed'],
  keep: ['best', 'last', 'sum'],
  better: ['high', 'low'],
  with: ['sock-ball', 'tennis-ball', 'nothing'],
  turn: ['none', 'attempt', 'miss', 'frame', 'half-time', 'part', 'said'],
  order: ['fixed', 'either-way', 'free'],
  end: ['stay', 'wrap'],
  technique: ['underarm', 'overarm', 'set-shot', 'roll', 'kick', 'lift', 'strike-up', 'move', 'other'],
  score: ['own', 'joint'],
  combine: ['sum', 'wins', 'list'],
  asked: ['each', 'whistle'],
  feeder: ['partner', 'wall'],
  flagsTogether: ['each', 'one'],
  unfinished: ['not-finished', 'as-it-stands'],
  form: ['standing', 'seated', 'kneeling', 'two-hands'],
  hand: ['own', 'other'],
  before: ['attempt', 'round'],
  calls: ['thrower', 'partner', 'again'],
  implement: ['sock-ball', 'tennis-ball', 'balloon'],
  object: ['laundry-basket', 'bucket', 'shoebox', 'plastic-bottle'],
};
const OPERATORS = ['=', '>=', '<='];
/** Places whose words a family does not read: they name things to the file. */
const NAMES = new Set(['id', 'do', 'group', 'counter', 'of', 'gate', 'up', 'at', 'from', 'format', 'see', 'what-kind']);
/** Words that are read: what is said of them must change with them. */
const READ = new Set(['says', 'what', 'title', 'labels', 'faces', 'flagWords', 'unit', 'aim']);

const isRecord = (node: Json): node is { readonly [key: string]: Json } => typeof node === 'object' && node !== null && !Array.isArray(node);

function* changed(node: Json, path: readonly string[]): Generator<{ place: string; how: string; value: Json | undefined }> {
  const place = `/${path.join('/')}`;
  const key = path.at(-1)!;
  const holder = path.at(-2) ?? '';
  if (typeof node === 'number') {
    for (const by of [1, -1]) yield { place, how: `${node} → ${node + by}`, value: node + by };
    return;
  }
  if (typeof node === 'boolean') return yield { place, how: `${node} → ${!node}`, value: !node };
  if (typeof node === 'string') {
    const marks = path.at(-3) === 'do' && key === 'as';
    const options = OPERATORS.includes(node) ? OPERATORS : marks || NAMES.has(key) ? [] : CHOICES[key];
    if (options) {
      for (const other of options) if (other !== node) yield { place, how: `${node} → ${other}`, value: other };
    } else if ((READ.has(key) || READ.has(holder)) && !path.includes('tie')) yield { place, how: 'other words', value: `${node}x` };
    return;
  }
  if (Array.isArray(node)) {
    const isCond = node.length === 3 && OPERATORS.includes(node[1] as string);
    for (const [index, one] of (node as readonly Json[]).entries()) {
      yield* changed(one, [...path, `${index}`]);
      if (!isCond && key !== 'value' && key !== 'labels' && key !== 'faces')
        yield { place: `${place}/${index}`, how: 'taken away', value: undefined };
    }
    return;
  }
  if (!isRecord(node)) return;
  for (const [name, one] of Object.entries(node)) {
    yield* changed(one, [...path, name]);
    yield { place: path.length === 0 ? `/${name}` : `${place}/${name}`, how: 'taken away', value: undefined };
  }
}

/** The value with what a pointer names replaced, or taken away where `to` is undefined. */
function withAt(node: Json, path: readonly string[], to: Json | undefined): Json | undefined {
  const [key, ...rest] = path;
  if (key === undefined) return to;
  if (Array.isArray(node)) {
    const list = [...(node as readonly Json[])];
    const inner = withAt(list[Number(key)]!, rest, to);
    if (inner === undefined) list.splice(Number(key), 1);
    else list[Number(key)] = inner;
    return list;
  }
  const { [key]: old, ...others } = node as { readonly [key: string]: Json };
  const inner = withAt(old!, rest, to);
  // In its old place: the order of groups and gates is part of the game.
  return inner === undefined
    ? others
    : Object.fromEntries(Object.entries(node as object).map(([name, value]) => [name, name === key ? inner : (value as Json)]));
}

/** Where the rules, the things and the floor of a game stand. */
const PLACES = ['parts', 'sides', 'card', 'calls', 'kit', 'aim'];

/** Every change, or one of so many, that leaves the game a whole one, resolved to one level. */
export function* changesOf(game: Game, oneOf = 1): Generator<Change> {
  let n = 0;
  const alone = { ...game, levels: [{ ...game.levels[0]!, set: {} }] } as unknown as { readonly [key: string]: Json };
  for (const where of PLACES) {
    const node = alone[where];
    if (node === undefined || (where === 'card' && game.parts.length === 1)) continue;
    for (const { place, how, value } of changed(node, [where])) {
      n += 1;
      if (n % oneOf !== 0) continue;
      const read = readGame(withAt(alone, place.slice(1).split('/'), value));
      if (read.ok && compile(read.value).ok) yield { place, how, game: read.value };
    }
  }
}

/** Changes of what a family fetches, lays out and stands on: each thing another one, higher up or only to be hit; each place farther off. */
export function* setUpChangesOf(game: Game): Generator<Change> {
  const { course, kit } = game;
  const so = (place: string, how: string, to: Partial<Game>): Change => ({ place, how, game: { ...game, ...to } });
  const thing = function* (at: string, list: readonly PlacedTarget[], put: (list: readonly PlacedTarget[]) => Partial<Game>) {
    for (const [index, one] of list.entries()) {
      const other = (change: Partial<PlacedTarget>) => put(list.with(index, { ...one, ...change }));
      yield so(`${at}/${index}/object`, 'another', put(list.with(index, replacedBy(one, one.object === 'saucepan' ? 'bucket' : 'saucepan'))));
      yield so(`${at}/${index}/standM`, 'higher', other({ standM: one.standM + 0.4 }));
      if (shapeOf(one).kind === 'opening') yield so(`${at}/${index}/aim`, 'hit', other({ aim: one.aim === 'hit' ? 'in' : 'hit' }));
    }
  };
  for (const [id, list] of Object.entries(course.targets))
    yield* thing(`/course/targets/${id}`, list, (next) => ({ course: { ...course, targets: { ...course.targets, [id]: next } } }));
  for (const { group, index, towards, lengthM } of placedMarks(game))
    if (towards && lengthM > 0) yield so(`/course/places/${group}/${index}`, 'farther', withLengths(game, [{ group, index, lengthM: lengthM + 1 }]));
  for (const [group, list] of Object.entries(course.places))
    for (const [index, place] of list.entries()) {
      const { box, ...point } = place;
      const put = (next: Place) => ({ course: { ...course, places: { ...course.places, [group]: list.with(index, next) } } });
      yield so(
        `/course/places/${group}/${index}/box`,
        'a box',
        put({ ...point, box: box ? { ...box, widthM: box.widthM + 1 } : { widthM: 1, depthM: 1 } }),
      );
      if (box) yield so(`/course/places/${group}/${index}/box/depthM`, 'deeper', put({ ...point, box: { ...box, depthM: box.depthM + 1 } }));
      if (box) yield so(`/course/places/${group}/${index}/box`, 'a point', put(point));
    }
  if (Object.values(course.places).flat().length > 0)
    yield so('/kit/marker', 'another', { kit: { ...kit, marker: kit.marker === 'book' ? 'magazine' : 'book' } });
  if (allUsed(game).includes(kit.implement)) {
    const other = kit.implement === 'cork' ? 'sock-ball' : 'cork';
    yield so('/kit/implement', 'another', { kit: { ...kit, implement: other } });
  }
  for (const [p, part] of game.parts.entries()) {
    const put = (change: Partial<Part>): Partial<Game> => ({ parts: game.parts.with(p, { ...part, ...change }) });
    yield so(`/parts/${p}/needs`, 'one more', put({ needs: [...(part.needs ?? []), { name: 'umbrella', n: 1 }] }));
    for (const [index, need] of (part.needs ?? []).entries())
      if (game.parts.every((one, at) => at === p || !one.needs?.some(({ name }) => name === need.name)))
        yield so(`/parts/${p}/needs/${index}/n`, 'one more', put({ needs: part.needs!.with(index, { ...need, n: need.n + 1 }) }));
    yield so(`/parts/${p}/together`, 'three', put({ together: part.together === 3 ? 2 : 3 }));
    for (const [index, stage] of part.stages.entries())
      yield so(`/parts/${p}/stages/${index}/with`, 'another', put({ stages: part.stages.with(index, { ...stage, with: 'wool-ball' }) }));
  }
  if (game.sides.n > 1)
    yield so('/sides/fartherM', 'a parent farther', { sides: { ...game.sides, fartherM: Array.from({ length: game.sides.n }, (_, n) => n) } });
}
