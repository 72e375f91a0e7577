/**
 * Compiles the translator's files of messages/ into what the application loads: one file a language, next to the core's words. British
 * English leaves out what the code says itself, but for plurals; American holds only what it says otherwise. A message that French lacks,
 * or that is no ICU, stops the build with its name.
 */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './needs.mjs';
import { Stop } from './say.mjs';

export const MESSAGES = join(root, 'src/core/words/compiled');

/** "fr" must be whole; American English says only what it says otherwise. */
const WHOLE = ['en-GB', 'fr'];

/** Every string of a compiled message put through `say`, slots and plural rules left alone. */
function through(message, say) {
  if (typeof message === 'string') return say(message);
  return message.map((token) => {
    if (typeof token === 'string') return say(token);
    const [slot, kind, cases] = token;
    if (typeof cases !== 'object') return token;
    return [slot, kind, Object.fromEntries(Object.entries(cases).map(([rule, one]) => [rule, rule === 'offset' ? one : through(one, say)]))];
  });
}

const each = (messages, say) => Object.fromEntries(Object.entries(messages).map(([id, message]) => [id, through(message, say)]));

/** A double mark of French stands after a space that does not break. */
const typeset = (text) => text.replace(/ ([:;?!»])/g, '\u00a0$1').replace(/« /g, '«\u00a0');

/** The language that tests make: each letter becomes one of the Hebrew block (`core/words/pseudo.ts`). */
const pseudo = (text) => text.replace(/[a-z]/gi, (letter) => String.fromCharCode(0x05d0 + ((letter.toLowerCase().charCodeAt(0) - 97) % 27)));

/** As text that is parsed when it is asked for: the quickest way to load it, and its type is told. */
const moduleOf = (messages) =>
  `export const messages: Readonly<Record<string, unknown>> = JSON.parse(${JSON.stringify(JSON.stringify(messages))});\n`;

export async function compileMessages() {
  // Imported here: on a fresh machine the packages come after this file was read.
  const { getConfig } = await import('@lingui/conf');
  const { createCompiledCatalog, getCatalogs } = await import('@lingui/cli/api');
  const config = getConfig({ cwd: root });
  const [catalog] = await getCatalogs(config);
  const compiled = {};
  for (const locale of config.locales) {
    const { messages, missing } = await catalog.getTranslations(locale, { fallbackLocales: {}, sourceLocale: config.sourceLocale });
    if (WHOLE.includes(locale) && missing.length > 0)
      throw new Stop(`messages/${locale}.po lacks ${missing.length} messages, the first of them “${missing[0].id}”. Fill them in.`);
    const { source, errors } = createCompiledCatalog(locale, messages, { strict: true, namespace: 'json' });
    if (errors.length > 0) throw new Stop(`messages/${locale}.po: “${errors[0].id}” is no ICU message: ${errors[0].error.message}`);
    compiled[locale] = JSON.parse(source).messages;
  }
  const british = compiled['en-GB'];
  const plural = ([, message]) => message.some((token) => Array.isArray(token) && token.length > 1);
  const otherwise = ([id, message]) => JSON.stringify(message) !== JSON.stringify(british[id]);
  const made = {
    ...compiled,
    'en-GB': Object.fromEntries(Object.entries(british).filter(plural)),
    'en-US': Object.fromEntries(Object.entries(compiled['en-US']).filter(otherwise)),
    fr: each(compiled['fr'], typeset),
    pseudo: each(british, pseudo),
  };
  mkdirSync(MESSAGES, { recursive: true });
  for (const [locale, messages] of Object.entries(made)) writeFileSync(join(MESSAGES, `${locale}.ts`), moduleOf(messages));
}
