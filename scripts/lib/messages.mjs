/**
 * Compiles the translator's files of messages/ into what the application loads: one file a language, next to the core's words. British
 * English leaves out what the code says itself, but for plurals; American holds only what it says otherwise. Any other language is messages/TAG.po
 * and messages/TAG.json (`core/words/language-file.ts`), and nothing else. A message that it lacks, or that is no ICU, stops the build with its name.
 */
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './needs.mjs';
import { Stop } from './say.mjs';
import { translated } from './translated.mjs';

export const MESSAGES = join(root, 'src/core/words/compiled');

const fileOf = (tag) => JSON.parse(readFileSync(join(root, 'messages', `${tag}.json`), 'utf8'));

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

/** Where a language sets marks of two parts apart, by a space that does not break. */
const typeset = (text) => text.replace(/ ([:;?!»])/g, '\u00a0$1').replace(/« /g, '«\u00a0');

/** The language that tests make: each letter becomes one of the Hebrew block (`core/words/pseudo.ts`). */
const pseudo = (text) => text.replace(/[a-z]/gi, (letter) => String.fromCharCode(0x05d0 + ((letter.toLowerCase().charCodeAt(0) - 97) % 27)));

/** The list of languages, how each is loaded, and all of them at once for what runs on the server. */
function listOf(tags) {
  const listed = [
    { tag: 'en-GB', name: 'English', inEnglish: 'English', isRead: true },
    ...tags.map((tag) => {
      const { name, inEnglish, cautionsRead } = fileOf(tag);
      return { tag, name, inEnglish, isRead: cautionsRead };
    }),
  ];
  const loaders = tags.map((tag) => `  ${JSON.stringify(tag)}: () => import('./${tag}'),`);
  return [
    `export const LANGUAGES: readonly { readonly tag: string; readonly name: string; readonly inEnglish: string; readonly isRead: boolean }[] = ${JSON.stringify(listed)};`,
    "import type { LanguageFile } from '../language-file';",
    'type Loaded = { readonly messages: Readonly<Record<string, unknown>>; readonly file: LanguageFile };',
    `export const LOADERS: Readonly<Record<string, () => Promise<Loaded>>> = {\n${loaders.join('\n')}\n};`,
    '',
  ].join('\n');
}

const allOf = (tags) =>
  [
    "import { languageOf } from '../language-file';",
    "import type { Words } from '../words';",
    ...tags.map((tag, index) => `import * as of${index} from './${tag}';`),
    'export const TRANSLATED: Readonly<Record<string, Words>> = {',
    ...tags.map((tag, index) => `  ${JSON.stringify(tag)}: languageOf(${JSON.stringify(tag)}, of${index}.file, of${index}.messages),`),
    '};',
    '',
  ].join('\n');

/** As text that is parsed when it is asked for: the quickest way to load it, and its type is told. */
const moduleOf = (messages) =>
  `export const messages: Readonly<Record<string, unknown>> = JSON.parse(${JSON.stringify(JSON.stringify(messages))});\n`;

const fileModuleOf = (tag) =>
  `import type { LanguageFile } from '../language-file';\nexport const file = JSON.parse(${JSON.stringify(JSON.stringify(fileOf(tag)))}) as LanguageFile;\n`;

export async function compileMessages() {
  // Imported here: on a fresh machine the packages come after this file was read.
  const { getConfig } = await import('@lingui/conf');
  const { createCompiledCatalog, getCatalogs } = await import('@lingui/cli/api');
  const config = getConfig({ cwd: root });
  const [catalog] = await getCatalogs(config);
  const compiled = {};
  const tags = translated();
  for (const locale of config.locales) {
    const { messages, missing } = await catalog.getTranslations(locale, { fallbackLocales: {}, sourceLocale: config.sourceLocale });
    // American English says only what it says otherwise.
    if (locale !== 'en-US' && missing.length > 0)
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
    ...Object.fromEntries(tags.map((tag) => [tag, fileOf(tag).spacedMarks ? each(compiled[tag], typeset) : compiled[tag]])),
    pseudo: each(british, pseudo),
  };
  mkdirSync(MESSAGES, { recursive: true });
  for (const [locale, messages] of Object.entries(made))
    writeFileSync(join(MESSAGES, `${locale}.ts`), moduleOf(messages) + (tags.includes(locale) ? fileModuleOf(locale) : ''));
  writeFileSync(join(MESSAGES, 'languages.ts'), listOf(tags));
  writeFileSync(join(MESSAGES, 'all.ts'), allOf(tags));
}
