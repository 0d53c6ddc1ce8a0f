import 'server-only';
import { createReadStream } from 'node:fs';
import { open, readFile, stat } from 'node:fs/promises';
import { createInterface } from 'node:readline';
import Papa from 'papaparse';
import { Problem } from '@/data';

/** The largest file, and what else is too much of it. */
export const MOST = { octets: 64 * 1024 * 1024, json: 32 * 1024 * 1024, columns: 200, cell: 2000 };
/** As much of a file as is looked at to tell what it is, octets. */
const SNIFFED = 128 * 1024;

/** What a file is. */
export interface TableFile {
  path: string;
  format: 'table' | 'json' | 'lines';
  encoding: 'utf8' | 'latin1' | 'utf16le';
  delimiter: string;
  /** Of JSON: the keys that stand for columns. */
  keys: string[];
  /** What was taken for granted, in words. */
  notes: string[];
}

const starts = (head: Buffer, ...octets: number[]): boolean =>
  octets.every((octet, i) => head[i] === octet);

/** The encoding of a file: as its mark says, UTF-8 where it is that, and one octet a letter otherwise. */
function encodingOf(head: Buffer, whole: boolean): TableFile['encoding'] {
  if (starts(head, 0xff, 0xfe)) return 'utf16le';
  // The last letter may have been cut in two.
  const end = whole ? head.length : Math.max(0, head.length - 4);
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(head.subarray(0, end));
    return 'utf8';
  } catch {
    return 'latin1';
  }
}

/**
 * Tells what a file is, from its beginning.
 *
 * @throws Problem for what is no table, or too large
 */
export async function tableFile(path: string): Promise<TableFile> {
  const { size } = await stat(path);
  if (size === 0) throw new Problem('invalid', 'The file is empty.');
  if (size > MOST.octets) {
    throw new Problem(
      'invalid',
      `The file is ${Math.ceil(size / 1024 / 1024)} MB, which is too large: use at most ${MOST.octets / 1024 / 1024} MB.`,
    );
  }
  const handle = await open(path);
  const buffer = Buffer.alloc(Math.min(SNIFFED, size));
  await handle.read(buffer, 0, buffer.length, 0);
  await handle.close();
  if (starts(buffer, 0x50, 0x4b)) {
    throw new Problem(
      'invalid',
      'This is a ZIP archive or a workbook. Save the sheet as CSV, or extract the table from the archive first.',
    );
  }
  if (starts(buffer, 0x1f, 0x8b)) {
    throw new Problem('invalid', 'This file is compressed with gzip. Unpack it first.');
  }
  const whole = buffer.length === size;
  const encoding = encodingOf(buffer, whole);
  const text = buffer.toString(encoding).replace(/^\ufeff/, '');
  if (encoding !== 'utf16le' && buffer.includes(0)) {
    throw new Problem(
      'invalid',
      'This is not a text file: a table must be CSV, TSV, JSON or JSON lines.',
    );
  }
  const notes =
    encoding === 'latin1' ? ['The text is not UTF-8 and was read as Western European.'] : [];
  const base = { path, encoding, delimiter: ',', keys: [] as string[], notes };
  const first = text.trimStart()[0];
  if (first === '[')
    return { ...base, format: 'json', keys: keysOf(await jsonRows(path, encoding)) };
  if (first === '{') return { ...base, format: 'lines', keys: keysOf(linesIn(text, whole)) };
  const { meta, data } = Papa.parse<string[]>(text, {
    preview: 50,
    skipEmptyLines: 'greedy',
    delimitersToGuess: [',', ';', '\t', '|'],
  });
  const width = Math.max(0, ...data.map((row) => row.length));
  if (width > MOST.columns) {
    throw new Problem(
      'invalid',
      `The file has ${width} columns, which is too many: use at most ${MOST.columns}.`,
    );
  }
  if (width < 2) {
    throw new Problem(
      'invalid',
      'The columns could not be separated. Separate them with commas, semicolons, tabs or bars.',
    );
  }
  return { ...base, format: 'table', delimiter: meta.delimiter };
}

/** Values of an object that has others in it, each under the names that lead to it. */
function flat(
  value: unknown,
  name = '',
  into: Record<string, string> = {},
): Record<string, string> {
  if (value !== null && typeof value === 'object' && !Array.isArray(value)) {
    for (const [key, inner] of Object.entries(value))
      flat(inner, name ? `${name}.${key}` : key, into);
  } else if (value !== null && value !== undefined) {
    into[name] = typeof value === 'string' ? value : JSON.stringify(value);
  }
  return into;
}

