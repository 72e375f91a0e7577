'use client';
import type { Uuid } from '@/contract/ids';
import dynamic from 'next/dynamic';
import { memo, useCallback, useEffect, useMemo, useReducer, useRef, useState, type Dispatch } from 'react';
import styled from 'styled-components';
import { Redo2, Undo2 } from 'lucide-react';
import { format } from 'date-fns';
import type { Added } from '@/core/course/change';
import { runPastFrom } from '@/core/course/flights';
import { misfitsOf, type Misfit } from '@/core/course/fits';
import type { Snap } from '@/core/course/snap';
import { spotOf, thingsOf } from '@/core/course/things';
import type { Moment } from '@/core/forecast/watch';
import { toBeatOf } from '@/core/levels/to-beat';
import { stepLengthM } from '@/core/measure/stature';
import type { Game } from '@/core/rules/game';
import { resolveLevel } from '@/core/rules/level';
import { Button, QuietButton } from '@/ui/button';
import { Select } from '@/ui/field';
import { Notice, Spoken } from '@/ui/notice';
import { aboutGame } from '../games/about-game';
import { Leaves } from '@/ui/leaves';
import { send } from '@/ui/post';
import { centimetresAPixel, Chart, type Picked } from './chart';
import { actByKey, actsOn, ChartTools } from './chart-tools';
import { CompareLevels } from './compare-levels';
import { begin, changeDraft, type DraftAction } from './draft';
import { keepDrawing } from './export-drawing';
import { FloorLeaf } from './floor-leaf';
import { GapList } from './gap-list';
import { LayoutLeaf } from './layout/layout-leaf';
import { LevelStrip } from './levels/level-strip';
import { LevelWarnings } from './level-warnings';
import { MendOfLevel, type LevelToMend } from './mend-of-level';
import { Probe } from './probe';
import { Lengths } from './lengths';
import { Misfits } from './misfit-list';
import { LuckRemark, PinsRemark, TimeRemark } from './remarks';
import { RulesPanel } from './rules-panel';
import { SendDialog, type ClassChoice } from './send-dialog';
import { SkillLeaf } from './skill-leaf';
import { TryIt } from './try-it';
import { useAutosave, type SaveState } from './use-autosave';
import { useForecast } from './use-forecast';
import { keptHistory, useKeptHistory } from './use-kept-history';
import { useRacks } from './use-racks';
import { VersionsLeaf } from './versions-leaf';
import { Players } from './watch';

const Cupboard = dynamic(() => import('./cupboard').then((module) => module.Cupboard), { ssr: false });
const WaysDialog = dynamic(() => import('./ways-dialog'), { ssr: false });

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
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
    /* Where it would be cut off it says nothing. */
    @media (max-width: 1180px) {
      visibility: hidden;
    }
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
  height: max(440px, calc(100vh - 360px));
  overflow-y: auto;
  scrollbar-width: thin;
`;

const SideStack = styled.div`
  display: flex;
  flex-direction: column;
  gap: 10px;
`;

const OnlyHere = styled.label`
  display: flex;
  align-items: center;
  gap: 7px;
  font-size: 0.875rem;
  color: var(--ink-soft);
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
  readonly id: Uuid;
  readonly game: Game;
  readonly ageYears: number;
  readonly revision: number;
  readonly classes: readonly ClassChoice[];
  readonly readOnly: boolean;
  readonly today: string;
  /** The name of who is signed in: who made a score to beat. */
  readonly teacher: string;
  /** A level that was too easy or too hard for a class, to be mended. */
  readonly mend?: LevelToMend | null;
}

const NOTHING_ASKED: readonly number[] = [];

const AGES = ['4', '5', '6', '7', '8', '9', '10', '11', '12'] as const;

type LeafId = 'rules' | 'layout' | 'floor' | 'skill' | 'kept';

