import { english } from '../../words/english';
import type { Words } from '../../words/words';

type Place = 'near' | 'middle' | 'far';

/** What marks are called, from the nearest; by how many there are. */
const PLACE_NAMES: Readonly<Record<number, readonly (Place | '')[]>> = {
  1: [''],
  2: ['near', 'far'],
  3: ['near', 'middle', 'far'],
};

function said(place: Place | '', { i18n }: Words): string {
  switch (place) {
    case 'near':
      return i18n.t('near (a mark)', {}, { message: 'near' });
    case 'middle':
      return i18n.t('middle (a mark)', {}, { message: 'middle' });
    case 'far':
      return i18n.t('far (a mark)', {}, { message: 'far' });
    case '':
      return '';
  }
}

/** "far mark", "mark 4"; "mark" where there is one. */
export function placeMark(index: number, n: number, words: Words = english): string {
  if (n === 1) return words.i18n.t('mark (a place to stand, the only one)', {}, { message: 'mark' });
  const place = placeName(index, n, words);
  return PLACE_NAMES[n] ? words.i18n.t('{place} mark', { place }) : place;
}

/** "near", "middle", "far", or "mark 4". */
export function placeName(index: number, n: number, words: Words = english): string {
  const name = PLACE_NAMES[n]?.[index];
  return name === undefined ? words.i18n.t('mark {n}', { n: index + 1 }) : said(name, words);
}
