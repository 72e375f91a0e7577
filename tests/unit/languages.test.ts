import { describe, expect, it } from 'vitest';
import { french, FRENCH_NOUNS } from '@/core/words/french';
import { FRENCH_MESSAGES } from '@/core/words/french-messages';
import { pseudo, pseudoText } from '@/core/words/pseudo';
import { english } from '@/core/words/words';
import { askedInCode, askedInTables, nouns } from './messages';

const asked = new Set([...askedInCode(), ...askedInTables()]);
const slotsOf = (text: string) => [...new Set([...text.matchAll(/\{(\w+)/g)].map(([, name]) => name))].sort();
const texts = (message: (typeof FRENCH_MESSAGES)[string]) => (typeof message === 'string' ? [message] : Object.values(message));

describe('the French of the home pages, the paper and the shipped games', () => {
  it('says every message that a family may read', () => {
    expect([...asked].filter((message) => !(message in FRENCH_MESSAGES))).toEqual([]);
  });
  it('has no message that nobody asks for', () => {
    expect(Object.keys(FRENCH_MESSAGES).filter((message) => !asked.has(message))).toEqual([]);
  });
  it('names every thing of a house, and no other', () => {
    expect([...nouns()].filter((noun) => !FRENCH_NOUNS.includes(noun))).toEqual([]);
    expect(FRENCH_NOUNS.filter((noun) => !nouns().has(noun))).toEqual([]);
  });
  it('fills the same slots as the English, but where one of a kind needs no figure', () => {
    for (const [message, said] of Object.entries(FRENCH_MESSAGES))
      for (const text of texts(said)) {
        const extra = slotsOf(text).filter((slot) => !slotsOf(message).includes(slot));
        expect(extra, message).toEqual([]);
        if (typeof said === 'string') expect(slotsOf(text), message).toEqual(slotsOf(message));
      }
  });
  it('puts a space that does not break before a double mark', () => {
    expect(french.t('Who counts?')).toBe('Qui compte\u00a0?');
    for (const said of Object.values(FRENCH_MESSAGES)) for (const text of texts(said)) expect(text, text).not.toMatch(/\S[?!;:»](?!\w)|«\S/u);
  });
  it('bends articles: le, la, l’, du, de la, de l’', () => {
    const away = (noun: string) => french.t('Walk {steps} away from the {thing}.', { steps: '3 pas', thing: { noun } });
    expect(away('cardboard box')).toBe('Fais 3 pas à partir du carton.');
    expect(away('kitchen roll')).toBe('Fais 3 pas à partir du rouleau d’essuie-tout.');
    expect(away('saucepan')).toBe('Fais 3 pas à partir de la casserole.');
    expect(away('pillow')).toBe('Fais 3 pas à partir de l’oreiller.');
    expect(away('the red trunk')).toContain('red trunk');
  });
  it('counts none and one in the singular, as French does', () => {
    expect([0, 1, 2].map((n) => french.count(n, '1 minute', '{n} minutes'))).toEqual(['0 minute', '1 minute', '2 minutes']);
    expect([0, 1, 2].map((n) => english.count(n, '1 minute', '{n} minutes'))).toEqual(['0 minutes', '1 minute', '2 minutes']);
  });
  it('tells sides by the gender of hand and foot', () => {
    const point = french.t('Pick it up with your {hand} hand beside your {hand} foot.', { hand: { noun: 'right' }, other: { noun: 'left' } });
    expect(point).toBe('Ramasse-la de la main droite, à côté du pied droit.');
  });
});

describe('the language that tests make', () => {
  it('leaves slots and figures, and no Latin letter', () => {
    expect(pseudoText('Walk {steps} 3½ times')).toMatch(/^\P{Script=Latin}+\{steps\}\P{Script=Latin}+$/u);
    expect(pseudo.direction).toBe('rtl');
  });
});
