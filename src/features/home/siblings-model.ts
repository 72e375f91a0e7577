/** Signs by which children who share a device know their cards. No interface here. */

/** Outlines within −12 to 12: a drop, a sail, a fish, a shell, a star, a leaf, a pebble, a buoy. */
export const SIGNS = [
  'M0 -9C5 -2 7 1 7 4A7 7 0 0 1 -7 4C-7 1 -5 -2 0 -9Z',
  'M-2 -9V5H8C7 -1 3 -6 -2 -9ZM-8 7H8L5 10H-5Z',
  'M-9 0C-4 -7 3 -7 6 0L10 -5V5L6 0C3 7 -4 7 -9 0Z',
  'M-9 -1A9 9 0 0 1 9 -1L2 9H-2Z',
  'M0 -10L3 -3L10 -3L4 2L6 9L0 5L-6 9L-4 2L-10 -3L-3 -3Z',
  'M-8 8C-8 -4 0 -9 9 -9C9 1 3 8 -8 8Z',
  'M-9 2C-9 -5 -3 -7 2 -6C8 -5 10 0 8 4C6 8 -9 9 -9 2Z',
  'M-3 -10H3V-6L7 2H-7L-3 -6ZM-7 2H7L4 9H-4Z',
] as const;

function number(mark: string): number {
  let sum = 7;
  for (const letter of mark) sum = (sum * 31 + letter.charCodeAt(0)) % 9973;
  return sum;
}

/** For each child a sign that stays its own when others come; two never have the same while there are enough. */
export function signsOf(marks: readonly string[]): readonly number[] {
  const taken = new Map<string, number>();
  const used = new Set<number>();
  for (const mark of [...new Set(marks)].sort()) {
    let sign = number(mark) % SIGNS.length;
    for (let n = 0; n < SIGNS.length && used.has(sign); n += 1) sign = (sign + 1) % SIGNS.length;
    used.add(sign);
    taken.set(mark, sign);
  }
  return marks.map((mark) => taken.get(mark)!);
}
