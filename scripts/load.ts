import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { v4 } from 'uuid';
import { bareDetails } from '@/core/drill';
import { DEFAULT_PUTT } from '@/core/green';
import { ballGateLayout } from '@/core/layout';
import {
  addCoach,
  addDrill,
  addStudent,
  coachPrincipal,
  getSession,
  headCoach,
  openDatabase,
  recordEvents,
  signIn,
  startSession,
} from '@/data';
import { TEST_STUDENT } from '@/data/test-book';
import { serve } from '../e2e/server';
import { ownPort } from '../e2e/ports';

/**
 * How long putts take to be kept while a whole academy logs at once, each coach signed in on a device of their own: the time
 * from sending a putt to its answer, once it is on disk. Needs a build.
 */
const { values } = parseArgs({
  options: {
    coaches: { type: 'string', default: '24' },
    seconds: { type: 'string', default: '30' },
    every: { type: 'string', default: '1000' },
    before: { type: 'string', default: '0' },
  },
});
const PORT = ownPort('load');
const COACHES = Number(values.coaches);
const EVERY = Number(values.every);
/** Putts that each run has before. */
const BEFORE = Number(values.before);
/** A clock tick of the kernel's, ms. */
const TICK = 10;

/** What a process has used of the processor, ms. */
function usedBy(pid: number): number {
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]!.split(' ');
  return TICK * (Number(fields[11]) + Number(fields[12]));
}

async function main(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'dirigo-load-'));
  const file = join(folder, 'load.db');
  const database = await openDatabase(file);
  const head = await headCoach(database);
  const layout = ballGateLayout(DEFAULT_PUTT, { distance: 0.4572, gap: 0.06, shank: 0.005 });
  const gate = layout.elements.find(({ kind }) => kind === 'ballGate')!.id;
  const at = new Date();
  const screens: { run: string; cookie: string }[] = [];
  for (let number = 0; number < COACHES; number++) {
    const name = `Coach ${number + 1}`;
    const id = await addCoach(database, head, { name, role: 'coach' });
    const coach = await coachPrincipal(database, id);
    const studentId = await addStudent(database, coach, {
      ...TEST_STUDENT,
      name: `Student ${number + 1}`,
    });
    const details = bareDetails();
    const drillId = await addDrill(database, coach, { name: 'Gate', layout, details }, at);
    const session = await startSession(database, coach, { studentId, drillId, startedAt: at });
    const [run] = (await getSession(database, coach, session)).runs;
    const before = Array.from({ length: BEFORE }, () => ({
      type: 'putt' as const,
      id: v4(),
      outcomes: { [gate]: 'clear' },
      place: { station: 0, again: 0, spot: null },
      manner: 'usual' as const,
      at,
    }));
    await recordEvents(database, coach, run!.id, before, at);
    const secret = await signIn(database, id, 'link', 'Load test', at);
    screens.push({ run: run!.id, cookie: `dirigo=${secret}` });
  }
  await database.close();
  const server = await serve(PORT, file, { env: { DIRIGO_OPEN: '0' } });
  const times: number[] = [];
  let refused = 0;
  // What a server uses to warm up is not a putt's.
  let used = 0;
  const until = Date.now() + 1000 * Number(values.seconds);
  await Promise.all(
    screens.map(async ({ run, cookie }, index) => {
      await new Promise((resolve) => setTimeout(resolve, (EVERY * index) / COACHES));
      let since: unknown = null;
      while (Date.now() < until) {
        const began = performance.now();
        // As a logging screen sends it: with where and how.
        const event = {
          type: 'putt',
          id: v4(),
          outcomes: { [gate]: 'clear' },
          place: { station: 0, again: 0, spot: null },
          manner: 'usual',
          at: new Date(),
        };
        const response = await fetch(`${server.url}/api/runs/${run}/putts`, {
          method: 'POST',
          headers: { 'content-type': 'application/json', origin: server.url, cookie },
          body: JSON.stringify({ events: [event], since }),
        });
        const text = await response.text();
        const { ok, position } = JSON.parse(text) as { ok: boolean; position: unknown };
        since = position;
        if (times.length === COACHES) used = usedBy(server.pid);
        const took = performance.now() - began;
        if (ok) times.push(took);
        else refused += 1;
        await new Promise((resolve) => setTimeout(resolve, Math.max(0, EVERY - took)));
      }
    }),
  );
  const perPutt = (usedBy(server.pid) - used) / (times.length - COACHES);
  await server.kill();
  rmSync(folder, { recursive: true });
  times.sort((a, b) => a - b);
  const share = (part: number) => times[Math.floor(part * (times.length - 1))]!.toFixed(0);
  console.log(
    `${COACHES} coaches at once, each with one putt every ${EVERY} ms: ${times.length} putts saved and ${refused} refused. ` +
      `Half took at most ${share(0.5)} ms, nine in ten at most ${share(0.9)} ms and the slowest ${share(1)} ms. Each putt used ${perPutt.toFixed(1)} ms of processor time.`,
  );
}

void main();
