import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openDatabase } from '@/data';

/**
 * Opens a database, migrating it, in a process that is ended at the Nth time it waits for a disk. Ends with 0 when it came
 * through: there are fewer.
 */
async function main(): Promise<void> {
  const [file, at] = process.argv.slice(2) as [string, string?];
  if (at === undefined) {
    await (await openDatabase(file)).close();
    return;
  }
  const folder = mkdtempSync(join(tmpdir(), 'dirigo-kill-'));
  const shim = join(folder, 'kill-at-sync.so');
  execFileSync('cc', ['-shared', '-fPIC', '-o', shim, 'scripts/kill-at-sync.c', '-ldl']);
  const { status } = spawnSync(
    process.execPath,
    ['--import', 'tsx', 'scripts/open-killed.ts', file],
    { env: { ...process.env, LD_PRELOAD: shim, KILL_AT_SYNC: at }, stdio: 'inherit' },
  );
  rmSync(folder, { recursive: true });
  process.exitCode = status ?? 1;
}

void main();
