import { english } from '../words/words';

/** What marks are called, from the nearest; by how many there are. */
export const PLACE_NAMES: Readonly<Record<number, readonly string[]>> = {
  1: [''],
  2: ['near', 'far'],
  3: ['near', 'middle', 'far'],
};

/** "far mark", "mark 4"; "mark" where there is one. */
export function placeMark(index: number, n: number, words = english): string {
  if (n === 1) return words.t('mark');
  const place = placeName(index, n, words);
  return PLACE_NAMES[n] ? words.t('{place} mark', { place }) : place;
}

/** "near", "middle", "far", or "mark 4". */
export function placeName(index: number, n: number, words = english): string {
  const name = PLACE_NAMES[n]?.[index];
  return name === undefined ? words.t('mark {n}', { n: index + 1 }) : words.t(name);
}
