import { chromium } from '@playwright/test';
import { readFileSync } from 'node:fs';
const log=readFileSync('/tmp/demo.log','utf8'); const pw=/tarn@strathfinlas.example\s+password (\S+)/.exec(log)![1]!;
const b=await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox','--disable-gpu','--no-first-run']});
const ctx=await b.newContext({viewport:{width:1280,height:800},baseURL:'http://127.0.0.1:3100'}); const page=await ctx.newPage();
page.on('console',m=>{ if(['error','warning'].includes(m.type())) console.log('CONSOLE',m.type(),m.text().slice(0,300)); }); page.on('pageerror',e=>console.log('PAGEERR',e.message.slice(0,300)));
await page.goto('/sign-in'); await page.getByLabel(/mail/i).fill('tarn@strathfinlas.example'); await page.getByLabel(/password/i).fill(pw); await page.keyboard.press('Enter'); await page.waitForURL('**/games');
await page.getByRole('button',{name:/^Starter games/}).click();
const put = async (name:string)=>{ await page.goto('/games'); await page.getByRole('button',{name:/^Starter games/}).click(); await page.getByRole('button',{name:`Put ${name} on the shelf`}).click(); await page.waitForURL('**/games/*-*'); await page.getByText(/par \d+/).first().waitFor(); await page.waitForTimeout(1500); };
await put('Loch Frames'); await page.screenshot({path:'/tmp/s1.png'});
// move a single... drag the set and put the throw line aside so the rack is not shipped
const line=page.getByRole('button',{name:/mark: .* Arrow keys/}).first(); await line.focus(); for(let i=0;i<4;i++) await page.keyboard.press('ArrowUp');
await page.waitForTimeout(2500); await page.screenshot({path:'/tmp/s2.png'});
const p=page.getByRole('progressbar'); console.log('progress there', await p.count(), await p.count()? await p.getAttribute('value'):'' );
await page.waitForTimeout(20000); console.log('progress there', await p.count(), await p.count()? await p.getAttribute('value'):'' );
for (let i=0;i<30 && await p.count();i++) await page.waitForTimeout(1000);
await page.waitForTimeout(800); await page.screenshot({path:'/tmp/s3.png'});
await b.close();
