import { openDatabase } from '@/data';
import { guessMapping } from '@/core/table';
import { rowsOf, tableFile } from '@/features/import/table-file';
import { takeFile } from '@/features/import/take';

/**
 * Imports a table of putts, and kills its own process once so many putts are in, as a power cut would. For tests:
 * `import-killed.ts <database> <file> <coach> <putts>`.
 */
async function main(): Promise<void> {
  const [path, table, coachId, putts] = process.argv.slice(2) as [string, string, string, string];
  const database = await openDatabase(path);
  const file = await tableFile(table);
  const { value: rows } = await rowsOf(file).next();
  const { mapping } = guessMapping(rows!.slice(0, 30));
  const principal = { as: 'head' as const, coachId, deviceId: null };
  await takeFile(database, principal, file, mapping, 'old.csv', (taken) => {
    if (taken >= Number(putts)) process.kill(process.pid, 'SIGKILL');
  });
}

void main();
