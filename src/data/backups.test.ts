import {
  chmodSync,
  existsSync,
  mkdirSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
  truncateSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import fc from 'fast-check';
import { Umzug } from 'umzug';
import { addDays, addHours } from 'date-fns';
import { STAYING, listBackups, setBackupFolder, staying } from './backup-files';
import { backupFault, backupFolder, backupState } from './backup-state';
import {
  backupWhenDue,
  contentsOf,
  makeBackup,
  newestGoodBackup,
  withPlainBackup,
} from './backups';
import { encryptBackups, newBackupKey } from './backup-key';
import { checkHealth } from './health';
import { rehearseWhenDue } from './rehearsal';
import { restore } from './restore';
import { swapFiles } from './swap';
import { DEFAULT_PUTT } from '@/core/green';
import { bareDetails } from '@/core/drill';
import { ballGateLayout } from '@/core/layout';
import {
  addDrill,
  addStudent,
  getStudent,
  headCoach,
  knownLink,
  listStudents,
  makeLink,
  openDatabase,
  openLink,
  signIn,
  startSession,
  whoAsks,
  type CoachPrincipal,
  type Database,
} from '.';
import { TEST_STUDENT, openTestBook, type TestBook } from './test-book';

const at = new Date('2026-11-26T09:00:00Z');
const HOUR = 3_600_000;

let book: TestBook;
beforeEach(async () => {
  book = await openTestBook();
});
afterEach(() => book.close());

/** A session of a student, with a drill. */
async function addSession(database: Database, principal: CoachPrincipal): Promise<void> {
  const studentId = await addStudent(database, principal, TEST_STUDENT);
  const gate = { distance: 0.4572, gap: 0.06, shank: 0.005 };
  const kept = { name: 'Gate', layout: ballGateLayout(DEFAULT_PUTT, gate), details: bareDetails() };
  const drillId = await addDrill(database, principal, kept, at);
  await startSession(database, principal, { studentId, drillId, startedAt: at });
}

/** Zeroes the middle of a file, as a bad disk would. */
function damage(file: string): void {
  const bytes = readFileSync(file);
  bytes.fill(0x5a, 4096, Math.floor(bytes.length * 0.7));
  writeFileSync(file, bytes);
}

describe('copies that stay', () => {
  it('are those of the last hours, days and weeks', () => {
    const now = at.getTime();
    const hourly = Array.from({ length: 24 * 200 }, (_, hour) => now - hour * HOUR);
    const stay = [...staying(hourly)].sort((a, b) => b - a);
    // Counted by hand: 24 hours back from now are 24; days 1 to 13 before; weeks beyond those.
    expect(stay.slice(0, 24)).toEqual(hourly.slice(0, 24));
    expect(stay.length).toBeGreaterThanOrEqual(24 + 12 + 5);
    expect(stay.length).toBeLessThanOrEqual(24 + 14 + 8);
    expect(now - stay.at(-1)!).toBeGreaterThan(6 * 7 * 24 * HOUR);
    expect(now - stay.at(-1)!).toBeLessThan(9 * 7 * 24 * HOUR);
  });

  it('always have the newest among them, and never more than so many', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 5e12 }), { minLength: 1 }), (times) => {
        const stay = staying(times);
        expect(stay.has(Math.max(...times))).toBe(true);
        expect(stay.size).toBeLessThanOrEqual(STAYING.hour + STAYING.day + STAYING.week);
        // To let go and to look again lets nothing more go.
        expect(staying([...stay])).toEqual(stay);
      }),
    );
  });
});

