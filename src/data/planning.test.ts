import { v4 } from 'uuid';
import { bareDetails, libraryDrill } from '@/core/drill';
import { ballGateLayout } from '@/core/layout';
import { DEFAULT_PUTT } from '@/core/green';
import { needsOf, type Need, type PlanValues, type ProgrammeValues } from '@/core/planning';
import { DEFAULT_FACE_SHARE, priorBelief, scoresOf, type Basis } from '@/core/scoring';
import {
  addAppointment,
  addDrill,
  addPlan,
  addProgramme,
  addStudent,
  archivePlan,
  dropAppointment,
  archiveStudent,
  endHomework,
  endLink,
  endProgramme,
  finishSession,
  getPlan,
  getProgramme,
  saveCoach,
  getCoach,
  getSession,
  giveHomework,
  goToNextBlock,
  homeSession,
  knownLink,
  makeLink,
  listAppointments,
  listHomework,
  listPlans,
  openLink,
  recordEvents,
  refreshProgramme,
  saveAppointment,
  savePlan,
  saveProgramme,
  startHomework,
  startPlan,
  startSession,
  type CoachPrincipal,
  type StudentPrincipal,
  type Database,
} from '.';
import { TEST_STUDENT, asStudent, openTestBook, stranger, type TestBook } from './test-book';

const ZONE = 'Europe/Amsterdam';
const now = new Date('2026-03-02T10:00:00Z');
const layout = ballGateLayout(DEFAULT_PUTT, { distance: 0.4572, gap: 0.06, shank: 0.005 });

let book: TestBook;
let database: Database;
let principal: CoachPrincipal;
/** The student, as their link has them ask. */
let pupil: StudentPrincipal;
let studentId: string;
let drillId: string;
let ladderId: string;

beforeEach(async () => {
  book = await openTestBook();
  ({ database, principal } = book);
  studentId = await addStudent(database, principal, TEST_STUDENT);
  pupil = asStudent(principal, studentId);
  drillId = await addDrill(
    database,
    principal,
    { name: 'Gate', layout, details: bareDetails() },
    now,
  );
  const { name, layout: drawn, key: origin, ...details } = libraryDrill('gate-ladder')!;
  ladderId = await addDrill(database, principal, { name, layout: drawn, details, origin }, now);
});

afterEach(() => book.close());

const block = (drill: string, rung: number | null = null) => ({
  id: v4(),
  drillId: drill,
  rungs: { [studentId]: rung },
  locked: false,
  why: '',
});
const plan = (more: Partial<PlanValues> = {}): PlanValues => ({
  name: 'An hour',
  minutes: 60,
  place: 'green',
  kit: ['tee'],
  goals: [],
  studentIds: [studentId],
  blocks: [block(drillId), block(ladderId, 2), block(drillId)],
  ...more,
});

