import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { QueryTypes } from 'sequelize';
import { bareDetails, libraryDrill } from '@/core/drill';
import { v4 } from 'uuid';
import { ballGateLayout, ballGateOf, standing, type BallGate } from '@/core/layout';
import { DEFAULT_PUTT } from '@/core/green';
import {
  addDrill,
  addStudent,
  archiveStudent,
  counted,
  describeDatabaseError,
  headCoach,
  finishSession,
  getDrill,
  getSession,
  getStudent,
  keepBuilt,
  listDrills,
  listSessions,
  listStudents,
  listVersions,
  moveRung,
  openDatabase,
  recordEvents,
  reopenSession,
  saveDrill,
  saveStudent,
  startSession,
  toLogged,
  type CoachPrincipal,
  type Database,
} from '.';
import { asStudent, TEST_STUDENT, stranger, refusal } from './test-book';

const gate: BallGate = {
  distance: 0.4572,
  gap: 0.06,
  shank: 0.005,
  offset: 0,
  made: 'tees',
  on: 'line',
};
const layout = ballGateLayout(DEFAULT_PUTT, gate);
const values = TEST_STUDENT;
const now = new Date('2026-03-01T10:00:00Z');

let folder: string;
let database: Database;
let principal: CoachPrincipal;

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'dirigo-'));
  database = await openDatabase(join(folder, 'coach.db'));
  principal = await headCoach(database);
});

afterEach(async () => {
  await database.close();
  rmSync(folder, { recursive: true });
});

async function openSession() {
  const studentId = await addStudent(database, principal, values);
  const drillId = await addDrill(
    database,
    principal,
    { name: 'Gate', layout, details: bareDetails() },
    now,
  );
  const id = await startSession(database, principal, { studentId, drillId, startedAt: now });
  const { runs } = await getSession(database, principal, id);
  return { id, studentId, drillId, runId: runs[0]!.id };
}

const putt = (outcome = 'clear', id = v4()) => ({
  type: 'putt' as const,
  id,
  outcomes: { gate: outcome },
  at: now,
});

describe('the database file', () => {
  it('keeps WAL, foreign keys and the busy timeout, also inside transactions', async () => {
    const pragma = async (name: string) =>
      database.atomically(async (transaction) => {
        const options = { transaction, type: QueryTypes.SELECT } as const;
        const [row] = await database.sequelize.query(`PRAGMA ${name}`, options);
        return Object.values(row ?? {})[0];
      });
    expect(await pragma('journal_mode')).toBe('wal');
    expect(await pragma('foreign_keys')).toBe(1);
    expect(await pragma('busy_timeout')).toBe(5000);
  });

  it('is opened again with all it held, and the coach is made once', async () => {
    await addStudent(database, principal, values);
    await database.close();
    database = await openDatabase(join(folder, 'coach.db'));
    expect(await headCoach(database)).toEqual(principal);
    expect(await listStudents(database, principal)).toHaveLength(1);
  });

  it('is backed up before a migration when it holds data', async () => {
    await addStudent(database, principal, values);
    await database.sequelize.query("DELETE FROM migration WHERE name = '001-first'");
    await database.close();
    await expect(openDatabase(join(folder, 'coach.db'))).rejects.toThrow('It was left unchanged');
    expect(readdirSync(folder)).toContain('coach.db.before-001-first');
    database = await openDatabase(join(folder, 'other.db'));
  });

  it('is refused with a sentence when it is not a database, and left as it is', async () => {
    const file = join(folder, 'letter.db');
    writeFileSync(file, 'Dear coach, this is a letter and not a database. '.repeat(50));
    const before = readFileSync(file, 'utf8');
    await expect(openDatabase(file)).rejects.toThrow(/letter\.db is not a Dirigo database/);
    expect(readFileSync(file, 'utf8')).toBe(before);
  });

  it('is refused when its folder is a file or its path a folder', async () => {
    writeFileSync(join(folder, 'file'), '');
    await expect(openDatabase(join(folder, 'file', 'x.db'))).rejects.toThrow(
      'cannot be opened or created',
    );
    await expect(openDatabase(folder)).rejects.toThrow('cannot be opened or created');
  });

  it.each([
    ['SQLITE_READONLY: attempt to write a readonly database', 'read-only'],
    ["EACCES: permission denied, mkdir '/x'", 'read-only'],
    ['SQLITE_FULL: database or disk is full', 'disk is full'],
    ['SQLITE_BUSY: database is locked', 'another program'],
    ['anything else', 'left unchanged'],
  ])('explains %s', (message, words) => {
    expect(describeDatabaseError(new Error(message), 'x.db')).toContain(words);
  });
});

