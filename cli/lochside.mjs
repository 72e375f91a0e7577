#!/usr/bin/env node
/** The command line over the core; the work is in src/cli, built into build/cli when the sources have changed. */
import { pathToFileURL } from 'node:url';
import { ensurePrograms } from '../scripts/lib/build.mjs';
import { program } from '../scripts/lib/programs.mjs';

await ensurePrograms();
await import(pathToFileURL(program('main')).href);
