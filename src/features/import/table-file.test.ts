import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import Papa from 'papaparse';
import { rowsOf, tableFile } from './table-file';

jest.mock('server-only', () => ({}));

let folder: string;
beforeAll(async () => (folder = await mkdtemp(join(tmpdir(), 'dirigo-table-'))));
afterAll(() => rm(folder, { recursive: true }));

async function read(text: string | Buffer, delimiter?: string): Promise<string[][]> {
  const path = join(folder, 'table');
  await writeFile(path, text);
  const file = await tableFile(path);
  const rows: string[][] = [];
  for await (const batch of rowsOf(delimiter ? { ...file, delimiter } : file)) rows.push(...batch);
  return rows;
}

/** A cell of anything that a spreadsheet can hold. */
const cell = fc.oneof(
  fc.string({ maxLength: 12 }),
  fc.constantFrom('a,b', 'say "so"', 'two\nlines', 'semi;colon', '=1+1', 'Zoë', '−0.4', ' '),
);

test('every cell comes back as it was written, whatever stands in it', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.tuple(cell, cell, cell), { minLength: 1, maxLength: 30 }),
      fc.constantFrom(',', ';', '\t'),
      async (cells, delimiter) => {
        // A first column that is never empty: an empty line is no row.
        const rows = [
          ['id', 'one', 'two', 'three'],
          ...cells.map((row, i) => [`row ${i}`, ...row]),
        ];
        expect(await read(Papa.unparse(rows, { delimiter, newline: '\n' }), delimiter)).toEqual(
          rows,
        );
      },
    ),
    { numRuns: 60 },
  );
});

test('a file larger than a piece of it is read whole, a row across two pieces once', async () => {
  const rows = Array.from({ length: 20_000 }, (_, i) => [
    `row ${i}`,
    `${i / 7}`,
    `"${i}", and more`,
  ]);
  const found = await read(Papa.unparse([['a', 'b', 'c'], ...rows], { newline: '\r\n' }));
  expect(found).toHaveLength(20_001);
  expect(found.slice(1)).toEqual(rows);
});

test('reading can end in the middle: what is not asked for is not read', async () => {
  const path = join(folder, 'long');
  await writeFile(path, `a,b\n${'1,2\n'.repeat(200_000)}`);
  const file = await tableFile(path);
  let seen = 0;
  for await (const batch of rowsOf(file)) {
    seen += batch.length;
    if (seen > 1000) break;
  }
  expect(seen).toBeLessThan(2000);
});

test('a byte-order mark is no part of the first heading; empty lines are no rows', async () => {
  expect(await read('\ufeffname,face\n\nAma,1\n\n\n')).toEqual([
    ['name', 'face'],
    ['Ama', '1'],
  ]);
});

test('objects are rows by their keys, however deep; what one lacks is empty', async () => {
  const rows = await read('{"a": 1, "b": {"c": true}}\n{"b": {"c": null, "d": [1, 2]}}\n');
  expect(rows).toEqual([
    ['a', 'b.c', 'b.d'],
    ['1', 'true', ''],
    ['', '', '[1,2]'],
  ]);
});