describe('students and drills', () => {
  it('are kept, changed, archived and taken back', async () => {
    const id = await addStudent(database, principal, values);
    await saveStudent(
      database,
      principal,
      id,
      {
        ...values,
        hand: 'right',
        school: 'arc',
        kit: [],
        putter: { headLength: 0.1, headDepth: 0.09, lieAngle: 1.22 },
      },
      1,
    );
    await archiveStudent(database, principal, id, now);
    expect(await getStudent(database, principal, id)).toEqual({
      ...values,
      id,
      coachId: principal.coachId,
      version: 3,
      hand: 'right',
      school: 'arc',
      kit: [],
      putter: { headLength: 0.1, headDepth: 0.09, lieAngle: 1.22 },
      archivedAt: now,
    });
    await archiveStudent(database, principal, id, null);
    expect((await getStudent(database, principal, id)).archivedAt).toBeNull();
  });

  it('belong to their coach alone', async () => {
    const { id, studentId, drillId, runId } = await openSession();
    const other = stranger();
    await expect(getStudent(database, other, studentId)).rejects.toThrow('student does not exist');
    await expect(getDrill(database, other, drillId)).rejects.toThrow('drill does not exist');
    await expect(getSession(database, other, id)).rejects.toThrow('session does not exist');
    await expect(recordEvents(database, other, runId, [putt()], now)).rejects.toThrow(
      'run does not exist',
    );
    await expect(finishSession(database, other, id, now)).rejects.toThrow('session does not exist');
    await expect(
      startSession(database, other, { studentId, drillId, startedAt: now }),
    ).rejects.toThrow('does not exist');
    expect(await listStudents(database, other)).toEqual([]);
    expect(await listDrills(database, other)).toEqual([]);
    expect(await listSessions(database, other)).toEqual([]);
  });

  it('make a new version only when the layout changed, and runs keep theirs', async () => {
    const { id, drillId } = await openSession();
    await saveDrill(
      database,
      principal,
      drillId,
      { name: 'Gate, renamed', layout, details: bareDetails() },
      now,
    );
    expect(await getDrill(database, principal, drillId)).toMatchObject({
      version: 1,
      name: 'Gate, renamed',
    });
    const closer = ballGateLayout(DEFAULT_PUTT, { ...gate, gap: 0.054 });
    const kept = { name: 'Gate', layout: closer, details: bareDetails() };
    await saveDrill(database, principal, drillId, kept, now);
    const drill = await getDrill(database, principal, drillId);
    expect(drill.version).toBe(2);
    expect(ballGateOf(drill.layout)?.gap).toBe(0.054);
    const { runs } = await getSession(database, principal, id);
    expect(ballGateOf(runs[0]!.layout)?.gap).toBe(0.06);
    await saveDrill(
      database,
      principal,
      drillId,
      { ...kept, details: { ...bareDetails(), purpose: 'Start line' } },
      now,
    );
    expect((await listVersions(database, principal, drillId)).map(({ number }) => number)).toEqual([
      3, 2, 1,
    ]);
    const old = await getDrill(database, principal, drillId, 1);
    expect([ballGateOf(old.layout)?.gap, old.details.purpose]).toEqual([0.06, '']);
    await expect(getDrill(database, principal, drillId, 9)).rejects.toThrow('drill does not exist');
  });

  it('are set up for the student, on the rung that is asked for', async () => {
    const { studentId } = await openSession();
    const { name, layout: drawn, key: origin, ...details } = libraryDrill('putter-gate-level')!;
    const kept = { name, layout: drawn, details, origin };
    const drillId = await addDrill(database, principal, kept, now);
    expect(await getDrill(database, principal, drillId)).toMatchObject({ origin, details });
    const start = (rung: number) =>
      startSession(database, principal, { studentId, drillId, startedAt: now, rung });
    const [run] = (await getSession(database, principal, await start(2))).runs;
    expect(run).toMatchObject({ rung: 2, drillId, layout: { player: { hand: 'left' } } });
    const [, putter] = standing(run!.layout);
    const { set } = details.ladder[2]!;
    const [element, size] = Object.entries(set)[0]!;
    expect(run!.layout.elements.find(({ id }) => id === element)).toMatchObject({ params: size });
    expect(putter!.outcomes().map(({ label }) => label)).toEqual(['Through', 'Toe', 'Heel']);
    await expect(start(40)).rejects.toThrow('there is no rung 41');
  });

  it('that cannot be built for a student are refused with a reason', async () => {
    const { studentId } = await openSession();
    await saveStudent(
      database,
      principal,
      studentId,
      {
        ...values,
        putter: { ...values.putter, headLength: 0.065 },
      },
      1,
    );
    const { name, layout: drawn, key: _key, ...details } = libraryDrill('pop-stroke')!;
    const drillId = await addDrill(database, principal, { name, layout: drawn, details }, now);
    await expect(
      startSession(database, principal, { studentId, drillId, startedAt: now }),
    ).rejects.toThrow(/cannot be set up for .*: A gap of 70 mm lets the putter head through/);
  });
});

