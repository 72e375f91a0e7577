/** Sections of the guides that a command writes: each between two comments that name it and the command. */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** Puts `text` in the place of what stands in the section; throws where the guide has no such section. */
export function writeSection(guide: string, name: string, text: string): void {
  const path = join(import.meta.dirname, '../docs/guide', guide);
  const whole = readFileSync(path, 'utf8');
  const begin = new RegExp(`<!-- ${name}: written by [^>]*-->`).exec(whole)?.[0];
  const end = `<!-- end of ${name} -->`;
  if (!begin || !whole.includes(end)) throw new Error(`docs/guide/${guide} has no section “${name}”.`);
  const before = whole.slice(0, whole.indexOf(begin) + begin.length);
  writeFileSync(path, `${before}\n\n${text.trim()}\n\n${whole.slice(whole.indexOf(end))}`);
}

/** A table in Markdown, its first row the heads. */
export const markdownTable = ([heads, ...rows]: readonly (readonly string[])[]): string =>
  [heads!, heads!.map(() => '---'), ...rows].map((row) => `| ${row.join(' | ')} |`).join('\n');
