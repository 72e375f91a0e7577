'use client';
/** What is picked, as figures that can be typed. */
import { withDepth, withStand } from '@/core/course/move';
import { withGround, withName } from '@/core/course/change';
import { distanceM } from '@/core/course/geometry';
import { SURFACE_NAMES } from '@/core/course/surface-names';
import { isLocked, isPinSet, listedOf, spotOf } from '@/core/course/things';
import { AIMED, outlineWidthM, shapeOf } from '@/core/objects/catalogue';
import type { FurnitureKind, Game, Patch, Place, Surface } from '@/core/rules/format/game';
import { QuietButton } from '@/ui/button';
import { InlineSelect } from '@/ui/field';
import { NumberSlot } from '@/ui/number-slot';
import { pickedWords } from '../chart-marks';
import { GroupPattern } from './group-pattern';
import type { LayoutProps } from './layout-props';
import { withApart, withoutPicked } from './model';
import { Name, Stack } from './style';
import { StandingRoom } from './standing-room';
import { Swaps } from './swaps';

const FURNITURE_KINDS: readonly { readonly value: FurnitureKind; readonly label: string }[] = [
  { value: 'soft', label: 'soft: stops a ball' },
  { value: 'hard', label: 'hard: a ball comes back' },
  { value: 'breakable', label: 'it breaks' },
  { value: 'wall', label: 'a piece of wall' },
];
const SURFACES = (Object.keys(SURFACE_NAMES) as Surface[]).map((value) => ({ value, label: SURFACE_NAMES[value] }));

export function PickedFigures({ game, level, levelIndex, ageYears, forecast, picked, onPick, dispatch, onlyHere, readOnly }: LayoutProps) {
  const thing = picked[0]!;
  const listed = listedOf(level.course, thing);
  const spot = spotOf(level.course, thing);
  if (!listed || !spot || readOnly) return <h3>{pickedWords(level, picked)}</h3>;
  const put = (next: Game) => dispatch({ do: 'mend', game: next });
  const placed = 'object' in listed ? listed : null;
  const single = picked.length === 1;
  const two = picked.length === 2 ? spotOf(level.course, picked[1]!) : undefined;
  return (
    <Stack>
      <h3>{pickedWords(level, picked)}</h3>
      {two && (
        <div className="figures">
          They are{' '}
          <NumberSlot
            label="Metres between the two that are picked"
            value={distanceM(spot, two)}
            min={0.02}
            max={30}
            step={0.1}
            decimals={2}
            onChange={(value) => put(withApart(game, levelIndex, picked, value, onlyHere))}
          />{' '}
          m apart.
        </div>
      )}
      {single && placed && (
        <>
          <div className="figures">
            <NumberSlot
              label="Centimetres wide"
              value={Math.round(100 * outlineWidthM(shapeOf(placed)))}
              min={placed.own ? 5 : Math.round(100 * AIMED[placed.object].sizeM[0])}
              max={placed.own ? 300 : Math.round(100 * AIMED[placed.object].sizeM[1])}
              step={1}
              onChange={(value) => dispatch({ do: 'set-width', level: levelIndex, thing, widthM: value / 100, onlyHere })}
            />{' '}
            cm wide, on something{' '}
            <NumberSlot
              label="Centimetres that it stands above the floor"
              value={Math.round(placed.standM * 100)}
              min={0}
              max={200}
              step={5}
              onChange={(value) => put(withStand(game, levelIndex, thing, value / 100))}
            />{' '}
            cm high
          </div>
          <Swaps {...{ game, levelIndex, ageYears, thing, placed, dispatch, onlyHere }} />
          {AIMED[placed.object].caution && <small>{AIMED[placed.object].caution}</small>}
        </>
      )}
      {single && (thing.kind === 'furniture' || thing.kind === 'patch') && 'depthM' in listed && !placed && (
        <div className="figures">
          <NumberSlot
            label="Metres wide"
            value={(listed as Patch).widthM}
            min={0.1}
            max={30}
            step={0.1}
            decimals={2}
            onChange={(value) => dispatch({ do: 'set-width', level: levelIndex, thing, widthM: value })}
          />{' '}
          by{' '}
          <NumberSlot
            label="Metres deep"
            value={(listed as Patch).depthM}
            min={0.02}
            max={30}
            step={0.1}
            decimals={2}
            onChange={(value) => put(withDepth(game, levelIndex, thing, value))}
          />{' '}
          m
          {thing.kind === 'furniture' ? (
            <InlineSelect
              label="What kind of thing it is"
              value={('kind' in listed && listed.kind) || 'hard'}
              choices={FURNITURE_KINDS}
              onChange={(kind) => put(withGround(game, levelIndex, thing, kind))}
            />
          ) : (
            <InlineSelect
              label="What ground it is"
              value={(listed as Patch).surface}
              choices={SURFACES}
              onChange={(kind) => put(withGround(game, levelIndex, thing, kind))}
            />
          )}
        </div>
      )}
      {single && 'name' in listed && (
        <NameSlot key={listed.name} name={listed.name} onName={(name) => put(withName(game, levelIndex, thing, name))} />
      )}
      {single && thing.kind === 'zone' && 'radiusM' in listed && (
        <div className="figures">
          <NumberSlot
            label="Metres across"
            value={listed.radiusM * 2}
            min={0.1}
            max={20}
            step={0.1}
            decimals={2}
            onChange={(value) => dispatch({ do: 'set-width', level: levelIndex, thing, widthM: value })}
          />{' '}
          m across
        </div>
      )}
      {single && thing.kind === 'place' && <StandingRoom {...{ game, levelIndex, thing, place: listed as Place, forecast, dispatch }} />}
      {single && (thing.kind === 'place' || thing.kind === 'target') && <GroupPattern {...{ game, level, levelIndex, thing, dispatch, onPick }} />}
      <div className="swaps">
        <QuietButton
          isDisabled={picked.every((one) => isLocked(level.course, one))}
          onPress={() => {
            put(withoutPicked(game, level, picked));
            onPick([]);
          }}
        >
          Take away
        </QuietButton>
        {thing.kind === 'target' && isPinSet(level, thing.group) && <small>Pins move as a set; a double click or Enter takes one alone.</small>}
      </div>
    </Stack>
  );
}

function NameSlot({ name, onName }: { name: string; onName: (name: string) => void }) {
  return (
    <label>
      called{' '}
      <Name
        defaultValue={name}
        maxLength={30}
        size={Math.max(8, name.length)}
        onBlur={(event) => event.target.value !== name && onName(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
      />
    </label>
  );
}
