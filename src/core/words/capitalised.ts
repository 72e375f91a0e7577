import type { Words } from './words';

/** With its first letter large, as the language writes it. */
export const capitalised = (words: string, { tag }: Pick<Words, 'tag'>): string => words.charAt(0).toLocaleUpperCase(tag) + words.slice(1);
