import { build } from 'esbuild';

/** Where the part of the program that reckons in processes of its own is put. */
export const RECKONER = '.next/reckoner.mjs';

/** Puts it together: the framework builds only what it answers with itself. */
export async function bundle() {
  await build({
    entryPoints: ['src/features/reckoning/worker.ts'],
    outfile: RECKONER,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    jsx: 'automatic',
    alias: { 'server-only': './server/empty.mjs' },
    logLevel: 'warning',
  });
}
