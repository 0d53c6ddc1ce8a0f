import { v4 } from 'uuid';
import { addDays, addMinutes, addSeconds } from 'date-fns';
import { bareDetails, libraryDrill } from '@/core/drill';
import { DEFAULT_PUTT } from '@/core/green';
import { ballGateLayout } from '@/core/layout';
import {
  FORGOTTEN,
  addAppointment,
  addCoach,
  addDrill,
  addGreen,
  addPlan,
  addReading,
  addStudent,
  archiveStudent,
  changeCoach,
  coachByPassphrase,
  coachPrincipal,
  dropAppointment,
  endDevice,
  endShare,
  finishSession,
  getDrill,
  getGreen,
  getSession,
  getStudent,
  giveHomework,
  handOver,
  hasPassphrase,
  keepBuilt,
  listAppointments,
  lastBookChange,
  listChanges,
  listCoaches,
  listDevices,
  listDrills,
  listGreens,
  listPlans,
  listSessions,
  listShares,
  listStudents,
  makeTicket,
  noteSession,
  ownView,
  recordEvents,
  removeReading,
  saveCoach,
  saveDrill,
  saveStudent,
  setPassphrase,
  shareDrill,
  shareGreen,
  shareStudent,
  signIn,
  signInByTicket,
  startHomework,
  startSession,
  ticketFor,
  undoChange,
  whoAsks,
  type CoachPrincipal,
  type Database,
} from '.';
import { coachSettings } from '@/core/people';
import { hashOf } from './secret';
import { TEST_STUDENT, asStudent, openTestBook, type TestBook } from './test-book';

const at = new Date('2026-03-02T10:00:00Z');
const layout = ballGateLayout(DEFAULT_PUTT, { distance: 0.4572, gap: 0.06, shank: 0.005 });

let book: TestBook;
let database: Database;
let head: CoachPrincipal;
let coach: CoachPrincipal;
let assistant: CoachPrincipal;

beforeEach(async () => {
  book = await openTestBook();
  ({ database, principal: head } = book);
  coach = await coachPrincipal(
    database,
    await addCoach(database, head, { name: 'Corin', role: 'coach' }),
  );
  assistant = await coachPrincipal(
    database,
    await addCoach(database, head, { name: 'Asta', role: 'assistant' }),
  );
});
afterEach(() => book.close());

const drillOf = (who: CoachPrincipal, name = 'Gate') =>
  addDrill(database, who, { name, layout, details: bareDetails() }, at);
const consent = 'Wren, at the lesson';
const noted = { ...TEST_STUDENT, notes: 'Bad wrist.' };