function keysOf(rows: readonly unknown[]): string[] {
  const keys = [...new Set(rows.slice(0, 200).flatMap((row) => Object.keys(flat(row))))];
  if (keys.length > MOST.columns) {
    throw new Problem(
      'invalid',
      `The objects have ${keys.length} values, which is too many: use at most ${MOST.columns}.`,
    );
  }
  if (keys.length === 0) throw new Problem('invalid', 'The file contains no putts.');
  return keys;
}

function linesIn(text: string, whole: boolean): unknown[] {
  const lines = text.split('\n').filter((line) => line.trim());
  return (whole ? lines : lines.slice(0, -1)).slice(0, 200).flatMap((line) => {
    try {
      return [JSON.parse(line) as unknown];
    } catch {
      return [];
    }
  });
}

async function jsonRows(path: string, encoding: TableFile['encoding']): Promise<unknown[]> {
  const { size } = await stat(path);
  if (size > MOST.json) {
    throw new Problem(
      'invalid',
      `A single JSON list can be at most ${MOST.json / 1024 / 1024} MB. For more, write one putt per line.`,
    );
  }
  try {
    const told = JSON.parse((await readFile(path, encoding)).replace(/^\ufeff/, '')) as unknown;
    if (Array.isArray(told)) return told;
  } catch {
    // Said below: it is no list of JSON.
  }
  throw new Problem(
    'invalid',
    'The file starts like a JSON list but is not one. It may be incomplete.',
  );
}

/** The rows of a file as they stand, its headings first; a few hundred at a time. */
export async function* rowsOf(file: TableFile): AsyncGenerator<string[][]> {
  const cut = (row: readonly string[]) => row.map((cell) => cell.slice(0, MOST.cell));
  const asRow = (value: unknown) => {
    const own = flat(value);
    return cut(file.keys.map((key) => own[key] ?? ''));
  };
  if (file.format === 'table') {
    let first = true;
    for await (const rows of tableRows(file)) {
      if (first) rows[0] = (rows[0] ?? []).map((cell) => cell.replace(/^\ufeff/, ''));
      first = false;
      for (let at = 0; at < rows.length; at += BATCH) yield rows.slice(at, at + BATCH).map(cut);
    }
    return;
  }
  yield [file.keys];
  if (file.format === 'json') {
    const all = await jsonRows(file.path, file.encoding);
    for (let at = 0; at < all.length; at += BATCH) yield all.slice(at, at + BATCH).map(asRow);
    return;
  }
  const source = createReadStream(file.path, file.encoding);
  let batch: string[][] = [];
  try {
    for await (const line of createInterface({ input: source, crlfDelay: Infinity })) {
      if (!line.trim()) continue;
      batch.push(lineRow(line, asRow));
      if (batch.length < BATCH) continue;
      yield batch;
      batch = [];
    }
    if (batch.length > 0) yield batch;
  } finally {
    source.destroy();
  }
}

/** The rows of a table as they are parsed, a piece of the file at a time; it is read no further than it is asked for. */
async function* tableRows({ path, encoding, delimiter }: TableFile): AsyncGenerator<string[][]> {
  const source = createReadStream(path, { encoding, highWaterMark: PIECE });
  const ready: string[][][] = [];
  let wake = () => {};
  let ended: Error | true | null = null;
  let parser: Papa.Parser | null = null;
  Papa.parse<string[]>(source, {
    delimiter,
    skipEmptyLines: 'greedy',
    chunk: ({ data }, parsing) => {
      ready.push(data);
      parser = parsing;
      parsing.pause();
      wake();
    },
    complete: () => {
      ended = true;
      wake();
    },
    error: (error) => {
      ended = error;
      wake();
    },
  });
  try {
    for (;;) {
      const rows = ready.shift();
      if (rows) {
        if (rows.length > 0) yield rows;
      } else if (ended) {
        if (ended !== true) throw ended;
        return;
      } else {
        const woken = new Promise<void>((resolve) => (wake = resolve));
        (parser as Papa.Parser | null)?.resume();
        await woken;
      }
    }
  } finally {
    source.destroy();
  }
}

/** As much of a file as is parsed at once, octets. */
const PIECE = 64 * 1024;

/** Rows at a time. */
const BATCH = 500;

/** A line that is no JSON is a row of too many cells, which is refused with its number. */
function lineRow(line: string, asRow: (value: unknown) => string[]): string[] {
  try {
    return asRow(JSON.parse(line));
  } catch {
    return Array<string>(MOST.columns + 1).fill('');
  }
}
