/** Larger things to put on a floor at once: several groups that belong together, as teachers set them out. */
import { AIMED, outlineWidthM, type AimedId } from '../objects/catalogue';
import type { Game, Spot } from '../rules/format/game';
import { withAdded, type Added } from './change';
import { insideFloor } from './geometry';
import type { CourseThing } from './things';

export const ARRANGEMENTS = [
  'row-by-size',
  'boxes-near-to-far',
  'gate',
  'ladder-of-places',
  'circuit',
  'round-the-room',
  'winding-route',
  'wall-rebound',
] as const;
export type ArrangementId = (typeof ARRANGEMENTS)[number];

export const ARRANGEMENT_WORDS: Readonly<Record<ArrangementId, string>> = {
  'row-by-size': 'targets in a row, large to small',
  'boxes-near-to-far': 'boxes near to far',
  gate: 'a gate to pass',
  'ladder-of-places': 'a ladder of places',
  circuit: 'two targets with strips to leap between them',
  'round-the-room': 'targets round the room',
  'winding-route': 'a winding route with a hole at its end',
  'wall-rebound': 'a basket before a wall to throw against',
};

/** What a child of this age can leap from standing, metres: the strips of a circuit are so wide. Assumed: 0.5 at four years, 8 cm more a year. */
export function leapM(ageYears: number): number {
  return Math.round(10 * (0.5 + 0.08 * (ageYears - 4))) / 10;
}

/** The game with an arrangement on its floor: as large as the floor allows, the player to the left. */
export function withArrangement(game: Game, id: ArrangementId, ageYears: number): Added {
  const { widthM, depthM } = game.course.floor;
  const at = (x: number, y: number): Spot => insideFloor(game, { xM: x * widthM, yM: y * depthM }, 0.2);
  const along = (n: number, from: Spot, to: Spot): Spot[] =>
    Array.from({ length: n }, (_, index) => {
      const share = n === 1 ? 0.5 : index / (n - 1);
      return { xM: from.xM + (to.xM - from.xM) * share, yM: from.yM + (to.yM - from.yM) * share };
    });
  switch (id) {
    case 'row-by-size':
      return row(game, bySize(['large-bowl', 'mixing-bowl', 'small-bowl']), along(3, at(0.75, 0.25), at(0.75, 0.75)));
    case 'boxes-near-to-far':
      return row(game, ['box', 'box', 'box', 'box'], along(4, at(0.4, 0.5), at(0.9, 0.5)));
    case 'gate':
      return withAdded(game, { kind: 'target', object: 'shoe-gate', spots: [at(0.75, 0.5)] });
    case 'ladder-of-places':
      return withAdded(game, { kind: 'place', spots: along(6, at(0.6, 0.5), at(0.08, 0.5)) });
    case 'circuit': {
      const wide = Math.min(leapM(ageYears), AIMED['towel-strip'].sizeM[1]);
      return several(game, [
        (next) => withAdded(next, { kind: 'target', object: 'plate-on-chair', spots: [at(0.06, 0.5)] }),
        (next) => withAdded(next, { kind: 'target', object: 'bucket', spots: [at(0.94, 0.5)] }),
        (next) => withAdded(next, { kind: 'obstacle', object: 'towel-strip', spots: along(2, at(0.42, 0.5), at(0.58, 0.5)), widthM: wide }),
        (next) => withAdded(next, { kind: 'place', spots: [at(0.28, 0.5)] }),
        (next) => withAdded(next, { kind: 'place', spots: [at(0.72, 0.5)] }),
      ]);
    }
    case 'round-the-room':
      return several(game, [
        (next) =>
          withAdded(next, {
            kind: 'target',
            object: 'small-bottle',
            spots: [at(0.3, 0.12), at(0.75, 0.12), at(0.93, 0.5), at(0.75, 0.88), at(0.3, 0.88)],
          }),
        (next) => withAdded(next, { kind: 'place', spots: [at(0.4, 0.5)] }),
      ]);
    case 'winding-route':
      return several(game, [
        (next) => withAdded(next, { kind: 'way', spots: [at(0.08, 0.2), at(0.45, 0.2), at(0.5, 0.75), at(0.9, 0.75)] }),
        (next) => withAdded(next, { kind: 'place', spots: [at(0.08, 0.2)] }),
        (next) => withAdded(next, { kind: 'target', object: 'string-loop', spots: [at(0.9, 0.75)] }),
        (next) => withAdded(next, { kind: 'obstacle', object: 'ramp', spots: [at(0.35, 0.2)] }),
        (next) => withAdded(next, { kind: 'obstacle', object: 'chair', spots: [at(0.7, 0.45)] }),
        (next) => withAdded(next, { kind: 'zone', zone: { name: 'keep out', ...at(0.3, 0.7), radiusM: Math.min(0.4, depthM / 8) } }),
      ]);
    case 'wall-rebound':
      return several(game, [
        (next) => withAdded(next, { kind: 'obstacle', object: 'wall', spots: [at(0.97, 0.5)] }),
        (next) => withAdded(next, { kind: 'target', object: 'laundry-basket', spots: [{ ...at(0.97, 0.5), xM: at(0.97, 0.5).xM - 0.7 }] }),
        (next) => withAdded(next, { kind: 'place', spots: [{ ...at(0.97, 0.5), xM: Math.max(0.2, at(0.97, 0.5).xM - 2) }] }),
      ]);
  }
}

/** Largest first. */
function bySize(objects: readonly AimedId[]): readonly AimedId[] {
  return [...objects].sort((a, b) => outlineWidthM(AIMED[b].shape) - outlineWidthM(AIMED[a].shape));
}

/** Different things in one group, in their order. */
function row(game: Game, objects: readonly AimedId[], spots: readonly Spot[]): Added {
  const first = withAdded(game, { kind: 'target', object: objects[0]!, spots: [spots[0]!] });
  const group = (first.things[0] as Extract<CourseThing, { group: string }>).group;
  return several(
    first.game,
    objects.slice(1).map((object, index) => (next: Game) => withAdded(next, { kind: 'target', object, spots: [spots[index + 1]!], into: group })),
    first.things,
  );
}

function several(game: Game, steps: readonly ((game: Game) => Added)[], before: readonly CourseThing[] = []): Added {
  return steps.reduce<Added>(
    (so, step) => {
      const { game: next, things } = step(so.game);
      return { game: next, things: [...so.things, ...things] };
    },
    { game, things: before },
  );
}
