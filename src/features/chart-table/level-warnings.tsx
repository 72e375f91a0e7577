'use client';
import { useMemo, type Dispatch } from 'react';
import type { LevelForecast } from '@/core/forecast/forecast-level';
import { windFrom } from '@/core/forecast/where-from';
import { chanceMends, type ChanceMend } from '@/core/levels/chance-mends';
import { alwaysScores, chosenRates, fairAges, fairPoints, unevenness, worthsOf } from '@/core/levels/fair-points';
import { pacingShift } from '@/core/levels/pacing';
import { isAimed, levelChance } from '@/core/levels/solve';
import { stepLengthM } from '@/core/measure/stature';
import { pinOf } from '@/core/motion/chain';
import { tippingWind } from '@/core/motion/wind';
import { replacedBy } from '@/core/course/geometry';
import { AIMED, type AimedId } from '@/core/objects/catalogue';
import type { Game, PlacedTarget } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { placeName } from '@/core/rules/telling/place-name';
import { QuietButton } from '@/ui/button';
import { WhereFrom } from '@/ui/where-from';
import { Notice } from '@/ui/notice';
import { useSettled } from '@/ui/use-settled';
import type { DraftAction } from './draft';

/** Hit less often than this a child gives up; hit more often there is nothing to aim for. Assumed. */
const SELDOM = 0.12;
const ALWAYS = 0.93;
/** What a level is brought to when it is too hard or too easy. */
const STILL_HARD = 0.35;
const STILL_EASY = 0.8;
/** One choice that pays so much more than another is the one that a child finds out, as a share; and what is not worth another set of points. Assumed. */
const UNEVEN = 0.2;
/** The latter. */
const NEARLY_AS_FAIR = 0.05;
const AT_REST_MS = 400;
/** A solved level may miss what was asked for by so much before it is said. */
const MISSED = 0.05;

export interface LevelWarningsProps {
  readonly game: Game;
  readonly shown: number;
  readonly forecast: LevelForecast;
  readonly ageYears: number;
  readonly audience: string;
  /** Chances that were asked for, level by level, since distances were last found. */
  readonly asked: readonly number[];
  readonly dispatch: Dispatch<DraftAction>;
  readonly readOnly: boolean;
}

/** What the forecast makes of the level that is shown, where it needs saying, each with its mends: one lever a button. */
export function LevelWarnings({ game, shown, forecast, ageYears, audience, asked, dispatch, readOnly }: LevelWarningsProps) {
  const { name } = game.levels[shown]!;
  const aimed = useMemo(() => isAimed(game), [game]);
  const chance = useMemo(() => (aimed ? levelChance(game, shown, ageYears) : null), [aimed, game, shown, ageYears]);
  const wanted = asked[shown];
  const farthest = forecast.places.length > 0 ? Math.min(...forecast.places.map((place) => place.chance)) : null;
  const problem =
    chance === null
      ? null
      : wanted !== undefined && Math.abs(chance - wanted) > MISSED
        ? { words: `There is no room on this floor for ${inTen(wanted)} in 10 at ${name}: it is about ${inTen(chance)} in 10.`, to: wanted }
        : farthest !== null && farthest < SELDOM
          ? { words: `At ${name} the hardest mark is hit about ${Math.round(farthest * 100)} times in 100 by ${audience}.`, to: STILL_HARD }
          : chance > ALWAYS
            ? { words: `At ${name} nearly every try of ${audience} succeeds.`, to: STILL_EASY }
            : null;
  const to = problem?.to;
  const mends = useMemo(() => (to === undefined || readOnly ? [] : chanceMends(game, shown, to, ageYears)), [game, shown, to, ageYears, readOnly]);
  return (
    <>
      {problem && (
        <Notice $tone={farthest !== null && farthest < SELDOM ? 'caution' : 'open'}>
          {problem.words}{' '}
          {mends.map((mend) => (
            <span key={mend.lever === 'space' ? 'space' : `${mend.object} ${mend.widthM}`}>
              <QuietButton onPress={() => dispatch({ do: 'mend', game: mend.game })}>{mendWords(mend)}</QuietButton>{' '}
            </span>
          ))}
          {mends.length === 0 && !readOnly && 'No distance on it and no other thing comes near; a larger floor or another age would.'}
        </Notice>
      )}
      <Paced game={game} shown={shown} ageYears={ageYears} />
      <Wind game={game} dispatch={dispatch} readOnly={readOnly} />
      <Points game={game} shown={shown} ageYears={ageYears} audience={audience} dispatch={dispatch} readOnly={readOnly} />
    </>
  );
}

/** Marks that come to lie elsewhere when they are paced out, where that changes the chance. */
function Paced({ game: now, shown, ageYears }: Pick<LevelWarningsProps, 'game' | 'shown' | 'ageYears'>) {
  const game = useSettled(now, AT_REST_MS);
  const shift = useMemo(
    () => pacingShift(resolveLevel(game, Math.min(shown, game.levels.length - 1)), { ageYears }, stepLengthM(ageYears)),
    [game, shown, ageYears],
  );
  if (!shift) return null;
  const { meantM, pacedM, meant, paced } = shift;
  return (
    <Notice $tone="remark">
      Paced out in half steps the mark at {meantM.toFixed(1)} m comes to lie at {pacedM.toFixed(1)} m: {Math.round(100 * meant)} in 100 becomes{' '}
      {Math.round(100 * paced)}.
    </Notice>
  );
}

