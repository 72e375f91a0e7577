import { expect, test, type Locator, type Page } from '@playwright/test';
import { pseudoText } from '@/core/words/pseudo';
import { STARTERS } from '../examples/starters';
import { playThrough } from './play-through';
import { complaintsOf, expectAccessible, linksOf, PHONE, signedIn } from './people';
import { classWith, open, toCounting, untilSeen, type Phone } from './at-home';
import { choose } from './by-hand';
import { expectStep } from './readable';

/** One game for each kind of counter; every starter is played on the counter in its component test. */
const KINDS = ['loch-frames', 'shore-list', 'buoys-aloft', 'letter-tide', 'drop-anchor', 'squall', 'oilskin-dash', 'regatta-day'];

/** Nothing sticks out at the side. */
async function expectNoOverflow(home: Page, where: string): Promise<void> {
  const over = await home.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  expect(over, `${where} is too wide`).toBeLessThanOrEqual(0);
}

const onePhone: readonly (Phone & { readonly name: string; readonly kinds: readonly string[] })[] = [
  { name: '390 wide', ...PHONE, dark: false, kinds: KINDS.filter((_, index) => index % 2 === 0) },
  { name: '320 wide and dark', width: 320, height: 640, dark: true, kinds: KINDS.filter((_, index) => index % 2 === 1) },
];

for (const phone of onePhone) {
  test(`every kind of counter is played at home and received, on a phone ${phone.name}`, async ({ page, browser }) => {
    test.setTimeout(600_000);
    await signedIn(page);
    const className = await classWith(page, `P5 ${phone.width}`, phone.kinds);
    const [url] = [...(await linksOf(page, className)).values()];
    const home = await open(browser, url!, phone);
    await home.clock.install();
    const complaints = complaintsOf(home);
    await expect(home.getByRole('heading', { name: 'Shore day' })).toBeVisible();
    await expectStep(home, 'card', 'anything');
    await expectAccessible(home);
    for (const id of phone.kinds) {
      const { game } = STARTERS.find((one) => one.id === id)!;
      const first = id === phone.kinds[0];
      await toCounting(home, game.title, async (where) => {
        await expectStep(home, `${id}: ${where}`);
        if (first) await expectAccessible(home);
      });
      await home.getByRole('button', { name: /A helper taps every try/ }).click();
      const counts = home.locator('button[class*=Success], ul[aria-label="Tap what you find"] button').first();
      await untilSeen(home, counts);
      // A length is measured before it can be written down.
      await expectStep(home, `${id}: play`, id === 'drop-anchor' ? 'anything' : 'tap');
      await expectAccessible(home);
      await playThrough(home.locator('main'), /^Finish and send/);
      await expectStep(home, `${id}: result`);
      if (first) await expectAccessible(home);
      await home.getByRole('button', { name: /^Finish and send/ }).click();
      await expectStep(home, `${id}: report`);
      if (first) {
        // At the end of the page nothing is half behind its foot.
        await home.evaluate(() => window.scrollTo(0, document.documentElement.scrollHeight));
        await expectAccessible(home);
      }
      await home.getByRole('button', { name: 'Send to school' }).click();
      await expect(home.getByRole('heading', { name: 'The school has it' })).toBeVisible();
      await expectStep(home, `${id}: sent`);
      await home.getByRole('button', { name: 'Back to the card' }).click();
      expect(complaints, id).toEqual([]);
    }
    await expect(home.getByText(`The school has ${phone.kinds.length} reports from this week`, { exact: false })).toBeVisible();
    await home.context().close();
  });
}

