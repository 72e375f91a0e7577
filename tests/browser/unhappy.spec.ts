/** What goes wrong at home: each of these once lost something, or said something that was not so. */
import { expect, test, type Page } from '@playwright/test';
import { classWith, open, toCounting, untilSeen } from './at-home';
import { LONG } from '../long';
import { linksOf, post, signedIn } from './people';

// The last of the files: where its tests followed each other, one worker played them while the other had nothing left.
test.describe.configure({ mode: 'parallel' });

/** A class of its own with one game; the link of its first child, and that child's id. */
async function family(page: Page, wanted: string, starter = 'catch-the-ferry') {
  await signedIn(page);
  const name = await classWith(page, wanted, [starter]);
  await page.goto('/classes');
  const classPath = (await page.getByRole('link', { name, exact: true }).getAttribute('href'))!;
  const classId = classPath.split('/').at(-1)!;
  const [url, otherUrl] = [...(await linksOf(page, name)).values()];
  const child = async () => {
    await page.goto(classPath);
    return (await page.getByRole('link', { name: /^Corrie/ }).getAttribute('href'))!.split('/').at(-1)!;
  };
  return {
    name,
    url: url!,
    otherUrl: otherUrl!,
    replace: async () => {
      await post(page, `/api/v1/children/${await child()}/links`, {});
      return [...(await linksOf(page, name)).values()][0]!;
    },
    scores: async () => {
      await page.goto(`/scores?class=${classId}`);
      await expect(page.getByText('keeps itself up to date')).toBeVisible();
      return page;
    },
  };
}

/** Counted already: two hits are written down, and the end of the report is on the screen. */
async function twoHits(home: Page): Promise<void> {
  await toCounting(home, '');
  await home.getByRole('button', { name: /We have counted already/ }).click();
  const more = home.getByRole('button', { name: /^One more: / }).first();
  await more.click();
  await more.click();
  await home.getByRole('button', { name: 'That is right' }).click();
  await home.getByRole('button', { name: 'Finish and send' }).click();
}

const send = (home: Page) => home.getByRole('button', { name: 'Send to school' }).click();
const received = (home: Page) => expect(home.getByRole('heading', { name: 'The school has it' })).toBeVisible();

test('unhappy at home: a report waits while the link is replaced; the newest link sends it, once', async ({ page, browser }) => {
  const { url, replace, scores } = await family(page, 'P5 old');
  const home = await open(browser, url);
  await twoHits(home);
  await home.context().setOffline(true);
  await send(home);
  await expect(home.getByText('There is no connection to the school.', { exact: false })).toBeVisible();
  await expect(home.getByLabel('The score as a text')).toHaveValue(/Catch the Ferry: 2 /);
  const newest = await replace();
  // The old link opens nothing, but nothing is lost by opening it.
  await home.route('**/api/v1/home/reports', (route) => route.abort());
  await home.context().setOffline(false);
  await home.reload();
  await expect(home.getByText('This link is not known, or it has been replaced.', { exact: false })).toBeVisible();
  await expect(home.getByText('1 thing waits in this device for the school.', { exact: false })).toBeVisible();
  await home.unroute('**/api/v1/home/reports');
  await home.goto(newest);
  await expect(home.getByText('The school has 1 report', { exact: false })).toBeVisible();
  await expect(home.getByText('waits in this device', { exact: false })).toHaveCount(0);
  await home.reload();
  await expect(home.getByText('The school has 1 report', { exact: false })).toBeVisible();
  const desk = await scores();
  await expect(desk.getByRole('row', { name: /Corrie/ })).toContainText('2');
  await home.context().close();
});

test('unhappy at home: a report under a replaced link is taken, and waits for the teacher', async ({ page, browser }) => {
  const { url, replace, scores } = await family(page, 'P5 late');
  const home = await open(browser, url);
  await twoHits(home);
  await replace();
  await send(home);
  await received(home);
  const desk = await scores();
  await expect(desk.getByText('It came by a link that had been replaced', { exact: false })).toBeVisible();
  await home.context().close();
});

