import { mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Sequelize } from 'sequelize';
import { drillDetails } from '@/core/drill';
import { COMMON_KIT, STANDARD_FITTING } from '@/core/people';
import { standing } from '@/core/layout';
import { MIGRATIONS } from './migrations';
import {
  addStudent,
  bookLines,
  headCoach,
  getDrill,
  getSession,
  getStudent,
  listPutters,
  listStudents,
  listVersions,
  lookInBook,
  knownLink,
  openDatabase,
  openLink,
  saveDrill,
  startSession,
  takeBook,
  toLogged,
} from '.';
import { TEST_STUDENT } from './test-book';

const ID = {
  coach: '0b2c6b0e-6f0a-4a0e-9c70-000000000001',
  student: '0b2c6b0e-6f0a-4a0e-9c70-000000000002',
  drill: '0b2c6b0e-6f0a-4a0e-9c70-000000000003',
  version: '0b2c6b0e-6f0a-4a0e-9c70-000000000004',
  session: '0b2c6b0e-6f0a-4a0e-9c70-000000000005',
  run: '0b2c6b0e-6f0a-4a0e-9c70-000000000006',
  putt: '0b2c6b0e-6f0a-4a0e-9c70-000000000007',
};

/** A layout as it was kept before layouts knew a player, a reading or what counts. */
const OLD_LAYOUT = JSON.stringify({
  putt: { distance: 2.4384, greenSpeed: 3.048, past: 0.45 },
  elements: [
    { id: 'ball', kind: 'ballMark', params: { marker: 'marker' } },
    { id: 'gate', kind: 'ballGate', params: { distance: 0.4572, gap: 0.06, shank: 0.005 } },
  ],
});

let folder: string;
let file: string;

/** A book as the first version of the program left it, with one putt in it. */
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'dirigo-old-'));
  file = join(folder, 'coach.db');
  const old = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
  const [first] = MIGRATIONS;
  for (const statement of first!.statements) await old.query(statement);
  await old.query('CREATE TABLE migration (name TEXT PRIMARY KEY)');
  const insert = (table: string, row: Record<string, unknown>) =>
    old.query(
      `INSERT INTO ${table} (${Object.keys(row).join(', ')}) VALUES (${Object.keys(row)
        .map((name) => `:${name}`)
        .join(', ')})`,
      { replacements: row },
    );
  await insert('migration', { name: first!.name });
  await insert('coach', { id: ID.coach, name: 'Tilda', settings: '{}' });
  await insert('student', {
    id: ID.student,
    coachId: ID.coach,
    name: 'Oona',
    hand: 'left',
    level: 'steady',
    seated: 0,
    notes: 'kept',
  });
  await insert('putter', { id: ID.coach, studentId: ID.student, headLength: 0.1, headDepth: 0.03 });
  await insert('drill', { id: ID.drill, coachId: ID.coach, name: 'Old gate' });
  await insert('drillVersion', {
    id: ID.version,
    drillId: ID.drill,
    number: 1,
    layout: OLD_LAYOUT,
  });
  await insert('session', {
    id: ID.session,
    coachId: ID.coach,
    studentId: ID.student,
    startedAt: '2026-03-01 10:00:00.000 +00:00',
  });
  await insert('run', {
    id: ID.run,
    sessionId: ID.session,
    drillVersionId: ID.version,
    drillName: 'Old gate',
    layout: OLD_LAYOUT,
    position: 1,
  });
  await insert('putt', {
    id: ID.putt,
    runId: ID.run,
    position: 1,
    outcomes: '{"gate":"left"}',
    at: '2026-03-01 10:01:00.000 +00:00',
    savedAt: '2026-03-01 10:01:00.000 +00:00',
  });
  await old.close();
});

afterEach(() => rmSync(folder, { recursive: true }));

