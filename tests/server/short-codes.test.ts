/** Codes that are typed from paper: what they open, for how long, and what happens to guesses. */
import { beforeAll, describe, expect, it } from 'vitest';
import type { Uuid } from '@/contract/ids';
import { checkLetter, CODE_LETTERS } from '@/core/codes/short-code';
import { POST as renewLinks } from '@/app/api/v1/children/[id]/links/route';
import { GET as card } from '@/app/api/v1/home/card/route';
import { POST as openCode } from '@/app/api/v1/home/codes/route';
import { POST as slipOf } from '@/app/api/v1/scores/slip/route';
import { codeLimit } from '@/server/auth/limits';
import { toBytes } from '@/server/db/ids';
import { change, direct } from '@/server/db/pool';
import { sheetsOfWeek } from '@/server/paper/week-sheets';
import { call, makeSchool, sendTo, useOwnSchema, ZONE, type TestSchool } from './school';

beforeAll(useOwnSchema);

const opened = async (code: string, from = '10.0.0.1') =>
  call(openCode, '/api/v1/home/codes', { body: { code }, headers: { 'x-forwarded-for': from } });

async function codesOf(school: TestSchool, weekId: Uuid): Promise<string[]> {
  const sheets = await sheetsOfWeek({ schoolId: school.id, weekId, kind: 'home', who: 'all', timeZone: ZONE }, new Date());
  return sheets.map((sheet) => (sheet.kind === 'home' ? sheet.slip!.code : ''));
}

describe('a code from paper', () => {
  it('is the same at every reprint, of each child and week its own, and opens that child’s slip', async () => {
    const school = await makeSchool(3);
    const [first, second] = [await sendTo(school), await sendTo(school)];
    const codes = await codesOf(school, first.weekId);
    expect(await codesOf(school, first.weekId)).toEqual(codes);
    expect(new Set([...codes, ...(await codesOf(school, second.weekId))]).size).toBe(6);
    for (const code of codes) expect(code).toMatch(/^[2-9A-HJ-NP-Z]{3} [2-9A-HJ-NP-Z]{4} [2-9A-HJ-NP-Z]{3}$/);
    const { status, answer } = await opened(codes[0]!.toLowerCase());
    expect(status).toBe(200);
    const shown = await call(card, '/api/v1/home/card?games=2', { method: 'GET', token: answer['token'] as string });
    expect(shown).toMatchObject({ status: 200, answer: { scope: 'slip', child: null } });
    // At the desk it names the child, in its own school alone.
    expect(await call(slipOf, '/', { cookie: await school.cookie('helper'), body: { code: codes[1]! } })).toMatchObject({
      answer: { childId: school.childIds[1] },
    });
    const other = await makeSchool(1);
    expect((await call(slipOf, '/', { cookie: await other.cookie('helper'), body: { code: codes[1]! } })).status).toBe(404);
  });

  it('ends two weeks after the due day, and with the link that it stands for', async () => {
    const school = await makeSchool(2);
    const week = await sendTo(school);
    const [one, other] = await codesOf(school, week.weekId);
    const { answer } = await call(renewLinks, '/', { cookie: await school.cookie('teacher'), body: {} }, { id: school.childIds[0]! });
    expect(answer['problems']).toBeUndefined();
    expect((await opened(one!)).status).toBe(404);
    const [renewed] = await codesOf(school, week.weekId);
    expect(renewed).not.toBe(one);
    expect((await opened(renewed!)).status).toBe(200);
    await change(direct(), 'UPDATE short_codes SET ends_on = DATE_SUB(CURRENT_DATE, INTERVAL 2 DAY) WHERE child_id = ?', [
      toBytes(school.childIds[1]!),
    ]);
    expect((await opened(other!)).status).toBe(404);
  });

  it('mistyped is told at once, and looked up nowhere; guesses are counted by address and by school', async () => {
    const school = await makeSchool(1);
    const [code] = await codesOf(school, (await sendTo(school)).weekId);
    const typed = code!.replaceAll(' ', '');
    const mistyped = typed.slice(0, -1) + (typed.endsWith('A') ? 'B' : 'A');
    for (let n = 0; n < 30; n += 1) expect((await opened(mistyped, '10.0.0.9')).status).toBe(400);
    /** Right in form, of this school, of nobody. */
    const guesses = function* () {
      for (let n = 0; ; n += 1) {
        const letters = typed.slice(0, 2) + [...`${n}`.padStart(7, '0')].map((digit) => CODE_LETTERS[Number(digit)]).join('');
        if (CODE_LETTERS.includes(checkLetter(letters))) yield letters + checkLetter(letters);
      }
    };
    const guess = guesses();
    // At once, so that none is answered before the others are asked.
    const many = await Promise.all(Array.from({ length: 40 }, () => opened(guess.next().value!, '10.0.0.9')));
    expect(many.filter(({ status }) => status === 404)).toHaveLength(20);
    expect(many.filter(({ status }) => status === 429)).toHaveLength(20);
    // Right ones are not counted.
    for (let n = 0; n < 25; n += 1) expect((await opened(typed, '10.0.0.8')).status).toBe(200);
    // Another home is not kept out by it, until so many were tried at the whole school.
    expect((await opened(typed, '10.0.0.10')).status).toBe(200);
    expect((await opened(guess.next().value!, '10.0.0.12')).status).toBe(404);
    for (let n = 0; n < 580; n += 20)
      await Promise.all(Array.from({ length: 20 }, (_, one) => codeLimit.tried(typed.slice(0, 2), `10.0.1.${n + one}`)));
    expect((await opened(typed, '10.0.0.11')).status).toBe(429);
  });
});
