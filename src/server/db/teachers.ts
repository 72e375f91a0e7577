import type { Uuid } from '@/contract/ids';
import { NEWEST_NEWS } from '../today/news';
import { newId, toBytes, toText } from './ids';
import { change, firstRow, type Db } from './pool';
import type { PersonRole } from '@/contract/people';

export interface Account {
  readonly teacherId: Uuid;
  readonly schoolId: Uuid;
  readonly passwordHash: string;
  readonly name: string;
}

export async function accountByEmail(email: string): Promise<Account | undefined> {
  const row = await firstRow<{ id: Buffer; school_id: Buffer; password_hash: string; name: string }>(
    'SELECT t.id, m.school_id, t.password_hash, t.name FROM teachers t JOIN memberships m ON m.teacher_id = t.id WHERE t.email = ? AND m.closed_at IS NULL LIMIT 1',
    [email],
  );
  return row && { teacherId: toText(row.id), schoolId: toText(row.school_id), passwordHash: row.password_hash, name: row.name };
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
  await change(db, 'INSERT INTO memberships (school_id, teacher_id, role) VALUES (?, ?, ?)', [toBytes(teacher.schoolId), id, teacher.role]);
  return toText(id);
}
