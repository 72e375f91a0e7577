/**
 * A course that is played from where the ball lies, seen from above as a grid: what stops a ball, what throws it back, what must not be touched, how
 * it rolls where; and the ways round what stands between the start and the end. Made once for a course and a ball; how it is played is in strokes.ts.
 */
import { cornersOfThing, distanceM } from '../course/geometry';
import { ON_A_COURSE } from '../motion/assumed';
import { rollingResistance } from '../motion/ground';
import { shapeOf, type Implement } from '../objects/catalogue';
import type { Course, PlacedTarget, Spot } from '../rules/format/game';

/** Side of a cell, metres. */
export const CELL_M = 0.04;
/** Side of a cell of the map of ways, metres. */
const COARSE_M = 0.1;

/** What a cell is to a ball whose middle comes over it. */
export const ON = { free: 0, stops: 1, throwsBack: 2, ramp: 3, away: 4 } as const;

export interface Fairway {
  readonly columns: number;
  readonly rows: number;
  /** What each cell is, the resistance there, and which zone lies there (0 for none, else its number from 1). */
  readonly on: Uint8Array;
  readonly mu: Float32Array;
  readonly zone: Uint8Array;
  readonly start: Spot;
  readonly cup: PlacedTarget;
  readonly ways: readonly PlayedWay[];
}

/** A way to play: from anywhere the point to play towards next. */
export interface PlayedWay {
  /** On which side of what it goes, seen in the direction of play; the direct one has none. */
  readonly side: 'left' | 'right' | null;
  /** What it goes round, or through. */
  readonly thing: string;
  readonly drawn: boolean;
  aimFrom(xM: number, yM: number): Spot;
}

interface Block {
  readonly name: string;
  readonly corners: readonly Spot[];
  readonly middle: Spot;
  readonly kind: number;
}

/** True within a convex outline grown by `byM` to every side. */
function within(corners: readonly Spot[], xM: number, yM: number, byM: number): boolean {
  let inside = true;
  let nearest = Infinity;
  let turn = 0;
  for (let index = 0; index < corners.length; index += 1) {
    const [a, b] = [corners[index]!, corners[(index + 1) % corners.length]!];
    const [dx, dy] = [b.xM - a.xM, b.yM - a.yM];
    const side = dx * (yM - a.yM) - dy * (xM - a.xM);
    if (turn === 0 && side !== 0) turn = Math.sign(side);
    if (side !== 0 && Math.sign(side) !== turn) inside = false;
    const along = Math.min(1, Math.max(0, ((xM - a.xM) * dx + (yM - a.yM) * dy) / Math.max(1e-12, dx * dx + dy * dy)));
    nearest = Math.min(nearest, Math.hypot(xM - a.xM - along * dx, yM - a.yM - along * dy));
  }
  return inside || nearest <= byM;
}

const rectangle = (xM: number, yM: number, widthM: number, depthM: number): readonly Spot[] => [
  { xM, yM },
  { xM: xM + widthM, yM },
  { xM: xM + widthM, yM: yM + depthM },
  { xM, yM: yM + depthM },
];

const SOFT: ReadonlySet<string> = new Set(['pillow', 'towel-strip', 'towel-ring', 'soft']);

function blocksOf(course: Course, cup: PlacedTarget): readonly Block[] {
  const obstacles = (course.obstacles ?? []).filter((one) => distanceM(one, cup) > 0.05);
  return [
    ...obstacles.map((one): Block => ({
      name: one.own?.name ?? one.object.replaceAll('-', ' '),
      corners: cornersOfThing(one),
      middle: one,
      kind: one.object === 'ramp' ? ON.ramp : SOFT.has(one.object) ? ON.stops : ON.throwsBack,
    })),
    ...course.furniture.map((one): Block => ({
      name: one.name,
      corners: rectangle(one.xM, one.yM, one.widthM, one.depthM),
      middle: { xM: one.xM + one.widthM / 2, yM: one.yM + one.depthM / 2 },
      kind: one.kind === 'soft' ? ON.stops : ON.throwsBack,
    })),
  ];
}

