import { format } from 'date-fns';
import type { Transaction } from 'sequelize';
import {
  layoutSchema,
  outcomesProblem,
  outcomesSchema,
  type Ladder,
  type Layout,
  type Outcomes,
} from '@/core/layout';
import { drillDetails, type Cap, type Rule } from '@/core/drill';
import type { LoggedSession } from '@/core/scoring';
import type { Database } from './database';
import { Problem, notFound } from './problem';
import type { PuttRow, RunRow, SessionRow } from './models';

export interface Putt {
  id: string;
  outcomes: Outcomes;
  at: Date;
  undoneAt: Date | null;
}

export interface Run {
  id: string;
  drillId: string;
  drillName: string;
  layout: Layout;
  /** Rung of the drill's ladder it was played on, from 0; null when on none. */
  rung: number | null;
  /** When it is done, and what ends it whatever happens. */
  rule: Rule;
  cap: Cap;
  ladder: Ladder;
  /** In the order in which they reached the server, undone ones too. */
  putts: Putt[];
}

export interface Session {
  id: string;
  studentId: string;
  startedAt: Date;
  finishedAt: Date | null;
  runs: Run[];
}

/** What a screen sends: a putt, or the taking back of one. Both may be sent again without harm. */
export type PuttEvent =
  | { type: 'putt'; id: string; outcomes: Outcomes; at: Date }
  | { type: 'undo'; id: string; at: Date };

const toPutt = (row: PuttRow): Putt => ({
  id: row.id,
  outcomes: outcomesSchema.parse(row.outcomes),
  at: row.at,
  undoneAt: row.undoneAt,
});

/** Putts that count: those not taken back. */
export const counted = (putts: Putt[]): Putt[] => putts.filter(({ undoneAt }) => undoneAt === null);

async function withRuns({ models }: Database, rows: SessionRow[]): Promise<Session[]> {
  const runs = await models.run.findAll({
    where: { sessionId: rows.map(({ id }) => id) },
    order: [['position', 'ASC']],
  });
  const putts = await models.putt.findAll({
    where: { runId: runs.map(({ id }) => id) },
    order: [['position', 'ASC']],
  });
  const versions = await models.drillVersion.findAll({
    where: { id: runs.map(({ drillVersionId }) => drillVersionId) },
  });
  const versionOf = new Map(
    versions.map(({ id, drillId, details }) => {
      const { rule, cap, ladder } = drillDetails.parse(details);
      return [id, { drillId, rule, cap, ladder }];
    }),
  );
  const puttsOf = groupBy(putts, ({ runId }) => runId);
  const runsOf = groupBy(runs, ({ sessionId }) => sessionId);
  const toRun = (row: RunRow): Run => ({
    id: row.id,
    // Foreign keys hold the version of every run.
    ...versionOf.get(row.drillVersionId)!,
    drillName: row.drillName,
    layout: layoutSchema.parse(row.layout),
    rung: row.rung ?? null,
    putts: (puttsOf.get(row.id) ?? []).map(toPutt),
  });
  return rows.map((row) => ({
    id: row.id,
    studentId: row.studentId,
    startedAt: row.startedAt,
    finishedAt: row.finishedAt,
    runs: (runsOf.get(row.id) ?? []).map(toRun),
  }));
}

function groupBy<T>(items: T[], key: (item: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const item of items) {
    const group = groups.get(key(item));
    if (group) group.push(item);
    else groups.set(key(item), [item]);
  }
  return groups;
}

/** Sessions of a coach, or of one of their students, newest first. */
export async function listSessions(
  database: Database,
  owner: string,
  { studentId, limit }: { studentId?: string; limit?: number } = {},
): Promise<Session[]> {
  const rows = await database.models.session.findAll({
    where: { coachId: owner, ...(studentId && { studentId }) },
    order: [['startedAt', 'DESC']],
    limit,
  });
  return withRuns(database, rows);
}

export async function getSession(database: Database, owner: string, id: string): Promise<Session> {
  const row = await database.models.session.findOne({ where: { id, coachId: owner } });
  const [session] = row ? await withRuns(database, [row]) : [];
  if (!session) throw notFound('session');
  return session;
}

