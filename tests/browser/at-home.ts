/** A family's phone, with a class of its own at the school. */
import { expect, type Browser, type Locator, type Page } from '@playwright/test';
import { PHONE, post } from './people';

/** A class of its own with two children and, if wanted, an event of these starters. */
export async function classWith(page: Page, wanted: string, starters: readonly string[], levelId = 'level-1'): Promise<string> {
  // A test that is tried again makes a class of its own again; younger than the demo's, which stays the last of the list.
  const name = `${wanted} ${Date.now() % 100_000}`;
  const { id: classId } = await post<{ id: string }>(page, '/api/v1/classes', { name, ageYears: 7 });
  const children = ['Corrie', 'Morag'].map((firstName) => ({ firstName, initial: 'Q.', hand: null, ageYears: null }));
  await post(page, `/api/v1/classes/${classId}/children`, { children });
  const games = [];
  for (const starter of starters) games.push({ gameId: (await post<{ id: string }>(page, '/api/v1/games/import', { starter })).id, levelId });
  await post(page, '/api/v1/weeks', {
    classId,
    title: games.length > 1 ? 'Shore day' : '',
    games,
    dueOn: new Date(Date.now() + 6 * 86_400_000).toISOString().slice(0, 10),
    warmUp: 'Five minutes: walk on the spot, big arm circles.',
    diary: 'Write down how many minutes you moved.',
    film: 'Three throws from the side.',
    note: '',
  });
  return name;
}

export interface Phone {
  readonly width: number;
  readonly height: number;
  readonly dark: boolean;
}

export async function open(browser: Browser, url: string, { width, height, dark }: Phone = { ...PHONE, dark: false }): Promise<Page> {
  const context = await browser.newContext({ viewport: { width, height }, hasTouch: true, colorScheme: dark ? 'dark' : 'light' });
  const home = await context.newPage();
  await home.goto(url);
  return home;
}

/** From the card to the choice of counting; an adult says yes the first time. */
export async function toCounting(home: Page, title: string, check: (where: string) => Promise<void> = async () => undefined): Promise<void> {
  const play = home.getByRole('button', { name: `Play ${title}` });
  await ((await play.count()) > 0 ? play.first() : home.getByRole('button', { name: 'Set it out' })).click();
  const setOut = home.getByRole('button', { name: 'It is set out' });
  const otherwise = home.getByRole('button', { name: 'Something is different' });
  await expect(setOut.or(otherwise)).toBeVisible();
  // It was played here before: all of the way is gone once more.
  if (await otherwise.count()) {
    await check('again');
    await otherwise.click();
  }
  await check('set-up');
  await setOut.click();
  const yes = home.getByLabel('An adult says yes to this place');
  await expect(yes.or(home.getByRole('button', { name: 'Now with counting' }))).toBeVisible();
  if (await yes.count()) {
    await check('safety');
    await yes.check();
    await home.getByRole('button', { name: 'Go on' }).click();
  }
  await check('practise');
  await home.getByRole('button', { name: 'Now with counting' }).click();
  await check('count');
}

/** What is done before the counting (a count-down, half a minute of moving) passes at once, on a page whose clock is installed. */
export async function untilSeen(home: Page, what: Locator): Promise<void> {
  await expect(async () => {
    await home.clock.fastForward(3000);
    await expect(what).toBeVisible({ timeout: 300 });
  }).toPass({ timeout: 40_000 });
}
