'use client';
import type { PatternKind } from '@/core/course/patterns';
import { listAt, pointerOf, type CourseThing } from '@/core/course/things';
import type { Spot } from '@/core/rules/format/game';
import { InlineSelect } from '@/ui/field';
import { NumberSlot } from '@/ui/number-slot';
import type { LayoutProps } from './layout-props';
import { asMany, asPattern, groupLaid, patternChoices, wholeDegrees, withGroupLaid, type GroupLaid } from './model';
import { toRadians } from '@/core/measure/angles';

/** The pattern in which a group lies: another one, more or fewer, wider apart, turned. */
export function GroupPattern({
  game,
  level,
  levelIndex,
  thing,
  dispatch,
  onPick,
}: Pick<LayoutProps, 'game' | 'level' | 'levelIndex' | 'dispatch' | 'onPick'> & { thing: Extract<CourseThing, { group: string }> }) {
  const list = listAt(level.course, pointerOf(thing)) as readonly Spot[];
  const { laid, free } = groupLaid(list);
  const lay = (next: GroupLaid) => {
    dispatch({ do: 'mend', game: withGroupLaid(game, levelIndex, thing, next) });
    onPick([{ ...thing, index: 0 }]);
  };
  return (
    <div className="figures">
      {list.length > 1 ? `All ${list.length} stand` : 'It stands'}{' '}
      <InlineSelect<PatternKind | 'free'>
        label="Pattern of the group"
        value={free ? 'free' : laid.kind}
        choices={patternChoices(thing.kind, free)}
        onChange={(value) => value !== 'free' && lay(asPattern(laid, value))}
      />
      {', '}
      <NumberSlot label="How many of the group" value={list.length} min={1} max={30} step={1} onChange={(n) => lay(asMany(laid, n))} /> of them
      {list.length > 1 && !free && (
        <>
          ,{' '}
          <NumberSlot
            label="Metres between neighbours"
            value={laid.spacingM}
            min={0.05}
            max={5}
            step={0.05}
            decimals={2}
            onChange={(spacingM) => lay({ ...laid, spacingM })}
          />{' '}
          m apart, turned{' '}
          <NumberSlot
            label="Pattern turned by degrees"
            value={wholeDegrees(laid.turnRad)}
            min={-180}
            max={180}
            step={15}
            onChange={(turned) => lay({ ...laid, turnRad: toRadians(turned) })}
          />
          °
        </>
      )}
    </div>
  );
}
