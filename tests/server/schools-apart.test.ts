import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { GET as doubts } from '@/app/api/v1/classes/[id]/doubts/route';
import { POST as mailbox } from '@/app/api/v1/classes/[id]/mailbox/route';
import { GET as record } from '@/app/api/v1/children/[id]/record/route';
import { GET as gameFile } from '@/app/api/v1/games/[id]/file/route';
import { schoolMeant } from '@/cli/teacher-add';
import { incomingOfClass } from '@/server/db/incoming';
import { call, makeSchool, sendTo, useOwnSchema } from './school';

beforeAll(useOwnSchema);

let folder = '';
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'lochside-schools-'));
  process.env['LOCHSIDE_MAILBOX'] = folder;
});
afterEach(() => {
  delete process.env['LOCHSIDE_MAILBOX'];
  rmSync(folder, { recursive: true });
});

const message = (id: string, words: string) =>
  `From: family@example.org\nTo: school@example.org\nSubject: score\nMessage-ID: <${id}@example.org>\nContent-Type: text/plain; charset=utf-8\n\n${words}\n`;

describe('unhappy at the server: three schools share it', () => {
  it('each reads the messages of its own folder alone, and none where it has no folder', async () => {
    const schools = [await makeSchool(2), await makeSchool(2), await makeSchool(2)];
    for (const school of schools) await sendTo(school);
    writeFileSync(join(folder, 'loose.eml'), message('loose', 'Childa X. had 7 points in week 1'));
    for (const [n, school] of schools.slice(0, 2).entries()) {
      mkdirSync(join(folder, school.id));
      writeFileSync(join(folder, school.id, 'one.eml'), message(`m${n}`, `Childa X. had ${n + 3} points in week 1`));
    }
    const answers = [];
    for (const school of schools) answers.push(await call(mailbox, '/', { cookie: await school.cookie('teacher') }, { id: school.classId }));
    expect(answers.map(({ status }) => status)).toEqual([201, 201, 409]);
    expect(answers[2]!.answer.problems![0]!.reason).toBe('This school has no mailbox folder yet.');
    const words = await Promise.all(schools.map(async (school) => (await incomingOfClass(school.classId)).map((one) => one.words.trim())));
    expect(words.map((list) => list.length)).toEqual([1, 1, 0]);
    expect(words[0]![0]).toContain('had 3 points');
    expect(words[1]![0]).toContain('had 4 points');
  });

  it('what one asks of another is not there', async () => {
    const [one, other] = [await makeSchool(1), await makeSchool(1)];
    const cookie = await one.cookie('teacher');
    const ask = (route: Parameters<typeof call>[0], id: string) => call(route, '/', { method: 'GET', cookie }, { id });
    expect((await ask(doubts, other.classId)).status).toBe(404);
    expect((await ask(record, other.childIds[0]!)).status).toBe(404);
    expect((await ask(gameFile, other.gameId)).status).toBe(404);
    expect((await ask(doubts, one.classId)).status).toBe(200);
  });

  it('a teacher is added to the school that is meant, or to none', () => {
    const school = (name: string, isDemo = false) => ({ id: name as never, name, timeZone: 'Europe/London', isDemo });
    const two = [school('Burnside'), school('Shorehead')];
    expect(schoolMeant(two, 'Shorehead')).toMatchObject({ id: 'Shorehead' });
    expect(() => schoolMeant(two)).toThrow('say with --school which one it is: “Burnside”, “Shorehead”');
    expect(() => schoolMeant(two, 'Shorehed')).toThrow('there is no school “Shorehed” here');
    expect(schoolMeant(two, undefined, 'Ferryhill')).toEqual({ name: 'Ferryhill' });
    expect(() => schoolMeant(two, undefined, 'Burnside')).toThrow('already');
    expect(schoolMeant([school('Burnside')])).toMatchObject({ id: 'Burnside' });
    expect(() => schoolMeant([school('Burnside')], 'Another')).toThrow('there is no school');
    expect(schoolMeant([], 'First')).toEqual({ name: 'First' });
    expect(() => schoolMeant([])).toThrow('--school is needed');
    expect(() => schoolMeant([school('Demo', true)], 'First')).toThrow('demo school');
  });
});
