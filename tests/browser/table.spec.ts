import { expect, test, type Page } from '@playwright/test';
import { patternOf } from '@/core/course/patterns';
import type { Game } from '@/core/rules/format/game';
import { readGame } from '@/core/rules/format/read-game';
import { blankFloor, choose, cupboard, leaf, playItSo, putDown, savedGame, typed } from './by-hand';
import { complaintsOf, expectAccessible, openStarter, signedIn } from './people';

const row = (page: Page, words: string | RegExp) => page.getByRole('table', { name: 'Everything on the floor' }).getByRole('row', { name: words });

async function playable(page: Page): Promise<Game> {
  const game = await savedGame(page);
  const read = readGame(game);
  expect(read.ok ? [] : read.problems).toEqual([]);
  await expect(page.getByText(/The rules say nothing yet/)).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'Levels' }).getByText(/^par \d+$/)).toBeVisible();
  return game;
}

test('everything on the chart is done by keys: picked, moved, turned, spread, tied, locked, doubled, measured, taken away', async ({ page }) => {
  const complaints = complaintsOf(page);
  await signedIn(page);
  await blankFloor(page, 'By keys');
  await putDown(page, { shelf: 'To aim at', card: 'bucket', pattern: 'a row, side by side', n: 3, spacingM: 0.6 });
  const buckets = page.locator('[data-thing^="target bucket"]');
  const where = async () => (await savedGame(page)).course.targets['bucket']!;
  await buckets.first().focus();
  await page.keyboard.press('a');
  for (const bucket of await buckets.all()) await expect(bucket).toHaveAttribute('aria-pressed', 'true');
  const before = await where();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Shift+ArrowUp');
  await page.keyboard.press('Alt+ArrowLeft');
  let now = await where();
  now.forEach((bucket, index) => {
    expect(bucket.xM).toBeCloseTo(before[index]!.xM - 0.11, 2);
    expect(bucket.yM).toBeCloseTo(before[index]!.yM - 0.5, 2);
  });
  await page.keyboard.press('r');
  now = await where();
  expect(patternOf(now)!.turnRad).toBeCloseTo(Math.PI / 12, 2);
  await page.keyboard.press('+');
  expect(patternOf(await where())!.spacingM).toBeCloseTo(0.66, 2);
  await page.keyboard.press('g');
  expect(new Set((await where()).map((bucket) => bucket.tied)).size).toBe(1);
  await page.keyboard.press('l');
  expect((await where()).every((bucket) => bucket.locked)).toBe(true);
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Delete');
  await expect(buckets).toHaveCount(3);
  await page.keyboard.press('l');
  await page.keyboard.press('g');
  expect((await where())[0]).not.toHaveProperty('tied');
  // Two that are picked are measured, and set apart by a figure.
  await buckets.first().focus();
  await page.keyboard.press('Escape');
  await page.keyboard.press(' ');
  await buckets.nth(1).focus();
  await page.keyboard.press(' ');
  await expect(page.locator('[data-thing][aria-pressed="true"]')).toHaveCount(2);
  await leaf(page, 'Layout');
  await typed(page, 'Metres between the two that are picked', 1.5);
  now = await where();
  expect(Math.hypot(now[0]!.xM - now[1]!.xM, now[0]!.yM - now[1]!.yM)).toBeCloseTo(1.5, 2);
  await buckets.first().focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('d');
  await expect(buckets).toHaveCount(4);
  await buckets.nth(3).focus();
  await page.keyboard.press('Delete');
  await expect(buckets).toHaveCount(3);
  await page.keyboard.press('Control+z');
  await expect(buckets).toHaveCount(4);
  await page.keyboard.press('Control+Shift+z');
  await expect(buckets).toHaveCount(3);
  // Undo is still there after a reload.
  await savedGame(page);
  await page.reload();
  await expect(buckets).toHaveCount(3);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(buckets).toHaveCount(4);
  expect(complaints).toEqual([]);
});

test('with the pointer: several are caught in a frame, turned and spread by their grips; a drag is one step of undo', async ({ page }) => {
  await signedIn(page);
  await blankFloor(page, 'By pointer');
  await putDown(page, { shelf: 'To aim at', card: 'small plastic bottle', pattern: 'a triangle, point to the front', n: 6, spacingM: 0.3 });
  const game = await savedGame(page);
  const before = Object.values(game.course.targets)[0]!;
  const chart = (await page.getByRole('group', { name: /^The floor from above/ }).boundingBox())!;
  await page.mouse.move(chart.x + chart.width * 0.5, chart.y + 30);
  await page.mouse.down();
  await page.mouse.move(chart.x + chart.width * 0.9, chart.y + chart.height - 30, { steps: 5 });
  await page.mouse.up();
  await expect(page.locator('[data-thing^="target"][aria-pressed="true"]')).toHaveCount(6);
  const grip = async (name: string, byX: number, byY: number) => {
    const box = (await page.locator(`[data-grip="${name}"]`).boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + byX / 2, box.y + byY / 2, { steps: 4 });
    await page.mouse.move(box.x + byX, box.y + byY, { steps: 4 });
    await page.mouse.up();
  };
  await grip('spread', 40, 40);
  const wide = patternOf(Object.values((await savedGame(page)).course.targets)[0]!)!;
  expect(wide.kind).toBe('triangle');
  expect(wide.spacingM).toBeGreaterThan(0.34);
  await grip('turn', 40, 60);
  const turned = patternOf(Object.values((await savedGame(page)).course.targets)[0]!)!;
  expect(Math.abs(turned.turnRad)).toBeGreaterThan(0.2);
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  expect(Object.values((await savedGame(page)).course.targets)[0]).toEqual(before);
});

