import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { COMMON_KIT } from '@/core/people';
import {
  headCoach,
  listDrills,
  listHomework,
  listProgrammes,
  listStudents,
  openDatabase,
  openReader,
  seedDemo,
  type CoachPrincipal,
  type Database,
} from '@/data';
import { WORKS, type WorkName } from './works';

jest.mock('server-only', () => ({}));

let folder: string;
let database: Database;
let reader: Database;
let head: CoachPrincipal;
let asked: { [Name in WorkName]: unknown };

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'dirigo-works-'));
  database = await openDatabase(join(folder, 'works.db'));
  await seedDemo(database, new Date('2026-11-20T12:00:00Z'));
  head = await headCoach(database);
  reader = await openReader(database.path);
  const students = await listStudents(database, head);
  const [drill] = await listDrills(database, head);
  const [homework] = await listHomework(database, head);
  const [programme] = await listProgrammes(database, head);
  const studentId = students[0]!.id;
  const frame = {
    ...{ name: 'An hour', minutes: 40, place: 'green', kit: COMMON_KIT, goals: [] },
    studentIds: [studentId],
  };
  const item = { id: homework!.id, ref: drill!.id, rungs: {}, locked: false, why: '' };
  asked = {
    student: { studentId, rate: 0.7 },
    history: { studentId },
    now: undefined,
    compared: { skill: 'start', studentId },
    everything: { studentId },
    homework: { studentId: homework!.studentId },
    kept: undefined,
    needs: students.map(({ id }) => id),
    standing: { studentId: programme!.studentId, skill: programme!.aim.skill },
    hour: { frame, kept: [item] },
    block: { frame, item },
    plan: { frame, items: [item], choosing: true },
  };
});

afterAll(async () => {
  await reader.close();
  await database.close();
  await rm(folder, { recursive: true });
});

const work = (name: WorkName, of: Database, principal = head): Promise<unknown> =>
  WORKS[name](of, principal, asked[name] as never);

test.each(Object.keys(WORKS) as WorkName[])(
  'what is reckoned of “%s” goes whole from thread to thread',
  async (name) => {
    const value = await work(name, reader);
    expect(value).toBeTruthy();
    expect(structuredClone(value)).toEqual(value);
  },
);

test('a block that is set says whether it will end; of all that suits nobody asks', async () => {
  const { offers, own } = (await work('plan', reader)) as Awaited<ReturnType<typeof WORKS.plan>>;
  expect(offers.length).toBeGreaterThan(20);
  expect(offers.every(({ players }) => players.every(({ hardly }) => hardly === null))).toBe(true);
  expect(Object.keys(own)).toHaveLength(1);
});

test('a reader sees what is written after it was opened, and writes nothing itself', async () => {
  const before = (await work('now', reader)) as object;
  const { models } = database;
  const putts = await models.putt.count();
  expect(await reader.models.putt.count()).toBe(putts);
  const [run] = await models.run.findAll({ limit: 1, order: [['id', 'ASC']] });
  await models.putt.create({
    ...{ id: '0b2c6b0e-6f0a-4a0e-9c70-222222222222', runId: run!.id, position: 9999 },
    ...{ outcomes: {}, at: new Date(), savedAt: new Date() },
  });
  expect(await reader.models.putt.count()).toBe(putts + 1);
  expect(Object.keys(before).length).toBeGreaterThan(0);
  expect(() => reader.change(head, 'nothing', async () => null)).toThrow('only reads');
  await expect(reader.models.putt.destroy({ where: {} })).rejects.toThrow(/READONLY/);
});

test('an assistant is told nothing of students who are not shared with them', async () => {
  const { models } = database;
  const assistant = await models.coach.findOne({ where: { role: 'assistant' } });
  const as: CoachPrincipal = { as: 'assistant', coachId: assistant!.id, deviceId: null };
  await models.share.update({ endedAt: new Date() }, { where: {}, hooks: false });
  expect(await work('now', reader, as)).toEqual({});
  await expect(work('student', reader, as)).rejects.toThrow('no such student');
});