describe('what a coach reaches', () => {
  it('is their own students and those shared with them; a head coach all, an assistant those shared', async () => {
    const hers = await addStudent(database, head, noted);
    const his = await addStudent(database, coach, { ...noted, name: 'Merle' });
    const names = async (who: CoachPrincipal) =>
      (await listStudents(database, who)).map(({ id }) => id).toSorted();
    expect(await names(head)).toEqual([hers, his].toSorted());
    expect(await names(coach)).toEqual([his]);
    expect(await names(assistant)).toEqual([]);
    expect(await names(ownView(head))).toEqual([hers]);

    await shareStudent(database, head, { studentId: hers, coachId: coach.coachId, consent }, at);
    await shareStudent(
      database,
      coach,
      { studentId: his, coachId: assistant.coachId, consent },
      at,
    );
    expect(await names(coach)).toEqual([hers, his].toSorted());
    expect(await names(assistant)).toEqual([his]);
    expect((await listShares(database, head, hers))[0]).toMatchObject({ consent });

    await endShare(database, head, (await listShares(database, head, hers))[0]!.id, at);
    expect(await names(coach)).toEqual([his]);
    await expect(getStudent(database, coach, hers)).rejects.toThrow('student does not exist');
  });

  it('an assistant sees without the notes, logs, and changes nothing else', async () => {
    const studentId = await addStudent(database, head, noted);
    const drillId = await drillOf(head);
    await shareStudent(database, head, { studentId, coachId: assistant.coachId, consent }, at);
    expect((await getStudent(database, assistant, studentId)).notes).toBe('');
    expect((await getStudent(database, head, studentId)).notes).toBe('Bad wrist.');
    const session = await startSession(database, assistant, { studentId, drillId, startedAt: at });
    const [run] = (await getSession(database, assistant, session)).runs;
    const putt = { type: 'putt' as const, id: v4(), outcomes: { gate: 'clear' }, at };
    const outcomes = { [layout.elements.find(({ kind }) => kind === 'ballGate')!.id]: 'clear' };
    await recordEvents(database, assistant, run!.id, [{ ...putt, outcomes }], at);
    expect((await database.models.putt.findOne())!.savedBy).toBe(assistant.coachId);
    await finishSession(database, assistant, session, at);
    await noteSession(database, head, session, 'Stand nearer.');
    expect((await getSession(database, assistant, session)).note).toBe('');
    await expect(noteSession(database, assistant, session, 'mine')).rejects.toThrow(
      'does not exist',
    );
    await expect(saveStudent(database, assistant, studentId, noted, 1)).rejects.toThrow(
      'does not exist',
    );
    await expect(archiveStudent(database, assistant, studentId, at)).rejects.toThrow(
      'does not exist',
    );
    const kept = { name: 'Theirs', layout, details: bareDetails() };
    await expect(saveDrill(database, assistant, drillId, kept, at)).rejects.toThrow(
      'does not exist',
    );
    await expect(
      shareStudent(database, assistant, { studentId, coachId: coach.coachId, consent }, at),
    ).rejects.toThrow('student does not exist');
  });

  it('drills and greens are shared within the academy, to see and not to change', async () => {
    const drillId = await drillOf(head);
    const greenId = await addGreen(database, head, { name: 'Lock', notes: '', spots: [] });
    expect(await listDrills(database, coach)).toEqual([]);
    await shareDrill(database, head, drillId, at);
    await shareGreen(database, head, greenId, at);
    expect((await listDrills(database, coach)).map(({ id }) => id)).toEqual([drillId]);
    expect((await listGreens(database, coach)).map(({ id }) => id)).toEqual([greenId]);
    const kept = { name: 'Mine', layout, details: bareDetails() };
    await expect(saveDrill(database, coach, drillId, kept, at)).rejects.toThrow(
      'drill does not exist',
    );
    await expect(shareDrill(database, coach, drillId, null)).rejects.toThrow(
      'drill does not exist',
    );
    await shareDrill(database, head, drillId, null);
    await expect(getDrill(database, coach, drillId)).rejects.toThrow('drill does not exist');
  });

  it('a drill that was given to a student is seen by all who have the student', async () => {
    const studentId = await addStudent(database, head, noted);
    const drillId = await drillOf(head);
    const work = {
      drillId,
      rung: null,
      timesAWeek: 3,
      from: '2026-03-01',
      until: '2026-03-20',
      note: '',
    };
    const homework = await giveHomework(database, head, studentId, work, at);
    await expect(getDrill(database, coach, drillId)).rejects.toThrow('drill does not exist');
    await shareStudent(database, head, { studentId, coachId: coach.coachId, consent }, at);
    expect((await getDrill(database, coach, drillId)).name).toBe('Gate');
    const pupil = asStudent(head, studentId);
    expect((await getDrill(database, pupil, drillId)).name).toBe('Gate');
    expect(await listGreens(database, pupil)).toEqual([]);
    // Twelve taps start one session.
    const started = await Promise.all(
      Array.from({ length: 12 }, () => startHomework(database, pupil, homework, at)),
    );
    expect(new Set(started).size).toBe(1);
    expect(await listSessions(database, pupil)).toHaveLength(1);
  });

  it('a device is told whether anything it keeps was changed, and putts are no such change', async () => {
    const numbers: number[] = [];
    const look = async () => numbers.push(await lastBookChange(database));
    const studentId = await addStudent(database, coach, noted);
    await look();
    const drillId = await drillOf(coach);
    await look();
    await startSession(database, coach, { studentId, drillId, startedAt: at });
    await look();
    expect(numbers[1]).toBeGreaterThan(numbers[0]!);
    expect(numbers[2]).toBe(numbers[1]);
  });

  it('a student who is handed over goes with all that was putted', async () => {
    const studentId = await addStudent(database, coach, noted);
    const drillId = await drillOf(coach);
    const session = await startSession(database, coach, { studentId, drillId, startedAt: at });
    const third = await addCoach(database, head, { name: 'Third', role: 'coach' });
    const next = await coachPrincipal(database, third);
    await expect(
      handOver(database, next, { studentId, coachId: third, consent }, at),
    ).rejects.toThrow('student does not exist');
    await handOver(database, coach, { studentId, coachId: third, consent }, at);
    expect((await getSession(database, next, session)).studentId).toBe(studentId);
    await expect(getSession(database, coach, session)).rejects.toThrow('session does not exist');
    await expect(
      handOver(database, next, { studentId, coachId: third, consent }, at),
    ).rejects.toThrow('is already Third’s student');
    const [change] = await listChanges(database, [studentId]);
    expect(change).toMatchObject({ what: `student handed over: ${consent}`, by: 'Corin' });
  });

  it('dates with a student who is shared are in the diary of who made them, and go along when handed over', async () => {
    const studentId = await addStudent(database, coach, noted);
    const third = await addCoach(database, head, { name: 'Third', role: 'coach' });
    const other = await coachPrincipal(database, third);
    const helper = await addCoach(database, head, { name: 'Fourth', role: 'assistant' });
    const assistant = await coachPrincipal(database, helper);
    await shareStudent(database, coach, { studentId, coachId: third, consent }, at);
    await shareStudent(database, coach, { studentId, coachId: helper, consent }, at);
    const date = {
      studentId,
      day: '2026-12-03',
      time: '10:00',
      minutes: 40,
      kind: 'lesson' as const,
      planId: null,
      note: '',
    };
    const mine = await addAppointment(database, coach, date, 'Europe/Amsterdam');
    const theirs = await addAppointment(
      database,
      other,
      { ...date, day: '2026-12-04' },
      'Europe/Amsterdam',
    );
    const diary = async (who: typeof coach) =>
      (
        await listAppointments(database, who, {
          from: '2026-12-01',
          until: '2026-12-31',
          own: true,
        })
      ).map(({ id }) => id);
    expect(await diary(coach)).toEqual([mine]);
    expect(await diary(other)).toEqual([theirs]);
    expect(await diary(head)).toEqual([]);
    expect(await diary(assistant)).toEqual([mine, theirs]);
    const all = { from: '2026-12-01', until: '2026-12-31', studentId };
    expect(await listAppointments(database, coach, all)).toHaveLength(2);
    await handOver(database, coach, { studentId, coachId: third, consent }, at);
    expect(await diary(coach)).toEqual([]);
    expect(await diary(other)).toEqual([mine, theirs]);
  });

  it('plans and dates are their own', async () => {
    const studentId = await addStudent(database, head, noted);
    const drillId = await drillOf(head);
    const plan = {
      name: 'An hour',
      minutes: 40,
      place: 'green' as const,
      kit: [],
      goals: [],
      studentIds: [studentId],
      blocks: [{ id: v4(), drillId, rungs: {}, locked: false, why: '' }],
    };
    await addPlan(database, head, plan, at);
    expect(await listPlans(database, coach)).toEqual([]);
    await expect(addPlan(database, coach, plan, at)).rejects.toThrow('student does not exist');
    expect(
      await listAppointments(database, coach, { from: '2026-01-01', until: '2026-12-31' }),
    ).toEqual([]);
  });
});

