/** Bundles the service worker of the home pages into one file that the browser can register. */
import { join } from 'node:path';
import { root } from './needs.mjs';

export async function buildServiceWorker() {
  // Imported here: on a fresh machine the packages come after this file was read.
  const { build } = await import('vite');
  await build({
    root,
    configFile: false,
    publicDir: false,
    logLevel: 'error',
    define: { 'process.env.NODE_ENV': '"production"' },
    build: {
      outDir: join(root, 'public'),
      emptyOutDir: false,
      minify: true,
      lib: { entry: join(root, 'src/workers/home-sw.ts'), formats: ['es'], fileName: () => 'home-sw.js' },
    },
  });
}
