import { addHours } from 'date-fns';
import { v4 } from 'uuid';
import { bareDetails, libraryDrill, type RunMark } from '@/core/drill';
import { makeLadder } from '@/core/layout';
import { STANDARD_FITTING, type StudentValues } from '@/core/people';
import {
  addDrill,
  addGreen,
  addReading,
  addStudent,
  counted,
  finishSession,
  getGroup,
  getSession,
  lastColdTests,
  moveRung,
  noteSession,
  recordEvents,
  reopenSession,
  sessionsStand,
  rotateStations,
  startGroup,
  startSession,
  swapDrill,
  type Database,
  type CoachPrincipal,
  type RunEvent,
} from '.';
import { openTestBook, stranger, type TestBook, refusal } from './test-book';

const now = new Date('2026-03-01T10:00:00Z');
const student = (name: string, more: Partial<StudentValues> = {}): StudentValues => ({
  name,
  hand: 'right',
  level: 'steady',
  seated: false,
  notes: '',
  school: 'arc',
  groups: '',
  kit: [],
  putter: STANDARD_FITTING,
  ...more,
});

let book: TestBook;
let database: Database;
let principal: CoachPrincipal;
let sal: string;
let runa: string;

beforeEach(async () => {
  book = await openTestBook();
  ({ database, principal } = book);
  sal = await addStudent(database, principal, student('Sal Brick'));
  const putter = { ...STANDARD_FITTING, headLength: 0.1 };
  runa = await addStudent(database, principal, student('Runa Lock', { hand: 'left', putter }));
});

afterEach(() => book.close());

async function drill(key: string): Promise<string> {
  const { name, layout, key: origin, ...details } = libraryDrill(key)!;
  return addDrill(database, principal, { name, layout, details, origin }, now);
}

async function begun(key: string) {
  const drillId = await drill(key);
  const id = await startSession(database, principal, { studentId: sal, drillId, startedAt: now });
  const runId = (await getSession(database, principal, id)).runs[0]!.id;
  const record = (events: RunEvent[], at = now) =>
    recordEvents(database, principal, runId, events, at);
  return { id, drillId, runId, record };
}

const change = (puttId: string, correction: object, id = v4()): RunEvent => ({
  type: 'change',
  id,
  puttId,
  correction,
  at: now,
});
const mark = (what: RunMark, id = v4()): RunEvent => ({ type: 'mark', id, mark: what, at: now });

describe('a putt that was pointed at', () => {
  const toe = { along: 0.001, across: 0.015 };

  it('is kept with its spot and what was guessed', async () => {
    const { id, record } = await begun('marked-face');
    const guess = { outcomes: { faceMark1: 'middle' }, points: {} };
    await record([
      {
        type: 'putt',
        id: v4(),
        outcomes: { faceMark1: 'right' },
        points: { faceMark1: toe },
        guess,
        at: now,
      },
    ]);
    const [putt] = (await getSession(database, principal, id)).runs[0]!.putts;
    expect(putt).toMatchObject({ points: { faceMark1: toe }, guess, note: '', leftOut: false });
  });

  it('is refused when the spot says something else than what was logged', async () => {
    const { record } = await begun('marked-face');
    expect(
      await refusal(
        record([
          {
            type: 'putt',
            id: v4(),
            outcomes: { faceMark1: 'left' },
            points: { faceMark1: toe },
            at: now,
          },
        ]),
      ),
    ).toContain('means “right”');
  });
});

describe('correcting a putt', () => {
  const logged = async () => {
    const session = await begun('straight-gate');
    const puttId = v4();
    await session.record([
      { type: 'putt', id: puttId, outcomes: { ballGate1: 'left' }, at: now },
      { type: 'putt', id: v4(), outcomes: { ballGate1: 'clear' }, at: now },
    ]);
    return { ...session, puttId };
  };

  it('changes what is told of it, once however often it is sent, and keeps what it was', async () => {
    const { record, puttId } = await logged();
    const event = change(puttId, { outcomes: { ballGate1: 'clear' }, note: 'the tee was loose' });
    await record([event]);
    await record([change(puttId, { outcomes: { ballGate1: 'right' } })]);
    const { putts } = await record([event, event]);
    expect(putts[0]).toMatchObject({
      outcomes: { ballGate1: 'right' },
      note: 'the tee was loose',
      changes: { length: 2 },
    });
    const rows = await database.models.puttChange.findAll({ order: [['savedAt', 'ASC']] });
    expect(rows.map(({ was }) => (was as { outcomes: object }).outcomes)).toEqual(
      expect.arrayContaining([{ ballGate1: 'left' }, { ballGate1: 'clear' }]),
    );
  });

  it('leaves one out of every count, and takes it in again', async () => {
    const { id, record, puttId } = await logged();
    await record([change(puttId, { leftOut: true })]);
    const run = async () => (await getSession(database, principal, id)).runs[0]!;
    expect(counted((await run()).putts)).toHaveLength(1);
    await record([change(puttId, { leftOut: false })]);
    expect(counted((await run()).putts)).toHaveLength(2);
  });

  it('is possible for a day after the session, and not later', async () => {
    const { id, record, puttId } = await logged();
    await finishSession(database, principal, id, now);
    const note = (words: string, hours: number) =>
      record(
        [{ ...change(puttId, { note: words }), at: addHours(now, hours) }],
        addHours(now, hours),
      );
    await expect(note('seen again', 23)).resolves.toMatchObject({ finished: true });
    expect(await refusal(note('too late', 25))).toContain('can no longer be changed');
  });

  it('is refused for what cannot happen, and for a putt of another run', async () => {
    const { record, puttId } = await logged();
    const wrong = change(puttId, { outcomes: { ballGate1: 'sideways' } });
    expect(await refusal(record([wrong]))).toContain('sideways');
    expect(await refusal(record([change(v4(), { note: 'x' })]))).toContain('not in this run');
    const other = await begun('straight-gate');
    expect(await refusal(other.record([change(puttId, { note: 'x' })]))).toContain('another run');
  });
});

