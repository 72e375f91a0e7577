'use client';
/** A level of its own for some children: a grid that is filled from what was reported, and changed by keys. */
import { useState, type KeyboardEvent } from 'react';
import styled from 'styled-components';
import { levelsForClassSchema, type LevelsOfGameForClass } from '@/contract/levels-for-class';
import { Button } from '@/ui/button';
import { Notice } from '@/ui/notice';
import { SoftLine } from '@/ui/page';
import { useRead } from '@/ui/reads';
import { byArrowKeys } from '../today/arrow-keys';
import { levelOfChild, withLevelsByEvidence, withOwnLevel, type BuilderClass, type BuilderGame, type Plan, type PlannedGame } from './model';
import { Children, KitTable } from './style';

interface ChildByChildProps {
  readonly plan: Plan;
  readonly of: BuilderClass;
  readonly games: readonly BuilderGame[];
  readonly onPlan: (plan: Plan) => void;
}

const Cell = styled.button`
  display: grid;
  justify-items: start;
  width: 100%;
  min-height: 40px;
  padding: var(--space-2) var(--space-4);
  border: 1px solid var(--line);
  border-radius: var(--radius-1);
  background: var(--sheet);
  text-align: start;
  cursor: pointer;
  & small {
    color: var(--ink-soft);
    font-size: var(--type-1);
  }
  &[data-own] {
    border-color: var(--ink);
    box-shadow: inset 3px 0 0 var(--gorse);
    font-weight: 600;
  }
  &[data-own] small {
    font-weight: 400;
  }
`;

export function ChildByChild({ plan, of, games, onPlan }: ChildByChildProps) {
  const [open, setOpen] = useState(false);
  const own = plan.games.reduce((sum, game) => sum + Object.keys(game.own).length, 0);
  return (
    <Children onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>Levels child by child{own > 0 ? ` (${own === 1 ? '1 is' : `${own} are`} their own)` : ''}</summary>
      {open && <LevelsOfChildren plan={plan} of={of} games={games} onPlan={onPlan} />}
    </Children>
  );
}

function LevelsOfChildren({ plan, of, games, onPlan }: ChildByChildProps) {
  const ids = [...new Set(plan.games.map(({ gameId }) => gameId))];
  const { data, error } = useRead(`/api/v1/classes/${of.id}/levels?games=${ids.join(',')}`, levelsForClassSchema);
  const gameOf = (gameId: string) => games.find((game) => game.id === gameId)!;
  const known = data?.games ?? [];
  const speaks = known.some(({ children }) => children.some(({ levelId }) => levelId !== null));
  return (
    <>
      {error && <Notice $tone="caution">{error.message}</Notice>}
      <Button isDisabled={!speaks} onPress={() => onPlan(withLevelsByEvidence(plan, of, known))}>
        Fill from what was reported
      </Button>
      <SoftLine $small>
        {data && !speaks ? 'No child of this class has reported anything that speaks for a level yet. ' : ''}
        Arrow keys go from child to child and game to game; 1 to 6 set a level, 0 the level of all, Enter the next one.
      </SoftLine>
      <KitTable onKeyDown={byArrowKeys}>
        <thead>
          <tr>
            <th scope="col">Child</th>
            {plan.games.map((planned) => (
              <th scope="col" key={planned.key}>
                {gameOf(planned.gameId).title}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {of.children.map((child) => (
            <tr key={child.id}>
              <th scope="row">{child.name}</th>
              {plan.games.map((planned) => (
                <td key={planned.key}>
                  <LevelCell
                    child={child}
                    planned={planned}
                    game={gameOf(planned.gameId)}
                    known={known.find(({ gameId }) => gameId === planned.gameId)}
                    onLevel={(levelId) => onPlan(withOwnLevel(plan, planned.key, child.id, levelId))}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </KitTable>
    </>
  );
}

function LevelCell({
  child,
  planned,
  game,
  known,
  onLevel,
}: {
  readonly child: BuilderClass['children'][number];
  readonly planned: PlannedGame;
  readonly game: BuilderGame;
  readonly known: LevelsOfGameForClass | undefined;
  /** Null for the level that is usual for its age. */
  readonly onLevel: (levelId: string | null) => void;
}) {
  const now = levelOfChild(planned, child);
  const at = game.levels.findIndex(({ id }) => id === now);
  const why = known?.children.find(({ childId }) => childId === child.id)?.why;
  const set = (index: number) => {
    const level = game.levels[index];
    if (level) onLevel(level.id === levelOfChild({ ...planned, own: {} }, child) ? null : level.id);
  };
  const keys = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key === '0' || event.key === 'Delete') onLevel(null);
    else if (/^[1-6]$/.test(event.key)) set(Number(event.key) - 1);
  };
  const name = game.levels[at]?.name ?? '';
  return (
    <Cell
      type="button"
      aria-label={`${child.name}, ${game.title}: ${name}${why ? ` ${why}` : ''}`}
      data-own={planned.own[child.id] === undefined ? undefined : ''}
      onKeyDown={keys}
      onClick={() => set((at + 1) % game.levels.length)}
    >
      {name} {why && <small>{why}</small>}
    </Cell>
  );
}