test('what does not fit is said at its place and mended; a floor with a screen behind the target', async ({ page }) => {
  await signedIn(page);
  await openStarter(page, 'harbour-lamps');
  await expect(page.getByText(/par \d+/).first()).toBeVisible();
  await cupboard(page, 'Floor and furniture');
  await page.getByRole('button', { name: /^screen/ }).click();
  await leaf(page, 'Layout');
  const screen = row(page, /^screen/);
  await screen.getByLabel('screen, metres across').fill('6');
  await screen.getByLabel('screen, metres across').press('Enter');
  await screen.getByLabel('screen, metres down').fill('1.8');
  await screen.getByLabel('screen, metres down').press('Enter');
  const mark = page.getByRole('button', { name: /^To look at, 1: The screen breaks/ });
  await expect(mark).toBeVisible();
  await mark.focus();
  await page.keyboard.press('Enter');
  await expectAccessible(page);
  await page
    .getByRole('button', { name: /^(Turn the marks? away|Play it the other way round)$/ })
    .first()
    .click();
  await expect(page.getByRole('button', { name: /^To look at/ })).toHaveCount(0);
  // A floor to start from, and how it does in other homes.
  await leaf(page, 'Floor');
  await page.getByRole('button', { name: 'Start from a floor of the list' }).click();
  await page.getByRole('menuitem', { name: /^bedroom/ }).click();
  await expect(page.getByRole('button', { name: /^bed,/ })).toBeVisible();
  await expect(page.getByText(/in other homes/)).toBeVisible();
  await expectAccessible(page);
});

