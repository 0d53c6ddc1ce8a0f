import { v4 } from 'uuid';
import type { Transaction } from 'sequelize';
import {
  COLD_RULE,
  beginOn,
  drillDetails,
  lotOf,
  moveOn,
  ruleDrawn,
  ruleTraits,
} from '@/core/drill';
import {
  asBuilt,
  checkLayout,
  findingWords,
  layoutSchema,
  onCarpet,
  onReading,
  type Layout,
} from '@/core/layout';
import { fittingOf } from '@/core/people';
import { getCoach } from './coaches';
import type { Database } from './database';
import { getDrill } from './drills';
import { latestRead, type GreenSpot } from './greens';
import { scoped, type Principal } from './principal';
import { Problem, notFound } from './problem';
import { getGroup, getSession } from './sessions';
import type { RunRow } from './models';
import { getStudent } from './students';

/** Whom a session is for, and on what. */
export interface Starting {
  studentId: string;
  drillId: string;
  /** From 0; the drill as it is drawn when left out. */
  rung?: number;
}

interface Ground {
  startedAt: Date;
  green?: GreenSpot;
  /** Ten putts, each once, before any warm-up; then the drill. */
  cold?: boolean;
  /** The plan that is followed, and the block of it that comes first. */
  plan?: { id: string; block: string };
  homeworkId?: string;
  /** The speed of the carpet that it is putted on, m; on the drill's own green when left out. */
  carpet?: number;
}

/**
 * Starts a session of one student on one drill, on the drill's newest layout fitted to the student; on a rung of its
 * ladder, and on a green with that green's latest reading in place of the drill's own speed and slope.
 *
 * @throws Problem when the layout cannot be built for this student, there or on that green
 */
export async function startSession(
  database: Database,
  principal: Principal,
  { studentId, drillId, rung, ...ground }: Starting & Ground,
  id = v4(),
): Promise<string> {
  const [started] = await startGroup(database, principal, [{ studentId, drillId, rung }], ground, [
    id,
  ]);
  return started!;
}

/**
 * Starts a session for each of several students in rotation, each on a drill and a rung of their own: all of them, or
 * none when one cannot be built.
 *
 * @returns their ids in order
 * @throws Problem as {@link startSession}, or when a student is named twice
 */
export async function startGroup(
  database: Database,
  principal: Principal,
  players: Starting[],
  { startedAt, green, cold = false, plan, homeworkId, carpet }: Ground,
  ids = players.map(() => v4()),
): Promise<string[]> {
  if (new Set(players.map(({ studentId }) => studentId)).size < players.length) {
    throw new Problem(
      'invalid',
      'A student is listed twice. Each student putts once in a rotation.',
    );
  }
  const runs: Awaited<ReturnType<typeof plannedRun>>[] = [];
  for (const player of players) {
    runs.push(await plannedRun(database, principal, player, green, carpet));
  }
  const groupId = players.length > 1 ? ids[0]! : null;
  const { coachId } = principal;
  return database.change(
    principal,
    'session started',
    async (transaction) => {
      const open = homeworkId
        ? await database.models.session.findOne({
            where: scoped(principal, 'session', { homeworkId, finishedAt: null }),
            transaction,
          })
        : null;
      // Asked for twice at once: the one that is there goes on.
      if (open) return [open.id];
      for (const [index, { studentId }] of players.entries()) {
        const id = ids[index]!;
        await database.models.session.create(
          {
            id,
            coachId,
            studentId,
            startedAt,
            groupId,
            place: index + 1,
            planId: plan?.id ?? null,
            homeworkId: homeworkId ?? null,
          },
          { transaction },
        );
        await database.models.run.create(
          {
            ...runs[index]!,
            id: v4(),
            sessionId: id,
            position: 1,
            cold: cold || runs[index]!.cold,
            rule: cold ? COLD_RULE : runs[index]!.rule,
            planBlock: plan?.block ?? null,
          },
          { transaction },
        );
      }
      return ids;
    },
    startedAt,
  );
}

/** What a run is to be made of: the drill's newest layout on the rung, fitted to the student, on the green. */
export async function plannedRun(
  database: Database,
  principal: Principal,
  { studentId, drillId, rung }: Starting,
  green: GreenSpot | undefined,
  carpet?: number,
) {
  const student = await getStudent(database, principal, studentId);
  const drill = await getDrill(database, principal, drillId);
  const { layout: own, rung: begun } = onRungs(drill.name, () =>
    beginOn({ ...drill.details, layout: drill.layout }, fittingOf(student), rung),
  );
  const read = green ? await readLayout(database, principal, own, green) : own;
  const layout = carpet === undefined ? read : onCarpet(read, carpet);
  const wrong = checkLayout(layout).find(({ severity }) => severity === 'error');
  if (wrong) {
    const { units } = (await getCoach(database, principal)).settings;
    throw new Problem(
      'invalid',
      `${drill.name} cannot be set up for ${student.name}: ${findingWords(wrong, units)}`,
    );
  }
  return {
    drillVersionId: drill.versionId,
    drillName: drill.name,
    layout,
    rung: begun,
    // A test is putted cold, whoever asks for it.
    cold: !!ruleTraits(drill.details.rule).cold,
    rule: ruleDrawn(drill.details.rule, lotOf(v4())),
  };
}

/** Makes a layout on a rung; a rung that the drill does not have is told. */
function onRungs<T>(name: string, make: () => T): T {
  try {
    return make();
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    throw new Problem('invalid', error.message.replace('This drill', name));
  }
}

