import { describe, expect, it } from 'vitest';
import { STARTERS } from '../examples/starters';
import { plainText, sentencesOf } from '@/core/rules/telling/sentences';
import { resolveLevel } from '@/core/rules/format/level';
import { counted } from '@/core/rules/telling/counted';
import { catalogueIn } from '@/core/rules/telling/languages';
import { american } from '@/core/words/american';
import { english } from '@/core/words/english';
import { TRANSLATED } from '@/core/words/compiled/all';
import { pseudo, pseudoText } from '@/core/words/pseudo';
import { languageOf, type LanguageFile } from '@/core/words/language-file';
import { translated } from '../../scripts/lib/translated.mjs';
import { askedFor, fileOf, nouns, said } from './messages';

const french = TRANSLATED['fr']!;

const asked = await askedFor();
const inEnglish = await said('en-GB');
const inFrench = await said('fr');
/** The slots of a message, without the forms of a noun and what only chooses a plural. */
const slotsOf = (text: string) => {
  const shown = text.includes('plural,') ? text.replace(/\b(one|other) \{((?:[^{}]|\{\w+\})*)\}/g, '$2') : text;
  return [...new Set([...shown.matchAll(/\{(\w+?)(_\w+)?\}/g)].map(([, name]) => name))].sort();
};

