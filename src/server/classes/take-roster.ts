/**
 * The list of the school's own system taken over: classes and children that are new are added, who is in another class moves, who is not in it is
 * asked about. Children and classes are found again by a keyed hash of their ids there; where there is none yet, by name in the same class.
 */
import type { RosterChanges, RosterToTake } from '@/contract/school-roster';
import type { Uuid } from '@/contract/ids';
import { keyed } from '../auth/tokens';
import type { SignedIn } from '../auth/sessions';
import { addChild, ENROLLED, enrol, leave, renameChild } from '../db/children';
import { addClass } from '../db/classes';
import { toBytes, toText } from '../db/ids';
import { change, rows, type Db } from '../db/pool';
import { audit, yearAt } from '../db/schools';
import { settings } from '../settings';

interface Known {
  readonly id: Uuid;
  readonly firstName: string;
  readonly initial: string;
  readonly key: string | null;
  readonly classId: Uuid | null;
  readonly className: string;
}

/** Every child of the school, with the class that it is in on this day. */
async function childrenOfSchool(db: Db, schoolId: Uuid, day: string): Promise<Known[]> {
  const found = await rows<{
    id: Buffer;
    first_name: string;
    initial: string;
    roster_key: Buffer | null;
    class_id: Buffer | null;
    name: string | null;
  }>(
    `SELECT ch.id, ch.first_name, ch.initial, ch.roster_key, e.class_id, c.name
       FROM children ch LEFT JOIN enrolments e ON e.child_id = ch.id AND ${ENROLLED} LEFT JOIN classes c ON c.id = e.class_id
      WHERE ch.school_id = ?`,
    [day, day, toBytes(schoolId)],
    db,
  );
  return found.map((row) => ({
    id: toText(row.id),
    firstName: row.first_name,
    initial: row.initial,
    key: row.roster_key?.toString('hex') ?? null,
    classId: row.class_id ? toText(row.class_id) : null,
    className: row.name ?? '',
  }));
}

interface KnownClass {
  readonly id: Uuid;
  readonly name: string;
  readonly key: string | null;
}

async function classesOfYear(db: Db, schoolId: Uuid, yearId: Uuid): Promise<KnownClass[]> {
  const found = await rows<{ id: Buffer; name: string; roster_key: Buffer | null }>(
    'SELECT id, name, roster_key FROM classes WHERE school_id = ? AND school_year_id = ?',
    [toBytes(schoolId), toBytes(yearId)],
    db,
  );
  return found.map((row) => ({ id: toText(row.id), name: row.name, key: row.roster_key?.toString('hex') ?? null }));
}

const nameOf = ({ firstName, initial }: { readonly firstName: string; readonly initial: string }) => `${firstName} ${initial}`.trim();

/** Inside one transaction; without `apply` nothing is written and what would be is told. */
export async function takeRoster(db: Db, who: SignedIn, { classes, apply, leavers }: RosterToTake, today: string, now: Date): Promise<RosterChanges> {
  const { schoolId } = who;
  const hashed = (kind: string, key: string) => keyed(settings().serverKey, `roster|${schoolId}|${kind}|${key}`).toString('hex');
  const year = await yearAt(db, schoolId, today);
  const [known, there] = [await childrenOfSchool(db, schoolId, today), await classesOfYear(db, schoolId, year.id)];
  const byKey = new Map(known.flatMap((child) => (child.key ? [[child.key, child]] : [])));
  const changes = { newClasses: [] as string[], added: 0, moved: [] as RosterChanges['moved'][number][], renamed: 0, stay: 0 };
  const inList = new Set<Uuid>();
  const setKey = (table: 'children' | 'classes', id: Uuid, key: string) =>
    change(db, table === 'children' ? 'UPDATE children SET roster_key = ? WHERE id = ?' : 'UPDATE classes SET roster_key = ? WHERE id = ?', [
      Buffer.from(key, 'hex'),
      toBytes(id),
    ]);
  for (const of of classes) {
    const classKey = hashed('class', of.key);
    const same = there.find(({ key }) => key === classKey) ?? there.find(({ key, name }) => key === null && name === of.name);
    let classId = same?.id ?? null;
    if (!same) changes.newClasses.push(of.name);
    if (apply) {
      classId ??= await addClass(db, { schoolId, yearId: year.id, name: of.name, ageYears: of.ageYears }, now);
      if (same?.key !== classKey) await setKey('classes', classId, classKey);
    }
    for (const child of of.children) {
      const childKey = hashed('child', child.key);
      const found =
        byKey.get(childKey) ??
        known.find((one) => one.key === null && classId !== null && one.classId === classId && !inList.has(one.id) && nameOf(one) === nameOf(child));
      if (!found) {
        changes.added += 1;
        if (apply) await setKey('children', await addChild(db, schoolId, classId!, child, today, now), childKey);
        continue;
      }
      // In two classes of the list a child is in the first of them.
      if (inList.has(found.id)) continue;
      inList.add(found.id);
      const isHere = classId !== null && found.classId === classId;
      if (isHere) changes.stay += 1;
      else changes.moved.push({ name: nameOf(child), from: found.className, to: of.name });
      if (nameOf(found) !== nameOf(child)) changes.renamed += 1;
      if (!apply) continue;
      if (found.key !== childKey) await setKey('children', found.id, childKey);
      if (nameOf(found) !== nameOf(child)) await renameChild(db, found.id, child);
      if (!isHere) {
        await leave(db, found.id, today);
        await enrol(db, found.id, classId!, today);
      }
    }
  }
  const missing = known.filter(({ id, key, classId }) => key !== null && classId !== null && !inList.has(id));
  const leaving = missing.filter(({ id }) => leavers.includes(id));
  if (apply) {
    for (const { id } of leaving) await leave(db, id, today);
    const detail = { classes: changes.newClasses.length, added: changes.added, moved: changes.moved.length, left: leaving.length };
    await audit(db, { schoolId, teacherId: who.teacherId, action: 'list taken over', detail }, now);
  }
  return {
    ...changes,
    missing: missing.map((child) => ({ id: child.id, name: nameOf(child), className: child.className })),
    left: apply ? leaving.length : 0,
  };
}