async function readLayout(
  database: Database,
  principal: Principal,
  layout: Layout,
  green: GreenSpot,
): Promise<Layout> {
  const { read, current } = await latestRead(database, principal, green);
  try {
    return onReading(layout, read, current);
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    throw new Problem(
      'invalid',
      `The reading of ${read.green} does not allow this drill’s pace. ${error.message}`,
    );
  }
}

/**
 * Goes on with a session on another rung of its drill: a new run after the last, on the same green, for the same player.
 *
 * @param rung from 0
 * @throws Problem when the drill has no such rung, or the session is finished
 */
export async function moveRung(
  database: Database,
  principal: Principal,
  sessionId: string,
  rung: number,
): Promise<void> {
  await database.change(principal, 'rung changed', async (transaction) => {
    const last = await lastRun(database, principal, sessionId, transaction);
    const version = await database.models.drillVersion.findByPk(last.drillVersionId, {
      transaction,
    });
    if (!version) throw notFound('session');
    const { ladder } = drillDetails.parse(version.details);
    const drawn = layoutSchema.parse(version.layout);
    const layout = onRungs('This drill', () =>
      moveOn({ layout: drawn, ladder }, layoutSchema.parse(last.layout), rung),
    );
    await database.models.run.create(
      {
        id: v4(),
        sessionId,
        drillVersionId: version.id,
        drillName: last.drillName,
        layout,
        position: last.position + 1,
        rung,
        block: last.block,
        rule: last.rule,
        cold: last.cold,
        planBlock: last.planBlock,
      },
      { transaction },
    );
  });
}

/** The run a session has come to. */
async function lastRun(
  { models }: Database,
  principal: Principal,
  sessionId: string,
  transaction?: Transaction,
): Promise<RunRow> {
  const session = await models.session.findOne({
    where: scoped(principal, 'session', { id: sessionId }, 'change'),
    transaction,
  });
  const last =
    session &&
    (await models.run.findOne({
      where: { sessionId },
      order: [['position', 'DESC']],
      transaction,
    }));
  if (!last) throw notFound('session');
  if (session.finishedAt) throw new Problem('finished', 'This session is already finished.');
  return last;
}

/**
 * Goes on with a session on another drill, or anew on the same: a new block, on the same green.
 *
 * @param rung from 0; null as the drill is drawn
 * @throws Problem as {@link startSession}, or when the session is finished
 */
export async function swapDrill(
  database: Database,
  principal: Principal,
  sessionId: string,
  { drillId, rung, planBlock }: { drillId: string; rung: number | null; planBlock?: string },
): Promise<void> {
  const session = await getSession(database, principal, sessionId);
  const { read } = layoutSchema.parse((await lastRun(database, principal, sessionId)).layout);
  const run = await plannedRun(
    database,
    principal,
    { studentId: session.studentId, drillId, ...(rung !== null && { rung }) },
    read && { greenId: read.greenId, spotId: read.spotId },
  );
  await database.change(principal, 'drill swapped', async (transaction) => {
    const last = await lastRun(database, principal, sessionId, transaction);
    await database.models.run.create(
      {
        ...run,
        id: v4(),
        sessionId,
        position: last.position + 1,
        block: last.block + 1,
        planBlock: planBlock ?? null,
      },
      { transaction },
    );
  });
}

/**
 * Moves a group on by one station: everyone takes the drill of the one before them in the order, the first that of the
 * last. A player who was on it before goes on with the rung they had come to.
 */
export async function rotateStations(
  database: Database,
  principal: Principal,
  sessionId: string,
): Promise<void> {
  const group = await getGroup(
    database,
    principal,
    await getSession(database, principal, sessionId),
  );
  const playing = group.filter(({ finishedAt, runs }) => !finishedAt && runs.length > 0);
  const drillOf = playing.map(({ runs }) => runs.at(-1)!.drillId);
  for (const [index, { id, runs }] of playing.entries()) {
    const drillId = drillOf[(index + drillOf.length - 1) % drillOf.length]!;
    const before = runs.findLast((run) => run.drillId === drillId);
    await swapDrill(database, principal, id, { drillId, rung: before?.rung ?? null });
  }
}

/**
 * Keeps what was measured of one element of a run once it stood; the run is scored on it, putts already logged too.
 *
 * @param measured metres by the name of the measure; an empty record goes back to the plan
 * @param off how far off what was not measured with a tape is, one standard deviation, m
 * @returns the layout as it now stands
 * @throws Problem when it cannot be played so
 */
export async function keepBuilt(
  database: Database,
  principal: Principal,
  runId: string,
  element: string,
  measured: Record<string, number>,
  off: Record<string, number> = {},
): Promise<Layout> {
  const { models } = database;
  const run = await models.run.findByPk(runId);
  const session =
    run &&
    (await models.session.findOne({
      where: scoped(principal, 'session', { id: run.sessionId }, 'change'),
    }));
  if (!run || !session) throw notFound('run');
  const built = asBuilt(layoutSchema.parse(run.layout), element, measured, off);
  if (!built.ok) {
    const { units } = (await getCoach(database, principal)).settings;
    throw new Problem('invalid', findingWords(built.finding, units));
  }
  await database.change(principal, 'layout measured', (transaction) =>
    run.update({ layout: built.layout }, { transaction }),
  );
  return built.layout;
}
