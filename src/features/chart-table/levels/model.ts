/** What the level strip says of a level. No interface here. */
import { distancesOf } from '@/core/course/geometry';
import type { LevelForecast } from '@/core/forecast/forecast-level';
import { changedSince } from '@/core/levels/to-beat';
import { stepPace, toParts } from '@/core/measure/lengths';
import { changesBetween } from '@/core/rules/telling/changes';
import type { Game, Level } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { readThrowRules } from '@/core/rules/format/throw-rules';

const MOST_TOLD = 2;

/** "farther: 1.3–2.7 m, was 0.9–1.9 m": what sets a level apart from the one before it, distances left out where they stand above. */
export function differenceWords(game: Game, index: number): string {
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

export const inTen = (chance: number) => Math.round(chance * 10);

/** True where a child chooses among marks or targets of different worth: their points can be made fair. */
export const hasChoice = (game: Game): boolean =>
  readThrowRules(game) !== null ||
  game.parts.some((part) => Object.values(part.groups).some((group) => group.order === 'free' && (group.value?.length ?? 0) > 1));

/** The game with a score at which a child may move up from this level; null for none. */
export const withMoveUpAt = (game: Game, level: number, moveUpAt: number | null): Game => ({
  ...game,
  levels: game.levels.map((one, index) => {
    if (index !== level) return one;
    const { moveUpAt: _old, ...rest } = one;
    return moveUpAt === null ? rest : { ...rest, moveUpAt };
  }),
});

/** "1.3–2.7 m", "2½ to 5 steps": from the nearest to the farthest mark; null without marks. */
export function reachWords(distancesM: readonly number[], stepM: number): { readonly metres: string; readonly steps: string } | null {
  if (distancesM.length === 0) return null;
  const [near, far] = [Math.min(...distancesM), Math.max(...distancesM)];
  const figure = (lengthM: number) => toParts(lengthM, stepPace(stepM)).figure;
  return {
    metres: `${near.toFixed(1) === far.toFixed(1) ? near.toFixed(1) : `${near.toFixed(1)}–${far.toFixed(1)}`} m`,
    steps: `${figure(near) === figure(far) ? '' : `${figure(near)} to `}${toParts(far, stepPace(stepM)).words}`,
  };
}

/** Metres from each mark of a level, as one text, so that a column is drawn again only when its own lengths change. */
export const distancesText = (game: Game): string => distancesOf(game).join(' ');
export const readDistances = (text: string): readonly number[] => (text === '' ? [] : text.split(' ').map(Number));

/** "to beat 41 (Ms Tarn, from 2.7 m)", and what has changed since. */
export function beatWords(there: Game, { toBeat }: Level): string {
  if (!toBeat) return '';
  const far = toBeat.setUp.distancesM.length > 0 ? `, from ${Math.max(...toBeat.setUp.distancesM).toFixed(1)} m` : '';
  const changed = changedSince(there, toBeat);
  return `to beat ${toBeat.value} (${toBeat.by}${far})${changed.length > 0 ? `: ${changed.join(', ')}` : ''}`;
}

/** What else there is to say of a level: from near to far, how many come to the end, how far pins can be trusted, what differs. */
export function remarksOf(forecast: LevelForecast, differs: string): readonly string[] {
  return [
    ...nearAndFar(forecast),
    ...parWords(forecast),
    ...(forecast.endless ? ['the rules tell no end: left after 400 tries, so the score says little'] : []),
    ...(forecast.finishShare < 0.995 ? [`${inTen(forecast.finishShare)} in 10 get to the end`] : []),
    ...forecast.ways.map(waysWords),
    ...(forecast.pins ? [pinsWords(forecast.pins)] : []),
    ...(forecast.rough === 'none' ? [] : [ROUGH_WORDS[forecast.rough]]),
    ...(differs === '' ? [] : [differs]),
  ];
}

/** "First holt: left of the pillow 2.4 strokes, right of it 3.1, through the reeds 2.9". */
function waysWords({ part, ways }: LevelForecast['ways'][number]): string {
  const told = ways.map(({ side, thing, drawn, strokes }, index) => {
    const where = side === null ? `through the ${thing}` : index === 0 ? `${side} of the ${thing}` : side;
    return `${where}${drawn ? ' as drawn' : ''} ${strokes.toFixed(1)}${index === 0 ? ' strokes' : ''}`;
  });
  return `${part === '' ? '' : `${part}: `}${told.join(', ')}`;
}

/** "2.7 pins a roll, 2.3 to 3.2 as the floor grips". */
const pinsWords = ({ mean, low, high }: NonNullable<LevelForecast['pins']>): string =>
  `${mean.toFixed(1)} pins a roll, ${low.toFixed(1)} to ${high.toFixed(1)} as the floor grips`;

/** "par 36 to 47" where the class may well be wilder or steadier. */
const parWords = ({ parLow, parHigh }: Pick<LevelForecast, 'parLow' | 'parHigh'>): readonly string[] =>
  parLow === parHigh ? [] : [`par ${parLow} to ${parHigh}`];

/** From the nearest place to the farthest; of a box its nearest point and its farthest. */
function nearAndFar({ places }: LevelForecast): readonly string[] {
  const all = places.flatMap((place) => (place.ends ? [place.ends.nearest, place.ends.farthest] : [place]));
  if (all.length < 2) return [];
  const near = all.reduce((one, other) => (other.distanceM < one.distanceM ? other : one));
  const far = all.reduce((one, other) => (other.distanceM > one.distanceM ? other : one));
  const boxes = places.some(({ ends }) => ends) ? ', played from the middle of each box' : '';
  return [`${inTen(near.chance)} near, ${inTen(far.chance)} far${boxes}`];
}

function triesWords(throws: number, thrown: boolean): string {
  const n = Math.round(throws);
  return `${n} ${thrown ? (n === 1 ? 'throw' : 'throws') : n === 1 ? 'try' : 'tries'}`;
}

function sayTime(seconds: number): string {
  return seconds < 120 ? `${Math.round(seconds)} s` : `${(seconds / 60).toFixed(1)} min`;
}

/** "likely 10 to 39 · 13 throws · 90 s a go". */
export const likelyWords = (forecast: LevelForecast, thrown: boolean): string =>
  `likely ${forecast.likelyLow} to ${forecast.likelyHigh} · ${triesWords(forecast.throws, thrown)} · ${sayTime(forecast.seconds)} a go`;