test('on a poor line the card is read before the page’s scripts have come; what is tapped meanwhile is done, and nothing jumps', async ({
  page,
  browser,
}) => {
  await signedIn(page);
  const [url] = [...(await linksOf(page, await classWith(page, 'P6 poor line', ['harbour-lamps']))).values()];
  for (const how of ['looked at', 'tapped', 'held', 'touched'] as const) {
    const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, serviceWorkers: 'block', locale: 'fr-FR' });
    const home = await context.newPage();
    const complaints = complaintsOf(home);
    // What the window is named while something can be read, frame by frame.
    await home.addInitScript(() => {
      const names = new Set<string>();
      Object.assign(window, { names });
      const look = () => {
        const step = document.querySelector('main[class] h1')?.textContent;
        if (step) names.add(`${step} = ${document.title}`);
        requestAnimationFrame(look);
      };
      look();
    });
    let letCome = () => undefined as void;
    const mayCome = new Promise<void>((resolve) => (letCome = resolve));
    await home.route('**/_next/static/**/*.js', async (route) => {
      await mayCome;
      await route.continue();
    });
    await home.goto(url!, { waitUntil: 'commit' });
    const heading = home.getByRole('heading', { level: 1 });
    const drawing = home.locator('.drawn svg').first();
    const button = home.getByRole('button', { name: 'Mets en place' });
    // All at one moment: the painted drawing gives way to the page's own.
    const boxes = () =>
      home.evaluate(() =>
        ['h1', '.drawn svg', 'main > :last-child button'].map((of) => JSON.stringify(document.querySelector(of)?.getBoundingClientRect())),
      );
    await expect(heading).toContainText('Les lampes du port');
    await expect(drawing).toBeVisible();
    await expect(home).toHaveTitle(/Les lampes du port/);
    expect(await home.evaluate(() => document.documentElement.lang)).toBe('fr');
    await expectAccessible(home);
    await home.evaluate(() => document.fonts.ready);
    const before = await boxes();
    for (const box of before) expect(box).toBeTruthy();
    if (how === 'tapped') {
      await home.getByRole('button', { name: 'Montre-moi' }).click();
      await button.click();
    }
    const devices = await context.newCDPSession(home);
    const { x, y, width, height } = (await button.boundingBox())!;
    const finger = { x: x + width / 2, y: y + height / 2 };
    if (how === 'held') {
      await button.hover();
      await home.mouse.down();
    }
    if (how === 'touched') await devices.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [finger] });
    letCome();
    if (how !== 'tapped') await expect(home.locator('#first-sight')).toHaveCount(0);
    // The page came alive under the finger.
    if (how === 'held') await home.mouse.up();
    if (how === 'touched') await devices.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
    if (how !== 'looked at') await expect(home.getByRole('button', { name: 'C’est en place' })).toBeVisible();
    else {
      expect(await boxes()).toEqual(before);
      // The page's own drawing in the place of the painted one.
      await expect(home.locator('.drawn > svg')).toBeVisible();
      expect(await boxes()).toEqual(before);
    }
    const names = await home.evaluate(() => [...(window as unknown as { names: Set<string> }).names]);
    expect(names.length).toBeGreaterThan(0);
    for (const name of names) expect(name).toMatch(/^(.+) = \1 · Lochside$/);
    expect(complaints).toEqual([]);
    await context.close();
  }
});

