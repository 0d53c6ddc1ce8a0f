import { writeFileSync } from 'node:fs';
import { format, resolveConfig } from 'prettier';
import { methodsPage } from '../src/features/drills/methods';
import { formatsPage } from '../src/features/export/formats';

/** Writes docs/formats.md and docs/methods.md from what the program reads, writes and knows. */
async function main(): Promise<void> {
  for (const [path, page] of [
    ['docs/formats.md', formatsPage()],
    ['docs/methods.md', methodsPage()],
  ] as const) {
    const options = await resolveConfig(path);
    writeFileSync(path, await format(page, { ...options, parser: 'markdown' }));
  }
}

void main();
