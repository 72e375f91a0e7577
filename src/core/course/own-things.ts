/** Things of the teacher's own that stand on the floors of games: made once, they can be put down in any other. */
import type { Game, PlacedTarget } from '../rules/format/game';

export interface KnownThing {
  readonly thing: Pick<PlacedTarget, 'object'> & { readonly own: NonNullable<PlacedTarget['own']> };
  readonly kind: 'target' | 'obstacle';
}

/** Each once, by its name. */
export function ownThingsIn(games: readonly Pick<Game, 'course'>[]): readonly KnownThing[] {
  const all = games.flatMap(({ course }) => [
    ...Object.values(course.targets)
      .flat()
      .map((thing) => ({ thing, kind: 'target' as const })),
    ...(course.obstacles ?? []).map((thing) => ({ thing, kind: 'obstacle' as const })),
  ]);
  const found = new Map<string, KnownThing>();
  for (const { thing, kind } of all)
    if (thing.own && !found.has(thing.own.name)) found.set(thing.own.name, { thing: { object: thing.object, own: thing.own }, kind });
  return [...found.values()];
}