describe('who is in the academy', () => {
  it('is a head coach’s to change, and one of them stays', async () => {
    await expect(addCoach(database, coach, { name: 'X', role: 'head' })).rejects.toThrow(
      'Only a head coach',
    );
    await expect(addCoach(database, head, { name: 'corin', role: 'coach' })).rejects.toThrow(
      'already',
    );
    await expect(changeCoach(database, head, head.coachId, { role: 'coach' })).rejects.toThrow(
      'needs a head coach',
    );
    // Refused whole: the role is as it was.
    expect((await listCoaches(database)).find(({ id }) => id === head.coachId)!.role).toBe('head');
    await changeCoach(database, head, coach.coachId, { role: 'head' });
    await changeCoach(database, head, head.coachId, { role: 'assistant' });
    await expect(
      saveCoach(database, coach, { name: 'ASTA', settings: coachSettings.parse({}) }),
    ).rejects.toThrow('already');
  });

  it('who leaves is signed out at once, and has back what they had', async () => {
    const secret = await signIn(database, coach.coachId, 'link', 'A browser', at);
    expect(await whoAsks(database, secret, at)).toMatchObject({ as: 'coach' });
    await changeCoach(database, head, coach.coachId, { archivedAt: at });
    expect(await whoAsks(database, secret, at)).toBeNull();
    await changeCoach(database, head, coach.coachId, { archivedAt: null });
    expect(await whoAsks(database, secret, at)).toBeNull();
  });
});