test('in airplane mode a game is played, cut off by a reload, gone on with, reported and kept, and sent when there is a connection', async ({
  page,
  browser,
}) => {
  await signedIn(page);
  const className = await classWith(page, 'P6 offline', ['harbour-lamps']);
  const [url] = [...(await linksOf(page, className)).values()];
  const home = await open(browser, url!);
  await expect(home.getByRole('button', { name: 'Set it out' })).toBeVisible();
  // Until the worker has everything that the page is made of.
  await expect
    .poll(async () =>
      home.evaluate(async () => {
        const names = await caches.keys();
        const parts = names.includes('home-parts') ? await (await caches.open('home-parts')).keys() : [];
        const loaded = performance
          .getEntriesByType('resource')
          .filter((entry) => entry.name.includes('/_next/static/') && entry.name.endsWith('.js'));
        const kept = new Set(parts.map((part) => new URL(part.url).pathname));
        return loaded.length > 8 && loaded.every((entry) => kept.has(new URL(entry.name).pathname));
      }),
    )
    .toBe(true);
  await home.context().setOffline(true);
  await home.reload();
  await expect(home.getByText('There is no connection.', { exact: false })).toBeVisible();
  // It shows itself without a connection too, step by step.
  await home.getByRole('button', { name: 'Show me' }).click();
  await expect(home.getByText(/^Light the lamps along the pier/)).toBeVisible();
  await home.getByRole('button', { name: 'Hold' }).click();
  for (const says of [/^You need 1 sock ball/, /^Near: [\d½]+ steps/]) {
    await home.getByRole('button', { name: 'Step on' }).click();
    await expect(home.getByText(says)).toBeVisible();
  }
  await expectNoOverflow(home, 'Show me');
  await expectAccessible(home);
  await home.getByRole('button', { name: 'I have seen it' }).click();
  await toCounting(home, 'Harbour Lamps');
  await home.getByRole('button', { name: /A helper taps every try/ }).click();
  const hit = home.locator('button[class*=Success]').first();
  await expect(hit).toBeVisible({ timeout: 40_000 });
  await hit.click();
  await hit.click();
  const score = await home.locator('[aria-live=polite] b').textContent();
  await expect.poll(async () => home.evaluate(() => indexedDB.databases().then((all) => all.length))).toBeGreaterThan(0);
  await home.reload();
  await home.getByRole('button', { name: 'Set it out' }).click();
  await expect(home.getByRole('heading', { name: 'You were in the middle of a go' })).toBeVisible();
  await home.getByRole('button', { name: 'Go on with it' }).click();
  await expect(home.locator('[aria-live=polite] b')).toHaveText(score!);
  await home.getByRole('button', { name: 'Stop the clock' }).click();
  await home.getByRole('button', { name: 'End here' }).click();
  // Closed before it is sent: the session is there again, with what was written.
  await home.getByRole('button', { name: 'Finish and send' }).click();
  await home.getByLabel('A word to your teacher, if you like').fill('It rained');
  await home.reload();
  await expect(home.getByText('1 go of Harbour Lamps not sent yet', { exact: false })).toBeVisible();
  await home.getByRole('button', { name: 'Finish and send' }).click();
  await expect(home.getByLabel('A word to your teacher, if you like')).toHaveValue('It rained');
  await home.getByRole('button', { name: 'Send to school' }).click();
  await expect(home.getByRole('heading', { name: 'Kept, not sent yet' })).toBeVisible();
  await home.getByRole('button', { name: 'Back to the card' }).click();
  await home.getByRole('button', { name: 'Movement diary' }).click();
  await home.getByLabel('What did you do?').fill('Walked home');
  await home.getByLabel('Minutes').fill('20');
  await home.getByRole('button', { name: 'Write it in' }).click();
  await expect(home.getByText('waits to be sent')).toBeVisible();
  await home.getByRole('button', { name: 'Back to the card' }).click();
  await expect(home.getByText('1 report waits in this device. 1 line of the diary waits in this device.', { exact: false })).toBeVisible();

  await home.context().setOffline(false);
  await home.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(home.getByText('The school has 1 report', { exact: false })).toBeVisible();
  await expect(home.getByText('wait in this device', { exact: false })).toHaveCount(0);
  await expect(home.getByRole('button', { name: 'Movement diary: 20 minutes so far' })).toBeVisible();
  // Neither the API nor the desk is kept, and the worker has the home pages alone.
  const kept = await home.evaluate(async () => {
    const urls = [];
    for (const name of await caches.keys()) for (const request of await (await caches.open(name)).keys()) urls.push(new URL(request.url).pathname);
    return { urls, scopes: (await navigator.serviceWorker.getRegistrations()).map((one) => new URL(one.scope).pathname) };
  });
  expect(kept.scopes).toEqual(['/home']);
  expect(kept.urls.filter((path) => path !== '/home' && !path.startsWith('/_next/static/'))).toEqual([]);
  await page.goto('/classes');
  const classPath = (await page.getByRole('link', { name: className, exact: true }).getAttribute('href'))!;
  await page.goto(`/scores?class=${classPath.split('/').at(-1)}`);
  await expect(page.getByText('“It rained”')).toBeVisible();
  await home.context().close();
});

test('a session of easier and harder goes on another set-up is sent whole, with its looks and faces', async ({ page, browser }) => {
  await signedIn(page);
  const className = await classWith(page, 'P3 session', ['harbour-lamps'], 'level-2');
  const [[name, url]] = [...(await linksOf(page, className))] as [[string, string]];
  const home = await open(browser, url);
  await home.getByRole('button', { name: 'Set it out' }).click();
  await home.getByRole('checkbox', { name: 'laundry basket' }).check();
  await home.getByRole('checkbox', { name: 'bucket' }).uncheck();
  await home.getByLabel(/^Longest clear line/).fill('14');
  await expect(home.getByText('With the laundry basket the marks move', { exact: false })).toBeVisible();
  await home.getByLabel('sheets of paper').check();
  await expect(home.getByText(/Measure \d+½? sheets of paper away/).first()).toBeVisible();
  await home.getByLabel(/^Longest clear line/).fill('2');
  await expect(home.getByText('That line is short for this game', { exact: false })).toBeVisible();
  await home.getByLabel(/^Longest clear line/).fill('14');
  await home.getByRole('button', { name: 'It is set out' }).click();
  await home.getByLabel('An adult says yes to this place').check();
  await home.getByRole('button', { name: 'Go on' }).click();
  await home.getByRole('button', { name: 'Now with counting' }).click();
  await home.getByRole('button', { name: /We have counted already/ }).click();
  await home.getByRole('button', { name: 'One more: near mark' }).click();
  await home.getByRole('button', { name: 'That is right' }).click();
  await home.getByRole('button', { name: /^Nearer/ }).click();
  await expect(home.getByText(/, nearer$/).first()).toBeVisible();
  await home.getByRole('button', { name: 'It is set out' }).click();
  // An adult has said yes today: practice and counting follow at once.
  await home.getByRole('button', { name: 'Now with counting' }).click();
  await home.getByRole('button', { name: /We have counted already/ }).click();
  await home.getByRole('button', { name: 'We only know the score' }).click();
  await home.getByLabel('The score in points').fill('6');
  await home.getByRole('button', { name: 'That is right' }).click();
  await expect(home.getByRole('button', { name: 'Finish and send 2 goes' })).toBeVisible();
  await home.getByRole('button', { name: 'Finish and send 2 goes' }).click();
  await home.getByRole('radio', { name: 'sometimes' }).first().check();
  await home.getByRole('button', { name: 'easy' }).click();
  await home.getByLabel("Adult's initials, if you like").fill('ab');
  await expectAccessible(home);
  await home.getByRole('button', { name: 'Send to school' }).click();
  await expect(home.getByRole('heading', { name: 'The school has it' })).toBeVisible();
  await home.context().close();

  await page.goto('/classes');
  const classPath = (await page.getByRole('link', { name: className, exact: true }).getAttribute('href'))!;
  await page.goto(`/scores?class=${classPath.split('/').at(-1)}`);
  const row = page.getByRole('row', { name: new RegExp(name.replace('.', '\\.')) });
  await expect(row).toContainText('1 go made easier or harder');
  await row.getByRole('button', { name: /: how / }).click();
  await page.getByRole('dialog').getByRole('radio', { name: 'yes' }).first().check();
  await page.getByRole('dialog').getByRole('button', { name: /^Keep/ }).click();
  await expect(row).toContainText(/technique: home .*teacher 1 of \d+ yes/);
});

