import type { CreationAttributes } from 'sequelize';
import { addDays, addSeconds, set } from 'date-fns';
import { DEFAULT_PUTT, readRolls, rollingDeceleration, slopePull, type Rolls } from '@/core/green';
import {
  DEFAULT_SHANK,
  ballGateLayout,
  fitted,
  makeLadder,
  onReading,
  type Layout,
} from '@/core/layout';
import { bareDetails, libraryDrill, ruleGround, type DrillDetails } from '@/core/drill';
import { coachSettings, fittingOf, type Fitting } from '@/core/people';
import { DEFAULT_OWN, DEFAULT_UNITS, DEGREE } from '@/core/units';
import { chance, simulateRun, truthOn, type Chance, type Truth } from '@/core/simulate';
import { addCoach, headCoach, saveCoach } from '../coaches';
import type { Database } from '../database';
import type { PuttRow, RunRow } from '../models';
import { addDrill, getDrill } from '../drills';
import { addGreen, addReading, getGreen, readOf } from '../greens';
import { addStudent } from '../students';
import type { CoachPrincipal } from '../principal';
import { Problem } from '../problem';
import { shareStudent } from '../sharing';
import { addDemoCards } from './cards';
import { idsOf } from './ids';
import { DONE_AT_HOME, addDemoHomework, addDemoPlans } from './plans';
import {
  BESIDE,
  COACH,
  OTHER_COACHES,
  DRILLS,
  GREENS,
  STUDENTS,
  TAKEN,
  struckAs,
  truePath,
} from './world';

/** Days of the demo's story. */
const DAYS = 70;
/** Ten putts, each once. */
const COLD_RULE = { type: 'assessment' as const, putts: 10 };
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
  const principal = await headCoach(database);
  if ((await database.models.student.count()) > 0) {
    throw new Problem(
      'invalid',
      `${database.path} already has students. The demo can only fill an empty database.`,
    );
  }
  const random = chance(seed);
  const id = idsOf(random);
  await saveCoach(database, principal, { name: COACH, settings: coachSettings.parse({}) });

  const greens: string[] = [];
  for (const green of GREENS)
    greens.push(await addDemoGreen(database, principal, { green, today, id }));

  const drills = new Map<string, string>();
  const drawnOn = addDays(today, -DAYS);
  for (const { key, name, distance, gate, gap, spot, like } of DRILLS) {
    const designed = ballGateLayout(
      { ...DEFAULT_PUTT, distance },
      { distance: gate, gap, shank: DEFAULT_SHANK },
    );
    const layout = spot
      ? await readAt(database, principal, designed, greens[spot[0]]!, spot[1])
      : designed;
    const kept = { name, layout, details: detailsLike(like, layout) };
    drills.set(key, await addDrill(database, principal, kept, drawnOn, id()));
  }
  for (const key of TAKEN) {
    const { name, layout, key: origin, ...details } = libraryDrill(key, DEFAULT_UNITS)!;
    drills.set(
      key,
      await addDrill(database, principal, { name, layout, details, origin }, drawnOn, id()),
    );
  }

  const students = new Map<string, string>();
  for (const [index, student] of STUDENTS.entries()) {
    const studentId = await addStudent(database, principal, student.values, id());
    students.set(student.values.name, studentId);
    for (const [visit, day] of student.days.entries()) {
      const key = student.drills[Math.min(2, Math.floor((3 * day) / DAYS))]!;
      const lastOfFirst = index === 0 && visit === student.days.length - 1;
      await addSession(database, principal, {
        id,
        random,
        studentId,
        player: fittingOf(student.values),
        parts: [
          // Every third visit begins cold.
          ...(visit % 3 === 1 ? [{ drillId: drills.get(key)!, count: 10, cold: true }] : []),
          { drillId: drills.get(key)!, count: lastOfFirst ? 12 : student.putts },
          ...(lastOfFirst ? [] : [beside(drills, visit + index)]),
        ],
        startedAt: set(addDays(today, day - DAYS), {
          hours: 14 + (index % 4),
          minutes: 10 + index,
          seconds: 0,
          milliseconds: 0,
        }),
        truth: truthOn(truePath(student), day),
        finished: !lastOfFirst,
      });
    }
  }

  const plans = { database, principal, today, id, students, drills };
  const { homework, student } = await addDemoHomework(plans);
  const atHome = STUDENTS.find(({ values }) => students.get(values.name) === student)!;
  for (const day of DONE_AT_HOME) {
    await addSession(database, principal, {
      id,
      random,
      studentId: student,
      player: fittingOf(atHome.values),
      parts: [{ drillId: drills.get('held-finish')!, count: 20 }],
      startedAt: set(addDays(today, day - DAYS), {
        hours: 20,
        minutes: 10,
        seconds: 0,
        milliseconds: 0,
      }),
      truth: truthOn(truePath(atHome), day),
      finished: true,
      homeworkId: homework,
    });
  }
  await addDemoPlans(plans);
  await addDemoCards(database, principal, students, seed);
  for (const { name, role, shares, consent } of OTHER_COACHES) {
    const coachId = await addCoach(database, principal, { name, role }, id());
    for (const shared of shares) {
      const studentId = students.get(shared)!;
      await shareStudent(database, principal, { studentId, coachId, consent }, addDays(today, -12));
    }
  }
}

