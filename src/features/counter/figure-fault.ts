/** What is wrong with a figure that was typed, in words. */
import type { FigureRange, ReadFigure } from '@/core/words/read-figure';
import type { Words } from '@/core/words/words';

export function figureFault(why: Extract<ReadFigure, { ok: false }>['why'], { least, most }: FigureRange, { i18n }: Words): string {
  if (why === 'none') return i18n.t('That is no number.');
  if (why === 'whole') return i18n.t('Only whole numbers here.');
  return why === 'least' ? i18n.t('It is {n} or more.', { n: least }) : i18n.t('It is {n} at most.', { n: most });
}
