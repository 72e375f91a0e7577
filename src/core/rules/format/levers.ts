/** What two levels differ in, by the field's four levers. */
import type { Game, PlacedTarget } from './game';
import { levelGame } from './level';

export type Lever = 'space' | 'task' | 'equipment' | 'people';

/** Which lever a slot of a level pulls: the field's four (space, task, equipment, people). */
function leverOf(pointer: string): Lever {
  if (pointer.startsWith('/course/places')) return 'space';
  if (pointer.startsWith('/course/targets')) return 'space';
  if (pointer.startsWith('/sides')) return 'people';
  if (pointer.startsWith('/kit') || pointer.startsWith('/course/obstacles') || /groups\/[^/]+\/n$/.test(pointer)) return 'equipment';
  return 'task';
}

/** The levers that differ between two levels, with the slots that pull them. */
export function leversBetween(game: Game, from: number, to: number): ReadonlyMap<Lever, readonly string[]> {
  const one = levelGame(game, from);
  const other = levelGame(game, to);
  const found = new Map<Lever, string[]>();
  if (!one.ok || !other.ok) return found;
  const pointers = new Set([...Object.keys(game.levels[from]!.set), ...Object.keys(game.levels[to]!.set)]);
  for (const pointer of pointers) {
    const before = valueAt(one.value, pointer);
    const after = valueAt(other.value, pointer);
    if (JSON.stringify(before) === JSON.stringify(after)) continue;
    const lever = pointer.startsWith('/course/targets') && objectsOf(before) !== objectsOf(after) ? 'equipment' : leverOf(pointer);
    found.set(lever, [...(found.get(lever) ?? []), pointer]);
  }
  return found;
}

function objectsOf(value: unknown): string {
  const list = Array.isArray(value) ? value : [value];
  return list
    .map((one) => JSON.stringify([(one as Partial<PlacedTarget> | undefined)?.object, (one as Partial<PlacedTarget> | undefined)?.widthM]))
    .join(' ');
}

function valueAt(game: Game, pointer: string): unknown {
  return pointer
    .slice(1)
    .split('/')
    .reduce<unknown>((node, key) => (node as Record<string, unknown> | undefined)?.[key], game);
}
