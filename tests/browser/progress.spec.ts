import { expect, test } from '@playwright/test';
import { complaintsOf, expectAccessible, openScores, signedIn } from './people';

test('the class’s week is put in order and narrowed with the keyboard; an event shows all its games with what they come to', async ({ page }) => {
  await signedIn(page);
  await openScores(page, 'P6 Ospreys');
  const rows = page.locator('tbody tr');
  await expect(rows).toHaveCount(26);
  const best = page.getByRole('columnheader', { name: /^Best/ });
  await best.getByRole('button').focus();
  await page.keyboard.press('Enter');
  await expect(best).toHaveAttribute('aria-sort', 'descending');
  const figures = async () => (await rows.locator('td:nth-child(3)').allTextContents()).filter(Boolean).map(Number);
  const down = await figures();
  expect(down.length).toBeGreaterThan(2);
  expect(down).toEqual([...down].sort((a, b) => b - a));
  await page.keyboard.press('Enter');
  await expect(best).toHaveAttribute('aria-sort', 'ascending');
  expect(await figures()).toEqual([...down].reverse());
  await page.getByRole('button', { name: /Show/ }).click();
  await page.getByRole('option', { name: 'without credit' }).click();
  await expect(rows.first()).toBeVisible();
  expect(await rows.count()).toBeLessThan(26);
  for (const credit of await rows.locator('td:nth-child(9)').allTextContents()) expect(credit).toMatch(/^no/);
  await expectAccessible(page);
  await page.getByRole('button', { name: /^Game|1\. Lantern Quay/ }).click();
  await page.getByRole('option', { name: 'All 4 games' }).click();
  await expect(page.getByRole('columnheader', { name: 'In all' })).toBeVisible();
  await expect(page.getByText(/^[1-4] of 4 games, par in/).first()).toBeVisible();
  await expectAccessible(page);
});

test('over the weeks: hits by distance with the fitted curve; the mend of a level is set on the chart table and taken back', async ({ page }) => {
  test.setTimeout(90_000);
  const complaints = complaintsOf(page);
  await signedIn(page);
  await openScores(page, 'P6 Ospreys');
  await page.getByRole('link', { name: 'Over the weeks' }).click();
  await expect(page.getByText(/^The class is .* tries\./)).toBeVisible({ timeout: 30_000 });
  const table = page.getByRole('table', { name: 'Hits by distance of the class' });
  await expect(table.getByRole('row').nth(1)).toContainText(/\d+\.\d m\s*\d+ of \d+/);
  await expect(page.locator('canvas')).toHaveCount(2);
  await expectAccessible(page);
  // Both are asked for, and one of them again.
  const bothWords = page.getByText(/Taking part asks for both/);
  const took = page.getByRole('columnheader', { name: /week 5/ });
  const before = await took.textContent();
  await bothWords.click();
  await expect(took).not.toHaveText(before!);
  await bothWords.click();
  await expect(took).toHaveText(before!);

  await page
    .getByRole('link', { name: /for next week/ })
    .first()
    .click();
  const mend = page.getByRole('status').filter({ hasText: /was too (easy|hard) for P6 Ospreys/ });
  await expect(mend).toBeVisible({ timeout: 20_000 });
  await expect(page.getByRole('button', { name: /Shown for children of/ })).toContainText('P6 Ospreys, by its reports');
  await expect(page.getByText(/^from \d+ attempts of this class$/)).toBeVisible({ timeout: 20_000 });
  await mend.getByRole('button', { name: /^Set the marks at/ }).click();
  await expect(mend).toContainText('Undo takes it back');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expectAccessible(page);
  expect(complaints).toEqual([]);
});

