/**
 * A year of a school on a server of its own, as it is run for real: invited, taught, lost, forgotten, crashed, restored, erased, upgraded, ended.
 * `npm run year` takes more classes and weeks.
 */
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test, type Browser, type Page } from '@playwright/test';
import { v7 } from 'uuid';
import type { Card } from '@/contract/card';
import { goOf } from '@/core/reports/from-parts';
import { eventsFromFields, partFields } from '@/core/reports/parts';
import { REPORT_FORMAT } from '@/core/rules/format/formats';
import { LONG } from '../long';
import { School } from './own-school';
import { playThrough } from './play-through';
import { toCounting } from './at-home';

const [CLASSES, WEEKS, CHILDREN] = LONG ? [3, 10, 12] : [1, 1, 4];
const NAMES = ['Ailsa', 'Bram', 'Catriona', 'Dougal', 'Eilidh', 'Fergus', 'Grace', 'Hamish', 'Iona', 'Jamie', 'Kirsty', 'Lewis'];
const LEAD = { email: 'lead@school.example', password: '' };
const NEW_PASSWORD = 'kettle under a slow bridge';
const school = new School();
test.afterAll(() => school.end());

const signIn = (page: Page, email: string, password: string) => school.signIn(page, email, password);

/** A one-time link is opened in a browser of one's own, with this password. */
async function comeInBy(browser: Browser, link: string, password: string): Promise<Page> {
  const own = await (await browser.newContext()).newPage();
  await own.goto(link);
  await own.getByLabel('Choose a password').fill(password);
  await own.getByRole('button', { name: /^(Come in|Take this password)$/ }).click();
  await own.waitForURL('**/today');
  return own;
}

const linkShown = async (page: Page) => (await page.getByRole('dialog').getByText('/join#t=').textContent())!;

/** What a telephone sends for a child that hit so often. */
async function report(page: Page, token: string, hits: number): Promise<number> {
  const card = (await (await school.cardOf(page, token)).json()) as Card;
  const item = card.weeks[0]!.games[0]!;
  const fields = partFields(item.game);
  const events = eventsFromFields(
    item.game,
    fields,
    fields.map((_, index) => (index === 0 ? hits : 0)),
  );
  const value = item.game.parts[0]!.groups['mark']!.value![0]!;
  const go = goOf(item, { counting: 'parts', hand: 'either', events, total: hits * value });
  const at = new Date().toISOString();
  const body = { playId: v7(), assignmentId: item.assignmentId, report: { format: REPORT_FORMAT, goes: [go], startedAt: at, sentAt: at } };
  const answer = await page.request.post(`${school.address}/api/v1/home/reports`, {
    data: body,
    headers: { authorization: `Bearer ${token}`, ...school.headers() },
  });
  return answer.status();
}

const scoresOf = async (page: Page, classId: string) =>
  (await (await page.request.get(`${school.address}/api/v1/classes/${classId}/export?format=csv`, { headers: school.headers() })).text())
    .split('\r\n')
    .filter((line) => line !== '')
    .sort();

