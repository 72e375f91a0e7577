'use client';
import { memo, useRef, type Dispatch, type KeyboardEvent, type PointerEvent } from 'react';
import styled from 'styled-components';
import { aimOf, distanceM } from '@/core/course/geometry';
import { isPinSet, spotOf, thingsOf, type CourseThing } from '@/core/course/move';
import { sayMetres, saySteps, snapToDecimetre, toHalfSteps } from '@/core/measure/lengths';
import { AIMED, outlineWidthM, shapeOf } from '@/core/objects/catalogue';
import type { LevelForecast } from '@/core/forecast/forecast-level';
import type { Course, Game, PlacedTarget, Spot } from '@/core/rules/game';
import { placeName } from '@/core/rules/sentences';
import type { FloorDepth } from '@/workers/forecast.worker';
import type { DraftAction } from './draft';
import { Ground } from '../drawing/ground';
import { Soundings } from '../drawing/soundings';
import { Thing } from '../drawing/thing';

const Frame = styled.div`
  border: 1px solid var(--ink);
  padding: 6px;
  background: var(--sheet);
  & svg {
    display: block;
    width: 100%;
    height: auto;
    max-height: 426px;
    touch-action: none;
    font-family: var(--font-desk), sans-serif;
    user-select: none;
  }
  & g[tabindex] {
    cursor: grab;
    outline: none;
  }
  & g[tabindex] .halo {
    opacity: 0;
  }
  & g[tabindex]:focus-visible .halo {
    opacity: 1;
  }
`;

/** What is taken hold of; its length and place stand below the chart as figures. */
export type Picked = CourseThing | null;

export interface ChartProps {
  /** The game at the level that is shown. */
  readonly level: Game;
  readonly levelIndex: number;
  readonly stepM: number;
  readonly floor: FloorDepth | null;
  readonly forecast: LevelForecast | null;
  readonly picked: Picked;
  readonly onPick: (picked: Picked) => void;
  readonly dispatch: Dispatch<DraftAction>;
  readonly readOnly?: boolean;
}

const PAD = 6;
const DRAWN_WIDTH_PX = 770;
const DRAWN_HEIGHT_PX = 426;
/** With more places than this only the one that is picked has its line drawn, and the marks are short. */
const FEW_PLACES = 4;
const BAND_FILLS = ['var(--band-4)', 'var(--band-3)', 'var(--band-2)', 'var(--band-1)'];
const ARROWS: Readonly<Record<string, readonly [number, number]>> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

const same = (one: Picked, other: Picked) => JSON.stringify(one) === JSON.stringify(other);

