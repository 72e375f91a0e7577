'use client';
/** What can be done with the level that is shown: another like it, another form, another place in the row, a score to move up at. */
import type { Dispatch } from 'react';
import { easierForms, withEasierForm } from '@/core/levels/easier-forms';
import { MOST_LEVELS, withLevelAdded, withLevelMoved, withLevelRemoved } from '@/core/levels/edit-levels';
import type { Game } from '@/core/rules/format/game';
import { QuietButton } from '@/ui/button';
import { Menu, type MenuGroup } from '@/ui/menu';
import { NumberSlot } from '@/ui/number-slot';
import type { DraftAction } from '../draft';
import { levelAt, type WantedLevel } from '../table-model';
import { withMoveUpAt } from './model';

interface LevelActsProps {
  readonly game: Game;
  readonly shown: number;
  readonly dispatch: Dispatch<DraftAction>;
}

/** The score at which a child may move up to the next level, at home offered after the go. */
export function MoveUp({ game, shown, par, dispatch }: LevelActsProps & { readonly par: number | null }) {
  const level = game.levels[shown]!;
  const next = game.levels[shown + 1];
  if (!next) return null;
  const put = (moveUpAt: number | null) => dispatch({ do: 'edit', change: (now) => withMoveUpAt(now, shown, moveUpAt) });
  if (level.moveUpAt === undefined) return <QuietButton onPress={() => put(Math.round(par ?? 10))}>Move up at a score</QuietButton>;
  return (
    <span>
      up to {next.name} at{' '}
      <NumberSlot label={`Score of ${level.name} to move up to ${next.name}`} value={level.moveUpAt} min={-999} max={9999} step={1} onChange={put} />{' '}
      <QuietButton aria-label="No score to move up" onPress={() => put(null)}>
        no
      </QuietButton>
    </span>
  );
}

/** What can be done with the level that is shown. */
export function LevelMenu({
  game,
  shown,
  ageYears,
  dispatch,
  onShow,
}: LevelActsProps & { readonly ageYears: number; readonly onShow: (level: WantedLevel) => void }) {
  const { name } = game.levels[shown]!;
  const full = game.levels.length >= MOST_LEVELS;
  const put = (next: Game, show: number) => {
    dispatch({ do: 'mend', game: next });
    onShow(levelAt(next, show));
  };
  // Worked out when the menu is opened: nearer and bigger forms are solved for.
  const others = () =>
    easierForms(game, shown, ageYears).map((form) => ({
      id: form.id,
      label: form.name.charAt(0).toUpperCase() + form.name.slice(1),
      says: form.says,
      off: full,
      act: () => put(withEasierForm(game, shown, form), shown + 1),
    }));
  return (
    <Menu
      label={`What to do with ${name}`}
      groups={(): readonly MenuGroup[] => [
        {
          title: `${name}, and the levels beside it`,
          acts: [
            { id: 'copy', label: `A new level like ${name}`, off: full, act: () => put(withLevelAdded(game, shown), shown + 1) },
            { id: 'earlier', label: 'One place earlier', off: shown === 0, act: () => put(withLevelMoved(game, shown, -1), shown - 1) },
            {
              id: 'later',
              label: 'One place later',
              off: shown === game.levels.length - 1,
              act: () => put(withLevelMoved(game, shown, 1), shown + 1),
            },
            {
              id: 'remove',
              label: `Take ${name} away`,
              off: game.levels.length < 2,
              act: () => put(withLevelRemoved(game, shown), Math.max(0, shown - 1)),
            },
          ],
        },
        { title: `${name} in another form, as a level of its own`, acts: others() },
      ]}
    >
      {name}
    </Menu>
  );
}
