/** Writes the JSON Schemas and the examples of docs/format from the code: npm run format:docs. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { formatFiles } from './format-files';

const folder = join(import.meta.dirname, '../../docs/format');
mkdirSync(folder, { recursive: true });
for (const [name, text] of Object.entries(formatFiles())) writeFileSync(join(folder, name), text);
