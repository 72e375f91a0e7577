'use client';
import { distanceM } from '@/core/course/geometry';
import styled from 'styled-components';
import { type Misfit } from '@/core/course/fits';
import { thingWords } from '@/core/course/thing-words';
import { halfSizeM, listedOf, spotOf, type CourseThing } from '@/core/course/things';
import { sayMetres, stepPace, toParts } from '@/core/measure/lengths';
import type { Game, Spot } from '@/core/rules/format/game';
import { toDegrees } from '@/core/measure/angles';

const TurnGrip = styled.g`
  cursor: alias;
`;

const SpreadGrip = styled.g`
  cursor: nwse-resize;
`;

const Pressable = styled.g`
  cursor: pointer;
`;

export type Grip = 'turn' | 'spread';

export interface GripFrame {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
  /** Several are spread, one is sized; what has no front is not turned. */
  readonly several: boolean;
  readonly turns: boolean;
}

/** The frame round what is moved, in centimetres, with its grips; null where there is nothing to turn. */
export function gripsOf(level: Game, moving: readonly CourseThing[], px: number): GripFrame | null {
  const able = moving.filter((thing) => thing.kind !== 'door');
  if (able.length === 0) return null;
  const [only] = able;
  const alone = able.length === 1 ? only!.kind : null;
  const listed = listedOf(level.course, only!)!;
  // A point has no size; a box of a place has.
  if (alone === 'turn' || (alone === 'place' && !('box' in listed))) return null;
  const boxes = able.map((thing) => ({ spot: spotOf(level.course, thing)!, half: halfSizeM(listedOf(level.course, thing)!) }));
  const pad = 10 * px;
  return {
    left: Math.min(...boxes.map(({ spot, half }) => spot.xM - half.xM)) * 100 - pad,
    right: Math.max(...boxes.map(({ spot, half }) => spot.xM + half.xM)) * 100 + pad,
    top: Math.min(...boxes.map(({ spot, half }) => spot.yM - half.yM)) * 100 - pad,
    bottom: Math.max(...boxes.map(({ spot, half }) => spot.yM + half.yM)) * 100 + pad,
    several: able.length > 1,
    turns: alone === null || alone === 'target' || alone === 'obstacle',
  };
}

/** A round grip turns what is picked, a square one moves it apart or makes it larger. */
export function Grips({ grips, px, alone }: { grips: GripFrame; px: number; alone: boolean }) {
  const { left, right, top, bottom, several, turns } = grips;
  return (
    <g aria-hidden>
      {several && (
        <rect
          x={left}
          y={top}
          width={right - left}
          height={bottom - top}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={px}
          strokeDasharray={`${alone ? px : 5 * px} ${3 * px}`}
          pointerEvents="none"
        />
      )}
      {turns && (
        <TurnGrip data-grip="turn" transform={`translate(${right} ${top})`}>
          <circle r={11 * px} fill="transparent" />
          <circle r={6 * px} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.4 * px} />
          <path
            d={`M${-2.6 * px} ${1 * px}a${2.8 * px} ${2.8 * px} 0 1 1 ${2.6 * px} ${1.8 * px}`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={1.1 * px}
          />
        </TurnGrip>
      )}
      <SpreadGrip data-grip="spread" transform={`translate(${right} ${bottom})`}>
        <circle r={11 * px} fill="transparent" />
        <rect x={-5 * px} y={-5 * px} width={10 * px} height={10 * px} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.4 * px} />
      </SpreadGrip>
    </g>
  );
}

