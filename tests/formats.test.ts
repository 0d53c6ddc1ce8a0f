import { readFileSync } from 'node:fs';
import { formatsPage } from '@/features/export/formats';

/** Words without how a table is set. */
const bare = (text: string): string[] => text.replace(/[\s|-]+/g, ' ').split(' ');

test('docs/formats.md says what the program reads and writes; npm run formats writes it anew', () => {
  expect(bare(readFileSync('docs/formats.md', 'utf8'))).toEqual(bare(formatsPage()));
});
