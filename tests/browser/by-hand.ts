/** A game built on the chart table by what a teacher does there: clicks, choices and typed figures; nothing behind the screen. */
import { expect, type Page } from '@playwright/test';
import type { Game } from '@/core/rules/format/game';

/** A new game on a blank floor, from the shelf. */
export async function blankFloor(page: Page, title: string): Promise<void> {
  await page.goto('/games');
  await page.getByRole('link', { name: 'New game' }).click();
  await page.getByLabel('Name of the game').fill(title);
  await page.getByRole('button', { name: 'Start from a blank floor' }).click();
  await page.waitForURL(/games\/[0-9a-f]{8}-/);
  await expect(page.getByText(/par \d+/).first()).toBeVisible();
}

export const leaf = (page: Page, name: string) => page.getByRole('tab', { name: new RegExp(`^${name}`) }).click();

export async function typed(page: Page, label: string | RegExp, value: number, nth = 0): Promise<void> {
  const box = typeof label === 'string' ? page.getByLabel(label, { exact: true }).nth(nth) : page.getByLabel(label).nth(nth);
  await box.fill(`${value}`);
  await box.press('Enter');
}

export async function choose(page: Page, button: string | RegExp, option: string | RegExp): Promise<void> {
  await page.getByRole('button', { name: button }).first().click();
  await page
    .getByRole('option', { name: option, exact: typeof option === 'string' })
    .first()
    .click();
}

export interface PutDown {
  readonly shelf: 'To aim at' | 'In the way' | 'Places to stand';
  readonly card?: string;
  /** Into the group that was made last. */
  readonly joins?: boolean;
  readonly pattern?: string;
  readonly n?: number;
  readonly spacingM?: number;
}

export async function cupboard(page: Page, shelf: string): Promise<void> {
  await page.getByRole('button', { name: 'Cupboard' }).click();
  await page.getByRole('tab', { name: shelf }).click();
}

/** Puts things on the floor from the cupboard. */
export async function putDown(page: Page, { shelf, card, joins, pattern, n, spacingM }: PutDown): Promise<void> {
  await cupboard(page, shelf);
  const dialog = page.getByRole('dialog');
  if (card) await dialog.getByRole('button', { name: card, exact: true }).first().click();
  if (joins) {
    await page.getByRole('button', { name: /They belong/ }).click();
    await page.getByRole('option').last().click();
  }
  if (pattern) {
    await choose(page, /How many, and how they stand/, pattern);
    if (n !== undefined) await typed(page, 'How many', n);
    if (spacingM !== undefined) await typed(page, 'Metres apart', spacingM);
  }
  await dialog.getByRole('button', { name: 'Put on the floor' }).click();
  await expect(dialog).toHaveCount(0);
}

/** Chooses how it is played, by the name of the way. */
export async function playItSo(page: Page, way: string): Promise<void> {
  await leaf(page, 'Rules');
  await page.getByRole('button', { name: 'Another way to play' }).click();
  await page.getByRole('dialog').getByRole('button', { name: way, exact: true }).click();
  await page.getByRole('button', { name: 'Play it so' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
}

/** The game as it was saved. */
export async function savedGame(page: Page): Promise<Game> {
  await expect(page.getByText(/^saved/)).toBeVisible();
  const id = /games\/([0-9a-f-]{36})/.exec(page.url())![1]!;
  return (await page.evaluate(async (game) => (await fetch(`/api/v1/games/${game}/file`)).json(), id)) as Game;
}
