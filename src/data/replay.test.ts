import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { bareDetails } from '@/core/drill';
import { v4 } from 'uuid';
import { DEFAULT_PUTT } from '@/core/green';
import { ballGateLayout } from '@/core/layout';
import {
  addDrill,
  addStudent,
  counted,
  headCoach,
  getSession,
  openDatabase,
  recordEvents,
  startSession,
  type Database,
  type CoachPrincipal,
  type Putt,
  type RunEvent,
  type RunRecord,
} from '.';

const NOW = new Date('2026-11-20T10:00:00Z');

const layout = ballGateLayout(DEFAULT_PUTT, {
  distance: 0.4572,
  gap: 0.06,
  shank: 0.005,
  offset: 0,
});
const now = new Date('2026-03-01T10:00:00Z');

let folder: string;
let database: Database;
let principal: CoachPrincipal;
let studentId: string;
let drillId: string;

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'dirigo-replay-'));
  database = await openDatabase(join(folder, 'coach.db'));
  principal = await headCoach(database);
  studentId = await addStudent(database, principal, {
    name: 'Replay',
    hand: 'right',
    level: 'steady',
    seated: false,
    notes: '',
    school: 'arc',
    groups: '',
    kit: [],
    putter: { headLength: 0.1, headDepth: 0.03, lieAngle: 1.22 },
  });
  drillId = await addDrill(
    database,
    principal,
    { name: 'Gate', layout, details: bareDetails() },
    NOW,
  );
});

afterAll(async () => {
  await database.close();
  rmSync(folder, { recursive: true });
});

/** A screen's log: putts, and the last one that counts taken back. */
function logOf(steps: ('clear' | 'left' | 'right' | 'undo')[]): RunEvent[] {
  const standing: string[] = [];
  return steps.flatMap((step): RunEvent[] => {
    if (step === 'undo') {
      const id = standing.pop();
      return id ? [{ type: 'undo', id, at: now }] : [];
    }
    const id = v4();
    standing.push(id);
    return [{ type: 'putt', id, outcomes: { gate: step }, at: now }];
  });
}

/** What must stand in the end: the putts in order, less those taken back. */
function expected(log: RunEvent[]): string[] {
  const back = new Set(log.flatMap((event) => (event.type === 'undo' ? [event.id] : [])));
  return log.flatMap((event) => (event.type === 'putt' && !back.has(event.id) ? [event.id] : []));
}

it('a log sent in any parts, each lost or repeated any number of times, ends as if it had been sent once', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.constantFrom('clear', 'clear', 'left', 'right', 'undo'), {
        minLength: 1,
        maxLength: 14,
      }),
      fc.array(
        fc.record({ size: fc.integer({ min: 1, max: 5 }), again: fc.integer({ min: 0, max: 2 }) }),
        {
          minLength: 14,
          maxLength: 14,
        },
      ),
      async (steps, parts) => {
        const log = logOf(steps);
        const id = await startSession(database, principal, { studentId, drillId, startedAt: now });
        const runId = (await getSession(database, principal, id)).runs[0]!.id;
        let acknowledged = 0;
        for (const { size, again } of parts) {
          // What is not acknowledged is sent again with the next part, as the queue of the screen does.
          const part = log.slice(acknowledged, acknowledged + size);
          for (let time = 0; time <= again; time++)
            await recordEvents(database, principal, runId, part, now);
          const lost = again === 2;
          if (!lost) acknowledged += part.length;
        }
        await recordEvents(database, principal, runId, log.slice(acknowledged), now);
        const { runs } = await getSession(database, principal, id);
        expect(counted(runs[0]!.putts).map((putt) => putt.id)).toEqual(expected(log));
        expect(runs[0]!.putts).toHaveLength(log.filter(({ type }) => type === 'putt').length);
      },
    ),
    { numRuns: 25 },
  );
});

/** What a screen knows of a run, laid together from what it was told. */
interface Known {
  since: RunRecord['position'] | null;
  putts: Map<string, Putt>;
}

it('two screens that know no more than they are told of each other end with what the server has, value for value', async () => {
  const step = fc.record({
    screen: fc.constantFrom(0, 1),
    what: fc.constantFrom('clear', 'clear', 'left', 'undo', 'note', 'again', 'impossible', 'look'),
    lost: fc.integer({ min: 0, max: 5 }).map((of) => of === 0),
    placed: fc.boolean(),
  });
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 4, maxLength: 24 }), async (steps) => {
      const id = await startSession(database, principal, { studentId, drillId, startedAt: now });
      const runId = (await getSession(database, principal, id)).runs[0]!.id;
      const screens: Known[] = [0, 1].map(() => ({ since: null, putts: new Map() }));
      const send = async (known: Known, events: RunEvent[], lost: boolean) => {
        const told = await recordEvents(database, principal, runId, events, now, known.since);
        if (lost) return;
        if (told.whole) known.putts.clear();
        for (const putt of told.putts) known.putts.set(putt.id, putt);
        known.since = told.position;
      };
      let last: RunEvent[] = [];
      for (const { screen, what, lost, placed } of steps) {
        const known = screens[screen]!;
        const [standing] = counted([...known.putts.values()]);
        const whereAndHow = {
          place: { station: 0, again: 0, spot: null },
          manner: 'usual',
        } as const;
        const putt = (outcome: string): RunEvent => ({
          ...{ type: 'putt', id: v4(), outcomes: { gate: outcome }, at: now },
          ...(placed && whereAndHow),
        });
        const events = ((): RunEvent[] => {
          switch (what) {
            case 'look':
              return [];
            case 'again':
              return last;
            case 'undo':
              return standing ? [{ type: 'undo', id: standing.id, at: now }] : [];
            case 'note': {
              const correction = { note: 'short of breath' };
              const of = standing && { puttId: standing.id, correction, at: now };
              return of ? [{ type: 'change', id: v4(), ...of }] : [];
            }
            default:
              return [putt('clear'), putt(what)];
          }
        })();
        await send(known, events, lost);
        last = events;
      }
      for (const known of screens) await send(known, [], false);
      const { runs } = await getSession(database, principal, id);
      for (const { putts } of screens) {
        const byId = new Map(runs[0]!.putts.map((putt) => [putt.id, putt]));
        expect(putts).toEqual(byId);
      }
    }),
    { numRuns: 60 },
  );
});
