/**
 * An autumn of an empty school: twelve classes from the list of its own system, a class test, a term solved for all, weeks sent and played, the plan
 * changed, parents' pages printed. `npm run autumn` takes more children, games and weeks.
 */
import { expect, test, type Page } from '@playwright/test';
import { v7 } from 'uuid';
import { zipSync } from 'fflate';
import type { Card, CardItem } from '@/contract/card';
import { childTables } from '@/core/forecast/attempts';
import { shippedRacks } from '@/core/forecast/shipped-racks';
import { simulateGo } from '@/core/forecast/simulate';
import { REPORT_FORMAT } from '@/core/rules/format/formats';
import { levelById } from '@/core/rules/format/level';
import type { PlayEvent } from '@/core/rules/format/play';
import { compile } from '@/core/rules/playing/compile';
import { start } from '@/core/rules/playing/engine';
import { measure } from '@/core/rules/playing/measure';
import { pacedGame } from '@/core/sheet/set-up';
import { LONG } from '../long';
import { School } from './own-school';
import { expectAccessible } from './people';

const [CLASSES, CHILDREN, STARTERS, WEEKS] = LONG ? [12, 18, 24, 6] : [4, 2, 7, 1];
const NAMES = [
  'Ailsa',
  'Bram',
  'Catriona',
  'Dougal',
  'Eilidh',
  'Fergus',
  'Grace',
  'Hamish',
  'Iona',
  'Jamie',
  'Kirsty',
  'Lewis',
  'Mairi',
  'Niall',
  'Orla',
  'Rory',
  'Skye',
  'Tam',
];
const MOST_KEYS = 30;
/** The class of the test, and those that play: the others are planned and sent to alone. */
const PLAYING = LONG ? 4 : 1;

const school = new School();
test.afterAll(() => school.end());

/** A file of the kind that a school's own system writes. */
function rosterFile(): Buffer {
  const csv = (lines: readonly (readonly string[])[]) => new TextEncoder().encode(lines.map((line) => line.join(',')).join('\r\n'));
  const users = [['sourcedId', 'status', 'role', 'givenName', 'familyName']];
  const classes = [['sourcedId', 'status', 'title', 'grades']];
  const enrolled = [['sourcedId', 'status', 'classSourcedId', 'userSourcedId', 'role']];
  for (let n = 0; n < CLASSES; n += 1) {
    classes.push([`c${n}`, 'active', `Rowans ${n + 1}`, String(1 + (n % 7)).padStart(2, '0')]);
    for (let child = 0; child < CHILDREN; child += 1) {
      users.push([`u${n}-${child}`, 'active', 'student', NAMES[child]!, `Macdonald${'ABCDEFGHIJKL'[n]}`]);
      enrolled.push([`e${n}-${child}`, 'active', `c${n}`, `u${n}-${child}`, 'student']);
    }
  }
  return Buffer.from(zipSync({ 'users.csv': csv(users), 'classes.csv': csv(classes), 'enrollments.csv': csv(enrolled) }));
}

/** A go of a child of such skill at what is on its card, played by the product's own engine. */
function played({ assignmentId, game, levelId, setUp: assigned }: CardItem, skill: number, draw: number) {
  const { ageYears, form, stepM, ...setUp } = assigned;
  const compiled = compile(pacedGame(levelById(game, levelId), stepM));
  if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
  const state = start(compiled.value);
  const events: PlayEvent[] = [];
  simulateGo(
    compiled.value,
    childTables(compiled.value, { ageYears, form, skill }, shippedRacks),
    state,
    7,
    draw,
    { fetchMs: 0, exerciseMs: 0 },
    events,
  );
  const { value, unit } = measure(compiled.value, state);
  const go = { level: levelId, counting: 'attempts', hand: 'right', otherHand: false, form, setUp, events, total: value ?? 0, unit };
  const at = new Date().toISOString();
  return { playId: v7(), assignmentId, report: { format: REPORT_FORMAT, goes: [go], startedAt: at, sentAt: at } };
}

