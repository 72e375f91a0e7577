import type { Uuid } from '@/contract/ids';
import type { Card } from '@/contract/card';
import { PDFDocument } from 'pdf-lib';
import { beforeAll, describe, expect, it } from 'vitest';
import { PATCH as changeChild } from '@/app/api/v1/children/[id]/route';
import { GET as card } from '@/app/api/v1/home/card/route';
import { GET as homeCalendar } from '@/app/api/v1/home/calendar/route';
import { GET as calendar } from '@/app/api/v1/weeks/[id]/calendar/route';
import { GET as mail, POST as noticePaper } from '@/app/api/v1/weeks/[id]/notices/[notice]/route';
import { POST as remind } from '@/app/api/v1/weeks/[id]/notices/route';
import { POST as paper } from '@/app/api/v1/weeks/[id]/paper/route';
import { POST as previewPaper } from '@/app/api/v1/weeks/preview/paper/route';
import { POST as preview } from '@/app/api/v1/weeks/preview/route';
import { usedSetUpOf } from '@/core/sheet/home-form';
import { homeFormsOf } from '@/server/db/home-forms';
import { noticesOf } from '@/server/db/outbox';
import type { Sheet } from '@/server/paper/job';
import { POST as openCode } from '@/app/api/v1/home/codes/route';
import { sheetsOfWeek } from '@/server/paper/week-sheets';
import { schoolDay } from '@/server/school-day';
import { standingOf } from '@/server/weeks/week-standing';
import { weekOfSchool, weeksOf } from '@/server/db/weeks';
import { checksums } from '../../drills/soak/targets';
import { fontsOf } from '../fonts-of';
import { call, makeSchool, sendTo, useOwnSchema, weekOf, ZONE, type TestSchool } from './school';

beforeAll(useOwnSchema);

const look = { size: 'A4', print: 'usual', ground: 'white' };

async function raw(route: Parameters<typeof call>[0], ask: { cookie?: string; token?: string; method?: string; body?: unknown }, params = {}) {
  return route(
    new Request('http://lochside.test/', {
      method: ask.method ?? 'POST',
      headers: {
        host: 'lochside.test',
        origin: 'http://lochside.test',
        ...(ask.body === undefined ? {} : { 'content-type': 'application/json' }),
        ...(ask.cookie ? { cookie: ask.cookie } : {}),
        ...(ask.token ? { authorization: `Bearer ${ask.token}` } : {}),
      },
      ...(ask.body === undefined ? {} : { body: JSON.stringify(ask.body) }),
    }),
    { params: Promise.resolve(params) },
  );
}

interface Line {
  done?: number;
  of?: number;
  pdf?: string;
}

async function pdfOf(response: Response): Promise<{ lines: readonly Line[]; pdf: PDFDocument }> {
  expect(response.status).toBe(200);
  const lines = (await response.text())
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Line);
  return { lines, pdf: await PDFDocument.load(Buffer.from(lines.at(-1)!.pdf!, 'base64')) };
}

describe('paper', () => {
  it('a class pack has a sheet for each child, tells how far it is, and holds its letters', async () => {
    const school = await makeSchool(6);
    const week = await sendTo(school);
    const cookie = await school.cookie('helper');
    const body = { kind: 'home', who: 'all', ...look };
    const { lines, pdf } = await pdfOf(await raw(paper, { cookie, body }, { id: week.weekId }));
    expect(pdf.getPageCount()).toBe(6);
    expect(lines.slice(0, -1).map(({ done, of }) => `${done} of ${of}`)).toEqual(['4 of 6', '6 of 6']);
    const { names, missing } = fontsOf(pdf);
    expect(names.length).toBeGreaterThan(0);
    expect(names.every((name) => /Andika/.test(name))).toBe(true);
    expect(missing).toEqual([]);
    expect(pdf.getPage(0).getSize()).toEqual({ width: expect.closeTo(595.28, 1), height: expect.closeTo(841.89, 1) });
  });

  it('on US Letter, large and pale it is as large as Letter is', async () => {
    const school = await makeSchool(1);
    const week = await sendTo(school);
    const body = { kind: 'diary', who: 'all', size: 'LETTER', print: 'large', ground: 'pale' };
    const { pdf } = await pdfOf(await raw(paper, { cookie: await school.cookie('teacher'), body }, { id: week.weekId }));
    expect(pdf.getPage(0).getSize()).toEqual({ width: 612, height: 792 });
  });

  it('is made for nobody without a session, nobody of another school; where there is nobody or nothing to print it says so', async () => {
    const school = await makeSchool(1);
    const week = await sendTo(school);
    const ask = (cookie: string | undefined, body: object) => call(paper, '/', { body, ...(cookie ? { cookie } : {}) }, { id: week.weekId });
    const body = { kind: 'home', who: 'all', ...look };
    expect((await ask(undefined, body)).status).toBe(401);
    expect((await ask(await (await makeSchool()).cookie('teacher'), body)).status).toBe(404);
    const cookie = await school.cookie('teacher');
    expect(await ask(cookie, { ...body, who: 'paper' })).toMatchObject({ status: 400, answer: { problems: [{ place: '/who' }] } });
    expect(await ask(cookie, { ...body, kind: 'frames' })).toMatchObject({ status: 400, answer: { problems: [{ place: '/kind' }] } });
    expect((await ask(cookie, { ...body, size: 'A3' })).status).toBe(400);
  });
});

