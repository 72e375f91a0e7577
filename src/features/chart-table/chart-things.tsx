'use client';
import { memo } from 'react';
import { middleOf, type CourseThing } from '@/core/course/things';
import { outlineWidthM, shapeOf } from '@/core/objects/catalogue';
import type { Box, Course, Door, Furniture, Patch, PlacedTarget, Spot, Zone } from '@/core/rules/format/game';
import { BoxToStandIn } from '../drawing/box';
import { Piece, Ground as Patchwork, Swing } from '../drawing/ground';
import { Thing } from '../drawing/thing';
import { toDegrees } from '@/core/measure/angles';

/** What every thing on the floor that can be taken hold of has in common; the chart itself listens. */
export interface HandleProps {
  readonly id: string;
  readonly label: string;
  readonly xM: number;
  readonly yM: number;
  readonly locked: boolean;
  readonly px: number;
}

function attributes({ id, label, xM, yM }: HandleProps, kind: CourseThing['kind'], on: boolean) {
  return {
    'data-thing': id,
    'data-kind': kind,
    tabIndex: 0,
    role: 'button',
    'aria-label': label,
    'aria-pressed': on,
    transform: `translate(${xM * 100} ${yM * 100})`,
  } as const;
}

/** A pin through what is locked. */
function Lock({ px, x = 0, y = 0 }: { px: number; x?: number; y?: number }) {
  return (
    <g transform={`translate(${x} ${y})`} aria-hidden>
      <rect x={-5 * px} y={-1 * px} width={10 * px} height={8 * px} rx={1.5 * px} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.2 * px} />
      <path
        d={`M${-3 * px} ${-1 * px}v${-3 * px}a${3 * px} ${3 * px} 0 0 1 ${6 * px} 0v${3 * px}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={1.2 * px}
      />
    </g>
  );
}

export const StandingThing = memo(function Standing({
  thing,
  kind,
  on,
  set,
  name,
  nameX,
  nameY,
  ...handle
}: HandleProps & {
  readonly thing: PlacedTarget;
  readonly kind: 'target' | 'obstacle';
  readonly on: boolean;
  readonly set: boolean;
  readonly name: string | null;
  readonly nameX: number;
  readonly nameY: number;
}) {
  const { px } = handle;
  const shape = shapeOf(thing);
  const half = outlineWidthM(shape) * 50;
  return (
    <g {...attributes(handle, kind, on)}>
      <circle className="halo" r={half + 12} fill="none" stroke="var(--focus)" strokeWidth={3 * px} />
      <circle r={Math.max(set ? 8 : 18, half * 1.2)} fill="transparent" />
      {on && <circle r={half + (set ? 4 : 8)} fill="none" stroke="var(--ink)" strokeWidth={1.3 * px} strokeDasharray={`${4 * px} ${3 * px}`} />}
      <g transform={`rotate(${toDegrees(thing.turnRad)})`}>
        <Thing shape={shape} casing={(set ? 1 : 1.5) * px} role={kind} />
      </g>
      {name !== null && (
        <text
          x={nameX}
          y={nameY}
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
      {handle.locked && <Lock px={px} x={half * 0.7 + 8 * px} y={-half * 0.7 - 6 * px} />}
    </g>
  );
});

/** The throw line of a place, square to what it looks towards. */
export const PlaceMark = memo(function Mark({
  floorWidthM,
  floorDepthM,
  angleRad,
  on,
  long,
  badge,
  box,
  ...handle
}: HandleProps & {
  readonly floorWidthM: number;
  readonly floorDepthM: number;
  readonly angleRad: number;
  readonly on: boolean;
  readonly long: boolean;
  readonly badge: string;
  /** To stand anywhere in it. */
  readonly box: Box | undefined;
}) {
  const { xM, yM, px } = handle;
  const [thick, broad] = long ? [9, 42] : [8 * px, 30 * px];
  const off = long ? 22 : 20 * px;
  // Behind the line, or before it where a wall is behind.
  const room = 13 * px;
  const [backX, backY] = [xM * 100 - Math.cos(angleRad) * off, yM * 100 - Math.sin(angleRad) * off];
  const outside = backX < room || backY < room || backX > floorWidthM * 100 - room || backY > floorDepthM * 100 - room;
  const side = outside ? 1 : -1;
  const [x, y] = [side * Math.cos(angleRad) * off, side * Math.sin(angleRad) * off - 2];
  return (
    <g {...attributes(handle, 'place', on)}>
      {box && <BoxToStandIn box={box} px={px} />}
      <circle className="halo" r={broad * 0.72} fill="none" stroke="var(--focus)" strokeWidth={3 * px} />
      <circle r={broad * 0.57} fill="transparent" />
      <g transform={`rotate(${toDegrees(angleRad)})`}>
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
      {handle.locked && <Lock px={px} x={broad * 0.3} y={-broad * 0.55} />}
    </g>
  );
});

/** Furniture, patches of ground, zones, doors and the turns of a way: taken hold of as well, below what is played with. */
export const GroundThing = memo(function GroundThing({
  kind,
  listed,
  on,
  floor,
  ...handle
}: HandleProps & {
  readonly kind: 'furniture' | 'patch' | 'zone' | 'door' | 'turn';
  readonly listed: Furniture | Patch | Zone | Door | Spot;
  readonly on: boolean;
  readonly floor: Course['floor'];
}) {
  const { px } = handle;
  const frame = { fill: 'none', stroke: 'var(--ink)', strokeWidth: 1.3 * px, strokeDasharray: `${4 * px} ${3 * px}` };
  const halo = { className: 'halo', fill: 'none', stroke: 'var(--focus)', strokeWidth: 3 * px };
  if ('side' in listed) {
    const at = middleOf({ floor }, listed);
    const span = listed.widthM * 100;
    // Inside the floor: nothing of it lies over what stands beside the chart.
    const x = listed.side === 'left' ? 0 : listed.side === 'right' ? -span : -span / 2;
    const y = listed.side === 'top' ? 0 : listed.side === 'bottom' ? -span : -span / 2;
    const box = { x, y, width: span, height: span };
    return (
      <g {...attributes({ ...handle, xM: at.xM, yM: at.yM }, kind, on)}>
        <rect {...halo} {...box} />
        <rect {...box} fill="transparent" />
        <Swing door={listed} px={px} />
        {on && <rect {...frame} {...box} />}
      </g>
    );
  }
  if ('depthM' in listed) {
    const [w, d] = [listed.widthM * 100, listed.depthM * 100];
    return (
      <g {...attributes(handle, kind, on)}>
        <rect {...halo} x={-w / 2 - 6} y={-d / 2 - 6} width={w + 12} height={d + 12} />
        {kind === 'patch' ? <Patchwork patch={listed as Patch} px={px} /> : <Piece piece={listed as Furniture} px={px} />}
        {on && <rect {...frame} x={-w / 2 - 5} y={-d / 2 - 5} width={w + 10} height={d + 10} />}
        {handle.locked && <Lock px={px} x={w / 2 - 8 * px} y={-d / 2 + 10 * px} />}
      </g>
    );
  }
  if ('radiusM' in listed)
    return (
      <g {...attributes(handle, kind, on)}>
        <circle {...halo} r={listed.radiusM * 100 + 6} />
        <circle r={listed.radiusM * 100} fill="var(--band-4)" stroke="var(--ink)" strokeWidth={px} strokeDasharray={`${3 * px} ${3 * px}`} />
        <text y={4 * px} fontSize={11 * px} textAnchor="middle" fill="var(--ink)">
          {listed.name}
        </text>
        {on && <circle {...frame} r={listed.radiusM * 100 + 5} />}
        {handle.locked && <Lock px={px} x={listed.radiusM * 70} y={-listed.radiusM * 70} />}
      </g>
    );
  return (
    <g {...attributes(handle, kind, on)}>
      <circle {...halo} r={14 * px} />
      <circle r={12 * px} fill="transparent" />
      <circle r={4.5 * px} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.4 * px} />
      {on && <circle {...frame} r={9 * px} />}
    </g>
  );
});
