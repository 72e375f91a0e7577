/**
 * Does the layout fit, and is it safe? One judgement of a game at one level: what stands outside or on top of something else, what is in
 * the way, who and what stands where the ball may go, and whether there is room to fetch. Each finding names its place and its mends.
 */
import type { Thrower } from '../motion/release';
import { IMPLEMENTS, nameOf } from '../objects/catalogue';
import type { FloorSide, Furniture, Game, PlacedTarget, Spot } from '../rules/game';
import { resolveLevel } from '../rules/level';
import { along, flightsOf, mayReach, type Flight } from './flights';
import { distanceM, insideFloor, targetFrom } from './geometry';
import { millimetres, withList, withMirrored, withThingAt } from './move';
import { thingWords } from './thing-words';
import { halfSizeM, isPinSet, keyOf, listedOf, middleOf, movedWith, spotOf, thingsOf, type CourseThing, type Listed } from './things';

/** In the order in which they are told: what is dangerous first. */
export type MisfitKind =
  'breakable' | 'runs-out' | 'line-of-fire' | 'door' | 'outside' | 'overlap' | 'in-the-way' | 'no-room-to-fetch' | 'not-in-the-rules';

export interface LayoutMend {
  readonly label: string;
  readonly game: Game;
}

export interface Misfit {
  readonly kind: MisfitKind;
  /** Where on the floor it is marked. */
  readonly at: Spot;
  readonly things: readonly CourseThing[];
  readonly words: string;
  readonly danger: boolean;
  readonly mends: readonly LayoutMend[];
}

const ORDER: readonly MisfitKind[] = [
  'breakable',
  'runs-out',
  'line-of-fire',
  'door',
  'outside',
  'overlap',
  'in-the-way',
  'no-room-to-fetch',
  'not-in-the-rules',
];

/** Things may touch by so much without a word, metres. */
const TOUCH_M = 0.015;
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

/**
 * What of a layout does not fit, overlaps or is not safe, at one level, for a child of this age; dangers first. The first five have their
 * mends; `withMends` false leaves them out, while something is dragged.
 */
export function misfitsOf(game: Game, levelIndex: number, child: Thrower, withMends = true): readonly Misfit[] {
  const level = resolveLevel(game, levelIndex);
  const look: Look = { game, levelIndex, level, flights: flightsOf(level, child), child };
  const found = [
    ...breakables(look),
    ...runsOut(look),
    ...linesOfFire(look),
    ...doorsIn(look),
    ...outside(look),
    ...overlaps(look),
    ...inTheWay(look),
    ...noRoom(look),
    ...idle(look),
  ];
  return found
    .sort((a, b) => ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind))
    .map((one, index) => ({ ...one, mends: withMends && index < MOST_MENDED ? one.mends() : [] }));
}

interface Look {
  readonly game: Game;
  readonly levelIndex: number;
  readonly level: Game;
  readonly flights: readonly Flight[];
  readonly child: Thrower;
}

/** Looking for mends takes longer than finding what is wrong: they are looked for afterwards, of the first few. */
type Found = Omit<Misfit, 'mends'> & { readonly mends: () => readonly LayoutMend[] };

const MOST_MENDED = 5;

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
        mends: () =>
          turnedAway(game, levelIndex, hits, (next) => {
            const again = lookAgain(next, levelIndex, flights);
            return again.flights.every((flight) => !mayHit(again.level, flight, piece));
          }),
      },
    ];
  });
}

const mayHit = (level: Game, flight: Flight, piece: Furniture) => outlineOf(level, piece).some((spot) => mayReach(flight, spot, 0.1));

/** The same look after a mend: flights go from the places as they are then. */
function lookAgain(game: Game, levelIndex: number, flights: readonly Flight[]): Pick<Look, 'level' | 'flights'> {
  const level = resolveLevel(game, levelIndex);
  return {
    level,
    flights: flights.flatMap((flight) => {
      const from = level.course.places[flight.group]?.[flight.index];
      const target = from && targetFrom(level, flight.group, from);
      return target ? [{ ...flight, from, target }] : [];
    }),
  };
}

const SIDE_WORDS: Readonly<Record<FloorSide, string>> = { top: 'far side', bottom: 'near side', left: 'left', right: 'right' };

