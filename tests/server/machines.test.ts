/** Three database nodes, two web servers, a balancer, one node killed; `npm run drill` kills more. Where Galera is not installed it says so and is left out. */
import { expect, test } from 'vitest';
import { hasMachines } from '../../scripts/lib/needs.mjs';
import { BLOWS, drill, wrongIn } from '../../drills/drill';

const here = hasMachines() as boolean;
if (!here) process.stderr.write('LEFT OUT: the drill of several machines. It needs Debian’s packages galera-4, rsync and haproxy.\n');

test.runIf(here)('the node that is written to is killed while families send: nothing is lost, nothing old is read, and it comes back', async () => {
  const drilled = await drill({ seconds: 16, blows: [BLOWS.writer(4), BLOWS.nodeBack(8)], families: 4 });
  // How long it takes is measured by `npm run drill`, with nothing beside it.
  expect(wrongIn(drilled, Infinity)).toEqual([]);
  expect(drilled.acknowledged).toBeGreaterThan(15);
  expect(drilled.cameBack).toHaveLength(1);
});
