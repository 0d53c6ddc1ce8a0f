import { existsSync } from 'node:fs';
import { readFile, rename, rm, writeFile } from 'node:fs/promises';
import { dirname } from 'node:path';
import { z } from 'zod';
import { COMPANIONS, OWN_ONLY, toDisk } from './raw-file';

/** What takes the place of a database file, and the name under which what was there is kept. */
const swapSchema = z.object({ incoming: z.string(), replaced: z.string() });
type Swap = z.infer<typeof swapSchema>;

const journal = (path: string): string => `${path}.swap`;

/**
 * Puts one database file in the place of another, which is kept under a name of its own with all that belongs to it. What is
 * to be done is written down first: a kill at any point is made good when the file is opened next.
 *
 * @param path the file that is replaced; nobody may have it open
 * @param swap the file that takes its place, whole and closed, and the name for the old one
 */
export async function swapFiles(path: string, swap: Swap): Promise<void> {
  const part = `${journal(path)}.part`;
  await writeFile(part, JSON.stringify(swap), { mode: OWN_ONLY, flush: true });
  await rename(part, journal(path));
  await toDisk(dirname(path));
  await finishSwap(path);
}

/** Does what is left to do of a swap that was begun; nothing when none was. */
export async function finishSwap(path: string): Promise<void> {
  if (!existsSync(journal(path))) return;
  const swap = swapSchema.parse(JSON.parse(await readFile(journal(path), 'utf8')));
  if (existsSync(swap.incoming)) {
    for (const ending of ['', ...COMPANIONS]) {
      if (existsSync(path + ending)) await rename(path + ending, swap.replaced + ending);
    }
    await rename(swap.incoming, path);
    await toDisk(dirname(path));
  }
  await rm(journal(path));
}