describe('a plan', () => {
  it('is kept, changed and put away', async () => {
    const id = await addPlan(database, principal, plan(), now);
    await savePlan(database, principal, id, plan({ name: 'A longer hour', minutes: 75 }));
    expect(await getPlan(database, principal, id)).toMatchObject({
      name: 'A longer hour',
      minutes: 75,
      archivedAt: null,
    });
    await archivePlan(database, principal, id, now);
    expect((await listPlans(database, principal))[0]!.archivedAt).toEqual(now);
  });

  it('names nothing that is not the coach’s', async () => {
    await expect(
      addPlan(database, principal, plan({ blocks: [block(v4())] }), now),
    ).rejects.toThrow(/drill does not exist/);
    await expect(addPlan(database, principal, plan({ studentIds: [v4()] }), now)).rejects.toThrow(
      /student does not exist/,
    );
    const id = await addPlan(database, principal, plan(), now);
    await expect(getPlan(database, stranger(), id)).rejects.toThrow(/plan does not exist/);
  });

  it('is run block by block, on the rungs that were set', async () => {
    const wanted = plan();
    const id = await addPlan(database, principal, wanted, now);
    const [sessionId] = await startPlan(database, principal, id, { startedAt: now });
    await goToNextBlock(database, principal, sessionId!);
    await goToNextBlock(database, principal, sessionId!);
    const session = await getSession(database, principal, sessionId!);
    expect(session.planId).toBe(id);
    expect(session.runs.map(({ planBlock, rung }) => [planBlock, rung])).toEqual([
      [wanted.blocks[0]!.id, null],
      [wanted.blocks[1]!.id, 2],
      [wanted.blocks[2]!.id, null],
    ]);
    expect(new Set(session.runs.map((run) => run.block)).size).toBe(3);
    await expect(goToNextBlock(database, principal, sessionId!)).rejects.toThrow(
      /plan is finished/,
    );
  });

  it('moves all of a group on together', async () => {
    const other = await addStudent(database, principal, { ...TEST_STUDENT, name: 'Merle' });
    const wanted = plan({ studentIds: [studentId, other] });
    const id = await addPlan(database, principal, wanted, now);
    const ids = await startPlan(database, principal, id, { startedAt: now });
    expect(ids).toHaveLength(2);
    await goToNextBlock(database, principal, ids[1]!);
    for (const one of ids) {
      const { runs } = await getSession(database, principal, one);
      expect(runs.map(({ drillId: on }) => on)).toEqual([drillId, ladderId]);
    }
  });

  it('is followed only by a session that follows one', async () => {
    const id = await startSession(database, principal, { studentId, drillId, startedAt: now });
    await expect(goToNextBlock(database, principal, id)).rejects.toThrow(/has no plan/);
  });

  it('putts a test cold', async () => {
    const { name, layout: drawn, key: origin, ...details } = libraryDrill('cold-start')!;
    const test = await addDrill(database, principal, { name, layout: drawn, details, origin }, now);
    const id = await addPlan(
      database,
      principal,
      plan({ blocks: [block(test), block(drillId)] }),
      now,
    );
    const [sessionId] = await startPlan(database, principal, id, { startedAt: now });
    await goToNextBlock(database, principal, sessionId!);
    const { runs } = await getSession(database, principal, sessionId!);
    expect(runs.map(({ cold, rule }) => [cold, rule.type])).toEqual([
      [true, 'assessment'],
      [false, 'open'],
    ]);
  });
});

const needed = (basis: Partial<Basis> = {}): Need[] =>
  needsOf(scoresOf(priorBelief(), DEFAULT_FACE_SHARE), {
    start: 0,
    face: 0,
    path: 0,
    strike: 0,
    pace: 0,
    height: 0,
    ...basis,
  });
const NEEDS = needed();
const programme = (more: Partial<ProgrammeValues> = {}): ProgrammeValues => ({
  off: [],
  from: '2026-03-02',
  weeks: 4,
  slots: [
    { weekday: 2, time: '17:00', minutes: 60, kind: 'lesson' },
    { weekday: 5, time: null, minutes: 30, kind: 'practice' },
  ],
  testEvery: 2,
  aim: { skill: 'start', window: 0.014, by: '2026-03-29' },
  ...more,
});
const add = () =>
  addProgramme(database, principal, studentId, programme(), { needs: NEEDS, zone: ZONE, at: now });
const putted = async (at: string) => {
  const id = await startSession(database, principal, {
    studentId,
    drillId,
    startedAt: new Date(at),
  });
  const { runs } = await getSession(database, principal, id);
  await recordEvents(
    database,
    principal,
    runs[0]!.id,
    [{ type: 'putt', id: v4(), outcomes: { gate: 'clear' }, at: new Date(at) }],
    new Date(at),
  );
  await finishSession(database, principal, id, new Date(at));
};

