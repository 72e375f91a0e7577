'use client';
import { useMemo, type Dispatch } from 'react';
import styled from 'styled-components';
import { clearLineM, sideBySide } from '@/core/course/small-space';
import { FLOORS, LARGE_HOME_M, onFloor, SMALL_HOME_M, STARTING_FLOORS, type FloorId } from '@/core/course/floors';
import { SURFACE_NAMES } from '@/core/course/surface-names';
import { equalSetUp, isAimed } from '@/core/levels/solve';
import { GROUND } from '@/core/motion/assumed';
import { rolledMu } from '@/core/motion/ground';
import { AIMED, IMPLEMENTS } from '@/core/objects/catalogue';
import type { Floor } from '@/core/rules/format/course-format';
import type { FloorSide, Game, Surface } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { QuietButton } from '@/ui/button';
import { InlineSelect } from '@/ui/field';
import { Menu } from '@/ui/menu';
import { Notice } from '@/ui/notice';
import { NumberSlot } from '@/ui/number-slot';
import type { DraftAction } from './draft';

/** Whether anything is rolled or kicked along the floor. */
const rolls = (game: Game) => game.parts.some(({ stages }) => stages.some(({ technique }) => technique in GROUND));

const Stack = styled.div`
  display: flex;
  flex-direction: column;
  gap: var(--space-5);
  font-size: var(--type-2);
  & h3 {
    font-size: var(--type-3);
    margin-bottom: var(--space-2);
  }
  & fieldset {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-1) var(--space-6);
    margin: 0;
    padding: 0;
    border: 0;
  }
  & legend {
    padding: 0;
    color: var(--ink-soft);
    font-size: var(--type-1);
  }
  & label {
    display: inline-flex;
    align-items: center;
    gap: var(--space-3);
    min-height: 26px;
  }
`;

const SIDES: readonly { readonly side: FloorSide; readonly words: string }[] = [
  { side: 'top', words: 'far' },
  { side: 'right', words: 'right' },
  { side: 'bottom', words: 'near' },
  { side: 'left', words: 'left' },
];

export interface FloorLeafProps {
  readonly game: Game;
  readonly levelIndex: number;
  readonly ageYears: number;
  readonly dispatch: Dispatch<DraftAction>;
  readonly readOnly: boolean;
}

/** The floor itself: where to start from, how large, what ground, which sides are open; and how the design does in other homes. */
export function FloorLeaf({ game, levelIndex, ageYears, dispatch, readOnly }: FloorLeafProps) {
  const { floor, open = [] } = game.course;
  const put = (next: Game) => dispatch({ do: 'mend', game: next });
  const changed = (course: Partial<Game['course']>) => put({ ...game, course: { ...game.course, ...course } });
  if (readOnly)
    return (
      <Stack>
        A floor of {floor.widthM} by {floor.depthM} m, {floor.surface}.
      </Stack>
    );
  return (
    <Stack>
      <div>
        <Menu
          label="Start from a floor of the list"
          groups={[
            {
              acts: FLOORS.map((id: FloorId) => ({
                id,
                label: STARTING_FLOORS[id].name,
                says: `${STARTING_FLOORS[id].floor.widthM} × ${STARTING_FLOORS[id].floor.depthM} m, ${STARTING_FLOORS[id].floor.surface}`,
                act: () => put(onFloor(game, id)),
              })),
            },
          ]}
        >
          Start from a floor
        </Menu>{' '}
        <small>What you play with moves on to it as it stands.</small>
      </div>
      <div>
        <NumberSlot
          label="The floor, metres wide"
          value={floor.widthM}
          min={1.5}
          max={30}
          step={0.1}
          decimals={2}
          onChange={(widthM) => dispatch({ do: 'floor', widthM, depthM: floor.depthM })}
        />{' '}
        by{' '}
        <NumberSlot
          label="The floor, metres deep"
          value={floor.depthM}
          min={1}
          max={30}
          step={0.1}
          decimals={2}
          onChange={(depthM) => dispatch({ do: 'floor', widthM: floor.widthM, depthM })}
        />{' '}
        m of{' '}
        <InlineSelect<Surface>
          label="Ground of the floor"
          value={floor.surface}
          choices={(Object.keys(SURFACE_NAMES) as Surface[]).map((value) => ({ value, label: SURFACE_NAMES[value] }))}
          onChange={(surface) => changed({ floor: { ...floor, surface } })}
        />
      </div>
      {rolls(game) && <RolledOff game={game} onFloor={(next) => changed({ floor: next })} />}
      <fieldset>
        <legend>Sides without a wall</legend>
        {SIDES.map(({ side, words }) => (
          <label key={side}>
            <input
              type="checkbox"
              checked={open.includes(side)}
              onChange={(event) => changed({ open: event.target.checked ? [...open, side] : open.filter((one) => one !== side) })}
            />
            {words}
          </label>
        ))}
      </fieldset>
      <Homes game={game} levelIndex={levelIndex} ageYears={ageYears} dispatch={dispatch} />
    </Stack>
  );
}

