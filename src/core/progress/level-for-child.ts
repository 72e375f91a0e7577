/** At which level of a game a child should play next, and why in a few words: by its own tries at this game first, else by its skill at others. */
import { fromWords, whatNext, type NextAsk, type NextKind } from './what-next';

export interface LevelOfGame {
  readonly id: string;
  readonly name: string;
  /** The chance of a hit there by what is known of the child; null where nothing is aimed at. */
  readonly chance: number | null;
}

export interface PlayedHere extends Pick<NextAsk, 'tries' | 'hits' | 'fromM' | 'felt'> {
  readonly levelId: string;
}

export interface LevelForChild {
  /** Null where nothing is known: the level of all. */
  readonly levelId: string | null;
  readonly why: string;
}

const STEP: Readonly<Record<NextKind, -1 | 0 | 1>> = { 'easier-level': -1, 'harder-level': 1, more: 0, same: 0, nearer: 0, farther: 0 };
/** The chance that a level should have for a child: the middle of a third to two thirds, between which a level is right. Assumed. */
const WANTED_CHANCE = 0.5;
/** Fewer tries at other games say too little of a skill. Assumed. */
const FEW_OF_OTHERS = 20;

/**
 * `levels` from the easiest; `here` is the level of this game that was played last, null for none; `others` are the tries at other games that
 * the chances rest on.
 */
export function levelForChild(levels: readonly LevelOfGame[], here: PlayedHere | null, others: number): LevelForChild {
  const index = here ? levels.findIndex(({ id }) => id === here.levelId) : -1;
  const level = levels[index];
  if (here && level) {
    if (here.tries === 0) return byFeeling(levels, index, here);
    const nameAt = (at: number) => (levels[at] ? { name: levels[at].name, chance: null } : null);
    const { kind } = whatNext({ ...here, level: level.name, before: nameAt(index - 1), after: nameAt(index + 1) });
    const next = levels[index + STEP[kind]] ?? level;
    const tried = `${here.hits} of ${here.tries} at ${fromWords(here.fromM)}`;
    return { levelId: next.id, why: `${tried}: ${next === level ? `${level.name} again` : `${next.name}, after ${level.name}`}` };
  }
  const known = levels.filter((one): one is LevelOfGame & { chance: number } => one.chance !== null);
  if (others < FEW_OF_OTHERS || known.length === 0) return { levelId: null, why: others === 0 ? 'nothing is known yet' : 'too little is known yet' };
  const nearest = known.reduce((best, one) => (Math.abs(one.chance - WANTED_CHANCE) < Math.abs(best.chance - WANTED_CHANCE) ? one : best));
  return { levelId: nearest.id, why: `by ${others} tries at other games: ${nearest.name}, about ${Math.round(10 * nearest.chance)} in 10` };
}

/** Where no try is counted, by how it felt. */
function byFeeling(levels: readonly LevelOfGame[], index: number, { felt }: PlayedHere): LevelForChild {
  const level = levels[index]!;
  const next = felt === 'hard' ? levels[index - 1] : felt === 'easy' ? levels[index + 1] : undefined;
  if (next) return { levelId: next.id, why: `${level.name} felt ${felt}: ${next.name}` };
  return {
    levelId: level.id,
    why: felt === null ? `played at ${level.name}: again` : `${level.name} felt ${felt === 'right' ? 'right' : felt}: again`,
  };
}