/** Every child of a class plays the newest week, steadier than its age. */
async function reportAll(page: Page, classId: string, round: number): Promise<number> {
  let taken = 0;
  for (const [child, { token }] of (await school.familiesOf(page, classId)).entries()) {
    const card = (await (await school.cardOf(page, token)).json()) as Card;
    for (const item of card.weeks[0]!.games) {
      const answer = await page.request.post(`${school.address}/api/v1/home/reports`, {
        data: played(item, 0.6, round * 100 + child),
        headers: { authorization: `Bearer ${token}`, ...school.headers() },
      });
      expect(answer.status(), await answer.text()).toBe(201);
      taken += 1;
    }
  }
  return taken;
}

const cells = (page: Page, week: number) => page.getByRole('button', { name: new RegExp(`, week ${week},`) });

test('an autumn of an empty school', async ({ page }) => {
  test.setTimeout(LONG ? 1_800_000 : 300_000);
  const steps: string[] = [];
  const step = async (name: string, work: () => Promise<unknown>): Promise<void> => {
    const began = Date.now();
    await test.step(name, work);
    steps.push(`${((Date.now() - began) / 1000).toFixed(1).padStart(6)} s  ${name}`);
  };

  await step('August: an empty school, games from the starters', async () => {
    await school.start();
    const email = 'lead@school.example';
    const { password } = JSON.parse(school.verb('teacher', 'add', '--name', 'Ms Birch', '--email', email, '--school', 'Autumn Primary')) as {
      password: string;
    };
    await school.signIn(page, email, password);
    await page.waitForURL('**/today');
    const { starters } = await import('@/server/starters');
    for (const { id } of starters().slice(0, STARTERS)) await school.post(page, '/api/v1/games/import', { starter: id });
  });

  await step(`${CLASSES} classes of ${CHILDREN} from the list of the school’s own system`, async () => {
    await page.goto(`${school.address}/classes`);
    await page.getByRole('button', { name: 'Read the school’s list' }).click();
    await page.getByLabel('Files of the list').setInputFiles({ name: 'roster.zip', mimeType: 'application/zip', buffer: rosterFile() });
    await expect(page.getByRole('row', { name: new RegExp(`Rowans ${CLASSES}`) })).toBeVisible();
    await page.getByRole('button', { name: 'What would change?' }).click();
    await expect(page.getByText(`${CLASSES * CHILDREN} children are added`)).toBeVisible();
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Take it over' }).click();
    await expect(page.getByRole('link', { name: `Rowans ${CLASSES}` })).toBeVisible();
    expect(await page.content()).not.toContain('Macdonald');
  });

  const classIds: string[] = [];
  await step('a class test for one', async () => {
    for (let n = 1; n <= PLAYING; n += 1)
      classIds.push(/classes\/([0-9a-f-]+)/.exec((await page.getByRole('link', { name: `Rowans ${n}`, exact: true }).getAttribute('href'))!)![1]!);
    const { id } = await school.post<{ id: string }>(page, `/api/v1/classes/${classIds[0]}/tests`, { family: 'throw', rolled: null });
    const sheet = (await (await page.request.get(`${school.address}/api/v1/class-tests/${id}`, { headers: school.headers() })).json()) as {
      children: { childId: string }[];
    };
    for (const [index, { childId }] of sheet.children.entries())
      for (const mark of [0, 1])
        await page.request.put(`${school.address}/api/v1/class-tests/${id}/hits`, {
          data: { childId, mark, hits: 2 + (index % 3) },
          headers: school.headers(),
        });
  });

  await step('a term is solved for all', async () => {
    const monday = new Date();
    monday.setUTCDate(monday.getUTCDate() - ((monday.getUTCDay() + 6) % 7));
    const day = (plus: number) => new Date(monday.getTime() + plus * 86_400_000).toISOString().slice(0, 10);
    await school.post(page, '/api/v1/plans', { name: 'Autumn', startsOn: day(0), endsOn: day(7 * 12 - 3) });
    await page.goto(`${school.address}/plan`);
    await expect(cells(page, 1)).toHaveCount(CLASSES);
    await page.getByRole('button', { name: 'Work out the plan' }).click();
    await expect(page.getByText(/^The term is planned: no plan is better(?:\.| by more than (?:0\.\d|1)%\.)$/)).toBeVisible({
      timeout: LONG ? 120_000 : 60_000,
    });
    await expect(page.locator('[data-cell] b')).toHaveCount(CLASSES * 12);
    await expect(page.getByText('What this plan does not keep:')).toHaveCount(0);
    await expect(page.getByRole('status').filter({ hasText: /^saved \d/ })).toBeVisible();
    await expectAccessible(page);
  });

  await step(`week one goes to all in at most ${MOST_KEYS} keys`, async () => {
    await page.reload();
    await expect(cells(page, 1).first()).toBeEnabled();
    let keys = 0;
    const press = async (key: string) => {
      keys += 1;
      await page.keyboard.press(key);
    };
    const send = page.getByRole('button', { name: 'Send week 1', exact: true });
    while (keys < MOST_KEYS && !(await send.evaluate((element) => element === document.activeElement))) await press('Tab');
    await press('Enter');
    const all = page.getByRole('button', { name: `Send to ${CLASSES} classes` });
    await expect(all).toBeFocused();
    await press('Enter');
    await expect(page.getByRole('status').filter({ hasText: /^sent to \d+ children$/ })).toHaveCount(CLASSES, { timeout: LONG ? 600_000 : 120_000 });
    await press('Escape');
    expect(keys).toBeLessThanOrEqual(MOST_KEYS);
    await expect(page.locator('[data-sent]')).toHaveCount(CLASSES);
    steps.push(`          ${keys} keys`);
  });

  let changed = 0;
  for (let week = 1; week <= WEEKS; week += 1)
    await step(`week ${week} comes in${week < WEEKS ? ', the next is sent' : ''}`, async () => {
      for (const classId of classIds) expect(await reportAll(page, classId, week)).toBeGreaterThan(0);
      await page.goto(`${school.address}/plan`);
      // After the first week and the last it is worked out again, by what came in.
      if (week === 1 || week === WEEKS) {
        await page.getByRole('button', { name: 'Work it out again' }).click();
        const told = page.getByText(/^(\d+ changes are proposed\.|The plan stands as it is)/);
        await expect(told).toBeVisible({ timeout: LONG ? 120_000 : 60_000 });
        if (/^\d/.test((await told.textContent())!)) {
          await page.getByRole('button', { name: 'Accept all' }).click();
          await expect(page.getByRole('status').filter({ hasText: /^saved \d/ })).toBeVisible();
          changed += 1;
        }
      }
      if (week === WEEKS) return;
      await page.getByRole('button', { name: `Send week ${week + 1}`, exact: true }).click();
      await page.getByRole('button', { name: `Send to ${CLASSES} classes` }).click();
      await expect(page.getByRole('status').filter({ hasText: /^sent to \d+ children$/ })).toHaveCount(CLASSES, { timeout: 600_000 });
    });
  if (LONG) expect(changed).toBe(2);

  await step('parents’ pages are printed', async () => {
    await page.goto(`${school.address}/scores/progress?class=${classIds[0]}`);
    await expect(page.getByRole('heading', { name: 'Rowans 1: progress' })).toBeVisible();
    await expectAccessible(page);
    await page.goto(`${school.address}/scores/evening?class=${classIds[0]}`);
    await expect(page.getByRole('region', { name: 'Ailsa M.' })).toContainText(/Ailsa M\. took part in/);
    await expectAccessible(page);
    const pdf = (await page.pdf({ format: 'A4', preferCSSPageSize: true })).toString('latin1');
    expect(pdf.match(/\/Type \/Page\b(?!s)/g)).toHaveLength(CHILDREN + 1);
  });
  process.stdout.write(`${steps.join('\n')}\n`);
});
