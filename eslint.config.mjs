import { existsSync, readdirSync } from 'node:fs';
import next from 'eslint-config-next/core-web-vitals';
import nextTs from 'eslint-config-next/typescript';
import prettier from 'eslint-config-prettier/flat';

/** The folders of a place: their names are those of the kinds of member, or of the codes. */
const foldersIn = (place) =>
  readdirSync(place, { withFileTypes: true })
    .filter((entry) => entry.isDirectory())
    .map((entry) => entry.name);
const kinds = foldersIn('src/core/members').filter((name) => existsSync(`src/core/members/${name}/kind.ts`));
const codes = foldersIn('src/core/codes');
/** No name of these kinds is compared with. */
const noneOf = (names) => {
  const name = `Literal[value=/^(${names.join('|')})$/]`;
  return [`BinaryExpression[operator=/^[!=]==?$/] > ${name}`, `SwitchCase > ${name}`].map((selector) => ({
    selector,
    message: 'Kinds are not told apart by name: ask the record of the kind (core/members/kind.ts).',
  }));
};
const noneOfCodes = (names) => ({
  selector: `Literal[value=/^(${names.join('|')})$/]`,
  message: 'A code is not known by name outside its folder: ask it for what differs (core/codes/design-code.ts).',
});
const noCodes = noneOfCodes(codes);
const clause = String.raw`/\b\d+\.\d+\.\d+|\bEN 19\d\d|\bACI \d/`;
const noClauses = [`:not(JSXAttribute[name.name='d']) > Literal[value=${clause}]`, `TemplateElement[value.raw=${clause}]`].map(
  (selector) => ({
    selector,
    message: 'Clauses and titles of codes stand in the folder of the code: ask it for them (core/codes/design-code.ts).',
  }),
);

const config = [
  {
    ignores: [
      '.reports/**',
      '.next/**',
      '.next-export/**',
      '.server/**',
      'out/**',
      'test-results/**',
      'next-env.d.ts',
      'public/**',
      'coverage/**',
    ],
  },
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
  {
    files: ['src/**/*.ts', 'src/**/*.tsx'],
    ignores: [...kinds.map((kind) => `src/core/members/${kind}/**`), 'src/core/codes/**'],
    rules: { 'no-restricted-syntax': ['error', ...noneOf(kinds), noCodes, ...noClauses] },
  },
  ...kinds.map((kind) => ({
    files: [`src/core/members/${kind}/**/*.ts`],
    rules: { 'no-restricted-syntax': ['error', ...noneOf(kinds.filter((k) => k !== kind)), noCodes, ...noClauses] },
  })),
  ...codes.map((code) => ({
    files: [`src/core/codes/${code}/**/*.ts`],
    rules: { 'no-restricted-syntax': ['error', noneOfCodes(codes.filter((c) => c !== code))] },
  })),
  { files: ['src/**/*.ts', 'src/**/*.tsx'], rules: { 'max-lines': ['error', { max: 420, skipBlankLines: true, skipComments: true }] } },
];
export default config;
