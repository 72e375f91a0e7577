import { chromium, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
export async function desk(){ const log=readFileSync('/tmp/demo.log','utf8'); const pw=/tarn@strathfinlas.example\s+password (\S+)/.exec(log)![1]!;
const b=await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox','--disable-gpu','--no-first-run']});
const ctx=await b.newContext({viewport:{width:1280,height:800},baseURL:'http://127.0.0.1:3100'}); const page=await ctx.newPage();
page.on('console',m=>{ if(['error','warning'].includes(m.type())) console.log('CONSOLE',m.type(),m.text().slice(0,300)); }); page.on('pageerror',e=>console.log('PAGEERR',e.message.slice(0,300)));
await page.goto('/sign-in'); await page.getByLabel(/mail/i).fill('tarn@strathfinlas.example'); await page.getByLabel(/password/i).fill(pw); await page.keyboard.press('Enter'); await page.waitForURL('**/games');
const put = async (name:string)=>{ await page.goto('/games'); await page.getByRole('button',{name:/^Starter games/}).click(); await page.getByRole('button',{name:`Put ${name} on the shelf`}).click(); await page.waitForURL('**/games/*-*'); await page.getByText(/par \d+/).first().waitFor(); await page.waitForTimeout(1500); };
return {b,page,put}; }
