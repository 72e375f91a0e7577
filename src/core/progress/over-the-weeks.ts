/** How a class gets on, skill by skill: the chance at one set-up, week by week, each by what was tried in that week alone. */
import { movementOf } from '../motion/families';
import { chanceWith } from './chance-by-distance';
import type { AimedTry, Tries } from './evidence';
import { fitClass, type Fitted, type ObservedHits } from './fit';

export interface TriedInWeek {
  readonly child: string;
  /** A number that grows by one a week. */
  readonly week: number;
  readonly tries: readonly Tries[];
}

export interface SkillInWeek {
  readonly week: number;
  readonly tries: number;
  /** Of a try at the set-up that the skill is told by, with the middle 80% of what it may be. */
  readonly chance: number;
  readonly low: number;
  readonly high: number;
}

export interface SkillOverWeeks {
  /** What was tried most with this technique, from its middle distance: by that the skill is told. */
  readonly aim: AimedTry;
  readonly distanceM: number;
  readonly weeks: readonly SkillInWeek[];
}

/** Fewer tries of a week say nothing of it. Assumed. */
const FEW = 12;

const total = (tries: readonly Tries[]) => tries.reduce((sum, one) => sum + one.tries, 0);

/** The distance with half of the tries on either side, to a tenth of a metre. */
function middleM(tries: readonly Tries[]): number {
  const inOrder = [...tries].sort((a, b) => a.distanceM - b.distanceM);
  let left = total(tries) / 2;
  const middle = inOrder.find((one) => (left -= one.tries) <= 0) ?? inOrder.at(-1)!;
  return Math.round(10 * middle.distanceM) / 10;
}

/** Skills that were tried in some week, the one that was tried most first. `bend` is the class's own, of all weeks. */
export function skillsOverTheWeeks(seen: readonly TriedInWeek[], { bend }: Pick<Fitted, 'bend'>): SkillOverWeeks[] {
  const all = seen.flatMap(({ tries }) => tries.filter(({ aim }) => aim !== null));
  const techniques = [...new Set(all.map(({ aim }) => aim!.technique))];
  return techniques
    .map((technique) => {
      const mine = all.filter(({ aim }) => aim!.technique === technique);
      const aims = new Map<string, Tries[]>();
      for (const one of mine) {
        const key = JSON.stringify([one.aim!.implement, one.aim!.target, one.aim!.form, one.aim!.otherHand]);
        aims.set(key, [...(aims.get(key) ?? []), one]);
      }
      const [most] = [...aims.values()].sort((a, b) => total(b) - total(a));
      const aim = most![0]!.aim!;
      const distanceM = middleM(most!);
      const weeks = [...new Set(seen.map(({ week }) => week))]
        .sort((a, b) => a - b)
        .flatMap((week): SkillInWeek[] => {
          const observed = seen
            .filter((one) => one.week === week)
            .flatMap(({ child, tries }) =>
              tries
                .filter((one) => one.aim?.technique === technique)
                .map((one): ObservedHits => ({
                  child,
                  attempts: one.tries,
                  hits: one.hits,
                  chance: one.chance,
                  curve: one.curve,
                  distanceM: one.distanceM,
                  ...(movementOf(technique) && { family: movementOf(technique)! }),
                })),
            );
          const tries = observed.reduce((sum, one) => sum + one.attempts, 0);
          if (tries < FEW) return [];
          const { chance, low, high } = chanceWith(aim, distanceM, fitClass(observed, bend).group);
          return [{ week, tries, chance, low, high }];
        });
      return { aim, distanceM, weeks, tries: total(mine) };
    })
    .filter(({ weeks }) => weeks.length > 0)
    .sort((a, b) => b.tries - a.tries)
    .map(({ aim, distanceM, weeks }) => ({ aim, distanceM, weeks }));
}

/** Whether the last week is surely better or worse than the first: only where their intervals do not meet. */
export function changeOver({ weeks }: Pick<SkillOverWeeks, 'weeks'>): 'better' | 'worse' | 'open' | 'first' {
  const [first, last] = [weeks[0], weeks.at(-1)];
  if (!first || !last || first === last) return 'first';
  return last.low > first.high ? 'better' : last.high < first.low ? 'worse' : 'open';
}