function runsOut({ game, levelIndex, level, flights, child }: Look): Found[] {
  const { open = [] } = level.course;
  if (open.length === 0) return [];
  return flights.flatMap((flight): Found[] => {
    const out = leaves(level, flight);
    if (!out || !open.includes(out.side) || out.overM < 0.1) return [];
    return [
      {
        kind: 'runs-out',
        at: out.at,
        things: [{ kind: 'place', group: flight.group, index: flight.index }],
        words: `A ball from ${placeWords(level, flight)} may run ${metres(out.overM)} over the open side (${SIDE_WORDS[out.side]}). No road may be there.`,
        danger: true,
        mends: () => [
          ...turnedAway(game, levelIndex, [flight], (next) => {
            const again = lookAgain(next, levelIndex, [flight]);
            const past = again.flights[0] && leaves(again.level, again.flights[0]);
            return !past || !open.includes(past.side);
          }),
          ...softBall(game, levelIndex, child, (soft) => {
            const past = soft.find((one) => one.group === flight.group && one.index === flight.index);
            const over = past && leaves(level, past);
            return !over || !open.includes(over.side) || over.overM < 0.1;
          }),
        ],
      },
    ];
  });
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

/** A soft ball in place of a bounding one, where its tries pass a test. */
function softBall(game: Game, levelIndex: number, child: Thrower, passes: (flights: readonly Flight[]) => boolean): LayoutMend[] {
  const ball = IMPLEMENTS[game.kit.implement];
  if (ball.moves !== 'ball' || ball.restitution <= 0.3) return [];
  const soft: Game = { ...game, kit: { ...game.kit, implement: 'sock-ball' } };
  return passes(flightsOf(resolveLevel(soft, levelIndex), child)) ? [{ label: 'Use a sock ball', game: soft }] : [];
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
          mends: () => [
            { label: 'Take turns', game: { ...game, sides: { ...game.sides, turn: 'attempt' } } },
            ...turnedAway(game, levelIndex, [other], (next) => {
              const again = lookAgain(next, levelIndex, [flight, other]);
              return !mayReach(again.flights[0]!, again.flights[1]!.from, BODY_M) && !mayReach(again.flights[1]!, again.flights[0]!.from, BODY_M);
            }),
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
        mends: () =>
          turnedAway(game, levelIndex, hits, (next) =>
            lookAgain(next, levelIndex, hits).flights.every((flight) => !mayReach(flight, at, door.widthM / 2)),
          ),
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
    const fits = 2 * half.xM <= widthM && 2 * half.yM <= depthM;
    return [
      {
        kind: 'outside',
        at,
        things: [thing],
        words: `The ${thingWords(level, thing)} stands ${centimetres(over)} through the wall.`,
        danger: false,
        mends: () => (fits ? [{ label: 'Bring it in', game: withThingAt(game, levelIndex, thing, inside) }] : []),
      },
    ];
  });
}

/** What stands on the floor and takes up room there. */
function standing(level: Game): readonly CourseThing[] {
  return [
    ...thingsOf(level).filter((thing) => {
      const listed = listedOf(level.course, thing)!;
      return !('object' in listed) || (listed.standM === 0 && listed.object !== 'wall');
    }),
    ...level.course.furniture.map((_, index): CourseThing => ({ kind: 'furniture', index })),
  ];
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
        mends: () => apart(game, levelIndex, stays, moves, set === null),
      });
    }
  return found;
}

/** By how much two things stand in each other, metres; 0 and less when they do not. Round things by their middles, others by their boxes. */
function overlapM(level: Game, one: CourseThing, other: CourseThing): number {
  if (one.kind === 'place' && other.kind === 'place') return 0;
  const [a, b] = [listedOf(level.course, one)!, listedOf(level.course, other)!];
  // A strip to leap lies flat, a keeper belongs before the goal, a gate is passed: other things may stand there.
  if ([a, b].some((listed) => 'object' in listed && (['towel-strip', 'pillow', 'ramp'].includes(listed.object) || /gate|legs/.test(listed.object))))
    return 0;
  const [p, q] = [middleOf(level.course, a), middleOf(level.course, b)];
  const [s, t] = [halfSizeM(a), halfSizeM(b)];
  if (isRound(a) && isRound(b)) return s.xM + t.xM - distanceM(p, q);
  return Math.min(s.xM + t.xM - Math.abs(p.xM - q.xM), s.yM + t.yM - Math.abs(p.yM - q.yM));
}

function isRound(listed: Listed): boolean {
  if (!('object' in listed)) return false;
  const half = halfSizeM(listed);
  return Math.abs(half.xM - half.yM) < 1e-9;
}

