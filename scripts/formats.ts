import { writeFileSync } from 'node:fs';
import { format, resolveConfig } from 'prettier';
import { formatsPage } from '../src/features/export/formats';

/** Writes docs/formats.md from what the program reads and writes. */
async function main(): Promise<void> {
  const path = 'docs/formats.md';
  const options = await resolveConfig(path);
  writeFileSync(path, await format(formatsPage(), { ...options, parser: 'markdown' }));
}

void main();
