import { v4 } from 'uuid';
import { bareDetails, libraryDrill } from '@/core/drill';
import { ballGateLayout } from '@/core/layout';
import { DEFAULT_PUTT } from '@/core/green';
import {
  needsOf,
  TRAINED,
  type Need,
  type PlanValues,
  type ProgrammeValues,
} from '@/core/planning';
import { DEFAULT_FACE_SHARE, priorBelief, scoresOf } from '@/core/scoring';
import {
  addAppointment,
  addDrill,
  addPlan,
  addProgramme,
  addStudent,
  archivePlan,
  dropAppointment,
  endHomework,
  endProgramme,
  finishSession,
  getPlan,
  getProgramme,
  getSession,
  giveHomework,
  goToNextBlock,
  homeSession,
  homeSessionOfRun,
  linkFor,
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
  type Database,
} from '.';
import { TEST_STUDENT, openTestBook, type TestBook } from './test-book';

const ZONE = 'Europe/Amsterdam';
const now = new Date('2026-03-02T10:00:00Z');
const layout = ballGateLayout(DEFAULT_PUTT, { distance: 0.4572, gap: 0.06, shank: 0.005 });

let book: TestBook;
let database: Database;
let owner: string;
let studentId: string;
let drillId: string;
let ladderId: string;

beforeEach(async () => {
  book = await openTestBook();
  ({ database, owner } = book);
  studentId = await addStudent(database, owner, TEST_STUDENT);
  drillId = await addDrill(database, owner, { name: 'Gate', layout, details: bareDetails() }, now);
  const { name, layout: drawn, key: origin, ...details } = libraryDrill('gate-ladder')!;
  ladderId = await addDrill(database, owner, { name, layout: drawn, details, origin }, now);
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
    const id = await addPlan(database, owner, plan(), now);
    await savePlan(database, owner, id, plan({ name: 'A longer hour', minutes: 75 }));
    expect(await getPlan(database, owner, id)).toMatchObject({
      name: 'A longer hour',
      minutes: 75,
      archivedAt: null,
    });
    await archivePlan(database, owner, id, now);
    expect((await listPlans(database, owner))[0]!.archivedAt).toEqual(now);
  });

  it('names nothing that is not the coach’s', async () => {
    await expect(addPlan(database, owner, plan({ blocks: [block(v4())] }), now)).rejects.toThrow(
      /no such drill/,
    );
    await expect(addPlan(database, owner, plan({ studentIds: [v4()] }), now)).rejects.toThrow(
      /no such student/,
    );
    const id = await addPlan(database, owner, plan(), now);
    await expect(getPlan(database, 'somebody else', id)).rejects.toThrow(/no such plan/);
  });

  it('is run block by block, on the rungs that were set', async () => {
    const wanted = plan();
    const id = await addPlan(database, owner, wanted, now);
    const [sessionId] = await startPlan(database, owner, id, { startedAt: now });
    await goToNextBlock(database, owner, sessionId!);
    await goToNextBlock(database, owner, sessionId!);
    const session = await getSession(database, owner, sessionId!);
    expect(session.planId).toBe(id);
    expect(session.runs.map(({ planBlock, rung }) => [planBlock, rung])).toEqual([
      [wanted.blocks[0]!.id, null],
      [wanted.blocks[1]!.id, 2],
      [wanted.blocks[2]!.id, null],
    ]);
    expect(new Set(session.runs.map((run) => run.block)).size).toBe(3);
    await expect(goToNextBlock(database, owner, sessionId!)).rejects.toThrow(/come to its end/);
  });

  it('moves all of a group on together', async () => {
    const other = await addStudent(database, owner, { ...TEST_STUDENT, name: 'Merle' });
    const wanted = plan({ studentIds: [studentId, other] });
    const id = await addPlan(database, owner, wanted, now);
    const ids = await startPlan(database, owner, id, { startedAt: now });
    expect(ids).toHaveLength(2);
    await goToNextBlock(database, owner, ids[1]!);
    for (const one of ids) {
      const { runs } = await getSession(database, owner, one);
      expect(runs.map(({ drillId: on }) => on)).toEqual([drillId, ladderId]);
    }
  });

  it('is followed only by a session that follows one', async () => {
    const id = await startSession(database, owner, { studentId, drillId, startedAt: now });
    await expect(goToNextBlock(database, owner, id)).rejects.toThrow(/follows no plan/);
  });

  it('putts a test cold', async () => {
    const { name, layout: drawn, key: origin, ...details } = libraryDrill('cold-start')!;
    const test = await addDrill(database, owner, { name, layout: drawn, details, origin }, now);
    const id = await addPlan(database, owner, plan({ blocks: [block(test), block(drillId)] }), now);
    const [sessionId] = await startPlan(database, owner, id, { startedAt: now });
    await goToNextBlock(database, owner, sessionId!);
    const { runs } = await getSession(database, owner, sessionId!);
    expect(runs.map(({ cold, rule }) => [cold, rule.type])).toEqual([
      [true, 'assessment'],
      [false, 'open'],
    ]);
  });
});

