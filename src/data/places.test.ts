import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v4 } from 'uuid';
import { libraryDrill } from '@/core/drill';
import { spotKey, stationPlace } from '@/core/layout';
import { FOOT } from '@/core/units';
import { findingsOf, scoreHistory } from '@/core/scoring';
import {
  addDrill,
  addStudent,
  headCoach,
  getSession,
  listSessions,
  openDatabase,
  recordEvents,
  startSession,
  toLogged,
  toLoggedRuns,
  type CoachPrincipal,
  type Database,
} from '.';
import { refusal } from './test-book';
import { COMMON_KIT } from '@/core/people';

const now = new Date('2026-03-01T10:00:00Z');
let folder: string;
let database: Database;
let principal: CoachPrincipal;
let studentId: string;

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'dirigo-places-'));
  database = await openDatabase(join(folder, 'coach.db'));
  principal = await headCoach(database);
  studentId = await addStudent(database, principal, {
    name: 'Oona',
    hand: 'right',
    level: 'steady',
    seated: false,
    notes: '',
    school: 'arc',
    groups: '',
    kit: [...COMMON_KIT],
    putter: { headLength: 0.112, headDepth: 0.025, lieAngle: 1.22 },
  });
});
afterEach(async () => {
  await database.close();
  rmSync(folder, { recursive: true });
});

/** Starts a session on a built-in drill. */
async function begun(key: string) {
  const { name, layout, key: origin, ...details } = libraryDrill(key)!;
  const drillId = await addDrill(database, principal, { name, layout, details, origin }, now);
  const sessionId = await startSession(database, principal, { studentId, drillId, startedAt: now });
  const [run] = (await getSession(database, principal, sessionId)).runs;
  const idOf = (kind: string) => layout.elements.find((piece) => piece.kind === kind)!.id;
  const log = (putts: object[]) =>
    recordEvents(
      database,
      principal,
      run!.id,
      putts.map((putt, index) => ({
        type: 'putt' as const,
        id: v4(),
        at: new Date(now.getTime() + 20_000 * index),
        ...(putt as { outcomes: Record<string, string> }),
      })),
      now,
    );
  const putts = async () => (await getSession(database, principal, sessionId)).runs[0]!.putts;
  return { sessionId, runId: run!.id, layout: run!.layout, idOf, log, putts };
}

describe('a putt that a screen did not place', () => {
  it('is placed by the rule, and one that it did place stands', async () => {
    const { idOf, log, putts, layout } = await begun('two-three-four');
    const hole = idOf('hole');
    const place = { station: 2, again: 0, spot: { distance: 1.5, bearing: 0 } };
    await log([
      { outcomes: { [hole]: 'holed' } },
      { outcomes: { [hole]: 'holed' } },
      { outcomes: { [hole]: 'left' }, place, manner: 'usual' },
      { outcomes: { [hole]: 'holed' } },
    ]);
    const kept = await putts();
    expect(kept.map((putt) => spotKey(putt.place))).toEqual([
      spotKey(stationPlace(layout, 0)),
      spotKey(stationPlace(layout, 1)),
      spotKey(place),
      spotKey(stationPlace(layout, 0)),
    ]);
    expect(kept.every(({ manner }) => manner === 'usual')).toBe(true);
  });

  it('keeps the manner its drill asks for, and says nothing of the usual stroke', async () => {
    const { sessionId, idOf, log, putts } = await begun('lead-hand-only');
    const gate = idOf('ballGate');
    await log(Array.from({ length: 8 }, () => ({ outcomes: { [gate]: 'left' } })));
    expect((await putts()).map(({ manner }) => manner)).toEqual(Array(8).fill('lead hand'));
    const session = await getSession(database, principal, sessionId);
    expect(scoreHistory([toLogged(session)])).toEqual([]);
    expect(findingsOf(toLoggedRuns(session.runs), true).cells).toHaveLength(1);
  });
});

describe('what the border refuses', () => {
  it('is what cannot be true of one putt, with a sentence that says so', async () => {
    const { idOf, log, putts } = await begun('limit-line');
    const [zone, hole] = [idOf('paceZone'), idOf('hole')];
    expect(await refusal(log([{ outcomes: { [zone]: 'short', [hole]: 'holed' } }]))).toContain(
      '“Short” at the pace zone and “Holed” at the hole cannot both be true of one putt.',
    );
    expect(await refusal(log([{ outcomes: {} }]))).toContain('Nothing was logged for this putt');
    await log([{ outcomes: { [zone]: 'short' } }]);
    expect(await putts()).toHaveLength(1);
  });

  it('is a mark off the face, by how much', async () => {
    const { idOf, log } = await begun('marked-face');
    const mark = idOf('faceMark');
    expect(
      await refusal(
        log([{ outcomes: { [mark]: 'left' }, points: { [mark]: { along: 0, across: -1 } } }]),
      ),
    ).toContain('1000 mm across is outside the picture of the mark on the face');
  });

  it('is a spot on the green only against where the putt was made', async () => {
    const { idOf, log, layout } = await begun('lag-and-farther');
    const hole = idOf('hole');
    const place = { station: 0, again: 1, spot: { distance: 1.5, bearing: 0 } };
    const beyond = { along: 2, across: -0.2 };
    // 2 m from the ball is past a hole 1.5 m away, and short of one 9 m away.
    await log([
      { outcomes: { [hole]: 'left' }, points: { [hole]: beyond }, place, manner: 'usual' },
    ]);
    expect(
      await refusal(
        log([
          {
            outcomes: { [hole]: 'left' },
            points: { [hole]: beyond },
            place: stationPlace(layout, 0),
            manner: 'usual',
          },
        ]),
      ),
    ).toContain('means “short”, but “left” was logged');
  });
});

