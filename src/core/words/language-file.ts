/** A language as its two files in messages/ bring it: the translator's messages, and beside them what it is and how it names things. */
import { capitalised } from './capitalised';
import { speak, type NounForm } from './speak';
import type { Words } from './words';

type Article = 'the' | 'a' | 'of';

/** messages/TAG.json. What a language has no use for is left out. */
export interface LanguageFile {
  /** Under its own name, and as teachers who read English know it. */
  readonly name: string;
  readonly inEnglish: string;
  readonly direction: 'ltr' | 'rtl';
  /** Whether somebody who speaks it has read its cautions; until then the school's own words stand below them. */
  readonly cautionsRead: boolean;
  /** Marks of two parts (! ? : ; »), and what follows «, stand apart by a space that does not break. */
  readonly spacedMarks?: boolean;
  /** By kind of noun (gender or class), with {x} for the name. */
  readonly articles?: Readonly<Record<string, Readonly<Partial<Record<Article, string>>>>>;
  /** Where a name begins with one of these letters. */
  readonly beforeVowel?: { readonly letters: string } & Readonly<Partial<Record<Article, string>>>;
  /** A name that is not known, such as a school's own, in a sentence. */
  readonly unknown?: string;
  /** Words that bend beside a noun of this kind: `{hand_f}`. */
  readonly beside?: Readonly<Record<string, Readonly<Record<string, string>>>>;
  /** Words that lose their end before others. */
  readonly elided?: readonly { readonly word: string; readonly before: readonly string[]; readonly becomes: string }[];
  /** By the English name: its kind, and its forms by the plural rules of the platform (one, few, many, other …). */
  readonly nouns: Readonly<Record<string, Readonly<Record<string, string>>>>;
}

/** Puts the spaces of a language that sets its marks apart. */
const spaced = (text: string) => text.replace(/ ([:;?!»])/g, '\u00a0$1').replace(/« /g, '«\u00a0');

const into = (pattern: string, name: string) => pattern.replace('{x}', name);

export function languageOf(tag: string, file: LanguageFile, messages: Readonly<Record<string, unknown>>): Words {
  const plural = new Intl.PluralRules(tag);
  const set = file.spacedMarks ? spaced : (text: string) => text;
  function noun(english: string, form: NounForm, n: number): string {
    if (form === 'f') return file.beside?.['f']?.[english] ?? english;
    const known = file.nouns[english];
    if (!known) return form === 'bare' || !file.unknown ? english : into(file.unknown, english);
    const one = known['one'] ?? known['other']!;
    if (form === 'bare') return known[plural.select(n)] ?? known['other'] ?? one;
    const startsSo = file.beforeVowel && [...file.beforeVowel.letters].includes(one.slice(0, 1).toLocaleLowerCase(tag));
    const pattern = (startsSo && file.beforeVowel?.[form]) || file.articles?.[known['kind'] ?? '']?.[form];
    return pattern ? into(pattern, one) : one;
  }
  const elided = (before: string, after: string) => {
    for (const { word, before: starts, becomes } of file.elided ?? []) {
      const [end] = new RegExp(`(?<=^|[^\\p{L}])${word} $`, 'iu').exec(before) ?? [];
      if (end === undefined || !new RegExp(`^(?:${starts.join('|')})(?!\\p{L})`, 'iu').test(after)) continue;
      const shown = end.startsWith(word) ? becomes : capitalised(becomes, { tag });
      return before.slice(0, before.length - end.length) + shown;
    }
    return before;
  };
  return speak({ tag, direction: file.direction, messages, noun: (english, form, n) => set(noun(english, form, n)), elided });
}
