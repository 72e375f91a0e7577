/** What the first page says of each class, and where each line leads. No interface here. */
import type { ClassToday, LastFit, Today, WeekOut } from '@/contract/today';
import { dayPlus, dayShort } from '@/core/measure/days';
import { judgedWords } from '@/core/progress/level-fit';

/** One line and the place where it is dealt with. */
export interface Line {
  readonly words: string;
  readonly href: string;
  /** It leads to what a helper may not do. */
  readonly forTeachers?: true;
  /** Something went wrong, or is late. */
  readonly wrong?: boolean;
}

/** Among so many days since it was sent, and with so many usually in by now, silence is odd. Assumed. */
const ODD_AFTER_DAYS = 2;
const ODD_FROM = 3;

const some = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`;

const builder = (classId: string, gameId?: string, levelId?: string) =>
  `/weeks/new?${new URLSearchParams({ class: classId, ...(gameId && { game: gameId }), ...(levelId && { level: levelId }) })}`;

/** How many usually have reported by today; null without a custom. */
function usualByNow({ usual, byDay, sentTo }: WeekOut): number | null {
  const share = usual?.[Math.min(usual.length, byDay.length) - 1];
  return share === undefined ? null : Math.round(share * sentTo);
}

export function dueWords({ dueOn, takenBack }: WeekOut, today: string): string {
  if (takenBack) return 'taken back';
  if (dueOn === today) return 'due today';
  if (dueOn === dayPlus(today, 1)) return 'due tomorrow';
  const name = dayShort(dueOn);
  // Within a week the name of the day says it.
  if (dueOn > today) return `due ${dueOn < dayPlus(today, 7) ? name.split(' ')[0] : name}`;
  return `was due ${name}`;
}

/** "11 of 24 · usually 14 by now" */
export function reportedWords(week: WeekOut): string {
  const usual = usualByNow(week);
  return `${week.reported} of ${week.sentTo}${usual === null ? '' : ` · usually ${usual} by now`}`;
}

/** What waits to be looked at. */
export function lookLine({ id, doubts, waiting }: ClassToday): Line | null {
  const parts = [...(doubts > 0 ? [some(doubts, 'report', 'reports')] : []), ...(waiting > 0 ? [`${waiting} unclaimed`] : [])];
  return parts.length > 0 ? { words: parts.join(', '), href: `/scores/doubts?class=${id}` } : null;
}

/** What last week says for the next. */
export function nextLine(of: ClassToday): Line | null {
  const { last } = of;
  if (!last) return null;
  const { gameId, levelId, level, fit } = last;
  const to = fit.fit === 'too-easy' ? last.harder : fit.fit === 'too-hard' ? last.easier : null;
  if (fit.fit === 'right') return { words: `${level} fits: once more`, href: builder(of.id, gameId, levelId) };
  const found = fit.fit === 'too-easy' ? 'Too easy' : 'Too hard';
  if (to) return { words: `${found}: ${to.name} next`, href: builder(of.id, gameId, to.id) };
  const mend = fit.fit === 'too-easy' ? 'harder' : 'easier';
  return { words: `${found}: make it ${mend}`, href: `/games/${gameId}?class=${of.id}&level=${levelId}&mend=${mend}` };
}

/** On what that rests. */
export const whyWords = ({ title, fit }: LastFit): string => `${title}: ${judgedWords(fit)}`;

/** What the plan of the term has for the class next, and was not sent yet. */
export function plannedLine({ id, planned }: ClassToday): Line | null {
  if (!planned) return null;
  const { planId, week, title, level } = planned;
  return { words: level ? `${title}, ${level}` : title, href: `/plan?${new URLSearchParams({ plan: planId, class: id, week: `${week + 1}` })}` };
}

/** What is due, and what went wrong. */
export function doLines(of: ClassToday, today: string): readonly Line[] {
  const { id, week, children, unlinked } = of;
  const lines: Line[] = [];
  if (children === 0) return [{ words: 'No children in it yet', href: `/classes/${id}` }];
  const out = week && !week.takenBack && week.dueOn >= today ? week : null;
  if (out) {
    const missing = out.sentTo - out.reported;
    const usual = usualByNow(out);
    if (out.reported === 0 && out.byDay.length > ODD_AFTER_DAYS && (usual ?? 0) >= ODD_FROM)
      lines.push({ words: `No report yet, usually ${usual}`, href: `/weeks/${out.weekId}`, wrong: true });
    else if (missing > 0 && out.dueOn <= dayPlus(today, 1))
      lines.push({ words: `${missing} to come ${out.dueOn === today ? 'today' : 'by tomorrow'}: remind`, href: `/weeks/${out.weekId}` });
  } else {
    if (week?.takenBack) lines.push({ words: `Week ${week.number} was taken back`, href: `/weeks/${week.weekId}`, wrong: true });
    else if (week && week.reported < week.sentTo)
      lines.push({
        words: `Week ${week.number} is over: ${week.sentTo - week.reported} did not report`,
        href: `/scores?class=${id}&week=${week.weekId}`,
      });
    const planned = plannedLine(of);
    lines.push({
      ...(planned ? { ...planned, words: 'Nothing is out: send what is planned' } : { words: 'Nothing is out: build a week', href: builder(id) }),
      forTeachers: true,
    });
  }
  if (unlinked > 0) lines.push({ words: `${unlinked} without link or paper`, href: `/classes/${id}/links`, wrong: true });
  return lines;
}

export interface FirstStep {
  readonly words: string;
  readonly help: string;
  readonly href: string;
  readonly done: boolean;
}

/** What leads a new school to its first week: each step can be taken at once, whichever are done. */
export function steps({ begin }: Today): readonly FirstStep[] {
  if (!begin) return [];
  const { classes, classId, children, games } = begin;
  return [
    { words: 'A class', help: 'Its name and about how old they are.', href: '/classes?new', done: classes > 0 },
    {
      words: 'Its children',
      help: 'A pasted list will do: first names and an initial are all that is kept.',
      href: classId ? `/classes/${classId}` : '/classes?new',
      done: children > 0,
    },
    {
      words: 'A first game',
      help: 'From a movement and what is in the house, or one of thirty that are ready.',
      href: '/games/new',
      done: games > 0,
    },
    {
      words: 'The first week',
      help: 'A warm-up, the game, a day by which it is due. Then links or paper for every family.',
      href: '/weeks/new',
      done: false,
    },
  ];
}