/** The floor from above, to scale, in centimetres: bands of depth, targets, things in the way, places; drag them or move them with the arrow keys. */
export function Chart({ level, levelIndex, stepM, floor, forecast, picked, onPick, dispatch, readOnly = false }: ChartProps) {
  const svg = useRef<SVGSVGElement>(null);
  const grabbed = useRef<{ what: CourseThing; offset: Spot } | null>(null);
  const { course } = level;
  const { widthM, depthM } = course.floor;
  const width = widthM * 100;
  const depth = depthM * 100;
  const px = Math.max((width + 2 * PAD) / DRAWN_WIDTH_PX, (depth + 2 * PAD) / DRAWN_HEIGHT_PX);
  const things = thingsOf(level);
  const placeCount = things.filter((thing) => thing.kind === 'place').length;

  const spotAt = (event: PointerEvent): Spot => {
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.current!.getScreenCTM()!.inverse());
    return { xM: point.x / 100, yM: point.y / 100 };
  };
  const grab = (event: PointerEvent, what: CourseThing, at: Spot) => {
    if (event.button !== 0) return;
    onPick(what);
    if (readOnly) return;
    const pointer = spotAt(event);
    grabbed.current = { what, offset: { xM: at.xM - pointer.xM, yM: at.yM - pointer.yM } };
    svg.current!.setPointerCapture(event.pointerId);
    dispatch({ do: 'drag-start' });
  };
  const drag = (event: PointerEvent) => {
    const held = grabbed.current;
    if (!held) return;
    const pointer = spotAt(event);
    const free = event.altKey;
    const x = pointer.xM + held.offset.xM;
    const y = pointer.yM + held.offset.yM;
    const to = { xM: free ? x : snapToDecimetre(x), yM: free ? y : snapToDecimetre(y) };
    dispatch({ do: 'move', level: levelIndex, thing: held.what, to });
  };
  const drop = () => {
    if (!grabbed.current) return;
    grabbed.current = null;
    dispatch({ do: 'drag-end' });
  };
  const nudge = (event: KeyboardEvent, thing: CourseThing, at: Spot) => {
    const arrow = ARROWS[event.key];
    if (!arrow || readOnly) return;
    event.preventDefault();
    onPick(thing);
    const by = event.shiftKey ? 0.5 : 0.1;
    const to = { xM: Math.round((at.xM + arrow[0] * by) * 100) / 100, yM: Math.round((at.yM + arrow[1] * by) * 100) / 100 };
    dispatch({ do: 'move', level: levelIndex, thing, to });
  };
  /** What every thing on the floor that can be taken hold of has in common. */
  const handle = (thing: CourseThing, at: Spot, label: string) => ({
    tabIndex: 0,
    role: 'button',
    'aria-label': `${label} ${readOnly ? '' : 'Arrow keys move it.'}`.trim(),
    transform: `translate(${at.xM * 100} ${at.yM * 100})`,
    onPointerDown: (event: PointerEvent) => grab(event, thing, at),
    onKeyDown: (event: KeyboardEvent) => nudge(event, thing, at),
    onFocus: () => onPick(thing),
  });

  const placed = things.map((thing) => ({ thing, spot: spotOf(course, thing)! }));
  const below = namesBelow(level, px);
  const aimed = picked?.kind === 'place' ? aimAt(level, picked) : undefined;
  return (
    <Frame>
      <svg
        ref={svg}
        viewBox={`${-PAD} ${-PAD} ${width + 2 * PAD} ${depth + 2 * PAD}`}
        role="group"
        aria-label={`The floor from above, ${widthM} by ${depthM} metres`}
        onPointerMove={drag}
        onPointerUp={drop}
        onPointerCancel={drop}
      >
        <defs>
          <clipPath id="floor-clip">
            <rect x={0} y={0} width={width} height={depth} />
          </clipPath>
        </defs>
        <Floor floor={floor} width={width} depth={depth} px={px} />
        <FloorSoundings floor={floor} px={px} free={freeOf(placed.map(({ spot }) => spot))} />
        <Ground course={course} px={px} />
        <rect x={0} y={0} width={width} height={depth} fill="none" stroke="var(--ink)" strokeWidth={3 * px} />
        {placed.map(({ thing, spot }) => {
          const aim = thing.kind === 'place' && (placeCount <= FEW_PLACES || same(thing, picked)) ? aimAt(level, thing) : undefined;
          return (
            aim && (
              <line
                key={keyOf(thing)}
                x1={spot.xM * 100}
                y1={spot.yM * 100}
                x2={aim.xM * 100}
                y2={aim.yM * 100}
                stroke="var(--ink)"
                strokeWidth={(same(thing, picked) ? 1.6 : 1) * px}
                strokeDasharray={`${1.5 * px} ${5 * px}`}
                strokeLinecap="round"
                aria-hidden
              />
            )
          );
        })}
        {placed.map(({ thing, spot }) => {
          if (thing.kind === 'place') return null;
          const stands = (thing.kind === 'target' ? course.targets[thing.group]! : course.obstacles!)[thing.index]!;
          const { name } = AIMED[stands.object];
          const shape = shapeOf(stands);
          const half = outlineWidthM(shape) * 50;
          const set = thing.kind === 'target' && isPinSet(level, thing.group);
          const label = `${name}${set ? `, number ${thing.index + 1} of the set, which moves as one` : ''}, ${spot.xM.toFixed(1)} metres from the left wall and ${spot.yM.toFixed(1)} from the back.`;
          return (
            <g key={keyOf(thing)} {...handle(thing, spot, label)}>
              <circle className="halo" r={half + 12} fill="none" stroke="var(--focus)" strokeWidth={3 * px} />
              <circle r={Math.max(set ? 8 : 18, half * 1.2)} fill="transparent" />
              <g transform={`rotate(${(stands.turnRad * 180) / Math.PI})`}>
                <Thing shape={shape} casing={(set ? 1 : 1.5) * px} role={thing.kind} />
              </g>
              {isFirstOfItsName(course, thing) && (
                <text
                  y={below.has(keyOf(thing)) ? half + 16 * px : (set ? topOf(course.targets[thing.group]!) - spot.yM : 0) * 100 - half - 7 * px}
                  fontSize={13 * px}
                  textAnchor="middle"
                  fill="var(--ink)"
                  stroke="var(--band-1)"
                  strokeWidth={3 * px}
                  paintOrder="stroke"
                >
                  {name}
                </text>
              )}
            </g>
          );
        })}
        {placed.map(({ thing, spot }) => {
          if (thing.kind !== 'place') return null;
          const aim = aimAt(level, thing);
          const list = course.places[thing.group]!;
          const name = labelOf(level, thing.group, thing.index) ?? `${placeName(thing.index, list.length)} mark`;
          const length = aim ? distanceM(spot, aim) : 0;
          const chance = forecast?.places.find((place) => place.group === thing.group && place.index === thing.index)?.chance;
          const told = aim ? `: ${sayMetres(length)}, ${saySteps(toHalfSteps(length, stepM).halfSteps)}` : '';
          const label = `${name}${told}${chance === undefined ? '' : `, about ${Math.round(chance * 100)} hits in 100`}.`;
          return (
            <g key={keyOf(thing)} {...handle(thing, spot, label)}>
              <Mark
                spot={spot}
                floor={course.floor}
                angleRad={aim ? Math.atan2(aim.yM - spot.yM, aim.xM - spot.xM) : 0}
                on={same(thing, picked)}
                long={placeCount <= FEW_PLACES}
                px={px}
                badge={badgeOf(level, thing.group, thing.index)}
              />
            </g>
          );
        })}
        {aimed && <Dimension mark={spotOf(course, picked!)!} target={aimed} stepM={stepM} px={px} />}
        <ScaleBar x={width - 128} y={depth - 12} px={px} />
      </svg>
    </Frame>
  );
}