const CHANCE_TOLD = (chance: number) => `${Math.round(chance * 10)} in 10`;

/** How the level that is shown does in a small home and in a large one. */
function Homes({ game, levelIndex, ageYears, dispatch }: Omit<FloorLeafProps, 'readOnly'>) {
  const level = useMemo(() => resolveLevel(game, levelIndex), [game, levelIndex]);
  const homes = useMemo(() => {
    if (!isAimed(game)) return [];
    const first = Object.values(level.course.targets).flat()[0];
    const have = first ? AIMED[first.object].substitutes : [];
    return [
      { name: 'a small home', clearM: SMALL_HOME_M },
      { name: 'a large home', clearM: LARGE_HOME_M },
    ].map((home) => ({ ...home, set: equalSetUp(level, { ageYears }, { have, clearM: home.clearM }) }));
  }, [game, level, ageYears]);
  const needs = clearLineM(level);
  const { name } = game.levels[levelIndex]!;
  if (needs === 0) return <p>Nothing is aimed at: it can be played wherever there is a clear floor of that size.</p>;
  return (
    <div>
      <h3>{name} in other homes</h3>
      <p>It needs a clear line of {needs.toFixed(1)} m.</p>
      {homes.map(({ name: home, clearM, set }) => {
        if (needs <= clearM || !set)
          return (
            <Notice key={home} $tone="remark">
              {home.charAt(0).toUpperCase() + home.slice(1)} ({clearM} m) has room for it as it is.
            </Notice>
          );
        const far = Math.max(...set.places.map((place) => place.lengthM));
        const mean = set.places.reduce((sum, place) => sum + place.chance, 0) / set.places.length;
        const design = set.places.reduce((sum, place) => sum + place.designChance, 0) / set.places.length;
        return (
          <Notice key={home} $tone={set.equal ? 'remark' : 'open'}>
            {home.charAt(0).toUpperCase() + home.slice(1)} ({clearM} m):{' '}
            {set.equal
              ? `equal with a ${AIMED[set.object].name} from up to ${far.toFixed(1)} m.`
              : `cannot be made equal; at best ${CHANCE_TOLD(mean)} in place of ${CHANCE_TOLD(design)}, with a ${AIMED[set.object].name}.`}{' '}
            {!set.equal && (
              <QuietButton onPress={() => dispatch({ do: 'mend', game: sideBySide(game, levelIndex, clearM) })}>
                Put the marks side by side
              </QuietButton>
            )}
          </Notice>
        );
      })}
      {needs > SMALL_HOME_M && homes.every(({ set }) => set?.equal !== false) && (
        <QuietButton onPress={() => dispatch({ do: 'mend', game: sideBySide(game, levelIndex, SMALL_HOME_M) })}>
          Put the marks side by side in {SMALL_HOME_M} m
        </QuietButton>
      )}
    </div>
  );
}

/** Where nobody has tried yet: a book of 3 cm, and as far as a firm ball rolls from it on a hard floor. */
const FIRST_TRY = { heightM: 0.03, lengthM: 0.8 } as const;

/** How this floor rolls, by a ball that was let roll off a book: instead of what is assumed for its ground. */
function RolledOff({ game, onFloor }: { game: Game; onFloor: (floor: Floor) => void }) {
  const { floor } = game.course;
  const { rolled } = floor;
  const ball = IMPLEMENTS[game.kit.implement];
  if (!rolled || rolled.implement !== game.kit.implement)
    return (
      <div>
        How it rolls is assumed for {SURFACE_NAMES[floor.surface]}.{' '}
        <QuietButton onPress={() => onFloor({ ...floor, rolled: { implement: game.kit.implement, ...FIRST_TRY } })}>
          Measure it with a book
        </QuietButton>
      </div>
    );
  const { rolled: _measured, ...assumed } = floor;
  return (
    <div>
      A {ball.name} let roll off a book{' '}
      <NumberSlot
        label="Height of the book, centimetres"
        value={Math.round(1000 * rolled.heightM) / 10}
        min={0.5}
        max={50}
        step={0.5}
        decimals={1}
        onChange={(value) => onFloor({ ...floor, rolled: { ...rolled, heightM: value / 100 } })}
      />{' '}
      cm high stops after{' '}
      <NumberSlot
        label="How far the ball rolled, centimetres"
        value={Math.round(100 * rolled.lengthM)}
        min={10}
        max={3000}
        step={5}
        onChange={(value) => onFloor({ ...floor, rolled: { ...rolled, lengthM: value / 100 } })}
      />{' '}
      cm: µ {rolledMu(rolled, ball).toFixed(3)}. <QuietButton onPress={() => onFloor(assumed)}>Take what is assumed</QuietButton>
    </div>
  );
}
