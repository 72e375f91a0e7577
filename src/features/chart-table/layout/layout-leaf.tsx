'use client';
import { Lock } from 'lucide-react';
import { keyOf } from '@/core/course/things';
import type { LayoutProps } from './layout-props';
import { floorRows } from './model';
import { PickedFigures } from './picked-figures';
import { FloorTable, Stack } from './style';
import { ThingRow } from './thing-row';

/** What is picked as figures, and everything that stands on the floor as a list: the same layout for the keyboard and for exact typing. */
export function LayoutLeaf(props: LayoutProps) {
  const { level, picked } = props;
  const rows = floorRows(level, picked);
  return (
    <Stack>
      {picked.length > 0 ? <PickedFigures {...props} /> : <p>Pick something on the floor, or put something down from the cupboard.</p>}
      {rows.length > 0 && (
        <FloorTable aria-label="Everything on the floor">
          <thead>
            <tr>
              <th>what</th>
              <th>across</th>
              <th>down</th>
              <th>turned</th>
              <th>
                <Lock size={13} role="img" aria-label="locked" />
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ thing, words, xM, yM, turn, locked, picked: on }) => (
              <ThingRow
                key={keyOf(thing)}
                id={JSON.stringify(thing)}
                words={words}
                xM={xM}
                yM={yM}
                turn={turn}
                locked={locked}
                on={on}
                levelIndex={props.levelIndex}
                onlyHere={props.onlyHere}
                dispatch={props.dispatch}
                onPick={props.onPick}
                readOnly={props.readOnly}
              />
            ))}
          </tbody>
        </FloorTable>
      )}
    </Stack>
  );
}
