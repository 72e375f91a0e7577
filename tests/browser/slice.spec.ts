import { expect, test, type Page } from '@playwright/test';
import { complaintsOf, expectAccessible, linksOf, PHONE, signInAs, openScores, signedIn, openLinks, signInByHand } from './people';
import { PDFDocument } from 'pdf-lib';

/** Opens a child's card on a phone of its own. */
async function phone(page: Page, url: string) {
  const context = await page.context().browser()!.newContext({ viewport: PHONE, hasTouch: true });
  const home = await context.newPage();
  await home.goto(url);
  return { home, context };
}

async function toPlay(home: Page) {
  await home.getByRole('button', { name: 'Set it out' }).click();
  await home.getByRole('button', { name: 'It is set out' }).click();
  await home.getByLabel('An adult says yes to this place').check();
  await home.getByRole('button', { name: 'Go on' }).click();
  await home.getByRole('button', { name: 'Now with counting' }).click();
  await home.getByRole('button', { name: /A helper taps every try/ }).click();
}

test('a teacher makes a game, sends it, a child plays it on a phone, and the score counts', async ({ page }) => {
  const complaints = complaintsOf(page);
  await signInAs(page);
  let acts = 0;
  const act = async (does: Promise<unknown>, number = 1) => {
    acts += number;
    await does;
  };
  await act(page.getByRole('link', { name: 'New game' }).click());
  await act(page.getByText('laundry basket', { exact: true }).click());
  await act(page.getByLabel('Name of the game').fill('Seal Supper'), 'Seal Supper'.length + 1);
  await act(page.getByRole('button', { name: 'Set it out' }).click());
  await page.waitForURL(/games\/[0-9a-f]{8}-/);
  await expect(page.getByText('working it out')).toHaveCount(0);
  await expect(page.getByText(/in 10$/).first()).toBeVisible();
  await act(page.getByRole('button', { name: 'Send to a class' }).click());
  await page.getByRole('button', { name: /Class$/ }).click();
  await act(page.getByRole('option', { name: /P4 Dippers/ }).click(), 2);
  await act(page.getByRole('button', { name: 'Send', exact: true }).click());
  await expect(page.getByRole('heading', { name: 'Sent to P4 Dippers' })).toBeVisible();
  await act(page.getByRole('link', { name: 'Links and codes' }).click());
  expect(acts).toBeLessThanOrEqual(40);

  const links = await linksOf(page, 'P4 Dippers');
  const [name, url] = [...links][3]!;
  const { home, context } = await phone(page, url);
  const homeComplaints = complaintsOf(home);
  await expect(home.getByText(name)).toBeVisible();
  await expect(home.getByRole('heading', { name: /Seal Supper/ })).toBeVisible();
  await toPlay(home);
  await home.getByRole('radio', { name: /far mark/ }).click();
  await home.getByRole('button', { name: /^In/ }).click();
  await home.getByRole('button', { name: /^In/ }).click();
  await home.getByRole('button', { name: 'Missed', exact: true }).click();
  await expect(home.getByText(/Touch the floor/)).toBeVisible();
  await home.getByRole('button', { name: 'Done' }).click();
  await home.getByRole('button', { name: 'Stop the clock' }).click();
  await home.getByRole('button', { name: 'End here' }).click();
  await expect(home.getByText('Not finished: that is written down too.')).toBeVisible();
  const total = Number(await home.locator('p b').first().textContent());
  expect(total).toBeGreaterThan(0);
  await home.getByRole('button', { name: 'Finish and send' }).click();
  await home.getByRole('button', { name: 'just right' }).click();
  await home.getByRole('button', { name: 'Send to school' }).click();
  await expect(home.getByRole('heading', { name: 'The school has it' })).toBeVisible();

  await openScores(page, 'P4 Dippers');
  const row = page.getByRole('row', { name: new RegExp(name.replace('.', '\\.')) });
  await expect(row).toContainText(String(total));
  await expect(row).toContainText('2/3');
  expect([...complaints, ...homeComplaints]).toEqual([]);
  await context.close();
});