const inTen = (chance: number) => Math.round(chance * 10);

/** "Farthest mark to 2.1 m: about 4 in 10", "Use a bucket there: about 4 in 10". */
function mendWords(mend: ChanceMend): string {
  const what =
    mend.lever === 'space'
      ? `Farthest mark to ${mend.farthestM.toFixed(1)} m`
      : mend.widthM === undefined
        ? `Use a ${AIMED[mend.object].name} there`
        : `Make the ${AIMED[mend.object].name} ${Math.round(mend.widthM * 100)} cm wide there`;
  return `${what}: about ${inTen(mend.chance)} in 10`;
}

/** With something in it a bottle stands in more wind. */
const FILLED = 'weighted-bottle';
const CAN_BE_FILLED: ReadonlySet<AimedId> = new Set(['bottle', 'small-bottle']);

/** Out of doors: the wind that tips what is to be knocked over, and what helps. */
function Wind({ game, dispatch, readOnly }: Pick<LevelWarningsProps, 'game' | 'dispatch' | 'readOnly'>) {
  const { floor, targets } = game.course;
  const light = Object.values(targets)
    .flat()
    .find((target) => target.standM === 0 && pinOf(AIMED[target.object], target) !== null && target.object !== FILLED);
  if (!light || (floor.surface !== 'grass' && floor.surface !== 'tarmac')) return null;
  const of = (object: AimedId) => tippingWind(pinOf(AIMED[object], light)!);
  const { leastMs, mostMs, forecastMs } = of(light.object);
  if (mostMs > STRONG_WIND_MS) return null;
  const filled = (target: PlacedTarget) => (CAN_BE_FILLED.has(target.object) ? replacedBy(target, FILLED) : target);
  const mended: Game = {
    ...game,
    course: { ...game.course, targets: Object.fromEntries(Object.entries(targets).map(([group, list]) => [group, list.map(filled)])) },
  };
  return (
    <Notice $tone="remark">
      Wind of {leastMs.toFixed(1)} to {mostMs.toFixed(1)} m/s where it stands tips a {AIMED[light.object].name}: about {Math.round(forecastMs)} m/s in
      a forecast. <WhereFrom what="these winds" lines={windFrom} />{' '}
      {CAN_BE_FILLED.has(light.object) && (
        <>
          With water or rice in the bottom about {Math.round(of(FILLED).forecastMs)}, and it is much harder to fell.{' '}
          {!readOnly && <QuietButton onPress={() => dispatch({ do: 'mend', game: mended })}>Put some in</QuietButton>}
        </>
      )}
    </Notice>
  );
}

/** Nobody sends children out in more. Assumed. */
const STRONG_WIND_MS = 9;

/** Where a child chooses: what it comes to if it always chooses the same, and points by which none is the only one worth trying. */
function Points({ game: now, shown, ageYears, audience, dispatch, readOnly }: Omit<LevelWarningsProps, 'forecast' | 'asked'>) {
  // Goes are played for it: once nothing has been dragged for a moment.
  const game = useSettled(now, AT_REST_MS);
  const found = useMemo(() => {
    const level = resolveLevel(game, Math.min(shown, game.levels.length - 1));
    const [chosen] = chosenRates(level, ageYears);
    const scores = chosen ? alwaysScores(level, ageYears) : null;
    if (!chosen || !scores) return null;
    const group = level.parts[chosen.part]!.groups[chosen.group]!;
    const points = fairPoints(chosen.rates);
    return {
      always: scores.map((score, index) => `${group.labels?.[index] ?? placeName(index, scores.length)} ${score.toFixed(0)}`).join(', '),
      uneven: unevenness(worthsOf(level, chosen)),
      points: points.join(', '),
      after: unevenness(points.map((value, index) => value * chosen.rates[index]!)),
      ages: fairAges(game, Math.min(shown, game.levels.length - 1)),
    };
  }, [game, shown, ageYears]);
  if (!found) return null;
  const { always, uneven, points, after, ages } = found;
  const inHundred = (share: number) => `${Math.round(100 * share)}%`;
  const { name } = now.levels[shown]!;
  if (uneven > Math.max(UNEVEN, after + NEARLY_AS_FAIR))
    return (
      <Notice $tone="open">
        Whoever always chooses the same comes at {name} to {always}: the best pays {inHundred(uneven)} more than the worst. With {points} it would be{' '}
        {inHundred(after)}. {!readOnly && <QuietButton onPress={() => dispatch({ do: 'fair-points', level: shown })}>Make points fair</QuietButton>}
      </Notice>
    );
  return (
    <Notice $tone="remark">
      Points are fair at {name} for {audience}
      {ages.length > 1 ? ` (from ${ages[0]} to ${ages.at(-1)} years)` : ''}: whoever always chooses the same comes to {always}.
    </Notice>
  );
}
