import { expect, type Locator } from '@playwright/test';

const SOON = { timeout: 4000 };

/** The last tap may end the go by itself: what it was to be followed by is gone then, and the next look sees that it is over. */
const soon = (act: Promise<void>) => act.catch(() => undefined);

/** Taps what the counter offers, as somebody who wants to see everything once, until the go is over and `overIs` is offered. */
export async function playThrough(phone: Locator, overIs: string | RegExp): Promise<void> {
  const over = phone.getByRole('button', { name: overIs });
  for (let tap = 0; tap < 22 && (await over.count()) === 0; tap += 1) {
    const word = phone.getByLabel('The word');
    if (await word.count()) await soon(word.fill('towel', SOON));
    const length = phone.getByLabel('Centimetres');
    if (await length.count()) await soon(length.fill('42', SOON));
    const flag = phone.getByRole('group', { name: 'What happened on the way' }).getByRole('button').first();
    if (tap % 3 === 1 && (await flag.count())) await soon(flag.click(SOON));
    const item = phone.getByRole('list', { name: 'Tap what you find' }).getByRole('button', { disabled: false }).first();
    if (await item.count()) {
      await soon(item.click(SOON));
      continue;
    }
    const pin = phone.getByRole('checkbox', { disabled: false }).first();
    if (tap % 2 === 0 && (await pin.count())) await soon(pin.click(SOON));
    const written = phone.getByRole('button', { name: /^Write down/ });
    if (await written.count()) {
      await soon(phone.getByRole('button', { name: 'One more' }).click(SOON));
      await soon(written.click(SOON));
      if (tap > 3) break;
      continue;
    }
    const big = phone.locator('button[class*=Success], button[class*=Failure]');
    const buttons = await big.count();
    if (buttons === 0) break;
    await soon(big.nth(tap % buttons).click(SOON));
  }
  if (await over.count()) return;
  // What ends by itself shows its result a moment later.
  const stop = phone.getByRole('button', { name: /^Stop/ });
  await expect(over.or(stop).first()).toBeVisible();
  if (await over.count()) return;
  await stop.click();
  await phone.getByRole('button', { name: 'End here' }).click();
  await expect(over).toBeVisible();
}
