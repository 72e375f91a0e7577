/** What is drawn on paper: the set-up to scale, footprints, the movement, boxes to tick, the square of a link. All in line, for black and white. */
import QRCode from 'qrcode';
import type { ReactNode } from 'react';
import { Circle, G, Line, Path, Rect, Svg, Text, View } from '@react-pdf/renderer';
import { cornersOf, placedMarks } from '@/core/course/geometry';
import { nameOf, shapeOf } from '@/core/objects/catalogue';
import type { Game, PlacedTarget } from '@/core/rules/format/game';
import { jointsOf, MOVEMENTS, type MovementFrame } from '@/core/sheet/movements';
import { setUpFor } from '@/core/sheet/set-up';
import type { Hand, Skill } from '@/core/sheet/teaching-points';
import type { Words } from '@/core/words/words';
import { FAMILY, INK, SOFT, WHITE } from './style';
import { toDegrees } from '@/core/measure/angles';

/** A code is read by machines: nothing but black on white. */
const BLACK = '#000000';

/** Width and depth of a thing from above, metres; round ones are drawn round. */
export function footprint(target: PlacedTarget): { widthM: number; depthM: number; round: boolean } {
  const shape = shapeOf(target);
  switch (shape.kind) {
    case 'opening':
      return shape.outline === 'round'
        ? { widthM: shape.diameterM, depthM: shape.diameterM, round: true }
        : { widthM: shape.widthM, depthM: shape.depthM, round: false };
    case 'flat':
      return { widthM: shape.diameterM, depthM: shape.diameterM, round: true };
    case 'upright':
      return { widthM: shape.widthM, depthM: shape.widthM, round: true };
    case 'mouth':
    case 'block':
      return { widthM: shape.widthM, depthM: shape.depthM, round: false };
    case 'gate':
    case 'face':
      return { widthM: shape.widthM, depthM: 0.06, round: false };
  }
}

const MARGIN_M = 0.3;
/** From a mark to its words. */
const ASIDE_PT = 9;
const MANY_MARKS = 5;
/** Mean width of a bold letter of the sheet’s type, in its size; measured on the words that marks have. */
const LETTER_WIDTH = 0.6;

/**
 * A drawing that keeps its size: it is neither shrunk nor cut in two where a page ends, for of a drawing without a height the renderer makes
 * numbers without an end, and no PDF.
 */
function Picture({ width, height, viewBox, children }: { width: number; height: number; viewBox: string; children: ReactNode }) {
  return (
    <View wrap={false} style={{ width, height, minHeight: height, flexShrink: 0 }}>
      <Svg width={width} height={height} viewBox={viewBox} style={{ minHeight: height, flexShrink: 0 }}>
        {children}
      </Svg>
    </View>
  );
}

interface DrawingAsk {
  readonly level: Game;
  readonly stepM: number;
  readonly widthPt: number;
  readonly heightPt: number;
  readonly fontPt: number;
  readonly words: Words;
}

/** Words on a drawing: where their line begins, ends or has its middle, in points from the top left. */
export interface DrawnLabel {
  readonly said: string;
  readonly x: number;
  readonly y: number;
  readonly anchor: 'start' | 'middle' | 'end';
  readonly bold: boolean;
}

/** How much of a line is taken by letters at least, and how high it is, both in letters. */
const LEAST_FOR_THE_FLOOR = 0.45;
const LINE = 1.15;

/** The room that words take. */
export function boxOf({ said, x, y, anchor }: DrawnLabel, fontPt: number): { left: number; right: number; top: number; bottom: number } {
  const wide = said.length * fontPt * LETTER_WIDTH;
  const left = anchor === 'start' ? x : anchor === 'end' ? x - wide : x - wide / 2;
  return { left, right: left + wide, top: y - 0.8 * fontPt, bottom: y + 0.25 * fontPt };
}

export const lieOnEachOther = (one: ReturnType<typeof boxOf>, other: ReturnType<typeof boxOf>): boolean =>
  one.left < other.right && other.left < one.right && one.top < other.bottom && other.top < one.bottom;

