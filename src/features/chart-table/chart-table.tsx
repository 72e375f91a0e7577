'use client';
import type { Uuid } from '@/contract/ids';
import dynamic from 'next/dynamic';
import type { KnownThing } from '@/core/course/own-things';
import { useCallback, useEffect, useMemo, useReducer, useRef, useState } from 'react';
import type { Added } from '@/core/course/change';
import { runPastFrom } from '@/core/course/flights';
import { misfitsOf, type Misfit } from '@/core/course/fits';
import type { Fitted } from '@/core/progress/fit';
import type { Snap } from '@/core/course/snap';
import { spotOf } from '@/core/course/things';
import type { Moment } from '@/core/forecast/watch';
import { stepPace } from '@/core/measure/lengths';
import { ofClass } from '@/core/progress/by-family';
import { stepLengthM } from '@/core/measure/stature';
import type { Game } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { QuietButton } from '@/ui/button';
import { Notice, Spoken } from '@/ui/notice';
import { send } from '@/ui/post';
import { centimetresAPixel, Chart, type Picked } from './chart';
import { actByKey, actsOn, ChartTools } from './chart-tools';
import { CompareLevels } from './compare-levels';
import { ChartHead } from './chart-head';
import { ChartLeaves, type LeafId } from './chart-leaves';
import { Foot, TablePage, Table } from './chart-table-style';
import { beginDraft, changeDraft } from './draft';
import { keepDrawing } from './export-drawing';
import { LevelStrip } from './levels/level-strip';
import { MendOfLevel, type LevelToMend } from './mend-of-level';
import { Probe } from './probe';
import { Lengths } from './lengths';
import { SendDialog, type ClassChoice } from './send-dialog';
import { asMine, firstPicked, firstShown, keyMeans, levelAt, saidOf, shownOf, soundingWords, withToBeat } from './table-model';
import { TryIt } from './try-it';
import { Players } from './watch';
import { useAutosave } from '@/ui/use-autosave';
import { useForecast } from './use-forecast';
import { keptHistory, useKeptHistory } from './use-kept-history';
import { useRacks } from './use-racks';

const Cupboard = dynamic(() => import('./cupboard').then((module) => module.Cupboard), { ssr: false });
const WaysDialog = dynamic(() => import('./ways-dialog'), { ssr: false });
const ShowDialog = dynamic(() => import('../show/show-dialog'), { ssr: false });

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
  /** Things of the teacher's own in the school's games. */
  readonly ownThings?: readonly KnownThing[];
  /** What others measured with the game as it came, until a class has reported enough. */
  readonly byOthers?: Fitted | null;
  /** A level that was too easy or too hard for a class, to be mended. */
  readonly mend?: LevelToMend | null;
}

const NOTHING_ASKED: readonly number[] = [];

