/** A new school year: each class goes up a year with its children, whose records stay with them. */
import type { SignedIn } from '../auth/sessions';
import { childrenOf, enrol, leave } from '../db/children';
import { addClass, classesOf } from '../db/classes';
import { toBytes } from '../db/ids';
import { firstRow } from '../db/pool';
import { audit, yearAt } from '../db/schools';
import { refuse } from '../http/answer';
import { once, type Deed } from '../http/once';
import { schoolYearOf } from '../school-day';
import { dayPlus } from '@/core/measure/days';

const OLDEST = 12;

export interface MovedUp {
  readonly yearName: string;
  readonly classes: number;
  readonly children: number;
  readonly left: number;
}

/** `names` may give a class a new name by its old id; otherwise the name stays. Nothing happens when the next year has classes already. */
export async function moveUp(who: SignedIn, deed: Deed | null, names: Readonly<Record<string, string>>, today: string, now: Date): Promise<MovedUp> {
  const current = await classesOf(who.schoolId, today);
  const firstDay = dayPlus(schoolYearOf(today).endsOn, 1);
  return once(who, deed, now, async (db) => {
    const year = await yearAt(db, who.schoolId, firstDay);
    const there = await firstRow<{ n: number }>('SELECT COUNT(*) AS n FROM classes WHERE school_year_id = ?', [toBytes(year.id)], db);
    if (Number(there?.n) > 0)
      throw refuse(409, '', `The classes of ${year.name} are there already.`, 'Move single children between classes instead.');
    let children = 0;
    let left = 0;
    for (const from of current) {
      const pupils = await childrenOf(from.id, today, db);
      const ageYears = from.ageYears + 1;
      const to =
        ageYears > OLDEST
          ? null
          : await addClass(db, { schoolId: who.schoolId, yearId: year.id, name: names[from.id] ?? from.name, ageYears, movedFrom: from.id }, now);
      for (const child of pupils) {
        await leave(db, child.id, firstDay);
        if (to) await enrol(db, child.id, to, firstDay);
        if (to) children += 1;
        else left += 1;
      }
    }
    await audit(
      db,
      { schoolId: who.schoolId, teacherId: who.teacherId, action: 'school year moved up', detail: { year: year.name, children, left } },
      now,
    );
    return { yearName: year.name, classes: current.length, children, left };
  });
}