describe('a programme', () => {
  it('has its days in the diary', async () => {
    const id = await add();
    const { entries, changes } = await getProgramme(database, principal, id);
    expect(entries.map(({ day }) => day).slice(0, 3)).toEqual([
      '2026-03-03',
      '2026-03-06',
      '2026-03-10',
    ]);
    expect(changes).toEqual([]);
    const week = await listAppointments(database, principal, {
      from: '2026-03-09',
      until: '2026-03-15',
    });
    expect(week.map(({ programmeId }) => programmeId)).toEqual([id, id]);
  });

  it('knows a day by the coach’s clock: half past midnight is the next', async () => {
    const id = await add();
    await putted('2026-03-02T23:30:00Z');
    const { entries } = await refreshProgramme(database, principal, id, {
      needs: NEEDS,
      at: new Date('2026-03-05T09:00:00Z'),
      zone: ZONE,
    });
    expect(entries[0]).toMatchObject({ day: '2026-03-03', state: 'done' });
  });

  it('changes when two days were missed, says why once, and leaves rows that stay', async () => {
    const id = await add();
    const before = await getProgramme(database, principal, id);
    const at = new Date('2026-03-09T09:00:00Z');
    const refreshed = await refreshProgramme(database, principal, id, {
      needs: NEEDS,
      at,
      zone: ZONE,
    });
    expect(refreshed.entries.slice(0, 2).map(({ state }) => state)).toEqual(['missed', 'missed']);
    expect(refreshed.changes.length).toBeGreaterThan(0);
    expect(refreshed.changes[0]!.words).toContain('was missed');
    expect(refreshed.entries.map((entry) => entry.id)).toEqual(
      before.entries.map((entry) => entry.id),
    );
    const again = await refreshProgramme(database, principal, id, { needs: NEEDS, at, zone: ZONE });
    expect(again).toEqual(refreshed);
  });

  it('keeps the days that still fall where they were when its days are changed', async () => {
    const id = await add();
    const before = await getProgramme(database, principal, id);
    const [first] = programme().slots;
    await saveProgramme(
      database,
      principal,
      id,
      programme({
        slots: [first!, { weekday: 4, time: null, minutes: 40, kind: 'practice' }],
      }),
      { needs: NEEDS, zone: ZONE, at: now },
    );
    const after = await getProgramme(database, principal, id);
    const tuesdays = (of: typeof after) => of.entries.filter(({ time }) => time === '17:00');
    expect(tuesdays(after)).toEqual(tuesdays(before));
    expect(after.entries.some(({ day }) => day === '2026-03-06')).toBe(false);
    expect(after.entries.some(({ day }) => day === '2026-03-05')).toBe(true);
    expect(after.changes[0]!.words).toContain('days or goal changed');
  });

  it('has no day while its student is away or its coach is off, and loses days that become so', async () => {
    const away = { from: '2026-03-09', until: '2026-03-15', why: 'away' };
    const values = programme({ off: [away] });
    const how = { needs: NEEDS, zone: ZONE, at: now };
    const id = await addProgramme(database, principal, studentId, values, how);
    const daysOf = async () =>
      (await getProgramme(database, principal, id)).entries.map(({ day }) => day);
    expect(await daysOf()).toEqual(
      ['03', '06', '17', '20', '24', '27'].map((day) => `2026-03-${day}`),
    );
    const { name, settings } = await getCoach(database, principal);
    const holiday = { from: '2026-03-23', until: '2026-03-26', why: 'holiday' };
    await saveCoach(database, principal, { name, settings: { ...settings, daysOff: [holiday] } });
    const refreshed = await refreshProgramme(database, principal, id, how);
    expect(refreshed.changes.map(({ words }) => words)).toContain(
      'is dropped because of time off: Mon 23 Mar to Thu 26 Mar, holiday.',
    );
    expect(await daysOf()).not.toContain('2026-03-24');
    expect(await refreshProgramme(database, principal, id, how)).toEqual(refreshed);
    // Made anew, it has no day then either.
    await saveProgramme(database, principal, id, programme(), how);
    expect(await daysOf()).toEqual(
      ['03', '06', '10', '13', '17', '20', '27'].map((day) => `2026-03-${day}`),
    );
  });

  it('ended, takes what was to come out of the diary', async () => {
    const id = await add();
    await endProgramme(database, principal, id, now);
    expect((await getProgramme(database, principal, id)).entries).toEqual([]);
    await expect(endProgramme(database, principal, id, now)).rejects.toThrow(
      /programme does not exist/,
    );
  });

  it('weighs all that steers the ball, and what does not once it was looked at', () => {
    const weighed = (basis: Partial<Basis>) =>
      needed(basis)
        .map(({ skill }) => skill)
        .sort();
    expect(weighed({})).toEqual(['face', 'pace', 'path', 'start', 'strike']);
    expect(weighed({ reading: 12 })).toEqual([
      'face',
      'pace',
      'path',
      'reading',
      'start',
      'strike',
    ]);
  });
});

describe('a date', () => {
  it('is added, moved and taken out', async () => {
    const date = {
      studentId,
      day: '2026-03-20',
      time: '09:30',
      minutes: 45,
      kind: 'lesson' as const,
      planId: null,
      note: 'by the lock',
    };
    const id = await addAppointment(database, principal, date, ZONE);
    const { studentId: _whose, ...moved } = { ...date, day: '2026-03-21', time: null };
    await saveAppointment(database, principal, id, moved);
    const all = { from: '2026-01-01', until: '2026-12-31' };
    expect(await listAppointments(database, principal, all)).toMatchObject([
      { day: '2026-03-21', time: null, zone: ZONE, note: 'by the lock', state: 'planned' },
    ]);
    await dropAppointment(database, principal, id);
    expect(await listAppointments(database, principal, all)).toEqual([]);
  });
});

