/** The sheets of a week that was sent: each child's own level and step length, and where the score goes back. */
import type { PaperWanted } from '@/contract/paper';
import type { Uuid } from '@/contract/ids';
import { eventOrder } from '@/core/levels/event-order';
import { levelById } from '@/core/rules/format/level';
import { pacedGame } from '@/core/sheet/set-up';
import { tallyOf } from '@/core/sheet/tally';
import { eachDayOfInterval, format, parseISO } from 'date-fns';
import { inGroups } from '@/core/codes/short-code';
import { slipGenerations } from '../db/access-keys';
import { childrenOf, type Child } from '../db/children';
import { transact } from '../db/pool';
import { codesFor } from '../db/short-codes';
import { assignmentsOfChild, versionBody, weekOfSchool, type AssignmentInWeek } from '../db/weeks';
import { inOrder } from '../games/expectations';
import { notFound, refuse } from '../http/answer';
import { schoolDay } from '../school-day';
import { settings } from '../settings';
import { plainLinksOf } from '../weeks/links';
import type { GameOnPaper, Sheet, SheetOf, Slip, WeekOnPaper } from './job';

type PaperKind = PaperWanted['kind'];

export interface WeekPaper {
  readonly schoolId: Uuid;
  readonly weekId: Uuid;
  readonly kind: PaperKind;
  /** All, or those whose family has no device, or one child. */
  readonly who: 'all' | 'paper' | Uuid;
  readonly timeZone: string;
}

async function onPaper(assignment: AssignmentInWeek): Promise<GameOnPaper> {
  const game = await versionBody(assignment.versionId);
  return {
    title: game.title,
    levelName: game.levels.find((level) => level.id === assignment.levelId)?.name ?? '',
    aim: game.aim,
    level: pacedGame(levelById(game, assignment.levelId), assignment.setUp.stepM),
  };
}

export async function sheetsOfWeek({ schoolId, weekId, kind, who, timeZone }: WeekPaper, now: Date): Promise<Sheet[]> {
  const week = await weekOfSchool(schoolId, weekId);
  if (!week) throw notFound('week');
  const today = schoolDay(now, timeZone);
  const all = await childrenOf(week.classId, today);
  const children = all.filter((child) => who === 'all' || (who === 'paper' ? child.medium === 'paper' : child.id === who));
  if (children.length === 0)
    throw refuse(
      400,
      '/who',
      'There is nobody to make a sheet for.',
      who === 'paper' ? 'Choose all, or mark in Classes who plays on paper.' : 'Choose all.',
    );
  const { term, links } = await plainLinksOf(schoolId, week.classId, today, now);
  const codes = await transact(async (db) => {
    const generations = await slipGenerations(
      db,
      term.id,
      children.map(({ id }) => id),
    );
    return codesFor(db, settings().serverKey, { schoolId, termId: term.id, weekId, dueOn: week.dueOn, generations }, now);
  });
  const slipOf = (child: Child): Slip | null => {
    const link = links.find((one) => one.childId === child.id);
    const code = codes.get(child.id);
    if (!link || code === undefined) return null;
    const [page] = link.slipUrl.split('#');
    return { url: link.slipUrl, code: inGroups(code), page: page!.replace(/^https?:\/\//, '') };
  };
  const sheets = await Promise.all(
    children.map(async (child): Promise<Sheet[]> => {
      const mine = (await assignmentsOfChild(child.id, week.termId)).filter((one) => one.week.id === weekId);
      const [first] = mine;
      if (!first) return [];
      const words: WeekOnPaper = { number: week.number, dueOn: week.dueOn, note: week.note, ...first.around };
      const of: SheetOf = { name: `${child.firstName} ${child.initial}`, hand: child.hand ?? 'right', stepM: first.setUp.stepM };
      const games = await Promise.all(mine.map(onPaper));
      switch (kind) {
        case 'home':
          return games.map((game, index) => ({
            kind: 'home',
            of,
            game,
            week: index === 0 ? words : { ...words, warmUp: '', note: '', film: '', filmAlone: false },
            par: mine[index]!.par,
            slip: slipOf(child),
          }));
        case 'event': {
          const { slots } = eventOrder(
            await Promise.all(mine.map(async ({ versionId, levelId, setUp }) => inOrder(await versionBody(versionId), levelId, setUp.ageYears))),
          );
          return [
            {
              kind: 'event',
              of,
              title: week.title || 'This week',
              week: words,
              games: games.map((game, index) => ({
                ...game,
                opensOn: mine[index]!.opensOn,
                slip: slipOf(child),
                slot: slots[index] ?? null,
              })),
              kit: week.kit,
            },
          ];
        }
        case 'frames':
          return games
            .filter(({ level }) => tallyOf(level).some((part) => part.kind === 'frames'))
            .map((game) => ({
              kind: 'frames',
              of,
              game,
              week: words,
              slip: slipOf(child),
            }));
        case 'diary':
          return [{ kind: 'diary', of, week: words, days: daysOf(schoolDay(week.sentAt, timeZone), week.dueOn) }];
      }
    }),
  );
  const found = sheets.flat();
  if (found.length === 0)
    throw refuse(
      400,
      '/kind',
      kind === 'frames' ? 'No game of this week is played in frames.' : 'These children were not sent this week.',
      'Choose another kind of sheet.',
    );
  return found;
}

const MOST_DAYS = 8;

/** The days of the diary: from the day after it was sent to the day it is due. */
function daysOf(sentOn: string, dueOn: string): string[] {
  const days = dueOn > sentOn ? eachDayOfInterval({ start: parseISO(sentOn), end: parseISO(dueOn) }).slice(1) : [parseISO(dueOn)];
  return days.slice(0, MOST_DAYS).map((day) => format(day, 'yyyy-MM-dd'));
}