/** What a browser does to a page that it gives no storage, each before the page begins. */
const WITHOUT: readonly (readonly [string, string, string])[] = [
  ['has no storage', 'This device keeps nothing.', `Object.defineProperty(window, 'indexedDB', { value: undefined });`],
  [
    'is not allowed to store',
    'This device keeps nothing.',
    `IDBFactory.prototype.open = () => { throw new DOMException('denied', 'SecurityError'); };
     Object.defineProperty(window, 'localStorage', { get() { throw new DOMException('denied', 'SecurityError'); } });`,
  ],
  ['has a storage that never answers', 'This device keeps nothing.', `IDBFactory.prototype.open = () => new EventTarget();`],
  [
    'is full from the start',
    'This device has no room left',
    `IDBObjectStore.prototype.put = () => { throw new DOMException('full', 'QuotaExceededError'); };
     Storage.prototype.setItem = () => { throw new DOMException('full', 'QuotaExceededError'); };`,
  ],
];
// Two in every run; all of them with the long form.
for (const [what, says, script] of LONG ? WITHOUT : [WITHOUT[1]!, WITHOUT[3]!])
  test(`unhappy at home: a phone that ${what} says so, plays on and sends`, async ({ page, browser }) => {
    const { url } = await family(page, 'P5 bare');
    const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
    await context.addInitScript(script);
    const home = await context.newPage();
    await home.goto(url);
    await expect(home.getByText(says, { exact: false }).first()).toBeVisible();
    await twoHits(home);
    await expect(home.getByText(says, { exact: false }).first()).toBeVisible();
    // The score is there to copy while it cannot be sent.
    await home.route('**/api/v1/home/reports', (route) => route.abort());
    await send(home);
    await expect(home.getByLabel('The score as a text')).toHaveValue(/Catch the Ferry: 2 /);
    await home.unroute('**/api/v1/home/reports');
    // By itself, as soon as the browser says that there is a connection.
    await home.evaluate(() => window.dispatchEvent(new Event('online')));
    await received(home);
    await context.close();
  });

test('unhappy at home: the storage fills up in the middle of a go; the go is finished and sent', async ({ page, browser }) => {
  const { url } = await family(page, 'P5 full');
  const home = await open(browser, url);
  await toCounting(home, '');
  await home.getByRole('button', { name: /A helper taps every try/ }).click();
  const hit = home.locator('button[class*=Success]').first();
  await hit.click();
  await home.evaluate(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
  });
  for (let n = 0; n < 7; n += 1) await hit.click();
  await home.getByRole('button', { name: 'Finish and send' }).click();
  await expect(home.getByText('This device has no room left', { exact: false })).toBeVisible();
  await send(home);
  await received(home);
  await home.context().close();
});

test('unhappy at home: one go, two windows: the newer plays on, the older is told, both reports arrive', async ({ page, browser }) => {
  const { url } = await family(page, 'P5 two');
  const home = await open(browser, url);
  await toCounting(home, '');
  await home.getByRole('button', { name: /A helper taps every try/ }).click();
  await home.locator('button[class*=Success]').first().click();
  const other = await home.context().newPage();
  await other.goto(url);
  await other.getByRole('button', { name: 'Set it out' }).click();
  await expect(other.getByRole('heading', { name: 'You were in the middle of a go' })).toBeVisible();
  // Tapped in the older window while the newer one asks.
  await home.locator('button[class*=Success]').first().click();
  await other.getByRole('button', { name: 'Go on with it' }).click();
  await expect(home.getByRole('heading', { name: 'Played in another window' })).toBeVisible();
  for (let n = 0; n < 6; n += 1) await other.locator('button[class*=Success]').first().click();
  await other.getByRole('button', { name: 'Finish and send' }).click();
  await home.getByRole('button', { name: 'Back to the card' }).click();
  // The older window has the end of the report too, and sends it first.
  await home.reload();
  await home.getByRole('button', { name: 'Finish and send' }).click();
  await send(home);
  await received(home);
  await send(other);
  await expect(other.getByRole('button', { name: 'Set it out' })).toBeVisible();
  // A go of the other window's own is a report of its own.
  await twoHits(other);
  await send(other);
  await received(other);
  await other.getByRole('button', { name: 'Back to the card' }).click();
  await expect(other.getByText('The school has 2 reports', { exact: false })).toBeVisible();
  await home.context().close();
});

test('unhappy at home: another child’s card is opened while a report is on its way; both reports go off at once', async ({ page, browser }) => {
  const { url, otherUrl } = await family(page, 'P5 both');
  const home = await open(browser, otherUrl);
  await twoHits(home);
  await home.route('**/api/v1/home/reports', (route) => route.abort());
  await send(home);
  await expect(home.getByRole('heading', { name: 'Kept, not sent yet' })).toBeVisible();
  await home.goto(url);
  await twoHits(home);
  await home.unroute('**/api/v1/home/reports');
  let answer = () => {};
  const held = new Promise<void>((resolve) => (answer = resolve));
  await home.route(
    '**/api/v1/home/reports',
    async (route) => {
      await held;
      await route.continue();
    },
    { times: 1 },
  );
  await send(home);
  await expect(home.getByRole('heading', { name: 'On its way …' })).toBeVisible();
  // By its link, without the page being loaded again.
  await home.evaluate((to) => (window.location.hash = new URL(to).hash), otherUrl);
  await expect(home.getByText('1 report waits in this device', { exact: false })).toBeVisible();
  answer();
  // Sooner than the next try that comes by itself.
  await expect(home.getByText('The school has 1 report', { exact: false })).toBeVisible({ timeout: 8000 });
  await home.goto(url);
  await expect(home.getByText('The school has 1 report', { exact: false })).toBeVisible();
  await home.context().close();
});

