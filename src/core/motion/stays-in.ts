/**
 * The share of balls inside an opening that stay there. Rigid-body figures of a prototype, itself not checked against real balls: a ball of
 * restitution .73 stays in a basket 0.30 m deep 62, 9 and 7 times in 100 at an entry of 35°, 50° and 65°, in one of 0.60 m 81, 82 and 48
 * times; .5 stays 84–90, .3 86–97 times, whatever the depth. Between these the share is read on straight lines.
 */
const ENTRY_DEG = [35, 50, 65] as const;
const LIVELY = { shallow: [0.62, 0.09, 0.07], deep: [0.81, 0.82, 0.48] } as const;
const LIVELY_E = 0.73;
const MIDDLING = { e: 0.5, stays: 0.87 } as const;
const DULL = { e: 0.3, stays: 0.92 } as const;
/** At this restitution and below a ball whose middle is inside stays, nearly always. */
const DEAD = { e: 0.2, stays: 1 } as const;
const SHALLOW_M = 0.3;
const DEEP_M = 0.6;

function line(x: number, x0: number, x1: number, y0: number, y1: number): number {
  const share = Math.min(1, Math.max(0, (x - x0) / (x1 - x0)));
  return y0 + share * (y1 - y0);
}

function atEntry(table: readonly [number, number, number], entryDeg: number): number {
  return entryDeg <= ENTRY_DEG[1]
    ? line(entryDeg, ENTRY_DEG[0], ENTRY_DEG[1], table[0], table[1])
    : line(entryDeg, ENTRY_DEG[1], ENTRY_DEG[2], table[1], table[2]);
}

/**
 * Share 0–1 that stays. `depthM` is how deep the opening is, `apexM` how high above its rim the ball has been: none bounces out when
 * e²(H + d − r) < d − r.
 */
export function staysShare(restitution: number, depthM: number, entryRad: number, apexM: number, radiusM: number): number {
  if (restitution * restitution * (apexM + depthM - radiusM) < depthM - radiusM && restitution <= DULL.e) return DEAD.stays;
  const entryDeg = (Math.max(0, entryRad) * 180) / Math.PI;
  const lively = line(depthM, SHALLOW_M, DEEP_M, atEntry(LIVELY.shallow, entryDeg), atEntry(LIVELY.deep, entryDeg));
  if (restitution >= MIDDLING.e) return line(restitution, MIDDLING.e, LIVELY_E, MIDDLING.stays, lively);
  if (restitution >= DULL.e) return line(restitution, DULL.e, MIDDLING.e, DULL.stays, MIDDLING.stays);
  return line(restitution, DEAD.e, DULL.e, DEAD.stays, DULL.stays);
}