test('the scores page shows a report that comes in while it is open', async ({ page }) => {
  await signedIn(page);
  const links = await linksOf(page, 'P4 Dippers');
  await openScores(page, 'P4 Dippers');
  const waiting = page.getByRole('row', { name: /not yet/ }).first();
  const name = (await waiting.locator('td').first().textContent())!;
  const { home, context } = await phone(page, links.get(name)!);
  await home.getByRole('button', { name: 'Set it out' }).click();
  await home.getByRole('button', { name: 'It is set out' }).click();
  await home.getByLabel('An adult says yes to this place').check();
  await home.getByRole('button', { name: 'Go on' }).click();
  await home.getByRole('button', { name: 'Now with counting' }).click();
  await home.getByRole('button', { name: /We have counted already/ }).click();
  for (let n = 0; n < 3; n += 1) await home.getByRole('button', { name: 'One more: near mark' }).click();
  await home.getByRole('button', { name: 'That is right' }).click();
  await home.getByRole('button', { name: 'Finish and send' }).click();
  await home.getByRole('button', { name: 'Send to school' }).click();
  await expect(home.getByRole('heading', { name: 'The school has it' })).toBeVisible();
  await expect(page.getByRole('row', { name: new RegExp(name.replace('.', '\\.')) })).not.toContainText('not yet', { timeout: 60_000 });
  await context.close();
});

test('the chart table answers: drag, arrow keys, typed lengths, slots, undo, and it saves by itself', async ({ page }) => {
  const complaints = complaintsOf(page);
  await signInAs(page);
  await page.getByRole('link', { name: /Kelp Kettle/ }).click();
  await expect(page.getByText(/par \d+/).first()).toBeVisible();
  const far = page.getByRole('button', { name: /^far mark/ });
  const length = page.getByRole('spinbutton', { name: 'far mark, metres from the target' });
  const first = Number(await length.inputValue());

  await far.focus();
  await page.keyboard.press('ArrowLeft');
  await expect(length).not.toHaveValue(first.toFixed(2));
  await page.keyboard.press('Control+z');
  await expect(length).toHaveValue(first.toFixed(2));

  const box = (await far.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x - 60, box.y + 20, { steps: 8 });
  await page.mouse.up();
  await expect(length).not.toHaveValue(first.toFixed(2));

  await length.fill('1.5');
  await length.press('Enter');
  await expect(length).toHaveValue('1.50');
  await expect(far).toHaveAttribute('aria-label', /1\.5 m/);

  await page.getByLabel('Name of the level that is shown').fill('Waist deep');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Swim', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Waist deep', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Waist deep', exact: true }).click();

  await page.getByRole('spinbutton', { name: 'Seconds' }).fill('45');
  await page.keyboard.press('Tab');
  await expect(page.getByText(/45 s a go/).first()).toBeVisible();
  await page
    .getByRole('button', { name: /What is aimed at/ })
    .first()
    .click();
  await page.getByRole('option', { name: 'bucket' }).click();
  await expect(page.getByText('underarm throw · sock ball · bucket')).toBeVisible();
  await expect(page.getByText(/^saved \d\d:\d\d$/)).toBeVisible();
  await page.reload();
  await expect(page.getByText('underarm throw · sock ball · bucket')).toBeVisible();
  await expect(page.getByRole('spinbutton', { name: 'far mark, metres from the target' })).toHaveValue('1.50');
  expect(complaints).toEqual([]);
});