const NEEDS: Need[] = needsOf(scoresOf(priorBelief(), DEFAULT_FACE_SHARE), {
  start: 0,
  face: 0,
  path: 0,
  strike: 0,
  pace: 0,
  height: 0,
});
const programme = (more: Partial<ProgrammeValues> = {}): ProgrammeValues => ({
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
  addProgramme(database, owner, studentId, programme(), { needs: NEEDS, zone: ZONE, at: now });
const putted = async (at: string) => {
  const id = await startSession(database, owner, {
    studentId,
    drillId,
    startedAt: new Date(at),
  });
  const { runs } = await getSession(database, owner, id);
  await recordEvents(
    database,
    owner,
    runs[0]!.id,
    [{ type: 'putt', id: v4(), outcomes: { gate: 'clear' }, at: new Date(at) }],
    new Date(at),
  );
  await finishSession(database, owner, id, new Date(at));
};

describe('a programme', () => {
  it('has its days in the diary', async () => {
    const id = await add();
    const { entries, changes } = await getProgramme(database, owner, id);
    expect(entries.map(({ day }) => day).slice(0, 3)).toEqual([
      '2026-03-03',
      '2026-03-06',
      '2026-03-10',
    ]);
    expect(changes).toEqual([]);
    const week = await listAppointments(database, owner, {
      from: '2026-03-09',
      until: '2026-03-15',
    });
    expect(week.map(({ programmeId }) => programmeId)).toEqual([id, id]);
  });

  it('knows a day by the coach’s clock: half past midnight is the next', async () => {
    const id = await add();
    await putted('2026-03-02T23:30:00Z');
    const { entries } = await refreshProgramme(database, owner, id, {
      needs: NEEDS,
      at: new Date('2026-03-05T09:00:00Z'),
      zone: ZONE,
    });
    expect(entries[0]).toMatchObject({ day: '2026-03-03', state: 'done' });
  });

  it('changes when two days were missed, says why once, and leaves rows that stay', async () => {
    const id = await add();
    const before = await getProgramme(database, owner, id);
    const at = new Date('2026-03-09T09:00:00Z');
    const refreshed = await refreshProgramme(database, owner, id, { needs: NEEDS, at, zone: ZONE });
    expect(refreshed.entries.slice(0, 2).map(({ state }) => state)).toEqual(['missed', 'missed']);
    expect(refreshed.changes.length).toBeGreaterThan(0);
    expect(refreshed.changes[0]!.words).toContain('was missed');
    expect(refreshed.entries.map((entry) => entry.id)).toEqual(
      before.entries.map((entry) => entry.id),
    );
    const again = await refreshProgramme(database, owner, id, { needs: NEEDS, at, zone: ZONE });
    expect(again).toEqual(refreshed);
  });

  it('keeps the days that still fall where they were when its days are changed', async () => {
    const id = await add();
    const before = await getProgramme(database, owner, id);
    const [first] = programme().slots;
    await saveProgramme(
      database,
      owner,
      id,
      programme({
        slots: [first!, { weekday: 4, time: null, minutes: 40, kind: 'practice' }],
      }),
      { needs: NEEDS, zone: ZONE, at: now },
    );
    const after = await getProgramme(database, owner, id);
    const tuesdays = (of: typeof after) => of.entries.filter(({ time }) => time === '17:00');
    expect(tuesdays(after)).toEqual(tuesdays(before));
    expect(after.entries.some(({ day }) => day === '2026-03-06')).toBe(false);
    expect(after.entries.some(({ day }) => day === '2026-03-05')).toBe(true);
    expect(after.changes[0]!.words).toContain('were changed');
  });

  it('ended, takes what was to come out of the diary', async () => {
    const id = await add();
    await endProgramme(database, owner, id, now);
    expect((await getProgramme(database, owner, id)).entries).toEqual([]);
    await expect(endProgramme(database, owner, id, now)).rejects.toThrow(/no such programme/);
  });

  it('weighs every skill that can be trained', () =>
    expect(NEEDS.map(({ skill }) => skill).sort()).toEqual([...TRAINED].sort()));
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
    const id = await addAppointment(database, owner, date, ZONE);
    const { studentId: _whose, ...moved } = { ...date, day: '2026-03-21', time: null };
    await saveAppointment(database, owner, id, moved);
    const all = { from: '2026-01-01', until: '2026-12-31' };
    expect(await listAppointments(database, owner, all)).toMatchObject([
      { day: '2026-03-21', time: null, zone: ZONE, note: 'by the lock', state: 'planned' },
    ]);
    await dropAppointment(database, owner, id);
    expect(await listAppointments(database, owner, all)).toEqual([]);
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
      owner,
      studentId,
      work({ drillId: ladderId, rung: 1 }),
      now,
    );
    const session = await startHomework(database, owner, studentId, id, now);
    expect(await startHomework(database, owner, studentId, id, now)).toBe(session);
    const { runs, homeworkId } = await getSession(database, owner, session);
    expect([homeworkId, runs[0]!.rung]).toEqual([id, 1]);
  });

  it('is on a rung that there is, and ended is asked no more', async () => {
    await expect(giveHomework(database, owner, studentId, work({ rung: 3 }), now)).rejects.toThrow(
      /no rung 4/,
    );
    const id = await giveHomework(database, owner, studentId, work(), now);
    await endHomework(database, owner, id, now);
    expect((await listHomework(database, owner, studentId))[0]!.endedAt).toEqual(now);
    await expect(startHomework(database, owner, studentId, id, now)).rejects.toThrow(/no longer/);
  });

  it('shows a student that student’s own sessions at home, and no other', async () => {
    const other = await addStudent(database, owner, { ...TEST_STUDENT, name: 'Merle' });
    const own = await giveHomework(database, owner, studentId, work(), now);
    const theirs = await giveHomework(database, owner, other, work(), now);
    const atHome = await startHomework(database, owner, studentId, own, now);
    const elsewhere = await startHomework(database, owner, other, theirs, now);
    const lesson = await startSession(database, owner, { studentId, drillId, startedAt: now });
    expect((await homeSession(database, owner, studentId, atHome)).id).toBe(atHome);
    for (const hidden of [elsewhere, lesson]) {
      await expect(homeSession(database, owner, studentId, hidden)).rejects.toThrow(
        /no such session/,
      );
      const { runs } = await getSession(database, owner, hidden);
      await expect(homeSessionOfRun(database, owner, studentId, runs[0]!.id)).rejects.toThrow(
        /no such session/,
      );
    }
    await expect(startHomework(database, owner, studentId, theirs, now)).rejects.toThrow(
      /no such homework/,
    );
  });
});

describe('a link', () => {
  it('is one that nobody guesses, and stays the same until it is made anew', async () => {
    const link = await linkFor(database, owner, studentId, now);
    expect(link).toMatch(/^[\w-]{32}$/);
    expect(await linkFor(database, owner, studentId, now)).toBe(link);
    expect(await openLink(database, link)).toEqual({ owner, studentId });
    const fresh = await linkFor(database, owner, studentId, now, true);
    expect(fresh).not.toBe(link);
    await expect(openLink(database, link)).rejects.toThrow(/no such page/);
    expect(await openLink(database, fresh)).toEqual({ owner, studentId });
  });

  it('to the calendar opens no student', async () => {
    const calendar = await linkFor(database, owner, null, now);
    await linkFor(database, owner, studentId, now);
    expect(await openLink(database, calendar)).toEqual({ owner, studentId: null });
    expect(await linkFor(database, owner, null, now)).toBe(calendar);
    await expect(linkFor(database, owner, v4(), now)).rejects.toThrow(/no such student/);
  });
});