describe('what is on the sheets of a class', () => {
  it('is of each child: its own steps, hand and level, par, and the code that opens a report slip and nothing more', async () => {
    const school = await makeSchool(3);
    const [first, second] = school.childIds as [Uuid, Uuid];
    const settings = { ageYears: null, hand: 'left', stepCm: 70, form: 'standing', medium: 'paper' };
    const cookie = await school.cookie('teacher');
    expect((await call(changeChild, '/', { method: 'PATCH', cookie, body: { change: 'settings', settings } }, { id: first })).status).toBe(200);
    const week = await sendTo(school);
    const ask = { schoolId: school.id, weekId: week.weekId, kind: 'home' as const, timeZone: ZONE };
    const sheets = (await sheetsOfWeek({ ...ask, who: 'all' }, new Date())) as Extract<Sheet, { kind: 'home' }>[];
    expect(sheets.map((sheet) => sheet.of.name)).toEqual(['Childa X.', 'Childb X.', 'Childc X.']);
    expect(sheets[0]!.of).toMatchObject({ hand: 'left', stepM: 0.7 });
    expect(sheets[1]!.of).toMatchObject({ hand: 'right' });
    for (const [index, child] of school.childIds.entries()) {
      const assignment = await week.assignment(child);
      const { url, code } = sheets[index]!.slip!;
      expect(sheets[index]!.par).toBe(assignment.par);
      expect(url.split('#k=')[1]).toBe(await week.token(child, 'slip'));
      const typed = await call(openCode, '/', { body: { code }, headers: { 'x-forwarded-for': '10.1.1.1' } });
      expect(usedSetUpOf(sheets[index]!.game.level).distancesM).toEqual(assignment.setUp.distancesM);
      const { answer } = await call(card, '/?games=2', { method: 'GET', token: typed.answer['token'] as string });
      expect(answer).toMatchObject({ scope: 'slip', child: null });
    }
    expect(JSON.stringify(sheets)).not.toContain(await week.token(second));
    expect((await sheetsOfWeek({ ...ask, who: 'paper' }, new Date())).length).toBe(1);
    expect(await sheetsOfWeek({ ...ask, who: second }, new Date())).toMatchObject([{ of: { name: 'Childb X.' } }]);
    const diaries = (await sheetsOfWeek({ ...ask, kind: 'diary', who: 'all' }, new Date())) as Extract<Sheet, { kind: 'diary' }>[];
    expect(diaries.every((sheet) => sheet.days.length >= 1 && sheet.days.length <= 8)).toBe(true);
  });
});

