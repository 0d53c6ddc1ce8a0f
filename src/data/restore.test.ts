import { copyFileSync, existsSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { addHours } from 'date-fns';
import { listBackups } from './backup-files';
import { makeBackup } from './backups';
import { CREDENTIAL_TABLES, ENDABLE } from './credentials';
import { restore } from './restore';
import { rowCounts } from './row-counts';
import {
  addCoach,
  addInstrument,
  addPasskey,
  addStudent,
  archiveStudent,
  changeCoach,
  coachByPassphrase,
  contentsOf,
  dropPasskey,
  endInstrument,
  endShare,
  findPasskey,
  getCoach,
  listInstruments,
  listShares,
  makeLink,
  makeTicket,
  openDatabase,
  openLink,
  senderBy,
  setPassphrase,
  shareStudent,
  signIn,
  ticketFor,
  whoAsks,
} from '.';
import { TEST_STUDENT, openTestBook, type TestBook } from './test-book';

jest.mock('./row-counts', () => {
  const actual = jest.requireActual<typeof import('./row-counts')>('./row-counts');
  return { ...actual, rowCounts: jest.fn(actual.rowCounts) };
});

const at = new Date('2026-11-26T09:00:00Z');

let book: TestBook;
beforeEach(async () => {
  book = await openTestBook();
});
afterEach(() => book.close());

/** Restores the closed book and opens it again. */
async function restoreBook(from: string, when: Date, passphrase?: string) {
  await book.database.close();
  const restored = await restore(book.database.path, from, when, passphrase);
  book.database = await openDatabase(book.database.path);
  return restored;
}

describe('a restore', () => {
  it('takes along what still lies in the second file of the file it restores', async () => {
    const { database, principal, folder } = book;
    await addStudent(database, principal, TEST_STUDENT);
    const backup = await makeBackup(database.path, at);
    await addStudent(database, principal, { ...TEST_STUDENT, name: 'Only in the second file' });
    // As a kill leaves them: the rows since the last checkpoint lie beside the database.
    const kept = join(folder, 'kept.db');
    for (const ending of ['', '-wal']) {
      copyFileSync(database.path + ending, kept + ending);
    }
    expect(statSync(`${kept}-wal`).size).toBeGreaterThan(0);
    expect((await contentsOf(kept)).students).toBe(2);
    await restoreBook(backup.file, at);
    const { contents } = await restoreBook(kept, addHours(at, 1));
    expect(contents.students).toBe(2);
    expect(await book.database.models.student.count()).toBe(2);
  });

  it('back and forth ten times loses nothing, and keeps each file whole by itself', async () => {
    const { database, principal } = book;
    const first = await addStudent(database, principal, TEST_STUDENT);
    const link = await makeLink(database, principal, first, at);
    const backup = await makeBackup(database.path, at);
    for (let number = 0; number < 20; number++) {
      await addStudent(database, principal, { ...TEST_STUDENT, name: `Since ${number}` });
    }
    const later = await makeLink(database, principal, null, at);
    await database.close();
    const full = await rowCounts(database.path);
    book.database = await openDatabase(database.path);
    let from = backup.file;
    for (let turn = 1; turn <= 10; turn++) {
      const { replaced, contents } = await restoreBook(from, addHours(at, turn));
      expect(contents.students).toBe(turn % 2 === 1 ? 1 : 21);
      for (const ending of ['-wal', '-shm', '-journal']) {
        expect(existsSync(replaced + ending)).toBe(false);
      }
      from = replaced;
    }
    expect(await rowCounts(book.database.path)).toEqual(full);
    // What was never revoked opens what it opened before.
    expect(await openLink(book.database, link, addHours(at, 11))).toMatchObject({ as: 'student' });
    expect(await openLink(book.database, later, addHours(at, 11))).toMatchObject({ as: 'head' });
  });

  it('refuses a file whose rows did not all come along', async () => {
    const { database, principal } = book;
    await addStudent(database, principal, TEST_STUDENT);
    const backup = await makeBackup(database.path, at);
    const counts = await rowCounts(backup.file);
    jest.mocked(rowCounts).mockResolvedValueOnce({ ...counts, student: 0 });
    await database.close();
    await expect(restore(database.path, backup.file, at)).rejects.toThrow(
      'rows were missing: student (1, not 0)',
    );
    book.database = await openDatabase(database.path);
    expect(await book.database.models.student.count()).toBe(1);
  });

  it('without a readable database signs everybody out, and keeps the coaches', async () => {
    const { database, principal } = book;
    const phone = await signIn(database, principal.coachId, 'link', 'A phone', at);
    await setPassphrase(database, principal, 'four words that differ');
    const backup = await makeBackup(database.path, at);
    await database.close();
    for (const ending of ['', '-wal', '-shm']) rmSync(database.path + ending, { force: true });
    const { signInsEnded } = await restore(database.path, backup.file, at);
    expect(signInsEnded).toBe(true);
    book.database = await openDatabase(database.path);
    expect(await whoAsks(book.database, phone, at)).toBeNull();
    expect(await coachByPassphrase(book.database, '', 'four words that differ')).toBeNull();
    const coach = await getCoach(book.database, principal);
    expect([coach.role, coach.archivedAt]).toEqual(['head', null]);
  });
});

describe('after a restore every credential has its newer state', () => {
  it('the list of tables that can let somebody in is the schema’s', async () => {
    const tables = Object.keys(await rowCounts(book.database.path));
    // Somebody who adds a table says here, or in the list, whether its rows can let anybody in.
    const harmless = [
      ...['student', 'putter', 'drill', 'drillVersion', 'session', 'run', 'putt', 'puttChange'],
      ...['runMark', 'green', 'spot', 'reading', 'plan', 'programme', 'programmeChange'],
      ...['appointment', 'homework', 'homeworkWord', 'homeCarpet', 'event', 'erasure', 'import'],
      ...['mapping', 'migration', 'instrumentLine'],
    ];
    expect([...Object.keys(CREDENTIAL_TABLES), ...harmless].toSorted()).toEqual(tables.toSorted());
    expect(Object.keys(CREDENTIAL_TABLES)).toEqual(expect.arrayContaining([...ENDABLE]));
  });

  it('what was ended, removed, replaced or taken away since does not come back, whichever backup is restored', async () => {
    const { database, principal } = book;
    const studentId = await addStudent(database, principal, TEST_STUDENT);
    const archived = await addStudent(database, principal, { ...TEST_STUDENT, name: 'Archived' });
    const other = await addCoach(database, principal, { name: 'Another', role: 'coach' });
    const leaver = await addCoach(database, principal, { name: 'Leaver', role: 'coach' });
    const asOther = { ...principal, coachId: other };
    const secrets = {
      instrument: (await addInstrument(database, principal, 'A sensor', at)).secret,
      link: await makeLink(database, principal, studentId, at),
      archivedLink: await makeLink(database, principal, archived, at),
      device: await signIn(database, principal.coachId, 'link', 'A phone', at),
      leaver: await signIn(database, leaver, 'link', 'A laptop', at),
      ticket: await makeTicket(database, other, {
        way: 'link',
        path: '/',
        until: addHours(at, 99),
      }),
    };
    const keep = { id: 'key-1', publicKey: new Uint8Array([1, 2]), counter: 0, transports: [] };
    await addPasskey(database, asOther, keep, 'A key', at);
    await shareStudent(database, principal, { studentId, coachId: other, consent: 'asked' }, at);
    await setPassphrase(database, asOther, 'the old passphrase');
    await changeCoach(database, principal, other, { role: 'head' });
    const backup = await makeBackup(database.path, at);

    const later = addHours(at, 1);
    const [sensor] = await listInstruments(database, principal);
    await endInstrument(database, principal, sensor!.id, later);
    await makeLink(database, principal, studentId, later);
    await archiveStudent(database, principal, archived, later);
    await database.models.device.update(
      { endedAt: later },
      { where: { name: 'A phone' }, hooks: false },
    );
    await changeCoach(database, principal, leaver, { archivedAt: later });
    await dropPasskey(database, asOther, 'key-1');
    const [share] = await listShares(database, principal, studentId);
    await endShare(database, principal, share!.id, later);
    await setPassphrase(database, asOther, 'the new passphrase');
    await changeCoach(database, principal, other, { role: 'assistant' });
    // A second backup of before all that was ended: it is restored over the first.
    const second = join(book.folder, 'second.db');
    copyFileSync(backup.file, second);

    for (const [turn, file] of [backup.file, second, backup.file].entries()) {
      await restoreBook(file, addHours(at, 2 + turn));
      const now = addHours(at, 3 + turn);
      const db = book.database;
      expect(await senderBy(db, secrets.instrument)).toBeNull();
      await expect(openLink(db, secrets.link, now)).rejects.toThrow('page does not exist');
      await expect(openLink(db, secrets.archivedLink, now)).rejects.toThrow('page does not exist');
      expect(await whoAsks(db, secrets.device, now)).toBeNull();
      expect(await whoAsks(db, secrets.leaver, now)).toBeNull();
      expect(await ticketFor(db, secrets.ticket, now)).toBeNull();
      expect(await findPasskey(db, 'key-1')).toBeNull();
      expect(await listShares(db, principal, studentId)).toEqual([]);
      expect(await coachByPassphrase(db, 'Another', 'the old passphrase')).toBeNull();
      expect(await coachByPassphrase(db, 'Another', 'the new passphrase')).toBe(other);
      expect((await getCoach(db, asOther)).role).toBe('assistant');
      expect((await getCoach(db, { ...principal, coachId: leaver })).archivedAt).not.toBeNull();
    }
    expect((await listBackups(book.database.path)).some(({ kind }) => kind === 'replaced')).toBe(
      true,
    );
  });
});
