/** The translator's files are in messages/; `npm run messages` brings them up to date with the code. */
import { defineConfig } from '@lingui/conf';
import { translated } from './scripts/lib/translated.mjs';
import { formatter } from '@lingui/format-po';
import { extractor as extractFromCode } from '@lingui/cli/api';

/** What stands in tables and in the games that ship is asked for from there, so it is taken from there. */
const extractFromTables = {
  match: (file: string) => file.endsWith('shipped-messages.ts'),
  extract: async (
    file: string,
    _code: string,
    found: (message: { id: string; message: string; origin: [string]; comment: string; placeholders: object }) => void,
  ) => {
    // Read here: compiling needs this file before there is anything that the tables could say.
    const { shippedMessages } = await import('./scripts/lib/shipped-messages');
    for (const [id, comment, message = id] of shippedMessages()) found({ id, message, origin: [file], comment, placeholders: {} });
  },
};

export default defineConfig({
  sourceLocale: 'en-GB',
  locales: ['en-GB', 'en-US', ...translated()],
  catalogs: [
    {
      path: '<rootDir>/messages/{locale}',
      include: [
        'src/core',
        'src/features/chart-table',
        'src/features/counter',
        'src/features/drawing',
        'src/features/home',
        'src/features/languages',
        'src/features/show',
        'src/server/home',
        'src/server/paper',
        'src/server/reports/take-in.ts',
        'src/app/api/v1/home',
        'scripts/lib/shipped-messages.ts',
      ],
      exclude: ['**/*.test.ts', '**/*.test.tsx', '**/compiled/**'],
    },
  ],
  extractors: [extractFromTables, extractFromCode] as never,
  format: formatter({ lineNumbers: false, explicitIdAsDefault: true, printPlaceholdersInComments: false }),
  orderBy: 'origin',
});
