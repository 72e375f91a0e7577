/**
 * Does the layout fit, and is it safe? One judgement of a game at one level: what stands outside or on top of something else, what is in
 * the way, who and what stands where the ball may go, and whether there is room to fetch. Each finding names its place and its mends.
 */
import type { Thrower } from '../motion/release';
import { nameOf } from '../objects/catalogue';
import type { FloorSide, Furniture, Game, PlacedTarget, Spot } from '../rules/format/game';
import { resolveLevel } from '../rules/format/level';
import { along, flightsOf, mayReach, type Flight } from './flights';
import { distanceM } from './geometry';
import { apart, softBall, turnedAway, type LayoutMend } from './layout-mends';
import { withThingAt } from './move';
import { overlapM, standing, TOUCH_M } from './overlap';
import { thingWords } from './thing-words';
import { halfSizeM, isPinSet, keyOf, listedOf, middleOf, spotOf, thingsOf, type CourseThing, type Listed } from './things';

export type MisfitKind =
  'breakable' | 'runs-out' | 'line-of-fire' | 'door' | 'outside' | 'overlap' | 'in-the-way' | 'no-room-to-fetch' | 'not-in-the-rules';

export interface Misfit {
  readonly kind: MisfitKind;
  /** Where on the floor it is marked. */
  readonly at: Spot;
  readonly things: readonly CourseThing[];
  readonly words: string;
  readonly danger: boolean;
  readonly mends: readonly LayoutMend[];
}

/** Half the width of a child and its arms, metres. Assumed. */
const BODY_M = 0.25;
/** A child gets through a gap so wide, metres. Assumed. */
const PASSAGE_M = 0.4;

/** Corners, middles of the sides and the middle of what takes up room. */
function outlineOf(level: Game, listed: Listed): readonly Spot[] {
  const middle = middleOf(level.course, listed);
  const half = halfSizeM(listed);
  return [-1, 0, 1].flatMap((x) => [-1, 0, 1].map((y) => ({ xM: middle.xM + x * half.xM, yM: middle.yM + y * half.yM })));
}

/** What is found, with the ways to mend it: of each the first that helps is offered. */
type Found = Omit<Misfit, 'mends'> & { readonly ways: () => readonly Iterable<LayoutMend>[] };

interface Look {
  readonly game: Game;
  readonly levelIndex: number;
  readonly level: Game;
  readonly flights: readonly Flight[];
}

/** One finder a kind, in the order in which they are told: what is dangerous first. */
const FINDERS: Readonly<Record<MisfitKind, (look: Look) => readonly Found[]>> = {
  breakable: breakables,
  'runs-out': runsOut,
  'line-of-fire': linesOfFire,
  door: doorsIn,
  outside,
  overlap: overlaps,
  'in-the-way': inTheWay,
  'no-room-to-fetch': noRoom,
  'not-in-the-rules': idle,
};

const MISFIT_KINDS = Object.keys(FINDERS) as readonly MisfitKind[];

/** What is found of one kind: of what is found from several points of one box the first. */
const lookFor = (kind: MisfitKind, look: Look): readonly Found[] => {
  const found = FINDERS[kind](look);
  return found.filter((one, index) => found.findIndex((other) => named(other) === named(one)) === index);
};

/** Looking for mends takes longer than finding what is wrong: only the first few have theirs. */
const MOST_MENDED = 5;

/**
 * What of a layout does not fit, overlaps or is not safe, at one level, for a child of this age; dangers first. The first five have their
 * mends; `withMends` false leaves them out, while something is dragged.
 */
export function misfitsOf(game: Game, levelIndex: number, child: Thrower, withMends = true): readonly Misfit[] {
  const look = lookAt(game, levelIndex, child);
  const found = MISFIT_KINDS.flatMap((kind) => lookFor(kind, look));
  return found.map(({ ways, ...one }, index) => {
    if (!withMends || index >= MOST_MENDED) return { ...one, mends: [] };
    const before = found.filter((other) => other.kind === one.kind).length;
    const helps = (mended: Game) => {
      const after = lookFor(one.kind, lookAt(mended, levelIndex, child));
      return after.length < before && after.every((other) => named(other) !== named(one));
    };
    return { ...one, mends: ways().flatMap((way) => first(way, ({ game: mended }) => helps(mended))) };
  });
}

