import { expect, test } from '@playwright/test';
import { Secret, TOTP } from 'otpauth';
import { complaintsOf, expectAccessible, signedIn } from './people';

test('a colleague is invited, comes in, sets up a second factor, signs in with it, is closed, and all of it is written down', async ({
  page,
  browser,
}) => {
  await signedIn(page);
  await page.goto('/school');
  await page.getByRole('button', { name: 'Invite somebody' }).click();
  await page.getByRole('button', { name: 'Make the link' }).click();
  await expect(page.getByText('Write something here.').first()).toBeVisible();
  await page.getByLabel('Name, as colleagues know it').fill('Mr Fern');
  const email = `fern-${Date.now()}@strathfinlas.example`;
  await page.getByLabel('E-mail address').fill(email);
  await page.getByRole('button', { name: 'Make the link' }).click();
  await expect(page.getByText('It opens once', { exact: false })).toBeVisible();
  await expectAccessible(page, '[role=dialog]');
  const link = (await page.getByRole('dialog').getByText('/join#t=').textContent())!;
  // On paper it stands alone.
  await page.emulateMedia({ media: 'print' });
  await expect(page.locator('h1', { hasText: 'People' })).toBeHidden();
  await expect(page.getByRole('dialog').getByText('/join#t=')).toBeVisible();
  await page.emulateMedia({ media: 'screen' });
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByRole('cell', { name: `Mr Fern, ${email}` })).toBeVisible();

  const colleague = await (await browser.newContext()).newPage();
  const complaints = complaintsOf(colleague);
  await colleague.goto(link);
  await expect(colleague.getByRole('heading', { name: 'Welcome, Mr Fern' })).toBeVisible();
  await expectAccessible(colleague);
  const choose = async (password: string) => {
    await colleague.getByLabel('Choose a password').fill(password);
    await colleague.getByRole('button', { name: 'Come in' }).click();
  };
  await choose('fern');
  await expect(colleague.getByText('Write 12 characters or more.')).toBeVisible();
  await choose('password1234');
  await expect(colleague.getByText('commonly used', { exact: false })).toBeVisible();
  const password = 'heather under a slow gate';
  await choose(password);
  await colleague.waitForURL('**/today');

  await colleague.getByRole('link', { name: 'Mr Fern' }).click();
  await colleague.getByRole('button', { name: 'Set it up' }).click();
  await colleague.getByLabel('Your password').fill(password);
  await colleague.getByRole('button', { name: 'Go on' }).click();
  const key = (await colleague.getByText('Or type this key').textContent())!.split(': ')[1]!.replaceAll(' ', '');
  const codeOf = (inSteps: number) => new TOTP({ secret: Secret.fromBase32(key) }).generate({ timestamp: Date.now() + inSteps * 30_000 });
  await expectAccessible(colleague, '[role=dialog]');
  await colleague.getByLabel('The six figures').fill(codeOf(-1));
  await colleague.getByRole('button', { name: 'It is set up' }).click();
  await expect(colleague.getByRole('dialog').getByRole('listitem')).toHaveCount(10);
  await colleague.getByRole('button', { name: 'I have them' }).click();
  await expect(colleague.getByText('10 codes to recover by are left', { exact: false })).toBeVisible();

  await colleague.getByRole('button', { name: 'Sign out' }).click();
  await colleague.waitForURL('**/sign-in');
  await colleague.getByLabel('E-mail address').fill(email);
  await colleague.getByLabel('Password').fill(password);
  await colleague.getByRole('button', { name: 'Sign in' }).click();
  await colleague.getByLabel('Code of your authenticator').fill(codeOf(0));
  await colleague.getByRole('button', { name: 'Sign in' }).click();
  await colleague.waitForURL('**/today');

  await page.reload();
  await page.getByRole('button', { name: 'Change Mr Fern' }).click();
  await page.getByRole('menuitem', { name: 'Close: has left' }).click();
  await expect(page.getByRole('row', { name: new RegExp(`${email}.*closed`) })).toBeVisible();
  await colleague.goto('/classes');
  await colleague.waitForURL('**/sign-in');
  expect(complaints).toEqual([]);
  await colleague.context().close();

  await page.getByRole('link', { name: 'Who did what' }).click();
  for (const action of ['person invited', 'person joined', 'second factor set', 'signed in', 'person closed'])
    await expect(page.getByRole('cell', { name: action, exact: true }).first()).toBeVisible();
  const file = page.waitForEvent('download');
  await page.getByRole('link', { name: 'As a CSV file' }).click();
  expect((await file).suggestedFilename()).toMatch(/^who-did-what-.*\.csv$/);

  for (const [view, heading] of [
    ['What is kept', 'What is kept'],
    ['For data protection', /^Personal data in Lochside/],
    ['The server', 'The server'],
  ] as const) {
    await page.getByRole('link', { name: view, exact: true }).click();
    await expect(page.getByRole('heading', { level: 1, name: heading })).toBeVisible();
    await expectAccessible(page);
  }
});
