/** Bundles the service worker of the home pages into one file that the browser can register. */
import { root } from './needs.mjs';

export async function buildServiceWorker() {
  // Imported here: on a fresh machine the packages come after this file was read.
  const { build } = await import('esbuild');
  await build({
    absWorkingDir: root,
    entryPoints: ['src/workers/home-sw.ts'],
    outfile: 'public/home-sw.js',
    define: { 'process.env.NODE_ENV': '"production"' },
    bundle: true,
    minify: true,
    format: 'esm',
    target: 'es2020',
    logLevel: 'error',
  });
}
