/** The languages beside English: each has a file in messages/ that says what it is. */
import { readdirSync } from 'node:fs';

const FOLDER = new URL('../../messages/', import.meta.url);

export const translated = () =>
  readdirSync(FOLDER)
    .filter((file) => file.endsWith('.json'))
    .map((file) => file.slice(0, -'.json'.length))
    .sort();