describe('a rung in the middle of a session', () => {
  it('is a run of its own after the last, and both are scored as they stood', async () => {
    const { studentId } = await openSession();
    const { name, layout: drawn, key: _key, ...details } = libraryDrill('gate-ladder')!;
    const drillId = await addDrill(database, principal, { name, layout: drawn, details }, now);
    const id = await startSession(database, principal, {
      studentId,
      drillId,
      startedAt: now,
      rung: 1,
    });
    const [first] = (await getSession(database, principal, id)).runs;
    await recordEvents(
      database,
      principal,
      first!.id,
      [{ type: 'putt', id: v4(), outcomes: { ballGate1: 'clear' }, at: now }],
      now,
    );
    await moveRung(database, principal, id, 2);
    const session = await getSession(database, principal, id);
    expect(session.runs.map(({ rung }) => rung)).toEqual([1, 2]);
    const gaps = session.runs.map((run) => ballGateOf(run.layout)!.gap);
    expect(gaps[1]!).toBeLessThan(gaps[0]!);
    expect(session.runs[1]!.layout.player).toEqual(session.runs[0]!.layout.player);
    expect(toLogged(session).runs.map(({ putts }) => putts.length)).toEqual([1, 0]);

    const unasked = await startSession(database, principal, { studentId, drillId, startedAt: now });
    // Drawn with 67 mm, as the first rung is.
    expect((await getSession(database, principal, unasked)).runs[0]!.rung).toBe(0);

    await expect(moveRung(database, principal, id, 40)).rejects.toThrow('there is no rung 41');
    await expect(moveRung(database, stranger(), id, 1)).rejects.toThrow('session does not exist');
    await finishSession(database, principal, id, now);
    await expect(moveRung(database, principal, id, 1)).rejects.toThrow('finished');
  });
});

describe('what was measured once it stood', () => {
  it('is kept with the run and scored; an empty record goes back to the plan', async () => {
    const { id, runId } = await openSession();
    await recordEvents(database, principal, runId, [putt('left')], now);
    const planned = standing(layout)[1]!.tolerance()!.left;
    await keepBuilt(database, principal, runId, 'gate', { gap: 0.064 });
    const [run] = toLogged(await getSession(database, principal, id)).runs;
    expect(standing(run!.layout)[1]!.tolerance()!.left).toBeGreaterThan(planned);
    await keepBuilt(database, principal, runId, 'gate', {});
    const [again] = toLogged(await getSession(database, principal, id)).runs;
    expect(standing(again!.layout)[1]!.tolerance()!.left).toBe(planned);
  });

  it('is refused where it cannot be, and for another coach’s run', async () => {
    const { runId } = await openSession();
    await expect(keepBuilt(database, principal, runId, 'gate', { gap: 0.04 })).rejects.toThrow(
      'wider than the ball',
    );
    await expect(keepBuilt(database, stranger(), runId, 'gate', { gap: 0.06 })).rejects.toThrow(
      'run does not exist',
    );
  });
});

