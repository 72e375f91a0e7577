/** The translator's files as they stand, and what the code and the tables ask for. */
import { getCatalogs } from '@lingui/cli/api';
import { getConfig } from '@lingui/conf';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { vi } from 'vitest';
import { AIMED, IMPLEMENTS } from '@/core/objects/catalogue';
import type { LanguageFile } from '@/core/words/language-file';
import { MARKERS } from '@/core/objects/markers';
import { STARTERS } from '../examples/starters';

const config = getConfig({ cwd: join(import.meta.dirname, '../..') });
const [catalog] = await getCatalogs(config);

/** Every message that is asked for, with the files that ask. */
export async function askedFor(): Promise<Readonly<Record<string, { readonly origin?: readonly (readonly [string, ...unknown[]])[] }>>> {
  // It says of each spread among the values that it cannot tell their names: known, and nothing to do.
  const quiet = vi.spyOn(console, 'warn').mockImplementation(() => undefined);
  const found = (await catalog!.collect())!;
  quiet.mockRestore();
  return found;
}

/** A translator's file: each message with what it says. */
export async function said(locale: string): Promise<ReadonlyMap<string, string>> {
  const read = (await catalog!.read(locale))!;
  return new Map(Object.entries(read).map(([id, one]) => [id, one.translation ?? '']));
}

/** What a language says of itself, beside its messages. */
export const fileOf = (tag: string): LanguageFile =>
  JSON.parse(readFileSync(join(import.meta.dirname, '../../messages', `${tag}.json`), 'utf8')) as LanguageFile;

/** The names of things, which a language knows with their gender. */
export function nouns(): Set<string> {
  return new Set([
    ...Object.values(AIMED).map((thing) => thing.name),
    ...Object.values(IMPLEMENTS).map((thing) => thing.name),
    ...MARKERS.map((marker) => marker.name),
    'left',
    'right',
    ...STARTERS.flatMap(({ game }) => game.parts.flatMap((part) => (part.needs ?? []).map(({ name }) => name))),
    ...STARTERS.flatMap(({ game }) =>
      Object.values(game.course.targets)
        .flat()
        .concat(game.course.obstacles ?? [])
        .flatMap((thing) => thing.own?.name ?? []),
    ),
  ]);
}