describe('marks of a run', () => {
  it('are kept in order and once, and what was counted in may come after the end', async () => {
    const { id, record } = await begun('straight-gate');
    const out = mark({ type: 'set up', out: { tee: 2 } });
    await record([out, mark({ type: 'pause' }), out]);
    await record([{ type: 'putt', id: v4(), outcomes: { ballGate1: 'clear' }, at: now }]);
    await finishSession(database, principal, id, now);
    const knowing = { ...mark({ type: 'pause' }), knowing: true };
    await expect(record([knowing])).rejects.toThrow('was finished');
    const { marks } = await record([mark({ type: 'taken up', in: { tee: 2 } })]);
    expect(marks.map((one) => one.mark.type)).toEqual(['set up', 'pause', 'taken up']);
  });
});

describe('what the sessions of a student stand at', () => {
  it('is another after all that is written of them, and the same after a look', async () => {
    const seen = new Set<string>();
    const isNew = async (what: string) => {
      const stand = await sessionsStand(database, principal, sal);
      expect([what, seen.has(stand)]).toEqual([what, false]);
      seen.add(stand);
      expect(await sessionsStand(database, principal, sal)).toBe(stand);
    };
    await isNew('nothing yet');
    const { id, record } = await begun('marked-face');
    await isNew('begun');
    const puttId = v4();
    const putt = { faceMark1: 'middle' };
    await record([{ type: 'putt', id: puttId, outcomes: putt, points: {}, at: now }]);
    await isNew('a putt');
    await record([change(puttId, { outcomes: { faceMark1: 'right' } })]);
    await isNew('corrected');
    await record([change(puttId, { note: 'wind' })]);
    await isNew('noted');
    await record([change(puttId, { leftOut: true })]);
    await isNew('left out');
    await record([mark({ type: 'pause' })]);
    await isNew('a mark');
    await record([{ type: 'undo', id: puttId, at: now }]);
    await isNew('undone');
    await record([{ type: 'putt', id: v4(), outcomes: putt, points: {}, at: now }]);
    await isNew('another putt');
    await noteSession(database, principal, id, 'calm');
    await isNew('the note of the session');
    await swapDrill(database, principal, id, { drillId: await drill('straight-gate'), rung: null });
    await isNew('another drill');
    const unfinished = await sessionsStand(database, principal, sal);
    await finishSession(database, principal, id, addHours(now, 1));
    await isNew('finished');
    await reopenSession(database, principal, id);
    expect(await sessionsStand(database, principal, sal)).toBe(unfinished);
    // What somebody else putts is nothing to it.
    const drillId = await drill('marked-face');
    const stands = await sessionsStand(database, principal, sal);
    await startSession(database, principal, { studentId: runa, drillId, startedAt: now });
    expect(await sessionsStand(database, principal, sal)).toBe(stands);
  });
});