/** Where everything of a level stands on a drawing of this size, and all words on it, none on another; null where nothing is set out. */
export function drawingOf({ level, stepM, widthPt, heightPt, fontPt, words }: DrawingAsk) {
  const targets = Object.values(level.course.targets).flat();
  const obstacles = level.course.obstacles ?? [];
  const marks = placedMarks(level);
  const { places } = setUpFor(level, stepM, words);
  const all = [...targets, ...obstacles, ...marks.map((mark) => mark.spot)];
  if (all.length === 0) return null;
  // As far across as down: the longer way of the course lies along the sheet.
  const reach = [...all, ...marks.flatMap((mark) => cornersOf(mark.spot))];
  const xs = reach.map((one) => one.xM);
  const ys = reach.map((one) => one.yM);
  const [left, right, top, bottom] = [Math.min(...xs) - MARGIN_M, Math.max(...xs) + MARGIN_M, Math.min(...ys) - MARGIN_M, Math.max(...ys) + MARGIN_M];
  // Steps are written on the side of a mark that is away from what it looks towards.
  const onTheLeft = marks.map((mark) => mark.towards !== undefined && mark.towards.xM >= mark.spot.xM);
  const wordsOf = (index: number) => [places[index]?.name, marks[index]!.towards ? places[index]?.steps : ''].filter(Boolean).join(': ');
  const figureOf = (index: number) => places[index]?.stepsFigure ?? '';
  /** Beside the floor, for the longest words of a side. */
  const roomFor = (side: boolean, saidOf: (index: number) => string) =>
    Math.max(12, ...marks.map((_, index) => (onTheLeft[index] === side ? ASIDE_PT + 2 + saidOf(index).length * fontPt * LETTER_WIDTH : 0)));
  // Many marks, or a small drawing: the figures alone, the directions name them.
  const brief = marks.length > MANY_MARKS || widthPt - roomFor(true, wordsOf) - roomFor(false, wordsOf) < LEAST_FOR_THE_FLOOR * widthPt;
  const saidOf = brief ? figureOf : wordsOf;
  const room = (side: boolean) => roomFor(side, saidOf);
  const scale = Math.min((widthPt - room(true) - room(false)) / (right - left), (heightPt - 40) / (bottom - top), 130);
  const x = (xM: number) => room(true) + (xM - left) * scale;
  const y = (yM: number) => 18 + (yM - top) * scale;
  const crosses = marks.map(({ spot }) => ({ left: x(spot.xM) - 6, right: x(spot.xM) + 6, top: y(spot.yM) - 6, bottom: y(spot.yM) + 6 }));
  const labels: DrawnLabel[] = [];
  /** At its place, else as near above or below it as it lies on nothing. */
  const put = (label: DrawnLabel, past: readonly ReturnType<typeof boxOf>[], ways: readonly number[]) => {
    const free = (at: DrawnLabel) => {
      const box = boxOf(at, fontPt);
      return ![...past, ...labels.map((one) => boxOf(one, fontPt))].some((other) => lieOnEachOther(box, other));
    };
    const tried = Array.from({ length: 14 }, (_, n) => ways.map((way) => ({ ...label, y: label.y + way * n * fontPt * LINE }))).flat();
    labels.push(tried.find(free) ?? tried.at(-1)!);
  };
  // Names are written once beside the first of each kind.
  const things = [...targets, ...obstacles];
  for (const name of new Set(things.map(nameOf))) {
    const same = things.filter((other) => nameOf(other) === name);
    const highest = Math.min(...same.map((other) => y(other.yM) - (footprint(other).widthM / 2) * scale));
    const middle = same.reduce((sum, other) => sum + x(other.xM), 0) / same.length;
    const whole = words.noun(name);
    const fits = Math.floor(widthPt / (fontPt * LETTER_WIDTH));
    const said = whole.length > fits ? `${whole.slice(0, fits - 1).trimEnd()}…` : whole;
    const half = (said.length * fontPt * LETTER_WIDTH) / 2;
    put({ said, x: Math.min(widthPt - half, Math.max(half, middle)), y: highest - 4, anchor: 'middle', bold: false }, crosses, [-1]);
  }
  marks.forEach((mark, index) => {
    const said = saidOf(index);
    if (said === '') return;
    const aside = onTheLeft[index] ? -ASIDE_PT : ASIDE_PT;
    const others = crosses.filter((_, one) => one !== index);
    put({ said, x: x(mark.spot.xM) + aside, y: y(mark.spot.yM) + 3, anchor: aside < 0 ? 'end' : 'start', bold: true }, others, [1, -1]);
  });
  const boxes = [...labels.map((one) => boxOf(one, fontPt)), ...crosses];
  const lowest = Math.max(y(bottom), ...boxes.map((box) => box.bottom));
  const ruler = lowest + 14;
  labels.push({ said: words.i18n.t('one of your steps'), x: 18 + stepM * scale, y: ruler + 3, anchor: 'start', bold: false });
  return { targets, obstacles, marks, x, y, scale, labels, ruler, topPt: Math.min(0, ...boxes.map((box) => box.top)), bottomPt: ruler + 10 };
}