/** What the built-in drill says, with a ladder of the demo drill's own. */
function detailsLike(key: string, layout: Layout): DrillDetails {
  const { name: _name, layout: _layout, key: _key, ...details } = libraryDrill(key)!;
  const byTape = (metres: number) => Math.round(metres * 1000) / 1000;
  return { ...bareDetails(), ...details, ladder: makeLadder(layout, 'gap', 6, byTape) };
}

/** A green, its spots and their readings: each spot's slope by two rolls once, the speed on every visit. */
async function addDemoGreen(
  database: Database,
  principal: CoachPrincipal,
  { green, today, id }: { green: (typeof GREENS)[number]; today: Date; id: () => string },
): Promise<string> {
  const spots = green.spots.map((spot) => ({ ...spot, id: id() }));
  const greenId = await addGreen(database, principal, { ...green, spots }, id());
  for (const [visit, [day, greenSpeed]] of green.speed.entries()) {
    const at = set(addDays(today, day - DAYS), {
      hours: 9,
      minutes: 20,
      seconds: 0,
      milliseconds: 0,
    });
    const spot = spots[visit];
    const rolls = spot && twoRolls(greenSpeed, spot);
    await addReading(
      database,
      principal,
      greenId,
      {
        at,
        spotId: spot?.id ?? null,
        ...(rolls ? readRolls(rolls) : { greenSpeed, slope: null }),
        rolls: rolls ?? null,
        note: day > 45 && visit % 2 === 0 ? 'Wet. The mower was out late.' : '',
      },
      id(),
    );
  }
  return greenId;
}

/** The two rolls that a spot would have shown, as a tape reads them: to the centimetre. */
function twoRolls(
  greenSpeed: number,
  { percent, falls }: { percent: number; falls: number },
): Rolls {
  const share = slopePull(percent / 100) / rollingDeceleration(greenSpeed);
  const tape = (metres: number) => Math.round(metres * 100) / 100;
  return {
    up: tape(greenSpeed / (1 + share)),
    down: tape(greenSpeed / (1 - share)),
    way: falls * DEGREE,
  };
}

async function readAt(
  database: Database,
  principal: CoachPrincipal,
  layout: Layout,
  greenId: string,
  spot: number,
): Promise<Layout> {
  const green = await getGreen(database, principal, greenId);
  const found = readOf(green, green.spots[spot]!.id);
  return found ? onReading(layout, found.read, found.current) : layout;
}

interface DemoPart {
  drillId: string;
  count: number;
  cold?: boolean;
}

/** What is putted beside the gate on a visit. */
function beside(drills: Map<string, string>, visit: number): DemoPart {
  const [key, count] = BESIDE[visit % BESIDE.length]!;
  return { drillId: drills.get(key)!, count };
}

type DemoRun = CreationAttributes<RunRow>;
type DemoPutt = CreationAttributes<PuttRow>;

interface DemoSession {
  id: () => string;
  random: Chance;
  studentId: string;
  player: Fitting;
  /** One after the other. */
  parts: DemoPart[];
  startedAt: Date;
  truth: Truth;
  finished: boolean;
  homeworkId?: string;
}

async function addSession(
  database: Database,
  principal: CoachPrincipal,
  plan: DemoSession,
): Promise<void> {
  const { id, random, studentId, startedAt, truth } = plan;
  const sessionId = id();
  let at = startedAt;
  const runs: { row: DemoRun; putts: DemoPutt[] }[] = [];
  for (const [index, { drillId, count, cold = false }] of plan.parts.entries()) {
    const drill = await getDrill(database, principal, drillId);
    const runId = id();
    const layout = fitted(drill.layout, plan.player);
    // Strikes and finishes are touched on their pictures; who was cold is a little wilder.
    const own = cold
      ? { ...truth, face: { ...truth.face, spread: 1.15 * truth.face.spread } }
      : truth;
    const { rule, manners, spots, ladder } = drill.details;
    const course = {
      rule: cold ? COLD_RULE : rule,
      manners: cold ? [] : manners,
      spots,
      farther: DEFAULT_OWN.putter,
    };
    const putts = simulateRun(
      (manner) => struckAs(own, manner),
      layout,
      course,
      ruleGround(layout, ladder.length, null),
      count,
      random,
      true,
    );
    at = addSeconds(at, 90);
    runs.push({
      row: {
        id: runId,
        sessionId,
        drillVersionId: drill.versionId,
        drillName: drill.name,
        layout,
        position: index + 1,
        block: index + 1,
        cold,
        rule: cold ? COLD_RULE : null,
      },
      putts: putts.map((putt, number) => {
        at = addSeconds(at, Math.max(8, Math.round(PACE + 5 * random.normal())));
        return { ...putt, id: id(), runId, position: number + 1, at, savedAt: at };
      }),
    });
  }
  await database.change(
    principal,
    'session started',
    async (transaction) => {
      await database.models.session.create(
        {
          id: sessionId,
          coachId: principal.coachId,
          studentId,
          startedAt,
          finishedAt: plan.finished ? addSeconds(at, 40) : null,
          homeworkId: plan.homeworkId ?? null,
        },
        { transaction },
      );
      for (const { row, putts } of runs) {
        await database.models.run.create(row, { transaction });
        await database.models.putt.bulkCreate(putts, { transaction });
      }
    },
    startedAt,
  );
}
