import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { v4 } from 'uuid';
import { bareDetails } from '@/core/drill';
import { DEFAULT_PUTT } from '@/core/green';
import { ballGateLayout } from '@/core/layout';
import {
  addDrill,
  addStudent,
  finishSession,
  getSession,
  headCoach,
  openDatabase,
  startSession,
} from '@/data';
import { TEST_STUDENT } from '@/data/test-book';
import { serve } from '../e2e/server';
import { ownPort } from '../e2e/ports';

/**
 * Whether the memory of the server, and of what reckons for it, stays what it is over long days: sessions of many putts, one after
 * the other, each looked at once it is finished. Prints what they hold after each. Needs a build.
 */
const { values } = parseArgs({
  options: {
    sessions: { type: 'string', default: '40' },
    putts: { type: 'string', default: '500' },
  },
});
const PORT = ownPort('soak');
/** So much more may be held in the end, MB: a third of one per player whose scores are kept ready, and what is not collected yet. */
const FLAT = 30;
/** What an engine may keep before it must collect, MB: with more it lets 100 MB lie, and what grows would not be seen for that. */
const ROOM = '--max-old-space-size=128';

/** What a process holds, MB. */
const heldBy = (pid: number): number =>
  Number(/VmRSS:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1]) / 1024;

async function main(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'dirigo-soak-'));
  const database = await openDatabase(join(folder, 'soak.db'));
  const head = await headCoach(database);
  const layout = ballGateLayout(DEFAULT_PUTT, { distance: 0.4572, gap: 0.06, shank: 0.005 });
  const gate = layout.elements.find(({ kind }) => kind === 'ballGate')!.id;
  const kept = { name: 'Gate', layout, details: bareDetails() };
  const drillId = await addDrill(database, head, kept, new Date());
  const server = await serve(PORT, database.path, { env: { NODE_OPTIONS: ROOM } });
  const held: number[] = [];
  try {
    for (let number = 1; number <= Number(values.sessions); number++) {
      // Each of another student: what is looked at is as large each time.
      const name = `Student ${number}`;
      const studentId = await addStudent(database, head, { ...TEST_STUDENT, name });
      const id = await startSession(database, head, { studentId, drillId, startedAt: new Date() });
      const [run] = (await getSession(database, head, id)).runs;
      let since: unknown = null;
      for (let putt = 0; putt < Number(values.putts); putt++) {
        const event = {
          ...{ type: 'putt', id: v4(), outcomes: { [gate]: putt % 3 ? 'clear' : 'left' } },
          ...{ place: { station: 0, again: 0, spot: null }, manner: 'usual', at: new Date() },
        };
        const response = await fetch(`${server.url}/api/runs/${run!.id}/putts`, {
          method: 'POST',
          headers: { 'content-type': 'application/json', origin: server.url },
          body: JSON.stringify({ events: [event], since }),
        });
        const answer = (await response.json()) as { ok: boolean; position: unknown };
        if (!answer.ok) throw new Error(`A putt was refused: ${JSON.stringify(answer)}`);
        since = answer.position;
      }
      await finishSession(database, head, id, new Date());
      await (await fetch(`${server.url}/sessions/${id}/review`)).text();
      // What reckons is counted as well.
      const all = [server.pid, ...server.children()];
      held.push(all.reduce((sum, pid) => sum + heldBy(pid), 0));
    }
    const putts = await database.models.putt.count();
    // A collector comes when it likes: what is left after it has been is what counts.
    const quarter = Math.ceil(held.length / 4);
    const least = (from: number) => Math.min(...held.slice(from, from + quarter));
    const growth = least(held.length - quarter) - least(quarter);
    console.log(`Memory used after each session, MB: ${held.map((mb) => mb.toFixed(0)).join(' ')}`);
    console.log(
      `${putts} putts kept. The least that was held in the last quarter is ${growth.toFixed(0)} MB more than in the second: ${growth <= FLAT ? 'flat' : `more than ${FLAT} MB`}.`,
    );
    if (growth > FLAT) process.exitCode = 1;
  } finally {
    await server.kill();
    await database.close();
    rmSync(folder, { recursive: true });
  }
}

void main();
