/**
 * What a family reads, in its language. Messages are ICU: the English sentence is the id, and where one English word means two things each
 * meaning has an id of its own, with the English as its message. The core knows this small interface; Lingui stands behind it in one file
 * (`speak.ts`), and the translator's files are in `messages/`.
 */

/** Names of things as values of a message: the bare name and the forms that a language with genders asks for. */
export type NounForms = Readonly<Record<string, string>>;

export type Values = Readonly<Record<string, string | number>>;

/** What stands beside an id: the English, where it is not the id, and what a translator should know. */
export interface Beside {
  readonly message?: string;
  readonly comment?: string;
}

export interface Words {
  /** BCP 47: for dates, figures, speech and the page. */
  readonly tag: string;
  readonly direction: 'ltr' | 'rtl';
  /** Messages of ours. The extraction finds `i18n.t('…')`, also as `words.i18n.t('…')`, and strings marked with an i18n comment. */
  readonly i18n: { readonly t: (id: string, values?: Values, beside?: Beside) => string };
  /**
   * What stands in a table or was written for a game, in this language where it knows it; else as it was written. Slots that are not given
   * stay as they are, in braces.
   */
  readonly own: (written: string, values?: Values) => string;
  /** True where this language has a text of its own for the message. */
  readonly knows: (id: string) => boolean;
  /** The name of a thing, in the plural above one. */
  readonly noun: (english: string, n?: number) => string;
  /** The name of a thing for a slot of a message: `{thing}`, and `{thing_a}`, `{thing_the}`, `{thing_of}`, `{thing_f}` where asked for. */
  readonly forms: (slot: string, english: string, n?: number) => NounForms;
  /** Words as they stand before others: French « si » before « il ». */
  readonly elided: (before: string, after: string) => string;
  /** A figure as it is written there, with so many decimals. */
  readonly figure: (value: number, decimals?: number) => string;
}
