import type { Uuid } from '@/contract/ids';
import { NEWEST_NEWS } from '../today/news';
import { newId, toText } from './ids';
import { addMembership } from './people';
import { change, firstRow, type Db } from './pool';
import type { PersonRole } from '@/contract/people';

export interface Account {
  readonly teacherId: Uuid;
  readonly schoolId: Uuid;
  readonly passwordHash: string;
  readonly name: string;
}

/** An account that may sign in, and to which of its schools: where it was last, else the first by name. */
export async function accountByEmail(email: string): Promise<Account | undefined> {
  const row = await firstRow<{ id: Buffer; school_id: Buffer; password_hash: string; name: string }>(
    `SELECT t.id, m.school_id, t.password_hash, t.name
       FROM teachers t JOIN memberships m ON m.teacher_id = t.id JOIN schools sc ON sc.id = m.school_id
      WHERE t.email = ? AND m.closed_at IS NULL
      ORDER BY (SELECT MAX(COALESCE(s.seen_at, s.created_at)) FROM sessions s WHERE s.teacher_id = t.id AND s.school_id = m.school_id) DESC, sc.name
      LIMIT 1`,
    [email],
  );
  return row && { teacherId: toText(row.id), schoolId: toText(row.school_id), passwordHash: row.password_hash, name: row.name };
}

/** The account of an address, and whether it signs in to any school. */
export async function accountOfAddress(email: string, db?: Db): Promise<{ teacherId: Uuid; passwordHash: string; open: boolean } | undefined> {
  const row = await firstRow<{ id: Buffer; password_hash: string; open: number }>(
    `SELECT t.id, t.password_hash, EXISTS (SELECT 1 FROM memberships m WHERE m.teacher_id = t.id AND m.closed_at IS NULL) AS open
       FROM teachers t WHERE t.email = ?${db ? ' FOR UPDATE' : ''}`,
    [email],
    db,
  );
  return row && { teacherId: toText(row.id), passwordHash: row.password_hash, open: row.open === 1 };
}

export async function addTeacher(
  db: Db,
  teacher: { schoolId: Uuid; name: string; email: string; passwordHash: string; role: PersonRole },
  now: Date,
): Promise<Uuid> {
  const id = newId();
  await change(db, 'INSERT INTO teachers (id, email, name, password_hash, created_at, news_told) VALUES (?, ?, ?, ?, ?, ?)', [
    id,
    teacher.email,
    teacher.name,
    teacher.passwordHash,
    now,
    NEWEST_NEWS,
  ]);
  await addMembership(db, teacher.schoolId, toText(id), teacher.role);
  return toText(id);
}
