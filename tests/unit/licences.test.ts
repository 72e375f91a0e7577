import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { licencesIn, licencesPage } from '../../scripts/licences.mjs';

const lock = JSON.parse(readFileSync('package-lock.json', 'utf8')) as object;

/** What a school may be given without more: no licence that asks for the sources of what is beside it. */
const GOOD =
  /^\(?(MIT|MIT-0|ISC|0BSD|BSD-2-Clause|BSD-3-Clause|Apache-2\.0|OFL-1\.1|BlueOak-1\.0\.0|Unlicense|CC0-1\.0|CC-BY-4\.0|Python-2\.0|MPL-2\.0|Zlib|WTFPL)\b/;

/** Optional parts of Next's optimiser of images, which is switched off: the library in them is never loaded. */
const NEVER_LOADED = /^@img\/sharp-/;
/** No licence in their package.json: of the first two a file in the package says MIT, the last says nothing. It is a part of exceljs that reads streams, which we do not. */
const NONE_NAMED = ['fonteditor-core 2.6.3', 'png-js 2.0.0', 'buffers 0.1.1'];

describe('licences of what is delivered', () => {
  it('stand on their page as the lock file has them', async () => {
    expect(await licencesPage(lock)).toBe(readFileSync('docs/licences.md', 'utf8'));
  });
  it('are all known, and none asks for more than to be named', () => {
    const all = licencesIn(lock) as [string, string[]][];
    expect(all.reduce((sum, [, packages]) => sum + packages.length, 0)).toBeGreaterThan(100);
    const asking = all
      .filter(([of]) => !GOOD.test(of) || (/GPL/.test(of) && !of.includes(' OR ')))
      .flatMap(([, packages]) => packages)
      .filter((name) => !NEVER_LOADED.test(name) && !NONE_NAMED.includes(name));
    expect(asking).toEqual([]);
    expect(
      licencesIn({ packages: { 'node_modules/a': { version: '1.0.0', license: 'AGPL-3.0' }, 'node_modules/b': { version: '1.0.0', dev: true } } }),
    ).toEqual([['AGPL-3.0', ['a 1.0.0']]]);
  });
});
