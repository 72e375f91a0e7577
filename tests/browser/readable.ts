/** What every step at home keeps to: told where one is, large enough for a thumb and for a new reader, nothing beyond the edge. */
import { expect, type Page } from '@playwright/test';

const LEAST_TAP_PX = 44;
const LEAST_TEXT_PX = 14;

interface Measured {
  readonly titles: readonly string[];
  readonly window: string;
  readonly beyond: number;
  /** Buttons, boxes and links lower or narrower than a thumb, text smaller than a new reader reads. */
  readonly tooSmall: readonly string[];
  readonly tooFine: readonly string[];
  /** What is tapped in play and lies below the fold. */
  readonly below: readonly string[];
}

/** Runs in the page. */
function measured([leastTap, leastText]: readonly [number, number]): Measured {
  const shown = (element: Element) => {
    const box = element.getBoundingClientRect();
    return box.width > 1 && box.height > 1 && element.checkVisibility({ visibilityProperty: true });
  };
  const named = (element: Element) => `${element.tagName} “${(element.getAttribute('aria-label') ?? element.textContent ?? '').trim().slice(0, 40)}”`;
  /** A box inside a label is tapped by its label; a link in a sentence by its line. */
  const tapped = (element: Element) => element.closest('label') ?? element;
  const all = [...document.querySelectorAll('main button, main a[href], main input, main select, main textarea, main summary, main [role=checkbox]')];
  const taps = [...new Set(all.filter(shown).map(tapped))].filter(shown);
  const low = (element: Element) => {
    const { width, height } = element.getBoundingClientRect();
    return width < leastTap - 0.5 || height < leastTap - 0.5;
  };
  const texts = document.createTreeWalker(document.querySelector('main')!, NodeFilter.SHOW_TEXT);
  const fine: string[] = [];
  for (let node = texts.nextNode(); node; node = texts.nextNode()) {
    const holder = node.parentElement!;
    if (!node.textContent!.trim() || !shown(holder)) continue;
    const size = parseFloat(getComputedStyle(holder).fontSize);
    // Of a drawing what comes of it on the screen.
    const drawing = holder instanceof SVGElement ? (holder.ownerSVGElement ?? holder) : null;
    const scale = drawing instanceof SVGGraphicsElement ? (drawing.getScreenCTM()?.a ?? 1) : 1;
    if (size * Math.abs(scale) < leastText - 0.1) fine.push(`${(size * Math.abs(scale)).toFixed(1)} px: ${node.textContent!.trim().slice(0, 30)}`);
  }
  const inPlay = [...document.querySelectorAll('button[class*=Success], button[class*=Failure], main [role=radio], main [role=checkbox]')].filter(
    shown,
  );
  return {
    titles: [...document.querySelectorAll('h1')].map((one) => one.textContent ?? ''),
    window: document.title,
    beyond: document.documentElement.scrollWidth - window.innerWidth,
    tooSmall: taps
      .filter(low)
      .map((one) => `${named(one)} ${one.getBoundingClientRect().width.toFixed(0)} × ${one.getBoundingClientRect().height.toFixed(0)}`),
    tooFine: fine,
    below: inPlay.filter((one) => one.getBoundingClientRect().bottom > window.innerHeight + 0.5).map(named),
  };
}

/** A step that was just come to; in play the focus is on the next tap, else on the heading. */
export async function expectStep(home: Page, where: string, on: 'heading' | 'tap' | 'anything' = 'heading'): Promise<void> {
  await expect(home.locator('h1')).toHaveCount(1);
  await expect(home.locator('h1')).not.toHaveText('One moment …');
  const focused = on === 'heading' ? 'h1' : on === 'tap' ? 'main *:not(h1)' : '*';
  await expect(home.locator(`${focused}:focus, ${on === 'anything' ? 'body' : '#none'}`).first(), `${where}: the focus`).toBeAttached();
  const found = await home.evaluate(measured, [LEAST_TAP_PX, LEAST_TEXT_PX] as const);
  expect.soft(found.beyond, `${where} is too wide`).toBeLessThanOrEqual(0);
  expect.soft(found.window, where).toBe(`${found.titles[0]} · Lochside`);
  expect.soft(found.tooSmall, `${where}: too small for a thumb`).toEqual([]);
  expect.soft(found.tooFine, `${where}: too small to read`).toEqual([]);
  if (on === 'tap') expect.soft(found.below, `${where}: below the fold`).toEqual([]);
}