describe('putts', () => {
  it('are kept in the order sent, and sending them again changes nothing', async () => {
    const { runId } = await openSession();
    const events = [putt('clear'), putt('left'), putt('right')];
    await recordEvents(database, principal, runId, events, now);
    const again = await recordEvents(database, principal, runId, [...events, putt('clear')], now);
    expect(again.putts.map(({ outcomes }) => outcomes.gate)).toEqual([
      'clear',
      'left',
      'right',
      'clear',
    ]);
  });

  it('are taken back by a mark and stay in the file', async () => {
    const { id, runId } = await openSession();
    const event = putt('left');
    await recordEvents(
      database,
      principal,
      runId,
      [event, putt(), { type: 'undo', id: event.id, at: now }],
      now,
    );
    await recordEvents(database, principal, runId, [{ type: 'undo', id: event.id, at: now }], now);
    const session = await getSession(database, principal, id);
    expect(session.runs[0]!.putts).toHaveLength(2);
    expect(counted(session.runs[0]!.putts)).toHaveLength(1);
    expect(toLogged(session).runs[0]!.putts).toEqual([
      {
        outcomes: { gate: 'clear' },
        points: {},
        place: { station: 0, again: 0, spot: { distance: 2.4384, bearing: 0 } },
        manner: 'usual',
      },
    ]);
  });

  it('of a session that a student only sees are not theirs to add to: they cannot reopen it', async () => {
    const { id, studentId } = await openSession();
    await finishSession(database, principal, id, now);
    const student = asStudent(principal, studentId);
    expect((await getSession(database, student, id)).id).toBe(id);
    await expect(reopenSession(database, student, id)).rejects.toThrow('session does not exist');
  });

  it('are refused for a finished session by who knows of it, but a repeated one is not', async () => {
    const { id, runId } = await openSession();
    const first = putt();
    await recordEvents(database, principal, runId, [first], now);
    await finishSession(database, principal, id, now);
    const knowing = { ...putt(), knowing: true };
    await expect(recordEvents(database, principal, runId, [knowing], now)).rejects.toThrow(
      'was finished at',
    );
    const again = await recordEvents(database, principal, runId, [first], now);
    expect(again).toMatchObject({ finished: true, putts: { length: 1 } });
    await reopenSession(database, principal, id);
    expect((await recordEvents(database, principal, runId, [putt()], now)).putts).toHaveLength(2);
  });

  it('that cannot be are left out and told, and the others kept', async () => {
    const { runId } = await openSession();
    const bad = putt('sideways');
    const record = await recordEvents(database, principal, runId, [putt(), bad, putt('left')], now);
    expect(record.putts.map(({ outcomes }) => outcomes.gate)).toEqual(['clear', 'left']);
    expect(record.refused).toMatchObject([{ type: 'putt', id: bad.id }]);
    expect(record.refused[0]!.message).toContain('sideways');
  });

  it('come in late when a session was finished elsewhere, with nothing in it too', async () => {
    const { id, studentId, runId } = await openSession();
    expect(await finishSession(database, principal, id, now)).toBe('empty');
    expect(await listSessions(database, principal, { studentId })).toEqual([]);
    const record = await recordEvents(database, principal, runId, [putt(), putt('left')], now);
    expect(record).toMatchObject({ late: 2, finished: true, putts: { length: 2 } });
    const [session] = await listSessions(database, principal, { studentId });
    expect(session).toMatchObject({ id, finishedAt: now });
    expect((await recordEvents(database, principal, runId, [], now)).late).toBe(0);
  });

  it('are told from a position on: what is new, what was changed, nothing, or all', async () => {
    const { runId } = await openSession();
    // As a logging screen sends it: with where and how.
    const placed = (gate?: string) => ({
      ...putt(gate),
      place: { station: 0, again: 0, spot: null },
      manner: 'usual' as const,
    });
    const [one, two] = [placed(), placed('left')];
    const first = await recordEvents(database, principal, runId, [one], now);
    expect(first).toMatchObject({ whole: true, putts: { length: 1 } });
    const second = await recordEvents(database, principal, runId, [two], now, first.position);
    expect(second).toMatchObject({ whole: false, putts: [{ id: two.id }] });
    const read = (since: typeof second.position) =>
      recordEvents(database, principal, runId, [], now, since);
    expect(await read(second.position)).toMatchObject({ putts: [], position: second.position });
    await recordEvents(database, principal, runId, [{ type: 'undo', id: one.id, at: now }], now);
    const third = await read(second.position);
    expect(third.putts.map(({ id }) => id)).toEqual([one.id]);
    // A position of another database says nothing here.
    const restored = { ...third.position, lineage: third.position.lineage + 1 };
    expect(await read(restored)).toMatchObject({ whole: true, putts: { length: 2 } });
  });

  it('of two screens at once are all kept', async () => {
    const { runId } = await openSession();
    const screens = Array.from({ length: 20 }, () => [putt('clear'), putt('left')]);
    await Promise.all(
      screens.map((events) => recordEvents(database, principal, runId, events, now)),
    );
    const all = await recordEvents(database, principal, runId, [], now);
    expect(new Set(all.putts.map(({ id }) => id)).size).toBe(40);
  });

  it('cannot be moved to another run, nor taken back before they are there', async () => {
    const one = await openSession();
    const two = await openSession();
    const event = putt();
    await recordEvents(database, principal, one.runId, [event], now);
    expect(await refusal(recordEvents(database, principal, two.runId, [event], now))).toContain(
      'another run',
    );
    expect(
      await refusal(
        recordEvents(database, principal, two.runId, [{ type: 'undo', id: v4(), at: now }], now),
      ),
    ).toContain('not in this run');
  });

  it('keep a session only when there are any', async () => {
    const { id, studentId } = await openSession();
    expect(await finishSession(database, principal, id, now)).toBe('empty');
    expect(await listSessions(database, principal, { studentId })).toEqual([]);
  });
});
