/** npm run screenshots: one current picture of each main view, from the demo data only, into docs/screenshots. */
import { spawnSync } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { withDemo } from './demo-stack';
import { openLinks, openScores, PHONE, signInAs } from '../tests/browser/people';
import { choose } from '../tests/browser/by-hand';

const root = join(import.meta.dirname, '..');
const folder = join(root, 'docs/screenshots');
mkdirSync(folder, { recursive: true });

/** The first sheet of a pack as a picture; pdftoppm comes with poppler-utils. */
function paperPicture(pdf: string): void {
  const { status } = spawnSync('pdftoppm', ['-r', '72', '-png', '-f', '1', '-l', '1', '-singlefile', pdf, join(folder, 'paper')], {
    stdio: 'ignore',
  });
  if (status !== 0) process.stderr.write('paper.png was not made: install poppler-utils first\n');
}

await withDemo(async (browser, address) => {
  const desk = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: address })).newPage();
  /** Nothing is being loaded or worked out, the page is alive, and what moves has come to rest. */
  const settled = async (page: Page) => {
    await page.waitForLoadState('networkidle');
    await page.getByRole('button', { name: 'Sign out', disabled: true }).waitFor({ state: 'detached' });
    await page.evaluate(async () => {
      await document.fonts.ready;
      await Promise.all(document.getAnimations().map((one) => (one.effect?.getComputedTiming().iterations === Infinity ? undefined : one.finished)));
    });
  };
  const shoot = async (page: Page, name: string, how: { fullPage?: boolean } = {}) => {
    await settled(page);
    await page.screenshot({ path: join(folder, `${name}.png`), ...how });
  };
  /** On the chart table par stands for every level, and the bands lie on the floor. */
  const forecast = async () => {
    // The shelf says par too.
    await desk.getByRole('button', { name: 'Try it' }).waitFor();
    await desk
      .getByText(/par \d+/)
      .first()
      .waitFor();
    await desk.getByText('working it out').waitFor({ state: 'detached' });
  };
  await signInAs(desk);
  await desk.goto('/today');
  await shoot(desk, 'today');
  await desk.goto('/games/new');
  await shoot(desk, 'new-game');
  await desk.goto('/games');
  await shoot(desk, 'games');
  await desk.getByRole('link', { name: /Lantern Quay/ }).click();
  await forecast();
  await shoot(desk, 'chart-table');
  await desk.goto('/games');
  await desk.getByRole('button', { name: /^Starter games/ }).click();
  await desk.getByRole('button', { name: 'Put Loch Frames on the shelf' }).click();
  await desk.waitForURL('**/games/*-*');
  await forecast();
  await desk.getByRole('button', { name: 'Try it' }).click();
  await desk.getByRole('button', { name: 'A helper taps every try' }).click();
  await desk.getByRole('button', { name: 'All 6 fell' }).click();
  for (const balls of [[2, 4], [0, 1, 3], [5]]) {
    for (const pin of balls) await desk.getByRole('checkbox', { name: new RegExp(`^Pin ${pin + 1}$`) }).click();
    await desk.getByRole('button', { name: `${balls.length} fell`, exact: true }).click();
  }
  await desk.getByRole('checkbox', { name: 'Pin 2' }).click();
  await shoot(desk, 'try-it');
  await desk.goto('/games');
  await desk.getByRole('link', { name: /Lantern Quay/ }).click();
  await forecast();
  await desk.getByRole('button', { name: 'Show me' }).click();
  await desk.getByRole('link', { name: /^Large for the class/ }).click();
  // At a hit, the ball in the box.
  await desk
    .getByText(/^Good shot\?/)
    .first()
    .waitFor();
  await desk.locator('section').getByText(/^In$/).waitFor({ timeout: 60_000 });
  await desk.getByRole('button', { name: 'Hold' }).click();
  await desk.evaluate(() => window.scrollTo(0, 0));
  await shoot(desk, 'show-me');
  await desk.goto('/plan');
  await desk
    .getByText(/par \d+/)
    .nth(30)
    .waitFor();
  await shoot(desk, 'plan');
  await desk.goto('/weeks');
  await desk.getByRole('link', { name: 'Week and paper' }).nth(1).click();
  await desk.getByRole('button', { name: 'Write a reminder' }).click();
  await desk.getByText(/: a reminder$/).waitFor();
  await shoot(desk, 'week');
  await desk.getByRole('button', { name: 'Print', exact: true }).click();
  const pack = desk.waitForEvent('download');
  await desk.getByRole('button', { name: 'Make the PDF' }).click();
  paperPicture(await (await pack).path());
  await desk.goto('/weeks/new');
  for (const title of ['Lantern Quay', 'Kelp Kettle', "The Heron's Breakfast"]) await choose(desk, /(Choose|Add) a game$/, title);
  await desk.getByLabel('What the event is called').fill('Quay day');
  const preview = desk.getByRole('region', { name: 'Preview of the card' });
  await preview.getByRole('heading', { name: 'Quay day' }).waitFor();
  await preview.locator('svg').nth(3).waitFor();
  await shoot(desk, 'week-builder');
  await openScores(desk, 'P4 Dippers');
  await shoot(desk, 'scores');
  await openScores(desk, 'P6 Ospreys');
  await desk.getByRole('link', { name: 'Over the weeks' }).click();
  await desk.getByText(/^The class is/).waitFor();
  await desk.locator('canvas').first().waitFor();
  await shoot(desk, 'weeks', { fullPage: true });
  await desk.locator('tbody a').nth(3).click();
  await desk.getByRole('heading', { name: 'Own bests' }).waitFor();
  await shoot(desk, 'child');
  await desk.goBack();
  await desk.getByRole('link', { name: /^To look at/ }).click();
  await desk.getByRole('group', { name: 'Answers' }).waitFor();
  await desk.keyboard.press('ArrowDown');
  await shoot(desk, 'to-look-at');
  const links = await openLinks(desk, 'P4 Dippers');

  const home = await (await browser.newContext({ viewport: PHONE, deviceScaleFactor: 1, baseURL: address })).newPage();
  // The clock of the page goes on by so much, as while a child throws and fetches.
  await home.clock.install();
  const passes = (seconds: number) => home.clock.runFor(seconds * 1000);
  await home.goto([...links.values()][2]!);
  await home.getByRole('button', { name: 'Set it out' }).waitFor();
  await home.locator('main svg circle, main svg rect').first().waitFor();
  await shoot(home, 'home-card');
  await home.getByRole('button', { name: 'Set it out' }).click();
  await home.getByRole('button', { name: 'It is set out' }).waitFor();
  await shoot(home, 'home-set-up');
  await home.getByRole('button', { name: 'It is set out' }).click();
  await home.getByLabel('An adult says yes to this place').check();
  await home.getByRole('button', { name: 'Go on' }).click();
  await home.getByRole('button', { name: 'Now with counting' }).click();
  await home.getByRole('button', { name: /A helper taps every try/ }).click();
  await passes(5);
  await home.getByRole('button', { name: /^In/ }).waitFor();
  await passes(7);
  await home.getByRole('button', { name: /^In/ }).click();
  await passes(9);
  await home.getByRole('radio', { name: /far mark/ }).click();
  await home.getByRole('button', { name: /^In/ }).click();
  await passes(11);
  await home.getByRole('radio', { name: /middle mark/ }).click();
  await passes(3);
  await shoot(home, 'home-play');
  await home.getByRole('button', { name: /^In/ }).click();
  await home.getByRole('button', { name: 'Missed', exact: true }).click();
  await home.getByRole('button', { name: 'Done' }).click();
  await home.getByRole('button', { name: 'Stop the clock' }).click();
  await home.getByRole('button', { name: 'End here' }).click();
  await home.getByRole('button', { name: 'Again, just the same' }).waitFor();
  await shoot(home, 'home-result');
  await home.getByRole('button', { name: 'Finish and send' }).click();
  await home.getByRole('radio', { name: 'sometimes' }).first().check();
  await home.getByRole('button', { name: 'just right' }).click();
  await shoot(home, 'home-report');
});
