/** Days, times and scores as the home pages say them. */
import { counted } from '@/core/rules/telling/counted';
import { english } from '@/core/words/english';
import type { Words } from '@/core/words/words';
import type { KeptPlay } from './store';

export function timeWords(instant: string, tag = 'en-GB'): string {
  return new Intl.DateTimeFormat(tag, { hour: '2-digit', minute: '2-digit' }).format(new Date(instant));
}

/** What was kept of a problem, said in the family's language. */
export function linesWords(lines: string, { own }: Words): string {
  return lines
    .split('\n')
    .map((line) => own(line))
    .join(' ');
}

/** The day it is on this device, ISO 8601. */
export function todayHere(now = new Date()): string {
  return `${now.getFullYear()}-${String(now.getMonth() + 1).padStart(2, '0')}-${String(now.getDate()).padStart(2, '0')}`;
}

/** "Blair T., Lantern Quay: 34 points, 29 points": a score as a message to the school tells it. */
export function scoreTextOf(name: string, { title, report }: Pick<KeptPlay, 'title' | 'report'>, words: Words): string {
  const scores = report.goes.map(({ total, unit }) => scoreWords(total, unit, words)).join(', ');
  return `${name === '' ? '' : `${name}, `}${words.own(title)}: ${scores}`;
}

/** "14 points", "23 cm", "not finished". */
export function scoreWords(total: number | null, unit: string, words = english): string {
  if (total === null) return words.i18n.t('not finished');
  return unit === 'mm' ? `${words.figure(total / 10, total % 10 === 0 ? 0 : 1)} cm` : `${total} ${counted(total, unit, words)}`;
}
