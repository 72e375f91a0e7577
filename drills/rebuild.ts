/** npm run rebuild [-- starter …]: every starter built again from a blank floor by hand in the browser, and compared with the one that ships. */
import { asPlayed } from '../tests/examples/rebuild';
import { STARTERS } from '../tests/examples/starters';
import { withDemo } from '../scripts/demo-stack';
import { savedGame } from '../tests/browser/by-hand';
import { signInAs } from '../tests/browser/people';
import { rebuildByHand } from './rebuild-by-hand';

const asked = process.argv.slice(2);
const counts = { same: 0, other: 0 };

/** Where two values part, with what they hold there. */
function differences(wanted: unknown, built: unknown, at: string): string[] {
  const inside = (node: unknown): node is Record<string, unknown> => typeof node === 'object' && node !== null;
  if (!inside(wanted) || !inside(built)) return wanted === built ? [] : [`${at} is ${JSON.stringify(built)}, wanted ${JSON.stringify(wanted)}`];
  return [...new Set([...Object.keys(wanted), ...Object.keys(built)])].flatMap((key) => differences(wanted[key], built[key], `${at}/${key}`));
}

await withDemo(async (browser, address) => {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: address })).newPage();
  page.setDefaultTimeout(15_000);
  await signInAs(page);
  for (const { id, game } of STARTERS) {
    if (asked.length > 0 && !asked.includes(id)) continue;
    let told: string;
    try {
      await rebuildByHand(page, game);
      const built = asPlayed(await savedGame(page));
      const [where] = differences(asPlayed(game), built, '');
      told = where === undefined ? 'the same' : `NOT the same: ${where}`;
    } catch (error) {
      told = `stopped: ${(error as Error).message.split('\n')[0]}`;
    }
    counts[told === 'the same' ? 'same' : 'other'] += 1;
    process.stdout.write(`${id.padEnd(20)} ${told}\n`);
  }
});
process.stdout.write(`${counts.same} built again, ${counts.other} not\n`);
if (counts.other > 0) process.exitCode = 1;
