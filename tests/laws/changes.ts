/** Every small change of a game: a number one more or less, another choice, a part taken away, other words. */
import type { Game } from '@/core/rules/format/game';
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
  validity: ['counts', 'void', 'replay'],
  per: ['part', 'item', 'side'],
  inFlight: ['released', 'landed'],
  keep: ['best', 'last', 'sum'],
  better: ['high', 'low'],
  turn: ['none', 'attempt', 'miss', 'frame', 'half-time', 'part'],
  order: ['fixed', 'either-way', 'free'],
  end: ['stay', 'wrap', 'finish'],
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

/** Every change that leaves the game a whole one, resolved to one level. */
export function* changesOf(game: Game): Generator<Change> {
  const alone = { ...game, levels: [{ ...game.levels[0]!, set: {} }] } as unknown as { readonly [key: string]: Json };
  for (const where of PLACES) {
    const node = alone[where];
    if (node === undefined || (where === 'card' && game.parts.length === 1)) continue;
    for (const { place, how, value } of changed(node, [where])) {
      const read = readGame(withAt(alone, place.slice(1).split('/'), value));
      if (read.ok && compile(read.value).ok) yield { place, how, game: read.value };
    }
  }
}
