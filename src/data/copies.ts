import { existsSync } from 'node:fs';
import {
  chmod,
  copyFile,
  link,
  mkdir,
  readFile,
  readdir,
  rename,
  rm,
  stat,
  writeFile,
} from 'node:fs/promises';
import { basename, dirname, isAbsolute, join } from 'node:path';
import { z } from 'zod';
import { Problem } from './problem';
import { OWN_ONLY, inspectFile, readRaw, toDisk } from './raw-file';

/** How many copies stay: the newest of each of so many hours, days and weeks that have one. */
export const STAYING = { hour: 24, day: 14, week: 8 } as const;

const LENGTHS = { hour: 3_600_000, day: 86_400_000, week: 604_800_000 } as const;

/** A copy is made when the one before is so old, ms, and something was written since. */
export const COPY_EVERY = LENGTHS.hour;

/** A copy of a whole database. */
export interface Copy {
  file: string;
  madeAt: Date;
  bytes: number;
  /** Made by itself or by touch; before the file was moved on to a newer version; what another copy took the place of. */
  kind: 'copy' | 'before' | 'replaced';
}

/** What is in a database, in few numbers. */
export interface Contents {
  students: number;
  sessions: number;
  putts: number;
  /** When the newest session began; null without one. */
  newest: Date | null;
}

/**
 * The times of copies that stay, of all that there are.
 *
 * @param times when each was made, ms
 * @returns those that are the newest of an hour, a day or a week, for so many hours, days and weeks as are kept
 * @example
 * staying([0, 1]) // Set { 1 }: both lie in the same hour, day and week
 */
export function staying(times: readonly number[]): Set<number> {
  const newestFirst = [...times].sort((a, b) => b - a);
  const stay = new Set<number>();
  for (const [period, count] of Object.entries(STAYING) as [keyof typeof STAYING, number][]) {
    const seen = new Set<number>();
    for (const time of newestFirst) {
      const slot = Math.floor(time / LENGTHS[period]);
      if (seen.has(slot)) continue;
      if (seen.size === count) break;
      seen.add(slot);
      stay.add(time);
    }
  }
  return stay;
}

const settingsSchema = z.object({
  /** Where copies are put; null for a folder beside the database. */
  folder: z.string().nullable().default(null),
  /** Why the last one could not be made; null when it could. */
  failed: z.object({ at: z.coerce.date(), message: z.string() }).nullable().default(null),
});
type CopySettings = z.infer<typeof settingsSchema>;

// Beside the database, not in it: the way back must be known when the database cannot be read.
const settingsFile = (path: string): string => `${path}.copies.json`;

/** Where the copies of a database go, and how the last one went. */
export async function copySettings(path: string): Promise<CopySettings> {
  const text = await readFile(settingsFile(path), 'utf8').catch(() => '{}');
  const parsed = settingsSchema.safeParse(tryJson(text));
  return parsed.success ? parsed.data : settingsSchema.parse({});
}

const tryJson = (text: string): unknown => {
  try {
    return JSON.parse(text);
  } catch {
    return {};
  }
};

async function keepSettings(path: string, settings: CopySettings): Promise<void> {
  const file = settingsFile(path);
  await writeFile(`${file}.part`, JSON.stringify(settings), { mode: OWN_ONLY });
  await rename(`${file}.part`, file);
}

/** The folder of a database's copies: as it was set, DIRIGO_COPIES, or one beside the database. */
export async function copiesFolder(path: string): Promise<string> {
  const { folder } = await copySettings(path);
  return folder ?? process.env.DIRIGO_COPIES ?? join(dirname(path), 'copies');
}

/**
 * Sets where copies are put; those that are there already stay where they are.
 *
 * @param folder a whole path; null for the folder beside the database
 * @throws Problem when nothing can be written there
 */
export async function setCopiesFolder(path: string, folder: string | null): Promise<void> {
  if (folder !== null) {
    if (!isAbsolute(folder)) {
      throw new Problem('invalid', `"${folder}" is no whole path: begin it with a /.`);
    }
    const probe = join(folder, `.dirigo-${process.pid}`);
    try {
      await mkdir(folder, { recursive: true });
      await writeFile(probe, '');
      await rm(probe);
    } catch {
      throw new Problem('invalid', `Nothing can be written in ${folder}.`);
    }
  }
  await keepSettings(path, { folder, failed: null });
}

const stem = (path: string): string => basename(path).replace(/\.db$/, '');
const stamp = (at: Date): string => at.toISOString().replaceAll(':', '-');
const STAMP = /(\d{4}-\d\d-\d\dT\d\d)-(\d\d)-(\d\d\.\d{3}Z)/;

function timeIn(name: string): Date | null {
  const found = STAMP.exec(name);
  return found ? new Date(`${found[1]}:${found[2]}:${found[3]}`) : null;
}

async function filesIn(folder: string): Promise<string[]> {
  return readdir(folder).catch(() => []);
}

/** The copies of a database, newest first: those in its folder, and those that lie beside it. */
export async function listCopies(path: string): Promise<Copy[]> {
  const copies: Copy[] = [];
  const add = async (file: string, kind: Copy['kind']) => {
    const known = await stat(file).catch(() => null);
    if (!known) return;
    copies.push({ file, kind, madeAt: timeIn(basename(file)) ?? known.mtime, bytes: known.size });
  };
  const folder = await copiesFolder(path);
  const own = `${stem(path)}-`;
  for (const name of await filesIn(folder)) {
    if (name.startsWith(own) && name.endsWith('.db') && timeIn(name)) {
      await add(join(folder, name), 'copy');
    }
  }
  const beside = basename(path);
  for (const name of await filesIn(dirname(path))) {
    if (/-(wal|shm)$|\.part$/.test(name)) continue;
    const file = join(dirname(path), name);
    if (name.startsWith(`${beside}.before-`)) await add(file, 'before');
    if (name.startsWith(`${beside}.replaced-`)) await add(file, 'replaced');
  }
  return copies.sort((a, b) => b.madeAt.getTime() - a.madeAt.getTime());
}

