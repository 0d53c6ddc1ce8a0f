import { resolve } from 'node:path';
import { createInterface } from 'node:readline/promises';
import { parseArgs } from 'node:util';
import {
  Problem,
  contentsOf,
  databaseFile,
  listBackups,
  newestGoodBackup,
  restore,
  withPlainBackup,
} from '@/data';

/** The passphrase of an encrypted backup: from DIRIGO_BACKUP_PASSPHRASE, or typed. */
async function passphraseFor(file: string): Promise<string | null> {
  if (!file.endsWith('.age')) return null;
  const given = process.env.DIRIGO_BACKUP_PASSPHRASE;
  if (given) return given;
  const lines = createInterface({ input: process.stdin, output: process.stdout });
  const typed = await lines.question('Passphrase of this backup: ');
  lines.close();
  return typed;
}

/** Lists the backups of the database in DIRIGO_DB, or restores one: where Dirigo cannot start any more. */
async function main(): Promise<void> {
  const { values } = parseArgs({
    options: { newest: { type: 'boolean' }, from: { type: 'string' } },
  });
  const path = resolve(databaseFile());
  const from = values.newest ? (await newestGoodBackup(path, new Date()))?.file : values.from;
  if (from) {
    const file = resolve(from);
    const done = await restore(path, file, new Date(), await passphraseFor(file));
    const { students, sessions, putts } = done.contents;
    console.log(
      `Restored ${path} from ${file}: ${students} students, ${sessions} sessions, ${putts} putts.`,
    );
    console.log(`The database that was there is kept: ${done.replaced}`);
    if (done.signInsEnded) {
      console.log(
        'It could not be read, so nobody knows which links and devices were revoked in it: all were signed out. Create new links for your students; npm run sign-in prints one for you.',
      );
    }
    return;
  }
  const backups = await listBackups(path);
  if (backups.length === 0) {
    throw new Problem('not-found', `There is no backup of ${path}. Name a file with --from.`);
  }
  console.log(`Backups of ${path}, newest first:`);
  for (const { file, madeAt } of backups) {
    const held = await withPlainBackup(path, file, null, contentsOf).then(
      ({ students, sessions, putts }) =>
        `${students} students, ${sessions} sessions, ${putts} putts`,
      (error: unknown) => (error instanceof Problem ? error.message : 'damaged'),
    );
    console.log(`  ${madeAt.toISOString()}  ${held}\n    ${file}`);
  }
  console.log('\nRestore the newest good one: npm run restore -- --newest');
  console.log('Restore another: npm run restore -- --from <file>');
}

main().catch((error: unknown) => {
  console.error(error instanceof Problem ? `\n✗ ${error.message}\n` : error);
  process.exitCode = 1;
});
