'use client';
import { memo, useMemo, type Dispatch } from 'react';
import styled from 'styled-components';
import { Lock } from 'lucide-react';
import { withGround, withLocked, withName, withObject, withPattern, withRemoved } from '@/core/course/change';
import { distanceM } from '@/core/course/geometry';
import { SURFACE_NAMES } from '@/core/course/surface-names';
import { thingWords } from '@/core/course/thing-words';
import { withDepth, withStand, withThingAt } from '@/core/course/move';
import { countsOf, patternOf, PATTERN_WORDS, PATTERNS, type PatternKind } from '@/core/course/patterns';
import { groundOf, isLocked, isPinSet, keyOf, listAt, listedOf, pointerOf, spotOf, thingsOf, type CourseThing } from '@/core/course/things';
import { levelChance } from '@/core/levels/solve';
import { AIMED, nameOf, outlineWidthM, shapeOf } from '@/core/objects/catalogue';
import type { FurnitureKind, Game, Patch, PlacedTarget, Spot, Surface } from '@/core/rules/game';
import { QuietButton } from '@/ui/button';
import { InlineSelect } from '@/ui/field';
import { NumberSlot } from '@/ui/number-slot';
import type { Picked } from './chart';
import { pickedWords } from './chart-marks';
import type { DraftAction } from './draft';

const Stack = styled.div`
  display: flex;
  flex-direction: column;
  gap: 10px;
  font-size: 0.9375rem;
  & h3 {
    font-size: 1rem;
  }
  & .figures {
    line-height: 1.9;
  }
  & .swaps {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 14px;
  }
`;

const List = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-size: 0.875rem;
  & th {
    text-align: left;
    font-weight: 600;
    color: var(--ink-soft);
    padding: 2px 4px 3px 0;
    border-bottom: 1px solid var(--ink);
  }
  & td {
    padding: 2px 4px 2px 0;
    border-bottom: 1px solid var(--line);
    white-space: nowrap;
  }
  & tr[data-on='true'] td {
    background: var(--sheet);
    font-weight: 600;
  }
  & td:first-child {
    white-space: normal;
  }