test('a game that was played before is at its first throw in three taps, the cautions among them, each step told', async ({ page, browser }) => {
  await signedIn(page);
  const [url] = [...(await linksOf(page, await classWith(page, 'P4 again', ['harbour-lamps']))).values()];
  const home = await open(browser, url!, { width: 320, height: 640, dark: false });
  await home.clock.install();
  await expect(home.getByRole('button', { name: 'Set it out' })).toBeVisible();
  await expectStep(home, 'card', 'anything');
  await home.getByRole('button', { name: 'Show me' }).click();
  await expectStep(home, 'show me');
  await home.getByRole('button', { name: 'I have seen it' }).click();
  await toCounting(home, '', (where) => expectStep(home, where));
  await home.getByRole('button', { name: /A helper taps every try/ }).click();
  const hit = home.getByRole('button', { name: /^It stays in|^In/ }).first();
  await untilSeen(home, hit);
  await hit.click();
  await home.getByRole('button', { name: 'Stop the clock' }).click();
  await expectStep(home, 'stopped', 'tap');
  await home.getByRole('button', { name: 'End here' }).click();
  await expectStep(home, 'result');
  await home.getByRole('button', { name: /^Finish and send/ }).click();
  await expectStep(home, 'report');
  await home.getByRole('button', { name: 'Send to school' }).click();
  await expect(home.getByRole('heading', { name: 'The school has it' })).toBeVisible();
  await home.getByRole('button', { name: 'Back to the card' }).click();
  await expectStep(home, 'card again');

  await home.getByRole('button', { name: 'My weeks' }).click();
  await expectStep(home, 'my weeks');
  await expect(home.getByText('Harbour Lamps: 2 points', { exact: false })).toBeVisible();
  await expectAccessible(home);
  await home.getByRole('button', { name: 'Play Harbour Lamps again' }).click();
  await expect(home.getByRole('heading', { name: 'Same place and things as last time?' })).toBeVisible();
  await home.getByRole('button', { name: 'Back' }).click();

  // One: the game. Two: the adult, in sight of the cautions, has said yes today. Three: play.
  await home.getByRole('button', { name: 'Set it out' }).click();
  await expect(home.getByRole('heading', { name: 'Same place and things as last time?' })).toBeVisible();
  await expectStep(home, 'again');
  await expect(home.getByText(/soft things only|clear|keep/i).first()).toBeVisible();
  await home.getByRole('button', { name: 'The same: play' }).click();
  await untilSeen(home, hit);
  await expectAccessible(home);
  await home.getByRole('button', { name: 'Stop the clock' }).click();
  await home.getByRole('button', { name: 'End here' }).click();
  await home.getByRole('button', { name: 'Again, just the same' }).click();
  await untilSeen(home, hit);

  // Another place: the cautions and the adult come again, though it is the same day.
  await home.reload();
  await home.getByRole('button', { name: 'Set it out' }).click();
  const setUp = home.getByRole('button', { name: 'Something is different' });
  const begun = home.getByRole('button', { name: 'Start again' });
  await expect(setUp.or(begun)).toBeVisible();
  await ((await begun.count()) ? begun : setUp).click();
  await home.getByLabel(/longest clear line/i).fill('4');
  await home.getByRole('button', { name: 'It is set out' }).click();
  await expect(home.getByLabel('An adult says yes to this place')).toBeVisible();
  await home.context().close();
});