function lookAt(game: Game, levelIndex: number, child: Thrower): Look {
  const level = resolveLevel(game, levelIndex);
  return { game, levelIndex, level, flights: flightsOf(level, child) };
}

const named = ({ things }: Pick<Misfit, 'things'>) => things.map(keyOf).join(' ');

function first<T>(from: Iterable<T>, passes: (one: T) => boolean): readonly T[] {
  for (const one of from) if (passes(one)) return [one];
  return [];
}

function breakables({ game, levelIndex, level, flights }: Look): Found[] {
  return level.course.furniture.flatMap((piece, index): Found[] => {
    if (piece.kind !== 'breakable') return [];
    const hits = flights.filter((flight) => mayHit(level, flight, piece));
    if (hits.length === 0) return [];
    const behind = hits.every((flight) => along(flight, middleOf(level.course, piece)).alongM > flight.lengthM);
    return [
      {
        kind: 'breakable',
        at: middleOf(level.course, piece),
        things: [{ kind: 'furniture', index }],
        words: `The ${piece.name} breaks, and stands ${behind ? `behind the ${nameOf(hits[0]!.target)}` : 'where the ball may go'}.`,
        danger: true,
        ways: () => [turnedAway(game, levelIndex, hits)],
      },
    ];
  });
}

const mayHit = (level: Game, flight: Flight, piece: Furniture) => outlineOf(level, piece).some((spot) => mayReach(flight, spot, 0.1));

const SIDE_WORDS: Readonly<Record<FloorSide, string>> = { top: 'far side', bottom: 'near side', left: 'left', right: 'right' };

function runsOut({ game, levelIndex, level, flights }: Look): Found[] {
  const { open = [] } = level.course;
  if (open.length === 0) return [];
  const over = flights.flatMap((flight) => {
    const out = leaves(level, flight);
    return out && open.includes(out.side) && out.overM >= 0.1 ? [{ flight, out }] : [];
  });
  // Of several ways from one place the farthest is told.
  return over
    .sort((one, other) => other.out.overM - one.out.overM)
    .map(({ flight, out }) => ({
      kind: 'runs-out',
      at: out.at,
      things: [{ kind: 'place', group: flight.group, index: flight.index }],
      words: `A ball from ${placeWords(level, flight)} may run ${metres(out.overM)} over the open side (${SIDE_WORDS[out.side]}). No road may be there.`,
      danger: true,
      ways: () => [turnedAway(game, levelIndex, [flight]), softBall(game)],
    }));
}

/** Where the line of a try leaves the floor within its reach, and how far it may go on from there. */
function leaves(level: Game, { from, target, lengthM, pastM }: Flight): { side: FloorSide; at: Spot; overM: number } | null {
  if (lengthM === 0) return null;
  const [ux, uy] = [(target.xM - from.xM) / lengthM, (target.yM - from.yM) / lengthM];
  const { widthM, depthM } = level.course.floor;
  const ways: readonly (readonly [FloorSide, number])[] = [
    ['right', ux > 0 ? (widthM - from.xM) / ux : Infinity],
    ['left', ux < 0 ? -from.xM / ux : Infinity],
    ['bottom', uy > 0 ? (depthM - from.yM) / uy : Infinity],
    ['top', uy < 0 ? -from.yM / uy : Infinity],
  ];
  const [side, at] = ways.reduce((near, way) => (way[1] < near[1] ? way : near));
  const reach = lengthM + pastM;
  return at < reach ? { side, at: { xM: from.xM + ux * at, yM: from.yM + uy * at }, overM: reach - at } : null;
}

/** Players who try at the same time stand in each other's way; so does a partner who feeds the ball. */
function linesOfFire({ game, levelIndex, level, flights }: Look): Found[] {
  if (level.sides.n < 2 || level.sides.turn !== 'none') return [];
  return flights.flatMap((flight) =>
    flights.flatMap((other): Found[] => {
      if (other === flight || !mayReach(flight, other.from, BODY_M)) return [];
      return [
        {
          kind: 'line-of-fire',
          at: other.from,
          things: [
            { kind: 'place', group: other.group, index: other.index },
            { kind: 'place', group: flight.group, index: flight.index },
          ],
          words: `Who stands at ${placeWords(level, other)} is in the line of ${placeWords(level, flight)}, and all play at once.`,
          danger: true,
          ways: () => [
            [{ label: 'Take turns', game: { ...game, sides: { ...game.sides, turn: 'attempt' } } }],
            turnedAway(game, levelIndex, [other]),
          ],
        },
      ];
    }),
  );
}