describe('a copy', () => {
  it('is whole, ours only to read, and says what is in it', async () => {
    const { database, principal } = book;
    await addStudent(database, principal, TEST_STUDENT);
    const copy = await makeBackup(database.path, at);
    expect(await contentsOf(copy.file)).toEqual({
      students: 1,
      sessions: 0,
      putts: 0,
      newest: null,
    });
    expect(statSync(copy.file).mode & 0o777).toBe(0o600);
    const opened = await openDatabase(copy.file);
    expect(await listStudents(opened, await headCoach(opened))).toHaveLength(1);
    await opened.close();
  });

  it('is made when the last is an hour old and something was written since', async () => {
    const { database, principal } = book;
    const now = new Date();
    // A copy's name tells its second: what was written just before, in the same one, would count as written since.
    for (const file of [database.path, `${database.path}-wal`]) {
      if (existsSync(file)) utimesSync(file, addHours(now, -1), addHours(now, -1));
    }
    expect(await backupWhenDue(database.path, now)).not.toBeNull();
    expect(await backupWhenDue(database.path, addHours(now, 0.9))).toBeNull();
    expect(await backupWhenDue(database.path, addHours(now, 1.1))).toBeNull();
    await addStudent(database, principal, TEST_STUDENT);
    expect(await backupWhenDue(database.path, addHours(now, 0.9))).toBeNull();
    expect(await backupWhenDue(database.path, addHours(now, 1.1))).not.toBeNull();
  });

  it('lets old ones go once it is there, and no other file', async () => {
    const { database } = book;
    const folder = await backupFolder(database.path);
    for (let day = 0; day < 40; day++) await makeBackup(database.path, addDays(at, day));
    writeFileSync(join(folder, 'letter.txt'), 'mine');
    await makeBackup(database.path, addDays(at, 40));
    const copies = await listBackups(database.path);
    expect(copies[0]!.madeAt).toEqual(addDays(at, 40));
    expect(copies.length).toBeLessThan(41);
    expect(copies.length).toBeGreaterThanOrEqual(14);
    expect(existsSync(join(folder, 'letter.txt'))).toBe(true);
    expect(readdirSync(folder).filter((name) => name.endsWith('.part'))).toEqual([]);
  });

  it('that cannot be made says why, keeps the old ones, and is told until one can', async () => {
    const { database, folder } = book;
    const made = await makeBackup(database.path, at);
    const elsewhere = join(folder, 'elsewhere');
    await setBackupFolder(database.path, elsewhere);
    // A file stands where the folder was.
    rmSync(elsewhere, { recursive: true });
    writeFileSync(elsewhere, '');
    await expect(makeBackup(database.path, addHours(at, 2))).rejects.toThrow(
      'Dirigo cannot write to',
    );
    expect((await backupState(database.path)).failed).toMatchObject({ at: addHours(at, 2) });
    expect(existsSync(made.file)).toBe(true);
    await setBackupFolder(database.path, null);
    await makeBackup(database.path, addHours(at, 3));
    expect((await backupState(database.path)).failed).toBeNull();
  });

  it('goes where it is told to, when something can be written there', async () => {
    const { database, folder } = book;
    await expect(setBackupFolder(database.path, 'here')).rejects.toThrow('not an absolute path');
    writeFileSync(join(folder, 'file'), '');
    await expect(setBackupFolder(database.path, join(folder, 'file'))).rejects.toThrow(
      'Dirigo cannot write to',
    );
    await setBackupFolder(database.path, join(folder, 'disk two'));
    const { file } = await makeBackup(database.path, at);
    expect(file.startsWith(join(folder, 'disk two'))).toBe(true);
  });

  it('that is damaged is passed over for the newest that is whole', async () => {
    const { database } = book;
    const good = await makeBackup(database.path, at);
    const bad = await makeBackup(database.path, addHours(at, 1));
    damage(bad.file);
    expect((await newestGoodBackup(database.path, addHours(at, 2)))!.file).toBe(good.file);
    truncateSync(good.file, 5000);
    expect(await newestGoodBackup(database.path, addHours(at, 2))).toBeNull();
  });
});

describe('a clock that was wrong', () => {
  it('a month ahead once does not stop the backups, and its backup is not taken for the newest', async () => {
    const { database, principal } = book;
    await makeBackup(database.path, addHours(at, -3));
    const ahead = await makeBackup(database.path, addDays(at, 30));
    // The clock is right again; something is logged.
    await addStudent(database, principal, TEST_STUDENT);
    const next = await backupWhenDue(database.path, at);
    expect(next).not.toBeNull();
    expect((await newestGoodBackup(database.path, at))!.file).toBe(next!.file);
    // It goes on hourly, and the one from the future neither stops nor replaces any.
    await addStudent(database, principal, { ...TEST_STUDENT, name: 'Later' });
    expect(await backupWhenDue(database.path, addHours(at, 1))).not.toBeNull();
    expect(existsSync(ahead.file)).toBe(true);
  });

  it('behind once does not hide what was written: the content of the newest backup is compared', async () => {
    const { database, principal } = book;
    const now = new Date();
    const newest = await makeBackup(database.path, now);
    await addStudent(database, principal, TEST_STUDENT);
    // As if the file had been written a month ago.
    for (const file of [database.path, `${database.path}-wal`]) {
      utimesSync(file, addDays(now, -30), addDays(now, -30));
    }
    const next = await backupWhenDue(database.path, addHours(now, 2));
    expect(next).not.toBeNull();
    expect(next!.file).not.toBe(newest.file);
    expect(await backupWhenDue(database.path, addHours(now, 4))).toBeNull();
  });

  it('a backup from the future is the newest good one while it alone holds the newest putts', async () => {
    const { database, principal } = book;
    await makeBackup(database.path, at);
    await addSession(database, principal);
    const ahead = await makeBackup(database.path, addDays(at, 30));
    expect((await newestGoodBackup(database.path, addHours(at, 1)))!.file).toBe(ahead.file);
  });
});