test('a child’s page says what to try next and why; a note is kept; everything goes out as a file, and is erased by its name', async ({ page }) => {
  await signedIn(page);
  await openScores(page, 'P4 Dippers');
  await page.locator('tbody a').first().click();
  await expect(page.getByRole('heading', { name: 'Own bests' })).toBeVisible();
  await expect(page.getByText(/^\d+ of \d+ at \w+, from [\d.]+ (to [\d.]+ )?m: a chance of about/)).toBeVisible();
  await expect(page.locator('canvas')).toBeVisible();
  await expectAccessible(page);
  await page.getByLabel(/Teacher’s note/).fill('Steps well when the line is drawn.');
  await page.getByRole('button', { name: 'Keep the note' }).click();
  await expect(page.getByText('Kept.')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel(/Teacher’s note/)).toHaveValue('Steps well when the line is drawn.');
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Everything as a file' }).click()]);
  expect(download.suggestedFilename()).toMatch(/^child-.*\.json$/);

  // A child who has just come is taken away whole.
  await page.goto('/classes');
  await page.getByRole('link', { name: 'P2 Wagtails' }).click();
  await page.getByRole('button', { name: 'Add children' }).click();
  await page.getByRole('textbox').first().fill('Zebedee Quill');
  await page.getByRole('button', { name: /^Add 1/ }).click();
  await page.getByRole('link', { name: 'Zebedee Q.' }).click();
  await page.getByRole('button', { name: 'Erase …' }).click();
  const dialog = page.getByRole('dialog');
  await expectAccessible(page);
  await expect(dialog.getByRole('button', { name: 'Erase for good' })).toBeDisabled();
  await dialog.getByLabel('To erase, write Zebedee Q.').fill('Zebedee Q.');
  await dialog.getByRole('button', { name: 'Erase for good' }).click();
  await expect(page.getByRole('heading', { name: 'P2 Wagtails' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Zebedee Q.' })).toHaveCount(0);
});

test('a key for another program is shown once, opens the interface, and is withdrawn', async ({ page, request }) => {
  await signedIn(page);
  await openScores(page, 'P4 Dippers');
  await page.getByRole('link', { name: 'Files and messages' }).click();
  await page.getByLabel('Name of the program').fill('Hall tablet');
  await page.getByRole('button', { name: 'Make a key' }).click();
  const key = (await page.locator('code').textContent())!;
  await expectAccessible(page);
  const ask = () => request.get('/api/v1/assignments?class=P4%20Dippers', { headers: { authorization: `Bearer ${key}` } });
  expect((await ask()).status()).toBe(200);
  await page.reload();
  await expect(page.getByRole('row', { name: /Hall tablet/ })).toBeVisible();
  await expect(page.locator('code')).toHaveCount(0);
  await page.getByRole('button', { name: 'Withdraw the key of Hall tablet' }).click();
  await expect(page.getByRole('row', { name: /Hall tablet/ })).toHaveCount(0);
  expect((await ask()).status()).toBe(401);
});

test('a film is marked with one comment, which stands beside the score', async ({ page }) => {
  await signedIn(page);
  await openScores(page, 'P4 Dippers');
  const row = page.locator('tbody tr').nth(2);
  const name = (await row.locator('td').first().textContent())!;
  await row.getByRole('button', { name: new RegExp(`how ${name} did it`) }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('radio', { name: 'yes' }).first().check({ force: true });
  await dialog.getByText(/A film was handed in/).click();
  await dialog.getByLabel('One comment (if you like)').fill('The back foot turns with it.');
  await expectAccessible(page);
  await dialog.getByRole('button', { name: 'Keep what I saw' }).click();
  const marked = page.locator('tbody tr', { hasText: name });
  await expect(marked).toContainText('Teacher: The back foot turns with it.');
  await expect(marked).toContainText(/technique: .*teacher 1 of 1 yes/);
  await expect(marked).toContainText('film');
});

test('a class test is started, typed, printed and taken back; where a chance is from is asked', async ({ page }) => {
  test.setTimeout(120_000);
  const complaints = complaintsOf(page);
  await signedIn(page);
  await page.goto('/classes');
  await page.getByRole('link', { name: /P2 Wagtails/ }).click();
  await page.getByRole('link', { name: 'Class test' }).click();
  await page.getByRole('button', { name: /What is tested/ }).click();
  await page.getByRole('option', { name: 'roll' }).click();
  await expect(page.getByText(/Stand an empty plastic bottle/)).toBeVisible();
  await page.getByLabel('Height of the book, cm').fill('3');
  await page.getByRole('button', { name: 'Start this test' }).click();
  await expect(page.getByText(/Give both the height/)).toBeVisible();
  await page.getByLabel('How far the ball rolled, cm').fill('80');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Start this test' }).click();
  await expect(page.getByText(/^0 of \d+ written down/)).toBeVisible();
  await page.getByRole('radio', { name: '0 of 3' }).first().focus();
  for (const digit of '231203') await page.keyboard.press(digit);
  await expect(page.getByText(/^6 of \d+ written down, all with the school\./)).toBeVisible();
  await expectAccessible(page);
  await page.reload();
  await expect(page.getByText(/^6 of \d+ written down, all with the school\./)).toBeVisible();
  const [sheets] = await Promise.all([
    page.waitForEvent('download', { timeout: 60_000 }),
    page.getByRole('button', { name: /Print a sheet/ }).click(),
  ]);
  expect(sheets.suggestedFilename()).toMatch(/^class-test-.*\.pdf$/);
  await page.getByRole('button', { name: 'Take this test back' }).click();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByRole('button', { name: 'Start this test' })).toBeVisible();

  await page.goto('/games');
  const slip = page.getByRole('dialog', { name: /come from/ });
  await page.getByRole('button', { name: 'Lantern Quay: where is this from?' }).click();
  await expect(slip.getByText('Spread of an underarm throw, an adult')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: /Lantern Quay/ }).click();
  await page.waitForURL(/games\/[0-9a-f-]{36}/);
  await page.getByRole('button', { name: /where is this from/ }).click();
  await expect(slip.getByText('Spread of an underarm throw, an adult')).toBeVisible();
  await expectAccessible(page);
  expect(complaints).toEqual([]);
});
