import next from 'eslint-config-next';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  {
    ignores: [
      '**/.next/**',
      'node_modules/**',
      '**/next-env.d.ts',
      'test-results/**',
      'build/**',
      'src/core/words/compiled/**',
      'playwright-report/**',
      'public/home-sw.js',
    ],
  },
  // The rules for React cost most of the time; they have nothing to say where there is no React.
  ...next.map((part) => (part.rules ? { ...part, files: ['src/{app,features,ui}/**/{*.tsx,use-*.ts}'] } : part)),
  ...tseslint.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    rules: {
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'react-hooks/set-state-in-effect': 'off',
      // A full load is meant: it drops what the last person had on the screen.
      '@next/next/no-location-assign-relative-destination': 'off',
      'no-restricted-syntax': [
        'error',
        {
          selector: "CallExpression[callee.property.name='query'][arguments.length>1]",
          message: 'Values go through execute(): query() expands objects into SQL.',
        },
      ],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Draw from src/core/random: seeded and repeatable.' },
        { object: 'Date', property: 'now', message: 'The core has no clock; take time as an argument.' },
        { object: 'performance', property: 'now', message: 'The core has no clock; take time as an argument.' },
      ],
    },
  },
  {
    files: ['src/**/*.tsx'],
    ignores: ['src/ui/desk-link.tsx'],
    rules: {
      'no-restricted-imports': ['error', { name: 'next/link', message: 'Take DeskLink of src/ui/desk-link.tsx: it asks for nothing beforehand.' }],
    },
  },
  { files: ['**/*.cjs'], rules: { '@typescript-eslint/no-require-imports': 'off' } },
);