/**
 * Records what a screen sends, in order, all or nothing. Sending the same again changes nothing, even when the
 * session has been finished in between.
 *
 * @returns all putts of the run, in the order in which they reached the server
 * @throws Problem when the run is not this coach's, the session is finished, or an outcome cannot happen
 */
export async function recordPutts(
  database: Database,
  owner: string,
  runId: string,
  events: PuttEvent[],
  now: Date,
): Promise<Putt[]> {
  const { models, atomically } = database;
  return atomically(async (transaction) => {
    const run = await models.run.findByPk(runId, { transaction });
    const session =
      run &&
      (await models.session.findOne({ where: { id: run.sessionId, coachId: owner }, transaction }));
    if (!run || !session) throw notFound('run');
    const layout = layoutSchema.parse(run.layout);
    for (const event of events) {
      await recordOne(
        database,
        { runId, layout, finishedAt: session.finishedAt, now, transaction },
        event,
      );
    }
    const putts = await models.putt.findAll({
      where: { runId },
      order: [['position', 'ASC']],
      transaction,
    });
    return putts.map(toPutt);
  });
}

interface Recording {
  runId: string;
  layout: Layout;
  finishedAt: Date | null;
  now: Date;
  transaction: Transaction;
}

async function recordOne(
  { models }: Database,
  recording: Recording,
  event: PuttEvent,
): Promise<void> {
  const { runId, layout, finishedAt, now, transaction } = recording;
  const known = await models.putt.findByPk(event.id, { transaction });
  if (known && known.runId !== runId)
    throw new Problem('invalid', 'A putt with this id belongs to another run.');
  if (event.type === 'putt' ? known : known?.undoneAt) return;
  if (finishedAt) {
    throw new Problem(
      'finished',
      `This session was finished at ${format(finishedAt, 'HH:mm')}. Open it again to add to it.`,
    );
  }
  if (event.type === 'undo') {
    if (!known) throw new Problem('invalid', 'The putt to take back is not in this run.');
    await known.update({ undoneAt: now }, { transaction });
    return;
  }
  const wrong = outcomesProblem(layout, event.outcomes);
  if (wrong) throw new Problem('invalid', wrong);
  const position = 1 + (await models.putt.count({ where: { runId }, transaction }));
  await models.putt.create(
    { id: event.id, runId, position, outcomes: event.outcomes, at: event.at, savedAt: now },
    { transaction },
  );
}

/**
 * Finishes a session; finishing it again changes nothing. A session without any putt is not kept.
 *
 * @returns whether it was kept
 */
export async function finishSession(
  database: Database,
  owner: string,
  id: string,
  finishedAt: Date,
): Promise<'kept' | 'empty'> {
  const { models, atomically } = database;
  return atomically(async (transaction) => {
    const session = await models.session.findOne({ where: { id, coachId: owner }, transaction });
    if (!session) throw notFound('session');
    const runs = await models.run.findAll({ where: { sessionId: id }, transaction });
    const putts = await models.putt.count({
      where: { runId: runs.map((run) => run.id) },
      transaction,
    });
    if (putts === 0) {
      await session.destroy({ transaction });
      return 'empty';
    }
    if (!session.finishedAt) await session.update({ finishedAt }, { transaction });
    return 'kept';
  });
}

/** Whether the session of a run has been finished. */
export async function runFinished(
  { models }: Database,
  owner: string,
  runId: string,
): Promise<boolean> {
  const run = await models.run.findByPk(runId);
  const session =
    run && (await models.session.findOne({ where: { id: run.sessionId, coachId: owner } }));
  if (!session) throw notFound('run');
  return session.finishedAt !== null;
}

/** Opens a finished session again. */
export async function reopenSession(
  { models }: Database,
  owner: string,
  id: string,
): Promise<void> {
  const [changed] = await models.session.update(
    { finishedAt: null },
    { where: { id, coachId: owner } },
  );
  if (changed === 0) throw notFound('session');
}

/** A session as scoring reads it: only the putts that count. */
export const toLogged = ({ id, startedAt, runs }: Session): LoggedSession => ({
  id,
  at: startedAt,
  runs: runs.map(({ layout, putts }) => ({
    layout,
    putts: counted(putts).map(({ outcomes }) => outcomes),
  })),
});