/** The level from above, to scale, with the child's own steps at every mark and a scale of one step. */
export function SetUpToScale(ask: DrawingAsk) {
  const drawn = drawingOf(ask);
  if (!drawn) return null;
  const { widthPt, fontPt, stepM } = ask;
  const { targets, obstacles, marks, x, y, scale, labels, ruler, topPt, bottomPt } = drawn;
  const thing = (target: PlacedTarget, index: number, firm: boolean) => {
    const { widthM, depthM, round } = footprint(target);
    const stroke = { stroke: INK, strokeWidth: firm ? 1.6 : 0.9, fill: WHITE, ...(firm ? {} : { strokeDasharray: '3 2' }) };
    return round ? (
      <Circle key={index} cx={x(target.xM)} cy={y(target.yM)} r={Math.max(2.5, (widthM / 2) * scale)} {...stroke} />
    ) : (
      <G key={index} transform={`translate(${x(target.xM)} ${y(target.yM)}) rotate(${toDegrees(target.turnRad ?? 0)})`}>
        <Rect
          x={(-depthM / 2) * scale}
          y={(-widthM / 2) * scale}
          width={Math.max(2, depthM * scale)}
          height={Math.max(2, widthM * scale)}
          {...stroke}
        />
      </G>
    );
  };
  return (
    <Picture width={widthPt} height={bottomPt - topPt} viewBox={`0 ${topPt} ${widthPt} ${bottomPt - topPt}`}>
      {marks.map((mark, index) =>
        mark.towards ? (
          <Line
            key={index}
            x1={x(mark.spot.xM)}
            y1={y(mark.spot.yM)}
            x2={x(mark.towards.xM)}
            y2={y(mark.towards.yM)}
            stroke={SOFT}
            strokeWidth={0.8}
            strokeDasharray="1.5 3"
          />
        ) : null,
      )}
      {obstacles.map((one, index) => thing(one, index, false))}
      {targets.map((one, index) => thing(one, index, true))}
      {marks.map((mark, index) => (
        <G key={index}>
          {mark.spot.box && (
            <Rect
              x={x(mark.spot.xM - mark.spot.box.widthM / 2)}
              y={y(mark.spot.yM - mark.spot.box.depthM / 2)}
              width={mark.spot.box.widthM * scale}
              height={mark.spot.box.depthM * scale}
              stroke={INK}
              strokeWidth={1.2}
              strokeDasharray="4 2"
              fill="none"
            />
          )}
          <Path d={`M${x(mark.spot.xM) - 5} ${y(mark.spot.yM) - 5}l10 10m0 -10l-10 10`} stroke={INK} strokeWidth={2.4} fill="none" />
        </G>
      ))}
      <Line x1={12} y1={ruler} x2={12 + stepM * scale} y2={ruler} stroke={INK} strokeWidth={2} />
      {labels.map((label, index) => (
        <Text
          key={index}
          x={label.x}
          y={label.y}
          textAnchor={label.anchor}
          style={{ fontFamily: FAMILY, fontSize: fontPt, fontWeight: label.bold ? 700 : 400 }}
          fill={INK}
        >
          {label.said}
        </Text>
      ))}
    </Picture>
  );
}