test('unhappy at home: a browser that is too old to end a request by itself opens the card and sends', async ({ page, browser }) => {
  const { url } = await family(page, 'P5 aged');
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  await context.addInitScript(`delete AbortSignal.timeout;`);
  const home = await context.newPage();
  await home.goto(url);
  await twoHits(home);
  await send(home);
  await received(home);
  await context.close();
});

test('unhappy at home: the school is slow, then busy: what is said is what is so', async ({ page, browser }) => {
  const { url } = await family(page, 'P5 slow');
  const home = await open(browser, url);
  await twoHits(home);
  let answer = () => {};
  const held = new Promise<void>((resolve) => (answer = resolve));
  let tries = 0;
  await home.route('**/api/v1/home/reports', async (route) => {
    tries += 1;
    if (tries > 1) return route.continue();
    await held;
    await route.fulfill({ status: 503, json: {} });
  });
  await send(home);
  await expect(home.getByRole('heading', { name: 'On its way …' })).toBeVisible();
  await expect(home.getByText('no connection', { exact: false })).toHaveCount(0);
  answer();
  await expect(home.getByText('The school has not answered yet.', { exact: false })).toBeVisible();
  await expect(home.getByText('no connection', { exact: false })).toHaveCount(0);
  await home.getByRole('button', { name: 'Try to send now' }).click();
  await received(home);
  expect(tries).toBe(2);
  await home.context().close();
});

test('unhappy at home: twelve taps in a minute are twelve, through a stop, a reload and the end', async ({ page, browser }) => {
  const { url } = await family(page, 'P5 taps', 'lily-pads');
  const home = await open(browser, url);
  await home.clock.install();
  await toCounting(home, '');
  await home.getByRole('button', { name: /A helper taps every try/ }).click();
  const more = home.getByRole('button', { name: 'One more' });
  await untilSeen(home, more);
  for (let n = 0; n < 12; n += 1) await more.click();
  await home.getByRole('button', { name: 'Stop the clock' }).click();
  await expect(home.getByText('12 counted, and kept')).toBeVisible();
  await home.getByRole('button', { name: 'Go on' }).click();
  await more.click();
  await expect(home.getByLabel('How many so far')).toHaveValue('13');
  await home.clock.runFor(200);
  await home.reload();
  await home.getByRole('button', { name: 'Set it out' }).click();
  await expect(home.getByText('You had counted 13', { exact: false })).toBeVisible();
  await home.getByRole('button', { name: 'Go on with it' }).click();
  await expect(home.getByLabel('How many so far')).toHaveValue('13');
  await home.getByRole('button', { name: 'Stop the clock' }).click();
  await home.getByRole('button', { name: 'End here' }).click();
  await expect(home.getByText('13', { exact: true }).first()).toBeVisible();
  await home.context().close();
});

test('unhappy at home: a page that is closed for 40 seconds gives no time back; a day’s jump is asked about', async ({ page, browser }) => {
  const { url } = await family(page, 'P5 clock', 'harbour-lamps');
  const home = await open(browser, url);
  await home.clock.install();
  await toCounting(home, '');
  await home.getByRole('button', { name: /A helper taps every try/ }).click();
  const hit = home.locator('button[class*=Success]').first();
  await untilSeen(home, hit);
  const left = async () => {
    const [minutes, seconds] = (await home.getByRole('timer').textContent())!.split(':').map(Number) as [number, number];
    return minutes * 60 + seconds;
  };
  await hit.click();
  await home.clock.runFor(300);
  const before = await left();
  await home.goto('about:blank');
  await home.clock.fastForward(40_000);
  await home.goto(url);
  await home.getByRole('button', { name: 'Set it out' }).click();
  await expect(home.getByText(/The clock ran on since then: 0:4\d so far/)).toBeVisible();
  await home.getByRole('button', { name: 'Go on with it' }).click();
  const after = await left();
  expect(before - after).toBeGreaterThanOrEqual(40);
  expect(before - after).toBeLessThan(50);
  await home.clock.runFor(300);
  await home.goto('about:blank');
  await home.clock.fastForward(86_400_000);
  await home.goto(url);
  await home.getByRole('button', { name: 'Set it out' }).click();
  await home.getByRole('button', { name: 'Go on where the clock stood' }).click();
  await home.getByRole('button', { name: 'Go on' }).click();
  expect(Math.abs((await left()) - after)).toBeLessThan(4);
  await home.context().close();
});
