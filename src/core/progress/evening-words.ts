/** What is told at a parents' evening, in plain words: of a class and of a child, never of a child beside others. */
import { AIMED, IMPLEMENTS } from '../objects/catalogue';
import { SKILL_NAMES } from '../sheet/teaching-points';
import { counted } from '../rules/telling/counted';
import type { AimedTry } from './evidence';
import { changeOver, type SkillOverWeeks } from './over-the-weeks';
import { inTenWords } from './wilson';

const inTen = ({ low, high }: { readonly low: number; readonly high: number }) => `${inTenWords(low, high)} in 10`;

/** "from 2.1 m at a laundry basket with a sock ball": a body’s form is nobody’s business on paper. */
export const setUpWords = ({ implement, target }: AimedTry, distanceM: number): string =>
  `from ${distanceM.toFixed(1)} m at a ${AIMED[target].name} with a ${IMPLEMENTS[implement].name}`;

/** How a class gets on with a skill, `weekName` says a week. */
export function skillSentence(skill: SkillOverWeeks, weekName: (week: number) => string): string {
  const { aim, distanceM, weeks } = skill;
  const name = SKILL_NAMES[aim.technique];
  const [first, last] = [weeks[0]!, weeks.at(-1)!];
  const where = setUpWords(aim, distanceM);
  const now = `${inTen(last)} succeed ${where}`;
  switch (changeOver(skill)) {
    case 'first':
      return `With the ${name}, ${now}; there is nothing yet to set beside it.`;
    case 'better':
      return `With the ${name}, ${now} by ${weekName(last.week)}; in ${weekName(first.week)} it was ${inTen(first)}. That is surely better.`;
    case 'worse':
      return `With the ${name}, ${now} by ${weekName(last.week)}; in ${weekName(first.week)} it was ${inTen(first)}. That is surely less; what was played since may have been harder to take in.`;
    case 'open':
      return `With the ${name}, ${now} by ${weekName(last.week)}, after ${inTen(first)} in ${weekName(first.week)}: too near each other to call it a change.`;
  }
}

export interface BestToTell {
  readonly gameTitle: string;
  readonly levelName: string;
  readonly unit: string;
  readonly first: number;
  readonly best: number;
  readonly goes: number;
}

/** A child’s own best beside its own first. */
export function bestSentence({ gameTitle, levelName, unit, first, best, goes }: BestToTell): string {
  const now = `${best} ${counted(best, unit)}`;
  if (goes === 1) return `${gameTitle}, ${levelName}: ${now}, in one go so far.`;
  return first === best
    ? `${gameTitle}, ${levelName}: ${now} at the first go, and not beaten in ${goes - 1} more.`
    : `${gameTitle}, ${levelName}: from ${first} at the first go to ${now}, in ${goes} goes.`;
}

/** How often something came in; of a child that sent nothing, that it did not, and no more. */
export function tookPartSentence(name: string, weeks: number, of: number): string {
  if (weeks === 0) return `Nothing of ${name} has come in yet. There may be many reasons; a sheet of paper or a few minutes at school help.`;
  return weeks === of
    ? `${name} took part in ${of === 1 ? 'the one week' : `all ${of} weeks`} so far.`
    : `${name} took part in ${weeks} of ${of} weeks so far.`;
}