/** The course of one hole: from a start to a cup. */
export function fairwayOf(course: Course, ball: Implement, start: Spot, cup: PlacedTarget, measuredMu?: number): Fairway {
  const { widthM, depthM, surface } = course.floor;
  const [columns, rows] = [Math.ceil(widthM / CELL_M), Math.ceil(depthM / CELL_M)];
  const on = new Uint8Array(columns * rows);
  const zone = new Uint8Array(columns * rows);
  const mu = new Float32Array(columns * rows).fill(measuredMu ?? rollingResistance(ball, surface));
  const blocks = blocksOf(course, cup);
  const open = new Set(course.open ?? []);
  const r = ball.radiusM;
  for (let row = 0; row < rows; row += 1)
    for (let column = 0; column < columns; column += 1) {
      const [xM, yM] = [(column + 0.5) * CELL_M, (row + 0.5) * CELL_M];
      const at = row * columns + column;
      const edge = xM < r ? 'left' : xM > widthM - r ? 'right' : yM < r ? 'top' : yM > depthM - r ? 'bottom' : null;
      if (edge) on[at] = open.has(edge) ? ON.away : ON.throwsBack;
      for (const block of blocks) if (within(block.corners, xM, yM, block.kind === ON.ramp ? 0 : r)) on[at] = block.kind;
      course.zones?.forEach((one, index) => {
        if (Math.hypot(xM - one.xM, yM - one.yM) <= one.radiusM) zone[at] = index + 1;
      });
      for (const patch of course.patches ?? [])
        if (within(rectangle(patch.xM, patch.yM, patch.widthM, patch.depthM), xM, yM, 0)) mu[at] = rollingResistance(ball, patch.surface);
    }
  const half = { columns, rows, on, mu, zone, start, cup };
  return { ...half, ways: waysOf(course, half, blocks, r) };
}

/** Directions of the map of ways, with their lengths in cells. */
const STEPS = [
  [1, 0, 1],
  [-1, 0, 1],
  [0, 1, 1],
  [0, -1, 1],
  [1, 1, Math.SQRT2],
  [1, -1, Math.SQRT2],
  [-1, 1, Math.SQRT2],
  [-1, -1, Math.SQRT2],
] as const;

type Barred = (xM: number, yM: number) => boolean;

/** The map of one way: how far it is from each cell to the cup, and from there the farthest point of the way that is seen. */
function wayMap(course: Course, cup: Spot, barred: Barred): (xM: number, yM: number) => Spot {
  const columns = Math.ceil(course.floor.widthM / COARSE_M);
  const rows = Math.ceil(course.floor.depthM / COARSE_M);
  const closed = new Uint8Array(columns * rows);
  const far = new Float32Array(columns * rows).fill(Infinity);
  const middleOf = (cell: number): Spot => ({ xM: ((cell % columns) + 0.5) * COARSE_M, yM: (Math.floor(cell / columns) + 0.5) * COARSE_M });
  const cellOf = (xM: number, yM: number) =>
    Math.min(rows - 1, Math.max(0, Math.floor(yM / COARSE_M))) * columns + Math.min(columns - 1, Math.max(0, Math.floor(xM / COARSE_M)));
  for (let cell = 0; cell < closed.length; cell += 1) {
    const { xM, yM } = middleOf(cell);
    if (barred(xM, yM) && Math.hypot(xM - cup.xM, yM - cup.yM) > 0.3) closed[cell] = 1;
  }
  // Nearest first; the grid is small, so a list that is sorted into buckets does.
  const end = cellOf(cup.xM, cup.yM);
  far[end] = 0;
  const buckets: number[][] = [[end]];
  for (let bucket = 0; bucket < buckets.length; bucket += 1)
    for (const cell of buckets[bucket] ?? []) {
      if (Math.floor(far[cell]!) !== bucket) continue;
      const [column, row] = [cell % columns, Math.floor(cell / columns)];
      for (const [dx, dy, length] of STEPS) {
        const [x, y] = [column + dx, row + dy];
        if (x < 0 || y < 0 || x >= columns || y >= rows) continue;
        const next = y * columns + x;
        const there = far[cell]! + length;
        if (closed[next] || there >= far[next]! - 1e-6) continue;
        far[next] = there;
        (buckets[Math.floor(there)] ??= []).push(next);
      }
    }
  const seen = (from: Spot, to: Spot) => {
    const length = Math.hypot(to.xM - from.xM, to.yM - from.yM);
    const steps = Math.ceil(length / (COARSE_M / 2));
    for (let step = 1; step <= steps; step += 1) {
      const share = step / steps;
      if (closed[cellOf(from.xM + share * (to.xM - from.xM), from.yM + share * (to.yM - from.yM))]) return false;
    }
    return true;
  };
  const known = new Map<number, Spot>();
  return (xM, yM) => {
    const from = cellOf(xM, yM);
    const before = known.get(from);
    if (before) return before;
    const here = { xM, yM };
    let aim: Spot = cup;
    if (!seen(here, cup)) {
      // Down the map, cell by cell, as long as it is seen from here.
      let cell = from;
      let last: Spot | null = null;
      for (let step = 0; step < columns + rows; step += 1) {
        let best = cell;
        const [column, row] = [cell % columns, Math.floor(cell / columns)];
        for (const [dx, dy] of STEPS) {
          const [x, y] = [column + dx, row + dy];
          if (x < 0 || y < 0 || x >= columns || y >= rows) continue;
          const next = y * columns + x;
          if (far[next]! < far[best]!) best = next;
        }
        if (best === cell) break;
        cell = best;
        const spot = middleOf(cell);
        if (!seen(here, spot)) break;
        last = spot;
      }
      aim = last ?? cup;
    }
    known.set(from, aim);
    return aim;
  };
}

