import {
  copyFileSync,
  existsSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { spawnSync } from 'node:child_process';
import fc from 'fast-check';
import { Sequelize } from 'sequelize';
import { makeBackup } from './backups';
import { MIGRATIONS } from './migrations';
import { addStudent, headCoach, listStudents, openDatabase } from '.';
import { TEST_STUDENT } from './test-book';

let folder: string;
let file: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'dirigo-file-'));
  file = join(folder, 'coach.db');
});
afterEach(() => rmSync(folder, { recursive: true }));

const bytes = () => readFileSync(file);

/** Does something to the file as any other program would. */
async function raw(...statements: string[]): Promise<void> {
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
  for (const statement of statements) await sequelize.query(statement);
  await sequelize.close();
}

/** A book with a student in it, closed. */
async function written(): Promise<void> {
  const database = await openDatabase(file);
  await addStudent(database, await headCoach(database), TEST_STUDENT);
  await database.close();
}

describe('a file that is not Dirigo’s to write', () => {
  it.each([
    ['another program’s', ['CREATE TABLE recipe (name TEXT)'], 'database of another program'],
    [
      'another program’s with the same table',
      ['CREATE TABLE migration (name TEXT)', `INSERT INTO migration VALUES ('2024-first')`],
      'database of another program',
    ],
    [
      'another program’s by its own mark',
      ['CREATE TABLE migration (name TEXT)', 'PRAGMA application_id = 77'],
      'database of another program',
    ],
  ])('is left untouched: %s', async (_what, statements, words) => {
    await raw(...statements);
    const before = bytes();
    await expect(openDatabase(file)).rejects.toThrow(words);
    expect(bytes().equals(before)).toBe(true);
    expect(readdirSync(folder)).toEqual(['coach.db']);
  });

  it('is left untouched when a newer Dirigo wrote it, and says which', async () => {
    await written();
    await raw(`INSERT INTO migration (name) VALUES ('099-later')`);
    const before = bytes();
    await expect(openDatabase(file)).rejects.toThrow(
      /newer version of Dirigo\. It contains 099-later/,
    );
    expect(bytes().equals(before)).toBe(true);
  });
});

describe('a damaged file', () => {
  it('says what is damaged, the newest copy that is whole, and the way back', async () => {
    await written();
    const database = await openDatabase(file);
    const copy = await makeBackup(file, new Date('2026-11-26T09:00:00Z'));
    await database.close();
    const hurt = bytes();
    hurt.fill(0x5a, 4096, Math.floor(hurt.length * 0.8));
    writeFileSync(file, hurt);
    const error = await openDatabase(file).catch((problem: Error) => problem);
    expect((error as Error).message).toContain('is damaged');
    expect((error as Error).message).toContain(copy.file);
    expect((error as Error).message).toContain('npm run restore');
    expect(bytes().equals(hurt)).toBe(true);
  });

  it('of any kind is either told, or nothing of what is read is missing', async () => {
    await written();
    const whole = bytes();
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(fc.nat(whole.length - 1), fc.nat(7)), { minLength: 200, maxLength: 200 }),
        async (flips) => {
          const hurt = Buffer.from(whole);
          for (const [at, bit] of flips) hurt[at]! ^= 1 << bit;
          for (const name of readdirSync(folder)) rmSync(join(folder, name), { recursive: true });
          writeFileSync(file, hurt);
          const told = await openDatabase(file).then(
            async (database) => {
              const names = await listStudents(database, await headCoach(database));
              await database.close();
              return names.length === 1 ? 'read' : 'silently missing';
            },
            (error: Error) => error.message,
          );
          expect(told).toMatch(/^read$|left unchanged/);
        },
      ),
      { numRuns: 25 },
    );
  }, 60_000);
});

describe('a transaction that cannot be ended', () => {
  it('leaves nothing behind, and the next goes on', async () => {
    const quiet = jest.spyOn(console, 'warn').mockImplementation(() => undefined);
    const database = await openDatabase(file);
    const head = await headCoach(database);
    await expect(
      database.atomically(async (transaction) => {
        // What is wrong with a foreign key is said at the very end: as a full disk would.
        await database.sequelize.query('PRAGMA defer_foreign_keys = ON', { transaction });
        await database.sequelize.query(
          `INSERT INTO putter (id, studentId, headLength, headDepth) VALUES ('p', 'nobody', 0.1, 0.03)`,
          { transaction },
        );
      }),
    ).rejects.toThrow(/FOREIGN KEY/i);
    expect(quiet).toHaveBeenCalled();
    quiet.mockRestore();
    expect(await database.models.putter.count()).toBe(0);
    await addStudent(database, head, TEST_STUDENT);
    expect(await listStudents(database, head)).toHaveLength(1);
    await database.close();
  });
});

describe('a migration', () => {
  /** A book as it was before the last so many migrations. */
  async function older(count: number): Promise<void> {
    for (const { name, statements, fill } of MIGRATIONS.slice(0, count)) {
      const old = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
      await old.query('CREATE TABLE IF NOT EXISTS migration (name VARCHAR(255) PRIMARY KEY)');
      await old.transaction(async (transaction) => {
        for (const statement of statements) await old.query(statement, { transaction });
        await fill?.(old, transaction);
      });
      await old.query('INSERT INTO migration (name) VALUES (:name)', { replacements: { name } });
      await old.close();
    }
  }

  it('that fails changes nothing, and its copy is never overwritten', async () => {
    await older(MIGRATIONS.length - 2);
    const next = MIGRATIONS.at(-2)!;
    const { statements } = next;
    next.statements = [...statements, 'INSERT INTO nowhere VALUES (1)'];
    try {
      for (const name of [next.name, `${next.name}-2`]) {
        await expect(openDatabase(file)).rejects.toThrow();
        expect(existsSync(`${file}.before-${name}`)).toBe(true);
      }
    } finally {
      next.statements = statements;
    }
    const first = readFileSync(`${file}.before-${next.name}`);
    const database = await openDatabase(file);
    expect(await listStudents(database, await headCoach(database))).toEqual([]);
    await database.close();
    expect(readFileSync(`${file}.before-${next.name}`).equals(first)).toBe(true);
  });

  it('is made good after a kill at a disk sync, whichever', async () => {
    await older(MIGRATIONS.length - 1);
    const before = join(folder, 'before');
    copyFileSync(file, before);
    // Every fourth sync of the last migration here; all of all of them in the fault run.
    let killed = 0;
    for (let sync = 1; ; sync += 4) {
      for (const name of readdirSync(folder)) {
        if (name.startsWith('coach.db')) rmSync(join(folder, name));
      }
      copyFileSync(before, file);
      const { status } = spawnSync(
        process.execPath,
        ['--import', 'tsx', 'scripts/open-killed.ts', file, String(sync)],
        { encoding: 'utf8' },
      );
      const database = await openDatabase(file);
      expect(await listStudents(database, await headCoach(database))).toEqual([]);
      await database.close();
      if (status === 0) break;
      killed += 1;
    }
    expect(killed).toBeGreaterThan(1);
  }, 120_000);
});
