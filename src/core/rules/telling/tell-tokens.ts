/** Sentences as they are made: text, slots, templates filled with either, and lists joined with words. */
import type { SlotEditor, Token } from './tokens';

export type Slots = Readonly<Record<string, readonly Token[]>>;

export const text = (words: string): Token => ({ kind: 'text', text: words });
export const said = (words: string): readonly Token[] => (words === '' ? [] : [text(words)]);

export function number(pointer: string, label: string, value: number, min: number, max: number, step = 1): Token {
  return { kind: 'slot', slot: pointer, label, text: `${value}`, editor: { kind: 'number', value, min, max, step } };
}

export function choice<K extends string>(pointer: string, label: string, value: K, labels: Readonly<Record<K, string>>): Token {
  const options = (Object.keys(labels) as K[]).map((option) => ({ value: option as string, label: labels[option] }));
  const editor: SlotEditor = { kind: 'choice', value, options };
  return { kind: 'slot', slot: pointer, label, text: labels[value], editor };
}

export function words(pointer: string, label: string, value: string, maxLength: number): Token {
  return { kind: 'slot', slot: pointer, label, text: value, editor: { kind: 'text', value, maxLength } };
}

export function fill(template: string, slots: Slots): Token[] {
  const tokens: Token[] = [];
  for (const piece of template.split(/(\{\w+\})/)) {
    if (piece === '') continue;
    const name = /^\{(\w+)\}$/.exec(piece)?.[1];
    if (name === undefined) tokens.push(text(piece));
    else tokens.push(...(slots[name] ?? []));
  }
  return tokens;
}

export function joined(lists: readonly (readonly Token[])[], last: string, between = ', '): Token[] {
  return lists.flatMap((list, index) => (index === 0 ? [...list] : [text(index === lists.length - 1 ? last : between), ...list]));
}

function withFirst(tokens: readonly Token[], change: (letter: string) => string): Token[] {
  const [first, ...rest] = tokens;
  return first ? [{ ...first, text: change(first.text.charAt(0)) + first.text.slice(1) }, ...rest] : [];
}

/** With a capital where a sentence begins, also of a slot; and without one where it goes on behind a colon. */
export const capital = (tokens: readonly Token[]): Token[] => withFirst(tokens, (letter) => letter.toLocaleUpperCase('en-GB'));
export const uncapital = (tokens: readonly Token[]): Token[] => withFirst(tokens, (letter) => letter.toLocaleLowerCase('en-GB'));