test('nobody taps: a clock for across the room, then the parts; others take turns and are not sent', async ({ page, browser }) => {
  await signedIn(page);
  const links = await linksOf(page, await classWith(page, 'P3 watch', ['harbour-lamps']));
  const context = await browser.newContext({ viewport: PHONE, hasTouch: true });
  const home = await context.newPage();
  await home.clock.install();
  await home.goto([...links.values()][0]!);
  await toCounting(home, '');
  await home.getByRole('radio', { name: '2' }).check();
  await home.getByRole('button', { name: /Nobody taps/ }).click();
  for (let n = 0; n < 4; n += 1) await home.clock.runFor(1000);
  await expect(home.getByRole('timer')).toBeVisible();
  const height = await home.getByRole('timer').evaluate((element) => parseFloat(getComputedStyle(element).fontSize));
  // About 25 mm on a phone of 390 × 844: letters of 10 mm are read from two metres and more.
  expect(height).toBeGreaterThanOrEqual(120);
  await home.clock.runFor(95_000);
  await home.getByRole('button', { name: 'One more: far mark' }).click();
  await home.getByRole('button', { name: 'That is right' }).click();
  await home.getByRole('button', { name: 'Player 2 has a go' }).click();
  for (let n = 0; n < 4; n += 1) await home.clock.runFor(1000);
  await home.clock.runFor(95_000);
  await home.getByRole('button', { name: 'That is right' }).click();
  await expect(home.getByText('This one stays in the family.', { exact: false })).toBeVisible();
  await home.getByRole('button', { name: /again$/ }).click();
  for (let n = 0; n < 4; n += 1) await home.clock.runFor(1000);
  await home.clock.runFor(95_000);
  await home.getByRole('button', { name: 'That is right' }).click();
  await expect(home.getByRole('button', { name: 'Finish and send 2 goes' })).toBeVisible();
  await context.close();
});

test('two children on one phone are kept apart, and one can be taken off it', async ({ page, browser }) => {
  await signedIn(page);
  const className = await classWith(page, 'P3 two', ['harbour-lamps']);
  const [[first, firstUrl], [second, secondUrl]] = [...(await linksOf(page, className))] as [[string, string], [string, string]];
  const home = await open(browser, firstUrl);
  await toCounting(home, '');
  await home.getByRole('button', { name: /We have counted already/ }).click();
  await home.getByRole('button', { name: 'One more: near mark' }).click();
  await home.getByRole('button', { name: 'That is right' }).click();
  await home.goto(secondUrl);
  // Side by side, each by its name and sign; what is so of the home is known already, scores are not.
  const both = home.getByRole('navigation', { name: 'Who is playing?' });
  await expect(both.getByRole('button', { name: second })).toHaveAttribute('aria-current', 'true');
  await expect(home.getByText('not sent yet')).toHaveCount(0);
  await both.getByRole('button', { name: first }).click();
  await expect(home.getByText('1 go of Harbour Lamps not sent yet', { exact: false })).toBeVisible();
  await both.getByRole('button', { name: second }).click();
  await expect(home.getByText('not sent yet')).toHaveCount(0);
  await home.getByRole('button', { name: 'not you?' }).click();
  await expect(home.getByRole('heading', { name: 'Who is playing?' })).toBeVisible();
  await expectAccessible(home);
  await home.getByRole('button', { name: first, exact: true }).click();
  await expect(home.getByText('1 go of Harbour Lamps not sent yet', { exact: false })).toBeVisible();
  await home.getByRole('button', { name: 'not you?' }).click();
  await home.getByRole('button', { name: `Take ${first} off this device` }).click();
  await home
    .getByRole('alert')
    .getByRole('button', { name: `Take ${first} off this device` })
    .click();
  await expect(home.getByRole('button', { name: first, exact: true })).toHaveCount(0);
  // By code, as it is printed.
  await home.getByLabel('The link or code from your school').fill(`  ${firstUrl.split('#k=')[1]!} `);
  await home.getByRole('button', { name: 'Open', exact: true }).click();
  await expect(home.getByText(first).first()).toBeVisible();
  await expect(home.getByText('not sent yet')).toHaveCount(0);
  expect(home.url()).not.toContain(first.split(' ')[0]!);
  expect(await home.title()).not.toContain(first.split(' ')[0]!);
  await home.context().close();
});

