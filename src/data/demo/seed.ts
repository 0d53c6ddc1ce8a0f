import { addDays, addSeconds, set } from 'date-fns';
import { v4 } from 'uuid';
import { DEFAULT_PUTT } from '@/core/green';
import { DEFAULT_SHANK, ballGateLayout } from '@/core/layout';
import { coachSettings } from '@/core/people';
import { chance, simulatePutts, truthOn, type Chance } from '@/core/simulate';
import { ensureCoach, saveCoach } from '../coaches';
import type { Database } from '../database';
import { addDrill, getDrill } from '../drills';
import { addStudent } from '../students';
import { Problem } from '../problem';
import { COACH, DRILLS, STUDENTS, truePath } from './world';

/** Days of the demo's story. */
const DAYS = 70;
/** Seconds between two putts, about. */
const PACE = 24;

/**
 * Fills an empty database with the demo: a coach, her drills, eight students and ten weeks of sessions up to the
 * day before `today`, from a seeded simulator.
 *
 * @param database an empty database
 * @param today the day the story ends on
 * @param seed for the simulator
 * @throws Problem when the database already has students
 */
export async function seedDemo(database: Database, today: Date, seed = 20): Promise<void> {
  const owner = await ensureCoach(database);
  if ((await database.models.student.count()) > 0) {
    throw new Problem(
      'invalid',
      `${database.path} already has students: the demo only fills an empty database.`,
    );
  }
  const random = chance(seed);
  const id = () =>
    v4({ random: Uint8Array.from({ length: 16 }, () => Math.floor(random.uniform() * 256)) });
  await saveCoach(database, owner, { name: COACH, settings: coachSettings.parse({}) });

  const drills = new Map<string, string>();
  for (const { key, name, distance, gate, gap } of DRILLS) {
    const layout = ballGateLayout(
      { ...DEFAULT_PUTT, distance },
      { distance: gate, gap, shank: DEFAULT_SHANK, offset: 0 },
    );
    drills.set(key, await addDrill(database, owner, { name, layout }, id()));
  }

  for (const [index, student] of STUDENTS.entries()) {
    const studentId = await addStudent(database, owner, student.values, id());
    for (const [visit, day] of student.days.entries()) {
      const key = student.drills[Math.min(2, Math.floor((3 * day) / DAYS))]!;
      const lastOfFirst = index === 0 && visit === student.days.length - 1;
      await addSession(database, owner, {
        id,
        random,
        studentId,
        drillId: drills.get(key)!,
        startedAt: set(addDays(today, day - DAYS), {
          hours: 14 + (index % 4),
          minutes: 10 + index,
          seconds: 0,
          milliseconds: 0,
        }),
        truth: truthOn(truePath(student), day),
        count: lastOfFirst ? 12 : student.putts,
        finished: !lastOfFirst,
      });
    }
  }
}

interface DemoSession {
  id: () => string;
  random: Chance;
  studentId: string;
  drillId: string;
  startedAt: Date;
  truth: { bias: number; spread: number };
  count: number;
  finished: boolean;
}

async function addSession(database: Database, owner: string, plan: DemoSession): Promise<void> {
  const { id, random, studentId, startedAt, count } = plan;
  const drill = await getDrill(database, owner, plan.drillId);
  const sessionId = id();
  const runId = id();
  const putts = simulatePutts(plan.truth, drill.layout, count, random);
  let at = startedAt;
  const rows = putts.map((outcomes, index) => {
    at = addSeconds(at, Math.max(8, Math.round(PACE + 5 * random.normal())));
    return { id: id(), runId, position: index + 1, outcomes, at, savedAt: at };
  });
  await database.atomically(async (transaction) => {
    await database.models.session.create(
      {
        id: sessionId,
        coachId: owner,
        studentId,
        startedAt,
        finishedAt: plan.finished ? addSeconds(at, 40) : null,
      },
      { transaction },
    );
    await database.models.run.create(
      {
        id: runId,
        sessionId,
        drillVersionId: drill.versionId,
        drillName: drill.name,
        layout: drill.layout,
        position: 1,
      },
      { transaction },
    );
    await database.models.putt.bulkCreate(rows, { transaction });
  });
}
