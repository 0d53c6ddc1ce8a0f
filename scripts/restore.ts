import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { Problem, contentsOf, databaseFile, listCopies, newestWhole, restore } from '@/data';

/** Lists the copies of the database in DIRIGO_DB, or goes back to one: where Dirigo cannot start any more. */
async function main(): Promise<void> {
  const { values } = parseArgs({
    options: { newest: { type: 'boolean' }, from: { type: 'string' } },
  });
  const path = resolve(databaseFile());
  const from = values.newest ? (await newestWhole(path))?.file : values.from;
  if (from) {
    const { replaced } = await restore(path, resolve(from), new Date());
    console.log(`${path} is now what ${from} holds.\nWhat was there is kept: ${replaced}`);
    return;
  }
  const copies = await listCopies(path);
  if (copies.length === 0) {
    throw new Problem('not-found', `There is no copy of ${path}. Name a file with --from.`);
  }
  console.log(`Copies of ${path}, newest first:`);
  for (const { file, madeAt } of copies) {
    const held = await contentsOf(file).then(
      ({ students, sessions, putts }) =>
        `${students} students, ${sessions} sessions, ${putts} putts`,
      () => 'damaged',
    );
    console.log(`  ${madeAt.toISOString()}  ${held}\n    ${file}`);
  }
  console.log('\nGo back to the newest that is whole: npm run restore -- --newest');
  console.log('To another: npm run restore -- --from <file>');
}

main().catch((error: unknown) => {
  console.error(error instanceof Problem ? `\n✗ ${error.message}\n` : error);
  process.exitCode = 1;
});
