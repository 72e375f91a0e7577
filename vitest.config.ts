import { defineConfig } from 'vitest/config';

// React leaves out what its tests need where this says production, as a shell or an earlier build may.
Object.assign(process.env, { NODE_ENV: 'test' });

export default defineConfig({
  resolve: { alias: { '@': new URL('./src', import.meta.url).pathname } },
  test: {
    env: { LOCHSIDE_LOG: 'silent' },
    testTimeout: 240_000,
    hookTimeout: 300_000,
    setupFiles: ['tests/component/set-up.ts'],
    server: { deps: { inline: [/^next\//] } },
    fileParallelism: true,
    maxWorkers: 2,
    projects: [
      // The core keeps nothing between calls: its tests share what they import.
      { extends: true, test: { name: 'core', include: ['src/core/**/*.test.ts', 'tests/unit/**/*.test.ts'], isolate: false } },
      { extends: true, test: { name: 'rest', include: ['src/!(core)/**/*.test.{ts,tsx}', 'tests/server/**/*.test.ts'] } },
    ],
  },
});
