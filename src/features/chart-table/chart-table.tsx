'use client';
import { memo, useEffect, useMemo, useReducer, useRef, useState, type Dispatch } from 'react';
import styled from 'styled-components';
import { Redo2, Undo2 } from 'lucide-react';
import { format } from 'date-fns';
import { isPinSet, placeDistance, spotOf, thingsOf, type CourseThing } from '@/core/course/move';
import { stepLengthM } from '@/core/measure/stature';
import type { Game, PlacedTarget, Spot } from '@/core/rules/game';
import { resolveLevel } from '@/core/rules/level';
import { AIMED, outlineWidthM, shapeOf } from '@/core/objects/catalogue';
import { Button, QuietButton } from '@/ui/button';
import { Select } from '@/ui/field';
import { Notice, Spoken } from '@/ui/notice';
import { NumberSlot } from '@/ui/number-slot';
import { aboutGame } from '../games/about-game';
import { Chart, type Picked } from './chart';
import { begin, changeDraft, type DraftAction } from './draft';
import { GapList } from './gap-list';
import { LevelStrip } from './level-strip';
import { LevelWarnings } from './level-warnings';
import { Probe } from './probe';
import { RulesPanel } from './rules-panel';
import { SendDialog, type ClassChoice } from './send-dialog';
import { TryIt } from './try-it';
import { useAutosave, type SaveState } from './use-autosave';
import type { LevelForecast } from '@/core/forecast/forecast-level';
import { useForecast } from './use-forecast';
import { useRacks, type Racks } from './use-racks';

const Page = styled.main`
  & progress {
    height: 10px;
    accent-color: var(--band-5);
  }
  max-width: 1320px;
  margin: 0 auto;
  padding: 6px 22px 6px;
`;

const Head = styled.header`
  display: flex;
  align-items: center;
  gap: 14px;
  min-height: 48px;
  margin-bottom: 2px;
  & .title {
    font-size: 1.5rem;
    font-weight: 700;
    letter-spacing: -0.01em;
    border: 0;
    border-bottom: 2px solid transparent;
    background: transparent;
    padding: 0 2px;
    min-width: 6rem;
    &:hover,
    &:focus {
      border-bottom-color: var(--gorse);
    }
  }
  & .about {
    flex: 1;
    color: var(--ink-soft);
    font-size: 0.9375rem;
    min-width: 0;
  }
`;

const Table = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1.88fr) minmax(320px, 1fr);
  gap: 22px;
  align-items: start;
  margin-bottom: 8px;
  @media (max-width: 1000px) {
    grid-template-columns: 1fr;
  }
`;

const Side = styled.div`
  display: flex;
  flex-direction: column;
  gap: 10px;
  max-height: max(440px, calc(100vh - 360px));
  overflow-y: auto;
  scrollbar-width: thin;
`;

const Foot = styled.div`
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 4px 24px;
  margin-top: 6px;
  font-size: 0.8125rem;
  color: var(--ink-soft);
`;

const Shown = styled.div`
  display: flex;
  align-items: center;
  gap: 8px;
  font-size: 0.9375rem;
  color: var(--ink-soft);
  white-space: nowrap;
`;

const Saved = styled.span`
  font-size: 0.875rem;
  color: var(--ink-soft);
  white-space: nowrap;
