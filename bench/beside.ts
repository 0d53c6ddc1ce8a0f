import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v4 } from 'uuid';
import {
  getCoach,
  headCoach,
  listDrills,
  listStudents,
  getSession,
  openDatabase,
  saveCoach,
  seedDemo,
  startSession,
} from '@/data';
import { ask, builtActions, call } from '../e2e/actions';
import { serve } from '../e2e/server';
import { ownPort } from '../e2e/ports';

const PORT = ownPort('beside');
/** Times that an hour and a comparison are asked for, at once. */
const ROUNDS = 6;
const FACE_SHARES = ['0.8', '0.83', '0.92'] as const;
/** How far apart putts are sent, ms. */
const EVERY = 20;
/** The most that reckoning may stand in the way of a putt. */
const BAR = 1.5;

const share = (times: number[], part: number): number =>
  times.toSorted((a, b) => a - b)[Math.floor(part * (times.length - 1))]!;

/**
 * How long putts take to be kept while an hour is proposed and all students are compared, over how long they take alone.
 * Each round is of another share of the face and another student's hour, so that nothing of what is asked is known yet. Needs a build.
 */
export async function besideReckoning(): Promise<void> {
  if (!existsSync('.next/reckoner.mjs')) {
    console.log('Putts beside what is reckoned: not measured, there is no build.');
    return;
  }
  const folder = mkdtempSync(join(tmpdir(), 'dirigo-beside-'));
  const file = join(folder, 'beside.db');
  const database = await openDatabase(file);
  await seedDemo(database, new Date('2026-11-20T12:00:00Z'));
  const head = await headCoach(database);
  const students = (await listStudents(database, head)).map(({ id }) => id);
  const drill = (await listDrills(database, head)).find(({ name }) => name.includes('gate'))!;
  const sessionId = await startSession(database, head, {
    studentId: students[0]!,
    drillId: drill.id,
    startedAt: new Date(),
  });
  const [run] = (await getSession(database, head, sessionId)).runs;
  const gate = run!.layout.elements.find(({ kind }) => kind === 'ballGate')!.id;
  const server = await serve(PORT, file);
  const headers = { origin: server.url };
  let since: unknown = null;
  const putt = async (): Promise<number> => {
    const began = performance.now();
    const event = {
      ...{ type: 'putt', id: v4(), outcomes: { [gate]: 'clear' }, at: new Date() },
      ...{ place: { station: 0, again: 0, spot: null }, manner: 'usual' },
    };
    const { text } = await ask(`${server.url}/api/runs/${run!.id}/putts`, {
      method: 'POST',
      headers: { ...headers, 'content-type': 'application/json' },
      body: JSON.stringify({ events: [event], since }),
    });
    const answer = JSON.parse(text) as { ok: boolean; position: unknown };
    if (!answer.ok) throw new Error(`A putt was refused: ${text}`);
    since = answer.position;
    return performance.now() - began;
  };
  /** Sends putts as long as something goes on. */
  const putts = async (goesOn: () => boolean): Promise<number[]> => {
    const times: number[] = [];
    while (goesOn()) {
      times.push(await putt());
      await new Promise((resolve) => setTimeout(resolve, EVERY));
    }
    return times;
  };
  const propose = builtActions().find(({ name }) => name === 'propose')!;
  const hour = async (studentId: string): Promise<void> => {
    const frame = { name: 'An hour', minutes: 60, place: 'green', kit: [], goals: [] };
    const asked = { frame: { ...frame, studentIds: [studentId] }, kept: [] };
    const { status } = await call(server.url, '/programme/hours/new', propose, [asked], headers);
    if (status !== 200) throw new Error(`No hour was proposed: ${status}`);
  };
  const comparison = () => ask(`${server.url}/students/compare`);
  const coach = await getCoach(database, head);
  /** Asks for both, and sends putts until both have come. */
  const round = async (number: number): Promise<number[]> => {
    const faceShare = FACE_SHARES[number % FACE_SHARES.length]!;
    await saveCoach(database, head, { ...coach, settings: { ...coach.settings, faceShare } });
    let going = true;
    const both = Promise.all([hour(students[number]!), comparison()]).finally(
      () => (going = false),
    );
    const times = await putts(() => going);
    await both;
    return times;
  };
  try {
    await round(0);
    const beside: number[] = [];
    for (let number = 1; number <= ROUNDS; number++) beside.push(...(await round(number)));
    let left = beside.length;
    const alone = await putts(() => left-- > 0);
    const [a, b] = [share(alone, 0.95), share(beside, 0.95)];
    console.log(
      `${beside.length} putts while an hour and a comparison of all are reckoned, ${ROUNDS} times: 95 of a hundred within ${b.toFixed(1)} ms, alone within ${a.toFixed(1)} ms: ${(b / a).toFixed(2)} times, of at most ${BAR}; half within ${share(beside, 0.5).toFixed(1)} ms, alone ${share(alone, 0.5).toFixed(1)} ms.`,
    );
  } finally {
    await server.kill();
    await database.close();
    rmSync(folder, { recursive: true });
  }
}
