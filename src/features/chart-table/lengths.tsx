'use client';
import type { Dispatch } from 'react';
import type { RunPastFrom } from '@/core/course/flights';
import { placeDistance } from '@/core/course/move';
import { spotOf } from '@/core/course/things';
import type { Game, Spot } from '@/core/rules/format/game';
import { NumberSlot } from '@/ui/number-slot';
import type { Picked } from './chart';
import { pickedWords } from './chart-marks';
import type { DraftAction } from './draft';

interface LengthsProps {
  readonly level: Game;
  readonly past: RunPastFrom | null;
  readonly levelIndex: number;
  readonly picked: Picked;
  readonly dispatch: Dispatch<DraftAction>;
  readonly readOnly: boolean;
}

/** How large the floor is, and where the thing that is picked stands, as figures to type. */
export function Lengths({ level, levelIndex, past, picked, dispatch, readOnly }: LengthsProps) {
  if (readOnly) return <span />;
  const { course } = level;
  const { widthM, depthM } = course.floor;
  const metres = (label: string, value: number, least: number, max: number, onChange: (value: number) => void) => (
    <NumberSlot label={label} value={value} min={least} max={max} step={0.1} decimals={2} onChange={onChange} />
  );
  const [main] = picked;
  const spot = main && spotOf(course, main);
  const length = main?.kind === 'place' ? placeDistance(level, main.group, main.index) : undefined;
  const move = (to: Spot) => dispatch({ do: 'move', level: levelIndex, thing: main!, with: picked, to });
  return (
    <span>
      floor {metres('Floor, metres wide', widthM, 1.5, 30, (value) => dispatch({ do: 'floor', widthM: value, depthM }))} by{' '}
      {metres('Floor, metres deep', depthM, 1, 30, (value) => dispatch({ do: 'floor', widthM, depthM: value }))} m
      {main && spot && (
        <>
          {' '}
          · {pickedWords(level, picked)}{' '}
          {main.kind === 'place' && length !== undefined && (
            <>
              {metres('Picked mark, metres from what it looks towards', length, 0.3, 30, (distanceM) =>
                dispatch({ do: 'set-distance', level: levelIndex, group: main.group, mark: main.index, distanceM }),
              )}{' '}
              m off,{' '}
            </>
          )}
          {metres('Picked thing, metres from the left wall', spot.xM, 0, widthM, (xM) => move({ xM, yM: spot.yM }))} across,{' '}
          {metres('Picked thing, metres from the back wall', spot.yM, 0, depthM, (yM) => move({ xM: spot.xM, yM }))} down
          {past && <>, may run {past.pastM.toFixed(1)} m past</>}
        </>
      )}
    </span>
  );
}