/** What does not fit or is not safe, marked where it is; dangers bear the colour of cautions and an edge of their own. */
export function MisfitMarks({
  misfits,
  level,
  px,
  onMisfit,
}: {
  misfits: readonly Misfit[];
  level: Game;
  px: number;
  onMisfit: (misfit: Misfit) => void;
}) {
  const { widthM, depthM } = level.course.floor;
  const within = (value: number, most: number) => Math.min(most * 100 - 12 * px, Math.max(12 * px, value * 100));
  return misfits.map((misfit, index) => (
    <Pressable
      key={`${misfit.kind} ${index}`}
      data-misfit={index}
      tabIndex={0}
      role="button"
      aria-label={`To look at, ${index + 1}: ${misfit.words}`}
      transform={`translate(${within(misfit.at.xM, widthM)} ${within(misfit.at.yM - 0.16, depthM)})`}
      onClick={() => onMisfit(misfit)}
      onKeyDown={(event) => (event.key === 'Enter' || event.key === ' ') && onMisfit(misfit)}
    >
      <title>{misfit.words}</title>
      <circle className="halo" r={15 * px} fill="none" stroke="var(--focus)" strokeWidth={3 * px} />
      {misfit.danger ? (
        <path d={`M0 ${-11 * px}L${11 * px} ${8 * px}H${-11 * px}Z`} fill="var(--rowan)" stroke="var(--sheet)" strokeWidth={1.4 * px} />
      ) : (
        <circle r={9.5 * px} fill="var(--sheet)" stroke="var(--rowan)" strokeWidth={1.8 * px} />
      )}
      <text
        y={(misfit.danger ? 5.5 : 4.3) * px}
        fontSize={12 * px}
        fontWeight={700}
        textAnchor="middle"
        fill={misfit.danger ? 'var(--on-ink)' : 'var(--rowan)'}
      >
        {index + 1}
      </text>
    </Pressable>
  ));
}

/** How far it is between two spots, in metres and in the child's steps. */
export function Dimension({ mark, target, stepM, px }: { mark: Spot; target: Spot; stepM: number; px: number }) {
  const length = distanceM(mark, target);
  const words = `${sayMetres(length)} · ${toParts(length, stepPace(stepM)).words}`;
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

/** How far past the target a ball may run: one in twenty goes so far or farther. */
export function RunPast({ from, to, pastM, px }: { from: Spot; to: Spot; pastM: number; px: number }) {
  const angle = toDegrees(Math.atan2(to.yM - from.yM, to.xM - from.xM));
  return (
    <g aria-hidden pointerEvents="none" clipPath="url(#floor-clip)">
      <line
        x1={from.xM * 100}
        y1={from.yM * 100}
        x2={to.xM * 100}
        y2={to.yM * 100}
        stroke="var(--heather)"
        strokeWidth={1.4 * px}
        strokeDasharray={`${5 * px} ${4 * px}`}
      />
      <g transform={`translate(${to.xM * 100} ${to.yM * 100}) rotate(${angle})`}>
        <line y1={-7 * px} y2={7 * px} stroke="var(--heather)" strokeWidth={2 * px} />
        <title>{`One ball in twenty runs ${pastM.toFixed(1)} m past or farther.`}</title>
      </g>
    </g>
  );
}

/** A tape laid from spot to spot. */
export function Tape({ from, to, stepM, px }: { from: Spot; to: Spot; stepM: number; px: number }) {
  return (
    <g aria-hidden pointerEvents="none">
      <line x1={from.xM * 100} y1={from.yM * 100} x2={to.xM * 100} y2={to.yM * 100} stroke="var(--gorse)" strokeWidth={5 * px} />
      <line x1={from.xM * 100} y1={from.yM * 100} x2={to.xM * 100} y2={to.yM * 100} stroke="var(--ink)" strokeWidth={1.2 * px} />
      {[from, to].map((end, index) => (
        <circle key={index} cx={end.xM * 100} cy={end.yM * 100} r={4 * px} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.4 * px} />
      ))}
      <Dimension mark={from} target={to} stepM={stepM} px={px} />
    </g>
  );
}

export function ScaleBar({ x, y, px }: { x: number; y: number; px: number }) {
  return (
    <g transform={`translate(${x} ${y})`} aria-hidden pointerEvents="none">
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

/** "mark 1 and 2 more": what is picked, in words. */
export function pickedWords(level: Game, picked: readonly CourseThing[]): string {
  const [first, ...rest] = picked;
  if (!first) return 'nothing picked';
  return rest.length === 0 ? thingWords(level, first) : `${thingWords(level, first)} and ${rest.length} more`;
}