test('a year of a school', async ({ page, browser }) => {
  test.setTimeout(LONG ? 1_200_000 : 300_000);
  const steps: string[] = [];
  const step = async <T>(name: string, work: () => Promise<T>): Promise<T> => {
    const began = Date.now();
    const done = await test.step(name, work);
    steps.push(`${((Date.now() - began) / 1000).toFixed(1).padStart(6)} s  ${name}`);
    return done;
  };
  const keyFile = join(school.safe, 'key.txt');

  await step('August: the server is started, the lead made, a key for backups put into the safe', async () => {
    await school.start();
    LEAD.password = (
      JSON.parse(school.verb('teacher', 'add', '--name', 'Ms Birch', '--email', LEAD.email, '--school', 'Year Primary')) as { password: string }
    ).password;
    await signIn(page, LEAD.email, LEAD.password);
    await page.waitForURL('**/today');
    await expect(page.getByText('There are no backups', { exact: false })).toBeVisible();
    writeFileSync(keyFile, school.verb('backup', 'key'));
    await page.reload();
    await expect(page.getByText('No backup has been made yet', { exact: false })).toBeVisible();
  });

  const teacher = await step('a teacher is invited and comes in', async () => {
    await page.getByRole('link', { name: 'People' }).click();
    await page.getByRole('button', { name: 'Invite somebody' }).click();
    await page.getByLabel('Name, as colleagues know it').fill('Mr Alder');
    await page.getByLabel('E-mail address').fill('alder@school.example');
    await page.getByRole('button', { name: 'Make the link' }).click();
    const link = await linkShown(page);
    await page.getByRole('button', { name: 'Done' }).click();
    return comeInBy(browser, link, 'larch between two rivers');
  });

  const classes: { readonly id: string; readonly name: string }[] = [];
  await step(`${CLASSES} classes are made and sent ${WEEKS} weeks, which come back`, async () => {
    for (let n = 0; n < CLASSES; n += 1) {
      const name = `P${4 + n} Rowans`;
      const { id } = await school.post<{ id: string }>(teacher, '/api/v1/classes', { name, ageYears: 8 + n });
      const children = NAMES.slice(0, CHILDREN).map((firstName) => ({ firstName, initial: `${'XYZ'[n]}.`, hand: null, ageYears: null }));
      await school.post(teacher, `/api/v1/classes/${id}/children`, { children });
      classes.push({ id, name });
    }
    const { id: gameId } = await school.post<{ id: string }>(teacher, '/api/v1/games/import', { starter: 'harbour-lamps' });
    for (let week = 0; week < WEEKS; week += 1)
      for (const { id: classId } of classes) {
        const dueOn = new Date(Date.now() + 6 * 86_400_000).toISOString().slice(0, 10);
        const games = [{ gameId, levelId: 'level-1' }];
        await school.post(teacher, '/api/v1/weeks', {
          classId,
          title: '',
          games,
          kit: [],
          dueOn,
          warmUp: '',
          diary: '',
          film: '',
          note: '',
          racks: {},
        });
        for (const [index, { token }] of (await school.familiesOf(teacher, classId)).entries()) {
          if (week === 0 && index === 0) continue;
          expect(await report(teacher, token, (index + week) % 4)).toBe(201);
        }
      }
  });
  const first = classes[0]!;

  await step('one of them is played on a telephone', async () => {
    const [family] = await school.familiesOf(teacher, first.id);
    const home = await (await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true })).newPage();
    await home.goto(family!.url);
    await toCounting(home, 'Harbour Lamps');
    await home.getByRole('button', { name: /A helper taps every try/ }).click();
    await playThrough(home.locator('main'), /^Finish and send/);
    await home.getByRole('button', { name: /^Finish and send/ }).click();
    await home.getByRole('button', { name: 'Send to school' }).click();
    await expect(home.getByRole('heading', { name: 'The school has it' })).toBeVisible();
    await home.context().close();
  });

  await step('a telephone is lost: its link is replaced and opens no more', async () => {
    const before = (await school.familiesOf(teacher, first.id))[1]!;
    await teacher.getByRole('button', { name: `Lost? Replace it: the link of ${before.name}` }).click();
    await teacher.getByRole('button', { name: 'Make new ones' }).click();
    await expect.poll(async () => (await school.cardOf(teacher, before.token)).status()).toBe(401);
    const after = (await school.familiesOf(teacher, first.id))[1]!;
    expect((await school.cardOf(teacher, after.token)).status()).toBe(200);
  });

  await step('a child leaves: its link stops at once, and the page says when it is erased', async () => {
    const leaving = (await school.familiesOf(teacher, first.id))[2]!;
    await teacher.goto(`${school.address}/classes/${first.id}`);
    await teacher.getByRole('button', { name: `Change ${leaving.name}` }).click();
    await teacher.getByRole('button', { name: 'Leaves the school' }).click();
    await teacher.getByRole('button', { name: 'Yes, leaves' }).click();
    await expect.poll(async () => (await school.cardOf(teacher, leaving.token)).status()).toBe(401);
    await page.goto(`${school.address}/school/keeping`);
    await expect(page.getByRole('row', { name: new RegExp(leaving.name) })).toBeVisible();
  });

  await step('a password is forgotten: the lead makes a link, and every session is over', async () => {
    await page.goto(`${school.address}/school`);
    await page.getByRole('button', { name: 'Change Mr Alder' }).click();
    await page.getByRole('menuitem', { name: 'Link for a new password' }).click();
    const link = await linkShown(page);
    const again = await comeInBy(browser, link, NEW_PASSWORD);
    await teacher.goto(`${school.address}/classes`);
    await teacher.waitForURL('**/sign-in');
    await again.context().close();
    await signIn(teacher, 'alder@school.example', NEW_PASSWORD);
    await teacher.waitForURL('**/today');
  });

  await step('the power fails: what was told to be received is there', async () => {
    const [family] = await school.familiesOf(teacher, first.id);
    const before = await scoresOf(teacher, first.id);
    expect(await report(teacher, family!.token, 2)).toBe(201);
    const { webPid } = JSON.parse(readFileSync(join(school.home, 'running.json'), 'utf8')) as { webPid: number };
    process.kill(Number(readFileSync(join(school.home, 'db.pid'), 'utf8')), 'SIGKILL');
    process.kill(webPid, 'SIGKILL');
    const ready = () =>
      page.request.get(`${school.address}/api/v1/ready`, { headers: { connection: 'close' } }).then(
        (answer) => answer.status(),
        () => 0,
      );
    await expect.poll(ready, { timeout: 60_000 }).toBe(200);
    expect(await scoresOf(teacher, first.id)).toHaveLength(before.length + 1);
  });

  const backed = await step('a backup is made; a family asks for an erasure the day after', async () => {
    const { file } = JSON.parse(school.verb('backup')) as { file: string };
    const scores = await scoresOf(teacher, first.id);
    const erased = (await school.familiesOf(teacher, first.id))[1]!.name;
    await teacher.goto(`${school.address}/classes/${first.id}`);
    await teacher.getByRole('link', { name: erased }).click();
    await teacher.getByRole('button', { name: 'Erase …' }).click();
    await teacher.getByLabel(`To erase, write ${erased}`).fill(erased);
    await teacher.getByRole('button', { name: 'Erase for good' }).click();
    await expect(teacher.getByRole('heading', { name: first.name })).toBeVisible();
    await expect(teacher.getByText(erased, { exact: true })).toHaveCount(0);
    return { file, scores: scores.filter((line) => !line.includes(`,${erased},`)), erased };
  });

  await step('the disk breaks: the backup is verified and put back, and who was erased goes again', async () => {
    await school.stop();
    // In the short form another test does this.
    if (LONG)
      expect(JSON.parse(school.verb('backup', 'verify', backed.file, '--identity', keyFile).replace(/^[^{]*/, ''))).toMatchObject({ good: true });
    rmSync(join(school.home, 'data'), { recursive: true });
    const restored = JSON.parse(school.verb('restore', backed.file, '--identity', keyFile).replace(/^[^{]*/, '')) as { erasedAgain: number };
    expect(restored.erasedAgain).toBe(1);
  });

  await step('a new version: upgraded while it is stopped, checked, and nothing is another', async () => {
    const { check } = JSON.parse(school.verb('upgrade')) as { check: { reports: number; different: number } };
    expect(check.different).toBe(0);
    expect(check.reports).toBeGreaterThan(0);
    await school.start();
    await signIn(teacher, 'alder@school.example', NEW_PASSWORD);
    await teacher.waitForURL('**/today');
    expect(await scoresOf(teacher, first.id)).toEqual(backed.scores);
    await teacher.goto(`${school.address}/classes/${first.id}`);
    await expect(teacher.getByRole('heading', { name: first.name })).toBeVisible();
    await expect(teacher.getByText(backed.erased, { exact: true })).toHaveCount(0);
  });

  await step('July: the teacher goes, the work stays; the classes move up', async () => {
    await signIn(page, LEAD.email, LEAD.password);
    await page.waitForURL('**/today');
    await page.goto(`${school.address}/school`);
    await page.getByRole('button', { name: 'Change Mr Alder' }).click();
    await page.getByRole('menuitem', { name: 'Close: has left' }).click();
    await expect(page.getByRole('row', { name: /Mr Alder.*closed/ })).toBeVisible();
    await signIn(teacher, 'alder@school.example', NEW_PASSWORD);
    await expect(teacher.getByRole('alert')).toBeVisible();
    expect(await scoresOf(page, first.id)).toEqual(backed.scores);
    await page.goto(`${school.address}/classes`);
    await page.getByRole('button', { name: /^Start 20/ }).click();
    await page.getByRole('button', { name: 'Move the classes up' }).click();
    await expect(page.getByRole('dialog')).toHaveCount(0);
  });

  await step('two years later: single tries and who left are gone, the scores of the others are not', async () => {
    const before = (await scoresOf(page, first.id)).length;
    await school.database(async (db) => {
      await db.query('UPDATE reports SET received_at = received_at - INTERVAL 2 YEAR');
      await db.query('UPDATE enrolments SET until_on = until_on - INTERVAL 2 YEAR WHERE until_on <= CURRENT_DATE');
    });
    const { wouldGo } = JSON.parse(school.verb('keeping', '--dry-run')) as { wouldGo: { raw: number; leavers: number }[] };
    const { gone } = JSON.parse(school.verb('keeping')) as { gone: typeof wouldGo };
    expect(gone).toEqual(wouldGo);
    expect(gone[0]!.leavers).toBe(1);
    expect(gone[0]!.raw).toBeGreaterThan(0);
    await page.goto(`${school.address}/school/keeping`);
    await expect(page.getByText('last gone through', { exact: false })).toBeVisible();
    const after = (await scoresOf(page, first.id)).length;
    // One go a week of the child who left, who did not report in the last step.
    expect(before - after).toBe(WEEKS);
    await page.goto(`${school.address}/school/deeds?action=kept+no+longer`);
    await expect(page.getByRole('row', { name: /kept no longer/ })).toBeVisible();
  });

  await step('the lead works at a second school too, and goes from one to the other', async () => {
    const added = school.verb('teacher', 'add', '--name', 'Ms Birch', '--email', LEAD.email, '--new-school', 'Lochan School');
    expect(added).not.toContain(LEAD.password);
    await page.goto(`${school.address}/today`);
    const before = await page.context().newPage();
    await before.goto(`${school.address}/classes`);
    await page.getByRole('link', { name: 'Year Primary' }).click();
    await page.getByRole('button', { name: 'Go to it: Lochan School' }).click();
    await page.waitForURL('**/today');
    await expect(page.getByRole('link', { name: 'Lochan School' })).toBeVisible();
    await expect(before.getByRole('dialog', { name: 'You are in Lochan School now' })).toBeVisible();
    await before.getByRole('button', { name: 'Leave it open' }).click();
    await before.getByRole('button', { name: 'New class' }).click();
    await before.getByLabel('Name').fill('P7');
    await before.getByRole('button', { name: 'Make the class' }).click();
    await expect(before.getByText('this window is of another school', { exact: false })).toBeVisible();
    await before.close();
    await page.goto(`${school.address}/me`);
    await page.getByRole('button', { name: 'Go to it: Year Primary' }).click();
    await page.waitForURL('**/today');
  });

  await step('the school gives it up: its files are taken, then it is deleted by its name', async () => {
    const files = await page.request.get(`${school.address}/api/v1/school/files`, { headers: school.headers() });
    expect([files.status(), (await files.body()).subarray(0, 2).toString()]).toEqual([200, 'PK']);
    await page.goto(`${school.address}/school/keeping`);
    await page.getByRole('button', { name: 'Delete this school' }).click();
    const remove = async (name: string) => {
      await page.getByLabel('Write the name of the school').fill(name);
      await page.getByLabel('Your password').fill(LEAD.password);
      await page.getByRole('button', { name: 'Delete the school' }).click();
    };
    await remove('Another Primary');
    await expect(page.getByText('That is not the name of this school', { exact: false })).toBeVisible();
    await remove('Year Primary');
    await page.waitForURL('**/sign-in');
    const left = await school.database(async (db) => (await db.query('SELECT COUNT(*) AS n FROM children'))[0] as { n: number }[]);
    expect(Number(left[0]!.n)).toBe(0);
    await signIn(page, LEAD.email, LEAD.password);
    await page.waitForURL('**/today');
    await expect(page.getByText('Ms Birch · Lochan School')).toBeVisible();
  });
  if (LONG) process.stdout.write(`${steps.join('\n')}\n`);
});
