/** npm run unhappy: everything that may go wrong at home and at the server, tried, with what came of it: written to docs/guide/unhappy-paths.md. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const root = join(import.meta.dirname, '..');
const folder = mkdtempSync(join(tmpdir(), 'unhappy-'));

interface Tried {
  readonly where: 'home' | 'server';
  readonly what: string;
  readonly held: boolean;
}

const PLACE = /^unhappy at (home|the server):? ?/;

/** The name of a test without its mark; undefined for one that was only run beside them. */
function tried(name: string, held: boolean): Tried | undefined {
  const place = PLACE.exec(name);
  return place ? { where: place[1] === 'home' ? 'home' : 'server', what: name.slice(place[0].length), held } : undefined;
}

interface VitestReport {
  readonly testResults: readonly {
    readonly assertionResults: readonly { readonly ancestorTitles: readonly string[]; readonly title: string; readonly status: string }[];
  }[];
}

function ofVitest(): Tried[] {
  const file = join(folder, 'vitest.json');
  const args = ['run', '-t', 'unhappy at', '--reporter=json', `--outputFile=${file}`];
  spawnSync(process.execPath, [join(root, 'node_modules/vitest/vitest.mjs'), ...args], { cwd: root, stdio: ['ignore', 'ignore', 'inherit'] });
  const { testResults } = JSON.parse(readFileSync(file, 'utf8')) as VitestReport;
  return testResults
    .flatMap(({ assertionResults }) => assertionResults)
    .filter(({ status }) => status === 'passed' || status === 'failed')
    .flatMap(({ ancestorTitles, title, status }) => {
      const from = ancestorTitles.findIndex((one) => PLACE.test(one));
      return tried([...ancestorTitles.slice(Math.max(0, from)), title].join(': '), status === 'passed') ?? [];
    });
}

interface Suite {
  readonly specs?: readonly { readonly title: string; readonly ok: boolean }[];
  readonly suites?: readonly Suite[];
}

function ofChromium(): Tried[] {
  const { stdout } = spawnSync(
    process.execPath,
    [join(root, 'node_modules/@playwright/test/cli.js'), 'test', '-g', 'unhappy at', '--reporter=json'],
    {
      cwd: root,
      stdio: ['ignore', 'pipe', 'inherit'],
      maxBuffer: 64_000_000,
      encoding: 'utf8',
    },
  );
  const all = ({ specs = [], suites = [] }: Suite): Tried[] => [
    ...specs.flatMap(({ title, ok }) => tried(title, ok) ?? []),
    ...suites.flatMap((suite) => all(suite)),
  ];
  return all(JSON.parse(stdout.slice(stdout.indexOf('{'))) as Suite);
}

const found = [...ofChromium(), ...ofVitest()];
rmSync(folder, { recursive: true });
const section = (where: Tried['where'], title: string) => {
  const mine = found.filter((one) => one.where === where);
  const lines = mine.map(({ what, held }) => `| ${what.replaceAll('|', '\\|')} | ${held ? 'held' : '**did not hold**'} |`);
  return `## ${title}: ${mine.length}\n\n| what goes wrong, and what then | |\n| --- | --- |\n${lines.join('\n')}\n`;
};
const failed = found.filter(({ held }) => !held).length;
writeFileSync(
  join(root, 'docs/guide/unhappy-paths.md'),
  [
    '# Unhappy paths',
    '',
    `Written by \`npm run unhappy\`: ${found.length} tried, ${failed} did not hold. Each line is a test of that name; those at home run in Chromium or against the page’s own storage, those at the server on a real MariaDB.`,
    '',
    section('home', 'At home'),
    section('server', 'At the server'),
  ].join('\n'),
);
spawnSync(process.execPath, [join(root, 'node_modules/prettier/bin/prettier.cjs'), '--write', 'docs/guide/unhappy-paths.md'], { cwd: root });
process.stdout.write(`${found.length} unhappy paths, ${failed} did not hold: docs/guide/unhappy-paths.md\n`);
if (failed > 0) process.exitCode = 1;
