/**
 * Patterns in which places, targets and pins are laid out: spots about their middle, metres. The first spot of a set of pins is the one
 * nearest the player, who stands to the left (towards −x); rows of pins go away from it.
 */
import type { Spot } from '../rules/format/game';

export const PATTERNS = ['single', 'row', 'column', 'triangle', 'diamond', 'square', 'ring', 'arc', 'ladder', 'scatter'] as const;
export type PatternKind = (typeof PATTERNS)[number];

export const PATTERN_WORDS: Readonly<Record<PatternKind, string>> = {
  single: 'one by itself',
  row: 'a row, side by side',
  column: 'a line, one behind the other',
  triangle: 'a triangle, point to the front',
  diamond: 'a diamond',
  square: 'a square',
  ring: 'a ring',
  arc: 'an arc',
  ladder: 'a ladder, farther each time',
  scatter: 'scattered',
};

/** How many a pattern holds at least and at most. */
export function countsOf(kind: PatternKind): readonly [least: number, most: number] {
  switch (kind) {
    case 'single':
      return [1, 1];
    case 'triangle':
    case 'ring':
    case 'arc':
      return [3, kind === 'triangle' ? 15 : 20];
    case 'diamond':
    case 'square':
      return [4, 16];
    case 'row':
    case 'column':
    case 'ladder':
      return [2, 20];
    case 'scatter':
      return [2, 20];
  }
}

/**
 * So many spots in a pattern, so far apart, about (0, 0). For a ring and an arc the spacing is that between neighbours along the line;
 * a ladder grows by its spacing each time. Scattered spots keep at least the spacing from each other.
 */
export function patternSpots(kind: PatternKind, n: number, spacingM: number): readonly Spot[] {
  const [least, most] = countsOf(kind);
  const count = Math.min(most, Math.max(least, Math.round(n)));
  const spots = rawSpots(kind, count, spacingM);
  const middle = {
    xM: (Math.min(...spots.map((spot) => spot.xM)) + Math.max(...spots.map((spot) => spot.xM))) / 2,
    yM: (Math.min(...spots.map((spot) => spot.yM)) + Math.max(...spots.map((spot) => spot.yM))) / 2,
  };
  return spots.map((spot) => ({ xM: spot.xM - middle.xM, yM: spot.yM - middle.yM }));
}

function rawSpots(kind: PatternKind, n: number, d: number): readonly Spot[] {
  const each = (at: (index: number) => Spot) => Array.from({ length: n }, (_, index) => at(index));
  switch (kind) {
    case 'single':
      return [{ xM: 0, yM: 0 }];
    case 'row':
      return each((index) => ({ xM: 0, yM: index * d }));
    case 'column':
    case 'ladder':
      return each((index) => ({ xM: (kind === 'ladder' ? -1 : 1) * index * d, yM: 0 }));
    case 'triangle':
      return rowsOf(triangleRows(n), d);
    case 'diamond':
      return rowsOf(diamondRows(n), d);
    case 'square': {
      const across = Math.ceil(Math.sqrt(n));
      return each((index) => ({ xM: Math.floor(index / across) * d, yM: (index % across) * d }));
    }
    case 'ring': {
      const r = d / (2 * Math.sin(Math.PI / n));
      return each((index) => ({ xM: -r * Math.cos((2 * Math.PI * index) / n), yM: -r * Math.sin((2 * Math.PI * index) / n) }));
    }
    case 'arc': {
      // A sixth of a circle for each gap up to half a circle in all.
      const whole = Math.min(Math.PI, (n - 1) * (Math.PI / 6));
      const r = d / (2 * Math.sin(whole / (2 * (n - 1))));
      return each((index) => {
        const angle = -whole / 2 + (whole * index) / (n - 1);
        return { xM: -r * Math.cos(angle), yM: r * Math.sin(angle) };
      });
    }
    case 'scatter':
      return scattered(n, d);
  }
}

/** Rows of 1, 2, 3 … with what is left over in the last. */
function triangleRows(n: number): readonly number[] {
  const rows: number[] = [];
  let left = n;
  for (let row = 1; left > 0; row += 1) {
    rows.push(Math.min(row, left));
    left -= row;
  }
  return rows;
}

/** Rows that grow and shrink again: 4 is 1-2-1, 9 is 1-2-3-2-1; what does not come out even widens the middle. */
function diamondRows(n: number): readonly number[] {
  const half = Math.floor(Math.sqrt(n));
  const rows = [...Array.from({ length: half }, (_, index) => index + 1), ...Array.from({ length: half - 1 }, (_, index) => half - 1 - index)];
  let over = n - half * half;
  const order = rows.map((_, index) => index).sort((a, b) => Math.abs(a - (half - 1)) - Math.abs(b - (half - 1)) || a - b);
  for (let at = 0; over > 0; at = (at + 1) % order.length) {
    rows[order[at]!]! += 1;
    over -= 1;
  }
  return rows;
}

/** Rows one behind the other, each in the middle; equal distances to the neighbours, as pins stand. */
function rowsOf(rows: readonly number[], d: number): readonly Spot[] {
  const apart = d * Math.sin(Math.PI / 3);
  return rows.flatMap((count, row) => Array.from({ length: count }, (_, index) => ({ xM: row * apart, yM: (index - (count - 1) / 2) * d })));
}

