import {
  chmodSync,
  existsSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
  truncateSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { addDays, addHours } from 'date-fns';
import {
  STAYING,
  contentsOf,
  copiesFolder,
  copySettings,
  copyWhenDue,
  listCopies,
  makeCopy,
  newestWhole,
  setCopiesFolder,
  staying,
} from './copies';
import { restore } from './restore';
import { swapFiles } from './swap';
import {
  addStudent,
  getStudent,
  headCoach,
  knownLink,
  listStudents,
  makeLink,
  openDatabase,
  openLink,
  signIn,
  whoAsks,
} from '.';
import { TEST_STUDENT, openTestBook, type TestBook } from './test-book';

const at = new Date('2026-11-26T09:00:00Z');
const HOUR = 3_600_000;

let book: TestBook;
beforeEach(async () => {
  book = await openTestBook();
});
afterEach(() => book.close());

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
    const copy = await makeCopy(database.path, at);
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
    expect(await copyWhenDue(database.path, now)).not.toBeNull();
    expect(await copyWhenDue(database.path, addHours(now, 0.9))).toBeNull();
    expect(await copyWhenDue(database.path, addHours(now, 1.1))).toBeNull();
    await addStudent(database, principal, TEST_STUDENT);
    expect(await copyWhenDue(database.path, addHours(now, 0.9))).toBeNull();
    expect(await copyWhenDue(database.path, addHours(now, 1.1))).not.toBeNull();
  });

  it('lets old ones go once it is there, and no other file', async () => {
    const { database } = book;
    const folder = await copiesFolder(database.path);
    for (let day = 0; day < 40; day++) await makeCopy(database.path, addDays(at, day));
    writeFileSync(join(folder, 'letter.txt'), 'mine');
    await makeCopy(database.path, addDays(at, 40));
    const copies = await listCopies(database.path);
    expect(copies[0]!.madeAt).toEqual(addDays(at, 40));
    expect(copies.length).toBeLessThan(41);
    expect(copies.length).toBeGreaterThanOrEqual(14);
    expect(existsSync(join(folder, 'letter.txt'))).toBe(true);
    expect(readdirSync(folder).filter((name) => name.endsWith('.part'))).toEqual([]);
  });

  it('that cannot be made says why, keeps the old ones, and is told until one can', async () => {
    const { database, folder } = book;
    const made = await makeCopy(database.path, at);
    const elsewhere = join(folder, 'elsewhere');
    await setCopiesFolder(database.path, elsewhere);
    // A file stands where the folder was.
    rmSync(elsewhere, { recursive: true });
    writeFileSync(elsewhere, '');
    await expect(makeCopy(database.path, addHours(at, 2))).rejects.toThrow(
      'nothing can be written in',
    );
    expect((await copySettings(database.path)).failed).toMatchObject({ at: addHours(at, 2) });
    expect(existsSync(made.file)).toBe(true);
    await setCopiesFolder(database.path, null);
    await makeCopy(database.path, addHours(at, 3));
    expect((await copySettings(database.path)).failed).toBeNull();
  });

  it('goes where it is told to, when something can be written there', async () => {
    const { database, folder } = book;
    await expect(setCopiesFolder(database.path, 'here')).rejects.toThrow('no whole path');
    writeFileSync(join(folder, 'file'), '');
    await expect(setCopiesFolder(database.path, join(folder, 'file'))).rejects.toThrow(
      'Nothing can be written',
    );
    await setCopiesFolder(database.path, join(folder, 'disk two'));
    const { file } = await makeCopy(database.path, at);
    expect(file.startsWith(join(folder, 'disk two'))).toBe(true);
  });

  it('that is damaged is passed over for the newest that is whole', async () => {
    const { database } = book;
    const good = await makeCopy(database.path, at);
    const bad = await makeCopy(database.path, addHours(at, 1));
    damage(bad.file);
    expect((await newestWhole(database.path))!.file).toBe(good.file);
    truncateSync(good.file, 5000);
    expect(await newestWhole(database.path)).toBeNull();
  });
});

describe('going back to a copy', () => {
  /** A book with a student, a copy of it, and a second student since. */
  async function withCopy() {
    const { database, principal } = book;
    const first = await addStudent(database, principal, TEST_STUDENT);
    const copy = await makeCopy(database.path, at);
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
    await expect(getStudent(book.database, book.principal, second)).rejects.toThrow('no such');
    const before = await openDatabase(replaced);
    expect((await getStudent(before, book.principal, second)).name).toBe('Since');
    await before.close();
    expect((await listCopies(database.path)).map(({ kind }) => kind)).toContain('replaced');
  });

  it('does not bring to life what was ended since', async () => {
    const { database, principal } = book;
    const studentId = await addStudent(database, principal, TEST_STUDENT);
    const ended = await makeLink(database, principal, studentId, at);
    const stays = await makeLink(database, principal, null, at);
    const phone = await signIn(database, principal.coachId, 'link', 'A phone', at);
    const laptop = await signIn(database, principal.coachId, 'link', 'A laptop', at);
    const copy = await makeCopy(database.path, at);
    await makeLink(database, principal, studentId, addHours(at, 1));
    const { id } = (await database.models.device.findOne({ where: { name: 'A phone' } }))!;
    await database.models.device.update({ endedAt: at }, { where: { id }, hooks: false });
    await database.close();
    await restore(database.path, copy.file, addHours(at, 2));
    book.database = await openDatabase(database.path);
    const now = addHours(at, 3);
    await expect(openLink(book.database, ended, now)).rejects.toThrow('no such page');
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
    await expect(restore(path, join(book.folder, 'none.db'), at)).rejects.toThrow('is not there');
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
    const copy = await makeCopy(database.path, at);
    for (const file of [database.path, `${database.path}-wal`, `${database.path}-shm`, copy.file]) {
      expect([file, statSync(file).mode & 0o777]).toEqual([file, 0o600]);
    }
    await database.close();
    chmodSync(database.path, 0o644);
    book.database = await openDatabase(database.path);
    expect(statSync(database.path).mode & 0o777).toBe(0o600);
  });
});
