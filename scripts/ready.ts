import { parseArgs } from 'node:util';
import { Problem, listStudents, headCoach, openDatabase, seedDemo } from '@/data';

/** Makes the database in DIRIGO_DB ready to serve: made, migrated and, for the demo, filled when it is empty. */
async function main(): Promise<void> {
  const { values } = parseArgs({
    options: { demo: { type: 'boolean' }, date: { type: 'string' } },
  });
  const database = await openDatabase(process.env.DIRIGO_DB ?? 'data/dirigo.db');
  const principal = await headCoach(database);
  if (values.demo && (await listStudents(database, principal)).length === 0) {
    await seedDemo(database, values.date ? new Date(values.date) : new Date());
    console.log('The demo now has its ten weeks of data.');
  }
  console.log(`Database: ${database.path}`);
  await database.close();
}

main().catch((error: unknown) => {
  console.error(error instanceof Problem ? `\n✗ ${error.message}\n` : error);
  process.exitCode = 1;
});
