import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v4 } from 'uuid';
import { DEFAULT_PUTT } from '@/core/green';
import { bareDetails } from '@/core/drill';
import { ballGateLayout } from '@/core/layout';
import { type Chance } from '@/core/simulate';
import {
  addDrill,
  addStudent,
  headCoach,
  getSession,
  openDatabase,
  startSession,
  type Database,
} from '@/data';
import { TEST_STUDENT } from '@/data/test-book';
import { serve, type OwnServer } from '../e2e/server';
import { ownPort } from '../e2e/ports';

const PORT = ownPort('kills');
const OUTCOMES = ['clear', 'left', 'right'] as const;

interface Event {
  type: 'putt';
  id: string;
  outcomes: { gate: string };
  at: string;
}

async function prepare(database: Database) {
  const principal = await headCoach(database);
  const studentId = await addStudent(database, principal, { ...TEST_STUDENT, name: 'Fault' });
  const gate = { distance: 0.4572, gap: 0.06, shank: 0.005 };
  const layout = ballGateLayout(DEFAULT_PUTT, gate);
  const now = new Date();
  const kept = { name: 'Fault gate', layout, details: bareDetails() };
  const drillId = await addDrill(database, principal, kept, now);
  const sessionId = await startSession(database, principal, { studentId, drillId, startedAt: now });
  const [run] = (await getSession(database, principal, sessionId)).runs;
  return { principal, sessionId, runId: run!.id };
}

/** One request, dropped by the sender now and then; true when the server has acknowledged it. */
async function send(
  url: string,
  events: Event[],
  random: Chance,
  counts: { requests: number; dropped: number; refused: number },
): Promise<boolean> {
  counts.requests += 1;
  const drop = random.uniform() < 0.15;
  const patience = drop ? 1 + 12 * random.uniform() : 5000;
  try {
    const response = await fetch(url, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: new URL(url).origin },
      body: JSON.stringify({ events }),
      signal: AbortSignal.timeout(patience),
    });
    return ((await response.json()) as { ok: boolean }).ok;
  } catch {
    if (drop) counts.dropped += 1;
    else counts.refused += 1;
    return false;
  }
}

/**
 * Logs putts through the real HTTP border while the server is killed at random and requests are dropped and sent again,
 * then compares what is on disk with what was logged: none lost, none doubled, order kept. Needs a build.
 */
export async function killsAndDrops(
  putts: number,
  atLeast: number,
  random: Chance,
): Promise<{ said: string; ok: boolean }> {
  const counts = { kills: 0, dropped: 0, repeated: 0, refused: 0, requests: 0 };
  const folder = mkdtempSync(join(tmpdir(), 'dirigo-fault-'));
  const file = join(folder, 'fault.db');
  const prepared = await openDatabase(file);
  const { principal, sessionId, runId } = await prepare(prepared);
  await prepared.close();

  const events = Array.from({ length: putts }, (_, index): Event => ({
    type: 'putt',
    id: v4(),
    outcomes: { gate: OUTCOMES[Math.floor(3 * random.uniform())]! },
    at: new Date(Date.now() + index).toISOString(),
  }));
  let server: OwnServer = await serve(PORT, file);
  const url = `${server.url}/api/runs/${runId}/putts`;
  let acknowledged = 0;
  let over = false;
  const killer = (async () => {
    while (!over) {
      await new Promise((resolve) => setTimeout(resolve, 60 + 900 * random.uniform()));
      if (over || counts.kills >= 3 * atLeast) break;
      await server.kill();
      counts.kills += 1;
      server = await serve(PORT, file);
    }
  })();
  while (acknowledged < putts || counts.kills < atLeast) {
    const batch = events.slice(acknowledged, acknowledged + 1 + Math.floor(12 * random.uniform()));
    const ok = await send(url, batch.length > 0 ? batch : events.slice(-5), random, counts);
    if (ok && random.uniform() < 0.2) {
      counts.repeated += 1;
      await send(url, batch, random, counts);
    }
    if (ok) acknowledged = Math.min(putts, acknowledged + batch.length);
    else await new Promise((resolve) => setTimeout(resolve, 25));
  }
  over = true;
  await killer;
  await server.kill();

  const database = await openDatabase(file);
  const [run] = (await getSession(database, principal, sessionId)).runs;
  const saved = run!.putts.map(({ id, outcomes }) => `${id} ${outcomes.gate}`);
  const logged = events.map(({ id, outcomes }) => `${id} ${outcomes.gate}`);
  await database.close();
  rmSync(folder, { recursive: true, force: true });
  const lost = logged.filter((one) => !saved.includes(one)).length;
  const doubled = saved.length - new Set(saved).size;
  const inOrder = saved.every((one, index) => one === logged[index]);
  const { kills, dropped, refused, repeated } = counts;
  return {
    said: `${putts} putts, ${kills} kills, ${dropped} requests dropped, ${refused} unanswered, ${repeated} repeated: ${lost} lost, ${doubled} duplicated, order ${inOrder ? 'kept' : 'broken'}`,
    ok: lost === 0 && doubled === 0 && inOrder,
  };
}
