import { desk } from './lib.tmp.mts';
const {b,page,put}=await desk();
await put('Harbour Mouth'); await page.screenshot({path:'/tmp/s1.png'});
await page.getByLabel('Floor, metres wide').click(); await page.keyboard.press('Control+A'); await page.keyboard.type('2.5'); await page.keyboard.press('Enter'); await page.waitForTimeout(500);
await page.getByRole('button',{name:'Set the marks'}).click(); await page.waitForTimeout(1500); await page.screenshot({path:'/tmp/s2.png'});
await put('Regatta Day'); await page.getByRole('button',{name:/^loop of string/}).focus(); await page.keyboard.press('ArrowLeft'); await page.waitForTimeout(1200); await page.screenshot({path:'/tmp/s3.png'});
console.log('scroll', await page.evaluate('document.documentElement.scrollHeight'));
await b.close();