describe('a book of the release before', () => {
  /** Takes back what the migration of places brought, as the release before it left a book. */
  async function asBefore() {
    const run = (sql: string) => database.sequelize.query(sql);
    await run('ALTER TABLE putt DROP COLUMN place');
    await run('ALTER TABLE putt DROP COLUMN manner');
    await run(`DELETE FROM migration WHERE name = '006-places'`);
    for (const table of ['drillVersion', 'run']) {
      await run(
        `UPDATE ${table} SET layout = json_remove(layout, '$.elements[1].params.balls', '$.elements[2].params.balls')`,
      );
    }
    await run(`UPDATE drillVersion SET details = json_remove(details, '$.manners', '$.spots')`);
    await database.close();
    database = await openDatabase(join(folder, 'coach.db'));
  }

  it('is told where and how each putt was made, by its rule and its drill', async () => {
    const feel = await begun('look-feel-blind');
    const zone = feel.idOf('paceZone');
    await feel.log(Array.from({ length: 6 }, () => ({ outcomes: { [zone]: 'in' } })));
    const lag = await begun('lag-and-farther');
    const hole = lag.idOf('hole');
    await lag.log([
      {
        outcomes: { [hole]: 'left' },
        points: { [hole]: { along: 30 * FOOT + 0.5, across: -0.1 } },
      },
      { outcomes: { [hole]: 'short' } },
      { outcomes: { [hole]: 'holed' } },
      { outcomes: { [hole]: 'holed' } },
    ]);
    await asBefore();

    const felt = await feel.putts();
    expect(felt.map(({ manner }) => manner)).toEqual([
      'at the hole',
      'usual',
      'eyes closed',
      'routine',
      'at the hole',
      'usual',
    ]);
    expect(felt.map(({ place }) => place.station)).toEqual([0, 0, 0, 0, 1, 1]);
    const putted = await lag.putts();
    // Half a metre past and a putter length more; after that nobody looked; then the next hole.
    expect(putted.map(({ place }) => place.spot && place.spot.distance)).toEqual([
      expect.closeTo(9.144, 3),
      expect.closeTo(Math.hypot(0.5, 0.1) + 0.9, 1),
      null,
      expect.closeTo(9.144, 3),
    ]);
    const session = await getSession(database, principal, lag.sessionId);
    expect(findingsOf(toLoggedRuns(session.runs)).unscored).toEqual([
      { run: 0, putts: 1, reason: expect.stringContaining('No spot was recorded') },
    ]);
  });

  it('opens with putts that the border would refuse today, and nothing breaks', async () => {
    const { sessionId, idOf, log, runId } = await begun('limit-line');
    const [zone, hole] = [idOf('paceZone'), idOf('hole')];
    await log([{ outcomes: { [zone]: 'short', [hole]: 'short' } }]);
    const good = await begun('straight-gate');
    await good.log(
      Array.from({ length: 10 }, () => ({ outcomes: { [good.idOf('ballGate')]: 'clear' } })),
    );
    await database.sequelize.query('UPDATE putt SET outcomes = :outcomes WHERE runId = :runId', {
      replacements: { outcomes: JSON.stringify({ [zone]: 'short', [hole]: 'holed' }), runId },
    });
    await asBefore();
    const sessions = await listSessions(database, principal, { studentId });
    const scores = scoreHistory(sessions.map(toLogged));
    expect(scores.length).toBeGreaterThan(0);
    expect(JSON.stringify(scores.map(({ carried }) => carried))).not.toContain('null');
    // It can be opened and set right.
    const [putt] = (await getSession(database, principal, sessionId)).runs[0]!.putts;
    const change = (correction: object) =>
      recordEvents(
        database,
        principal,
        runId,
        [{ type: 'change', id: v4(), puttId: putt!.id, correction, at: now }],
        now,
      );
    await change({ note: 'touched twice' });
    expect(await refusal(change({ outcomes: { [zone]: 'short', [hole]: 'holed' } }))).toContain(
      'cannot both be true',
    );
    const { putts } = await change({ outcomes: { [zone]: 'short' } });
    expect(putts[0]).toMatchObject({ outcomes: { [zone]: 'short' }, note: 'touched twice' });
  });
});
