// @ts-nocheck
import { withDemo } from './demo-stack';
import { signInAs, expectAccessible } from './people';
await withDemo(async (browser, address) => {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: address });
  const page = await context.newPage();
  await signInAs(page);
  await page.goto('/today');
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: '/tmp/w/t1.png' });
  await expectAccessible(page);
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.route('**/api/v1/today', async (route) => {
    const answer = await route.fetch({ headers: { ...route.request().headers(), 'if-none-match': '' } });
    const today = await answer.json();
    const names = ['P1 Eiders', 'P2 Wagtails', 'P3 Terns', 'P4 Dippers', 'P4 Curlews', 'P5 Grebes', 'P5 Herons', 'P6 Ospreys', 'P6 Knots', 'P7 Divers', 'P7 Gulls', 'P7 Wrens'];
    today.classes = names.map((name, n) => {
      const of = structuredClone(today.classes[n % 3]);
      of.name = name;
      if (n === 4) { of.week = null; }
      if (n === 5) { of.unlinked = 3; of.week.reported = 0; of.week.byDay = of.week.byDay.map(() => 0); }
      if (n === 6) { of.last.fit.fit = 'too-easy'; of.week.dueOn = today.day; }
      if (n === 7) { of.last.fit.fit = 'too-hard'; of.waiting = 2; }
      if (n === 8) { of.last = null; of.doubts = 0; of.waiting = 0; }
      return of;
    });
    await route.fulfill({ json: today });
  });
  await page.waitForTimeout(6500);
  await page.screenshot({ path: '/tmp/w/t2.png' });
  await expectAccessible(page).catch((e) => console.log(String(e).slice(0, 600)));
  console.log('height', await page.evaluate(() => document.documentElement.scrollHeight));
});