/** The chart table: one game on its floor, its rules in sentences, its levels with what will likely happen. */
export function ChartTable({ id, game: firstGame, ageYears: firstAge, revision, classes, readOnly, today, teacher, mend = null }: ChartTableProps) {
  const [history, dispatch] = useReducer(changeDraft, null, () => begin(firstGame, firstAge));
  const { game, ageYears } = history.now;
  const [classId, setClassId] = useState<string | null>(mend?.classId ?? null);
  // By its own reports as long as the age is that of the class.
  const byClass = classes.find((one) => one.id === classId && one.ageYears === ageYears);
  const fitted = byClass?.fitted ?? null;
  const skill = fitted?.skill ?? 1;
  const [wantedLevel, setShown] = useState(() => {
    const named = game.levels.findIndex((one) => one.id === mend?.levelId);
    return named >= 0 ? named : Math.min(1, game.levels.length - 1);
  });
  const shown = Math.min(wantedLevel, game.levels.length - 1);
  const [pickedNow, setPicked] = useState<Picked>(() => firstPicked(resolveLevel(game, 0)));
  const [open, setOpen] = useState<'send' | 'cupboard' | 'ways' | 'compare' | null>(null);
  const [trying, setTrying] = useState(false);
  const [keysShown, setKeysShown] = useState(false);
  const [leaf, setLeaf] = useState<LeafId>('rules');
  const [snap, setSnap] = useState<Snap>('ten');
  const [taping, setTaping] = useState(false);
  const [onlyHere, setOnlyHere] = useState(false);
  const [moment, setMoment] = useState<Moment | null>(null);
  const [looked, setLooked] = useState<Misfit | null>(null);
  const [problem, setProblem] = useState('');
  const chart = useRef<HTMLDivElement>(null);
  const { state, saveNow } = useAutosave(id, game, ageYears, revision);
  useKeptHistory(id, history, state);
  useEffect(() => {
    const kept = keptHistory(id, firstGame);
    if (kept) dispatch({ do: 'take-up', history: kept });
  }, [id, firstGame]);
  const ageOfMend = classes.find((one) => one.id === mend?.classId)?.ageYears;
  useEffect(() => {
    if (ageOfMend !== undefined) dispatch({ do: 'age', ageYears: ageOfMend });
  }, [ageOfMend]);
  const level = useMemo(() => resolveLevel(game, shown), [game, shown]);
  const picked = useMemo(() => pickedNow.filter((thing) => spotOf(level.course, thing) !== undefined), [pickedNow, level]);
  const [main] = picked;
  const from = main?.kind === 'place' ? main.group : undefined;
  const dragging = history.dragFrom !== null;
  const racks = useRacks(game, dragging);
  const forecasts = useForecast(game, ageYears, fitted, shown, dragging, racks.tables, from);
  const stepM = stepLengthM(ageYears);
  const audience = (byClass ?? classes.find((one) => one.ageYears === ageYears))?.name ?? `about ${ageYears} years`;
  const levelName = game.levels[shown]!.name;
  // While something is dragged the marks on the chart follow it; the list with its mends is made again when it has come to rest.
  const marked = useMemo(() => misfitsOf(game, shown, { ageYears }, !dragging), [game, shown, ageYears, dragging]);
  const [misfits, setMisfits] = useState<readonly Misfit[]>(marked);
  if (!dragging && misfits !== marked) setMisfits(marked);
  const past = useMemo(() => (main?.kind === 'place' ? runPastFrom(level, main.group, main.index, { ageYears }) : null), [level, main, ageYears]);
  const px = centimetresAPixel(level.course.floor);
  const openWays = useCallback(() => setOpen('ways'), []);
  const openMisfit = useCallback((misfit: Misfit) => {
    setLooked(misfit);
    setPicked(misfit.things);
    // The list of what does not fit stands on both of these.
    setLeaf((now) => (now === 'layout' ? now : 'rules'));
  }, []);
  const acts = actsOn({ game, levelIndex: shown, level, picked, onPick: setPicked, dispatch });
  const onAdd = (added: Added) => {
    dispatch({ do: 'mend', game: added.game });
    setPicked(added.things);
    setLeaf('layout');
    setOpen(null);
  };
  const duplicate = async () => {
    const answer = await send<{ id: string }>('POST', `/api/v1/games/${id}`, { action: 'duplicate' });
    if (answer.ok && answer.value) window.location.assign(`/games/${answer.value.id}`);
    else setProblem(answer.problem);
  };
  const keepMine = async () => {
    const answer = await send<{ id: string }>('POST', '/api/v1/games/import', {
      game: { ...game, title: `${game.title.slice(0, 48)} (mine)` },
      ageYears,
    });
    if (answer.ok && answer.value) window.location.assign(`/games/${answer.value.id}`);
    else setProblem(answer.problem);
  };

  useEffect(() => {
    const keys = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement;
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z' && !typing) {
        event.preventDefault();
        dispatch({ do: event.shiftKey ? 'redo' : 'undo' });
      }
      if (typing || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key === '?') setKeysShown((on) => !on);
      if (event.key === 'm') setTaping((on) => !on);
      const number = Number(event.key);
      if (number >= 1 && number <= game.levels.length) setShown(number - 1);
    };
    window.addEventListener('keydown', keys);
    return () => window.removeEventListener('keydown', keys);
  }, [game.levels.length]);

  const forecast = forecasts.levels[shown] ?? null;
  const said =
    forecast && !dragging
      ? `${levelName}: ${forecast.chance ? `about ${Math.round(forecast.chance.chance * 10)} hits in 10, ` : ''}par ${forecast.par}.`
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
        <AgeChoice ageYears={ageYears} classes={classes} classId={byClass?.id ?? null} onClass={setClassId} dispatch={dispatch} />
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
        <Button $strong isDisabled={readOnly} onPress={() => setOpen('send')}>
          Send to a class
        </Button>
      </Head>
      {state.kind === 'conflict' && (
        <Notice $tone="caution" role="alert">
          {state.problem} <QuietButton onPress={() => window.location.reload()}>Open the newest</QuietButton>{' '}
          <QuietButton onPress={() => void keepMine()}>Keep what is here as a game of its own</QuietButton>
        </Notice>
      )}
      {problem && (
        <Notice $tone="caution" role="alert">
          {problem}
        </Notice>
      )}
      {mend && byClass && !readOnly && (
        <MendOfLevel
          key={`${mend.levelId}${mend.towards}`}
          mend={mend}
          game={game}
          ageYears={ageYears}
          skill={skill}
          className={byClass.name}
          dispatch={dispatch}
        />
      )}
      <Table>
        <div>
          <ChartTools
            level={level}
            levelIndex={shown}
            levelName={levelName}
            picked={picked}
            acts={acts}
            dispatch={dispatch}
            snap={snap}
            onSnap={setSnap}
            taping={taping}
            onTape={setTaping}
            onCupboard={() => setOpen('cupboard')}
            readOnly={readOnly}
            keep={[
              {
                acts: [
                  { id: 'svg', label: `Drawing of ${levelName}, SVG to scale`, act: () => void keepDrawing(level, levelName, 'svg') },
                  { id: 'png', label: `Drawing of ${levelName}, PNG to scale`, act: () => void keepDrawing(level, levelName, 'png') },
                  { id: 'file', label: 'The game as a file', act: () => window.location.assign(`/api/v1/games/${id}/file`) },
                ],
              },
              { acts: readOnly ? [] : [{ id: 'copy', label: 'A second game like this one', act: () => void duplicate() }] },
            ]}
          />
          <div ref={chart}>
            <Chart
              level={level}
              levelIndex={shown}
              stepM={stepM}
              past={picked.length === 1 ? past : null}
              floor={forecasts.floor}
              forecast={forecast}
              picked={picked}
              onPick={setPicked}
              dispatch={dispatch}
              snap={snap}
              onlyHere={onlyHere}
              misfits={marked}
              onMisfit={openMisfit}
              onKey={(key) => actByKey(acts, key)}
              taping={taping}
              readOnly={readOnly}
            >
              {moment && <Players moment={moment} px={px} />}
            </Chart>
          </div>
        </div>
        {trying ? (
          <TryIt
            key={`${shown}`}
            level={level}
            levelName={levelName}
            ageYears={ageYears}
            onMoment={setMoment}
            onToBeat={
              readOnly
                ? undefined
                : (value, unit) =>
                    dispatch({
                      do: 'edit',
                      change: (now) => ({
                        ...now,
                        levels: now.levels.map((one, index) =>
                          index === shown ? { ...one, toBeat: toBeatOf(level, value, unit, teacher, today) } : one,
                        ),
                      }),
                    })
            }
            onClose={() => setTrying(false)}
          />
        ) : (
          <Side>
            <Leaves<LeafId>
              label="What to look at"
              on={leaf}
              onTurn={setLeaf}
              leaves={[
                {
                  id: 'rules',
                  title: 'Rules',
                  children: (
                    <SideStack>
                      <Misfits misfits={misfits} looked={looked} dispatch={dispatch} onPick={setPicked} onWays={openWays} readOnly={readOnly} />
                      {!readOnly && game.levels.length > 1 && (
                        <OnlyHere>
                          <input type="checkbox" checked={onlyHere} onChange={(event) => setOnlyHere(event.target.checked)} /> change {levelName} only
                        </OnlyHere>
                      )}
                      <RulesPanel
                        level={level}
                        game={game}
                        shown={shown}
                        levelName={levelName}
                        onlyHere={onlyHere}
                        onWays={openWays}
                        dispatch={dispatch}
                        readOnly={readOnly}
                      />
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
                    </SideStack>
                  ),
                },
                {
                  id: 'layout',
                  title: 'Layout',
                  open: misfits.length,
                  children: (
                    <SideStack>
                      <Misfits misfits={misfits} looked={looked} dispatch={dispatch} onPick={setPicked} onWays={openWays} readOnly={readOnly} />
                      {!readOnly && game.levels.length > 1 && (
                        <OnlyHere>
                          <input type="checkbox" checked={onlyHere} onChange={(event) => setOnlyHere(event.target.checked)} /> move things at{' '}
                          {levelName} only (marks always are)
                        </OnlyHere>
                      )}
                      <LayoutLeaf
                        game={game}
                        level={level}
                        levelIndex={shown}
                        ageYears={ageYears}
                        picked={picked}
                        onPick={setPicked}
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
                      saveNow={saveNow}
                      savedAt={state.kind === 'saved' ? state.at : null}
                      readOnly={readOnly}
                    />
                  ),
                },
              ]}
            />
          </Side>
        )}
      </Table>
      <LevelStrip
        game={game}
        shown={shown}
        onShow={setShown}
        forecasts={forecasts.levels}
        stepM={stepM}
        ageYears={ageYears}
        audienceName={audience}
        skill={skill}
        dispatch={dispatch}
        onCompare={() => setOpen('compare')}
        readOnly={readOnly}
      />
      <Foot>
        <Lengths level={level} levelIndex={shown} past={past} picked={picked} dispatch={dispatch} readOnly={readOnly} />
        <Probe chart={chart} level={level} ageYears={ageYears} skill={skill} from={from} />
        <span>
          {forecasts.floor && forecasts.floor.bands.length > 0 ? 'small figures: hits in 100 · ' : ''}
          <QuietButton onPress={() => setKeysShown(!keysShown)}>? for keys</QuietButton>
        </span>
      </Foot>
      {keysShown && (
        <Notice $tone="remark">
          1 to 6: show a level · Tab: next thing · arrows: move it 10 cm · Shift and arrow: 50 cm · Alt and arrow: 1 cm · Space: pick it as well ·
          Enter: one pin of a set alone · a: all of its group · d: once more · r, Shift R: turn by 15° · +, −: wider apart, closer · l: lock · g: move
          as one · Delete: take away · m: tape · Alt while dragging: no grid · Ctrl Z, Ctrl Shift Z: undo, redo · ?: this list
        </Notice>
      )}
      <Spoken role="status">{said}</Spoken>
      {open === 'send' && (
        <SendDialog
          isOpen
          onClose={() => setOpen(null)}
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
      {open === 'cupboard' && (
        <Cupboard
          game={game}
          level={level}
          ageYears={ageYears}
          onAdd={onAdd}
          onMarker={(marker) => dispatch({ do: 'edit', change: (now) => ({ ...now, kit: { ...now.kit, marker } }) })}
          onBall={(implement) => dispatch({ do: 'edit', change: (now) => ({ ...now, kit: { ...now.kit, implement } }) })}
          onClose={() => setOpen(null)}
        />
      )}
      {open === 'ways' && (
        <WaysDialog
          game={game}
          onTake={(next) => {
            dispatch({ do: 'mend', game: next });
            setPicked([]);
            setOpen(null);
          }}
          onClose={() => setOpen(null)}
        />
      )}
      {open === 'compare' && <CompareLevels game={game} onClose={() => setOpen(null)} />}
    </Page>
  );
}

