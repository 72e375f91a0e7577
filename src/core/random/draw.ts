/**
 * Draws by hash instead of by stream: the same (seed, play, attempt, purpose) gives the same number whatever else changed,
 * so that moving one mark does not reshuffle every other throw and figures do not flicker while somebody drags.
 * The mixing step is the 32-bit finaliser of MurmurHash3 (A. Appleby, public domain). Integers only: equal on every machine.
 */

/** What a draw is for, as the salt that keeps draws for different things apart. */
export const PURPOSE = {
  outcome: 0x3c6ef372,
  choice: 0x1f83d9ab,
  aimTime: 0x5be0cd19,
  skill: 0x510e527f,
  demo: 0x27d4eb2f,
} as const;

export type DrawPurpose = (typeof PURPOSE)[keyof typeof PURPOSE];

function mix32(value: number): number {
  let h = value | 0;
  h ^= h >>> 16;
  h = Math.imul(h, 0x85ebca6b);
  h ^= h >>> 13;
  h = Math.imul(h, 0xc2b2ae35);
  h ^= h >>> 16;
  return h >>> 0;
}

/** What the draws of one play for one purpose have in common: worked out once a play, for loops that draw often. */
export function playHash(seed: number, play: number, purpose: DrawPurpose): number {
  return mix32(mix32(seed ^ purpose) + Math.imul(play + 1, 0x9e3779b1));
}

/** The draw of an attempt from the hash of its play: the same as drawU32. */
export function attemptDraw(hash: number, attempt: number): number {
  return mix32(hash + Math.imul(attempt + 1, 0x85ebca77));
}

/** A uniform unsigned 32-bit integer for this attempt of this play. */
export function drawU32(seed: number, play: number, attempt: number, purpose: DrawPurpose): number {
  return attemptDraw(playHash(seed, play, purpose), attempt);
}

/** A uniform number in [0, 1). */
export function drawUnit(seed: number, play: number, attempt: number, purpose: DrawPurpose): number {
  return drawU32(seed, play, attempt, purpose) / 0x1_0000_0000;
}

/** The threshold below which a 32-bit draw counts as "it happened"; chances are rounded first so that every machine agrees. */
export function chanceThreshold(chance: number): number {
  const rounded = Math.round(Math.min(1, Math.max(0, chance)) * 1e6) / 1e6;
  return Math.min(0xffffffff, Math.floor(rounded * 0x1_0000_0000));
}