function doorsIn({ game, levelIndex, level, flights }: Look): Found[] {
  return (level.course.doors ?? []).flatMap((door, index): Found[] => {
    const at = middleOf(level.course, door);
    const hits = flights.filter((flight) => mayReach(flight, at, door.widthM / 2));
    if (hits.length === 0) return [];
    return [
      {
        kind: 'door',
        at,
        things: [{ kind: 'door', index }],
        words: 'A door is where the ball goes: whoever opens it stands in the line.',
        danger: true,
        ways: () => [turnedAway(game, levelIndex, hits)],
      },
    ];
  });
}

function outside({ game, levelIndex, level }: Look): Found[] {
  const { widthM, depthM } = level.course.floor;
  return thingsOf(level).flatMap((thing): Found[] => {
    const listed = listedOf(level.course, thing)!;
    // A wall to play against is the edge of the floor itself.
    if ('object' in listed && listed.object === 'wall') return [];
    const at = middleOf(level.course, listed);
    const half = halfSizeM(listed);
    const over = Math.max(half.xM - at.xM, at.xM + half.xM - widthM, half.yM - at.yM, at.yM + half.yM - depthM);
    if (over <= TOUCH_M) return [];
    const inside = {
      xM: Math.min(widthM - half.xM, Math.max(half.xM, at.xM)),
      yM: Math.min(depthM - half.yM, Math.max(half.yM, at.yM)),
    };
    return [
      {
        kind: 'outside',
        at,
        things: [thing],
        words: `The ${thingWords(level, thing)} stands ${centimetres(over)} through the wall.`,
        danger: false,
        ways: () => [[{ label: 'Bring it in', game: withThingAt(game, levelIndex, thing, inside) }]],
      },
    ];
  });
}

function overlaps({ game, levelIndex, level }: Look): Found[] {
  const things = standing(level);
  const found: Found[] = [];
  const told = new Set<string>();
  for (let i = 0; i < things.length; i += 1)
    for (let j = i + 1; j < things.length; j += 1) {
      const [one, other] = [things[i]!, things[j]!];
      if (overlapM(level, one, other) <= TOUCH_M) continue;
      // The one that is played with is moved, not the furniture.
      const [stays, moves] = other.kind === 'furniture' ? [other, one] : [one, other];
      // A set of pins that stands in something is told once, and moved as a set; two pins of one set are moved apart.
      const set = moves.kind === 'target' && isPinSet(level, moves.group) && !('group' in stays && stays.group === moves.group) ? moves.group : null;
      const pair = `${set ?? keyOf(moves)} in ${keyOf(stays)}`;
      if (told.has(pair)) continue;
      told.add(pair);
      const words = set === null ? thingWords(level, moves) : `set of ${nameOf(level.course.targets[set]![0]!)}s`;
      found.push({
        kind: 'overlap',
        at: spotOf(level.course, moves)!,
        things: [moves, stays],
        words:
          moves.kind === 'place'
            ? `${capital(words)} is where the ${thingWords(level, stays)} stands.`
            : `The ${words} and the ${thingWords(level, stays)} stand in each other.`,
        danger: false,
        ways: () => [apart(game, levelIndex, stays, moves, set === null)],
      });
    }
  return found;
}

/** Furniture on the straight way between a place and what it looks towards. */
function inTheWay({ game, levelIndex, level, flights }: Look): Found[] {
  return flights.flatMap((flight): Found[] => {
    const piece = blocking(level, flight);
    if (!piece) return [];
    return [
      {
        kind: 'in-the-way',
        at: middleOf(level.course, piece),
        things: [{ kind: 'place', group: flight.group, index: flight.index }],
        words: `The ${piece.name} stands between ${placeWords(level, flight)} and the ${nameOf(flight.target)}.`,
        danger: false,
        ways: () => [turnedAway(game, levelIndex, [flight])],
      },
    ];
  });
}