test('with the keyboard only: from the shelf to a sent week', async ({ page }) => {
  await signInAs(page);
  const press = async (...keys: string[]) => {
    for (const key of keys) await page.keyboard.press(key);
  };
  const tabTo = async (name: RegExp) => {
    for (let n = 0; n < 60; n += 1) {
      const label = await page.evaluate(() => {
        const element = document.activeElement as HTMLElement | null;
        return element ? (element.getAttribute('aria-label') ?? (element.textContent || (element as HTMLInputElement).value || '')) : '';
      });
      if (name.test(label)) return;
      await page.keyboard.press('Tab');
    }
    throw new Error(`no Tab leads to ${name}`);
  };
  await tabTo(/^New game$/);
  await press('Enter');
  await expect(page.getByRole('radio', { name: 'Underarm throw' })).toBeEnabled();
  await tabTo(/^underarm$/);
  await press('ArrowRight');
  await expect(page.getByRole('radio', { name: 'Overarm throw' })).toBeChecked();
  await tabTo(/^Set it out$/);
  await press('Enter');
  await page.waitForURL(/games\/[0-9a-f]{8}-/);
  await expect(page.getByText('overarm throw', { exact: false })).toBeVisible();
  await expect(page.getByText(/par \d+/).first()).toBeVisible();
  await tabTo(/^Send to a class$/);
  await press('Enter');
  await expect(page.getByRole('dialog')).toBeVisible();
  await tabTo(/^Send$/);
  await press('Enter');
  await expect(page.getByRole('heading', { name: /^Sent to / })).toBeVisible();
  await press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('a play with the keyboard only, at home', async ({ page }) => {
  await signedIn(page);
  const links = await linksOf(page, 'P4 Dippers');
  const { home, context } = await phone(page, [...links.values()][9]!);
  const tabTo = async (name: RegExp) => {
    for (let n = 0; n < 40; n += 1) {
      await home.keyboard.press('Tab');
      const label = await home.evaluate(() => {
        const element = document.activeElement as HTMLElement;
        return element.getAttribute('aria-label') ?? element.closest('label')?.textContent ?? element.textContent ?? '';
      });
      if (name.test(label)) return;
    }
    throw new Error(`no Tab leads to ${name}`);
  };
  // The page has a heading from its first moment; the card and its buttons come with the answer of the school.
  await expect(home.getByRole('button', { name: 'Set it out' }).first()).toBeVisible();
  await tabTo(/^Set it out$/);
  await home.keyboard.press('Enter');
  // What comes after the card is loaded when it is opened.
  await expect(home.getByRole('button', { name: 'It is set out' })).toBeVisible();
  await tabTo(/^It is set out$/);
  await home.keyboard.press('Enter');
  await tabTo(/An adult says yes/);
  await home.keyboard.press('Space');
  await tabTo(/^Go on$/);
  await home.keyboard.press('Enter');
  await tabTo(/^Now with counting$/);
  await home.keyboard.press('Enter');
  await tabTo(/^A helper taps every try/);
  await home.keyboard.press('Enter');
  await expect(home.getByRole('button', { name: /^(In|Hit)/ })).toBeFocused({ timeout: 40_000 });
  await home.keyboard.press('Enter');
  await expect(home.locator('[aria-live=polite] b')).not.toHaveText('0');
  await context.close();
});

test('a helper sees and types scores, but does not change games', async ({ page }) => {
  await signInAs(page, 'helper');
  await expect(page.getByRole('link', { name: 'New game' })).toHaveCount(0);
  await page.getByRole('link', { name: /Gull's Nest/ }).click();
  await expect(page.getByRole('button', { name: 'Send to a class' })).toBeDisabled();
  await page.goto('/scores');
  await page
    .getByRole('button', { name: /^type in the score of/ })
    .first()
    .click();
  const cells = page.getByRole('dialog').getByRole('textbox');
  await cells.first().fill('2');
  await page.getByRole('button', { name: 'Keep this score' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(page.getByText('typed in').first()).toBeVisible();
});

test('a class is made from a pasted list, and only first names and initials leave the page', async ({ page }) => {
  await signedIn(page);
  await page.goto('/classes');
  await page.getByRole('button', { name: 'New class' }).click();
  await page.getByLabel('Name').fill('P7 Terns');
  await page.getByRole('button', { name: 'Make the class' }).click();
  await page.waitForURL('**/classes/*');
  await page.getByRole('button', { name: 'Add children' }).click();
  const bodies: string[] = [];
  page.on('request', (request) => request.method() === 'POST' && bodies.push(request.postData() ?? ''));
  await page.getByLabel(/Names, one a line/).fill('Heather Lochhead\nSinclair, Tom\n???\nMei Lin Wong');
  await expect(page.getByText('3 children: Heather L., Tom S., Mei W.')).toBeVisible();
  await expect(page.getByText('line 3 has no name in it', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Add 3' }).click();
  await expect(page.getByRole('cell', { name: 'Heather L.', exact: true })).toBeVisible();
  expect(bodies.join()).not.toMatch(/Lochhead|Sinclair|Wong/);
  await page.getByRole('button', { name: 'Change Tom S.' }).click();
  await page.getByLabel('Own step in cm (if counted)').fill('61');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('cell', { name: '61 cm' })).toBeVisible();
});

test('every main view of the desk passes axe, and asks for no other page beforehand', async ({ page }) => {
  const beforehand: string[] = [];
  page.on('request', (request) => request.headers()['next-router-prefetch'] && beforehand.push(request.url()));
  await page.goto('/sign-in');
  await expectAccessible(page);
  await signInAs(page);
  await expectAccessible(page);
  await page.getByRole('link', { name: 'New game' }).click();
  await expect(page.getByRole('heading', { name: 'A new game' })).toBeVisible();
  await expectAccessible(page);
  await page.goto('/games');
  await page.getByRole('link', { name: /Lantern Quay/ }).click();
  await expect(page.getByText(/par \d+/).first()).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Show me' }).click();
  await page.getByRole('button', { name: 'Hold' }).click();
  await expectAccessible(page, '[role=dialog]');
  await page.getByRole('link', { name: /^Large for the class/ }).click();
  await expect(page.getByRole('heading', { name: /^If you film it yourself/ })).toBeVisible();
  await page.getByRole('button', { name: 'Hold' }).click();
  await expectAccessible(page);
  // The shot list alone goes to paper, on one sheet.
  expect((await PDFDocument.load(await page.pdf({ format: 'A4' }))).getPageCount()).toBe(1);
  await page.mouse.move(0, 0);
  beforehand.length = 0;
  for (const path of ['/today', '/weeks', '/scores', '/classes', '/school', '/school/deeds', '/me']) {
    await page.goto(path);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await expectAccessible(page);
  }
  expect(beforehand).toEqual([]);
  await page.getByRole('link', { name: 'Classes', exact: true }).hover();
  await expect.poll(() => beforehand.length).toBeGreaterThan(0);
  await page.goto('/classes');
  await page.getByRole('link', { name: 'P4 Dippers', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'P4 Dippers' })).toBeVisible();
  await expectAccessible(page);
  await openLinks(page, 'P4 Dippers');
  await expectAccessible(page);
});

test('a page of the school does not open without signing in, and a wrong link says so', async ({ page }) => {
  for (const path of ['/today', '/games', '/weeks', '/scores', '/classes']) {
    await page.goto(path);
    await expect(page).toHaveURL(/sign-in/);
  }
  await signInByHand(page);
  await page.goto('/home#k=AAAAAAAAAAAAAAAAAAAAAA');
  await expect(page.getByText('This link is not known', { exact: false })).toBeVisible();
  const policy = (await page.goto('/sign-in'))!.headers()['content-security-policy']!;
  expect(policy).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic'/);
  expect(policy).not.toContain('unsafe-eval');
});

test('a report slip shows no name, and reports what was counted without the page', async ({ page }) => {
  await signedIn(page);
  await openLinks(page, 'P4 Dippers');
  await page.getByRole('button', { name: 'Show report slips' }).click();
  const slip = page.locator('li').nth(15);
  const name = (await slip.locator('h2').textContent())!;
  const { home, context } = await phone(page, (await slip.locator('a').getAttribute('href'))!);
  await expect(home.getByRole('button', { name: 'Set it out' })).toBeVisible();
  expect(await home.locator('main').textContent()).not.toContain(name.split(' ')[0]);
  await home.getByRole('button', { name: 'Set it out' }).click();
  await home.getByRole('button', { name: 'It is set out' }).click();
  await home.getByLabel('An adult says yes to this place').check();
  await home.getByRole('button', { name: 'Go on' }).click();
  await home.getByRole('button', { name: 'Now with counting' }).click();
  await home.getByRole('button', { name: /We have counted already/ }).click();
  await home.getByRole('button', { name: 'One more: far mark' }).click();
  await home.getByRole('button', { name: 'That is right' }).click();
  await home.getByRole('button', { name: 'Finish and send' }).click();
  await home.getByRole('button', { name: 'Send to school' }).click();
  await expect(home.getByRole('heading', { name: 'The school has it' })).toBeVisible();
  await context.close();
});

test('a replaced link stops, and the shelf keeps what is put away', async ({ page }) => {
  await signedIn(page);
  const before = await openLinks(page, 'P2 Wagtails');
  const [name, old] = [...before][0]!;
  await page.getByRole('button', { name: `Lost? Replace it: the link of ${name}` }).click();
  await page.getByRole('button', { name: 'Make new ones' }).click();
  await expect(page.locator('li').first().locator('a')).not.toHaveAttribute('href', old);
  const { home, context } = await phone(page, old);
  await expect(home.getByText('This link is not known, or it has been replaced.', { exact: false })).toBeVisible();
  await context.close();

  await page.goto('/games');
  await page.getByRole('button', { name: "Put away Gull's Nest" }).click();
  await expect(page.getByRole('link', { name: /Gull's Nest/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Put away: 1' }).click();
  await page.getByRole('button', { name: "Bring back Gull's Nest" }).click();
  await page.getByRole('button', { name: 'Back to the shelf' }).click();
  await expect(page.getByRole('link', { name: /Gull's Nest/ })).toBeVisible();
});
