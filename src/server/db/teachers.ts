import type { Uuid } from '@/contract/ids';
import { newId, toBytes, toText } from './ids';
import { change, firstRow, type Db } from './pool';
import type { Role } from '../auth/sessions';

export interface Account {
  readonly teacherId: Uuid;
  readonly schoolId: Uuid;
  readonly passwordHash: string;
}

export async function accountByEmail(email: string): Promise<Account | undefined> {
  const row = await firstRow<{ id: Buffer; school_id: Buffer; password_hash: string }>(
    'SELECT t.id, m.school_id, t.password_hash FROM teachers t JOIN memberships m ON m.teacher_id = t.id WHERE t.email = ? LIMIT 1',
    [email],
  );
  return row && { teacherId: toText(row.id), schoolId: toText(row.school_id), passwordHash: row.password_hash };
}

export async function addTeacher(
  db: Db,
  teacher: { schoolId: Uuid; name: string; email: string; passwordHash: string; role: Role },
  now: Date,
): Promise<Uuid> {
  const id = newId();
  await change(db, 'INSERT INTO teachers (id, email, name, password_hash, created_at) VALUES (?, ?, ?, ?, ?)', [
    id,
    teacher.email,
    teacher.name,
    teacher.passwordHash,
    now,
  ]);
  await change(db, 'INSERT INTO memberships (school_id, teacher_id, role) VALUES (?, ?, ?)', [toBytes(teacher.schoolId), id, teacher.role]);
  return toText(id);
}
