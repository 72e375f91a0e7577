import { chromium } from '@playwright/test';
import { readFileSync } from 'node:fs';
const [,, base, secrets, script] = process.argv;
const { demoSignIns } = JSON.parse(readFileSync(secrets, 'utf8'));
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox','--disable-gpu'] });
const page = await (await b.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
page.on('pageerror', (e) => console.log('PAGEERROR', e.message.slice(0, 600)));
page.on('console', (m) => m.type() === 'error' && console.log('CONSOLE', m.text().slice(0, 400)));
const t = demoSignIns.find((s) => s.role === 'teacher');
await page.goto(base + '/sign-in'); await page.fill('input[type=email]', t.email); await page.fill('input[type=password]', t.password);
await page.click('button[type=submit]'); await page.waitForURL('**/games');
const starter = async (id) => { const g = await page.evaluate(async (s) => (await (await fetch('/api/v1/games/import',{method:'POST',headers:{'content-type':'application/json'},body:JSON.stringify({starter:s})})).json()).id, id); await page.goto(base + '/games/' + g); await page.waitForTimeout(1500); };
const blank = async (title='Blank', ageYears=8) => { const g = await page.evaluate(async (b) => (await (await fetch('/api/v1/games',{method:'POST',headers:{'content-type':'application/json'},body:JSON.stringify(b)})).json()).id, {blank:true,title,ageYears}); await page.goto(base + '/games/' + g); await page.waitForTimeout(1500); };
const shot = async (n) => page.screenshot({ path: `/tmp/s${n}.png` });
try { await (await import(script)).default({ page, starter, blank, shot, base, b }); } catch (e) { console.log('ERR', e.message.slice(0, 1500)); await shot('err'); }
await b.close();