/** The chart table: one game on its floor, its rules in sentences, its levels with what will likely happen. */
export function ChartTable({
  id,
  game: firstGame,
  ageYears: firstAge,
  revision,
  classes,
  readOnly,
  today,
  teacher,
  ownThings = [],
  byOthers = null,
  mend = null,
}: ChartTableProps) {
  const [history, dispatch] = useReducer(changeDraft, null, () => beginDraft(firstGame, firstAge));
  const { game, ageYears } = history.now;
  const [classId, setClassId] = useState<string | null>(mend?.classId ?? null);
  // By its own reports as long as the age is that of the class.
  const byClass = classes.find((one) => one.id === classId && one.ageYears === ageYears);
  // What others measured, they measured with the game as it was: of another content it says nothing.
  const others = useMemo(() => byOthers && (JSON.stringify(game) === JSON.stringify(firstGame) ? byOthers : null), [byOthers, game, firstGame]);
  const fitted = byClass?.fitted ?? others;
  const [wanted, setWanted] = useState(() => levelAt(game, firstShown(game, mend?.levelId)));
  const shown = shownOf(game, wanted);
  const [pickedNow, setPicked] = useState<Picked>(() => firstPicked(resolveLevel(game, 0)));
  const [open, setOpen] = useState<'send' | 'cupboard' | 'ways' | 'compare' | 'show' | null>(null);
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
  const { state, saveNow } = useAutosave({
    url: `/api/v1/games/${id}`,
    what: 'game',
    value: useMemo(() => ({ game, ageYears }), [game, ageYears]),
    revision,
  });
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
  const of = useMemo(() => ofClass(level, fitted), [level, fitted]);
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
    const answer = await send<{ id: string }>('POST', '/api/v1/games/import', { game: asMine(game), ageYears });
    if (answer.ok && answer.value) window.location.assign(`/games/${answer.value.id}`);
    else setProblem(answer.problem);
  };

  useEffect(() => {
    const keys = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement;
      const held = { ctrl: event.ctrlKey || event.metaKey, shift: event.shiftKey, alt: event.altKey };
      const means = keyMeans(event.key, held, typing, game.levels.length);
      if (!means) return;
      if (means.do === 'undo' || means.do === 'redo') {
        event.preventDefault();
        dispatch({ do: means.do });
      } else if (means.do === 'keys') setKeysShown((on) => !on);
      else if (means.do === 'tape') setTaping((on) => !on);
      else setWanted(levelAt(game, means.level));
    };
    window.addEventListener('keydown', keys);
    return () => window.removeEventListener('keydown', keys);
  }, [game]);

  const forecast = forecasts.levels[shown] ?? null;
  const said = forecast && !dragging ? saidOf(levelName, forecast) : '';
  return (
    <TablePage>
      <ChartHead
        game={game}
        ageYears={ageYears}
        history={history}
        classes={classes}
        classId={byClass?.id ?? null}
        onClass={setClassId}
        state={state}
        trying={trying}
        onTry={() => setTrying(!trying)}
        onShow={() => setOpen('show')}
        onSend={() => setOpen('send')}
        dispatch={dispatch}
        readOnly={readOnly}
      />
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
          of={of}
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
                  {
                    id: 'measured',
                    label: 'The game with what was measured',
                    says: 'sums of ten children and sixty tries at least',
                    act: () => window.location.assign(`/api/v1/games/set?game=${id}&measured=yes`),
                  },
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
                : (value, unit) => dispatch({ do: 'edit', change: (now) => withToBeat(now, shown, { value, unit }, teacher, today) })
            }
            onClose={() => setTrying(false)}
          />
        ) : (
          <ChartLeaves
            id={id}
            leaf={leaf}
            onLeaf={setLeaf}
            game={game}
            level={level}
            shown={shown}
            ageYears={ageYears}
            audience={audience}
            asked={history.now.asked ?? NOTHING_ASKED}
            forecast={forecast}
            forecastFailed={forecasts.failed}
            racks={racks}
            misfits={misfits}
            looked={looked}
            picked={picked}
            onPick={setPicked}
            onlyHere={onlyHere}
            onOnlyHere={setOnlyHere}
            onWays={openWays}
            state={state}
            saveNow={saveNow}
            dispatch={dispatch}
            readOnly={readOnly}
          />
        )}
      </Table>
      <LevelStrip
        game={game}
        shown={shown}
        onShow={setWanted}
        forecasts={forecasts.levels}
        stepM={stepM}
        ageYears={ageYears}
        audienceName={audience}
        fitted={fitted}
        dispatch={dispatch}
        onCompare={() => setOpen('compare')}
        readOnly={readOnly}
      />
      <Foot>
        <Lengths level={level} levelIndex={shown} past={past} picked={picked} dispatch={dispatch} readOnly={readOnly} />
        <Probe chart={chart} level={level} ageYears={ageYears} of={of} from={from} />
        <span>
          {forecasts.floor && forecasts.floor.bands.length > 0 && soundingWords(level)}
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
          {...(others?.others && { others: others.others })}
          today={today}
          saveFirst={saveNow}
          racks={racks.tables}
        />
      )}
      {open === 'cupboard' && (
        <Cupboard
          ownThings={ownThings}
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
      {open === 'show' && (
        <ShowDialog gameId={id} levelId={game.levels[shown]!.id} level={level} pace={stepPace(stepM)} onClose={() => setOpen(null)} />
      )}
      {open === 'compare' && <CompareLevels game={game} onClose={() => setOpen(null)} />}
    </TablePage>
  );
}
