'use client';
import type { Dispatch } from 'react';
import { Toolbar } from 'react-aria-components';
import { medium } from '@/design/breakpoints';
import styled from 'styled-components';
import { Archive, CopyPlus, Link2, Lock, LockOpen, RotateCcw, RotateCw, Ruler, Trash2, Unlink2 } from 'lucide-react';
import { withDuplicated, withLocked, withRemoved, withTied } from '@/core/course/change';
import { isLocked, listedOf, tieOf, type CourseThing } from '@/core/course/things';
import { SNAPS, type Snap } from '@/core/course/snap';
import type { Game } from '@/core/rules/format/game';
import { Button } from '@/ui/button';
import { Select } from '@/ui/field';
import { Menu, type MenuGroup } from '@/ui/menu';
import type { Picked } from './chart';
import type { DraftAction } from './draft';
import { toRadians } from '@/core/measure/angles';

const Bar = styled(Toolbar)`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-3);
  min-height: 36px;
  margin-bottom: var(--space-2);
  & button {
    min-height: 30px;
  }
  & .gap {
    flex: 1;
  }
  & .snap {
    display: flex;
    align-items: center;
    gap: var(--space-3);
    font-size: var(--type-1);
    color: var(--ink-soft);
    white-space: nowrap;
  }
  @media ${medium} {
    & .snap > span {
      display: none;
    }
  }
  & .snap button {
    min-height: 30px;
    padding: var(--space-1) var(--space-4);
    font-size: var(--type-1);
    color: var(--ink);
  }
`;

const Tool = styled(Button)`
  min-height: 30px;
  padding: 0 var(--space-4);
  font-weight: 400;
  font-size: var(--type-2);
  &[aria-pressed='true'] {
    box-shadow: inset 0 -3px 0 var(--gorse);
  }
`;

const SNAP_WORDS: Readonly<Record<Snap, string>> = { ten: '10 cm', steps: "the child's half steps", things: 'other things', free: 'nothing' };

export interface ChartToolsProps {
  readonly level: Game;
  readonly levelIndex: number;
  readonly levelName: string;
  readonly picked: Picked;
  readonly acts: Acts;
  readonly dispatch: Dispatch<DraftAction>;
  readonly snap: Snap;
  readonly onSnap: (snap: Snap) => void;
  readonly taping: boolean;
  readonly onTape: (on: boolean) => void;
  readonly onCupboard: () => void;
  readonly keep: readonly MenuGroup[];
  readonly readOnly: boolean;
}

interface ActsOn {
  readonly game: Game;
  readonly level: Game;
  readonly levelIndex: number;
  readonly picked: Picked;
  readonly onPick: (picked: Picked) => void;
  readonly dispatch: Dispatch<DraftAction>;
}

type Acts = ReturnType<typeof actsOn>;

/** What can be done with what is picked: the same acts by button and by key. */
export function actsOn({ game, levelIndex, level, picked, onPick, dispatch }: ActsOn) {
  const put = (next: Game) => next !== game && dispatch({ do: 'mend', game: next });
  const turnable = picked.filter((thing) => thing.kind !== 'door');
  return {
    remove: () => {
      const free = picked.filter((thing) => !isLocked(level.course, thing));
      if (free.length === 0) return;
      put(withRemoved(game, free));
      onPick([]);
    },
    duplicate: () => {
      const added = withDuplicated(game, levelIndex, picked);
      put(added.game);
      onPick(added.things);
    },
    turn: (degrees: number) => dispatch({ do: 'turn', level: levelIndex, things: turnable, byRad: toRadians(degrees) }),
    spread: (factor: number) => dispatch({ do: 'spread', level: levelIndex, things: turnable, factor }),
    lock: () => put(withLocked(game, levelIndex, picked, !picked.every((thing) => isLocked(level.course, thing)))),
    tie: () => put(withTied(game, levelIndex, picked, !allTied(level, picked))),
    alike: () => onPick(alikeTo(level, picked)),
  };
}

/** True when all of these are tied together already. */
function allTied(level: Game, picked: Picked): boolean {
  const ties = new Set(picked.map((thing) => tieOf(level.course, thing)));
  return ties.size === 1 && !ties.has(undefined);
}

/** Everything of the group of the first. */
function alikeTo(level: Game, picked: Picked): readonly CourseThing[] {
  const [first] = picked;
  if (!first) return picked;
  const all: CourseThing[] = [];
  for (let index = 0; index < 30; index += 1) {
    const thing = { ...first, index } as CourseThing;
    if (listedOf(level.course, thing)) all.push(thing);
  }
  return all;
}

