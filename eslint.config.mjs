import boundaries from 'eslint-plugin-boundaries';
import next from 'eslint-config-next/core-web-vitals';
import nextTypescript from 'eslint-config-next/typescript';

/** Each floor with the floors it may stand on. Imports only run down. */
const floors = {
  core: ['core'],
  words: ['words'],
  data: ['core', 'data'],
  ui: ['core', 'words', 'ui'],
  workers: ['core', 'workers'],
  features: ['core', 'words', 'data', 'ui', 'workers', 'features'],
  app: ['core', 'words', 'data', 'ui', 'workers', 'features', 'app'],
};

const platform = [
  { name: 'react', message: 'core has no interface code' },
  { name: 'react-dom', message: 'core has no interface code' },
  { name: 'sequelize', message: 'core has no database' },
  { name: 'sqlite3', message: 'core has no database' },
];

const config = [
  { ignores: ['.next/**', 'node_modules/**', 'data/**', 'next-env.d.ts', 'playwright-report/**'] },
  ...next,
  ...nextTypescript,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': [
        'error',
        { ignoreRestSiblings: true, varsIgnorePattern: '^_' },
      ],
    },
  },
  {
    // Every word that a person reads comes from messages/.
    files: ['src/**/*.tsx'],
    ignores: ['src/**/*.test.tsx'],
    rules: {
      'react/jsx-no-literals': [
        'error',
        {
          noStrings: true,
          ignoreProps: true,
          noAttributeStrings: false,
          allowedStrings: [
            '·',
            '→',
            '←',
            '×',
            '–',
            '—',
            ':',
            ',',
            '.',
            ', ',
            ': ',
            '/',
            '(',
            ')',
            '“',
            '”',
            '±',
            '%',
            '▲',
            '?',
            '+',
            '-',
            '−',
            '□',
            '°',
            '◀',
            '▶',
            ').',
          ],
        },
      ],
    },
  },
  {
    // No components and no hooks: compiling each file to look for their faults takes half of the time.
    files: ['src/{core,data,workers}/**', '{bench,e2e,scripts,server,tests}/**/*.{ts,mjs}'],
    rules: Object.fromEntries(
      next
        .flatMap(({ rules = {} }) => Object.keys(rules))
        .filter((name) => /^(react|react-hooks|jsx-a11y)\//.test(name))
        .map((name) => [name, 'off']),
    ),
  },
  {
    files: ['src/**/*.{ts,tsx}', 'src/*.ts'],
    plugins: { boundaries },
    settings: {
      'import/resolver': { typescript: { alwaysTryTypes: true } },
      'boundaries/elements': Object.keys(floors).map((type) => ({
        type,
        pattern: `src/${type}`,
      })),
    },
    rules: {
      'boundaries/dependencies': [
        'error',
        {
          default: 'disallow',
          message:
            '{{from.element.type}} may not import {{to.element.type}}: imports only run down',
          policies: Object.entries(floors).map(([from, to]) => ({
            from: { element: { type: from } },
            allow: [{ to: { element: { type: to } } }],
          })),
        },
      ],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          paths: platform,
          patterns: [
            {
              group: ['next', 'next/*', 'react/*', 'react-dom/*'],
              message: 'core has no interface code',
            },
            { group: ['node:*', 'fs', 'path', 'crypto'], message: 'core touches no machine' },
            {
              regex: '^@/core/[a-z-]+/.+',
              message: 'each folder of core has one public face: import @/core/<folder>',
            },
          ],
        },
      ],
      'no-restricted-globals': [
        'error',
        ...['window', 'document', 'navigator', 'localStorage', 'process', 'fetch'].map((name) => ({
          name,
          message: 'core is pure',
        })),
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'pass a seeded random to core' },
        { object: 'Date', property: 'now', message: 'pass a date to core' },
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'pass a date to core',
        },
      ],
    },
  },
  {
    files: ['**/*.test.{ts,tsx}', 'tests/**', 'e2e/**'],
    ignores: ['tests/arbitraries.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        ...['double', 'float'].map((property) => ({
          object: 'fc',
          property,
          message:
            'it draws the bits, nearly always next to nothing: between(min, max) of tests/arbitraries draws evenly',
        })),
      ],
    },
  },
  {
    files: ['src/{app,features,data,ui}/**/*.{ts,tsx}', 'scripts/**', 'e2e/**', 'bench/**'],
    ignores: ['src/ui/link.tsx'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          paths: [{ name: 'next/link', message: 'Link of @/ui/link fetches nothing ahead' }],
          patterns: [
            {
              regex: '^@/core/[a-z-]+/.+',
              message: 'each folder of core has one public face: import @/core/<folder>',
            },
          ],
        },
      ],
    },
  },
];

export default config;