function blocking(level: Game, { from, target, lengthM }: Flight): Furniture | undefined {
  return level.course.furniture.find((piece) => {
    if (target.standM > 0) return false;
    const steps = Math.ceil(lengthM / 0.05);
    for (let step = 1; step < steps; step += 1) {
      const share = step / steps;
      const x = from.xM + (target.xM - from.xM) * share;
      const y = from.yM + (target.yM - from.yM) * share;
      if (x > piece.xM && x < piece.xM + piece.widthM && y > piece.yM && y < piece.yM + piece.depthM) return true;
    }
    return false;
  });
}

/** Whoever fetches a ball from behind the target must get past it on one side. */
function noRoom({ game, levelIndex, level, flights }: Look): Found[] {
  const told = new Set<PlacedTarget>();
  return flights.flatMap((flight): Found[] => {
    const { target, from, lengthM } = flight;
    if (told.has(target) || lengthM === 0 || flight.pastM < 0.3) return [];
    const out = leaves(level, { ...flight, pastM: 20 });
    const behindM = out ? distanceM(out.at, target) : 0;
    if (behindM < 0.5) return [];
    const [nx, ny] = [-(target.yM - from.yM) / lengthM, (target.xM - from.xM) / lengthM];
    const size = halfSizeM(target);
    const half = Math.abs(nx) * size.xM + Math.abs(ny) * size.yM;
    const gaps = [1, -1].map((side) => freeM(level, target, { xM: nx * side, yM: ny * side }) - half) as [number, number];
    if (Math.max(...gaps) >= PASSAGE_M) return [];
    told.add(target);
    const thing = thingsOf(level).find((one) => listedOf(level.course, one) === target)!;
    // All the room on one side: up to what stands on the narrower one.
    const shift = gaps[0] > gaps[1] ? -Math.max(0, gaps[1] - 0.02) : Math.max(0, gaps[0] - 0.02);
    const aside = { xM: target.xM + nx * shift, yM: target.yM + ny * shift };
    return [
      {
        kind: 'no-room-to-fetch',
        at: target,
        things: [thing],
        words: `There are ${centimetres(Math.max(0, ...gaps))} to get past the ${nameOf(target)}: too little to fetch a ball from behind it.`,
        danger: false,
        ways: () => [[{ label: 'Put it to one side', game: withThingAt(game, levelIndex, thing, aside) }]],
      },
    ];
  });
}

/** Free floor from a spot in a direction as far as the next wall or piece of furniture, metres. */
function freeM(level: Game, from: Spot, to: Spot): number {
  const { widthM, depthM } = level.course.floor;
  for (let length = 0; length < 20; length += 0.02) {
    const x = from.xM + to.xM * length;
    const y = from.yM + to.yM * length;
    if (x < 0 || y < 0 || x > widthM || y > depthM) return length;
    if (level.course.furniture.some((piece) => x > piece.xM && x < piece.xM + piece.widthM && y > piece.yM && y < piece.yM + piece.depthM))
      return length;
  }
  return 20;
}

/** What stands on the floor and the rules say nothing of. */
function idle({ level }: Look): Found[] {
  const known = new Set(level.parts.flatMap((part) => Object.keys(part.groups)));
  const groups = [...Object.keys(level.course.targets), ...Object.keys(level.course.places)].filter((group) => !known.has(group));
  return groups.map((group): Found => {
    const kind = level.course.targets[group] ? ('target' as const) : ('place' as const);
    const thing: CourseThing = { kind, group, index: 0 };
    const n = (level.course.targets[group] ?? level.course.places[group])!.length;
    const words = thingWords(level, thing).replace(/ \d+$/, '');
    return {
      kind: 'not-in-the-rules',
      at: spotOf(level.course, thing)!,
      things: [thing],
      words: `The rules say nothing yet of the ${n > 1 ? `${n} ${words}s` : words}: choose how it is played.`,
      danger: false,
      ways: () => [],
    };
  });
}

function placeWords(level: Game, { group, index }: Flight): string {
  const words = thingWords(level, { kind: 'place', group, index });
  return words === 'throw line' ? 'the throw line' : words;
}

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);
const metres = (lengthM: number) => `${lengthM.toFixed(1)} m`;
const centimetres = (lengthM: number) => `${Math.round(100 * lengthM)} cm`;
