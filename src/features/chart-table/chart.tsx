'use client';
import { memo, useRef, type Dispatch, type KeyboardEvent, type PointerEvent } from 'react';
import styled from 'styled-components';
import { distanceM, marksOf, targetOf } from '@/core/course/geometry';
import { sayMetres, saySteps, snapToDecimetre, toHalfSteps } from '@/core/measure/lengths';
import { AIMED, outlineWidthM } from '@/core/objects/catalogue';
import type { LevelForecast } from '@/core/forecast/forecast-level';
import type { Game, Spot } from '@/core/rules/game';
import { placeName } from '@/core/rules/sentences';
import type { FloorDepth } from '@/workers/forecast.worker';
import type { DraftAction } from './draft';
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

export type Picked = { readonly kind: 'mark'; readonly index: number } | { readonly kind: 'target' } | null;

export interface ChartProps {
  /** The game at the level that is shown. */
  readonly level: Game;
  readonly levelIndex: number;
  readonly stepM: number;
  readonly values: readonly number[];
  readonly floor: FloorDepth | null;
  readonly forecast: LevelForecast | null;
  readonly picked: Picked;
  readonly onPick: (picked: Picked) => void;
  readonly dispatch: Dispatch<DraftAction>;
  readonly readOnly?: boolean;
}

const PAD = 6;
const DRAWN_WIDTH_PX = 770;
const BAND_FILLS = ['var(--band-4)', 'var(--band-3)', 'var(--band-2)', 'var(--band-1)'];
const ARROWS: Readonly<Record<string, readonly [number, number]>> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

