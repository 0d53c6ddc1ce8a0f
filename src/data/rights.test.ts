import { existsSync, readFileSync, statSync } from 'node:fs';
import { copyFile, mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { QueryTypes } from 'sequelize';
import { makeBackup } from './backups';
import { restore } from './restore';
import {
  addInstrument,
  allOfStudent,
  eraseStudent,
  headCoach,
  keepMapping,
  keptMapping,
  leftLines,
  listChanges,
  listErasures,
  listMentions,
  makeLink,
  noteSession,
  openDatabase,
  openLink,
  saveStudent,
  seedDemo,
  senderBy,
  takeLines,
  type CoachPrincipal,
  type Database,
} from '.';

const AT = new Date('2026-11-26T09:00:00Z');
/** What nobody else is called, and nothing else says. */
const NAME = 'Quirina Zwaluw';
const NOTES = 'She winters abroad: zebrafinch.';

let folder: string;
let database: Database;
let head: CoachPrincipal;
let student: string;

/** Every row of every table, as text, by table: read without the models. */
async function allRows({ sequelize }: Database): Promise<Map<string, string[]>> {
  const ask = (sql: string) => sequelize.query<object>(sql, { type: QueryTypes.SELECT });
  const tables = (await ask(`SELECT name FROM sqlite_master WHERE type = 'table'`)) as {
    name: string;
  }[];
  const all = new Map<string, string[]>();
  for (const { name } of tables) {
    all.set(
      name,
      (await ask(`SELECT * FROM "${name}"`)).map((row) => JSON.stringify(row)),
    );
  }
  return all;
}

/** Written once, and copied for each test. */
let seeded: string;
beforeAll(async () => {
  seeded = await mkdtemp(join(tmpdir(), 'dirigo-seeded-'));
  const demo = await openDatabase(join(seeded, 'demo.db'));
  await seedDemo(demo, AT);
  await demo.close();
}, 180_000);
afterAll(() => rm(seeded, { recursive: true }));

beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'dirigo-rights-'));
  await copyFile(join(seeded, 'demo.db'), join(folder, 'rights.db'));
  database = await openDatabase(join(folder, 'rights.db'));
  head = await headCoach(database);
  const { models } = database;
  // One who has been given everything: homework, a programme, a plan with others, a share, a link.
  student = (await models.homework.findOne())!.studentId;
  const plan = (await models.plan.findAll()).at(-1)!;
  const details = plan.details as { studentIds: string[]; name: string; blocks: object[] };
  const others = (await models.student.findAll())
    .map(({ id }) => id)
    .filter((id) => id !== student);
  await database.change(head, 'test', (transaction) =>
    plan.update(
      {
        details: {
          ...details,
          name: 'Quirina and another',
          studentIds: [student, others[0]!],
          blocks: details.blocks.map((block) => ({
            ...block,
            rungs: { [student]: 1, [others[0]!]: 0 },
          })),
        },
      },
      { transaction },
    ),
  );
  const known = await models.student.findByPk(student);
  const putter = await models.putter.findOne({ where: { studentId: student } });
  await saveStudent(
    database,
    head,
    student,
    {
      ...{ hand: 'right', level: 'steady', seated: false, school: 'arc', groups: '', kit: [] },
      ...{ name: NAME, notes: NOTES },
      putter: {
        headLength: putter!.headLength,
        headDepth: putter!.headDepth,
        lieAngle: putter!.lieAngle,
      },
    },
    known!.version,
  );
});
afterEach(async () => {
  await database.close();
  await rm(folder, { recursive: true, force: true });
});

/** Whether a text stands anywhere in the octets of the database's files. */
const stands = (text: string): boolean =>
  ['', '-wal'].some((ending) => {
    const file = database.path + ending;
    return existsSync(file) && readFileSync(file).includes(text);
  });

test('a student’s file holds every row that says something of them, and no key to a door', async () => {
  const secret = await makeLink(database, head, student, AT);
  const { tables } = await allOfStudent(database, head, student);
  const held = JSON.stringify(tables);
  expect(held).toContain(NAME);
  expect(held).toContain(NOTES);
  // Found without the queries that make the file: whatever names the student, and what stands on that, three tables deep.
  const all = await allRows(database);
  const own = new Set([student]);
  for (const table of ['session', 'run', 'putt', 'programme']) {
    for (const row of all.get(table)!) {
      const { id, sessionId, runId, studentId } = JSON.parse(row) as Record<string, string>;
      if ([sessionId, runId, studentId].some((one) => one && own.has(one))) own.add(id!);
    }
  }
  for (const table of [
    'session',
    'run',
    'putt',
    'putter',
    'homework',
    'share',
    'programme',
  ] as const) {
    const rows = all
      .get(table)!
      .filter((row) =>
        [...own].some((id) => row.includes(id) && !row.includes(`"planId":"${id}"`)),
      );
    expect(tables[table].map(({ id }) => id).sort()).toEqual(
      rows.map((row) => (JSON.parse(row) as { id: string }).id).sort(),
    );
  }
  expect(tables.putt.length).toBeGreaterThan(20);
  // The one of the demo, which this one ended, and this.
  expect(tables.link).toHaveLength(2);
  expect(held).not.toContain('"hash"');
  expect(secret.length).toBeGreaterThan(20);
});

