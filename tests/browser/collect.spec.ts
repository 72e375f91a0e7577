import { expect, test, type Page } from '@playwright/test';
import { expectAccessible, openScores, signedIn } from './people';

/** Presses keys and counts them. */
function countedKeys(page: Page) {
  let pressed = 0;
  return {
    press: async (...keys: readonly string[]) => {
      for (const key of keys) {
        pressed += 1;
        await page.keyboard.press(key);
      }
    },
    pressed: () => pressed,
  };
}

test('a sheet of paper is typed in with the keyboard alone, in at most fifteen keys', async ({ page }) => {
  await signedIn(page, 'helper');
  await openScores(page, 'P4 Dippers');
  await page.getByRole('link', { name: 'Type in sheets' }).click();
  await expect(page.getByText(/without a score/)).toBeVisible();
  await expectAccessible(page);
  const field = page.getByLabel('Child or code');
  await field.fill('a');
  const name = await page.locator('#which-child b').textContent();
  await field.fill('');
  await field.focus();
  const keys = countedKeys(page);
  await keys.press('a', 'Tab', '4', 'Tab', '2', 'Tab', '1', 'Tab');
  await expect(page.locator('#worked-out')).toContainText('= ');
  const sum = Number(/= (\d+)$/.exec((await page.locator('#worked-out').textContent())!)![1]);
  await keys.press(...`${sum}`, 'Enter');
  await expect(page.getByRole('row', { name: new RegExp(name!.trim()) })).toContainText(`${sum} points`);
  await expect(field).toBeFocused();
  expect(keys.pressed()).toBeLessThanOrEqual(15);
  // A total that the cells do not come to is told at once, and kept all the same.
  await page.keyboard.type('b');
  await page.keyboard.press('Tab');
  await page.keyboard.type('1');
  for (const step of ['Tab', 'Tab', 'Tab']) await page.keyboard.press(step);
  await page.keyboard.type('99');
  await page.keyboard.press('Enter');
  await expect(page.getByText('waits under “To look at”')).toBeVisible();
  // Rubbish is refused with the place, and nothing is lost of the line.
  await page.keyboard.type('c');
  await page.keyboard.press('Tab');
  await page.keyboard.type('many');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel(/^near mark/)).toHaveAccessibleErrorMessage('Write a number.');
  await expect(field).toHaveValue('c');
});

test('the week’s fifteen kinds of trouble are cleared by keyboard, at most six keys each', async ({ page }) => {
  test.setTimeout(120_000);
  await signedIn(page);
  await openScores(page, 'P6 Ospreys');
  await page.getByRole('link', { name: /^To look at/ }).click();
  const rows = page.getByRole('table', { name: 'To look at' }).locator('tbody tr');
  await expect(rows).toHaveCount(15);
  await expectAccessible(page);
  const waits = page.getByRole('heading', { name: /^clipboard\.csv/ });
  for (let left = 15; left > 0; left -= 1) {
    const keys = countedKeys(page);
    if (await waits.isVisible()) {
      // Whose is it? The first letters of the name, and yes.
      await expect(page.getByLabel('Child', { exact: true })).toBeFocused();
      await keys.press('a', 'o', 'Enter');
    } else await keys.press('1');
    await expect(rows).toHaveCount(left - 1);
    expect(keys.pressed()).toBeLessThanOrEqual(6);
  }
  await expect(page.getByText('Nothing is left to look at.')).toBeVisible();
  // The last one is taken back with one key, and decided again.
  await page.keyboard.press('u');
  await expect(rows).toHaveCount(1);
  await expect(page.getByLabel('Child', { exact: true })).toBeFocused();
  for (const key of ['a', 'o', 'Enter']) await page.keyboard.press(key);
  await expect(rows).toHaveCount(0);
});

test('a file is looked at, corrected, brought in, and taken back as one', async ({ page }) => {
  await signedIn(page);
  await openScores(page, 'P2 Wagtails');
  await page.getByRole('link', { name: 'Files and messages' }).click();
  await expectAccessible(page);
  const choose = (name: string, text: string) =>
    page.getByLabel('A file with scores').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
  await choose('broken.csv', 'Name,Score\n"Isla R,4\n');
  await expect(page.getByText(/quotation mark is not closed/)).toBeVisible();
  await choose('gym.csv', 'Who,What\nIsla R.,12\nNobody,3\n');
  await expect(page.getByRole('heading', { name: 'gym.csv: 2 rows' })).toBeVisible();
  // The second column was not recognised: it is said what it is.
  await page.getByRole('button', { name: /What “What” is/ }).click();
  await page.getByRole('option', { name: 'score', exact: true }).click();
  await expect(page.getByRole('cell', { name: 'counts' })).toBeVisible();
  await page.getByRole('button', { name: 'Bring in 2 rows' }).click();
  await expect(page.getByText('1 counted by itself, 1 wait for a yes.')).toBeVisible();
  await page.getByRole('button', { name: 'Take back gym.csv' }).click();
  await expect(page.getByRole('button', { name: 'Bring back gym.csv' })).toBeVisible();
});

test('messages of the mailbox wait for a yes, with what was read marked in their words', async ({ page }) => {
  await signedIn(page);
  await openScores(page, 'P6 Ospreys');
  await page.getByRole('link', { name: 'Files and messages' }).click();
  await page.getByRole('button', { name: 'Read the mailbox' }).click();
  await expect(page.getByText(/wait for a yes/)).toBeVisible();
  await page.getByRole('button', { name: 'Read the mailbox' }).click();
  await expect(page.getByText(/were here before/)).toBeVisible();
  await page.getByRole('link', { name: /^To look at/ }).click();
  await expect(page.locator('mark').first()).toBeVisible();
  await expectAccessible(page);
});

test('the class over its weeks is told by chart and table, and goes out as a file', async ({ page }) => {
  await signedIn(page);
  await openScores(page, 'P4 Dippers');
  await page.getByRole('link', { name: 'Over the weeks' }).click();
  await expect(page.getByRole('heading', { name: /^\d+ weeks/ })).toBeVisible();
  await expect(page.locator('canvas').first()).toBeVisible();
  await expectAccessible(page);
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'XLSX' }).click()]);
  expect(download.suggestedFilename()).toMatch(/^scores-.*\.xlsx$/);
});