describe('a disk that is full', () => {
  it('keeps the reason in memory, where Today and the health check find it', async () => {
    const { database, folder } = book;
    // Neither the backup nor the file with the reason can be written.
    const { path } = database;
    writeFileSync(join(folder, 'copies'), '');
    mkdirSync(`${path}.copies.json.part`);
    await expect(makeBackup(path, at)).rejects.toThrow('The backup failed');
    expect(existsSync(`${path}.copies.json`)).toBe(false);
    expect((await backupState(path)).failed).toMatchObject({ at });
    const health = await checkHealth(database, path, at);
    expect([health.ok, health.backup.problem]).toEqual([
      false,
      expect.stringContaining('The backup failed'),
    ]);
    rmSync(join(folder, 'copies'));
    await makeBackup(path, addHours(at, 1));
    expect((await backupState(path)).failed).toBeNull();
  });
});

describe('an encrypted backup', () => {
  const PASSPHRASE = 'barge lantern moss quay';
  // Quick: what is tested here is the key, not how long a guess takes.
  const newKey = () => newBackupKey(PASSPHRASE, 10);

  it('shows nothing of what it holds, and is opened by its passphrase alone, on another machine too', async () => {
    const { database, principal, folder } = book;
    await addStudent(database, principal, TEST_STUDENT);
    await encryptBackups(database.path, await newKey());
    const { file, encrypted } = await makeBackup(database.path, at);
    expect([encrypted, file.endsWith('.db.age')]).toEqual([true, true]);
    const copies = join(folder, 'copies');
    for (const name of readdirSync(copies)) {
      const bytes = readFileSync(join(copies, name));
      expect(bytes.includes(TEST_STUDENT.name)).toBe(false);
      expect(bytes.includes('SQLite format')).toBe(false);
      expect(bytes.includes(PASSPHRASE)).toBe(false);
    }
    expect(readFileSync(`${database.path}.copies.json`, 'utf8')).not.toContain(PASSPHRASE);
    // Another machine has the folder of backups, and nothing else.
    const elsewhere = join(folder, 'elsewhere');
    mkdirSync(elsewhere);
    for (const name of readdirSync(copies)) {
      writeFileSync(join(elsewhere, name), readFileSync(join(copies, name)));
    }
    const there = join(elsewhere, 'new.db');
    const from = join(elsewhere, basename(file));
    await expect(restore(there, from, at)).rejects.toThrow('is encrypted. Enter its passphrase');
    await expect(restore(there, from, at, 'barge lantern moss key')).rejects.toThrow(
      'does not open this backup',
    );
    expect(existsSync(there)).toBe(false);
    expect((await restore(there, from, at, PASSPHRASE)).contents.students).toBe(1);
  });

  it('is rehearsed like any other, and no longer made once encryption was stopped', async () => {
    const { database, principal } = book;
    await addStudent(database, principal, TEST_STUDENT);
    await encryptBackups(database.path, await newKey());
    const sealed = await makeBackup(database.path, at);
    expect(await rehearseWhenDue(database.path, at)).toBe(true);
    expect((await backupState(database.path)).rehearsed).toEqual({
      at,
      file: sealed.file,
      problem: null,
    });
    await encryptBackups(database.path, null);
    expect((await makeBackup(database.path, addHours(at, 1))).encrypted).toBe(false);
    // The earlier one still opens with its passphrase.
    await withPlainBackup(database.path, sealed.file, PASSPHRASE, async (plain) => {
      expect((await contentsOf(plain)).students).toBe(1);
    });
  });
});