/** The golden angle spreads spots evenly without a pattern that the eye finds; the same for the same number. */
function scattered(n: number, d: number): readonly Spot[] {
  const golden = Math.PI * (3 - Math.sqrt(5));
  const spots = Array.from({ length: n }, (_, index) => {
    const r = Math.sqrt(index + 0.5);
    return { xM: r * Math.cos(index * golden), yM: r * Math.sin(index * golden) };
  });
  let least = Infinity;
  for (let i = 0; i < n; i += 1)
    for (let j = i + 1; j < n; j += 1) least = Math.min(least, Math.hypot(spots[i]!.xM - spots[j]!.xM, spots[i]!.yM - spots[j]!.yM));
  const scale = n > 1 ? d / least : 1;
  return spots.map((spot) => ({ xM: spot.xM * scale, yM: spot.yM * scale }));
}

export interface FoundPattern {
  readonly kind: PatternKind;
  readonly n: number;
  readonly spacingM: number;
  /** How far it is turned from the way it is drawn at first, radians clockwise. */
  readonly turnRad: number;
  readonly middle: Spot;
}

/** A thing may be so far from its spot in a pattern, as a share of the spacing. */
const TOLERANCE = 0.04;

/**
 * The pattern in which some spots lie, in their order: the one of the list above that comes to lie on them when it is moved, turned and
 * spread (the least-squares similarity of two sets of points). Null where there is none: they lie freely.
 */
export function patternOf(spots: readonly Spot[]): FoundPattern | null {
  const n = spots.length;
  if (n === 0) return null;
  if (n === 1) return { kind: 'single', n, spacingM: 0, turnRad: 0, middle: spots[0]! };
  for (const kind of PATTERNS) {
    const [least, most] = countsOf(kind);
    // A ladder lies as a column does, the other way round.
    if (n < least || n > most || kind === 'single' || kind === 'ladder') continue;
    const drawn = patternSpots(kind, n, 1);
    const fit = similarity(drawn, spots);
    if (fit.scale < 1e-6 || fit.worst > TOLERANCE * fit.scale) continue;
    const [cos, sin] = [Math.cos(fit.turnRad), Math.sin(fit.turnRad)];
    const middle = {
      xM: fit.to.xM - fit.scale * (fit.from.xM * cos - fit.from.yM * sin),
      yM: fit.to.yM - fit.scale * (fit.from.xM * sin + fit.from.yM * cos),
    };
    // A row and a column are one pattern, turned.
    const turned = kind === 'row' && Math.abs(Math.sin(fit.turnRad)) > Math.SQRT1_2;
    const turnRad = turned ? fit.turnRad + Math.PI / 2 : fit.turnRad;
    return { kind: turned ? 'column' : kind, n, spacingM: fit.scale, turnRad: Math.atan2(Math.sin(turnRad), Math.cos(turnRad)), middle };
  }
  return null;
}

/** The similarity that brings one list of points nearest to another: scale, turn, and the two centroids. */
function similarity(from: readonly Spot[], to: readonly Spot[]) {
  const centre = (spots: readonly Spot[]) => ({
    xM: spots.reduce((sum, spot) => sum + spot.xM, 0) / spots.length,
    yM: spots.reduce((sum, spot) => sum + spot.yM, 0) / spots.length,
  });
  const [a, b] = [centre(from), centre(to)];
  let dot = 0;
  let cross = 0;
  let square = 0;
  from.forEach((spot, index) => {
    const [x, y] = [spot.xM - a.xM, spot.yM - a.yM];
    const [u, v] = [to[index]!.xM - b.xM, to[index]!.yM - b.yM];
    dot += x * u + y * v;
    cross += x * v - y * u;
    square += x * x + y * y;
  });
  const scale = square > 0 ? Math.hypot(dot, cross) / square : 0;
  const turnRad = Math.atan2(cross, dot);
  const [cos, sin] = [Math.cos(turnRad), Math.sin(turnRad)];
  const worst = from.reduce((most, spot, index) => {
    const [x, y] = [spot.xM - a.xM, spot.yM - a.yM];
    const [u, v] = [to[index]!.xM - b.xM, to[index]!.yM - b.yM];
    return Math.max(most, Math.hypot(u - scale * (x * cos - y * sin), v - scale * (x * sin + y * cos)));
  }, 0);
  return { scale, turnRad, from: a, to: b, worst };
}

/** The spots of a pattern where it is to lie: spread, turned and moved. */
export function laidOutPattern({ kind, n, spacingM, turnRad, middle }: FoundPattern): readonly Spot[] {
  const [cos, sin] = [Math.cos(turnRad), Math.sin(turnRad)];
  return patternSpots(kind, n, spacingM).map((spot) => ({
    xM: Math.round(1000 * (middle.xM + spot.xM * cos - spot.yM * sin)) / 1000,
    yM: Math.round(1000 * (middle.yM + spot.xM * sin + spot.yM * cos)) / 1000,
  }));
}