/** The newest copy that is whole; null when there is none. What a copy took the place of was left on purpose: it is not one. */
export async function newestWhole(path: string): Promise<Copy | null> {
  for (const copy of await listCopies(path)) {
    if (copy.kind !== 'replaced' && (await contentsOf(copy.file).catch(() => null))) return copy;
  }
  return null;
}

/**
 * What is in a database file, once all of it has been checked.
 *
 * @throws Problem for a file that is none of Dirigo's; Damage for one that is not whole
 */
export async function contentsOf(file: string): Promise<Contents> {
  if (!existsSync(file)) throw new Problem('not-found', `${file} is not there.`);
  const applied = await inspectFile(file, 'integrity_check').catch((error: unknown) => {
    if (/SQLITE_NOTADB/.test(String(error))) {
      throw new Problem('invalid', `${basename(file)} is not a Dirigo database.`);
    }
    throw error;
  });
  if (applied.length === 0) throw new Problem('invalid', `${basename(file)} is empty.`);
  return readRaw(file, async ({ all }) => {
    const [row] = await all(
      `SELECT (SELECT COUNT(*) FROM student) AS students, (SELECT COUNT(*) FROM session) AS sessions,
              (SELECT COUNT(*) FROM putt) AS putts, (SELECT MAX(startedAt) FROM session) AS newest`,
    );
    return {
      students: Number(row!.students),
      sessions: Number(row!.sessions),
      putts: Number(row!.putts),
      newest: row!.newest ? new Date(String(row!.newest)) : null,
    };
  });
}

/** Writes a whole copy of a database that is in use; it has its name only once it was checked and is on disk. */
export async function writeCopy(path: string, file: string): Promise<void> {
  const part = `${file}.part`;
  await mkdir(dirname(file), { recursive: true });
  await rm(part, { force: true });
  try {
    await readRaw(path, ({ all }) => all(`VACUUM INTO '${part.replaceAll("'", "''")}'`));
    await chmod(part, OWN_ONLY);
    await contentsOf(part);
    await toDisk(part);
    // Not by renaming: a copy that has this name already is never overwritten.
    await link(part, file);
  } finally {
    await rm(part, { force: true });
  }
}

/**
 * Makes a copy, checks it, and only then lets old ones go.
 *
 * @param at now
 * @throws Problem when it cannot be made; why is kept, to be told under Today
 */
export async function makeCopy(path: string, at: Date): Promise<Copy> {
  const { folder } = await copySettings(path);
  const to = await copiesFolder(path);
  const file = join(to, `${stem(path)}-${stamp(at)}.db`);
  try {
    await writeCopy(path, file);
  } catch (error) {
    const message = copyProblem(error, to);
    await keepSettings(path, { folder, failed: { at, message } });
    throw new Problem('database', message);
  }
  await keepSettings(path, { folder, failed: null });
  const copies = (await listCopies(path)).filter(({ kind }) => kind === 'copy');
  const stay = staying(copies.map(({ madeAt }) => madeAt.getTime()));
  for (const old of copies) {
    if (!stay.has(old.madeAt.getTime())) await rm(old.file, { force: true });
  }
  return { file, madeAt: at, bytes: (await stat(file)).size, kind: 'copy' };
}

function copyProblem(error: unknown, folder: string): string {
  const text = String(error);
  if (/ENOSPC|SQLITE_FULL/.test(text))
    return `No copy could be made: the disk of ${folder} is full.`;
  if (/EACCES|EROFS|EPERM|SQLITE_CANTOPEN|SQLITE_READONLY|ENOENT|ENOTDIR|EEXIST/.test(text)) {
    return `No copy could be made: nothing can be written in ${folder}.`;
  }
  if (/Damage|SQLITE_CORRUPT|malformed/.test(text)) {
    return 'No copy could be made: the database is damaged. Go back to the newest copy that is whole.';
  }
  return `No copy could be made in ${folder}.`;
}

/** Makes a copy when the newest is an hour old and something was written since; null when none is due. */
export async function copyWhenDue(path: string, at: Date): Promise<Copy | null> {
  const newest = (await listCopies(path)).find(({ kind }) => kind === 'copy');
  if (newest) {
    if (at.getTime() - newest.madeAt.getTime() < COPY_EVERY) return null;
    if ((await writtenAt(path)) <= newest.madeAt.getTime()) return null;
  }
  return makeCopy(path, at);
}

/** When something was last written to a database, ms. */
async function writtenAt(path: string): Promise<number> {
  const times = await Promise.all(
    [path, `${path}-wal`].map(async (file) => (await stat(file).catch(() => null))?.mtimeMs ?? 0),
  );
  return Math.max(...times);
}

/**
 * Keeps a database as it is before it is moved on to a newer version: a copy of its own, which none overwrites.
 *
 * @param path the database
 * @param before the migration that comes next
 */
export async function copyBefore(path: string, before: string): Promise<void> {
  const base = `${path}.before-${before}`;
  let file = base;
  for (let number = 2; existsSync(file); number++) file = `${base}-${number}`;
  await writeCopy(path, file);
}

/** Copies a file as it lies, readable to nobody else, and waits until it is on disk. */
export async function copyRaw(from: string, to: string): Promise<void> {
  await copyFile(from, to);
  await chmod(to, OWN_ONLY);
  await toDisk(to);
}
