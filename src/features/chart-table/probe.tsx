'use client';
import { useEffect, useMemo, useState, type RefObject } from 'react';
import { floorChance } from '@/core/forecast/depth';
import type { Game, Spot } from '@/core/rules/game';
import { NumberSlot } from '@/ui/number-slot';

/**
 * The chance from any spot of the floor: the pointer shows it as it passes over the chart, and the figures can be typed or stepped by keys.
 * It stands beside the chart and listens to it, so that the chart itself is not drawn again.
 */
export function Probe({ chart, level, ageYears }: { chart: RefObject<HTMLDivElement | null>; level: Game; ageYears: number }) {
  const { widthM, depthM } = level.course.floor;
  const [spot, setSpot] = useState<Spot>({ xM: Math.round(widthM * 5) / 10, yM: Math.round(depthM * 5) / 10 });
  const chanceAt = useMemo(() => floorChance(level, { ageYears }), [level, ageYears]);
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
      from {slot('Looked at, metres across', Math.min(spot.xM, widthM), widthM, (xM) => setSpot({ ...spot, xM }))} m across,{' '}
      {slot('Looked at, metres down', Math.min(spot.yM, depthM), depthM, (yM) => setSpot({ ...spot, yM }))} m down: about{' '}
      <b>{Math.round(100 * chanceAt(spot))} in 100</b>
    </span>
  );
}