/** The floor from above, to scale, in centimetres: bands of depth, target, marks; drag them or move them with the arrow keys. */
export function Chart({ level, levelIndex, stepM, values, floor, forecast, picked, onPick, dispatch, readOnly = false }: ChartProps) {
  const svg = useRef<SVGSVGElement>(null);
  const grabbed = useRef<{ what: Picked; offset: Spot } | null>(null);
  const { widthM, depthM } = level.course.floor;
  const width = widthM * 100;
  const depth = depthM * 100;
  const px = (width + 2 * PAD) / DRAWN_WIDTH_PX;
  const target = targetOf(level);
  const marks = marksOf(level);

  const spotAt = (event: PointerEvent): Spot => {
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.current!.getScreenCTM()!.inverse());
    return { xM: point.x / 100, yM: point.y / 100 };
  };
  const grab = (event: PointerEvent, what: Picked, at: Spot) => {
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
    if (!held?.what) return;
    const pointer = spotAt(event);
    const free = event.altKey;
    const x = pointer.xM + held.offset.xM;
    const y = pointer.yM + held.offset.yM;
    const to = { xM: free ? x : snapToDecimetre(x), yM: free ? y : snapToDecimetre(y) };
    if (held.what.kind === 'mark') dispatch({ do: 'move-mark', level: levelIndex, mark: held.what.index, to });
    else dispatch({ do: 'move-target', to });
  };
  const drop = () => {
    if (!grabbed.current) return;
    grabbed.current = null;
    dispatch({ do: 'drag-end' });
  };
  const nudge = (event: KeyboardEvent, what: Picked, at: Spot) => {
    const arrow = ARROWS[event.key];
    if (!arrow || readOnly || !what) return;
    event.preventDefault();
    onPick(what);
    const by = event.shiftKey ? 0.5 : 0.1;
    const to = { xM: Math.round((at.xM + arrow[0] * by) * 100) / 100, yM: Math.round((at.yM + arrow[1] * by) * 100) / 100 };
    dispatch(what.kind === 'mark' ? { do: 'move-mark', level: levelIndex, mark: what.index, to } : { do: 'move-target', to });
  };

  const pickedMark = picked?.kind === 'mark' ? picked.index : null;
  const busySpots = [...marks, ...(target ? [target] : [])];
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
        <FloorSoundings floor={floor} px={px} free={freeOf(busySpots)} />
        {level.course.furniture.map((thing) => (
          <g key={thing.name}>
            <rect
              x={thing.xM * 100}
              y={thing.yM * 100}
              width={thing.widthM * 100}
              height={thing.depthM * 100}
              rx={4}
              fill="var(--sheet)"
              stroke="var(--ink)"
              strokeWidth={px}
            />
            <text x={(thing.xM + thing.widthM / 2) * 100} y={(thing.yM + thing.depthM / 2) * 100} fontSize={12 * px} textAnchor="middle">
              {thing.name}
            </text>
          </g>
        ))}
        <rect x={0} y={0} width={width} height={depth} fill="none" stroke="var(--ink)" strokeWidth={3 * px} />
        {target &&
          marks.map((mark, index) => (
            <line
              key={index}
              x1={mark.xM * 100}
              y1={mark.yM * 100}
              x2={target.xM * 100}
              y2={target.yM * 100}
              stroke="var(--ink)"
              strokeWidth={(index === pickedMark ? 1.6 : 1) * px}
              strokeDasharray={`${1.5 * px} ${5 * px}`}
              strokeLinecap="round"
              aria-hidden
            />
          ))}
        {target && (
          <g
            tabIndex={0}
            role="button"
            aria-label={`${AIMED[target.object].name}, ${target.xM.toFixed(1)} metres from the left wall and ${target.yM.toFixed(1)} from the back. Arrow keys move it.`}
            transform={`translate(${target.xM * 100} ${target.yM * 100})`}
            onPointerDown={(event) => grab(event, { kind: 'target' }, target)}
            onKeyDown={(event) => nudge(event, { kind: 'target' }, target)}
            onFocus={() => onPick({ kind: 'target' })}
          >
            <circle className="halo" r={outlineWidthM(AIMED[target.object].shape) * 50 + 12} fill="none" stroke="var(--focus)" strokeWidth={3 * px} />
            <circle r={Math.max(18, outlineWidthM(AIMED[target.object].shape) * 60)} fill="transparent" />
            <g transform={`rotate(${(target.turnRad * 180) / Math.PI})`}>
              <Thing shape={AIMED[target.object].shape} casing={1.5 * px} />
            </g>
            <text
              y={-outlineWidthM(AIMED[target.object].shape) * 50 - 7 * px}
              fontSize={13 * px}
              textAnchor="middle"
              fill="var(--ink)"
              stroke="var(--band-1)"
              strokeWidth={3 * px}
              paintOrder="stroke"
            >
              {AIMED[target.object].name}
            </text>
          </g>
        )}
        {target &&
          marks.map((mark, index) => {
            const angle = Math.atan2(target.yM - mark.yM, target.xM - mark.xM);
            const steps = toHalfSteps(distanceM(mark, target), stepM);
            const chance = forecast?.places[index]?.chance;
            const name = placeName(index, marks.length);
            return (
              <g
                key={index}
                tabIndex={0}
                role="button"
                aria-label={`${name} mark: ${sayMetres(distanceM(mark, target))}, ${saySteps(steps.halfSteps)}${chance === undefined ? '' : `, about ${Math.round(chance * 100)} hits in 100`}. Arrow keys move it.`}
                transform={`translate(${mark.xM * 100} ${mark.yM * 100})`}
                onPointerDown={(event) => grab(event, { kind: 'mark', index }, mark)}
                onKeyDown={(event) => nudge(event, { kind: 'mark', index }, mark)}
                onFocus={() => onPick({ kind: 'mark', index })}
              >
                <circle className="halo" r={30} fill="none" stroke="var(--focus)" strokeWidth={3 * px} />
                <circle r={24} fill="transparent" />
                <g transform={`rotate(${(angle * 180) / Math.PI})`}>
                  {index === pickedMark && (
                    <rect
                      x={-9}
                      y={-26}
                      width={18}
                      height={52}
                      fill="none"
                      stroke="var(--ink)"
                      strokeWidth={1.3 * px}
                      strokeDasharray={`${4 * px} ${3 * px}`}
                    />
                  )}
                  <rect x={-4.5} y={-21} width={9} height={42} fill="var(--gorse)" stroke="var(--ink)" strokeWidth={1.2 * px} />
                </g>
                <circle
                  cx={-Math.cos(angle) * 22}
                  cy={-Math.sin(angle) * 22 - 2}
                  r={12.5 * px}
                  fill="var(--sheet)"
                  stroke="var(--ink)"
                  strokeWidth={1.3 * px}
                />
                <text
                  x={-Math.cos(angle) * 22}
                  y={-Math.sin(angle) * 22 - 2 + 5 * px}
                  fontSize={14 * px}
                  fontWeight={700}
                  textAnchor="middle"
                  fill="var(--ink)"
                >
                  {values[index]}
                </text>
              </g>
            );
          })}
        {target && pickedMark !== null && marks[pickedMark] && <Dimension mark={marks[pickedMark]} target={target} stepM={stepM} px={px} />}
        <ScaleBar x={width - 128} y={depth - 12} px={px} />
      </svg>
    </Frame>
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
