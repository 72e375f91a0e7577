'use client';
import { memo, useDeferredValue, useMemo, useState, type Dispatch } from 'react';
import styled from 'styled-components';
import { distancesOf } from '@/core/course/geometry';
import { stepPace, toParts } from '@/core/measure/lengths';
import type { LevelForecast } from '@/core/forecast/forecast-level';
import { chanceWords, restsOnWords } from '@/core/forecast/words';
import { easierForms, withEasierForm } from '@/core/levels/easier-forms';
import { MOST_LEVELS, withLevelAdded, withLevelMoved, withLevelRemoved } from '@/core/levels/edit-levels';
import { isAimed } from '@/core/levels/solve';
import { changedSince } from '@/core/levels/to-beat';
import { changesBetween } from '@/core/rules/changes';
import type { Game, Level } from '@/core/rules/game';
import { resolveLevel } from '@/core/rules/level';
import { placeName } from '@/core/rules/place-name';
import { readThrowRules } from '@/core/rules/throw-rules';
import { Button, QuietButton } from '@/ui/button';
import { Menu, type MenuGroup } from '@/ui/menu';
import { NumberSlot } from '@/ui/number-slot';
import { ScoreBand } from '@/ui/score-band';
import { TenDots } from '@/ui/ten-dots';
import type { DraftAction } from './draft';

const Strip = styled.section<{ $levels: number }>`
  display: grid;
  grid-template-columns:
    repeat(${({ $levels }) => $levels}, minmax(${({ $levels }) => ($levels > 3 ? 168 : 200)}px, 1fr))
    ${({ $levels }) => ($levels > 4 ? 196 : 220)}px;
  border-top: 1px solid var(--ink);
  overflow-x: auto;
  scrollbar-width: thin;
`;

const Column = styled.div<{ $on: boolean }>`
  position: relative;
  display: flex;
  flex-direction: column;
  gap: 4px;
  min-width: 0;
  padding: 8px 12px 6px;
  border-right: 1px solid var(--line);
  background: ${({ $on }) => ($on ? 'var(--sheet)' : 'transparent')};
  box-shadow: ${({ $on }) => ($on ? 'inset 0 4px 0 var(--gorse)' : 'none')};
  cursor: pointer;
`;

const Head = styled.div`
  display: flex;
  align-items: baseline;
  gap: 2px 10px;
  flex-wrap: wrap;
  & > button {
    border: 0;
    padding: 0;
    min-height: 26px;
    background: none;
    font-size: 1.0625rem;
    font-weight: 700;
    cursor: pointer;
    text-align: left;
  }
  & input {
    width: auto;
    max-width: 100%;
    field-sizing: content;
    min-height: 26px;
    padding: 0;
    border: 0;
    border-bottom: 2px solid transparent;
    background: none;
    font-size: 1.0625rem;
    font-weight: 700;
  }
  & input:hover,
  & input:focus {
    border-bottom-color: var(--gorse);
  }
  & span {
    color: var(--ink-soft);
    font-size: 0.875rem;
  }
  & b {
    font-weight: 400;
    font-size: 1rem;
  }
`;

const Chance = styled.div`
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 4px 10px;
`;

const Small = styled.p`
  font-size: 0.875rem;
  color: var(--ink-soft);
`;

const Lengths = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  font-size: 0.875rem;
`;

const Finder = styled.div`
  display: flex;
  flex-direction: column;
  gap: 5px;
  padding: 8px 0 6px 14px;
  font-size: 0.9375rem;
  & h2 {
    font-size: 0.9375rem;
  }
  & > button {
    min-height: 30px;
    font-size: 0.9375rem;
  }
  & .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 12px;
    align-items: center;
    font-size: 0.875rem;
  }
