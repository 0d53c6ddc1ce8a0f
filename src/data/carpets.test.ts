import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { STANDARD_FITTING } from '@/core/people';
import {
  addStudent,
  eraseStudent,
  headCoach,
  homeCarpet,
  keepCarpet,
  openDatabase,
  type CoachPrincipal,
  type Database,
  type StudentPrincipal,
} from '.';

let folder: string;
let database: Database;
let head: CoachPrincipal;
let student: StudentPrincipal;

const add = (name: string) =>
  addStudent(database, head, {
    ...{ name, hand: 'right', level: 'steady', seated: false, notes: '', school: 'arc' },
    ...{ groups: '', kit: [], putter: STANDARD_FITTING },
  });

beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'dirigo-carpet-'));
  database = await openDatabase(join(folder, 'carpet.db'));
  head = await headCoach(database);
  student = { as: 'student', coachId: head.coachId, studentId: await add('Hanne Kolk') };
});

afterEach(async () => {
  await database.close();
  await rm(folder, { recursive: true, force: true });
});

const rolls = { height: 0.06, there: 0.75, back: 0.75 };
const at = new Date('2026-05-01T10:00:00Z');

test('a carpet is kept, measured again, and read by student and coach', async () => {
  expect(await homeCarpet(database, student, student.studentId)).toBeNull();
  // 1.83² / (10/7 · 9.80665 · 0.06) · 0.75
  expect(await keepCarpet(database, student, rolls, at)).toBeCloseTo(2.988, 3);
  await keepCarpet(database, student, { ...rolls, there: 0.6, back: 0.6 }, at);
  const kept = await homeCarpet(database, head, student.studentId);
  expect(kept!.greenSpeed).toBeCloseTo(2.39, 2);
  expect(kept!.rolls).toEqual({ height: 0.06, there: 0.6, back: 0.6 });
});

test('rolls that cannot be are refused with what is believed, and nothing is kept', async () => {
  await expect(
    keepCarpet(database, student, { height: 0.02, there: 3, back: 3 }, at),
  ).rejects.toThrow('it must be 1.2 m to 5 m');
  await expect(keepCarpet(database, student, { ...rolls, height: 4 }, at)).rejects.toThrow();
  expect(await homeCarpet(database, student, student.studentId)).toBeNull();
});

test('it is nobody else’s to read, and goes with its student', async () => {
  await keepCarpet(database, student, rolls, at);
  const other: StudentPrincipal = { ...student, studentId: await add('Joost Wier') };
  await expect(homeCarpet(database, other, student.studentId)).rejects.toThrow(
    'student does not exist',
  );
  expect(await homeCarpet(database, other, other.studentId)).toBeNull();
  await eraseStudent(database, head, student.studentId, at);
  expect(await database.models.homeCarpet.count()).toBe(0);
});
