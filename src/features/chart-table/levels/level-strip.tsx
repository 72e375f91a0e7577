'use client';
import { useDeferredValue, useMemo, useState, type Dispatch } from 'react';
import { useDragAndDrop } from 'react-aria-components';
import type { LevelForecast } from '@/core/forecast/forecast-level';
import { whereFrom } from '@/core/forecast/where-from';
import { ofClass } from '@/core/progress/by-family';
import type { Fitted } from '@/core/progress/fit';
import { restsOnWords } from '@/core/forecast/words';
import { withLevelTo } from '@/core/levels/edit-levels';
import { isAimed } from '@/core/levels/solve';
import type { Game } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { readThrowRules } from '@/core/rules/format/throw-rules';
import { Button, QuietButton } from '@/ui/button';
import { NumberSlot } from '@/ui/number-slot';
import { WhereFrom } from '@/ui/where-from';
import type { DraftAction } from '../draft';
import type { WantedLevel } from '../table-model';
import { LevelMenu, MoveUp } from './level-acts';
import { LevelColumn } from './level-column';
import { beatWords, differenceWords, distancesText, hasChoice } from './model';
import { LevelBoxes, Finder, Landing, LevelNote, Strip } from './style';

export interface LevelStripProps {
  readonly game: Game;
  readonly shown: number;
  readonly onShow: (level: WantedLevel) => void;
  readonly forecasts: readonly (LevelForecast | null)[];
  readonly stepM: number;
  readonly ageYears: number;
  readonly audienceName: string;
  /** How steady the class is by its reports. */
  readonly fitted: Fitted | null;
  readonly dispatch: Dispatch<DraftAction>;
  readonly onCompare: () => void;
  readonly readOnly?: boolean;
}

/** One column a level, up to six: distances, the chance as ten dots, likely scores with par, throws and time; the solver beside them. */
export function LevelStrip({
  game,
  shown,
  onShow,
  forecasts,
  stepM,
  ageYears,
  audienceName,
  fitted,
  dispatch,
  onCompare,
  readOnly = false,
}: LevelStripProps) {
  const [wanted, setWanted] = useState<readonly number[]>([8, 6, 4, 3, 2, 2]);
  const plain = readThrowRules(game) !== null;
  const aimed = useMemo(() => plain || isAimed(game), [plain, game]);
  const restsOn = restsOnWords(forecasts.find((one) => one !== null) ?? { restsOn: 0 });
  const n = game.levels.length;
  const { dragAndDropHooks } = useDragAndDrop({
    isDisabled: readOnly,
    renderDropIndicator: (target) => {
      if (target.type !== 'item') return <Landing target={target} />;
      const at = game.levels.findIndex((level) => level.id === target.key) + Number(target.dropPosition === 'after');
      return <Landing target={target} style={{ gridColumn: Math.min(at, n - 1) + 1, justifySelf: at < n ? 'start' : 'end' }} />;
    },
    getItems: (ids) => [...ids].map((id) => ({ 'text/plain': String(id) })),
    onReorder: ({ keys, target: { key, dropPosition } }) => {
      const next = dropPosition === 'on' ? game : withLevelTo(game, String([...keys][0]), dropPosition, String(key));
      if (next !== game) dispatch({ do: 'mend', game: next });
    },
  });
  // What sets levels apart is told a moment later: while something is dragged the frame goes first.
  const settled = useDeferredValue(game);
  const differs = useMemo(() => settled.levels.map((level, index) => [level.id, differenceWords(settled, index)] as const), [settled]);
  return (
    <Strip $levels={n} aria-label="Levels" tabIndex={n > 3 ? 0 : undefined}>
      <LevelBoxes
        $levels={n}
        layout="grid"
        aria-label="Levels in their order"
        dragAndDropHooks={dragAndDropHooks}
        keyboardNavigationBehavior="tab"
        disallowTypeAhead
      >
        {game.levels.map((level, index) => {
          const there = resolveLevel(game, index);
          return (
            <LevelColumn
              key={level.id}
              id={level.id}
              name={level.name}
              index={index}
              on={index === shown}
              distances={distancesText(there)}
              forecast={forecasts[index] ?? null}
              stepM={stepM}
              onShow={onShow}
              dispatch={dispatch}
              readOnly={readOnly}
              plain={readThrowRules(there) !== null}
              group={there.parts[0]!.stages[0]!.from ?? ''}
              differs={differs.find(([id]) => id === level.id)?.[1] ?? ''}
              beat={beatWords(there, level)}
              narrow={n > 3}
            />
          );
        })}
      </LevelBoxes>
      <Finder>
        {aimed && (
          <>
            <h2>Distances for {audienceName}</h2>
            <div>
              {game.levels.map((level, index) => (
                <span key={level.id}>
                  {index > 0 && (index === n - 1 ? ' and ' : ', ')}
                  <NumberSlot
                    label={`Wanted hits in 10 at ${level.name}`}
                    value={wanted[index] ?? 5}
                    min={1}
                    max={9}
                    step={1}
                    onChange={(value) => setWanted(wanted.map((old, at) => (at === index ? value : old)))}
                  />
                </span>
              ))}{' '}
              hits in 10
            </div>
            <Button
              isDisabled={readOnly}
              onPress={() => dispatch({ do: 'solve', chances: wanted.slice(0, n).map((tenths) => tenths / 10), of: ofClass(game, fitted) })}
            >
              Set the marks
            </Button>
            <Button isDisabled={readOnly || !hasChoice(game)} onPress={() => dispatch({ do: 'fair-points', level: shown })}>
              Make points fair
            </Button>
          </>
        )}
        <div className="acts">
          {!readOnly && <LevelMenu game={game} shown={shown} ageYears={ageYears} dispatch={dispatch} onShow={onShow} />}
          <QuietButton onPress={onCompare}>Side by side</QuietButton>
          {!readOnly && <MoveUp game={game} shown={shown} par={forecasts[shown]?.par ?? null} dispatch={dispatch} />}
        </div>
        <LevelNote>
          <WhereFrom
            what="chances, par and times"
            label={aimed ? restsOn : `for ${audienceName} · ${restsOn}`}
            lines={() => whereFrom(resolveLevel(game, shown), ageYears, fitted)}
          />
        </LevelNote>
      </Finder>
    </Strip>
  );
}