test('a simulated child is watched, and the teacher’s own score is kept as the one to beat, with its set-up', async ({ page }) => {
  await signedIn(page);
  await openStarter(page, 'harbour-lamps');
  await expect(page.getByText(/par \d+/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Try it' }).click();
  const phone = page.getByRole('region', { name: 'Try it' });
  await phone.getByRole('button', { name: 'Watch a simulated child play it' }).click();
  await phone.getByLabel('Speed').fill('20');
  await phone.getByRole('button', { name: 'Start' }).click();
  await expect(phone.getByText(/^Over: \d+ points\.$/)).toBeVisible();
  await expectAccessible(page);
  await phone.getByRole('button', { name: 'Back' }).click();
  await phone.getByRole('button', { name: 'Nobody: it is written down at the end' }).click();
  await phone.locator('input').first().fill('3');
  await phone.getByRole('button', { name: 'That is right' }).click();
  await phone.getByRole('button', { name: /^Keep \d+ as the score to beat$/ }).click();
  await phone.getByRole('button', { name: 'Again' }).click();
  await phone.getByRole('button', { name: 'Back to the rules' }).click();
  await expect(page.getByText(/to beat \d+ \(Ms Tarn, from \d\.\d m\)/)).toBeVisible();
  const level = (await savedGame(page)).levels.find((one) => one.toBeat)!;
  expect(level.toBeat).toMatchObject({ by: 'Ms Tarn', setUp: { implement: 'sock-ball', targets: ['bucket'] } });
  // When the level is changed the score says from where it was made.
  await typed(page, /^far mark, metres from the target/, 1.1);
  await expect(page.getByText(/made from \d\.\d m, now \d\.\d m/)).toBeVisible();
});

test('versions: kept, told by what changed, brought back, which can be undone; two tabs do not overwrite each other', async ({ page, context }) => {
  await signedIn(page);
  await blankFloor(page, 'Tern Turn');
  await leaf(page, 'Versions');
  await page.getByRole('button', { name: 'Keep this version' }).click();
  await expect(page.getByText('Version 1', { exact: true })).toBeVisible();
  await putDown(page, { shelf: 'To aim at', card: 'bucket' });
  await savedGame(page);
  await leaf(page, 'Versions');
  await expect(page.getByText(/Since the last one: 1 bucket more/)).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Bring version 1 back' }).click();
  await expect(page.locator('[data-thing^="target"]')).toHaveCount(0);
  await expect(page.getByText('Version 2', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('[data-thing^="target"]')).toHaveCount(1);
  await savedGame(page);

  const second = await context.newPage();
  await second.goto(page.url());
  await expect(second.getByText(/par \d+/).first()).toBeVisible();
  await second.getByRole('textbox', { name: 'Name of the game' }).fill('Tern Twist');
  await second.keyboard.press('Enter');
  await expect(second.getByText(/^saved \d/)).toBeVisible();
  await expect(page.getByText('This game was changed in another window', { exact: false })).toBeVisible();
  await page.getByRole('textbox', { name: 'Name of the game' }).fill('Tern Tumble');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Keep what is here as a game of its own' }).click();
  await expect(page.getByRole('textbox', { name: 'Name of the game' })).toHaveValue('Tern Tumble (mine)');
  await second.reload();
  await expect(second.getByRole('textbox', { name: 'Name of the game' })).toHaveValue('Tern Twist');
});

test('the drawing goes out to scale, as SVG in millimetres and as PNG', async ({ page }) => {
  const complaints = complaintsOf(page);
  await signedIn(page);
  await page.goto('/games');
  await page.getByRole('link', { name: /Lantern Quay/ }).click();
  await expect(page.getByText(/par \d+/).first()).toBeVisible();
  const keep = async (item: RegExp) => {
    await page.getByRole('button', { name: /^Keep or print/ }).click();
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('menuitem', { name: item }).click()]);
    const stream = await download.createReadStream();
    const chunks: Buffer[] = [];
    for await (const chunk of stream) chunks.push(chunk as Buffer);
    return { name: download.suggestedFilename(), body: Buffer.concat(chunks) };
  };
  const svg = await keep(/SVG/);
  expect(svg.name).toBe('lantern-quay-wade.svg');
  const text = svg.body.toString('utf8');
  // 6.4 m at 1 : 25 are 256 mm.
  expect(text).toMatch(/^<svg xmlns="http:\/\/www.w3.org\/2000\/svg" width="256.00mm"/);
  expect(text).toContain('drawn 1 : 25');
  expect(text).toContain('1 m');
  expect(text).not.toContain('var(');
  const png = await keep(/PNG/);
  expect(png.body.subarray(1, 4).toString()).toBe('PNG');
  expect(png.body.readUInt32BE(16)).toBe(Math.round((256 / 25.4) * 200));
  expect(complaints).toEqual([]);
});

test('a thing of the teacher’s own is put down by its size; a substitute says what it does to the chance', async ({ page }) => {
  await signedIn(page);
  await blankFloor(page, 'Own things');
  await cupboard(page, 'A thing of your own');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Put on the floor' }).click();
  await expect(page.getByText('Give it a name that a family understands.')).toBeVisible();
  await page.getByLabel('What it is called').fill('dog bed');
  await typed(page, 'Centimetres across', 70);
  await typed(page, 'Centimetres high', 15);
  await page.getByRole('button', { name: 'Put on the floor' }).click();
  await putDown(page, { shelf: 'Places to stand' });
  await playItSo(page, 'Hits of so many tries');
  const game = await playable(page);
  expect(Object.values(game.course.targets)[0]![0]!.own).toMatchObject({ name: 'dog bed', shape: { kind: 'opening', diameterM: 0.7 } });
  await leaf(page, 'Layout');
  await row(page, /^dog bed/)
    .getByRole('button')
    .first()
    .click();
  await expect(page.getByText('No dog bed? Use a')).toBeVisible();
  await page.getByRole('button', { name: /^cardboard box \(−\d+ in 100\)$/ }).click();
  expect(Object.values((await savedGame(page)).course.targets)[0]![0]).toMatchObject({ object: 'box' });
  await choose(page, /Things snap to/, "the child's half steps");
});

test('axe finds nothing on any leaf, shelf, dialog or menu, wide and narrow, light and dark; nothing runs out of the page', async ({ page }) => {
  const complaints = complaintsOf(page);
  await signedIn(page);
  await page.goto('/games');
  await page.getByRole('link', { name: /Lantern Quay/ }).click();
  await expect(page.getByText(/par \d+/).first()).toBeVisible();
  const wide = async () => {
    const over = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
    expect(over).toBeLessThanOrEqual(0);
  };
  for (const look of [
    { width: 1280, height: 800, scheme: 'light' },
    { width: 1024, height: 768, scheme: 'dark' },
  ] as const) {
    await page.setViewportSize(look);
    await page.emulateMedia({ colorScheme: look.scheme });
    await expectAccessible(page);
    for (const name of ['Rules', 'Layout', 'Floor', 'Skill', 'Versions']) {
      await leaf(page, name);
      await expectAccessible(page, '[role=tabpanel]');
      await wide();
    }
    await page.getByRole('button', { name: 'Cupboard' }).click();
    await expectAccessible(page);
    for (const shelf of [
      'To aim at',
      'In the way',
      'Places to stand',
      'Floor and furniture',
      'Set out together',
      'To play with',
      'A thing of your own',
    ]) {
      await page.getByRole('tab', { name: shelf }).click();
      await expectAccessible(page, '[role=dialog]');
    }
    await page.keyboard.press('Escape');
    await leaf(page, 'Rules');
    await page.getByRole('button', { name: 'Another way to play' }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    await expectAccessible(page, '[role=dialog]');
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: /^Keep or print/ }).click();
    await expect(page.getByRole('menu')).toBeVisible();
    await expectAccessible(page, '[role=menu]');
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Side by side' }).click();
    await expectAccessible(page);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: '? for keys' }).click();
    await expectAccessible(page);
    await page.getByRole('button', { name: '? for keys' }).click();
  }
  expect(complaints).toEqual([]);
});
