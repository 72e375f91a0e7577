/** What sentences are made of: text, and slots that can be edited where they stand. */
export type Audience = 'precise' | 'child';

export type SlotEditor =
  | { readonly kind: 'number'; readonly value: number; readonly min: number; readonly max: number; readonly step: number }
  | { readonly kind: 'choice'; readonly value: string; readonly options: readonly { readonly value: string; readonly label: string }[] }
  | { readonly kind: 'text'; readonly value: string; readonly maxLength: number };

export type Token =
  | { readonly kind: 'text'; readonly text: string }
  | { readonly kind: 'slot'; readonly slot: string; readonly label: string; readonly text: string; readonly editor: SlotEditor };

export type Sentence = readonly Token[];