describe('a book of the first version', () => {
  it('is copied, moved on, and holds all it held', async () => {
    const database = await openDatabase(file);
    expect(readdirSync(folder)).toContain('coach.db.before-002-greens');
    const principal = await headCoach(database);
    expect(principal).toEqual({ as: 'head', coachId: ID.coach, deviceId: null });

    const student = await getStudent(database, principal, ID.student);
    expect(student).toMatchObject({
      name: 'Oona',
      hand: 'left',
      notes: 'kept',
      school: 'arc',
      kit: COMMON_KIT,
      putter: { headLength: 0.1, headDepth: 0.03 },
    });
    expect(student.putter.lieAngle).toBeCloseTo(STANDARD_FITTING.lieAngle, 9);

    expect(await listPutters(database, principal, ID.student)).toMatchObject([
      { name: 'Own putter', headLength: 0.1, headDepth: 0.03, loft: null, inUse: true },
    ]);

    const drill = await getDrill(database, principal, ID.drill);
    expect(drill).toMatchObject({ name: 'Old gate', version: 1, origin: null });
    expect(drill.details).toEqual(drillDetails.parse({}));
    expect(drill.layout).toMatchObject({ player: STANDARD_FITTING, counts: 'all' });
    expect(drill.layout.putt).toMatchObject({ slope: { grade: 0 }, tiers: [] });

    const session = await getSession(database, principal, ID.session);
    expect(session.runs[0]).toMatchObject({ rung: null, rule: { type: 'open' }, ladder: [] });
    const [run] = toLogged(session).runs;
    expect(run!.putts).toEqual([
      {
        outcomes: { gate: 'left' },
        points: {},
        place: { station: 0, again: 0, spot: { distance: 2.4384, bearing: 0 } },
        manner: 'usual',
      },
    ]);
    expect(standing(run!.layout)[1]!.evidence('left')[0]).toMatchObject({
      quantity: 'start',
      lower: -Infinity,
    });
    await database.close();
  });

  it('goes on from there: a new version, a new session, and no second move', async () => {
    const database = await openDatabase(file);
    const principal = await headCoach(database);
    const { name, layout, details } = await getDrill(database, principal, ID.drill);
    const now = new Date('2026-11-24T10:00:00Z');
    await saveDrill(database, principal, ID.drill, { name, layout, details }, now);
    expect(await listVersions(database, principal, ID.drill)).toEqual([{ number: 1, at: null }]);
    const changed = { ...details, rule: { type: 'row' as const, length: 5 } };
    await saveDrill(database, principal, ID.drill, { name, layout, details: changed }, now);
    expect((await listVersions(database, principal, ID.drill))[0]).toEqual({ number: 2, at: now });
    const started = await startSession(database, principal, {
      studentId: ID.student,
      drillId: ID.drill,
      startedAt: now,
    });
    const [run] = (await getSession(database, principal, started)).runs;
    expect(run).toMatchObject({
      rule: { type: 'row', length: 5 },
      layout: { player: { hand: 'left' } },
    });
    const [older] = (await getSession(database, principal, ID.session)).runs;
    expect(older!.rule).toEqual({ type: 'open' });
    await database.close();
    const again = await openDatabase(file);
    expect(readdirSync(folder).filter((one) => one.includes('before'))).toHaveLength(1);
    await again.close();
  });
});

describe('a book of the release before', () => {
  const TOKEN = 'aAbBcCdDeEfFgGhHiIjJkKlLmMnNoOpP';

  it('opens with its links, which lie there in clear no more, and its coach is a head coach', async () => {
    const old = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
    for (const { name, statements, fill } of MIGRATIONS.slice(1, 6)) {
      await old.transaction(async (transaction) => {
        for (const statement of statements) await old.query(statement, { transaction });
        await fill?.(old, transaction);
      });
      await old.query('INSERT INTO migration (name) VALUES (:name)', { replacements: { name } });
    }
    await old.query(
      `INSERT INTO link (token, coachId, studentId, madeAt) VALUES (:token, :coach, :student, :at)`,
      {
        replacements: {
          token: TOKEN,
          coach: ID.coach,
          student: ID.student,
          at: '2026-03-01 10:00:00.000 +00:00',
        },
      },
    );
    await old.close();
    expect(readFileSync(file).includes(TOKEN)).toBe(true);

    const database = await openDatabase(file);
    const at = new Date('2026-03-02T10:00:00Z');
    const student = { as: 'student', coachId: ID.coach, studentId: ID.student };
    expect(await openLink(database, TOKEN, at)).toEqual(student);
    const head = await headCoach(database);
    expect(head).toMatchObject({ as: 'head', coachId: ID.coach });
    expect((await getStudent(database, head, ID.student)).version).toBe(1);
    expect((await knownLink(database, head, ID.student, at))!.madeAt).toEqual(
      new Date('2026-03-01T10:00:00Z'),
    );
    await database.close();
    expect(readFileSync(file).includes(TOKEN)).toBe(false);
    // The copy that was put beside it before is what it was.
    expect(readFileSync(`${file}.before-007-academy`).includes(TOKEN)).toBe(true);
  });
});

