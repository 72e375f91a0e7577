'use client';
import { useEffect, useMemo, useState, type RefObject } from 'react';
import { targetOf } from '@/core/course/geometry';
import { shotFrom, throwOf } from '@/core/forecast/chances';
import { floorBasis, floorChance } from '@/core/forecast/depth';
import { openingShares } from '@/core/motion/chance';
import type { OfClass } from '@/core/progress/by-family';
import type { Thrower } from '@/core/motion/release';
import type { Game, Spot } from '@/core/rules/format/game';
import { readThrowRules } from '@/core/rules/format/throw-rules';
import { NumberSlot } from '@/ui/number-slot';

/**
 * The chance from any spot of the floor: the pointer shows it as it passes over the chart, and the figures can be typed or stepped by keys.
 * It stands beside the chart and listens to it, so that the chart itself is not drawn again.
 */
export function Probe({
  chart,
  level,
  ageYears,
  of,
  from,
}: {
  chart: RefObject<HTMLDivElement | null>;
  level: Game;
  ageYears: number;
  /** How steady the class is; 1 where nothing is known of it. */
  of: OfClass;
  /** The group of places whose task is looked at. */
  from: string | undefined;
}) {
  const { widthM, depthM } = level.course.floor;
  const [spot, setSpot] = useState<Spot>({ xM: Math.round(widthM * 5) / 10, yM: Math.round(depthM * 5) / 10 });
  const child = useMemo(() => ({ ...of, ageYears }), [ageYears, of]);
  const chanceAt = useMemo(() => {
    const basis = floorBasis(level, child, from);
    return basis && floorChance(basis);
  }, [level, child, from]);
  const rim = useMemo(() => rimWords(level, spot, child), [level, spot, child]);
  useEffect(() => {
    const area = chart.current;
    if (!area) return;
    let frame = 0;
    const move = (event: PointerEvent) => {
      // While something is dragged its own length is what counts.
      if (event.buttons !== 0 || frame) return;
      frame = requestAnimationFrame(() => {
        frame = 0;
        const matrix = area.querySelector('svg')?.getScreenCTM();
        if (!matrix) return;
        const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
        const within = (value: number, most: number) => Math.round(Math.min(most, Math.max(0, value / 100)) * 10) / 10;
        setSpot({ xM: within(point.x, widthM), yM: within(point.y, depthM) });
      });
    };
    area.addEventListener('pointermove', move);
    return () => {
      area.removeEventListener('pointermove', move);
      cancelAnimationFrame(frame);
    };
  }, [chart, widthM, depthM]);
  if (!chanceAt) return null;
  const slot = (label: string, value: number, max: number, onChange: (value: number) => void) => (
    <NumberSlot label={label} value={value} min={0} max={max} step={0.1} decimals={1} onChange={onChange} />
  );
  return (
    <span>
      from {slot('Looked at, metres across', Math.min(spot.xM, widthM), widthM, (xM) => setSpot({ ...spot, xM }))} across,{' '}
      {slot('Looked at, metres down', Math.min(spot.yM, depthM), depthM, (yM) => setSpot({ ...spot, yM }))} down:{' '}
      <b>{Math.round(100 * chanceAt(spot))} in 100</b>
      {rim}
    </span>
  );
}

/** Of throws at an opening: how many meet the rim, and how many come out again. Nothing for another kind of game. */
function rimWords(level: Game, spot: Spot, child: Thrower): string {
  const target = targetOf(level);
  const shot = target && readThrowRules(level) && shotFrom(throwOf(level), spot, target, child);
  const shares = shot && openingShares(shot);
  if (!shares) return '';
  const told = (share: number, words: string) => (share < 0.005 ? '' : `, ${Math.round(100 * share)} ${words}`);
  return `${told(shares.rim, 'on the rim')}${told(shares.bouncesOut, 'bounce out')}`;
}
