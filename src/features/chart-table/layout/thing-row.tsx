'use client';
/** One thing of the floor as a line of figures. */
import { memo } from 'react';
import { withLocked } from '@/core/course/change';
import type { CourseThing } from '@/core/course/things';
import type { Spot } from '@/core/rules/format/game';
import { QuietButton } from '@/ui/button';
import { NumberSlot } from '@/ui/number-slot';
import type { LayoutProps } from './layout-props';
import { toRadians } from '@/core/measure/angles';

interface ThingRowProps extends Pick<LayoutProps, 'levelIndex' | 'dispatch' | 'onPick' | 'readOnly' | 'onlyHere'> {
  /** The thing, written down. */
  readonly id: string;
  readonly words: string;
  readonly xM: number;
  readonly yM: number;
  readonly turn: number | null;
  readonly locked: boolean;
  readonly on: boolean;
}

export const ThingRow = memo(function ThingRow({
  id,
  words,
  xM,
  yM,
  turn,
  locked,
  on,
  levelIndex,
  onlyHere,
  dispatch,
  onPick,
  readOnly,
}: ThingRowProps) {
  const thing = JSON.parse(id) as CourseThing;
  const move = (to: Spot) => dispatch({ do: 'move', level: levelIndex, thing, to, alone: true, onlyHere });
  return (
    <tr data-on={on}>
      <td>
        <QuietButton onPress={() => onPick([thing])} aria-pressed={on}>
          {words}
        </QuietButton>
      </td>
      {readOnly ? (
        <>
          <td>{xM.toFixed(2)}</td>
          <td>{yM.toFixed(2)}</td>
          <td>{turn === null ? '' : `${turn}°`}</td>
          <td />
        </>
      ) : (
        <>
          <td>
            <NumberSlot
              label={`${words}, metres across`}
              value={xM}
              min={0}
              max={60}
              step={0.1}
              decimals={2}
              onChange={(value) => move({ xM: value, yM })}
            />
          </td>
          <td>
            <NumberSlot
              label={`${words}, metres down`}
              value={yM}
              min={0}
              max={60}
              step={0.1}
              decimals={2}
              onChange={(value) => move({ xM, yM: value })}
            />
          </td>
          <td>
            {turn !== null && (
              <NumberSlot
                label={`${words}, turned by degrees`}
                value={turn}
                min={-180}
                max={180}
                step={15}
                onChange={(value) =>
                  dispatch({ do: 'turn', level: levelIndex, things: [thing], byRad: toRadians(value - turn), alone: true, onlyHere })
                }
              />
            )}
          </td>
          <td>
            {thing.kind !== 'door' && (
              <input
                type="checkbox"
                aria-label={`${words} is locked`}
                checked={locked}
                onChange={({ target: { checked } }) => dispatch({ do: 'edit', change: (game) => withLocked(game, levelIndex, [thing], checked) })}
              />
            )}
          </td>
        </>
      )}
    </tr>
  );
});