const keyOf = (thing: CourseThing) => `${thing.kind} ${thing.kind === 'obstacle' ? '' : thing.group} ${thing.index}`;

/** What a place looks towards; undefined for a picked place that is there no more. */
function aimAt(level: Game, place: Extract<CourseThing, { kind: 'place' }>): Spot | undefined {
  const spot = spotOf(level.course, place);
  return spot && aimOf(level, place.group, spot);
}

/** How far up and down the floor a set reaches. */
const topOf = (pins: readonly Spot[]) => Math.min(...pins.map((pin) => pin.yM));

const LETTER_PX = 6.8;
const LINE_PX = 17;

/** The names that stand below their thing, since above it they would run into the name of another. */
function namesBelow(level: Game, px: number): ReadonlySet<string> {
  const named = thingsOf(level).filter((thing) => thing.kind !== 'place' && isFirstOfItsName(level.course, thing));
  const above: { x: number; y: number; half: number }[] = [];
  const below = new Set<string>();
  for (const thing of named) {
    const stands = spotOf(level.course, thing) as PlacedTarget;
    const half = (AIMED[stands.object].name.length * LETTER_PX * px) / 2;
    const label = { x: stands.xM * 100, y: stands.yM * 100 - outlineWidthM(shapeOf(stands)) * 50, half };
    const meets = above.some((other) => Math.abs(other.x - label.x) < other.half + half && Math.abs(other.y - label.y) < LINE_PX * px);
    if (meets) below.add(keyOf(thing));
    else above.push(label);
  }
  return below;
}

/** Of things that are alike the first bears the name. */
function isFirstOfItsName(course: Course, thing: CourseThing): boolean {
  const list = thing.kind === 'obstacle' ? (course.obstacles ?? []) : Object.values(course.targets).flat();
  const now = spotOf(course, thing) as PlacedTarget;
  return list.find((other) => other.object === now.object) === now;
}

/** The name that the game gives to a place, where it has one. */
function labelOf(game: Game, group: string, index: number): string | undefined {
  return game.parts.map((part) => part.groups[group]?.labels?.[index]).find((one) => one !== undefined);
}

/** What stands in the circle of a mark: what a hit from there gives, or its number among several. */
function badgeOf(game: Game, group: string, index: number): string {
  const rule = game.parts.map((part) => part.groups[group]).find((one) => one !== undefined);
  if (rule?.value) return `${rule.value[index]}`;
  return (rule?.n ?? 1) > 1 ? `${index + 1}` : '';
}

interface MarkProps {
  readonly spot: Spot;
  readonly floor: Course['floor'];
  readonly angleRad: number;
  readonly on: boolean;
  readonly long: boolean;
  readonly px: number;
  readonly badge: string;
}