/** The ways round the first thing that stands between start and cup; the direct one alone where nothing does. */
function waysOf(course: Course, fairway: Omit<Fairway, 'ways'>, blocks: readonly Block[], r: number): readonly PlayedWay[] {
  const { start, cup } = fairway;
  const length = Math.max(0.01, distanceM(start, cup));
  const [fx, fy] = [(cup.xM - start.xM) / length, (cup.yM - start.yM) / length];
  const alongOf = ({ xM, yM }: Spot) => (xM - start.xM) * fx + (yM - start.yM) * fy;
  /** Seen in the direction of play; y grows downwards, so that this is positive to the right. */
  const asideOf = ({ xM, yM }: Spot) => (yM - start.yM) * fx - (xM - start.xM) * fy;
  const solid = blocks.filter(({ kind }) => kind !== ON.ramp);
  const zones = (course.zones ?? []).map((one) => ({ name: one.name, middle: one, radiusM: one.radiusM }));
  const onTheLine = (at: (xM: number, yM: number) => boolean) => {
    for (let step = 0.1; step < length - 0.1; step += 0.05) if (at(start.xM + step * fx, start.yM + step * fy)) return step;
    return Infinity;
  };
  const firstBlock = solid
    .map((block) => ({ name: block.name, middle: block.middle, at: onTheLine((xM, yM) => within(block.corners, xM, yM, r)), zone: false }))
    .concat(
      zones.map((one) => ({
        name: one.name,
        middle: one.middle,
        at: onTheLine((xM, yM) => Math.hypot(xM - one.middle.xM, yM - one.middle.yM) < one.radiusM + r),
        zone: true,
      })),
    )
    .filter(({ at }) => at < Infinity)
    .sort((a, b) => a.at - b.at)[0];
  const { widthM, depthM } = course.floor;
  const solidAt: Barred = (xM, yM) =>
    xM < r + 0.02 ||
    yM < r + 0.02 ||
    xM > widthM - r - 0.02 ||
    yM > depthM - r - 0.02 ||
    solid.some(({ corners }) => within(corners, xM, yM, r + ON_A_COURSE.roomM));
  const zoneAt: Barred = (xM, yM) => zones.some(({ middle, radiusM }) => Math.hypot(xM - middle.xM, yM - middle.yM) < radiusM + r);
  const made = (side: PlayedWay['side'], of: string, barred: Barred, drawn = false): PlayedWay => ({
    side,
    thing: of,
    drawn,
    aimFrom: wayMap(course, cup, barred),
  });
  const route = Object.values(course.routes ?? {}).find(([first]) => first && distanceM(first, start) < 0.5);
  if (!firstBlock && !route) return [made(null, '', (xM, yM) => solidAt(xM, yM) || zoneAt(xM, yM))];
  const middle = firstBlock?.middle ?? route![Math.floor(route!.length / 2)]!;
  const thing = firstBlock?.name ?? 'the bend';
  const passes = alongOf(middle);
  // Past that thing on one side: across the other side, as far as the edge, nothing goes.
  const shut =
    (right: boolean): Barred =>
    (xM, yM) => {
      const spot = { xM, yM };
      return Math.abs(alongOf(spot) - passes) < COARSE_M && (right ? asideOf(spot) > asideOf(middle) : asideOf(spot) < asideOf(middle));
    };
  const drawnSide = route ? sideOfRoute(route, passes, alongOf, asideOf, asideOf(middle)) : null;
  const around = (['left', 'right'] as const).map((side) =>
    made(side, thing, (xM, yM) => solidAt(xM, yM) || zoneAt(xM, yM) || shut(side === 'left')(xM, yM), drawnSide === side),
  );
  // What must not be touched can be rolled through, at its price.
  const through = firstBlock?.zone ? [made(null, thing, solidAt)] : [];
  return [...around, ...through];
}

/** On which side of a thing a drawn route passes. */
function sideOfRoute(
  route: readonly Spot[],
  passes: number,
  alongOf: (spot: Spot) => number,
  asideOf: (spot: Spot) => number,
  asideOfThing: number,
): 'left' | 'right' {
  for (let index = 1; index < route.length; index += 1) {
    const [a, b] = [route[index - 1]!, route[index]!];
    const [from, to] = [alongOf(a), alongOf(b)];
    if (Math.min(from, to) > passes || Math.max(from, to) < passes) continue;
    const share = to === from ? 0 : (passes - from) / (to - from);
    return asideOf(a) + share * (asideOf(b) - asideOf(a)) > asideOfThing ? 'right' : 'left';
  }
  return 'left';
}

/** How near to the cup's middle a ball is home, metres: it touches what stands there, or rests in or touching what lies there. */
export function homeM({ cup }: Pick<Fairway, 'cup'>, ball: Implement): { readonly lies: boolean; readonly radiusM: number } {
  const shape = shapeOf(cup);
  const width = 'diameterM' in shape ? shape.diameterM : shape.widthM;
  return { lies: shape.kind === 'flat', radiusM: width / 2 + ball.radiusM };
}
