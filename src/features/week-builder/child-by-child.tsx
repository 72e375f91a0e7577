'use client';
/** A level of its own for some children. */
import { useState } from 'react';
import { Select } from '@/ui/field';
import { usualLevel, withOwnLevel, type BuilderClass, type BuilderGame, type Plan } from './model';
import { Children, KitTable } from './style';

interface ChildByChildProps {
  readonly plan: Plan;
  readonly of: BuilderClass;
  readonly games: readonly BuilderGame[];
  readonly onPlan: (plan: Plan) => void;
}

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
  const gameOf = (gameId: string) => games.find((game) => game.id === gameId)!;
  return (
    <KitTable>
      <thead>
        <tr>
          <th>Child</th>
          {plan.games.map((planned) => (
            <th key={planned.key}>{gameOf(planned.gameId).title}</th>
          ))}
        </tr>
      </thead>
      <tbody>
        {of.children.map((child) => (
          <tr key={child.id}>
            <td>{child.name}</td>
            {plan.games.map((planned) => {
              const game = gameOf(planned.gameId);
              const usual = usualLevel(planned, child.ageYears);
              return (
                <td key={planned.key}>
                  <Select
                    hideLabel
                    label={`Level of ${child.name} in ${game.title}`}
                    value={planned.own[child.id] ?? ''}
                    choices={game.levels.map(({ id, name }) => ({ value: id === usual ? '' : id, label: name }))}
                    onChange={(levelId) => onPlan(withOwnLevel(plan, planned.key, child.id, levelId || null))}
                  />
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </KitTable>
  );
}