`;

export interface LayoutLeafProps {
  readonly game: Game;
  readonly level: Game;
  readonly levelIndex: number;
  readonly ageYears: number;
  readonly picked: Picked;
  readonly onPick: (picked: Picked) => void;
  readonly dispatch: Dispatch<DraftAction>;
  readonly onlyHere: boolean;
  readonly readOnly: boolean;
}

/** What is picked as figures, and everything that stands on the floor as a list: the same layout for the keyboard and for exact typing. */
export function LayoutLeaf(props: LayoutLeafProps) {
  const { level, picked } = props;
  const things = [...thingsOf(level), ...groundOf(level)];
  return (
    <Stack>
      {picked.length > 0 ? <PickedFigures {...props} /> : <p>Pick something on the floor, or put something down from the cupboard.</p>}
      {things.length > 0 && (
        <List aria-label="Everything on the floor">
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
            {things.map((thing) => {
              const spot = spotOf(level.course, thing)!;
              const listed = listedOf(level.course, thing)!;
              return (
                <ThingRow
                  key={keyOf(thing)}
                  id={JSON.stringify(thing)}
                  words={thingWords(level, thing)}
                  xM={spot.xM}
                  yM={spot.yM}
                  turn={'turnRad' in listed ? Math.round((listed.turnRad * 180) / Math.PI) : null}
                  locked={isLocked(level.course, thing)}
                  on={picked.some((one) => keyOf(one) === keyOf(thing))}
                  levelIndex={props.levelIndex}
                  onlyHere={props.onlyHere}
                  dispatch={props.dispatch}
                  onPick={props.onPick}
                  readOnly={props.readOnly}
                />
              );
            })}
          </tbody>
        </List>
      )}
    </Stack>
  );
}

interface ThingRowProps extends Pick<LayoutLeafProps, 'levelIndex' | 'dispatch' | 'onPick' | 'readOnly' | 'onlyHere'> {
  /** The thing, written down. */
  readonly id: string;
  readonly words: string;
  readonly xM: number;
  readonly yM: number;
  readonly turn: number | null;
  readonly locked: boolean;
  readonly on: boolean;
}

const ThingRow = memo(function ThingRow({ id, words, xM, yM, turn, locked, on, levelIndex, onlyHere, dispatch, onPick, readOnly }: ThingRowProps) {
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
                  dispatch({ do: 'turn', level: levelIndex, things: [thing], byRad: ((value - turn) * Math.PI) / 180, alone: true, onlyHere })
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

const FURNITURE_KINDS: readonly { readonly value: FurnitureKind; readonly label: string }[] = [
  { value: 'soft', label: 'soft: stops a ball' },
  { value: 'hard', label: 'hard: a ball comes back' },
  { value: 'breakable', label: 'it breaks' },
  { value: 'wall', label: 'a piece of wall' },
];
const SURFACES = (Object.keys(SURFACE_NAMES) as Surface[]).map((value) => ({ value, label: SURFACE_NAMES[value] }));

function PickedFigures({ game, level, levelIndex, ageYears, picked, onPick, dispatch, onlyHere, readOnly }: LayoutLeafProps) {
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
            onChange={(value) => {
              const now = Math.max(0.001, distanceM(spot, two));
              const to = { xM: spot.xM + ((two.xM - spot.xM) * value) / now, yM: spot.yM + ((two.yM - spot.yM) * value) / now };
              put(withThingAt(game, levelIndex, picked[1]!, to, { alone: true, onlyHere }));
            }}
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
      {single && (thing.kind === 'place' || thing.kind === 'target') && <GroupPattern {...{ game, level, levelIndex, thing, dispatch, onPick }} />}
      <div className="swaps">
        <QuietButton
          isDisabled={picked.every((one) => isLocked(level.course, one))}
          onPress={() => {
            put(
              withRemoved(
                game,
                picked.filter((one) => !isLocked(level.course, one)),
              ),
            );
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
      <input
        defaultValue={name}
        maxLength={30}
        size={Math.max(8, name.length)}
        style={{ border: 0, borderBottom: '2px solid var(--gorse)', background: 'transparent', fontWeight: 700 }}
        onBlur={(event) => event.target.value !== name && onName(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
      />
    </label>
  );
}

/** What else could stand there, with what that does to the chance of the level. */
function Swaps({
  game,
  levelIndex,
  ageYears,
  thing,
  placed,
  dispatch,
  onlyHere,
}: Pick<LayoutLeafProps, 'game' | 'levelIndex' | 'ageYears' | 'dispatch' | 'onlyHere'> & { thing: CourseThing; placed: PlacedTarget }) {
  const swaps = useMemo(() => {
    const all =
      thing.kind === 'target' && isPinSet(game, thing.group)
        ? listAt(game.course, pointerOf(thing)).map((_, index) => ({ ...thing, index }))
        : [thing];
    const now = thing.kind === 'target' ? levelChance(game, levelIndex, ageYears) : 0;
    return AIMED[placed.object].substitutes.map((object) => {
      const next = withObject(game, levelIndex, all, object, undefined, onlyHere);
      return { object, next, by: now > 0 ? levelChance(next, levelIndex, ageYears) - now : null };
    });
  }, [game, levelIndex, ageYears, thing, placed.object, onlyHere]);
  if (swaps.length === 0) return null;
  return (
    <div>
      No {nameOf(placed)}? Use a{' '}
      <span className="swaps" style={{ display: 'inline-flex' }}>
        {swaps.map(({ object, next, by }) => (
          <QuietButton key={object} onPress={() => dispatch({ do: 'mend', game: next })}>
            {AIMED[object].name}
            {by !== null && Math.abs(by) >= 0.005 && ` (${by > 0 ? '+' : '−'}${Math.abs(Math.round(by * 100))} in 100)`}
          </QuietButton>
        ))}
      </span>
    </div>
  );
}

/** The pattern in which a group lies: another one, more or fewer, wider apart, turned. */
function GroupPattern({
  game,
  level,
  levelIndex,
  thing,
  dispatch,
  onPick,
}: Pick<LayoutLeafProps, 'game' | 'level' | 'levelIndex' | 'dispatch' | 'onPick'> & { thing: Extract<CourseThing, { group: string }> }) {
  const kind = thing.kind as 'place' | 'target';
  const list = listAt(level.course, pointerOf(thing)) as readonly Spot[];
  const found = patternOf(list);
  const free = found === null;
  const now = found ?? { kind: 'scatter' as const, n: list.length, spacingM: 0.4, turnRad: 0, middle: middle(list) };
  const lay = (change: Partial<typeof now>) => {
    const wanted = { ...now, ...change };
    const [least, most] = countsOf(wanted.kind);
    const spacing = wanted.spacingM || 0.4;
    dispatch({
      do: 'mend',
      game: withPattern(game, levelIndex, kind, thing.group, { ...wanted, n: Math.min(most, Math.max(least, wanted.n)), spacingM: spacing }),
    });
    onPick([{ ...thing, index: 0 }]);
  };
  const choices = [
    ...(free ? [{ value: 'free' as const, label: 'freely' }] : []),
    ...PATTERNS.filter((one) => one !== 'ladder' || kind === 'place').map((one) => ({ value: one, label: PATTERN_WORDS[one] })),
  ];
  return (
    <div className="figures">
      {list.length > 1 ? `All ${list.length} stand` : 'It stands'}{' '}
      <InlineSelect<PatternKind | 'free'>
        label="Pattern of the group"
        value={free ? 'free' : now.kind}
        choices={choices}
        onChange={(value) => value !== 'free' && lay({ kind: value, n: value === 'single' ? 1 : Math.max(2, now.n) })}
      />
      {', '}
      <NumberSlot
        label="How many of the group"
        value={list.length}
        min={1}
        max={30}
        step={1}
        onChange={(n) => lay(n === 1 ? { kind: 'single', n } : { n, ...(now.kind === 'single' && { kind: 'row' as const }) })}
      />{' '}
      of them
      {list.length > 1 && !free && (
        <>
          ,{' '}
          <NumberSlot
            label="Metres between neighbours"
            value={now.spacingM}
            min={0.05}
            max={5}
            step={0.05}
            decimals={2}
            onChange={(spacingM) => lay({ spacingM })}
          />{' '}
          m apart, turned{' '}
          <NumberSlot
            label="Pattern turned by degrees"
            value={Math.round((now.turnRad * 180) / Math.PI)}
            min={-180}
            max={180}
            step={15}
            onChange={(degrees) => lay({ turnRad: (degrees * Math.PI) / 180 })}
          />
          °
        </>
      )}
    </div>
  );
}

function middle(list: readonly Spot[]): Spot {
  return { xM: list.reduce((sum, spot) => sum + spot.xM, 0) / list.length, yM: list.reduce((sum, spot) => sum + spot.yM, 0) / list.length };
}
