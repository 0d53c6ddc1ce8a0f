import { existsSync, readFileSync } from 'node:fs';
import { methodsPage } from '@/features/drills/methods';
import { formatsPage } from '@/features/export/formats';
import { GLOSSARY, glossaryPage } from '@/features/shared/glossary';

/** Words without how a table is set. */
const bare = (text: string): string[] => text.replace(/[\s|-]+/g, ' ').split(' ');

test('docs/formats.md says what the program reads and writes; npm run formats writes it anew', () => {
  expect(bare(readFileSync('docs/formats.md', 'utf8'))).toEqual(bare(formatsPage()));
});

test('docs/methods.md says every method, and names only tests that are there', () => {
  const page = readFileSync('docs/methods.md', 'utf8');
  expect(bare(page)).toEqual(bare(methodsPage()));
  const tests = [...page.matchAll(/`([a-z-]+\.spec\.ts)`/g)].map(([, name]) => name!);
  expect(tests.length).toBeGreaterThan(8);
  for (const name of tests) expect(existsSync(`e2e/${name}`)).toBe(true);
  // Every drill changes something.
  for (const line of page.split('\n').filter((one) => one.includes('(`')))
    expect(line.split('|').at(-2)!.trim()).not.toBe('');
});

test('docs/glossary.md says every word of art, each in a sentence that names it', () => {
  expect(bare(readFileSync('docs/glossary.md', 'utf8'))).toEqual(bare(glossaryPage()));
  for (const [name, words] of Object.entries(GLOSSARY)) {
    expect(words.toLowerCase().startsWith(`${name}: `)).toBe(true);
    expect(words).toMatch(/[.]$/);
  }
});