describe('a whole book of an earlier version', () => {
  /** Its lines, in an order that does not matter. */
  async function linesOf(path: string, until?: string): Promise<string[]> {
    const database = await openDatabase(path, until);
    const pieces: string[] = [];
    for await (const piece of bookLines(database)) pieces.push(piece);
    await database.close();
    return pieces.join('').trim().split('\n');
  }
  async function* read(lines: readonly string[]) {
    yield* lines;
  }

  it.each(MIGRATIONS.map(({ name }) => name))(
    'of %s comes in as its file would have been moved on',
    async (name) => {
      const lines = await linesOf(file, name);
      expect(lines[0]).toBe(`{"book":1,"migration":"${name}"}`);
      const fresh = await openDatabase(join(folder, 'fresh.db'));
      await headCoach(fresh);
      expect(await lookInBook(fresh, read(lines))).toEqual({
        ...{ students: 1, sessions: 1, putts: 1, room: true },
        newest: new Date('2026-03-01T10:00:00Z'),
        earlier: name !== MIGRATIONS.at(-1)!.name,
      });
      expect(await takeBook(fresh, read(lines))).toMatchObject({ putts: 1, sessions: 1 });
      await fresh.close();
      const [moved, taken] = [await linesOf(file), await linesOf(join(folder, 'fresh.db'))];
      expect(taken.sort()).toEqual(moved.sort());
      expect(taken.length).toBeGreaterThan(7);
    },
  );

  it('that cannot be comes in not at all; one of a newer version is told', async () => {
    const lines = await linesOf(file, MIGRATIONS[3]!.name);
    const fresh = await openDatabase(join(folder, 'fresh.db'));
    await headCoach(fresh);
    const before = await linesOf(join(folder, 'fresh.db'));
    const again = lines.find((line) => line.includes('"table":"putt"'))!;
    await expect(takeBook(fresh, read([...lines, again]))).rejects.toThrow(
      // Said once: it is the sentence's beginning.
      new RegExp(`^Line ${lines.length + 1} of this export does not fit the others`),
    );
    // A table that came later is none of that version.
    const later = '{"table":"device","row":{"id":"x"}}';
    await expect(takeBook(fresh, read([...lines, later]))).rejects.toThrow('does not name a table');
    const newer = '{"book":1,"migration":"999-later"}';
    await expect(takeBook(fresh, read([newer, ...lines.slice(1)]))).rejects.toThrow(
      'not from this version of Dirigo or an earlier one',
    );
    await fresh.close();
    expect(await linesOf(join(folder, 'fresh.db'))).toEqual(before);
  });

  it('goes into no book that somebody wrote into meanwhile', async () => {
    const lines = await linesOf(file, MIGRATIONS[3]!.name);
    const fresh = await openDatabase(join(folder, 'fresh.db'));
    const principal = await headCoach(fresh);
    async function* slowly() {
      yield* lines;
      await addStudent(fresh, principal, TEST_STUDENT);
    }
    await expect(takeBook(fresh, slowly())).rejects.toThrow('already');
    expect(await listStudents(fresh, principal)).toMatchObject([{ name: TEST_STUDENT.name }]);
    await fresh.close();
  });

  it('is given up when it is to stop, and leaves nothing behind', async () => {
    const lines = await linesOf(file, MIGRATIONS[3]!.name);
    const putt = JSON.parse(lines.find((line) => line.includes('"table":"putt"'))!) as {
      row: object;
    };
    const more = Array.from({ length: 600 }, (_, i) =>
      JSON.stringify({ table: 'putt', row: { ...putt.row, id: `putt ${i}`, position: i + 2 } }),
    );
    const fresh = await openDatabase(join(folder, 'fresh.db'));
    const stop = () => {
      throw new Error('stopped');
    };
    const left = () => readdirSync(tmpdir()).filter((one) => one.startsWith('dirigo-book-'));
    const before = left();
    await expect(takeBook(fresh, read([...lines, ...more]), stop)).rejects.toThrow('stopped');
    expect(left()).toEqual(before);
    expect(await lookInBook(fresh, read([...lines, ...more]))).toMatchObject({
      putts: 601,
      room: true,
    });
    await fresh.close();
  });
});
