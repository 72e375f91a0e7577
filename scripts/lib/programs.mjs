/** Bundles what runs beside the web server (the command line, preparing the database, paper, dropped files, workbooks, the first sight of a card), so that it starts at once. */
import { mkdirSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './needs.mjs';

const PROGRAMS = ['main.ts', 'prepare.ts', 'paper.ts', 'read-file.ts', 'write-workbook.ts', 'first-sight.tsx'];

/** What cannot be bundled: it brings machine code, or finds its own files. */
const APART = [
  '@dimforge/rapier3d-compat',
  '@fontsource/*',
  '@node-rs/argon2',
  '@react-pdf/renderer',
  'exceljs',
  'mysql2',
  'pino',
  'rate-limiter-flexible',
];

/** Where a program of ours stands once it is built. */
export const program = (name) => join(root, 'build/cli', `${name}.mjs`);

export async function buildPrograms() {
  // Imported here: on a fresh machine the packages come after this file was read.
  const { build } = await import('esbuild');
  const made = join(root, 'build/cli');
  const outdir = `${made}.${process.pid}`;
  mkdirSync(outdir, { recursive: true });
  await build({
    absWorkingDir: root,
    entryPoints: PROGRAMS.map((file) => join('src/cli', file)),
    outdir,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    format: 'esm',
    platform: 'node',
    // styled-components' other form hides its default export.
    mainFields: ['module', 'main'],
    target: 'node20',
    jsx: 'automatic',
    external: APART,
    logLevel: 'error',
    // What is bundled may still ask for a module of Node the old way.
    banner: { js: "import { createRequire as lochsideRequire } from 'node:module'; const require = lochsideRequire(import.meta.url);" },
  });
  // Whole or not at all: another program may be starting.
  rmSync(made, { recursive: true, force: true });
  renameSync(outdir, made);
}