test('a child makes a game, plays it and shows it; the teacher puts it on the shelf', async ({ page, browser }) => {
  await signedIn(page);
  const className = await classWith(page, 'P1 makers', ['harbour-lamps']);
  const [[name, url], [, otherUrl]] = [...(await linksOf(page, className))] as [[string, string], [string, string]];
  const home = await open(browser, url);
  await home.getByRole('button', { name: 'Make a game of your own' }).click();
  const floor = home.getByRole('group', { name: 'The floor from above' });
  await floor.click({ position: { x: 60, y: 60 } });
  await home.getByRole('button', { name: 'pillow' }).click();
  await floor.click({ position: { x: 180, y: 200 } });
  await home.getByRole('button', { name: /^mark 2/ }).focus();
  await home.keyboard.press('ArrowDown');
  await home.getByLabel('Points from mark 2').selectOption('5');
  await home.getByLabel('How long').selectOption('5 throws');
  await home.getByLabel(/What is it called/).fill('Puddle Post');
  await expectAccessible(home);
  await home.getByRole('button', { name: 'Play it' }).click();
  await home.getByLabel('An adult says yes to this place').check();
  await home.getByRole('button', { name: 'Start' }).click();
  await playThrough(home.locator('main'), 'Show it to my teacher');
  const received = home.waitForResponse((response) => response.url().endsWith('/home/inventions'));
  await home.getByRole('button', { name: 'Show it to my teacher' }).click();
  await expect(home.getByRole('heading', { name: 'On its way' })).toBeVisible();
  expect((await received).status()).toBe(201);
  await home.context().close();

  await page.goto('/classes');
  await page.getByRole('link', { name: className, exact: true }).click();
  await expect(page.getByText(`by ${name}`, { exact: false })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Make it a class game' }).click();
  await page.waitForURL('**/games/*-*');
  await expect(page.getByText(/par \d+/).first()).toBeVisible();
  expect(await page.locator('main').textContent()).not.toContain(name.split(' ')[0]);
  await page.goto('/games');
  await expect(page.getByRole('link', { name: /Puddle Post/ }).first()).toBeVisible();

  // Somebody else of the class finds it among its weeks, plays it, and sends nothing.
  const other = await open(browser, otherUrl);
  await other.getByRole('button', { name: 'My weeks' }).click();
  await expect(other.getByText('New for you: Harbour Lamps.')).toBeVisible();
  await expect(other.getByText('Puddle Post')).toBeVisible();
  expect(await other.locator('main').textContent()).not.toContain(name.split(' ')[0]);
  await expectAccessible(other);
  await other.getByRole('button', { name: 'Play Puddle Post' }).click();
  await other.getByRole('button', { name: 'Play it' }).click();
  await other.getByLabel('An adult says yes to this place').check();
  await other.getByRole('button', { name: 'Start' }).click();
  await playThrough(other.locator('main'), 'Play it again');
  await expect(other.getByRole('button', { name: 'Show it to my teacher' })).toHaveCount(0);
  await other.context().close();
});

test('a week is built, seen in both forms, sent, and printed', async ({ page }) => {
  await signedIn(page);
  const className = await classWith(page, 'P7 builders', ['harbour-lamps']);
  await page.goto('/weeks/new');
  await choose(page, /Class$/, new RegExp(className));
  // On a low window most pictures are out of sight at first.
  await page.setViewportSize({ width: 1280, height: 480 });
  await choose(page, /Choose a game$/, 'Kelp Kettle');
  await page.setViewportSize({ width: 1280, height: 800 });
  await choose(page, /Add a game$/, 'Lantern Quay');
  await page.getByRole('button', { name: 'Lantern Quay earlier' }).click();
  await page.getByLabel('What the event is called').fill('Quay day');
  await page.getByLabel('Another thing').fill('balloon');
  await page.getByRole('button', { name: 'Add it' }).click();
  await page.getByText('Levels child by child').click();
  // A grid by keys: the third level for one child.
  await page.getByRole('button', { name: /^Morag Q., Lantern Quay: / }).press('3');
  await expect(page.getByRole('button', { name: /^Morag Q., Lantern Quay: Swim/ })).toBeVisible();
  const preview = page.getByRole('region', { name: 'Preview of the card' });
  await expect(preview.getByRole('heading', { name: 'Quay day' })).toBeVisible();
  await expect(preview.getByText('1. Lantern Quay')).toBeVisible();
  await expectAccessible(page);
  // A plan that was begun is there again.
  await page.reload();
  await expect(page.getByLabel('What the event is called')).toHaveValue('Quay day');
  const onPaper = page.waitForEvent('download');
  await page.getByRole('button', { name: 'See it on paper' }).click();
  expect((await onPaper).suggestedFilename()).toBe('preview.pdf');
  await page.getByRole('button', { name: `Send to ${className}` }).click();
  await page.waitForURL(/\/weeks\/[0-9a-f-]{36}$/);
  await expect(page.getByRole('heading', { name: /Quay day/ }).first()).toBeVisible();
  await expect(page.getByText('Paddle 1 · Swim 1')).toBeVisible();
  await expect(page.getByRole('row', { name: /balloon/ })).toContainText('2');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Write a reminder' }).click();
  await expect(page.getByText(/: a reminder$/)).toBeVisible();
  await page.getByRole('button', { name: 'Print', exact: true }).click();
  const pack = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Make the PDF' }).click();
  expect((await pack).suggestedFilename()).toBe(`${className.replaceAll(' ', '-')}-week-2-event.pdf`);
  await expect(page.getByText('is in your downloads', { exact: false })).toBeVisible();
});

/** How an element is framed or filled; what is chosen must not look like what is not. */
const look = (element: Element) => {
  const { borderTopWidth, borderTopColor, outlineStyle, outlineWidth, backgroundColor } = getComputedStyle(element);
  return [borderTopWidth, borderTopColor, outlineStyle === 'none' ? '' : outlineWidth, backgroundColor].join(' ');
};

test('with colours that the device forces, what is chosen, what fills up and what is drawn are still seen', async ({ page, browser }) => {
  await signedIn(page);
  const [url] = [...(await linksOf(page, await classWith(page, 'P6 forced', ['harbour-lamps']))).values()];
  const context = await browser.newContext({ viewport: { width: 320, height: 640 }, forcedColors: 'active', colorScheme: 'dark', hasTouch: true });
  const home = await context.newPage();
  await home.goto(url!);
  const differs = async (chosen: Locator, other: Locator) => expect(await chosen.evaluate(look)).not.toBe(await other.evaluate(look));
  // The painted drawing gives way to the page's own: what is asked of one that is gone has no colours at all.
  await expect(home.locator('#first-sight')).toHaveCount(0);
  await expect(home.locator('.drawn > svg')).toBeVisible();
  // Its own colours: a floor whose bands were all the same would say nothing.
  const bands = await home.locator('.drawn > svg circle').evaluateAll((all) => all.map((one) => getComputedStyle(one).fill));
  expect(new Set(bands).size).toBe(bands.length);
  await home.getByRole('button', { name: 'Set it out' }).click();
  const option = (name: string) => home.locator('label').filter({ has: home.getByRole('radio', { name }) });
  await differs(option('my steps'), option('towels'));
  await home.getByRole('button', { name: 'It is set out' }).click();
  const agreed = home.locator('label').filter({ has: home.getByRole('checkbox') });
  const before = await agreed.locator('i').evaluate(look);
  await home.getByRole('checkbox').check();
  expect(await agreed.locator('i').evaluate(look)).not.toBe(before);
  await home.getByRole('button', { name: 'Go on' }).click();
  await home.getByRole('button', { name: 'Now with counting' }).click();
  await home.getByRole('button', { name: /A helper taps every try/ }).click();
  await differs(home.getByRole('radio', { checked: true }), home.getByRole('radio', { checked: false }).first());
  const left = home.locator('[data-fill]').first();
  expect(await left.evaluate((fill) => getComputedStyle(fill).backgroundColor)).not.toBe(
    await left.evaluate((fill) => getComputedStyle(fill.parentElement!).backgroundColor),
  );
  await context.close();
});

/** What a page says in Latin letters, but for names, units and addresses. */
async function latinOn(home: Page): Promise<readonly string[]> {
  const said = await home.evaluate(() => {
    const main = document.querySelector('main')!;
    const labels = [...main.querySelectorAll('[aria-label],[placeholder]')].flatMap((one) => [
      one.getAttribute('aria-label') ?? '',
      one.getAttribute('placeholder') ?? '',
    ]);
    return [...main.innerText.split('\n'), ...[...main.querySelectorAll('svg text')].map((one) => one.textContent ?? ''), ...labels];
  });
  const allowed = /Lochside|Corrie Q\.|English|Français|https|A4|\b(cm|mm|m|min)\b/g;
  return said.filter((line) => /\p{Script=Latin}/u.test(line.replace(allowed, '')));
}

/** The counter of every starter is read so in its component test. */
const rightToLeft = ['harbour-lamps', 'shore-list', 'otters-errand'];

test('the home pages work from right to left, and no word of them is outside of the catalogue', async ({ page, browser }) => {
  test.setTimeout(240_000);
  await signedIn(page);
  const className = await classWith(page, 'P5 rtl', rightToLeft);
  const [url] = [...(await linksOf(page, className)).values()];
  const context = await browser.newContext({ viewport: { width: 320, height: 640 }, hasTouch: true });
  await context.addInitScript(() => localStorage.setItem('lochside language', 'pseudo'));
  const home = await context.newPage();
  await home.goto(url!);
  const p = pseudoText;
  const button = (english: string) => home.getByRole('button', { name: p(english) });
  const check = async (where: string) => {
    // What the school wrote for this week stays as it wrote it.
    expect.soft(await latinOn(home), where).toEqual([]);
    await expectNoOverflow(home, where);
  };
  await expect(home.locator('html')).toHaveAttribute('dir', 'rtl');
  await expect(home.getByRole('heading', { name: 'Shore day' })).toBeVisible();
  expect((await latinOn(home)).filter((line) => !/Shore day|Write down how many minutes you moved|Three throws from the side/.test(line))).toEqual(
    [],
  );
  await expectNoOverflow(home, 'card');
  await expectAccessible(home);
  for (const id of rightToLeft) {
    const { game } = STARTERS.find((one) => one.id === id)!;
    await home
      .getByRole('button', { name: p(`Play ${game.title}`) })
      .first()
      .click();
    await expect(button('It is set out')).toBeVisible();
    await check(`${id}: set-up`);
    await button('It is set out').click();
    // Other things, another yes.
    const yes = home.getByLabel(p('An adult says yes to this place'));
    await expect(yes.or(button('Now with counting'))).toBeVisible();
    if (await yes.count()) {
      await check(`${id}: safety`);
      await yes.check();
      await button('Go on').click();
    }
    await check(`${id}: practise`);
    await button('Now with counting').click();
    await check(`${id}: who counts`);
    await button('A helper taps every try').click();
    await expect(home.locator('button[class*=Success], ul[class*=List] button').first()).toBeVisible({ timeout: 20_000 });
    await check(`${id}: play`);
    const stop = button('Stop the clock')
      .or(home.getByRole('button', { name: p('Stop'), exact: true }))
      .first();
    await stop.click();
    await check(`${id}: stopped`);
    await button('End here').click();
    await check(`${id}: result`);
    await expectAccessible(home);
    await home.getByRole('button', { name: new RegExp(`^${p('Finish and send')}`) }).click();
    await check(`${id}: report`);
    await button('Send to school').click();
    await expect(home.getByRole('heading', { name: p('The school has it') })).toBeVisible();
    await check(`${id}: sent`);
    await button('Back to the card').click();
  }
  await button('Make a game of your own').click();
  await expect(home.getByRole('heading', { name: p('Put it on the floor') })).toBeVisible();
  await check('a game of one’s own');
  await button('Back to the card').click();
});

test('a family chooses French, and the device keeps it', async ({ page, browser }) => {
  await signedIn(page);
  const className = await classWith(page, 'P5 fr', ['harbour-lamps']);
  const [url] = [...(await linksOf(page, className)).values()];
  const home = await open(browser, url!);
  await home.getByRole('button', { name: 'Français' }).click();
  await expect(home.getByRole('heading', { name: 'Les lampes du port, Barboter' })).toBeVisible();
  await expect(home.locator('html')).toHaveAttribute('lang', 'fr');
  await home.reload();
  await home.getByRole('button', { name: 'Mets en place' }).click();
  await expect(home.getByText(/Éloigne-toi de .+ pas/).first()).toBeVisible();
  await home.getByRole('button', { name: 'C’est en place' }).click();
  await home.getByLabel('Un adulte est d’accord avec cet endroit').check();
  await home.getByRole('button', { name: 'Continuer' }).click();
  await expect(home.getByText('Allume les lampes le long de la jetée', { exact: false })).toBeVisible();
  await home.getByRole('button', { name: 'Maintenant, on compte' }).click();
  await home.getByRole('button', { name: /Nous avons déjà compté/ }).click();
  await home.getByRole('textbox').first().fill('2');
  await home.getByRole('button', { name: 'C’est juste' }).click();
  await home.getByRole('button', { name: 'Terminer et envoyer' }).click();
  await home.getByRole('button', { name: 'Envoyer à l’école' }).click();
  await expect(home.getByRole('heading', { name: 'L’école l’a reçu' })).toBeVisible();
});