describe('a rehearsal of a restore', () => {
  it('takes place once a day, and leaves nothing behind', async () => {
    const { path } = book.database;
    expect(await rehearseWhenDue(path, at)).toBe(false);
    await makeBackup(path, at);
    const before = readdirSync(tmpdir()).filter((name) => name.startsWith('dirigo-rehearsal-'));
    expect(await rehearseWhenDue(path, at)).toBe(true);
    expect(await rehearseWhenDue(path, addHours(at, 23))).toBe(false);
    expect(await rehearseWhenDue(path, addHours(at, 24))).toBe(true);
    // A clock that was ahead does not stop the next.
    expect(await rehearseWhenDue(path, addHours(at, 12))).toBe(true);
    const after = readdirSync(tmpdir()).filter((name) => name.startsWith('dirigo-rehearsal-'));
    expect(after).toEqual(before);
  });

  it('that fails is told like a failed backup', async () => {
    const { database } = book;
    await makeBackup(database.path, at);
    jest.spyOn(Umzug.prototype, 'up').mockRejectedValueOnce(new Error('a migration failed'));
    expect(await rehearseWhenDue(database.path, at)).toBe(true);
    const fault = async () => backupFault(await backupState(database.path))?.message ?? null;
    expect(await fault()).toContain('failed a test restore: ');
    expect((await checkHealth(database, database.path, at)).ok).toBe(false);
    // Another backup does not make it good; only a rehearsal of that one does.
    expect(await rehearseWhenDue(database.path, addHours(at, 1))).toBe(false);
    await makeBackup(database.path, addHours(at, 1));
    expect(await fault()).toContain('failed a test restore');
    expect(await rehearseWhenDue(database.path, addHours(at, 1))).toBe(true);
    expect(await fault()).toBeNull();
    expect((await checkHealth(database, database.path, addHours(at, 1))).ok).toBe(true);
  });
});

describe('the health of a database', () => {
  it('is good with a fresh backup, and not without one or with one of the day before', async () => {
    const { database } = book;
    const { path } = database;
    expect((await checkHealth(database, path, at)).backup.ageSeconds).toBeNull();
    await makeBackup(path, at);
    const fresh = await checkHealth(database, path, addHours(at, 2));
    expect(fresh).toMatchObject({
      ok: true,
      database: { readable: true, writable: true },
      backup: { ageSeconds: 7200, problem: null },
    });
    expect((await checkHealth(database, path, addHours(at, 25))).ok).toBe(false);
    expect((await checkHealth(null, path, addHours(at, 2))).database.readable).toBe(false);
    // One from the future says nothing of today.
    await makeBackup(path, addDays(at, 30));
    expect((await checkHealth(database, path, addHours(at, 25))).ok).toBe(false);
  });

  it('a backup is made once a day even where nothing was written', async () => {
    const { path } = book.database;
    const now = new Date();
    const first = await makeBackup(path, now);
    for (const file of [path, `${path}-wal`]) {
      if (existsSync(file)) utimesSync(file, addHours(now, -1), addHours(now, -1));
    }
    expect(await backupWhenDue(path, addHours(now, 5))).toBeNull();
    expect((await backupWhenDue(path, addHours(now, 21)))!.file).not.toBe(first.file);
  });
});

