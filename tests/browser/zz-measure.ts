// @ts-nocheck
import { withDemo } from './demo-stack';
import { openScores, signInAs } from './people';
await withDemo(async (browser, address) => {
  const desk = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: address })).newPage();
  await signInAs(desk);
  await desk.goto('/games');
  await desk.getByRole('link', { name: /Lantern Quay/ }).click();
  await desk.getByText(/par \d+/).first().waitFor();
  await desk.getByText('working it out').waitFor({ state: 'detached' });
  await desk.waitForTimeout(1500);
  await desk.screenshot({ path: '/tmp/w/z-chart.png', fullPage: true });
  await desk.getByRole('button', { name: /where is this from/ }).click();
  await desk.waitForTimeout(600);
  await desk.screenshot({ path: '/tmp/w/z-from.png' });
  await desk.keyboard.press('Escape');
  await desk.goto('/scores');
  await desk.getByRole('link', { name: /Over the weeks/ }).first().click();
  await desk.getByText('Does the forecast fit?').waitFor({ timeout: 60000 });
  await desk.waitForTimeout(1500);
  await desk.getByText('Does the forecast fit?').scrollIntoViewIfNeeded();
  await desk.screenshot({ path: '/tmp/w/z-fit.png', fullPage: true });
});
