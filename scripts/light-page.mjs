/** What a family's page can load, at once or later, has no Joi, form library, chart package or component suite in it. Types weigh nothing and are left out. */
import { build } from 'esbuild';
import { root } from './lib/needs.mjs';
import { main, say, Stop } from './lib/say.mjs';

/** What a family's browser loads begins here. */
const CHILDS_PAGE = ['src/app/home/page.tsx', 'src/app/layout.tsx', 'src/app/error.tsx', 'src/app/not-found.tsx'];
const HEAVY = /node_modules\/(?:joi|echarts|react-aria|react-aria-components|react-hook-form|swr|@tanstack)\//;

/** The way from a page to a file: what imports it, and what imports that. */
function wayTo(file, importers) {
  const way = [file];
  for (let at = importers.get(file); at !== undefined && !way.includes(at); at = importers.get(at)) way.unshift(at);
  return way.join(' → ');
}

await main(async () => {
  const { metafile } = await build({
    absWorkingDir: root,
    entryPoints: CHILDS_PAGE,
    bundle: true,
    splitting: true,
    format: 'esm',
    jsx: 'automatic',
    outdir: 'never-written',
    write: false,
    metafile: true,
    external: ['next', 'next/*'],
    loader: { '.woff2': 'empty' },
    logLevel: 'error',
  });
  const importers = new Map();
  for (const [file, { imports }] of Object.entries(metafile.inputs))
    for (const { path } of imports) if (!importers.has(path)) importers.set(path, file);
  const loaded = Object.values(metafile.outputs).flatMap(({ inputs }) => Object.keys(inputs));
  const heavy = loaded.filter((file) => HEAVY.test(file));
  if (heavy.length > 0)
    throw new Stop(
      `Too heavy for a family’s page:\n${heavy
        .slice(0, 5)
        .map((file) => wayTo(file, importers))
        .join('\n')}`,
    );
  say(`${loaded.length} files, none too heavy`);
});