describe('several in rotation', () => {
  it('have a session each, fitted to each, in the order of their turns', async () => {
    const drillId = await drill('putter-gate-level');
    const [first] = await startGroup(
      database,
      principal,
      [
        { studentId: sal, drillId },
        { studentId: runa, drillId, rung: 2 },
      ],
      { startedAt: now },
    );
    const group = await getGroup(
      database,
      principal,
      await getSession(database, principal, first!),
    );
    expect(group.map(({ studentId }) => studentId)).toEqual([sal, runa]);
    const [one, two] = group.map(({ runs }) => runs[0]!);
    expect(one!.layout.player.headLength).toBe(0.112);
    expect(two!.layout.player).toMatchObject({ headLength: 0.1, hand: 'left' });
    expect([one!.rung, two!.rung]).toEqual([null, 2]);
  });

  it('are all begun or none, and nobody twice', async () => {
    const drillId = await drill('straight-gate');
    const start = (players: { studentId: string; drillId: string; rung?: number }[]) =>
      startGroup(database, principal, players, { startedAt: now });
    await expect(
      start([
        { studentId: sal, drillId },
        { studentId: runa, drillId, rung: 99 },
      ]),
    ).rejects.toThrow('no rung 100');
    await expect(
      start([
        { studentId: sal, drillId },
        { studentId: sal, drillId },
      ]),
    ).rejects.toThrow('twice');
    expect(await database.models.session.count()).toBe(0);
  });

  it('move on by one station: each takes the drill before, on the rung they had there', async () => {
    const [gate, box] = [await drill('straight-gate'), await drill('box-gate')];
    const ids = await startGroup(
      database,
      principal,
      [
        { studentId: sal, drillId: gate, rung: 1 },
        { studentId: runa, drillId: box },
      ],
      { startedAt: now },
    );
    await rotateStations(database, principal, ids[1]!);
    await moveRung(database, principal, ids[1]!, 3);
    await rotateStations(database, principal, ids[0]!);
    const runs = async (id: string) =>
      (await getSession(database, principal, id)).runs.map(({ drillId, rung, block }) => [
        drillId === gate ? 'gate' : 'box',
        rung,
        block,
      ]);
    expect(await runs(ids[0]!)).toEqual([
      ['gate', 1, 1],
      ['box', null, 2],
      ['gate', 1, 3],
    ]);
    expect(await runs(ids[1]!)).toEqual([
      ['box', null, 1],
      ['gate', null, 2],
      ['gate', 3, 2],
      ['box', null, 3],
    ]);
  });
});

describe('a cold test, and another drill in the middle', () => {
  it('plays ten putts on the drill’s own layout, then the drill by its own rule', async () => {
    const drillId = await drill('straight-gate');
    const begin = { studentId: sal, drillId, startedAt: now, cold: true };
    const id = await startSession(database, principal, begin);
    await swapDrill(database, principal, id, { drillId, rung: null });
    const { runs } = await getSession(database, principal, id);
    expect(runs.map(({ cold, rule, block }) => [cold, rule.type, block])).toEqual([
      [true, 'assessment', 1],
      [false, libraryDrill('straight-gate')!.rule.type, 2],
    ]);
    expect(runs[1]!.layout).toEqual(runs[0]!.layout);
    expect(await lastColdTests(database, principal)).toEqual(new Map([[sal, now]]));
  });

  it('goes on on the green the session stands on', async () => {
    const spots = [{ id: v4(), name: 'By the crane' }];
    const green = { name: 'Bollard', notes: '', spots };
    const greenId = await addGreen(database, principal, green);
    const slope = { grade: 0.01, falls: -Math.PI / 2 };
    const reading = {
      at: now,
      spotId: spots[0]!.id,
      greenSpeed: 2.7,
      slope,
      rolls: null,
      note: '',
    };
    await addReading(database, principal, greenId, reading);
    const [gate, twin] = [await drill('straight-gate'), await drill('twin-gates')];
    const on = { greenId, spotId: spots[0]!.id };
    const begin = { studentId: sal, drillId: gate!, startedAt: now, green: on };
    const id = await startSession(database, principal, begin);
    await swapDrill(database, principal, id, { drillId: twin!, rung: null });
    const { runs } = await getSession(database, principal, id);
    expect(runs.map(({ layout }) => layout.putt.greenSpeed)).toEqual([2.7, 2.7]);
    expect(runs[1]!.layout.putt.slope).toEqual(slope);
  });

  it('is refused once the session is finished', async () => {
    const { id, drillId, record } = await begun('straight-gate');
    await record([{ type: 'putt', id: v4(), outcomes: { ballGate1: 'clear' }, at: now }]);
    await finishSession(database, principal, id, now);
    await expect(swapDrill(database, principal, id, { drillId, rung: null })).rejects.toThrow(
      'finished',
    );
    await expect(moveRung(database, principal, id, 1)).rejects.toThrow('finished');
  });
});

it('a note of the coach’s is kept with the session, and only by one who may see it', async () => {
  const { id } = await begun('straight-gate');
  await noteSession(database, principal, id, 'Stand nearer.');
  expect((await getSession(database, principal, id)).note).toBe('Stand nearer.');
  await expect(noteSession(database, stranger(), id, 'mine')).rejects.toThrow(
    'session does not exist',
  );
});

it('a drill whose rule is a ladder stays in one block while it climbs', async () => {
  const { layout } = libraryDrill('straight-gate')!;
  const ladder = makeLadder(layout, 'gap', 5, (metres) => Math.round(metres * 1000) / 1000);
  const details = { ...bareDetails(), ladder, rule: { type: 'ladder' as const, up: 2, down: 2 } };
  const drillId = await addDrill(database, principal, { name: 'Climb', layout, details }, now);
  const id = await startSession(database, principal, { studentId: sal, drillId, startedAt: now });
  await moveRung(database, principal, id, 4);
  const { runs } = await getSession(database, principal, id);
  expect(runs.map(({ block }) => block)).toEqual([1, 1]);
});
