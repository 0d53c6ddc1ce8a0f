import { readFileSync } from 'node:fs';
import { strFromU8, unzipSync } from 'fflate';
import { openDatabase, takeBook } from '@/data';

/** Takes a whole book, as it was exported, into an empty database: `npm run book -- putts.zip`. */
async function* linesOf(text: string): AsyncGenerator<string> {
  yield* text.split('\n');
}

async function main(): Promise<void> {
  const [file] = process.argv.slice(2);
  if (!file) throw new Error('Name the file: npm run book -- putts.zip');
  const book = unzipSync(new Uint8Array(readFileSync(file)))['book.jsonl'];
  if (!book) {
    throw new Error(
      `${file} holds no whole book: it was made for one student or some time, or by no head coach.`,
    );
  }
  const path = process.env.DIRIGO_DB ?? 'data/dirigo.db';
  const database = await openDatabase(path);
  try {
    const { rows } = await takeBook(database, linesOf(strFromU8(book)));
    console.log(`${rows} rows were taken into ${path}.`);
  } finally {
    await database.close();
  }
}

main().catch((error: Error) => {
  console.error(error.message);
  process.exitCode = 1;
});
