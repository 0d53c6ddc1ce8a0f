import fc from 'fast-check';
import { libraryDrill } from '@/core/drill';
import type { BegunHere } from './begun';
import { Waiting, deliver, settled, type DeliverPorts } from './deliver';
import type { BegunSession } from './wire';

const { layout } = libraryDrill('straight-gate')!;
const run = (id: string) => ({
  ...{ id, ref: 'lib:straight-gate', versionId: null, drillName: 'Straight gate', layout },
  ...{ rung: null, block: 1, cold: false, rule: null },
});
const session: BegunHere = {
  ...{ id: 's', studentId: 'a', groupId: null, place: 1, homeworkId: null },
  ...{ startedAt: '2026-11-26T09:00:00.000Z', finishedAt: null, note: '', noteWas: '' },
  runs: [run('r1')],
  ...{ home: '', name: 'Ama', sent: null, refused: null, theirs: null },
};

/** A server that keeps what it is sent, and loses a request or its answer when it is told to. */
function server(fails: boolean[] = []) {
  const there = { session: null as BegunSession | null, finished: false, note: '', asked: 0 };
  const putts = new Map<string, number>();
  const log: string[] = [];
  const ports: DeliverPorts = {
    send: async (sent, finish) => {
      there.asked += 1;
      const lost = fails.shift() ?? false;
      if (lost && there.asked % 2 === 0) throw new TypeError('no way there');
      const conflict =
        sent.note !== there.note &&
        sent.note !== sent.noteWas &&
        ![sent.noteWas, ''].includes(there.note);
      if (!conflict && sent.note !== sent.noteWas) there.note = sent.note;
      there.session = sent;
      there.finished ||= finish;
      log.push(finish ? 'finished' : `begun ${sent.runs.length}`);
      if (lost) throw new TypeError('no answer came');
      return { ok: true, note: there.note, conflict };
    },
    drained: async (runId) => {
      // Putts of a run that the server does not know would be refused.
      expect(there.session?.runs.some(({ id }) => id === runId)).toBe(true);
      if (fails.shift()) return false;
      putts.set(runId, 1);
      log.push(`putts ${runId}`);
      return true;
    },
  };
  return { there, putts, log, ports };
}

test('first that it was begun, then its putts, then that it is finished', async () => {
  const { log, ports } = server();
  const done = { ...session, runs: [run('r1'), run('r2')], finishedAt: '2026-11-26T09:30:00.000Z' };
  expect(await deliver(done, ports)).toBeNull();
  expect(log).toEqual(['begun 2', 'putts r1', 'putts r2', 'finished']);
});

test('what is there already is not sent again; what has come since is', async () => {
  const { log, ports } = server();
  const once = (await deliver(session, ports))!;
  const twice = (await deliver(once, ports))!;
  expect(twice).toEqual(once);
  await deliver({ ...twice, runs: [run('r1'), run('r2')] }, ports);
  expect(log.filter((one) => one.startsWith('begun'))).toEqual(['begun 1', 'begun 2']);
});

test('however often requests and answers are lost, all of it comes in, and once', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(fc.boolean(), { maxLength: 24 }), async (fails) => {
      const { there, putts, ports } = server([...fails]);
      let left: BegunHere | null = {
        ...session,
        runs: [run('r1'), run('r2')],
        note: 'Seen.',
        finishedAt: '2026-11-26T09:30:00.000Z',
      };
      for (let i = 0; left && i < 60; i++) {
        left = await deliver(left, ports).catch(() => left);
      }
      expect(left).toBeNull();
      expect(there).toMatchObject({ finished: true, note: 'Seen.' });
      expect([...putts.keys()].sort()).toEqual(['r1', 'r2']);
    }),
    { numRuns: 200 },
  );
});

test('two notes are told and finish nothing until they are settled; then what was said stays', async () => {
  for (const [how, stays] of [
    ['both', 'Theirs.\n\nMine.'],
    ['mine', 'Mine.'],
    ['theirs', 'Theirs.'],
  ] as const) {
    const { there, ports } = server();
    there.note = 'Theirs.';
    const asked = await deliver(
      { ...session, note: 'Mine.', finishedAt: '2026-11-26T09:30:00.000Z' },
      ports,
    );
    expect(asked?.theirs).toBe('Theirs.');
    expect(there.finished).toBe(false);
    // Once: it is not sent again and again while nobody has said anything.
    expect(await deliver(asked!, ports)).toEqual(asked);
    expect(await deliver(settled(asked!, how), ports)).toBeNull();
    expect(there).toMatchObject({ note: stays, finished: true });
  }
});

test.each(['server', 'database', 'refused'])('“%s” is waited for', async (code) => {
  const { ports } = server();
  const send = async () => ({ ok: false as const, code, message: 'Later.' });
  await expect(deliver(session, { ...ports, send })).rejects.toBeInstanceOf(Waiting);
});

test('what the server will never take is set apart with its reason, and not sent again', async () => {
  const { ports } = server();
  let asked = 0;
  const send = async () => {
    asked += 1;
    return { ok: false as const, code: 'not-found', message: 'The student is no longer there.' };
  };
  const apart = await deliver(session, { ...ports, send });
  expect(apart?.refused).toBe('The student is no longer there.');
  expect(await deliver(apart!, { ...ports, send })).toEqual(apart);
  expect(asked).toBe(1);
});
