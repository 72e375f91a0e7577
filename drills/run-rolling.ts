/**
 * npm run drill:rolling -- FOLDER: from the version before, whose build is in FOLDER (`git worktree add FOLDER COMMIT`, then `npm run build` there), to
 * this one without a stop: families and teachers at work over three database nodes and two web servers. Into the guide.
 */
import { UNDONE } from './undone';
import { BLOWS, drill } from './drill';
import { conclude, reportOf } from './report-of';

const [folder] = process.argv.slice(2);
if (!folder) throw new Error('Say in which folder the build of the version before is.');
const SECONDS = 50;
const drilled = await drill({
  seconds: SECONDS,
  blows: [BLOWS.migrated(8), BLOWS.renewed(16, 0), BLOWS.renewed(30, 1)],
  from: { folder, undone: UNDONE, fromS: 11 },
  say: (line) => process.stdout.write(`${line}\n`),
});
const text = reportOf(drilled, SECONDS);
conclude('rolling', drilled, text);
