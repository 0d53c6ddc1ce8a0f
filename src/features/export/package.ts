import { stringify } from 'csv-stringify/sync';
import { Zip, ZipDeflate, strToU8 } from 'fflate';
import type { Cell, Column, Table } from './table';
import { FORMAT } from './tables';

type AnyTable = Pick<Table<never>, 'name' | 'description' | 'key' | 'columns'>;

const fieldOf = ({ name, type, description, unit }: Column) => ({
  name,
  type,
  description,
  ...(unit && { unit }),
  ...(type === 'boolean' && { trueValues: ['true'], falseValues: ['false'] }),
  ...(type === 'datetime' && { format: '%Y-%m-%dT%H:%M:%S.%fZ' }),
});

/** How tables are written: as a spreadsheet reads them, or an object of JSON a row. */
export const WRITINGS = ['csv', 'jsonl'] as const;
export type Writing = (typeof WRITINGS)[number];

const DESCRIBED = {
  csv: {
    format: 'csv',
    mediatype: 'text/csv',
    dialect: { delimiter: ',', quoteChar: '"', doubleQuote: true, header: true },
  },
  jsonl: { format: 'jsonl', mediatype: 'application/jsonl', dialect: { keyed: true } },
} as const;

/** What stands in a file of tables, as a data package with table schemas (Frictionless, version 1). */
export const packageOf = (tables: readonly AnyTable[], made: Date, writing: Writing = 'csv') => ({
  profile: 'tabular-data-package',
  name: 'dirigo-putts',
  title: 'Putts and scores',
  version: FORMAT,
  created: made.toISOString(),
  resources: tables.map(({ name, description, key, columns }) => ({
    profile: 'tabular-data-resource',
    name,
    path: `${name}.${writing}`,
    description,
    encoding: 'utf-8',
    ...DESCRIBED[writing],
    schema: { fields: columns.map(fieldOf), primaryKey: key, missingValues: [''] },
  })),
});

/** A row as an object of JSON under the names of its columns; what is empty is left out. */
export const objectsOf = (
  { columns }: Pick<AnyTable, 'columns'>,
  rows: readonly (readonly Cell[])[],
): string =>
  rows
    .map((row) => {
      const named = columns.flatMap(({ name, type }, i) => {
        const cell = row[i] ?? null;
        if (cell === null || cell === '') return [];
        return [[name, type === 'object' ? (JSON.parse(String(cell)) as unknown) : cell]];
      });
      return `${JSON.stringify(Object.fromEntries(named))}\n`;
    })
    .join('');

/** Rows as lines of a table; what a spreadsheet would take for a formula is made harmless. */
export const linesOf = (rows: readonly (readonly Cell[])[]): string =>
  stringify(rows as Cell[][], {
    escape_formulas: true,
    cast: { date: (date) => date.toISOString(), boolean: (value) => (value ? 'true' : 'false') },
  });

/** The heading of a table. */
export const headingOf = ({ columns }: Pick<AnyTable, 'columns'>): string =>
  linesOf([columns.map(({ name }) => name)]);

/** One file of an archive, as it comes. */
export interface Part {
  name: string;
  text: AsyncIterable<string>;
}

/**
 * An archive of files that are written while it is read, so that its size needs no memory.
 *
 * @param parts in order; each is asked for once the one before has ended
 */
export function zipped(parts: readonly Part[]): ReadableStream<Uint8Array> {
  const ready: Uint8Array[] = [];
  let failed: Error | null = null;
  const zip = new Zip((error, data) => {
    if (error) failed = error;
    else ready.push(data);
  });
  async function* written(): AsyncGenerator<Uint8Array> {
    for (const { name, text } of parts) {
      let file: ZipDeflate | null = null;
      for await (const piece of text) {
        if (!file) zip.add((file = new ZipDeflate(name, { level: 6 })));
        file.push(strToU8(piece));
        if (failed) throw failed;
        yield* ready.splice(0);
      }
      // What has nothing to say is no file.
      file?.push(new Uint8Array(0), true);
      yield* ready.splice(0);
    }
    zip.end();
    yield* ready.splice(0);
  }
  const source = written();
  return new ReadableStream({
    pull: async (controller) => {
      const { done, value } = await source.next();
      if (done) controller.close();
      else controller.enqueue(value);
    },
    cancel: async () => {
      await source.return(undefined);
    },
  });
}
