'use client';
import { useState, type Dispatch } from 'react';
import { distancesOf } from '@/core/course/geometry';
import { isAimed, levelChance, solveLevel, withPlaces } from '@/core/levels/solve';
import type { OfClass } from '@/core/progress/by-family';
import type { Game } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { QuietButton } from '@/ui/button';
import { Notice } from '@/ui/notice';
import type { DraftAction } from './draft';

/** A level that did not fit a class, and where to it is to be moved. */
export interface LevelToMend {
  readonly classId: string;
  readonly levelId: string;
  readonly towards: 'easier' | 'harder';
}

/** About half of the class reaches par at a level that fits; this much of chance brings it there in one pull of one lever. Assumed. */
const BY = 0.15;

const inTen = (chance: number) => Math.round(10 * chance);
const between = (lengths: readonly number[]) =>
  lengths.length === 0 ? '' : `${Math.min(...lengths).toFixed(1)}–${Math.max(...lengths).toFixed(1)} m`;

/** The mend of a level for next week: one lever, the distance, worked out for the class as its reports show it. One press sets it, undo takes it back. */
export function MendOfLevel({
  mend: { levelId, towards },
  game,
  ageYears,
  of,
  className,
  dispatch,
}: {
  mend: LevelToMend;
  game: Game;
  ageYears: number;
  of: OfClass;
  className: string;
  dispatch: Dispatch<DraftAction>;
}) {
  const [set, setSet] = useState(false);
  const [found] = useState(() => {
    const index = game.levels.findIndex((level) => level.id === levelId);
    if (index < 0 || !isAimed(game)) return null;
    const now = levelChance(game, index, ageYears, of);
    const wanted = Math.min(0.9, Math.max(0.1, now + (towards === 'easier' ? BY : -BY)));
    const solved = solveLevel(game, index, wanted, ageYears, of);
    const mended = withPlaces(game, index, solved.places);
    return {
      name: game.levels[index]!.name,
      now,
      then: solved.chance,
      from: between(distancesOf(resolveLevel(game, index))),
      to: between(distancesOf(resolveLevel(mended, index))),
      places: solved.places,
      index,
    };
  });
  const level = game.levels.find((one) => one.id === levelId)?.name ?? 'This level';
  const was = towards === 'easier' ? 'too hard' : 'too easy';
  if (!found)
    return (
      <Notice $tone="remark">
        {level} was {was} for {className}. Nothing is aimed at in this game: change its time, its number or its rules.
      </Notice>
    );
  return (
    <Notice $tone="remark" role="status">
      {found.name} was {was} for {className}: about {inTen(found.now)} hits in 10 there, marks at {found.from}.{' '}
      {set ? (
        <b>
          The marks are at {found.to} now: about {inTen(found.then)} in 10. Undo takes it back.
        </b>
      ) : (
        <QuietButton
          onPress={() => {
            dispatch({ do: 'edit', change: (now) => withPlaces(now, found.index, found.places) });
            setSet(true);
          }}
        >
          Set the marks at {found.to}, for about {inTen(found.then)} in 10
        </QuietButton>
      )}
    </Notice>
  );
}
