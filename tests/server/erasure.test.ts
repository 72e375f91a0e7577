import { createHash } from 'node:crypto';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { v7 } from 'uuid';
import { newUuid, type Uuid } from '@/contract/ids';
import { POST as report } from '@/app/api/v1/home/reports/route';
import { POST as diary } from '@/app/api/v1/home/diary/route';
import { POST as erase } from '@/app/api/v1/children/[id]/erase/route';
import { everythingAbout } from '@/server/classes/erase-child';
import { addBatch } from '@/server/db/batches';
import { addChild } from '@/server/db/children';
import { addIncoming, incomingOfClass, type Reading } from '@/server/db/incoming';
import { toBytes } from '@/server/db/ids';
import { change, direct, rows, transact } from '@/server/db/pool';
import { settle } from '@/server/reports/settle';
import { schoolDay } from '@/server/school-day';
import { call, envelopeFor, makeSchool, readingOf, sendTo, useOwnSchema, ZONE } from './school';

beforeAll(useOwnSchema);

let folder = '';
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'lochside-'));
  process.env['LOCHSIDE_ERASURES'] = join(folder, 'erasures.jsonl');
});
afterEach(() => {
  delete process.env['LOCHSIDE_ERASURES'];
  delete process.env['LOCHSIDE_MAILBOX'];
  rmSync(folder, { recursive: true });
});

/** Where a text stands in the database: table and column of every row that holds it, whatever its case. */
async function whereStands(text: string): Promise<string[]> {
  const columns = await rows<{ t: string; c: string }>(
    `SELECT table_name AS t, column_name AS c FROM information_schema.columns
      WHERE table_schema = DATABASE() AND data_type IN ('varchar', 'char', 'text', 'mediumtext', 'longtext', 'json')`,
  );
  const found: string[] = [];
  for (const { t, c } of columns) {
    const hits = await rows(`SELECT 1 FROM \`${t}\` WHERE LOWER(CONVERT(\`${c}\` USING utf8mb4)) LIKE ? LIMIT 1`, [`%${text.toLowerCase()}%`]);
    if (hits.length > 0) found.push(`${t}.${c}`);
  }
  return found;
}