describe('a week is looked at before it is sent', () => {
  const plan = (school: TestSchool) => ({
    classId: school.classId,
    games: [{ gameId: school.gameId, levelId: 'level-2' }],
    dueOn: '2090-01-01',
    warmUp: 'Walk',
    diary: '',
    film: 'From the side',
    note: 'Hello',
  });

  it('as a card and on paper, and nothing is written', async () => {
    const school = await makeSchool();
    const cookie = await school.cookie('teacher');
    const before = await checksums();
    const { status, answer } = await call(preview, '/', { cookie, body: plan(school) });
    expect(status).toBe(200);
    const card = answer as unknown as Card;
    expect(card.weeks[0]).toMatchObject({ dueOn: '2090-01-01', film: 'From the side', games: [{ levelId: 'level-2', received: 0 }] });
    expect(card.weeks[0]!.games[0]!.forms.length).toBeGreaterThan(3);
    const { pdf } = await pdfOf(await raw(previewPaper, { cookie, body: plan(school) }));
    expect(pdf.getPageCount()).toBe(1);
    expect(await weeksOf(school.classId)).toEqual([]);
    expect(await checksums()).toEqual(before);
  });

  it('shows the par and the forms with which it is sent then, and another class of that age gets the same', async () => {
    const [school, other] = [await makeSchool(), await makeSchool()];
    const { answer } = await call(preview, '/', { cookie: await school.cookie('teacher'), body: { ...plan(school), games: weekOf(school).games } });
    const [shown] = (answer as unknown as Card).weeks[0]!.games;
    for (const one of [school, other]) {
      const { assignment } = await sendTo(one);
      const sent = await assignment(one.childIds[0]!);
      expect(sent.par).toBe(shown!.par);
      expect(await homeFormsOf(sent.homeFormsId)).toEqual(shown!.forms);
    }
  });

  it('by a helper, or with a level that is not there, it is refused', async () => {
    const school = await makeSchool();
    expect((await call(preview, '/', { cookie: await school.cookie('helper'), body: plan(school) })).status).toBe(403);
    const wrong = { ...plan(school), games: [{ gameId: school.gameId, levelId: 'level-9' }] };
    expect((await call(preview, '/', { cookie: await school.cookie('teacher'), body: wrong })).status).toBe(400);
  });
});

describe('texts for the families', () => {
  it('are ready when the week is sent, and a reminder on demand; they name no child', async () => {
    const school = await makeSchool();
    const week = await sendTo(school);
    const cookie = await school.cookie('teacher');
    expect((await noticesOf(school.id, week.weekId)).map((notice) => notice.kind)).toEqual(['week']);
    expect((await call(remind, '/', { cookie, body: { kind: 'reminder' } }, { id: week.weekId })).status).toBe(201);
    const notices = await noticesOf(school.id, week.weekId);
    expect(notices.map((notice) => notice.kind)).toEqual(['reminder', 'week']);
    for (const { subject, words } of notices) {
      expect(subject).toContain('week 1');
      expect(words).toContain('Otter Steps');
      expect(words).not.toMatch(/Child[a-p]/);
    }
  });

  it('become a mail with the due day as a calendar file, and a sheet to cut apart', async () => {
    const school = await makeSchool();
    const week = await sendTo(school);
    const cookie = await school.cookie('helper');
    const [notice] = await noticesOf(school.id, week.weekId);
    const params = { id: week.weekId, notice: notice!.id };
    const answer = await raw(mail, { cookie, method: 'GET' }, params);
    expect(answer.headers.get('content-disposition')).toContain('.eml');
    const text = await answer.text();
    expect(text).toMatch(/^Subject: .*Otter Steps/m);
    expect(text).toMatch(/^X-Unsent: 1/m);
    expect(text).toMatch(/filename=week-1\.ics/);
    expect((await pdfOf(await raw(noticePaper, { cookie }, params))).pdf.getPageCount()).toBe(1);
    const stranger = await (await makeSchool()).cookie('teacher');
    expect((await raw(mail, { cookie: stranger, method: 'GET' }, params)).status).toBe(404);
    expect((await raw(noticePaper, { cookie: stranger }, params)).status).toBe(404);
  });

  it('the calendar file holds the due day as a whole day, for the desk and for the family', async () => {
    const school = await makeSchool();
    const week = await sendTo(school);
    const day = schoolDay(new Date(), ZONE).replaceAll('-', '');
    const token = await week.token(school.childIds[0]!);
    const files = [
      await raw(calendar, { cookie: await school.cookie('teacher'), method: 'GET' }, { id: week.weekId }),
      await raw(homeCalendar, { token, method: 'GET' }),
    ];
    for (const file of files) {
      const text = await file.text();
      expect(text).toMatch(new RegExp(`DTSTART;VALUE=DATE:${day}`));
      expect(text).toContain('SUMMARY:Otter Steps: play by today');
      expect(text).not.toContain(token);
    }
    expect((await raw(homeCalendar, { method: 'GET' })).status).toBe(401);
    expect((await raw(calendar, { method: 'GET' }, { id: week.weekId })).status).toBe(401);
  });
});

describe('how a week stands', () => {
  it('tells who has not reported and what the class needs', async () => {
    const school = await makeSchool(3);
    const week = await sendTo(school);
    const standing = await standingOf((await weekOfSchool(school.id, week.weekId))!, schoolDay(new Date(), ZONE));
    expect(standing).toMatchObject({ title: 'Otter Steps', children: 3, games: [{ reported: 0, levels: [{ children: 3 }] }] });
    expect(standing.waiting.length).toBe(3);
  });
});
