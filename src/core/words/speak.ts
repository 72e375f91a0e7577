/** A language spoken by Lingui: compiled ICU messages, and beside them the names of things with their genders. */
import { setupI18n, type Messages } from '@lingui/core';
import type { Values, Words } from './words';

/** The forms of a noun that messages may ask for beside the bare one; "f": a side beside a feminine noun. */
const NOUN_FORMS = ['a', 'the', 'of', 'f'] as const;
export type NounForm = 'bare' | (typeof NOUN_FORMS)[number];

/** What a language brings. */
export interface Language {
  /** BCP 47. */
  readonly tag: string;
  readonly direction: 'ltr' | 'rtl';
  /** As the translator's file is compiled; English leaves out what is its own id, or its message in the code, but for plurals. */
  readonly messages: Readonly<Record<string, unknown>>;
  /** A name in a form that this language's messages ask for. */
  readonly noun: (english: string, form: NounForm, n: number) => string;
  readonly elided?: Words['elided'];
}

/** Stands for slots that are not filled yet: each comes out as it was, in braces. */
export const keptSlots = (values: Values): Values =>
  new Proxy(values, { get: (given, name) => (typeof name === 'string' ? (given[name] ?? `{${name}}`) : undefined) });

export function speak({ tag, direction, messages, noun, elided = (before) => before }: Language): Words {
  const i18n = setupI18n({ locale: tag, messages: { [tag]: messages as Messages } });
  const knows = (id: string) => Object.hasOwn(messages, id);
  const figures = new Map<number, Intl.NumberFormat>();
  const figuresOf = (decimals: number) => {
    const known =
      figures.get(decimals) ??
      new Intl.NumberFormat(tag, {
        minimumFractionDigits: decimals,
        maximumFractionDigits: decimals,
        useGrouping: false,
        numberingSystem: 'latn',
      });
    figures.set(decimals, known);
    return known;
  };
  return {
    tag,
    direction,
    knows,
    i18n: { t: (id, values, beside) => (knows(id) ? i18n._(id, { ...values }) : filled(beside?.message ?? id, values)) },
    own: (written, values = {}) => (knows(written) ? i18n._(written, keptSlots(values)) : filled(written, values)),
    noun: (english, n = 1) => noun(english, 'bare', n),
    forms: (slot, english, n = 1) => ({
      [slot]: noun(english, 'bare', n),
      ...Object.fromEntries(NOUN_FORMS.map((form) => [`${slot}_${form}`, noun(english, form, n)])),
    }),
    elided,
    figure: (value, decimals = 0) => figuresOf(decimals).format(value),
  };
}

/** English as it stands in the code, and what no language knows, such as the words of a teacher: only the slots are filled. */
const filled = (written: string, values: Values = {}) => written.replace(/\{(\w+)\}/g, (whole, name: string) => `${values[name] ?? whole}`);
