/** What files say, as one hash: what was made of them, or found in them, is known until one of them changes. */
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { root } from './needs.mjs';

const MADE = new Set(['node_modules', '.next']);
const TEST = /\.test\.tsx?$/;

function* filesBelow(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1))) {
    const path = join(folder, entry.name);
    if (MADE.has(entry.name)) continue;
    if (entry.isDirectory()) yield* filesBelow(path);
    else yield path;
  }
}

/** Of these files: each by its path and what it says. */
function hashOf(files) {
  const hash = createHash('sha256');
  for (const file of files) hash.update(relative(root, file)).update('\0').update(readFileSync(file)).update('\0');
  return hash.digest('hex');
}

/** Of the sources in some folders, their tests left out, and of what says how they are built. */
export function sourceHash(folders, more) {
  const sources = folders.flatMap((name) => [...filesBelow(join(root, name))]).filter((path) => !TEST.test(path));
  return hashOf([...sources, ...more.map((name) => join(root, name))]);
}

/** Of all that is read when the code is checked as a whole: every program, test and setting, the types that a build made, and the packages. */
function codeHash() {
  const top = readdirSync(root).filter((name) => /\.(ts|mjs|cjs|json)$/.test(name));
  const folders = ['src', 'tests', 'bench', 'drills', 'scripts', 'cli', '.next/types', '.next/dev/types'].map((name) => join(root, name));
  return hashOf([...top.sort().map((name) => join(root, name)), ...folders.filter(existsSync).flatMap((folder) => [...filesBelow(folder)])]);
}

/** Which checks passed when the code was what it is now. Kept beside the packages, so gone with them. */
export function passedBefore() {
  const before = codeHash();
  const mark = (check) => join(root, 'node_modules/.cache/passed', check.replaceAll(/\W+/g, '-'));
  return {
    has: (check) => existsSync(mark(check)) && readFileSync(mark(check), 'utf8') === before,
    /** Not where the code was changed while it was checked: nobody knows which of the two passed. */
    add: (check) => {
      if (codeHash() !== before) return;
      mkdirSync(join(mark(check), '..'), { recursive: true });
      writeFileSync(mark(check), before);
    },
  };
}