describe('a device', () => {
  it('is signed in by a secret, once, in its time; only hashes are kept', async () => {
    const until = addMinutes(at, 2);
    const ticket = { way: 'phone' as const, path: '/students', until };
    const secret = await makeTicket(database, coach.coachId, ticket);
    expect(await ticketFor(database, secret, at)).toEqual({ name: 'Corin' });
    expect(await ticketFor(database, secret, until)).toBeNull();
    await expect(signInByTicket(database, secret, 'Late', until)).rejects.toThrow(
      'no longer works',
    );
    const { secret: cookie, path } = await signInByTicket(database, secret, 'Phone', at);
    expect(path).toBe('/students');
    await expect(signInByTicket(database, secret, 'Twice', at)).rejects.toThrow(
      'already been used',
    );
    const rows = JSON.stringify(await database.models.device.findAll({ raw: true }));
    expect(rows).not.toContain(cookie);
    expect(rows).toContain(hashOf(cookie));
    expect(await whoAsks(database, cookie, at)).toMatchObject({ as: 'coach' });
  });

  it('of two that use a secret at once, one is signed in', async () => {
    const until = addMinutes(at, 2);
    const secret = await makeTicket(database, coach.coachId, { way: 'link', path: '/', until });
    const both = await Promise.allSettled(
      ['One', 'Two'].map((name) => signInByTicket(database, secret, name, at)),
    );
    expect(both.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
  });

  it('is listed with when it was last seen, and signed out by its coach only', async () => {
    const secret = await signIn(database, coach.coachId, 'passkey', 'Tablet', at);
    const later = addMinutes(at, 90);
    const who = (await whoAsks(database, secret, later))!;
    expect(await listDevices(database, coach, later)).toMatchObject([
      { name: 'Tablet', way: 'passkey', seenAt: later },
    ]);
    await expect(endDevice(database, head, who.deviceId!, later)).rejects.toThrow(
      'device does not exist',
    );
    await endDevice(database, coach, who.deviceId!, later);
    expect(await whoAsks(database, secret, later)).toBeNull();
    expect(await listDevices(database, coach, later)).toEqual([]);
  });

  it('that is not used is forgotten, and a role changes at once', async () => {
    const secret = await signIn(database, coach.coachId, 'link', 'Laptop', at);
    await changeCoach(database, head, coach.coachId, { role: 'assistant' });
    expect((await whoAsks(database, secret, addSeconds(at, 1)))!.as).toBe('assistant');
    expect(await whoAsks(database, secret, addDays(at, FORGOTTEN - 1))).not.toBeNull();
    expect(await whoAsks(database, secret, addDays(at, 2 * FORGOTTEN))).toBeNull();
  });

  it('a passphrase is kept as its Argon2id hash, and goes with a name', async () => {
    await setPassphrase(database, coach, 'lock barge kettle nine');
    expect(await hasPassphrase(database, coach)).toBe(true);
    expect((await database.models.coach.findByPk(coach.coachId))!.passphrase).toMatch(
      /^\$argon2id\$v=19\$m=19456,t=2,p=1\$/,
    );
    expect(await coachByPassphrase(database, ' CORIN ', 'lock barge kettle nine')).toBe(
      coach.coachId,
    );
    for (const [name, passphrase] of [
      ['Corin', 'lock barge kettle ten'],
      ['Asta', 'lock barge kettle nine'],
      ['Nobody', 'lock barge kettle nine'],
      ['', ''],
    ] as const) {
      expect(await coachByPassphrase(database, name, passphrase)).toBeNull();
    }
    await setPassphrase(database, coach, null);
    expect(await coachByPassphrase(database, 'Corin', 'lock barge kettle nine')).toBeNull();
    const events = JSON.stringify(await database.models.event.findAll({ raw: true }));
    expect(events).not.toContain('argon2id');
  });
});

describe('who did what', () => {
  it('is written down in the same transaction, with before and after', async () => {
    const studentId = await addStudent(database, coach, noted);
    await saveStudent(database, coach, studentId, { ...noted, level: 'advanced' }, 1);
    const [changed, added] = await listChanges(database, [studentId]);
    expect(added).toMatchObject({ what: 'student added', by: 'Corin', undoable: false });
    expect(changed).toMatchObject({ what: 'student changed', undoable: true });
    expect(changed!.rows).toMatchObject([
      { table: 'student', before: { level: 'steady' }, after: { level: 'advanced' } },
    ]);
  });

  it('is not written, nor anything done, when the work fails', async () => {
    const before = await database.models.event.count();
    await expect(
      database.change(head, 'fails', async (transaction) => {
        await database.models.green.create(
          { id: v4(), coachId: head.coachId, name: 'X', notes: '' },
          { transaction },
        );
        throw new Error('in the middle');
      }),
    ).rejects.toThrow('in the middle');
    expect(await database.models.event.count()).toBe(before);
    expect(await database.models.green.count()).toBe(0);
  });

  it('a change that nobody answers for is refused', async () => {
    const studentId = await addStudent(database, head, noted);
    const { models } = database;
    await expect(
      models.student.update({ name: 'X' }, { where: { id: studentId } }),
    ).rejects.toThrow('outside a tracked change');
    await expect(models.student.destroy({ where: { id: studentId } })).rejects.toThrow(
      'outside a tracked change',
    );
    await expect(
      models.plan.bulkCreate([{ id: v4(), coachId: head.coachId, details: {}, madeAt: at }]),
    ).rejects.toThrow('outside a tracked change');
    expect((await getStudent(database, head, studentId)).name).toBe(noted.name);
  });

  it('a layout that was measured again is told of its session', async () => {
    const studentId = await addStudent(database, head, noted);
    const drillId = await drillOf(head);
    const session = await startSession(database, head, { studentId, drillId, startedAt: at });
    const [run] = (await getSession(database, head, session)).runs;
    await keepBuilt(database, head, run!.id, 'gate', { gap: 0.07 }).catch(() =>
      keepBuilt(database, head, run!.id, 'ballGate1', { gap: 0.07 }),
    );
    expect((await listChanges(database, [session]))[0]!.what).toBe('layout measured');
  });

  it('a reading and a date that were deleted come back as they were', async () => {
    const greenId = await addGreen(database, head, { name: 'Lock', notes: '', spots: [] });
    const values = { at, spotId: null, greenSpeed: 3, slope: null, rolls: null, note: 'Wet.' };
    const reading = await addReading(database, head, greenId, values);
    await removeReading(database, head, greenId, reading);
    expect((await getGreen(database, head, greenId)).readings).toEqual([]);
    const removed = (await listChanges(database, [greenId])).find(
      ({ what }) => what === 'green reading deleted',
    )!;
    await expect(undoChange(database, coach, removed.id)).rejects.toThrow('change does not exist');
    await undoChange(database, head, removed.id);
    expect((await getGreen(database, head, greenId)).readings).toEqual([
      { id: reading, ...values },
    ]);
    await expect(undoChange(database, head, removed.id)).rejects.toThrow('already been undone');
    expect(
      (await listChanges(database, [greenId])).find(({ id }) => id === removed.id)!.undone,
    ).toBe(true);

    const studentId = await addStudent(database, head, noted);
    const date = {
      studentId,
      day: '2026-03-05',
      time: '10:00',
      minutes: 40,
      kind: 'lesson' as const,
      planId: null,
      note: 'By the steps',
    };
    const id = await addAppointment(database, head, date, 'Europe/Amsterdam');
    const span = { from: '2026-03-01', until: '2026-03-31' };
    const [before] = await listAppointments(database, head, span);
    await dropAppointment(database, head, id);
    const dropped = (await listChanges(database, [studentId])).find(
      ({ what }) => what === 'appointment deleted',
    )!;
    await undoChange(database, head, dropped.id);
    expect(await listAppointments(database, head, span)).toEqual([before]);
  });

  it('what was changed again since is not taken back over it', async () => {
    const studentId = await addStudent(database, head, noted);
    await saveStudent(database, head, studentId, { ...noted, notes: 'One.' }, 1);
    await saveStudent(database, head, studentId, { ...noted, notes: 'Two.' }, 2);
    const changes = await listChanges(database, [studentId]);
    const one = changes.find(({ rows }) => rows[0]!.after?.notes === 'One.')!;
    await expect(undoChange(database, head, one.id)).rejects.toThrow('changed again since');
    const two = changes.find(({ rows }) => rows[0]!.after?.notes === 'Two.')!;
    await undoChange(database, head, two.id);
    const { notes, version } = await getStudent(database, head, studentId);
    expect([notes, version]).toEqual(['One.', 4]);
  });
});

describe('two who change the same student', () => {
  it('the second is told what the first did, and saves nothing unawares', async () => {
    const studentId = await addStudent(database, head, { ...noted, notes: '' });
    await shareStudent(database, head, { studentId, coachId: coach.coachId, consent }, at);
    // Both open the form at version 1; the first notes something of health.
    await saveStudent(database, coach, studentId, { ...noted, notes: 'Heart.' }, 1);
    const told = await saveStudent(database, head, studentId, { ...noted, notes: '' }, 1);
    expect(told).toMatchObject({ version: 2, by: 'Corin', values: { notes: 'Heart.' } });
    expect((await getStudent(database, head, studentId)).notes).toBe('Heart.');
    expect(
      await saveStudent(database, head, studentId, { ...noted, notes: 'Heart.' }, 2),
    ).toBeNull();
  });
});

it('the time of a putt is the device’s where that can be, and the server’s where it cannot', async () => {
  const studentId = await addStudent(database, head, noted);
  const { name, layout: drawn, key: origin, ...details } = libraryDrill('straight-gate')!;
  const drillId = await addDrill(database, head, { name, layout: drawn, details, origin }, at);
  const session = await startSession(database, head, { studentId, drillId, startedAt: at });
  const [run] = (await getSession(database, head, session)).runs;
  const gate = drawn.elements.find(({ kind }) => kind === 'ballGate')!.id;
  const now = addMinutes(at, 30);
  const putt = (when: Date) => ({
    type: 'putt' as const,
    id: v4(),
    outcomes: { [gate]: 'clear' },
    at: when,
  });
  const times = [
    addMinutes(at, 5),
    new Date('1970-01-01'),
    new Date('9999-01-01'),
    addDays(now, 1),
  ];
  const { putts } = await recordEvents(database, head, run!.id, times.map(putt), now);
  expect(putts.map((one) => one.at)).toEqual([addMinutes(at, 5), now, now, now]);
});
