import next from 'eslint-config-next/core-web-vitals';
import nextTs from 'eslint-config-next/typescript';
import prettier from 'eslint-config-prettier/flat';

const config = [
  { ignores: ['.reports/**', '.next/**', 'out/**', 'test-results/**', 'next-env.d.ts', 'public/**', 'coverage/**'] },
  ...next,
  ...nextTs,
  prettier,
  {
    files: ['src/core/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              group: [
                'react',
                'react-dom',
                'react/*',
                'next',
                'next/*',
                'zustand',
                'localforage',
                '@/*',
                '!@/core',
                '!@/core/**',
                'node:*',
              ],
              message: 'src/core is pure computation.',
            },
          ],
        },
      ],
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'localStorage',
        'indexedDB',
        'navigator',
        'fetch',
        'process',
        'Date',
        'setTimeout',
      ],
    },
  },
  { files: ['src/**/*.ts', 'src/**/*.tsx'], rules: { 'max-lines': ['error', { max: 420, skipBlankLines: true, skipComments: true }] } },
];
export default config;
