import { defineConfig } from 'vitest/config';

// React leaves out what its tests need where this says production, as a shell or an earlier build may.
Object.assign(process.env, { NODE_ENV: 'test' });

/** What stands in for something, or has a worker: not among those that share what they import. */
const ALONE = ['src/ui/post.test.ts', 'src/workers/*.test.ts'];
const APART = [
  'backup',
  'durability',
  'web-server',
  'migrate-again',
  'migrations',
  'database',
  'demo',
  'game-sets',
  'limits',
  'https',
  'machines',
  'plans',
].map((name) => `tests/server/${name}.test.ts`);

export default defineConfig({
  resolve: { alias: { '@': new URL('./src', import.meta.url).pathname } },
  test: {
    env: { LOCHSIDE_LOG: 'silent' },
    testTimeout: 240_000,
    hookTimeout: 300_000,
    expect: { poll: { timeout: 20_000 } },
    setupFiles: ['tests/component/set-up.ts'],
    server: { deps: { inline: [/^next\//] } },
    fileParallelism: true,
    // What was made of a file for the tests is kept by its content, for the next run.
    experimental: { fsModuleCache: true, fsModuleCachePath: 'node_modules/.cache/vitest-modules' },
    // One more than there are cores: some wait for servers that were killed.
    maxWorkers: 3,
    projects: [
      // The core and the models of screens keep nothing between calls: their tests share what they import.
      {
        extends: true,
        test: {
          name: 'core',
          include: ['src/**/*.test.ts', 'tests/{unit,laws,games,format-1,reference}/**/*.test.ts'],
          exclude: ALONE,
          isolate: false,
        },
      },
      // So do the routes, but for a pool of connections: tests that have a database or a server of their own, or stand in for something, do not.
      { extends: true, test: { name: 'server', include: ['tests/server/**/*.test.ts'], exclude: APART, isolate: false } },
      { extends: true, test: { name: 'screens', include: ['src/**/*.test.tsx'], isolate: false } },
      { extends: true, test: { name: 'rest', include: [...ALONE, ...APART] } },
    ],
  },
});