test('who is erased stands nowhere in the file any more; nobody else has lost anything', async () => {
  const secret = await makeLink(database, head, student, AT);
  const before = await allRows(database);
  const { tables } = await allOfStudent(database, head, student);
  expect(stands(NAME)).toBe(true);
  const receipt = await eraseStudent(database, head, student, AT);
  expect(receipt).toMatchObject({ sessions: tables.session.length, putts: tables.putt.length });
  // The receipt alone says under which number somebody was kept.
  const after = await allRows(database);
  const naming = [...after].flatMap(([table, rows]) =>
    rows.filter((row) => row.includes(student)).map(() => table),
  );
  expect(naming).toEqual(['erasure']);
  for (const text of [
    NAME,
    NOTES,
    'Quirina',
    String(tables.session[0]!.id),
    String(tables.putt[0]!.id),
  ]) {
    expect(stands(text)).toBe(false);
  }
  const gone = new Set(
    [...tables.session, ...tables.run, ...tables.putt, ...tables.runMark].map(({ id }) => id),
  );
  for (const table of ['student', 'session', 'run', 'putt', 'runMark', 'drill', 'green', 'coach']) {
    const stay = before
      .get(table)!
      .filter((row) => !row.includes(student) && !gone.has((JSON.parse(row) as { id: string }).id));
    expect(after.get(table)).toEqual(stay);
  }
  const plans = after.get('plan')!.map((row) => (JSON.parse(row) as { details: string }).details);
  expect(plans.some((details) => details.includes('"name":"Plan"'))).toBe(true);
  await expect(openLink(database, secret, AT)).rejects.toThrow('page does not exist');
  expect(await listErasures(database)).toEqual([receipt]);
});

test('their name is gone from refused lines and from the history of others’ texts too', async () => {
  const { models } = database;
  const other = (await models.student.findAll()).find(({ id }) => id !== student)!;
  const sensor = await addInstrument(database, head, 'A sensor', AT);
  const sender = (await senderBy(database, sensor.secret))!;
  await takeLines(database, sender, [`{"id":"1","player":"${NAME}","values":{"fa`], AT);
  await takeLines(database, sender, ['{"id":"2","player":"Somebody","values":{"fa'], AT);
  // A coach names them in another's session, and takes it out again: the history keeps what it was.
  const session = (await models.session.findOne({ where: { studentId: other.id } }))!;
  await noteSession(database, head, session.id, `Putts like ${NAME}. Quirina lent a putter.`);
  await noteSession(database, head, session.id, 'A good day.');
  // Columns named after them are forgotten; those of a longer word are not.
  await keepMapping(database, head, 'date, Quirina', {}, AT);
  await keepMapping(database, head, 'date, quirinalia', {}, AT);
  expect(stands(NAME)).toBe(true);
  await eraseStudent(database, head, student, AT);
  for (const text of [NAME, 'Quirina']) expect(stands(text)).toBe(false);
  expect(await keptMapping(database, head, 'date, Quirina')).toBeNull();
  expect(await keptMapping(database, head, 'date, quirinalia')).toEqual({});
  const lines = await leftLines(database, head, sensor.id);
  expect(lines.map(({ line }) => line)).toEqual([expect.stringContaining('Somebody')]);
  const [changed] = await listChanges(database, [session.id]);
  expect(JSON.stringify(changed!.rows)).toContain('Putts like (erased). (erased) lent a putter.');
});

test('where else they are named is listed with its page before, and stays', async () => {
  const { models } = database;
  const other = (await models.student.findAll()).find(({ id }) => id !== student)!;
  const session = (await models.session.findOne({ where: { studentId: other.id } }))!;
  await noteSession(database, head, session.id, 'Practised beside quirina on the quay.');
  const drill = (await models.drill.findOne())!;
  await database.change(head, 'test', (transaction) =>
    drill.update({ name: 'Quirina’s gate' }, { transaction }),
  );
  // A longer word is another word.
  await database.change(head, 'test', (transaction) =>
    other.update({ notes: 'From Quirinalia.' }, { transaction }),
  );
  const mentions = await listMentions(database, head, student);
  expect(mentions).toContainEqual({
    what: 'Note of another student’s session',
    words: 'Practised beside quirina on the quay.',
    page: `/sessions/${session.id}/review`,
  });
  expect(mentions.map(({ page }) => page)).toContain(`/drills/${drill.id}`);
  expect(mentions.some(({ words }) => words.includes('Quirinalia'))).toBe(false);
  const stranger: CoachPrincipal = { ...head, as: 'coach', coachId: other.id };
  await expect(listMentions(database, stranger, student)).rejects.toThrow('student does not exist');
});

test('a copy of before does not bring them back', async () => {
  const copy = await makeBackup(database.path, AT);
  const receipt = await eraseStudent(database, head, student, AT);
  await database.close();
  await restore(database.path, copy.file, AT);
  database = await openDatabase(database.path);
  expect(await database.models.student.findByPk(student)).toBeNull();
  expect(stands(NAME)).toBe(false);
  expect(await listErasures(database)).toEqual([receipt]);
  expect(statSync(`${database.path}.erased.json`).mode & 0o777).toBe(0o600);
});

test('only who may give a student away takes their file, or erases them', async () => {
  const { models } = database;
  const others = await models.coach.findAll();
  const strangers = others.filter(({ role }) => role !== 'head');
  expect(strangers.length).toBeGreaterThan(0);
  for (const { id, role } of strangers) {
    const principal: CoachPrincipal = { as: role, coachId: id, deviceId: null };
    await expect(allOfStudent(database, principal, student)).rejects.toThrow(
      'student does not exist',
    );
    await expect(eraseStudent(database, principal, student, AT)).rejects.toThrow(
      'student does not exist',
    );
  }
  expect(await models.student.findByPk(student)).not.toBeNull();
});
