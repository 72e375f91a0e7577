'use client';
import { withBox } from '@/core/course/move';
import type { CourseThing } from '@/core/course/things';
import type { LevelForecast } from '@/core/forecast/forecast-level';
import { hitsInHundred } from '@/core/forecast/words';
import { BOX_M } from '@/core/rules/format/box';
import type { Place } from '@/core/rules/format/game';
import { InlineSelect } from '@/ui/field';
import { NumberSlot } from '@/ui/number-slot';
import type { LayoutProps } from './layout-props';

/** A box as it begins, metres. */
const FIRST_BOX = { widthM: 1, depthM: 1 };

/** Whether a place is one point or a box to stand anywhere in; of a box its size, and the chance from its nearest and farthest point. */
export function StandingRoom({
  game,
  levelIndex,
  thing,
  place,
  forecast,
  dispatch,
}: Pick<LayoutProps, 'game' | 'levelIndex' | 'dispatch'> & {
  readonly thing: Extract<CourseThing, { group: string }>;
  readonly place: Place;
  readonly forecast: LevelForecast | null;
}) {
  const { box } = place;
  const put = (next: Place['box'] | null) => dispatch({ do: 'mend', game: withBox(game, levelIndex, thing, next ?? null) });
  const side = (label: string, value: number, onChange: (value: number) => void) => (
    <NumberSlot label={label} value={value} min={BOX_M[0]} max={BOX_M[1]} step={0.1} decimals={2} onChange={onChange} />
  );
  const chance = forecast?.places.find((one) => one.group === thing.group && one.index === thing.index);
  return (
    <div className="figures">
      To stand{' '}
      <InlineSelect<'point' | 'box'>
        label="Where a child may stand"
        value={box ? 'box' : 'point'}
        choices={[
          { value: 'point', label: 'at one point' },
          { value: 'box', label: 'anywhere in a box' },
        ]}
        onChange={(value) => put(value === 'box' ? FIRST_BOX : null)}
      />
      {box && (
        <>
          {' '}
          of {side('Metres across the box', box.widthM, (widthM) => put({ ...box, widthM }))} by{' '}
          {side('Metres down the box', box.depthM, (depthM) => put({ ...box, depthM }))} m{chance?.ends && <small>: {hitsInHundred(chance)}</small>}
        </>
      )}
    </div>
  );
}
