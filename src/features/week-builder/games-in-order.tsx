'use client';
/** The games of a week in their order: dragged by their number (or by keys from it), with level and opening day. */
import { ArrowDown, ArrowUp, X } from 'lucide-react';
import type { CSSProperties } from 'react';
import { Button, useDragAndDrop } from 'react-aria-components';
import type { EventSlot } from '@/core/levels/event-order';
import { WhereFrom } from '@/ui/where-from';
import { Select } from '@/ui/field';
import { DayField } from '@/ui/form/fields';
import {
  isEvent,
  orderOf,
  withGameChanged,
  withGameShifted,
  withGamesMoved,
  withoutGame,
  type BuilderGame,
  type Plan,
  type PlannedGame,
} from './model';
import { SoftLine } from '@/ui/page';
import { GameItem, GameRow, GamesList } from './style';

interface GamesInOrderProps {
  readonly plan: Plan;
  readonly games: readonly BuilderGame[];
  readonly mixed: boolean;
  readonly onPlan: (plan: Plan) => void;
}

export function GamesInOrder({ plan, games, mixed, onPlan }: GamesInOrderProps) {
  const { dragAndDropHooks } = useDragAndDrop({
    getItems: (keys) => [...keys].map((key) => ({ 'text/plain': String(key) })),
    onReorder: ({ keys, target: { key, dropPosition } }) =>
      dropPosition !== 'on' && onPlan(withGamesMoved(plan, new Set([...keys].map(String)), dropPosition, String(key))),
  });
  const { slots, minutes } = orderOf(plan, games);
  const list = (
    <GamesList aria-label="Games of the week" dragAndDropHooks={dragAndDropHooks} keyboardNavigationBehavior="tab">
      {plan.games.map((planned, index) => (
        <OneGame key={planned.key} planned={planned} index={index} plan={plan} games={games} mixed={mixed} onPlan={onPlan} slot={slots[index]!} />
      ))}
    </GamesList>
  );
  if (!isEvent(plan)) return list;
  return (
    <>
      {list}
      <SoftLine>
        About <b>{minutes} minutes</b> in this order, with setting out and rests, one go each.
      </SoftLine>
    </>
  );
}

function OneGame({ planned, index, plan, games, mixed, onPlan, slot }: GamesInOrderProps & { planned: PlannedGame; index: number; slot: EventSlot }) {
  const game = games.find((one) => one.id === planned.gameId)!;
  const event = isEvent(plan);
  const levels = game.levels.map(({ id, name }) => ({ value: id, label: name }));
  const change = (next: Partial<PlannedGame>) => onPlan(withGameChanged(plan, planned.key, next));
  return (
    <GameItem id={planned.key} textValue={game.title}>
      <GameRow style={{ '--fields': 1 + Number(mixed) + Number(event) } as CSSProperties}>
        <Button slot="drag" className="grip" aria-label={`${index + 1}: move ${game.title}`}>
          {index + 1}
        </Button>
        <span className="title">
          <span>
            {game.title}{' '}
            <WhereFrom
              what="its par, chances and minutes"
              label={game.title}
              quiet
              lines={`/api/v1/figures?game=${game.id}&class=${plan.classId}&level=${planned.levelId}`}
            />
          </span>
          {event && <small>{slotWords(slot)}</small>}
        </span>
        <Select
          label={mixed && planned.youngerLevelId !== null ? 'Level, from 8 years' : 'Level'}
          value={planned.levelId}
          choices={levels}
          onChange={(levelId) => change({ levelId })}
        />
        {mixed && (
          <Select
            label="To 7 years"
            value={planned.youngerLevelId ?? ''}
            choices={[{ value: '', label: 'the same' }, ...levels]}
            onChange={(levelId) => change({ youngerLevelId: levelId || null })}
          />
        )}
        {event && <DayField label="Opens on" value={planned.opensOn} most={plan.dueOn} onChange={(opensOn) => change({ opensOn })} />}
        <span className="acts">
          <Button aria-label={`${game.title} earlier`} isDisabled={index === 0} onPress={() => onPlan(withGameShifted(plan, planned.key, -1))}>
            <ArrowUp size={16} aria-hidden />
          </Button>
          <Button
            aria-label={`${game.title} later`}
            isDisabled={index === plan.games.length - 1}
            onPress={() => onPlan(withGameShifted(plan, planned.key, 1))}
          >
            <ArrowDown size={16} aria-hidden />
          </Button>
          <Button aria-label={`Leave out ${game.title}`} onPress={() => onPlan(withoutGame(plan, planned.key))}>
            <X size={16} aria-hidden />
          </Button>
        </span>
      </GameRow>
    </GameItem>
  );
}

/** "3 min to set out, 2 min, rest 1 min" */
const slotWords = ({ setUpMinutes, playMinutes, restMinutes }: EventSlot): string =>
  [`${setUpMinutes} min to set out`, `${playMinutes} min`, ...(restMinutes > 0 ? [`rest ${restMinutes} min`] : [])].join(', ');
