import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { eightInTenWindow, scoreHistory } from '@/core/scoring';
import { startOf, truthOn } from '@/core/simulate';
import { STUDENTS, truePath } from './demo/world';
import {
  getCoach,
  headCoach,
  latestRead,
  listGreens,
  listSessions,
  listStudents,
  openDatabase,
  seedDemo,
  toLogged,
  type CoachPrincipal,
  type Database,
} from '.';

const now = new Date('2026-03-01T10:00:00Z');
const folder = mkdtempSync(join(tmpdir(), 'dirigo-demo-'));
let database: Database;
let principal: CoachPrincipal;

beforeAll(async () => {
  database = await openDatabase(join(folder, 'demo.db'));
  principal = await headCoach(database);
  await seedDemo(database, now);
}, 180_000);

afterAll(async () => {
  await database.close();
  rmSync(folder, { recursive: true });
});

describe('the demo', () => {
  it('has eight students whose scores lie near their hidden truth', async () => {
    const students = await listStudents(database, principal);
    expect(students).toHaveLength(8);
    expect(students.filter(({ hand }) => hand === 'left')).toHaveLength(2);
    expect((await getCoach(database, principal)).name).not.toBe('');
    let covered = 0;
    for (const student of STUDENTS) {
      const { id } = students.find(({ name }) => name === student.values.name)!;
      const sessions = await listSessions(database, principal, { studentId: id });
      expect(sessions.filter(({ homeworkId }) => !homeworkId)).toHaveLength(student.days.length);
      const { carried } = scoreHistory(sessions.map(toLogged)).at(-1)!;
      const truth = truthOn(truePath(student), student.days.at(-1)!);
      for (const [skill, { bias, spread }] of [
        ['start', startOf(truth)],
        ['strike', truth.strike],
        ['pace', truth.pace],
      ] as const) {
        const window = eightInTenWindow(bias, spread);
        const found = carried[skill].window;
        covered += Number(window >= found.low && window <= found.high);
        if (student.days.length < 3) continue;
        expect(found.middle / window).toBeGreaterThan(0.5);
        expect(found.middle / window).toBeLessThan(1.9);
      }
    }
    // Of 24 intervals of 80 % each; 14 or fewer would be seen once in a thousand.
    expect(covered).toBeGreaterThanOrEqual(15);
  });

  it('is the same for the same day, and only fills an empty database', async () => {
    await expect(seedDemo(database, now)).rejects.toThrow('already has students');
    const other = await openDatabase(join(folder, 'second.db'));
    await seedDemo(other, now);
    const putts = async ({ sequelize }: Database) =>
      (await sequelize.query('SELECT id, outcomes FROM putt ORDER BY id'))[0];
    expect(await putts(other)).toEqual(await putts(database));
    await other.close();
  });

  it('has greens that are read over the ten weeks, and a drill on one of their spots', async () => {
    const greens = await listGreens(database, principal);
    const bollard = greens.find(({ name }) => name === 'Bollard green')!;
    expect(bollard.readings.length).toBeGreaterThan(5);
    const { current } = await latestRead(database, principal, {
      greenId: bollard.id,
      spotId: bollard.spots[0]!.id,
    });
    // Two rolls taped to the centimetre give the slope back to a tenth of a per cent.
    expect(current.slope!.grade).toBeCloseTo(0.018, 3);
    expect(current.slope!.falls).toBeCloseTo(-Math.PI / 2, 12);
  });
});
