/** A name means one thing: nothing is exported twice under one name, but for the routes, whose names Next.js gives. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';

const src = join(import.meta.dirname, '../../src');
const EXPORTED = /^export (?:async )?(?:const enum|type|interface|const|function|class) (\w+)/gm;

it('no name is exported by two modules', () => {
  const where = new Map<string, string[]>();
  const files = readdirSync(src, { recursive: true, encoding: 'utf8' }).filter(
    (file) => /\.tsx?$/.test(file) && !/^app\/|\.test\.|compiled\//.test(file),
  );
  for (const file of files)
    for (const name of new Set([...readFileSync(join(src, file), 'utf8').matchAll(EXPORTED)].map(([, one]) => one!)))
      where.set(name, [...(where.get(name) ?? []), file]);
  expect(where.size).toBeGreaterThan(1000);
  expect([...where].filter(([, files]) => files.length > 1)).toEqual([]);
});