/** The mark that is taken hold of at first: the middle one of the first group. */
function firstPicked(level: Game): Picked {
  const first = thingsOf(level).find((thing) => thing.kind === 'place');
  if (first?.kind !== 'place') return [];
  return [{ kind: 'place', group: first.group, index: Math.min(1, level.course.places[first.group]!.length - 1) }];
}

const AgeChoice = memo(function AgeChoice({
  ageYears,
  classes,
  classId,
  onClass,
  dispatch,
}: {
  ageYears: number;
  classes: readonly ClassChoice[];
  classId: string | null;
  onClass: (id: string | null) => void;
  dispatch: Dispatch<DraftAction>;
}) {
  const known = classes.filter((one) => one.fitted);
  const choose = (value: string) => {
    const of = known.find((one) => one.id === value);
    onClass(of?.id ?? null);
    dispatch({ do: 'age', ageYears: of?.ageYears ?? Number(value) });
  };
  return (
    <Shown>
      <span aria-hidden>shown for</span>
      <Select
        hideLabel
        label="Shown for children of"
        value={classId ?? `${ageYears}`}
        choices={[
          ...AGES.map((age) => ({ value: age as string, label: `${age} years` })),
          ...known.map((one) => ({ value: one.id, label: `${one.name}, by its reports` })),
        ]}
        onChange={choose}
      />
    </Shown>
  );
});

function SavedWords({ state }: { state: SaveState }) {
  const words =
    state.kind === 'saving' || state.kind === 'changed'
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