describe('going back to a copy', () => {
  /** A book with a student, a copy of it, and a second student since. */
  async function withCopy() {
    const { database, principal } = book;
    const first = await addStudent(database, principal, TEST_STUDENT);
    const copy = await makeBackup(database.path, at);
    const second = await addStudent(database, principal, { ...TEST_STUDENT, name: 'Since' });
    return { first, second, copy };
  }

  it('puts it in the place of what is there, which is kept as it was', async () => {
    const { first, second, copy } = await withCopy();
    const { database } = book;
    const { lineage } = database;
    await database.close();
    const { replaced } = await restore(database.path, copy.file, at);
    book.database = await openDatabase(database.path);
    expect(book.database.lineage).not.toBe(lineage);
    expect((await getStudent(book.database, book.principal, first)).name).toBe(TEST_STUDENT.name);
    await expect(getStudent(book.database, book.principal, second)).rejects.toThrow(
      'does not exist',
    );
    const before = await openDatabase(replaced);
    expect((await getStudent(before, book.principal, second)).name).toBe('Since');
    await before.close();
    expect((await listBackups(database.path)).map(({ kind }) => kind)).toContain('replaced');
  });

  it('does not bring to life what was ended since', async () => {
    const { database, principal } = book;
    const studentId = await addStudent(database, principal, TEST_STUDENT);
    const ended = await makeLink(database, principal, studentId, at);
    const stays = await makeLink(database, principal, null, at);
    const phone = await signIn(database, principal.coachId, 'link', 'A phone', at);
    const laptop = await signIn(database, principal.coachId, 'link', 'A laptop', at);
    const copy = await makeBackup(database.path, at);
    await makeLink(database, principal, studentId, addHours(at, 1));
    const { id } = (await database.models.device.findOne({ where: { name: 'A phone' } }))!;
    await database.models.device.update({ endedAt: at }, { where: { id }, hooks: false });
    await database.close();
    await restore(database.path, copy.file, addHours(at, 2));
    book.database = await openDatabase(database.path);
    const now = addHours(at, 3);
    await expect(openLink(book.database, ended, now)).rejects.toThrow('page does not exist');
    expect(await openLink(book.database, stays, now)).not.toBeNull();
    expect(await whoAsks(book.database, phone, now)).toBeNull();
    expect(await whoAsks(book.database, laptop, now)).not.toBeNull();
    expect(await knownLink(book.database, principal, studentId, now)).toBeNull();
  });

  it.each([
    ['damaged', (file: string) => damage(file)],
    ['cut off', (file: string) => truncateSync(file, 9000)],
    ['no database at all', (file: string) => writeFileSync(file, 'x'.repeat(9000))],
    ['gone', (file: string) => writeFileSync(file, '')],
  ])('is possible when what is there is %s', async (_what, hurt) => {
    const { first, copy } = await withCopy();
    const { path } = book.database;
    await book.database.close();
    hurt(path);
    await restore(path, copy.file, at);
    book.database = await openDatabase(path);
    expect((await getStudent(book.database, book.principal, first)).name).toBe(TEST_STUDENT.name);
  });

  it('is refused while the file is in use, for a copy that is not whole, and for another program’s', async () => {
    const { copy } = await withCopy();
    const { path } = book.database;
    await expect(restore(path, copy.file, at)).rejects.toThrow('is in use');
    await book.database.close();
    const bad = join(book.folder, 'bad.db');
    writeFileSync(bad, readFileSync(copy.file));
    damage(bad);
    await expect(restore(path, bad, at)).rejects.toThrow('is damaged');
    writeFileSync(bad, 'A letter, not a database.'.repeat(400));
    await expect(restore(path, bad, at)).rejects.toThrow('is not a Dirigo database');
    await expect(restore(path, join(book.folder, 'none.db'), at)).rejects.toThrow('does not exist');
    book.database = await openDatabase(path);
    expect(await listStudents(book.database, book.principal)).toHaveLength(2);
  });

  it('that is stopped anywhere between is done when the file is opened next', async () => {
    const { copy } = await withCopy();
    const { path } = book.database;
    await book.database.close();
    // As it is left by a kill once the swap was written down and before any of it was done.
    const incoming = `${path}.incoming`;
    writeFileSync(incoming, readFileSync(copy.file));
    writeFileSync(`${path}.swap`, JSON.stringify({ incoming, replaced: `${path}.replaced-x` }));
    book.database = await openDatabase(path);
    expect(await listStudents(book.database, book.principal)).toHaveLength(1);
    expect(existsSync(`${path}.swap`)).toBe(false);
    await book.database.close();
    // And by one after the old file was moved away.
    writeFileSync(incoming, readFileSync(`${path}.replaced-x`));
    await swapFiles(path, { incoming, replaced: `${path}.replaced-y` });
    book.database = await openDatabase(path);
    expect(await listStudents(book.database, book.principal)).toHaveLength(2);
  });
});

describe('who may read what lies on the disk', () => {
  it('is who runs Dirigo only: the file, what belongs to it, and copies', async () => {
    const { database, principal } = book;
    await addStudent(database, principal, TEST_STUDENT);
    const copy = await makeBackup(database.path, at);
    for (const file of [database.path, `${database.path}-wal`, `${database.path}-shm`, copy.file]) {
      expect([file, statSync(file).mode & 0o777]).toEqual([file, 0o600]);
    }
    expect(statSync(await backupFolder(database.path)).mode & 0o777).toBe(0o700);
    await database.close();
    chmodSync(database.path, 0o644);
    book.database = await openDatabase(database.path);
    expect(statSync(database.path).mode & 0o777).toBe(0o600);
  });
});
