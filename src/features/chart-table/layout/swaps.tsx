'use client';
import { useMemo } from 'react';
import type { CourseThing } from '@/core/course/things';
import { AIMED, nameOf } from '@/core/objects/catalogue';
import type { PlacedTarget } from '@/core/rules/format/game';
import { QuietButton } from '@/ui/button';
import type { LayoutProps } from './layout-props';
import { swapsFor, swapWords } from './model';

interface SwapsProps extends Pick<LayoutProps, 'game' | 'levelIndex' | 'ageYears' | 'dispatch' | 'onlyHere'> {
  readonly thing: CourseThing;
  readonly placed: PlacedTarget;
}

/** What else could stand there, with what that does to the chance of the level. */
export function Swaps({ game, levelIndex, ageYears, thing, placed, dispatch, onlyHere }: SwapsProps) {
  const swaps = useMemo(() => swapsFor(game, levelIndex, ageYears, thing, placed, onlyHere), [game, levelIndex, ageYears, thing, placed, onlyHere]);
  if (swaps.length === 0) return null;
  return (
    <div>
      No {nameOf(placed)}? Use a{' '}
      <span className="swaps">
        {swaps.map(({ object, game: next, by }) => (
          <QuietButton key={object} onPress={() => dispatch({ do: 'mend', game: next })}>
            {AIMED[object].name}
            {swapWords(by)}
          </QuietButton>
        ))}
      </span>
    </div>
  );
}