describe('the translator’s files', () => {
  it('hold every message that the code and the tables ask for, and no other', () => {
    for (const file of [inEnglish, inFrench]) expect([...file.keys()].sort()).toEqual(Object.keys(asked).sort());
  });
  it('French says all of them', () => {
    expect([...inFrench].filter(([, text]) => text === '').map(([id]) => id)).toEqual([]);
  });
  it('fill the same slots, but where one of a kind needs no figure', () => {
    for (const [id, text] of inFrench) {
      const english = inEnglish.get(id)!;
      const extra = slotsOf(text).filter((slot) => !slotsOf(english).includes(slot));
      expect(extra, id).toEqual([]);
      if (!english.includes('plural,')) expect(slotsOf(text), id).toEqual(slotsOf(english));
    }
  });
  it('give each plural the forms that its language has (CLDR, through the platform)', () => {
    for (const [locale, file] of [
      ['en-GB', inEnglish],
      ['fr', inFrench],
    ] as const) {
      const needed = locale === 'fr' ? ['one', 'other'] : new Intl.PluralRules(locale).resolvedOptions().pluralCategories;
      for (const [id, text] of file) {
        if (!text.includes('plural,')) continue;
        for (const form of needed) expect(text, id).toMatch(new RegExp(`\\b${form} \\{`));
      }
    }
  });
  it('a lone word of a screen has a name of its own that says what it means', () => {
    const lone = Object.entries(asked)
      .filter(([id, { origin = [] }]) => /^[^\s{]+$/.test(id) && origin.every(([file]) => file.startsWith('src/')))
      .map(([id]) => id);
    // Of these each has one meaning: marks of look-fors, how it felt, a measure, what stands on a floor.
    const oneMeaning = ['yes', 'sometimes', 'hard', 'easy', 'towels', 'cushions', 'radiator', 'lamp', 'plant', 'wall', 'rug'];
    expect(lone.filter((word) => !oneMeaning.includes(word))).toEqual([]);
  });
  it('put a space that does not break before a double mark of French', () => {
    expect(french.i18n.t('Who counts?')).toBe('Qui compte\u00a0?');
    for (const text of inFrench.values()) expect(text, text).not.toMatch(/[^\s}{][?!;:»](?!\w)|«\S/u);
  });
});

describe('a language beside English', () => {
  it.each(translated())('%s names every thing of a house, and no other', (tag) => {
    const { nouns: named } = fileOf(tag);
    expect([...nouns()].filter((noun) => !Object.hasOwn(named, noun))).toEqual([]);
    expect(Object.keys(named).filter((noun) => !nouns().has(noun))).toEqual([]);
  });
  it.each(translated())('%s gives each thing a kind that it has articles for, and the plurals of its rules (CLDR, through the platform)', (tag) => {
    const { nouns: named, articles = {} } = fileOf(tag);
    const rules = new Set([1, 2].map((n) => new Intl.PluralRules(tag).select(n)));
    for (const [noun, forms] of Object.entries(named)) {
      expect(Object.keys(forms), noun).toEqual(expect.arrayContaining([...rules]));
      if (Object.keys(articles).length > 0) expect(Object.keys(articles), noun).toContain(forms['kind']);
    }
  });
  it('is its two files and no code: three plurals, right to left, another order of words', () => {
    const made: LanguageFile = {
      name: 'Made up',
      inEnglish: 'Made up',
      direction: 'rtl',
      cautionsRead: false,
      articles: { big: { the: '{x}-DA', a: '{x}-EN' }, small: { the: '{x}-di' } },
      nouns: { bucket: { kind: 'big', one: 'KOVA', few: 'KOVY', many: 'KOVE', other: 'KOVA' }, coin: { kind: 'small', one: 'para', other: 'pary' } },
    };
    // Polish has one, few and many; what is put together here is no Polish.
    const words = languageOf('pl', made, { 'Take the {thing}.': ['‹', ['thing_the'], '›'] });
    expect(words.direction).toBe('rtl');
    expect(words.i18n.t('Take the {thing}.', words.forms('thing', 'bucket'))).toBe('‹KOVA-DA›');
    expect(words.i18n.t('Take the {thing}.', words.forms('thing', 'coin'))).toBe('‹para-di›');
    expect([1, 2, 5].map((n) => words.noun('bucket', n))).toEqual(['KOVA', 'KOVY', 'KOVE']);
    expect(words.forms('thing', 'coin')['thing_a']).toBe('para');
    expect(words.noun('a school’s own trunk')).toBe('a school’s own trunk');
    expect(words.i18n.t('Not translated yet')).toBe('Not translated yet');
  });
});

describe('French', () => {
  it('says « s’il », in every rule of every starter, in both voices', () => {
    const told = STARTERS.flatMap(({ game }) =>
      (['precise', 'child'] as const).flatMap((audience) => sentencesOf(resolveLevel(game, 0), audience, catalogueIn(french)).map(plainText)),
    ).join(' ');
    expect(told).toMatch(/S’il /);
    expect(told).not.toMatch(/\bsi ils?\b/i);
    // Teachers too: what is left, and a player of either kind.
    expect(french.elided('Sinon, si ', 'il en reste 3')).toBe('Sinon, s’');
    expect(french.elided('Si ', 'elle reste')).toBe('Si ');
    expect(french.elided('Si ', 'illuminée')).toBe('Si ');
  });
  it('begins and ends with a space where the English does: words that join others', () => {
    const pairs = (one: unknown, other: unknown): [string, string][] =>
      typeof one === 'string'
        ? [[one, other as string]]
        : Object.entries(one as object).flatMap(([key, inner]) => pairs(inner, (other as Record<string, unknown>)[key]));
    const ends = (text: string) => [/^\s/.test(text), /\s$/.test(text)];
    for (const [british, translated] of pairs(catalogueIn(english).general, catalogueIn(french).general))
      expect(ends(translated), `${british} / ${translated}`).toEqual(ends(british));
  });
  it('bends articles: le, la, l’, du, de la, de l’', () => {
    const away = (noun: string) =>
      french.i18n.t('Walk {steps} away from the {thing}{also}.', { steps: '3 pas', also: '', ...french.forms('thing', noun) });
    expect(away('cardboard box')).toBe('Fais 3 pas à partir du carton.');
    expect(away('kitchen roll')).toBe('Fais 3 pas à partir du rouleau d’essuie-tout.');
    expect(away('saucepan')).toBe('Fais 3 pas à partir de la casserole.');
    expect(away('pillow')).toBe('Fais 3 pas à partir de l’oreiller.');
    expect(away('the red trunk')).toContain('red trunk');
  });
  it('counts none and one in the singular, as French does', () => {
    const minutes = (words: typeof french, n: number) => words.i18n.t('{n, plural, one {1 minute} other {{n} minutes}}', { n });
    expect([0, 1, 2].map((n) => minutes(french, n))).toEqual(['0 minute', '1 minute', '2 minutes']);
    expect([0, 1, 2].map((n) => minutes(english, n))).toEqual(['0 minutes', '1 minute', '2 minutes']);
    expect([0, 1, 2].map((n) => counted(n, 'points', french))).toEqual(['point', 'point', 'points']);
    expect([0, 1, 2].map((n) => counted(n, 'my own stars', french))).toEqual(['my own stars', 'my own star', 'my own stars']);
  });
  it('tells sides by the gender of hand and foot', () => {
    const sides = { ...french.forms('hand', 'right'), ...french.forms('other', 'left') };
    expect(french.own('Pick it up with your {hand} hand beside your {hand} foot.', sides)).toBe(
      'Ramasse-la de la main droite, à côté du pied droit.',
    );
  });
  it('keeps the meanings of one English word apart: a ball that hits, five hits of a teacher’s own', () => {
    expect(catalogueIn(french).plain.does.upright).toBe('touche');
    expect([1, 5].map((n) => counted(n, 'hits', french))).toEqual(['touche', 'touches']);
    expect(french.own('Back')).toBe('Back');
    expect(french.i18n.t('Back (to the screen before)', {}, { message: 'Back' })).toBe('Retour');
  });
});

describe('English', () => {
  it('says the message, not its name, and fills the slots of the rest', () => {
    expect(english.i18n.t('Back (to the screen before)', {}, { message: 'Back' })).toBe('Back');
    expect(english.i18n.t('mark {n}', { n: 4 })).toBe('mark 4');
    expect(english.own('Set it out as {who} did')).toBe('Set it out as {who} did');
  });
  it('of America says what it says otherwise, and the rest as in Britain', () => {
    expect(catalogueIn(american).general.precise.whenLevel).toBe('Only if it is tied:');
    expect(american.i18n.t('mark {n}', { n: 4 })).toBe('mark 4');
    expect(american.noun('football', 2)).toBe('soccer balls');
  });
});

describe('the language that tests make', () => {
  it('leaves slots and figures, and no Latin letter', () => {
    expect(pseudoText('Walk {steps} 3½ times')).toMatch(/^\P{Script=Latin}+\{steps\}\P{Script=Latin}+$/u);
    expect(pseudo.i18n.t('mark {n}', { n: 4 })).toMatch(/^\P{Script=Latin}+ 4$/u);
    expect(pseudo.direction).toBe('rtl');
  });
});
