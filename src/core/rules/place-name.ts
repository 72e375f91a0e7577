/** What marks are called, from the nearest; by how many there are. */
export const PLACE_NAMES: Readonly<Record<number, readonly string[]>> = {
  1: [''],
  2: ['near', 'far'],
  3: ['near', 'middle', 'far'],
};

/** "near", "middle", "far", or "mark 4". */
export function placeName(index: number, n: number): string {
  return PLACE_NAMES[n]?.[index] ?? `mark ${index + 1}`;
}
