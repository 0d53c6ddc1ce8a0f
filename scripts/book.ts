import { openDatabase, takeBook } from '@/data';
import { bookIn } from '@/features/import/archive';

/** Takes a whole book, as it was exported, into an empty database: `npm run book -- putts.zip`. */
async function main(): Promise<void> {
  const [file] = process.argv.slice(2);
  if (!file) throw new Error('Give the name of the file: npm run book -- putts.zip');
  const path = process.env.DIRIGO_DB ?? 'data/dirigo.db';
  const database = await openDatabase(path);
  try {
    const { rows } = await takeBook(database, bookIn(file));
    console.log(`${rows} rows were imported into ${path}.`);
  } finally {
    await database.close();
  }
}

main().catch((error: Error) => {
  console.error(error.message);
  process.exitCode = 1;
});
