/**
 * What a family's page can load, at once or later, has no Joi, form library or chart package in it; what it loads at once no component suite
 * either: that comes with the steps that ask. Types weigh nothing and are left out.
 */
import { build } from 'esbuild';
import { root } from './lib/needs.mjs';
import { main, say, Stop } from './lib/say.mjs';

/** What a family's browser loads begins here. */
const CHILDS_PAGE = ['src/app/home/page.tsx', 'src/app/layout.tsx', 'src/app/error.tsx', 'src/app/not-found.tsx'];
const HEAVY = /node_modules\/(?:joi|echarts|react-hook-form|swr|@tanstack)\//;
const LATER = /node_modules\/(?:react-aria|react-aria-components|react-stately)\//;

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
  const filesOf = (outputs) => outputs.flatMap((output) => Object.keys(metafile.outputs[output].inputs));
  const loaded = filesOf(Object.keys(metafile.outputs));
  // An output and what it asks for before it runs.
  const atOnce = new Set(Object.keys(metafile.outputs).filter((output) => CHILDS_PAGE.includes(metafile.outputs[output].entryPoint)));
  for (const output of atOnce)
    for (const { path, kind, external } of metafile.outputs[output].imports) if (kind === 'import-statement' && !external) atOnce.add(path);
  const heavy = [...loaded.filter((file) => HEAVY.test(file)), ...filesOf([...atOnce]).filter((file) => LATER.test(file))];
  if (heavy.length > 0)
    throw new Stop(
      `Too heavy for a family’s page:\n${heavy
        .slice(0, 5)
        .map((file) => wayTo(file, importers))
        .join('\n')}`,
    );
  say(`${loaded.length} files, ${filesOf([...atOnce]).length} of them at once; none too heavy`);
});
