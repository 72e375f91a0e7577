'use client';
/** Beside the chart: rules, layout, floor, skill and versions as leaves of one book. */
import type { Dispatch } from 'react';
import type { Misfit } from '@/core/course/fits';
import type { LevelForecast } from '@/core/forecast/forecast-level';
import type { Game } from '@/core/rules/format/game';
import { Ticked } from '@/ui/form/fields';
import { Leaves } from '@/ui/leaves';
import { Notice } from '@/ui/notice';
import type { Uuid } from '@/contract/ids';
import type { Picked } from './chart';
import { SidePanel, SideStack } from './chart-table-style';
import type { DraftAction } from './draft';
import { FloorLeaf } from './floor-leaf';
import { GapList } from './gap-list';
import { LayoutLeaf } from './layout/layout-leaf';
import { LevelWarnings } from './level-warnings';
import { Misfits } from './misfit-list';
import { LuckRemark, PinsRemark, TimeRemark } from './remarks';
import { RulesPanel } from './rules-panel';
import { SkillLeaf } from './skill-leaf';
import type { SaveState } from '@/ui/use-autosave';
import type { Racks } from './use-racks';
import { VersionsLeaf } from './versions-leaf';

export type LeafId = 'rules' | 'layout' | 'floor' | 'skill' | 'kept';

interface ChartLeavesProps {
  readonly id: Uuid;
  readonly leaf: LeafId;
  readonly onLeaf: (leaf: LeafId) => void;
  readonly game: Game;
  /** The game resolved to the level that is shown. */
  readonly level: Game;
  readonly shown: number;
  readonly ageYears: number;
  /** For whom the forecast is shown, in words. */
  readonly audience: string;
  /** Chances that were asked for. */
  readonly asked: readonly number[];
  readonly forecast: LevelForecast | null;
  readonly forecastFailed: boolean;
  readonly racks: Racks;
  readonly misfits: readonly Misfit[];
  readonly looked: Misfit | null;
  readonly picked: Picked;
  readonly onPick: (picked: Picked) => void;
  readonly onlyHere: boolean;
  readonly onOnlyHere: (on: boolean) => void;
  readonly onWays: () => void;
  readonly state: SaveState;
  readonly saveNow: () => Promise<boolean>;
  readonly dispatch: Dispatch<DraftAction>;
  readonly readOnly: boolean;
}

export function ChartLeaves(props: ChartLeavesProps) {
  const { id, leaf, onLeaf, game, level, shown, ageYears, forecast, misfits, looked, picked, onPick, onlyHere, onWays, state, dispatch, readOnly } =
    props;
  const levelName = game.levels[shown]!.name;
  return (
    <SidePanel>
      <Leaves<LeafId>
        label="What to look at"
        on={leaf}
        onTurn={onLeaf}
        leaves={[
          {
            id: 'rules',
            title: 'Rules',
            children: (
              <SideStack>
                <Misfits misfits={misfits} looked={looked} dispatch={dispatch} onPick={onPick} onWays={onWays} readOnly={readOnly} />
                {!readOnly && game.levels.length > 1 && <Ticked label={`change ${levelName} only`} on={onlyHere} onChange={props.onOnlyHere} />}
                <RulesPanel
                  level={level}
                  game={game}
                  shown={shown}
                  levelName={levelName}
                  onlyHere={onlyHere}
                  onWays={onWays}
                  dispatch={dispatch}
                  readOnly={readOnly}
                />
                <GapList game={game} dispatch={dispatch} readOnly={readOnly} />
                <PinsRemark racks={props.racks} />
                {forecast && <LuckRemark forecast={forecast} />}
                {forecast && (
                  <LevelWarnings
                    game={game}
                    shown={shown}
                    forecast={forecast}
                    ageYears={ageYears}
                    audience={props.audience}
                    asked={props.asked}
                    dispatch={dispatch}
                    readOnly={readOnly}
                  />
                )}
                {forecast && <TimeRemark forecast={forecast} />}
                {props.forecastFailed && <Notice $tone="caution">The forecast could not be worked out here. Reload the page to try again.</Notice>}
              </SideStack>
            ),
          },
          {
            id: 'layout',
            title: 'Layout',
            open: misfits.length,
            children: (
              <SideStack>
                <Misfits misfits={misfits} looked={looked} dispatch={dispatch} onPick={onPick} onWays={onWays} readOnly={readOnly} />
                {!readOnly && game.levels.length > 1 && (
                  <Ticked label={`move things at ${levelName} only (marks always are)`} on={onlyHere} onChange={props.onOnlyHere} />
                )}
                <LayoutLeaf
                  game={game}
                  level={level}
                  levelIndex={shown}
                  ageYears={ageYears}
                  forecast={forecast}
                  picked={picked}
                  onPick={onPick}
                  dispatch={dispatch}
                  onlyHere={onlyHere}
                  readOnly={readOnly}
                />
              </SideStack>
            ),
          },
          {
            id: 'floor',
            title: 'Floor',
            children: <FloorLeaf game={game} levelIndex={shown} ageYears={ageYears} dispatch={dispatch} readOnly={readOnly} />,
          },
          { id: 'skill', title: 'Skill', children: <SkillLeaf game={game} dispatch={dispatch} readOnly={readOnly} /> },
          {
            id: 'kept',
            title: 'Versions',
            children: (
              <VersionsLeaf
                id={id}
                dispatch={dispatch}
                saveNow={props.saveNow}
                savedAt={state.kind === 'saved' ? state.at : null}
                readOnly={readOnly}
              />
            ),
          },
        ]}
      />
    </SidePanel>
  );
}
