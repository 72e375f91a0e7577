import { defineConfig } from 'vitest/config';

// React leaves out what its tests need where this says production, as a shell or an earlier build may.
Object.assign(process.env, { NODE_ENV: 'test' });

export default defineConfig({
  resolve: { alias: { '@': new URL('./src', import.meta.url).pathname } },
  test: {
    env: { LOCHSIDE_LOG: 'silent' },
    include: ['src/**/*.test.{ts,tsx}', 'tests/unit/**/*.test.ts', 'tests/server/**/*.test.ts'],
    testTimeout: 240_000,
    hookTimeout: 300_000,
    setupFiles: ['tests/component/set-up.ts'],
    server: { deps: { inline: [/^next\//] } },
    fileParallelism: true,
    maxWorkers: 2,
  },
});