/** Keys on a thing that is focused; true when the key was one of ours. */
export function actByKey(acts: Acts, key: string): boolean {
  switch (key) {
    case 'Delete':
    case 'Backspace':
      acts.remove();
      return true;
    case 'd':
      acts.duplicate();
      return true;
    case 'r':
      acts.turn(15);
      return true;
    case 'R':
      acts.turn(-15);
      return true;
    case '+':
      acts.spread(1.1);
      return true;
    case '-':
      acts.spread(1 / 1.1);
      return true;
    case 'l':
      acts.lock();
      return true;
    case 'g':
      acts.tie();
      return true;
    case 'a':
      acts.alike();
      return true;
    default:
      return false;
  }
}

/** The tools over the chart: the cupboard, what is done with what is picked, the tape and what things snap to. */
export function ChartTools({
  level,
  levelIndex,
  levelName,
  picked,
  acts,
  dispatch,
  snap,
  onSnap,
  taping,
  onTape,
  onCupboard,
  keep,
  readOnly,
}: ChartToolsProps) {
  const none = picked.length === 0 || readOnly;
  const locked = picked.length > 0 && picked.every((thing) => isLocked(level.course, thing));
  const tied = picked.length > 1 && allTied(level, picked);
  const align = (how: 'in-a-row' | 'in-a-column' | 'evenly' | 'same-distance') => () =>
    dispatch({ do: 'align', level: levelIndex, things: picked, how });
  return (
    <Bar aria-label="Tools of the chart">
      <Tool onPress={onCupboard} isDisabled={readOnly}>
        <Archive size={16} aria-hidden /> Cupboard
      </Tool>
      <Tool aria-label="Duplicate what is picked" isDisabled={none} onPress={acts.duplicate}>
        <CopyPlus size={16} aria-hidden />
      </Tool>
      <Tool aria-label="Turn to the left" isDisabled={none} onPress={() => acts.turn(-15)}>
        <RotateCcw size={16} aria-hidden />
      </Tool>
      <Tool aria-label="Turn to the right" isDisabled={none} onPress={() => acts.turn(15)}>
        <RotateCw size={16} aria-hidden />
      </Tool>
      <Tool aria-label={locked ? 'Unlock' : 'Lock'} isDisabled={none} onPress={acts.lock}>
        {locked ? <LockOpen size={16} aria-hidden /> : <Lock size={16} aria-hidden />}
      </Tool>
      <Tool aria-label={tied ? 'Move each by itself' : 'Move as one'} isDisabled={none || picked.length < 2} onPress={acts.tie}>
        {tied ? <Unlink2 size={16} aria-hidden /> : <Link2 size={16} aria-hidden />}
      </Tool>
      <Menu
        label="Line up what is picked"
        isDisabled={none || picked.length < 2}
        groups={[
          {
            acts: [
              { id: 'row', label: 'At one height', says: 'as the first that was picked', act: align('in-a-row') },
              { id: 'column', label: 'In one column', says: 'as the first that was picked', act: align('in-a-column') },
              { id: 'evenly', label: 'Evenly between the two farthest', off: picked.length < 3, act: align('evenly') },
              {
                id: 'same',
                label: 'As far from the target as the first',
                off: !picked.every((thing) => thing.kind === 'place'),
                act: align('same-distance'),
              },
            ],
          },
          {
            acts: [
              { id: 'wider', label: 'Wider apart', act: () => acts.spread(1.1) },
              { id: 'closer', label: 'Closer together', act: () => acts.spread(1 / 1.1) },
            ],
          },
        ]}
      >
        Line up
      </Menu>
      <Tool aria-label="Take away what is picked" isDisabled={none} onPress={acts.remove}>
        <Trash2 size={16} aria-hidden />
      </Tool>
      <Tool aria-label="Tape: measure from spot to spot" aria-pressed={taping} onPress={() => onTape(!taping)}>
        <Ruler size={16} aria-hidden />
      </Tool>
      <span className="gap" />
      <span className="snap">
        <span>snap to</span>
        <Select
          hideLabel
          label="Things snap to"
          value={snap}
          choices={SNAPS.map((value) => ({ value, label: SNAP_WORDS[value] }))}
          onChange={onSnap}
        />
      </span>
      <Menu label={`Keep or print ${levelName}`} groups={keep}>
        Keep
      </Menu>
    </Bar>
  );
}