/** Two footprints from above, the one in front filled. */
export function Feet({ front, hand, size }: { front: Hand | 'both'; hand: Hand; size: number }) {
  const y = (foot: Hand) => (front === foot ? 12 : front === 'both' ? 34 : 54);
  return (
    <Picture viewBox="0 0 120 130" width={size} height={(size * 13) / 12}>
      <Path d="M60 14V3m-5 5l5 -5l5 5" stroke={INK} strokeWidth={3} fill="none" />
      {(['left', 'right'] as const).map((foot) => (
        <G key={foot} transform={`translate(${foot === 'left' ? 30 : 66} ${y(foot)})`}>
          <Path
            d={foot === 'left' ? 'M4 14c0-9 5-14 11-14s10 5 9 15l-2 14c-1 5-14 5-15 0z' : 'M20 14c0-9-5-14-11-14s-10 5-9 15l2 14c1 5 14 5 15 0z'}
            fill={front === foot ? INK : WHITE}
            stroke={INK}
            strokeWidth={2.5}
          />
          <Path
            d={`M${foot === 'left' ? 6 : 2} 46a8 10 0 1 0 16 0a8 10 0 1 0 -16 0`}
            fill={front === foot ? INK : WHITE}
            stroke={INK}
            strokeWidth={2.5}
          />
        </G>
      ))}
      <Circle cx={hand === 'left' ? 10 : 110} cy={70} r={8} fill={WHITE} stroke={INK} strokeWidth={3} />
    </Picture>
  );
}

const FRAME_W = 190;
const FRAME_H = 215;

/** One figure in its own hundredths of a metre, the floor at 0. */
export function FigureInLines({ frame }: { frame: MovementFrame }) {
  const at = ([x, y]: readonly [number, number]) => `${x * 100} ${-y * 100}`;
  const j = jointsOf(frame);
  return (
    <>
      <Line x1={-70} x2={105} y1={0} y2={0} stroke={INK} strokeWidth={2} />
      <Path d={`M${at(j.neck)}L${at(j.otherElbow)}L${at(j.otherHand)}`} stroke={SOFT} strokeWidth={4} fill="none" />
      <Path d={`M${at(j.hip)}L${at(j.otherKnee)}L${at(j.otherFoot)}l14 0`} stroke={SOFT} strokeWidth={4} fill="none" />
      <Path d={`M${at(j.neck)}L${at(j.hip)}`} stroke={INK} strokeWidth={8} fill="none" />
      <Path d={`M${at(j.hip)}L${at(j.knee)}L${at(j.foot)}l14 0`} stroke={INK} strokeWidth={8} fill="none" />
      <Path d={`M${at(j.neck)}L${at(j.elbow)}L${at(j.hand)}`} stroke={INK} strokeWidth={8} fill="none" />
      <Circle cx={j.head[0] * 100} cy={-j.head[1] * 100} r={14} fill={WHITE} stroke={INK} strokeWidth={4} />
      {j.ball && <Circle cx={j.ball[0] * 100} cy={-j.ball[1] * 100} r={9} fill={WHITE} stroke={INK} strokeWidth={4} />}
    </>
  );
}

/** A movement in four frames beside each other. */
export function MovementFrames({ skill, hand, height }: { skill: Skill; hand: Hand; height: number }) {
  return (
    <Picture viewBox={`-30 0 ${FRAME_W * 4 + 60} ${FRAME_H + 10}`} height={height} width={(height * (FRAME_W * 4 + 60)) / (FRAME_H + 10)}>
      {MOVEMENTS[skill].map((frame, index) => (
        <G
          key={index}
          transform={`translate(${(hand === 'left' ? 3 - index : index) * FRAME_W + FRAME_W * 0.4 + (hand === 'left' ? 38 : 0)} ${FRAME_H}) scale(${hand === 'left' ? -1 : 1} 1)`}
        >
          <FigureInLines frame={frame} />
        </G>
      ))}
    </Picture>
  );
}

/** A link as a square code. */
export function Square({ url, size }: { url: string; size: number }) {
  const { modules } = QRCode.create(url, { errorCorrectionLevel: 'M' });
  const n = modules.size;
  let path = '';
  for (let row = 0; row < n; row += 1)
    for (let column = 0; column < n; column += 1) if (modules.get(row, column)) path += `M${column} ${row}h1v1h-1z`;
  return (
    <Picture viewBox={`0 0 ${n} ${n}`} width={size} height={size}>
      <Rect x={0} y={0} width={n} height={n} fill={WHITE} />
      <Path d={path} fill={BLACK} />
    </Picture>
  );
}

/** Boxes in a row. */
export function Boxes({ n, size }: { n: number; size: number }) {
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 2.5 }}>
      {Array.from({ length: n }, (_, index) => (
        <View key={index} style={{ width: size, height: size, borderWidth: 1.1, borderColor: INK, backgroundColor: WHITE }} />
      ))}
    </View>
  );
}
