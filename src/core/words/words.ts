/**
 * What a family reads, in its language. The English sentence is the key of its message: English needs no catalogue, and a language that
 * lacks a message shows the English. Slots stand in braces; names of things are given as nouns, so that a language with genders can ask
 * for "the", "a", "of the" or "to the" of one: `{thing:the}`.
 */

/** The name of a thing; with `n` above one its plural. */
export interface NounSlot {
  readonly noun: string;
  readonly n?: number;
}

export type Slots = Readonly<Record<string, string | number | NounSlot>>;

/** Texts for the plural rules of a language (CLDR); "other" is always there. */
export type Plurals = Readonly<Partial<Record<Intl.LDMLPluralRule, string>> & { other: string }>;
export type Message = string | Plurals;

/** What a language brings. */
export interface Language {
  /** BCP 47: for dates, figures, speech and the page. */
  readonly tag: string;
  readonly direction: 'ltr' | 'rtl';
  readonly message: (english: string) => Message | undefined;
  /** A name in a form that this language's messages ask for; "bare" where none is. */
  readonly noun: (english: string, form: string, n: number) => string;
}

export interface Words {
  readonly tag: string;
  readonly direction: 'ltr' | 'rtl';
  /** One message. What has none, such as the words of a teacher, comes back as it is. */
  readonly t: (english: string, slots?: Slots) => string;
  /** One of two messages by a number, which fills {n}. The English plural is the key. */
  readonly count: (n: number, one: string, other: string, slots?: Slots) => string;
  /** A figure as it is written there, with so many decimals. */
  readonly figure: (value: number, decimals?: number) => string;
}

/** Marks a message that stands in a table and is asked for from there, so that the catalogues are checked for it. */
export const message = <T extends string>(english: T): T => english;

const SLOT = /\{(\w+)(?::([\w-]+))?\}/g;

export function wordsIn(language: Language): Words {
  const plural = new Intl.PluralRules(language.tag);
  const figures = (decimals: number) =>
    new Intl.NumberFormat(language.tag, {
      minimumFractionDigits: decimals,
      maximumFractionDigits: decimals,
      useGrouping: false,
      numberingSystem: 'latn',
    });
  const figure = (value: number, decimals = 0) => figures(decimals).format(value);
  const fill = (template: string, slots: Slots) =>
    template.replace(SLOT, (whole, name: string, form: string | undefined) => {
      const value = slots[name];
      if (value === undefined) return whole;
      if (typeof value === 'object') return language.noun(value.noun, form ?? 'bare', value.n ?? 1);
      return typeof value === 'number' ? `${value}` : value;
    });
  const pick = (found: Message, n: number) => (typeof found === 'string' ? found : (found[plural.select(n)] ?? found.other));
  return {
    tag: language.tag,
    direction: language.direction,
    t: (english, slots = {}) => {
      const found = language.message(english) ?? english;
      return fill(typeof found === 'string' ? found : found.other, slots);
    },
    count: (n, one, other, slots = {}) => {
      const found = language.message(other);
      return fill(found === undefined ? (n === 1 ? one : other) : pick(found, n), { n, ...slots });
    },
    figure,
  };
}

/** "boxes" for "box": how English makes a plural of the things that are in a house. */
const many = (words: string) => (words.endsWith('s') ? words : /(x|ch|sh)$/.test(words) ? `${words}es` : `${words}s`);

export const english: Words = wordsIn({
  tag: 'en-GB',
  direction: 'ltr',
  message: () => undefined,
  noun: (noun, _form, n) => (n > 1 ? many(noun) : noun),
});
