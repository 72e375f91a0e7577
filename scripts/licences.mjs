/** npm run licences: writes docs/licences.md, every package that is delivered with its licence, from the lock file alone. */
import { readFileSync, writeFileSync } from 'node:fs';
import { format } from 'prettier';

/** Licences by package, as the lock file has them; what serves development alone is left out. */
export function licencesIn(lock) {
  const found = new Map();
  for (const [path, { dev, link, license, version }] of Object.entries(lock.packages)) {
    if (path === '' || dev || link || !path.includes('node_modules/')) continue;
    const of = license ?? 'none named';
    found.set(of, [...(found.get(of) ?? []), `${path.replace(/.*node_modules\//, '')} ${version}`]);
  }
  return [...found].sort(([a], [b]) => (a < b ? -1 : 1)).map(([of, packages]) => [of, [...new Set(packages)].sort()]);
}

export async function licencesPage(lock) {
  const all = licencesIn(lock);
  const total = all.reduce((sum, [, packages]) => sum + packages.length, 0);
  const text = [
    '# Licences',
    `The ${total} packages that a school’s server runs on, by licence, from \`package-lock.json\`. \`npm run licences\` writes this page; a test holds it to the lock file. The fonts are under the SIL Open Font License. MariaDB and Chromium come from Debian’s packages and are not delivered with Lochside.`,
    ...all.map(([of, packages]) => `## ${of}\n\n${packages.join(', ')}`),
  ].join('\n\n');
  return format(`${text}\n`, { parser: 'markdown', printWidth: 150 });
}

if (process.argv[1] === new URL(import.meta.url).pathname)
  writeFileSync('docs/licences.md', await licencesPage(JSON.parse(readFileSync('package-lock.json', 'utf8'))));