const work = (more: object = {}) => ({
  drillId,
  rung: null,
  timesAWeek: 3,
  from: '2026-03-02',
  until: '2026-03-29',
  note: '',
  ...more,
});

describe('homework', () => {
  it('is started by the student, and goes on where it was left', async () => {
    const id = await giveHomework(
      database,
      principal,
      studentId,
      work({ drillId: ladderId, rung: 1 }),
      now,
    );
    const session = await startHomework(database, pupil, id, now);
    expect(await startHomework(database, pupil, id, now)).toBe(session);
    const { runs, homeworkId } = await getSession(database, principal, session);
    expect([homeworkId, runs[0]!.rung]).toEqual([id, 1]);
  });

  it('is on a rung that there is, and ended is asked no more', async () => {
    await expect(
      giveHomework(database, principal, studentId, work({ rung: 3 }), now),
    ).rejects.toThrow(/no rung 4/);
    const id = await giveHomework(database, principal, studentId, work(), now);
    await endHomework(database, principal, id, now);
    expect((await listHomework(database, principal, studentId))[0]!.endedAt).toEqual(now);
    await expect(startHomework(database, pupil, id, now)).rejects.toThrow(/has ended/);
  });

  it('shows a student that student’s own sessions at home, and no other', async () => {
    const other = await addStudent(database, principal, { ...TEST_STUDENT, name: 'Merle' });
    const own = await giveHomework(database, principal, studentId, work(), now);
    const theirs = await giveHomework(database, principal, other, work(), now);
    const atHome = await startHomework(database, pupil, own, now);
    const elsewhere = await startHomework(database, asStudent(principal, other), theirs, now);
    const lesson = await startSession(database, principal, { studentId, drillId, startedAt: now });
    expect((await homeSession(database, pupil, atHome)).id).toBe(atHome);
    for (const hidden of [elsewhere, lesson]) {
      await expect(homeSession(database, pupil, hidden)).rejects.toThrow(/session does not exist/);
      const { runs } = await getSession(database, principal, hidden);
      const event = { type: 'putt' as const, id: v4(), outcomes: { gate: 'clear' }, at: now };
      if (hidden === lesson) {
        await expect(recordEvents(database, pupil, runs[0]!.id, [event], now)).rejects.toThrow(
          /run does not exist/,
        );
      }
    }
    await expect(startHomework(database, pupil, theirs, now)).rejects.toThrow(
      /homework does not exist/,
    );
  });
});

describe('a link', () => {
  it('is one that nobody guesses, is told once, and kept as its hash only', async () => {
    const link = await makeLink(database, principal, studentId, now);
    expect(link).toMatch(/^[\w-]{32}$/);
    const rows = await database.models.link.findAll({ raw: true });
    expect(JSON.stringify(rows)).not.toContain(link);
    expect(await openLink(database, link, now)).toEqual(asStudent(principal, studentId));
    expect(await knownLink(database, principal, studentId, now)).toEqual({
      madeAt: now,
      until: null,
      openedAt: now,
    });
  });

  it('ends when it is made anew, ended, past its end, or its student is put away', async () => {
    const link = await makeLink(database, principal, studentId, now);
    const fresh = await makeLink(database, principal, studentId, now);
    await expect(openLink(database, link, now)).rejects.toThrow(/page does not exist/);
    expect(await openLink(database, fresh, now)).toEqual(asStudent(principal, studentId));
    await endLink(database, principal, studentId, now);
    await expect(openLink(database, fresh, now)).rejects.toThrow(/page does not exist/);

    const until = new Date(now.getTime() + 1000);
    const ending = await makeLink(database, principal, studentId, now, until);
    expect((await openLink(database, ending, now)).as).toBe('student');
    await expect(openLink(database, ending, until)).rejects.toThrow(/page does not exist/);
    expect(await knownLink(database, principal, studentId, until)).toBeNull();

    const away = await makeLink(database, principal, studentId, now);
    await archiveStudent(database, principal, studentId, now);
    await expect(openLink(database, away, now)).rejects.toThrow(/page does not exist/);
    await expect(makeLink(database, principal, studentId, now)).rejects.toThrow(
      /student does not exist/,
    );
  });

  it('to the calendar opens no student', async () => {
    const calendar = await makeLink(database, principal, null, now);
    await makeLink(database, principal, studentId, now);
    expect(await openLink(database, calendar, now)).toEqual(principal);
    await expect(makeLink(database, principal, v4(), now)).rejects.toThrow(
      /student does not exist/,
    );
  });
});
