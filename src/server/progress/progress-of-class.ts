/** How a class gets on, skill by skill over its weeks. */
import type { ProgressOfClass } from '@/contract/class-progress';
import type { Uuid } from '@/contract/ids';
import { daysBetween, mondayOf } from '@/core/measure/days';
import { skillsOverTheWeeks } from '@/core/progress/over-the-weeks';
import { playsOfClass } from '../reports/plays';
import { schoolDays } from '../school-day';
import { breath } from './breath';
import { triedPlays } from './curves';
import { fitOfClass } from './fit-of-class';

/** From which weeks are counted. */
const A_MONDAY = '2020-01-06';

export async function progressOfClass(classId: Uuid, timeZone: string): Promise<ProgressOfClass> {
  const plays = await playsOfClass(classId);
  const { group } = await fitOfClass(classId, plays);
  const tried = await triedPlays(plays);
  await breath();
  const dayAt = schoolDays(timeZone);
  const since: Record<number, string> = {};
  const seen = tried.map(({ play, tries }) => {
    const monday = mondayOf(dayAt(play.receivedAt));
    const week = daysBetween(A_MONDAY, monday) / 7;
    since[week] = monday;
    return { child: play.childId, week, tries };
  });
  return { skills: skillsOverTheWeeks(seen, group), since, tries: group.attempts };
}