`;

export interface ChartTableProps {
  readonly id: string;
  readonly game: Game;
  readonly ageYears: number;
  readonly revision: number;
  readonly classes: readonly ClassChoice[];
  readonly readOnly: boolean;
  readonly today: string;
}

const NOTHING_ASKED: readonly number[] = [];

const AGES = ['4', '5', '6', '7', '8', '9', '10', '11', '12'] as const;

/** The chart table: one game on its floor, its rules in sentences, its levels with what will likely happen. */
export function ChartTable({ id, game: firstGame, ageYears: firstAge, revision, classes, readOnly, today }: ChartTableProps) {
  const [history, dispatch] = useReducer(changeDraft, null, () => begin(firstGame, firstAge));
  const { game, ageYears } = history.now;
  const [shown, setShown] = useState(Math.min(1, game.levels.length - 1));
  const [picked, setPicked] = useState<Picked>(() => firstPicked(resolveLevel(game, 0)));
  const [sending, setSending] = useState(false);
  const [trying, setTrying] = useState(false);
  const [keysShown, setKeysShown] = useState(false);
  const chart = useRef<HTMLDivElement>(null);
  const { state, saveNow } = useAutosave(id, game, ageYears, revision);
  const from = picked?.kind === 'place' ? picked.group : undefined;
  const racks = useRacks(game, history.dragging);
  const forecasts = useForecast(game, ageYears, shown, history.dragging, racks.tables, from);
  const level = useMemo(() => resolveLevel(game, shown), [game, shown]);
  const stepM = stepLengthM(ageYears);
  const audience = classes.find((one) => one.ageYears === ageYears)?.name ?? `about ${ageYears} years`;

  useEffect(() => {
    const keys = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement;
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z' && !typing) {
        event.preventDefault();
        dispatch({ do: event.shiftKey ? 'redo' : 'undo' });
      }
      if (typing || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key === '?') setKeysShown((on) => !on);
      const number = Number(event.key);
      if (number >= 1 && number <= game.levels.length) setShown(number - 1);
    };
    window.addEventListener('keydown', keys);
    return () => window.removeEventListener('keydown', keys);
  }, [game.levels.length]);

  const forecast = forecasts.levels[shown] ?? null;
  const said =
    forecast && !history.dragging
      ? `${game.levels[shown]!.name}: ${forecast.chance ? `about ${Math.round(forecast.chance.chance * 10)} hits in 10, ` : ''}par ${forecast.par}.`
      : '';
  return (
    <Page>
      <Head>
        <input
          key={game.title}
          className="title"
          aria-label="Name of the game"
          defaultValue={game.title}
          readOnly={readOnly}
          size={Math.max(8, game.title.length)}
          maxLength={60}
          onBlur={(event) => dispatch({ do: 'title', title: event.target.value })}
          onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
        />
        <span className="about">{aboutGame(game)}</span>
        <AgeChoice ageYears={ageYears} dispatch={dispatch} />
        <SavedWords state={state} />
        <Button aria-label="Undo" isDisabled={history.past.length === 0} onPress={() => dispatch({ do: 'undo' })}>
          <Undo2 size={17} aria-hidden />
        </Button>
        <Button aria-label="Redo" isDisabled={history.future.length === 0} onPress={() => dispatch({ do: 'redo' })}>
          <Redo2 size={17} aria-hidden />
        </Button>
        <Button onPress={() => setTrying(!trying)} aria-pressed={trying}>
          Try it
        </Button>
        <Button $strong isDisabled={readOnly} onPress={() => setSending(true)}>
          Send to a class
        </Button>
      </Head>
      {state.kind === 'conflict' && (
        <Notice $tone="caution" role="alert">
          {state.problem} <QuietButton onPress={() => window.location.reload()}>Open the newest</QuietButton>
        </Notice>
      )}
      <Table>
        <div ref={chart}>
          <Chart
            level={level}
            levelIndex={shown}
            stepM={stepM}
            floor={forecasts.floor}
            forecast={forecast}
            picked={picked}
            onPick={setPicked}
            dispatch={dispatch}
            readOnly={readOnly}
          />
        </div>
        {trying ? (
          <TryIt key={`${shown}`} level={level} levelName={game.levels[shown]!.name} onClose={() => setTrying(false)} />
        ) : (
          <Side>
            <RulesPanel game={game} dispatch={dispatch} readOnly={readOnly} />
            <GapList game={game} dispatch={dispatch} readOnly={readOnly} />
            <PinsRemark racks={racks} />
            {forecast && <LuckRemark forecast={forecast} />}
            {forecast && (
              <LevelWarnings
                game={game}
                shown={shown}
                forecast={forecast}
                ageYears={ageYears}
                audience={audience}
                asked={history.now.asked ?? NOTHING_ASKED}
                dispatch={dispatch}
                readOnly={readOnly}
              />
            )}
            {forecast && <TimeRemark forecast={forecast} />}
            {forecasts.failed && <Notice $tone="caution">The forecast could not be worked out here. Reload the page to try again.</Notice>}
          </Side>
        )}
      </Table>
      <LevelStrip
        game={game}
        shown={shown}
        onShow={setShown}
        forecasts={forecasts.levels}
        stepM={stepM}
        audienceName={audience}
        dispatch={dispatch}
        readOnly={readOnly}
      />
      <Foot>
        <Lengths level={level} levelIndex={shown} picked={picked} dispatch={dispatch} readOnly={readOnly} />
        <Probe chart={chart} level={level} ageYears={ageYears} from={from} />
        <span>
          {forecasts.floor && forecasts.floor.bands.length > 0 ? 'small figures: hits in 100 · ' : ''}
          <a href={`/api/v1/games/${id}/file`} download>
            Keep as a file
          </a>{' '}
          · <QuietButton onPress={() => setKeysShown(!keysShown)}>? for keys</QuietButton>
        </span>
      </Foot>
      {keysShown && (
        <Notice $tone="remark">
          1, 2, 3: show a level · Tab: next mark · arrows: move it 10 cm · Shift and arrow: 50 cm · Alt while dragging: no grid · Ctrl Z: undo · Ctrl
          Shift Z: redo · ?: this list
        </Notice>
      )}
      <Spoken role="status">{said}</Spoken>
      {sending && (
        <SendDialog
          isOpen
          onClose={() => setSending(false)}
          gameId={id}
          game={game}
          level={shown}
          classes={classes}
          ageYears={ageYears}
          today={today}
          saveFirst={saveNow}
          racks={racks.tables}
        />
      )}
    </Page>
  );
}

/** The mark that is taken hold of at first: the middle one of the first group. */
function firstPicked(level: Game): Picked {
  const [first] = thingsOf(level).filter((thing) => thing.kind === 'place');
  if (!first) return null;
  return { kind: 'place', group: first.group, index: Math.min(1, level.course.places[first.group]!.length - 1) };
}

interface LengthsProps {
  readonly level: Game;
  readonly levelIndex: number;
  readonly picked: Picked;
  readonly dispatch: Dispatch<DraftAction>;
  readonly readOnly: boolean;
}

/** How large the floor is, and where the thing that is picked stands, as figures to type. */
function Lengths({ level, levelIndex, picked, dispatch, readOnly }: LengthsProps) {
  if (readOnly) return <span />;
  const { course } = level;
  const { widthM, depthM } = course.floor;
  const metres = (label: string, value: number, least: number, max: number, onChange: (value: number) => void) => (
    <NumberSlot label={label} value={value} min={least} max={max} step={0.1} decimals={2} onChange={onChange} />
  );
  const spot = picked ? spotOf(course, picked) : undefined;
  const length = picked?.kind === 'place' ? placeDistance(level, picked.group, picked.index) : undefined;
  const move = (to: Spot) => dispatch({ do: 'move', level: levelIndex, thing: picked!, to });
  return (
    <span>
      floor {metres('Floor, metres wide', widthM, 1.5, 30, (value) => dispatch({ do: 'floor', widthM: value, depthM }))} by{' '}
      {metres('Floor, metres deep', depthM, 1.5, 30, (value) => dispatch({ do: 'floor', widthM, depthM: value }))} m
      {picked && spot && (
        <>
          {' '}
          · {thingName(level, picked)}{' '}
          {picked.kind === 'place' && length !== undefined && (
            <>
              {metres('Picked mark, metres from what it looks towards', length, 0.3, 30, (distanceM) =>
                dispatch({ do: 'set-distance', level: levelIndex, group: picked.group, mark: picked.index, distanceM }),
              )}{' '}
              m off,{' '}
            </>
          )}
          {picked.kind === 'target' && !isPinSet(level, picked.group) && (
            <>
              <NumberSlot
                label="Picked thing, centimetres wide"
                value={Math.round(100 * outlineWidthM(shapeOf(spot as PlacedTarget)))}
                min={Math.round(100 * AIMED[(spot as PlacedTarget).object].sizeM[0])}
                max={Math.round(100 * AIMED[(spot as PlacedTarget).object].sizeM[1])}
                step={5}
                onChange={(centimetres) =>
                  dispatch({ do: 'set-width', level: levelIndex, group: picked.group, index: picked.index, widthM: centimetres / 100 })
                }
              />{' '}
              cm wide,{' '}
            </>
          )}
          {metres('Picked thing, metres from the left wall', spot.xM, 0.1, widthM, (xM) => move({ xM, yM: spot.yM }))} across,{' '}
          {metres('Picked thing, metres from the back wall', spot.yM, 0.1, depthM, (yM) => move({ xM: spot.xM, yM }))} down
        </>
      )}
    </span>
  );
}

function thingName(level: Game, thing: CourseThing): string {
  if (thing.kind === 'place') {
    const n = level.course.places[thing.group]!.length;
    return n === 1 ? 'throw line' : `mark ${thing.index + 1} of ${n}`;
  }
  const stands = spotOf(level.course, thing) as PlacedTarget;
  return AIMED[stands.object].name;
}

const AgeChoice = memo(function AgeChoice({ ageYears, dispatch }: { ageYears: number; dispatch: Dispatch<DraftAction> }) {
  return (
    <Shown>
      <span aria-hidden>shown for</span>
      <Select
        hideLabel
        label="Shown for children of"
        value={`${ageYears}` as (typeof AGES)[number]}
        choices={AGES.map((age) => ({ value: age, label: `${age} years` }))}
        onChange={(age) => dispatch({ do: 'age', ageYears: Number(age) })}
      />
    </Shown>
  );
});

function SavedWords({ state }: { state: SaveState }) {
  const words =
    state.kind === 'saving'
      ? 'saving …'
      : state.kind === 'waiting'
        ? `not saved yet: ${state.problem}`
        : state.kind === 'conflict'
          ? 'not saved'
          : state.at
            ? `saved ${format(new Date(state.at), 'HH:mm')}`
            : 'saved';
  return <Saved role="status">{words}</Saved>;
}

/** While pins are worked out as rigid bodies the rough figures stand, and say so. */
function PinsRemark({ racks: { progress, stop } }: { racks: Racks }) {
  if (!progress) return null;
  const percent = Math.round((100 * (progress.done + progress.share)) / progress.of);
  return (
    <Notice $tone="remark">
      Pins are rough figures until each ball has been rolled at them: <progress value={percent} max={100} aria-label="Rolling balls at the pins" />{' '}
      {percent}% {progress.of > 1 && `(set ${progress.done + 1} of ${progress.of}) `}
      <QuietButton onPress={stop}>Stop</QuietButton>
    </Notice>
  );
}

/** A ranking by what is mostly luck would mislead: said where it is so. */
const MOSTLY_LUCK = 0.8;

function LuckRemark({ forecast }: { forecast: LevelForecast }) {
  if (forecast.luckShare <= MOSTLY_LUCK) return null;
  return (
    <Notice $tone="open">
      One go is {Math.round(forecast.luckShare * 100)}% luck: two children of one age differ less than two goes of one child. More tries or several
      goes tell more.
    </Notice>
  );
}

/** What the time of a go is spent on, where it is more than a little. */
function TimeRemark({ forecast: { fetchShare, exerciseShare } }: { forecast: LevelForecast }) {
  const spent = [
    ...(fetchShare > WORTH_SAYING ? [`${shareWords(fetchShare)} of the time goes on fetching`] : []),
    ...(exerciseShare > WORTH_SAYING ? [`${shareWords(exerciseShare)} on exercises and setting up`] : []),
  ];
  if (spent.length === 0) return null;
  const words = spent.join(', ');
  return <Notice $tone="remark">{words.charAt(0).toUpperCase() + words.slice(1)}.</Notice>;
}

const WORTH_SAYING = 0.05;

function shareWords(share: number): string {
  return share > 0.45 && share < 0.55 ? 'half' : share > 0.28 && share < 0.38 ? 'a third' : `${Math.round(share * 100)}%`;
}
