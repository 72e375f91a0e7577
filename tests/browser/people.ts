import { readFileSync } from 'node:fs';
import { expect, type BrowserContext, type Page } from '@playwright/test';
import axe from 'axe-core';

interface SignIn {
  readonly email: string;
  readonly password: string;
  readonly role: 'teacher' | 'helper';
}

const { demoSignIns } = JSON.parse(readFileSync(process.env['LOCHSIDE_SECRETS']!, 'utf8')) as { demoSignIns: SignIn[] };

const ADDRESS = `http://127.0.0.1:${process.env['LOCHSIDE_TEST_PORT'] ?? '3100'}`;

/** A connection for each request: one that was left open may be closed by the server just when it is used again. */
const ONCE = { connection: 'close' };

/** The sessions that this worker has opened. */
const sessions = new Map<string, Awaited<ReturnType<BrowserContext['cookies']>>>();

/** Sends to a route as this page's person, without a page to send it from. */
export async function post<T>(page: Page, path: string, body: unknown): Promise<T> {
  const answer = await page.request.post(`${ADDRESS}${path}`, { data: body, headers: { origin: ADDRESS, ...ONCE } });
  if (!answer.ok()) throw new Error(`${path}: ${await answer.text()}`);
  return (await answer.json()) as T;
}

/** Gives the page a session; typing a password in is a test of its own. */
export async function signedIn(page: Page, role: 'teacher' | 'helper' = 'teacher'): Promise<void> {
  const session = sessions.get(role);
  if (session) return page.context().addCookies(session);
  const { email, password } = demoSignIns.find((one) => one.role === role)!;
  await post(page, '/api/v1/sign-in', { email, password });
  sessions.set(role, await page.context().cookies());
}

/** Signed in, before the shelf. */
export async function signInAs(page: Page, role: 'teacher' | 'helper' = 'teacher'): Promise<void> {
  await signedIn(page, role);
  await page.goto('/games');
}

/** Signs in as a person does. */
export async function signInByHand(page: Page): Promise<void> {
  const { email, password } = demoSignIns.find((one) => one.role === 'teacher')!;
  await page.goto('/sign-in');
  await page.getByLabel('E-mail address').fill(email);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.waitForURL('**/today');
}

/** The links of a class, by child's name, as the page of links lists them. */
export async function linksOf(page: Page, className: string): Promise<Map<string, string>> {
  const classes = await (await page.request.get(`${ADDRESS}/classes`, { headers: ONCE })).text();
  const row = classes.split('<tr').find((one) => one.includes(`>${className}<`))!;
  const links = await (await page.request.get(ADDRESS + /href="(\/classes\/[0-9a-f-]+\/links)"/.exec(row)![1]!, { headers: ONCE })).text();
  const found = [...links.matchAll(/<h2[^>]*>([^<]+)<\/h2>.*?<a [^>]*href="([^"]+)"/gs)];
  if (found.length === 0) throw new Error(`${className} has no links`);
  return new Map(found.map(([, name, link]) => [name!, link!] as const));
}

/** The same, with the page of links open. */
export async function openLinks(page: Page, className: string): Promise<Map<string, string>> {
  await page.goto('/classes');
  await page
    .getByRole('row', { name: new RegExp(className) })
    .getByRole('link', { name: 'Links and codes' })
    .click();
  await page.getByRole('heading', { name: `Links: ${className}` }).waitFor();
  const found = await page
    .locator('li')
    .evaluateAll((items) => items.map((item) => [item.querySelector('h2')!.textContent!, item.querySelector('a')!.getAttribute('href')!] as const));
  return new Map(found);
}

const AXE_TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];

/**
 * No finding of axe on the page as it stands, or within what a selector names, where the rest was looked at before. Run in the page itself, which
 * takes a fifth of the time of the Playwright wrapper.
 */
export async function expectAccessible(page: Page, within?: string): Promise<void> {
  // The title of a page that is still coming in comes with it.
  await expect(page).toHaveTitle(/./);
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
  const { findings, passed } = await page.evaluate(
    async ({ tags, selector }) => {
      const { axe: inPage } = window as unknown as { axe: typeof axe };
      // Of what passes only the number of rules is asked for, not the path to every element.
      const { violations, passes } = await inPage.run(selector ?? document, { runOnly: tags, resultTypes: ['violations'], preload: false });
      return {
        findings: violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 140)).join(' | ')}`),
        passed: passes.length,
      };
    },
    { tags: AXE_TAGS, selector: within },
  );
  expect(findings).toEqual([]);
  // A page that offers nothing to look at is no page that passes.
  expect(passed).toBeGreaterThan(5);
}

/** Collects what a page should never say: errors of script and breaches of the content policy. */
export function complaintsOf(page: Page): string[] {
  const complaints: string[] = [];
  page.on('pageerror', (error) => complaints.push(String(error)));
  page.on('console', (message) => {
    if (message.type() === 'error' && /Content Security Policy|Hydration|hydrat/.test(message.text())) complaints.push(message.text());
  });
  return complaints;
}

export const PHONE = { width: 390, height: 844 };

/** Puts a starter on the school's shelf and opens it on the chart table. */
export async function openStarter(page: Page, id: string): Promise<void> {
  const { id: game } = await post<{ id: string }>(page, '/api/v1/games/import', { starter: id });
  await page.goto(`/games/${game}`);
}

/** The scores of the week of one class. */
export async function openScores(page: Page, className: string): Promise<void> {
  await page.goto('/scores');
  const chooser = page.getByRole('navigation', { name: 'Scores' }).getByRole('button').first();
  await chooser.click();
  await page.getByRole('option', { name: className, exact: true }).click();
  await expect(chooser).toContainText(className);
}
