import { expect, test, type Page } from '@playwright/test';
import { complaintsOf, expectAccessible, signedIn } from './people';

const cell = (page: Page, className: string, week: number) => page.getByRole('button', { name: new RegExp(`^${className}, week ${week},`) });
const gameOf = async (page: Page, className: string, week: number) => (await cell(page, className, week).locator('b').textContent()) ?? '';
const saved = (page: Page) => expect(page.getByRole('status').filter({ hasText: /^saved \d/ })).toBeVisible();

/** A term of its own, so that nobody else is in the way. */
async function ownTerm(page: Page, name: string) {
  await page.goto('/plan');
  await page.getByRole('button', { name: 'More with this plan' }).click();
  await page.getByRole('menuitem', { name: 'Copy it to another term' }).click();
  await page.getByRole('textbox', { name: 'Name of the term' }).fill(name);
  await page.getByRole('button', { name: 'Copy it', exact: true }).click();
  await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();
}

test('a term is worked out, changes are taken one by one, cells are dragged and moved by keys, and it says why', async ({ page }) => {
  test.setTimeout(90_000);
  const complaints = complaintsOf(page);
  await signedIn(page);
  await page.goto('/plan');
  await expect(cell(page, 'P6 Ospreys', 6)).toContainText('Loch day');
  await expect(cell(page, 'P4 Dippers', 7)).toContainText(/par \d+/, { timeout: 20_000 });
  await expectAccessible(page);

  await ownTerm(page, 'Spring by hand');
  await page.getByRole('button', { name: 'Wishes' }).click();
  await page.getByRole('button', { name: 'One more wish' }).click();
  await page.getByRole('menuitem', { name: /^Weeks of a movement/ }).click();
  await page.getByRole('button', { name: 'Work it out again' }).click();
  const changes = page.getByRole('heading', { name: /changes? to the plan$/ });
  await expect(changes).toBeVisible({ timeout: 40_000 });
  await expectAccessible(page);
  const n = Number((await changes.textContent())!.split(' ')[0]);
  const first = page.getByRole('button', { name: /^Accept .*, week .* → .+, / }).first();
  const [, className, week, to] = /^Accept (.+), week (\d+): .* → (.+), /.exec((await first.getAttribute('aria-label'))!)!;
  await first.click();
  await expect(changes).toHaveText(`${n - 1} changes to the plan`);
  expect(await gameOf(page, className!, Number(week))).toBe(to);
  await page.getByRole('button', { name: 'Keep all as it was' }).click();
  await expect(changes).toHaveCount(0);

  // Dragged onto another, the two change places; by keys they go back.
  const [here, there] = [await gameOf(page, 'P2 Wagtails', 1), await gameOf(page, 'P2 Wagtails', 2)];
  expect(here).not.toBe(there);
  await cell(page, 'P2 Wagtails', 1).dragTo(cell(page, 'P2 Wagtails', 2));
  await expect(cell(page, 'P2 Wagtails', 2)).toContainText(here);
  await cell(page, 'P2 Wagtails', 2).focus();
  await page.keyboard.press('Control+x');
  await page.keyboard.press('ArrowLeft');
  await expect(cell(page, 'P2 Wagtails', 1)).toBeFocused();
  await page.keyboard.press('Control+v');
  await expect(cell(page, 'P2 Wagtails', 1)).toContainText(here);
  await page.keyboard.press('-');
  await expect(cell(page, 'P2 Wagtails', 1)).toHaveAccessibleName(/pinned/);
  await saved(page);
  await page.reload();
  expect(await gameOf(page, 'P2 Wagtails', 1)).toBe(here);

  await cell(page, 'P4 Dippers', 2).click();
  await expect(page.getByRole('heading', { name: 'Why this?' })).toBeVisible();
  await expect(page.getByRole('dialog').getByRole('listitem').first()).toContainText(/: .+\./);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Another game' }).click();
  await page.getByRole('option', { name: 'Loch Frames' }).first().click();
  await expect(page.getByRole('dialog', { name: 'P4 Dippers, week 2' })).toContainText('Loch Frames');
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: 'Send week 2' }).click();
  await expect(page.getByRole('dialog', { name: 'Send week 2' }).getByRole('row', { name: /P4 Dippers Loch Frames/ })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Not now' }).click();

  await page.getByRole('button', { name: 'More with this plan' }).click();
  await page.getByRole('menuitem', { name: 'As a list' }).click();
  await expect(page.getByRole('table', { name: 'The plan as a list' }).getByRole('row', { name: /^P4 Dippers 2 .*Loch Frames/ })).toBeVisible();
  await expectAccessible(page);
  expect(complaints).toEqual([]);
});

test('what is stopped while what came in is read, or changed meanwhile, gets no answer for the plan before', async ({ page }) => {
  await signedIn(page);
  await ownTerm(page, 'Stopped half-way');
  let letGo: (() => void) | undefined;
  await page.route('**/api/v1/plans/*/facts', async (route) => {
    await new Promise<void>((resolve) => (letGo = resolve));
    await route.continue();
  });
  const begin = page.getByRole('button', { name: 'Work it out again' });
  const answered = () => page.waitForResponse(/\/facts$/);
  const noAnswer = async (meanwhile: () => Promise<void>) => {
    letGo = undefined;
    await begin.click();
    await expect(page.getByText('reading what has come in', { exact: false })).toBeVisible();
    await expect.poll(() => letGo).toBeTruthy();
    await meanwhile();
    const late = answered();
    letGo!();
    await late;
    await expect(begin).toBeEnabled();
    await expect(page.getByRole('heading', { name: /changes? to the plan$/ })).toHaveCount(0);
    await expect(page.getByRole('button', { name: 'Stop' })).toHaveCount(0);
  };
  await noAnswer(() => page.getByRole('button', { name: 'Stop' }).click());
  await noAnswer(async () => {
    const first = cell(page, 'P2 Wagtails', 1);
    const before = (await first.textContent())!;
    await first.focus();
    await page.keyboard.press('p');
    await expect(first).not.toHaveText(before);
  });
  // What is begun after that is answered.
  await page.unroute('**/api/v1/plans/*/facts');
  await begin.click();
  await expect(page.getByRole('status').filter({ hasText: /^The plan stands as it is|proposed\.$/ })).toBeVisible({ timeout: 40_000 });
});

test('what cannot be had is told in words: the wishes that do not go together, and the fewest to drop', async ({ page }) => {
  test.setTimeout(90_000);
  await signedIn(page);
  await ownTerm(page, 'Too much asked');
  await page.getByRole('button', { name: 'Wishes' }).click();
  // Whatever is on the shelf: three weeks or more of a movement, and one at most.
  const wish = async (least: string) => {
    await page.getByRole('button', { name: 'One more wish' }).click();
    await page.getByRole('menuitem', { name: /^Weeks of a movement/ }).click();
    const slot = page.getByRole('spinbutton', { name: 'At least so many weeks' }).last();
    await slot.fill(least);
    await slot.press('Enter');
  };
  await wish('3');
  await wish('0');
  await page
    .getByRole('button', { name: /Or more/ })
    .last()
    .click();
  await page.getByRole('option', { name: 'to', exact: true }).click();
  await page.getByRole('button', { name: 'Work it out again' }).click();
  const told = page.getByRole('alert').filter({ hasText: 'Not everything can be had' });
  await expect(told).toContainText('do not go together', { timeout: 60_000 });
  await expect(told).toContainText('The fewest to drop');
  await expect(told).toContainText('At least 3 weeks of underarm throw');
  await expect(told).toContainText('At most 1 week of underarm throw');
  await expectAccessible(page);
});
