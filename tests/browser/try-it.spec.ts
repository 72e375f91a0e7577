import { expect, test, type Page } from '@playwright/test';
import { starter } from '../examples/starters';
import { playThrough } from './play-through';
import { complaintsOf, openStarter, signInAs, signedIn } from './people';

async function tryIt(page: Page): Promise<void> {
  const phone = page.getByRole('region', { name: 'Try it' });
  // A click before the page has come to life is lost.
  await expect(async () => {
    if ((await phone.count()) === 0) await page.getByRole('button', { name: 'Try it' }).click();
    await expect(phone).toBeVisible({ timeout: 3000 });
  }).toPass();
}

test('the try-it view plays a game, shows the working, and takes what is written down at the end', async ({ page }) => {
  const complaints = complaintsOf(page);
  await signedIn(page);
  for (const id of ['loch-frames', 'regatta-day']) {
    await openStarter(page, id);
    await tryIt(page);
    const phone = page.getByRole('region', { name: 'Try it' });
    await page.getByRole('button', { name: 'A helper taps every try' }).click();
    await playThrough(phone, 'See the working');
    await phone.getByRole('button', { name: 'See the working' }).click();
    await phone.getByRole('button', { name: 'Again' }).click();
    await phone.getByRole('button', { name: 'Nobody: it is written down at the end' }).click();
    await phone
      .getByRole('button', { name: /^One more/ })
      .first()
      .click();
    await phone.getByRole('button', { name: 'That is right' }).click();
    await expect(phone.getByRole('button', { name: 'Again' })).toBeVisible();
    await expect(phone.getByRole('heading', { name: new RegExp(starter(id).title) })).toBeVisible();
    expect(complaints, id).toEqual([]);
  }
});

test('what the rules leave open is asked, and one tap mends it', async ({ page }) => {
  await signInAs(page);
  const gappy = structuredClone(starter('harbour-stores')) as unknown as Record<string, unknown>;
  delete gappy['calls'];
  gappy['title'] = 'Open Stores';
  await page.getByLabel('A game file').setInputFiles({ name: 'open.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(gappy)) });
  await page.waitForURL('**/games/*-*');
  await expect(page.getByText('Who says what a doubtful try was?')).toBeVisible();
  await page.getByRole('button', { name: 'The partner', exact: true }).click();
  await expect(page.getByText('Who says what a doubtful try was?')).toHaveCount(0);
  await expect(page.getByText(/In doubt/)).toBeVisible();
});

test('a bad file says what is wrong and where, and changes nothing; a good one goes out and comes in again', async ({ page }) => {
  await signInAs(page);
  const bad = structuredClone(starter('all-ashore')) as unknown as { title: string; parts: { rows: { do: { counter: string }[] }[] }[] };
  bad.title = 'Broken Oar';
  bad.parts[0]!.rows[0]!.do[0]!.counter = 'pints';
  await page.getByLabel('A game file').setInputFiles({ name: 'bad.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(bad)) });
  await expect(page.getByText('/parts/0/rows/0/do/0/counter', { exact: true })).toBeVisible();
  await page.getByLabel('A game file').setInputFiles({ name: 'worse.json', mimeType: 'application/json', buffer: Buffer.from('{ no') });
  await expect(page.getByText('it cannot be read as JSON', { exact: false })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('link', { name: /Kelp Kettle/ })).toBeVisible();
  await expect(page.getByText('Broken Oar')).toHaveCount(0);

  await page.getByRole('link', { name: /Kelp Kettle/ }).click();
  await page.getByRole('button', { name: /^Keep or print/ }).click();
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('menuitem', { name: 'The game as a file' }).click()]);
  expect(download.suggestedFilename()).toBe('kelp-kettle.lochside.json');
  await page.goto('/games');
  await page.getByLabel('A game file').setInputFiles(await download.path());
  await page.waitForURL('**/games/*-*');
  await expect(page.getByRole('textbox', { name: 'Name of the game' })).toHaveValue('Kelp Kettle');
});
