/** npm run stays-in: works out with rigid bodies which share of the balls that come into a basket stays there. Takes some minutes. */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import RAPIER from '@dimforge/rapier3d-compat';
import { staysInBasket } from '@/core/motion/rigid-basket';
import type { Give } from '@/core/objects/shapes';

const AXES = {
  restitution: [0.3, 0.45, 0.6, 0.75],
  clearM: [0.06, 0.15, 0.27, 0.57],
  entryDeg: [30, 45, 60, 75],
  apexM: [0.2, 0.4, 0.7, 1.1, 1.8],
} as const;
const GIVES: readonly Give[] = ['plastic', 'pail', 'cardboard', 'wicker'];
const RADIUS_M = 0.034;
/** Shots of a cell: all along the opening, in baskets of several widths, a little flatter and steeper, from a little lower and higher. */
const ALONG = 12;
const VARIED = [
  { widthM: 0.28, steeperDeg: -5, apexShare: 1.1 },
  { widthM: 0.34, steeperDeg: 5, apexShare: 0.85 },
  { widthM: 0.4, steeperDeg: 0, apexShare: 1 },
  { widthM: 0.45, steeperDeg: -3, apexShare: 0.9 },
  { widthM: 0.52, steeperDeg: 3, apexShare: 1.15 },
] as const;

await RAPIER.init();
const shares: Record<string, number[]> = {};
for (const give of GIVES) {
  const cells: number[] = [];
  for (const restitution of AXES.restitution)
    for (const clearM of AXES.clearM)
      for (const entryDeg of AXES.entryDeg)
        for (const apexM of AXES.apexM) {
          let stay = 0;
          for (let along = 0; along < ALONG; along += 1)
            for (const { widthM, steeperDeg, apexShare } of VARIED)
              if (
                staysInBasket(RAPIER, {
                  give,
                  restitution,
                  radiusM: RADIUS_M,
                  depthM: clearM + RADIUS_M,
                  widthM,
                  entryRad: ((entryDeg + steeperDeg) * Math.PI) / 180,
                  apexM: apexM * apexShare,
                  along: (2 * along + 1) / ALONG - 1,
                  across: 0,
                })
              )
                stay += 1;
          cells.push(Math.round((1000 * stay) / (ALONG * VARIED.length)) / 1000);
        }
  shares[give] = cells;
  process.stdout.write(`${give} done\n`);
}
writeFileSync(join(import.meta.dirname, '../core/motion/stays-in.json'), `${JSON.stringify({ axes: AXES, shares })}\n`);
