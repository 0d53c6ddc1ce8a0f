import { writeFileSync } from 'node:fs';
import { format, resolveConfig } from 'prettier';
import { methodsPage } from '../src/features/drills/methods';
import { formatsPage } from '../src/features/export/formats';
import { glossaryPage } from '../src/features/shared/glossary';

/** Writes docs/formats.md, docs/methods.md and docs/glossary.md from what the program reads, writes and knows. */
async function main(): Promise<void> {
  for (const [path, page] of [
    ['docs/formats.md', formatsPage()],
    ['docs/methods.md', methodsPage()],
    ['docs/glossary.md', glossaryPage()],
  ] as const) {
    const options = await resolveConfig(path);
    writeFileSync(path, await format(page, { ...options, parser: 'markdown' }));
  }
}

void main();