/** The second thing (or its whole set) moved away from the first, straight or to the side, until nothing stands in it any more. */
function apart(game: Game, levelIndex: number, stays: CourseThing, moves: CourseThing, alone: boolean): LayoutMend[] {
  const level = resolveLevel(game, levelIndex);
  const [p, q] = [spotOf(level.course, stays)!, spotOf(level.course, moves)!];
  const away = Math.atan2(q.yM - p.yM, q.xM - p.xM);
  const moved = movedWith(level, [moves], alone);
  const mine = new Set(moved.map(keyOf));
  for (let length = 0.05; length < 2.5; length += 0.05)
    for (const turn of [0, Math.PI / 4, -Math.PI / 4, Math.PI / 2, -Math.PI / 2, Math.PI]) {
      const to = { xM: q.xM + length * Math.cos(away + turn), yM: q.yM + length * Math.sin(away + turn) };
      const next = withThingAt(game, levelIndex, moves, to, { alone });
      const there = resolveLevel(next, levelIndex);
      const others = standing(there).filter((other) => !mine.has(keyOf(other)));
      if (moved.every((one) => others.every((other) => overlapM(there, one, other) <= TOUCH_M)))
        return [{ label: alone ? 'Move it clear' : 'Move the set clear', game: next }];
    }
  return [];
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
        mends: () =>
          turnedAway(game, levelIndex, [flight], (next) => {
            const again = lookAgain(next, levelIndex, [flight]);
            return again.flights.every((one) => !blocking(again.level, one));
          }),
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
    const half = Math.max(...[halfSizeM(target)].map((size) => Math.abs(nx) * size.xM + Math.abs(ny) * size.yM));
    const gaps = [1, -1].map((side) => freeM(level, target, { xM: nx * side, yM: ny * side }) - half);
    if (Math.max(...gaps) >= PASSAGE_M) return [];
    told.add(target);
    const by = Math.max(0, gaps[0]! > gaps[1]! ? -gaps[1]! : gaps[0]!);
    const thing = thingsOf(level).find((one) => listedOf(level.course, one) === target)!;
    const shift = gaps[0]! > gaps[1]! ? -Math.max(0, gaps[1]! - 0.02) : Math.max(0, gaps[0]! - 0.02);
    const moved = withThingAt(game, levelIndex, thing, { xM: target.xM + nx * shift, yM: target.yM + ny * shift });
    return [
      {
        kind: 'no-room-to-fetch',
        at: target,
        things: [thing],
        words: `There are ${centimetres(Math.max(0, ...gaps))} to get past the ${nameOf(target)}: too little to fetch a ball from behind it.`,
        danger: false,
        mends: () => (by >= 0 && gaps[0]! + gaps[1]! >= PASSAGE_M ? [{ label: 'Put it to one side', game: moved }] : []),
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
      mends: () => [],
    };
  });
}

/** The places of some flights turned about what they look towards, as little as will do, so that a test holds and they stay on the floor. */
function turnedAway(game: Game, levelIndex: number, flights: readonly Flight[], passes: (game: Game) => boolean): LayoutMend[] {
  const level = resolveLevel(game, levelIndex);
  for (let degrees = 10; degrees <= 180; degrees += 10)
    for (const sign of [1, -1]) {
      const angle = (sign * degrees * Math.PI) / 180;
      const groups = new Map<string, readonly Spot[]>();
      let fits = true;
      for (const { group, index, from, target } of flights) {
        const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
        const [x, y] = [from.xM - target.xM, from.yM - target.yM];
        const to = { ...from, xM: millimetres(target.xM + x * cos - y * sin), yM: millimetres(target.yM + x * sin + y * cos) };
        const inside = insideFloor(level, to);
        if (inside.xM !== to.xM || inside.yM !== to.yM || from.locked) fits = false;
        groups.set(group, (groups.get(group) ?? level.course.places[group]!).with(index, to));
      }
      if (!fits) continue;
      const next = [...groups].reduce((so, [group, spots]) => withList(so, levelIndex, `/course/places/${group}`, spots, true), game);
      if (passes(next)) return [{ label: flights.length > 1 ? 'Turn the marks away' : 'Turn the mark away', game: next }];
    }
  for (const axis of ['across', 'down'] as const) {
    const next = withMirrored(game, axis);
    if (passes(next)) return [{ label: 'Play it the other way round', game: next }];
  }
  return [];
}

function placeWords(level: Game, { group, index }: Flight): string {
  const words = thingWords(level, { kind: 'place', group, index });
  return words === 'throw line' ? 'the throw line' : words;
}

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);
const metres = (lengthM: number) => `${lengthM.toFixed(1)} m`;
const centimetres = (lengthM: number) => `${Math.round(100 * lengthM)} cm`;