/** The throw line of a place, square to what it looks towards. */
function Mark({ spot, floor, angleRad, on, long, px, badge }: MarkProps) {
  const [thick, broad] = long ? [9, 42] : [8 * px, 30 * px];
  const off = long ? 22 : 20 * px;
  // Behind the line, or before it where a wall is behind.
  const room = 13 * px;
  const [backX, backY] = [spot.xM * 100 - Math.cos(angleRad) * off, spot.yM * 100 - Math.sin(angleRad) * off];
  const outside = backX < room || backY < room || backX > floor.widthM * 100 - room || backY > floor.depthM * 100 - room;
  const side = outside ? 1 : -1;
  const [x, y] = [side * Math.cos(angleRad) * off, side * Math.sin(angleRad) * off - 2];
  return (
    <>
      <circle className="halo" r={broad * 0.72} fill="none" stroke="var(--focus)" strokeWidth={3 * px} />
      <circle r={broad * 0.57} fill="transparent" />
      <g transform={`rotate(${(angleRad * 180) / Math.PI})`}>
        {on && (
          <rect
            x={-thick}
            y={-broad * 0.62}
            width={thick * 2}
            height={broad * 1.24}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={1.3 * px}
            strokeDasharray={`${4 * px} ${3 * px}`}
          />
        )}
        <rect x={-thick / 2} y={-broad / 2} width={thick} height={broad} fill="var(--gorse)" stroke="var(--ink)" strokeWidth={1.2 * px} />
      </g>
      {badge !== '' && (
        <>
          <circle cx={x} cy={y} r={12.5 * px} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.3 * px} />
          <text x={x} y={y + 5 * px} fontSize={14 * px} fontWeight={700} textAnchor="middle" fill="var(--ink)">
            {badge}
          </text>
        </>
      )}
    </>
  );
}

/** The bands: drawn again only when the depth itself has changed. */
const Floor = memo(function Floor({ floor, width, depth, px }: { floor: FloorDepth | null; width: number; depth: number; px: number }) {
  return (
    <g clipPath="url(#floor-clip)" aria-hidden>
      <rect x={0} y={0} width={width} height={depth} fill={floor ? 'var(--band-5)' : 'var(--band-2)'} />
      {floor?.bands.map((path, index) => (
        <path key={index} d={path} fill={BAND_FILLS[index]!} stroke="var(--band-5)" strokeOpacity={0.55} strokeWidth={0.8 * px} />
      ))}
    </g>
  );
});

/** Which 20 cm squares hold something, as a key: soundings there are left out, and drawn again only when that changes. */
function freeOf(spots: readonly Spot[]): string {
  return spots.map((spot) => `${Math.round(spot.xM * 5) / 5} ${Math.round(spot.yM * 5) / 5}`).join('|');
}

const FloorSoundings = memo(function FloorSoundings({ floor, px, free }: { floor: FloorDepth | null; px: number; free: string }) {
  const busy = free.split('|').map((spot) => {
    const [xM, yM] = spot.split(' ').map(Number) as [number, number];
    return { xM, yM };
  });
  return <Soundings soundings={floor?.soundings ?? []} busy={busy} px={px} />;
});

function Dimension({ mark, target, stepM, px }: { mark: Spot; target: Spot; stepM: number; px: number }) {
  const length = distanceM(mark, target);
  const words = `${sayMetres(length)} · ${saySteps(toHalfSteps(length, stepM).halfSteps)}`;
  const x = ((mark.xM + target.xM) / 2) * 100;
  const y = ((mark.yM + target.yM) / 2) * 100;
  const width = words.length * 7.4 * px + 18 * px;
  const normal = Math.atan2(target.yM - mark.yM, target.xM - mark.xM) + Math.PI / 2;
  const off = Math.sin(normal) >= 0 ? 20 : -20;
  return (
    <g transform={`translate(${x + Math.cos(normal) * off} ${y + Math.sin(normal) * off})`} pointerEvents="none" aria-hidden>
      <rect x={-width / 2} y={-14 * px} width={width} height={28 * px} rx={3} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.2 * px} />
      <text y={4.5 * px} fontSize={14 * px} textAnchor="middle" fill="var(--ink)">
        <tspan fontWeight={700}>{sayMetres(length)}</tspan>
        {words.slice(sayMetres(length).length)}
      </text>
    </g>
  );
}

function ScaleBar({ x, y, px }: { x: number; y: number; px: number }) {
  return (
    <g transform={`translate(${x} ${y})`} aria-hidden>
      <rect x={-8} y={-20 * px} width={124} height={27 * px} fill="var(--sheet)" />
      <rect width={50} height={5 * px} fill="var(--ink)" />
      <rect x={50} width={50} height={5 * px} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={px} />
      <text y={-5 * px} fontSize={11 * px} fill="var(--ink)">
        0
      </text>
      <text x={100} y={-5 * px} fontSize={11 * px} textAnchor="end" fill="var(--ink)">
        1 m
      </text>
    </g>
  );
}
