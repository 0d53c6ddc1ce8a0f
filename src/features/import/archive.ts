import 'server-only';
import { createReadStream } from 'node:fs';
import { open } from 'node:fs/promises';
import { Unzip, UnzipInflate } from 'fflate';
import { Problem } from '@/data';

/** The file of a whole book within what was taken out. */
const BOOK = 'book.jsonl';
/** What stands beside it, and in what was taken out of a part. */
const PACKAGE = 'datapackage.json';
/** What is believed of a book, unpacked, bytes: a hundred thousand putts are a tenth of it. */
const MOST = 1024 ** 3;
/** Lines of a book at most, and how many of them may be blank: a full export has none. */
const MOST_LINES = { all: 10_000_000, blank: 1000 };

/** Whether a file is a zip archive, by its first letters. */
export async function isArchive(path: string): Promise<boolean> {
  const handle = await open(path);
  try {
    const { buffer } = await handle.read(Buffer.alloc(4), 0, 4, 0);
    return buffer[0] === 0x50 && buffer[1] === 0x4b;
  } finally {
    await handle.close();
  }
}

/**
 * The lines of the whole book in what was taken out, read as they are needed.
 *
 * @param path of the archive
 * @param most how large it may be, unpacked, octets
 * @throws Problem when the archive is broken, holds no whole book, or is too large
 */
export async function* bookIn(path: string, most = MOST): AsyncGenerator<string> {
  const pieces: Uint8Array[] = [];
  const names: string[] = [];
  let [octets, ended] = [0, false];
  let broken: unknown = null;
  const unzip = new Unzip((file) => {
    names.push(file.name);
    if (file.name !== BOOK) return;
    file.ondata = (error, piece, last) => {
      broken ??= error;
      if (piece) pieces.push(piece);
      ended ||= last;
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  const text = new TextDecoder();
  let rest = '';
  const counted = { all: 0, blank: 0 };
  /** Blank lines are dropped as they come: to hand on millions of them one by one takes minutes. */
  const written = (lines: string[]): string[] => {
    const some = lines.filter((line) => line.trim() !== '');
    counted.all += lines.length;
    counted.blank += lines.length - some.length;
    if (counted.all > MOST_LINES.all || counted.blank > MOST_LINES.blank) {
      throw new Problem('invalid', 'This file has too many lines to be a full export.');
    }
    return some;
  };
  for await (const chunk of createReadStream(path) as AsyncIterable<Buffer>) {
    try {
      unzip.push(chunk);
    } catch (error) {
      broken = error;
    }
    if (broken) break;
    for (const piece of pieces.splice(0)) {
      octets += piece.length;
      if (octets > most) {
        throw new Problem(
          'invalid',
          `Unpacked, the full export is larger than ${Math.floor(most / 1024 / 1024)} MB. It was not imported.`,
        );
      }
      const lines = (rest + text.decode(piece, { stream: true })).split('\n');
      rest = lines.pop()!;
      yield* written(lines);
    }
    if (ended) break;
  }
  try {
    if (!ended && !broken) unzip.push(new Uint8Array(0), true);
  } catch (error) {
    broken = error;
  }
  if (ended && !broken) {
    yield* written([rest]);
    return;
  }
  throw new Problem(
    'invalid',
    names.includes(BOOK) || (broken && names.includes(PACKAGE)) ? CUT : without(names),
  );
}

const CUT = 'The archive is damaged or incomplete. Export everything again from the other Dirigo.';

/** What an archive without a whole book is, and what to do with it. */
const without = (names: readonly string[]): string =>
  names.includes(PACKAGE)
    ? 'This archive contains tables but not a full export. It was made for one student or for part of the time, or not by a head coach. Extract putts.csv from the archive and choose that file.'
    : 'This is a ZIP archive or a workbook. Save the sheet as CSV, or extract the table from the archive first.';
