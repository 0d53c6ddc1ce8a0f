import { spawnSync } from 'node:child_process';
import {
  copyFileSync,
  existsSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Sequelize } from 'sequelize';
import type { Chance } from '@/core/simulate';
import {
  addStudent,
  contentsOf,
  headCoach,
  listStudents,
  makeBackup,
  openDatabase,
  restore,
} from '@/data';
import { TEST_STUDENT } from '@/data/test-book';
import { MIGRATIONS } from '@/data/migrations';

/** What was tried on a file, and what came of it. */
export interface FileFault {
  tried: string;
  must: string;
  run(file: string, random: Chance): Promise<{ said: string; ok: boolean }>;
}

/** Does something in a folder of its own. */
export async function inFolder<T>(work: (file: string) => Promise<T>): Promise<T> {
  const folder = mkdtempSync(join(tmpdir(), 'dirigo-fault-'));
  try {
    return await work(join(folder, 'coach.db'));
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

async function raw(file: string, statements: string[]): Promise<void> {
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
  for (const statement of statements) await sequelize.query(statement);
  await sequelize.close();
}

/** A book with one student in it, open. */
async function written(file: string) {
  const database = await openDatabase(file);
  await addStudent(database, await headCoach(database), { ...TEST_STUDENT, name: 'Fault' });
  return database;
}

/** A file as it was before some migration. */
async function olderThan(file: string, count: number): Promise<void> {
  await raw(file, ['CREATE TABLE migration (name VARCHAR(255) PRIMARY KEY)']);
  const old = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
  for (const { name, statements, fill } of MIGRATIONS.slice(0, count)) {
    await old.transaction(async (transaction) => {
      for (const statement of statements) await old.query(statement, { transaction });
      await fill?.(old, transaction);
      await old.query('INSERT INTO migration (name) VALUES (:name)', {
        replacements: { name },
        transaction,
      });
    });
  }
  await old.close();
}

const opensWith = async (file: string, students: number): Promise<boolean> => {
  const database = await openDatabase(file).catch(() => null);
  if (!database) return false;
  const all = await listStudents(database, await headCoach(database));
  await database.close();
  return all.length === students;
};

const untouched = async (file: string): Promise<boolean> => {
  const before = readFileSync(file);
  const refused = await openDatabase(file).then(
    () => false,
    (error: Error) => error.message.includes('left unchanged'),
  );
  return refused && readFileSync(file).equals(before);
};

/** Every fault of a file that is driven; kills at every so manyth disk sync. */
export const fileFaults = (every: number): FileFault[] => [
  {
    tried: 'kill the process at each disk sync of each migration',
    must: 'the database always opens again',
    run: async (file) => {
      let killed = 0;
      let broken = 0;
      for (let count = 1; count < MIGRATIONS.length; count++) {
        const before = `${file}-before-${count}`;
        await olderThan(before, count);
        for (let sync = 1; ; sync += every) {
          for (const ending of ['', '-wal', '-shm', '-journal'])
            rmSync(file + ending, { force: true });
          copyFileSync(before, file);
          const { status } = spawnSync(process.execPath, [
            ...['--import', 'tsx', 'scripts/open-killed.ts'],
            ...[file, String(sync)],
          ]);
          if (!(await opensWith(file, 0))) broken += 1;
          if (status === 0) break;
          killed += 1;
        }
      }
      return {
        said: `${killed} kills; ${broken} databases would not open again`,
        ok: broken === 0 && killed > 0,
      };
    },
  },
  {
    tried: 'open a SQLite file of another program, and one with a newer schema',
    must: 'refused with the reason and left unchanged',
    run: async (file) => {
      await raw(file, ['CREATE TABLE recipe (name TEXT)']);
      const foreign = await untouched(file);
      rmSync(file);
      await (await written(file)).close();
      await raw(file, [`INSERT INTO migration (name) VALUES ('099-later')`]);
      const newer = await untouched(file);
      const word = (one: boolean) => (one ? 'refused and unchanged' : 'TOUCHED');
      return { said: `${word(foreign)}; ${word(newer)}`, ok: foreign && newer };
    },
  },
  {
    tried: 'flip 200 bits, 20 times',
    must: 'the newest good backup is named and can be restored',
    run: async (file, random) => {
      const database = await written(file);
      const copy = await makeBackup(file, new Date());
      await database.close();
      const whole = readFileSync(file);
      let told = 0;
      let read = 0;
      let back = 0;
      for (let time = 0; time < 20; time++) {
        const hurt = Buffer.from(whole);
        for (let flip = 0; flip < 200; flip++) {
          hurt[Math.floor(hurt.length * random.uniform())]! ^=
            1 << Math.floor(8 * random.uniform());
        }
        writeFileSync(file, hurt);
        const said = await openDatabase(file).then(
          async (opened) => {
            const { length } = await listStudents(opened, await headCoach(opened));
            await opened.close();
            return length === 1 ? 'read' : 'missing';
          },
          (error: Error) => error.message,
        );
        if (said.includes(copy.file)) told += 1;
        if (said === 'read') read += 1;
        await restore(file, copy.file, new Date());
        if (await opensWith(file, 1)) back += 1;
      }
      return {
        said: `${told} named the backup, ${read} were harmless; ${back} of 20 were restored`,
        ok: told + read === 20 && back === 20,
      };
    },
  },
  {
    tried: 'copy the database file of a server that was killed',
    must: 'a backup made by Dirigo is complete',
    run: async (file) => {
      const database = await written(file);
      const inWal = existsSync(`${file}-wal`) && statSync(`${file}-wal`).size > 0;
      const { students } = await contentsOf((await makeBackup(file, new Date())).file);
      await database.close();
      return {
        said: `${students} of 1 student; the -wal file was ${inWal ? 'not ' : ''}empty`,
        ok: students === 1,
      };
    },
  },
  {
    tried: 'check who can read the files',
    must: '0600',
    run: async (file) => {
      const database = await written(file);
      const { file: copy } = await makeBackup(file, new Date());
      const folder = file.slice(0, file.lastIndexOf('/'));
      const files = [...readdirSync(folder).map((name) => join(folder, name)), copy].filter((one) =>
        statSync(one).isFile(),
      );
      const modes = new Set(files.map((one) => (statSync(one).mode & 0o777).toString(8)));
      await database.close();
      return {
        said: `${files.length} files with mode ${[...modes].join(', ')}`,
        ok: [...modes].join() === '600',
      };
    },
  },
];