`;

export interface LevelStripProps {
  readonly game: Game;
  readonly shown: number;
  readonly onShow: (level: number) => void;
  readonly forecasts: readonly (LevelForecast | null)[];
  readonly stepM: number;
  readonly ageYears: number;
  readonly audienceName: string;
  /** How wild the class is by its reports, as a multiple of its age; 1 without them. */
  readonly skill: number;
  readonly dispatch: Dispatch<DraftAction>;
  readonly onCompare: () => void;
  readonly readOnly?: boolean;
}

const MOST_TOLD = 2;

/** "farther: 1.3–2.7 m, was 0.9–1.9 m": what sets a level apart from the one before it, distances left out where they stand above. */
function differenceWords(game: Game, index: number): string {
  if (index === 0) return '';
  const changes = changesBetween(resolveLevel(game, index - 1), resolveLevel(game, index));
  if (changes.length === 0) return `the same as ${game.levels[index - 1]!.name}`;
  const told = changes.filter((change) => change.lever !== 'space').map((change) => change.words);
  return told.length > MOST_TOLD ? `${told.slice(0, MOST_TOLD).join('; ')} and more` : told.join('; ');
}

/** How far the figures of pins can be trusted. */
const ROUGH_WORDS: Readonly<Record<Exclude<LevelForecast['rough'], 'none'>, string>> = {
  all: 'pins are rough figures',
  leaves: 'pins left by a first ball are rough figures',
};

const inTen = (chance: number) => Math.round(chance * 10);

/** One column a level, up to six: distances, the chance as ten dots, likely scores with par, throws and time; the solver beside them. */
export function LevelStrip({
  game,
  shown,
  onShow,
  forecasts,
  stepM,
  ageYears,
  audienceName,
  skill,
  dispatch,
  onCompare,
  readOnly = false,
}: LevelStripProps) {
  const [wanted, setWanted] = useState<readonly number[]>([8, 6, 4, 3, 2, 2]);
  const plain = readThrowRules(game) !== null;
  const aimed = useMemo(() => plain || isAimed(game), [plain, game]);
  // Marks or targets of different worth to choose among.
  const chosen =
    plain || game.parts.some((part) => Object.values(part.groups).some((group) => group.order === 'free' && (group.value?.length ?? 0) > 1));
  const restsOn = restsOnWords(forecasts.find((one) => one !== null) ?? { restsOn: 0 });
  const n = game.levels.length;
  // What sets levels apart is told a moment later: while something is dragged the frame goes first.
  const settled = useDeferredValue(game);
  const differs = useMemo(() => settled.levels.map((level, index) => [level.id, differenceWords(settled, index)] as const), [settled]);
  return (
    <Strip $levels={n} aria-label="Levels" tabIndex={n > 3 ? 0 : undefined}>
      {game.levels.map((level, index) => {
        const there = resolveLevel(game, index);
        return (
          <LevelColumn
            key={level.id}
            name={level.name}
            index={index}
            on={index === shown}
            distances={distancesOf(there).join(' ')}
            forecast={forecasts[index] ?? null}
            stepM={stepM}
            onShow={onShow}
            dispatch={dispatch}
            readOnly={readOnly}
            plain={readThrowRules(there) !== null}
            group={there.parts[0]!.tasks[0]!.from ?? ''}
            differs={differs.find(([id]) => id === level.id)?.[1] ?? ''}
            beat={beatWords(there, level)}
            narrow={n > 3}
          />
        );
      })}
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
            <Button isDisabled={readOnly} onPress={() => dispatch({ do: 'solve', chances: wanted.slice(0, n).map((tenths) => tenths / 10), skill })}>
              Set the marks
            </Button>
            <Button isDisabled={readOnly || !chosen} onPress={() => dispatch({ do: 'fair-points', level: shown })}>
              Make points fair
            </Button>
          </>
        )}
        <div className="acts">
          {!readOnly && <LevelMenu game={game} shown={shown} ageYears={ageYears} dispatch={dispatch} onShow={onShow} />}
          <QuietButton onPress={onCompare}>Side by side</QuietButton>
          {!readOnly && <MoveUp game={game} shown={shown} par={forecasts[shown]?.par ?? null} dispatch={dispatch} />}
        </div>
        <Small>{aimed ? restsOn : `for ${audienceName} · ${restsOn}`}</Small>
      </Finder>
    </Strip>
  );
}

/** The score at which a child may move up to the next level, at home offered after the go. */
function MoveUp({ game, shown, par, dispatch }: Pick<LevelStripProps, 'game' | 'shown' | 'dispatch'> & { par: number | null }) {
  const level = game.levels[shown]!;
  const next = game.levels[shown + 1];
  if (!next) return null;
  const put = (moveUpAt: number | null) =>
    dispatch({
      do: 'edit',
      change: (now) => ({
        ...now,
        levels: now.levels.map((one, index) => {
          if (index !== shown) return one;
          const { moveUpAt: _old, ...rest } = one;
          return moveUpAt === null ? rest : { ...rest, moveUpAt };
        }),
      }),
    });
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
function LevelMenu({ game, shown, ageYears, dispatch, onShow }: Pick<LevelStripProps, 'game' | 'shown' | 'ageYears' | 'dispatch' | 'onShow'>) {
  const { name } = game.levels[shown]!;
  const full = game.levels.length >= MOST_LEVELS;
  const put = (next: Game, show: number) => {
    dispatch({ do: 'mend', game: next });
    onShow(show);
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

/** "to beat 41 (Ms Tarn, from 2.7 m)", and what has changed since. */
function beatWords(there: Game, { toBeat }: Level): string {
  if (!toBeat) return '';
  const far = toBeat.setUp.distancesM.length > 0 ? `, from ${Math.max(...toBeat.setUp.distancesM).toFixed(1)} m` : '';
  const changed = changedSince(there, toBeat);
  return `to beat ${toBeat.value} (${toBeat.by}${far})${changed.length > 0 ? `: ${changed.join(', ')}` : ''}`;
}

interface LevelColumnProps {
  readonly name: string;
  readonly index: number;
  readonly on: boolean;
  /** Metres from each mark, as one text, so that a column is drawn again only when its own lengths change. */
  readonly distances: string;
  readonly forecast: LevelForecast | null;
  readonly stepM: number;
  readonly onShow: (level: number) => void;
  readonly dispatch: Dispatch<DraftAction>;
  readonly readOnly: boolean;
  /** A game whose marks can be moved and whose throws are forecast. */
  readonly plain: boolean;
  /** The marks of its first task. */
  readonly group: string;
  /** What sets this level apart from the one before. */
  readonly differs: string;
  readonly beat: string;
  /** Many levels stand side by side. */
  readonly narrow: boolean;
}

const LevelColumn = memo(function LevelColumn({
  name,
  index,
  on,
  distances: written,
  forecast,
  stepM,
  onShow,
  dispatch,
  readOnly,
  plain,
  group,
  differs,
  beat,
  narrow,
}: LevelColumnProps) {
  const distances = written === '' ? [] : written.split(' ').map(Number);
  const near = Math.min(...distances);
  const far = Math.max(...distances);
  const steps = (length: number) => toParts(length, stepPace(stepM)).figure;
  return (
    <Column $on={on} onClick={() => onShow(index)}>
      <Head>
        {on && !readOnly ? (
          <input
            key={name}
            aria-label="Name of the level that is shown"
            defaultValue={name}
            size={Math.max(4, name.length)}
            maxLength={24}
            onBlur={(event) => dispatch({ do: 'level-name', level: index, name: event.target.value })}
            onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
          />
        ) : (
          <button type="button" aria-pressed={on} onClick={() => onShow(index)}>
            {name}
          </button>
        )}
        {distances.length > 0 && (
          <>
            <b>{near.toFixed(1) === far.toFixed(1) ? near.toFixed(1) : `${near.toFixed(1)}–${far.toFixed(1)}`} m</b>
            {!narrow && (
              <span>
                {steps(near) === steps(far) ? '' : `${steps(near)} to `}
                {toParts(far, stepPace(stepM)).words}
              </span>
            )}
          </>
        )}
      </Head>
      {forecast ? (
        <>
          {forecast.chance && (
            <Chance>
              <TenDots
                chance={forecast.chance.chance}
                low={forecast.chance.low}
                high={forecast.chance.high}
                label={`About ${inTen(forecast.chance.low)} to ${inTen(forecast.chance.high)} hits in 10`}
              />
              <strong>{chanceWords(forecast.chance)}</strong>
            </Chance>
          )}
          <ScoreBand
            histogram={forecast.histogram}
            lowest={forecast.lowestScore}
            scoreStep={forecast.scoreStep}
            par={forecast.par}
            low={forecast.likelyLow}
            high={forecast.likelyHigh}
            width={narrow ? 142 : 240}
          />
          <Small>
            likely {forecast.likelyLow} to {forecast.likelyHigh} · {triesWords(forecast.throws, plain)} · {sayTime(forecast.seconds)} a go
          </Small>
          <Small>{[...remarksOf(forecast, differs), ...(beat === '' ? [] : [beat])].join(' · ')}</Small>
        </>
      ) : (
        <Small role="status">working it out …</Small>
      )}
      {on && plain && (
        <Lengths onClick={(event) => event.stopPropagation()}>
          {distances.map((length, mark) => (
            <span key={mark}>
              {placeName(mark, distances.length)}{' '}
              {readOnly ? (
                <b>{length.toFixed(2)}</b>
              ) : (
                <NumberSlot
                  label={`${placeName(mark, distances.length)} mark, metres from the target`}
                  value={length}
                  min={0.3}
                  max={20}
                  step={0.1}
                  decimals={2}
                  onChange={(distanceM) => dispatch({ do: 'set-distance', level: index, group, mark, distanceM })}
                />
              )}{' '}
              m
            </span>
          ))}
        </Lengths>
      )}
    </Column>
  );
});

/** What else there is to say of a level: from near to far, how many come to the end, how far pins can be trusted, what differs. */
function remarksOf(forecast: LevelForecast, differs: string): readonly string[] {
  return [
    ...(forecast.places.length > 1 ? [`${inTen(nearest(forecast).chance)} near, ${inTen(farthest(forecast).chance)} far`] : []),
    ...(forecast.finishShare < 0.995 ? [`${inTen(forecast.finishShare)} in 10 get to the end`] : []),
    ...(forecast.rough === 'none' ? [] : [ROUGH_WORDS[forecast.rough]]),
    ...(differs === '' ? [] : [differs]),
  ];
}

const nearest = (forecast: LevelForecast) => forecast.places.reduce((near, place) => (place.distanceM < near.distanceM ? place : near));
const farthest = (forecast: LevelForecast) => forecast.places.reduce((far, place) => (place.distanceM > far.distanceM ? place : far));

function triesWords(throws: number, thrown: boolean): string {
  const n = Math.round(throws);
  return `${n} ${thrown ? (n === 1 ? 'throw' : 'throws') : n === 1 ? 'try' : 'tries'}`;
}

function sayTime(seconds: number): string {
  return seconds < 120 ? `${Math.round(seconds)} s` : `${(seconds / 60).toFixed(1)} min`;
}
