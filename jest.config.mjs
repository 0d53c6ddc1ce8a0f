import { availableParallelism } from 'node:os';

/** Packages that ship only as ES modules and so are compiled with our own code. */
const esmOnly = [
  ...['d3-.*', 'internmap', 'uuid', 'pure-rand', 'p-limit', 'yocto-queue'],
  ...[
    'age-encryption',
    '@noble',
    '@scure',
    '@formatjs',
    'next-intl',
    'use-intl',
    'icu-minify',
    'intl-messageformat',
  ],
].join('|');

// Tests read what they assert, not the log.
process.env.DIRIGO_LOG_LEVEL ??= 'silent';

const config = {
  testEnvironment: 'node',
  roots: ['<rootDir>/src', '<rootDir>/tests'],
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1', '^tests/(.*)$': '<rootDir>/tests/$1' },
  transform: {
    '^.+\\.m?[tj]sx?$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
        },
      },
    ],
  },
  transformIgnorePatterns: [`/node_modules/(?!(${esmOnly})/)`],
  maxWorkers: Math.max(2, availableParallelism()),
  testTimeout: 60_000,
};

export default config;