describe('unhappy at the server: a child is erased', () => {
  it('its name and address stand nowhere, whichever way they came in; what others wrote stays but for the name', async () => {
    const school = await makeSchool(2);
    const today = schoolDay(new Date(), ZONE);
    const other = school.childIds[1]!;
    const childId = await transact((db) => addChild(db, school.id, school.classId, { firstName: 'Zephyrine', initial: 'Q.' }, today, new Date()));
    const week = await sendTo(school);
    const assignment = await week.assignment(childId);
    const token = await week.token(childId);
    const { total: _total, ...envelope } = await envelopeFor(assignment, [2, 1, 0]);
    const said = { ...envelope.report, word: 'From Zephyrine Q., thanks' };
    expect((await call(report, '/', { token, body: { ...envelope, playId: v7(), report: said } })).status).toBe(201);
    const line = { id: v7(), weekId: week.weekId, day: today, what: 'Zephyrine walked', minutes: 20, initials: 'ZQ', struck: false };
    expect((await call(diary, '/', { token, body: { entries: [line] } })).status).toBe(201);

    const batchId = newUuid();
    const reading = (more: Partial<Reading>) => readingOf({ child: 'Zephyrine', sentence: 'Zephyrine Q. had 7.', ...more });
    await transact(async (db) => {
      await addBatch(
        db,
        { id: batchId, schoolId: school.id, classId: school.classId, teacherId: school.teacherId, kind: 'file', name: 'zephyrine-q scores.csv' },
        new Date(),
      );
      const message = (words: string, more: Partial<Reading>) => ({
        schoolId: school.id,
        classId: school.classId,
        batchId,
        way: 'message' as const,
        source: 'zephyrine.family@example.org',
        sourceHash: createHash('sha256').update(v7()).digest(),
        words,
        reading: reading(more),
        why: 'not-confirmed' as const,
      });
      await addIncoming(
        db,
        [
          message('Zephyrine had 7 points. zephyrine.family@example.org', { childId }),
          message('7 for Zephyrine', {}),
          message('zephyrine 5, to be set aside', { childId }),
          message('settled: Zephyrine 7', { childId }),
        ],
        new Date(),
      );
      // Another child's message that names this one too.
      await addIncoming(
        db,
        [
          {
            ...message('Childb X. had 9, with Zephyrine Q. watching', { child: 'Childb', childId: other, sentence: '' }),
            source: 'other@example.org',
          },
        ],
        new Date(),
      );
    });
    const waiting = await incomingOfClass(school.classId);
    const idOf = (words: RegExp) => waiting.find((one) => words.test(one.words))!.id;
    await settle({ schoolId: school.id, teacherId: school.teacherId }, null, idOf(/set aside/), null, new Date());
    await settle(
      { schoolId: school.id, teacherId: school.teacherId },
      null,
      idOf(/^settled/),
      { assignmentId: assignment.id, levelId: assignment.levelId, total: 7 },
      new Date(),
    );
    await change(direct(), 'INSERT INTO child_notes (child_id, words, written_by, written_at) VALUES (?, ?, ?, ?)', [
      toBytes(other),
      'Plays with Zephyrine Q. at home',
      toBytes(school.teacherId),
      new Date(),
    ]);
    expect((await whereStands('zephyrine')).length).toBeGreaterThan(6);

    // The subject's own file has all that is hers.
    const file = await everythingAbout(childId);
    expect((file['incoming'] as unknown[]).length).toBe(4);

    // The school's own mail, in which nothing is changed: it is told how much of it names the child.
    const mailbox = join(folder, school.id);
    mkdirSync(mailbox);
    const mail = (name: string, words: string) =>
      writeFileSync(join(mailbox, name), `From: a@example.org\r\nSubject: Score\r\nMessage-ID: <${name}@example.org>\r\n\r\n${words}\r\n`);
    mail('one.eml', 'Zephyrine had 7 today.');
    mail('two.eml', 'Zephyrinella had 7 today.');
    process.env['LOCHSIDE_MAILBOX'] = folder;

    const cookie = await school.cookie('teacher');
    const answer = await call(erase, '/', { cookie, body: { name: 'Zephyrine Q.' } }, { id: childId });
    expect(answer).toMatchObject({ status: 200, answer: { erased: true, inMailbox: 1 } });
    expect(await whereStands('zephyrine')).toEqual([]);
    expect(await whereStands(childId)).toEqual([]);
    const left = await incomingOfClass(school.classId);
    expect(left.map(({ words }) => words).filter(Boolean)).toEqual(['Childb X. had 9, with … watching']);
    expect(left.find(({ words }) => words !== '')).toMatchObject({ settledAt: null, source: 'other@example.org' });
    const journal = readFileSync(process.env['LOCHSIDE_ERASURES']!, 'utf8');
    expect(JSON.parse(journal)).toMatchObject({ childId, schoolId: school.id });
    expect(journal.toLowerCase()).not.toContain('zephyrine');
  });

  it('of two with one first name only the one goes', async () => {
    const school = await makeSchool(1);
    const today = schoolDay(new Date(), ZONE);
    const add = (initial: string) => transact((db) => addChild(db, school.id, school.classId, { firstName: 'Ottoline', initial }, today, new Date()));
    const [first, second] = [await add('A.'), await add('B.')];
    const incoming = (words: string, childId: Uuid | null) => ({
      schoolId: school.id,
      classId: school.classId,
      batchId: null,
      way: 'message' as const,
      source: 's',
      sourceHash: createHash('sha256').update(words).digest(),
      words,
      reading: { child: 'Ottoline', childId, sentence: '' } as Reading,
      why: 'not-confirmed' as const,
    });
    await transact((db) => addIncoming(db, [incoming('Ottoline 4', null), incoming('Ottoline B. 6', second)], new Date()));
    const cookie = await school.cookie('teacher');
    expect((await call(erase, '/', { cookie, body: { name: 'Ottoline A.' } }, { id: first })).status).toBe(200);
    expect((await incomingOfClass(school.classId)).map(({ words }) => words).sort()).toEqual(['Ottoline 4', 'Ottoline B. 6']);
  });
});
