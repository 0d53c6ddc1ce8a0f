import {
  layoutSchema,
  outcomesSchema,
  placeSchema,
  pointsSchema,
  type Ladder,
  type Layout,
  type PuttPlace,
} from '@/core/layout';
import {
  drillDetails,
  filledSchema,
  guessSchema,
  mannerSchema,
  ruleSchema,
  runMarkSchema,
  type Cap,
  type Course,
  type Manner,
  type Rule,
  type RunMark,
  type TimedPutt,
  withOwn,
} from '@/core/drill';
import { measuredSchema } from '@/core/quantity';
import type { LoggedRun, LoggedSession } from '@/core/scoring';
import { fromStored, optionalTime } from './columns';
import type { Database } from './database';
import { groupBy } from './group-by';
import { scoped, seesNotes, type CoachPrincipal, type Principal } from './principal';
import { notFound } from './problem';
import type { PuttRow, RunMarkRow, RunRow, SessionRow } from './models';

/** A putt as it is kept: all that can be known of it, and what became of it since. */
export interface Putt extends Required<TimedPutt> {
  id: string;
  note: string;
  /** It took place, but counts neither for the rule nor for a score. */
  leftOut: boolean;
  undoneAt: Date | null;
  /** Ids of the corrections it has had. */
  changes: string[];
}

export interface MarkOfRun {
  id: string;
  mark: RunMark;
  at: Date;
}

export interface Run {
  id: string;
  drillId: string;
  drillName: string;
  layout: Layout;
  /** Rung of the drill's ladder it was played on, from 0; null when on none. */
  rung: number | null;
  /** Runs of one going at a drill share a block: the rungs of a ladder, one after the other. */
  block: number;
  /** Before any warm-up. */
  cold: boolean;
  /** When it is done, and what ends it whatever happens. */
  rule: Rule;
  cap: Cap;
  ladder: Ladder;
  /** How each ball is struck, in turn, and whether the player chooses where from. */
  manners: Manner[];
  spots: Course['spots'];
  /** The block of a plan that it is; null outside of one. */
  planBlock: string | null;
  /** In the order in which they reached the server, undone ones too. */
  putts: Putt[];
  marks: MarkOfRun[];
}

export interface Session {
  id: string;
  studentId: string;
  startedAt: Date;
  finishedAt: Date | null;
  /** The coach's, in the coach's words. */
  note: string;
  /** Shared by the sessions of a group; null for one player alone. */
  groupId: string | null;
  /** The plan it follows, and the homework it is; null for neither. */
  planId: string | null;
  homeworkId: string | null;
  runs: Run[];
}

/** What is read of a putt's row. */
type PuttFields = Pick<PuttRow, 'id' | 'note' | 'leftOut' | 'at' | 'undoneAt'> &
  Record<'outcomes' | 'points' | 'guess' | 'place' | 'manner' | 'measured' | 'filled', unknown>;

/** A putt of which nothing tells where it was made. */
const NOWHERE: PuttPlace = { station: 0, again: 0, spot: null };

const toPutt = (row: PuttFields, changes: string[]): Putt => ({
  id: row.id,
  outcomes: outcomesSchema.parse(row.outcomes),
  points: pointsSchema.parse(row.points),
  guess: guessSchema.nullable().parse(row.guess ?? null),
  place: placeSchema.catch(NOWHERE).parse(row.place),
  manner: mannerSchema.catch('usual').parse(row.manner),
  measured: measuredSchema.catch({}).parse(row.measured ?? {}),
  filled: filledSchema.catch([]).parse(row.filled ?? []),
  note: row.note,
  leftOut: row.leftOut,
  at: row.at,
  undoneAt: row.undoneAt,
  changes,
});

const toMark = ({
  id,
  mark,
  at,
}: Pick<RunMarkRow, 'id' | 'at'> & { mark: unknown }): MarkOfRun => ({
  id,
  mark: runMarkSchema.parse(mark),
  at,
});

/** A putt as it is stored, with the ids of its corrections: for a statement that is written by hand. */
export type PuttStored = Record<'id' | 'outcomes' | 'points' | 'note' | 'at' | 'changes', string> &
  Record<'guess' | 'place' | 'manner' | 'measured' | 'filled' | 'undoneAt', string | null> & {
    leftOut: number;
  };

export const puttStored = (row: PuttStored): Putt =>
  toPutt(
    {
      ...row,
      outcomes: fromStored(row.outcomes),
      points: fromStored(row.points),
      guess: fromStored(row.guess),
      place: fromStored(row.place),
      measured: fromStored(row.measured),
      filled: fromStored(row.filled),
      leftOut: row.leftOut !== 0,
      at: new Date(row.at),
      undoneAt: optionalTime(row.undoneAt),
    },
    fromStored(row.changes) as string[],
  );

/** A mark of a run as it is stored. */
export type MarkStored = Record<'id' | 'mark' | 'at', string>;

export const markStored = ({ id, mark, at }: MarkStored): MarkOfRun =>
  toMark({ id, mark: fromStored(mark), at: new Date(at) });

/** Putts that count: neither taken back nor left out. */
export const counted = (putts: Putt[]): Putt[] =>
  putts.filter(({ undoneAt, leftOut }) => undoneAt === null && !leftOut);

/** The ids of the corrections that some putts have had, by putt. */
async function changesOf({ models }: Database, puttIds: string[]): Promise<Map<string, string[]>> {
  const rows = await models.puttChange.findAll({
    where: { puttId: puttIds },
    order: [['savedAt', 'ASC']],
  });
  const grouped = groupBy(rows, ({ puttId }) => puttId);
  return new Map([...grouped].map(([puttId, some]) => [puttId, some.map(({ id }) => id)]));
}

async function withRuns(
  database: Database,
  principal: Principal,
  rows: SessionRow[],
): Promise<Session[]> {
  const { models } = database;
  const runs = await models.run.findAll({
    where: { sessionId: rows.map(({ id }) => id) },
    order: [['position', 'ASC']],
  });
  const putts = await models.putt.findAll({
    where: { runId: runs.map(({ id }) => id) },
    order: [['position', 'ASC']],
  });
  const marks = await models.runMark.findAll({
    where: { runId: runs.map(({ id }) => id) },
    order: [['position', 'ASC']],
  });
  const changes = await changesOf(
    database,
    putts.map(({ id }) => id),
  );
  const versions = await models.drillVersion.findAll({
    where: { id: runs.map(({ drillVersionId }) => drillVersionId) },
  });
  const versionOf = new Map(
    versions.map(({ id, drillId, details }) => {
      const { rule, cap, ladder, manners, spots } = drillDetails.parse(details);
      return [id, { drillId, rule, cap, ladder, manners, spots }];
    }),
  );
  const puttsOf = groupBy(putts, ({ runId }) => runId);
  const marksOf = groupBy(marks, ({ runId }) => runId);
  const runsOf = groupBy(runs, ({ sessionId }) => sessionId);
  const toRun = (row: RunRow): Run => ({
    id: row.id,
    // Foreign keys hold the version of every run.
    ...versionOf.get(row.drillVersionId)!,
    ...(row.rule ? { rule: ruleSchema.parse(row.rule) } : {}),
    block: row.block,
    cold: row.cold,
    planBlock: row.planBlock,
    drillName: row.drillName,
    layout: layoutSchema.parse(row.layout),
    rung: row.rung ?? null,
    putts: (puttsOf.get(row.id) ?? []).map((putt) => toPutt(putt, changes.get(putt.id) ?? [])),
    marks: (marksOf.get(row.id) ?? []).map(toMark),
  });
  return rows.map((row) => ({
    id: row.id,
    studentId: row.studentId,
    startedAt: row.startedAt,
    finishedAt: row.finishedAt,
    note: seesNotes(principal) ? row.note : '',
    groupId: row.groupId,
    planId: row.planId,
    homeworkId: row.homeworkId,
    runs: (runsOf.get(row.id) ?? []).map(toRun),
  }));
}

/** A session that was finished with nothing in it is kept, for what may come in late, and not shown. */
export const SHOWN = { abandonedAt: null };

/** Sessions that a principal reaches, or those of one student, newest first. */
export async function listSessions(
  database: Database,
  principal: Principal,
  { studentId, open, limit }: { studentId?: string; open?: true; limit?: number } = {},
): Promise<Session[]> {
  const rows = await database.models.session.findAll({
    where: scoped(principal, 'session', {
      ...SHOWN,
      ...(studentId && { studentId }),
      ...(open && { finishedAt: null }),
    }),
    order: [['startedAt', 'DESC']],
    limit,
  });
  return withRuns(database, principal, rows);
}

/**
 * What a student's sessions stand at: the same text as long as nothing of them has changed, read without their putts. All that is
 * written of a run, its putts and its marks moves the run's revision on.
 */
export async function sessionsStand(
  { models }: Database,
  principal: Principal,
  studentId: string,
): Promise<string> {
  const rows = await models.session.findAll({
    where: scoped(principal, 'session', { ...SHOWN, studentId }),
    order: [['id', 'ASC']],
    raw: true,
  });
  const runs = await models.run.findAll({
    attributes: ['id', 'revision'],
    where: { sessionId: rows.map(({ id }) => id) },
    order: [['id', 'ASC']],
    raw: true,
  });
  return JSON.stringify([seesNotes(principal), rows, runs]);
}

/** Some sessions that a principal reaches, oldest first. */
export async function sessionsById(
  database: Database,
  principal: Principal,
  ids: readonly string[],
): Promise<Session[]> {
  const rows = await database.models.session.findAll({
    where: scoped(principal, 'session', { ...SHOWN, id: [...ids] }),
    order: [
      ['startedAt', 'ASC'],
      ['id', 'ASC'],
    ],
  });
  return withRuns(database, principal, rows);
}

/** The sessions of a group in its order, or the one session of a player alone. */
export async function getGroup(
  database: Database,
  principal: Principal,
  session: Session,
): Promise<Session[]> {
  if (!session.groupId) return [session];
  const rows = await database.models.session.findAll({
    where: scoped(principal, 'session', { ...SHOWN, groupId: session.groupId }),
    order: [['place', 'ASC']],
  });
  return withRuns(database, principal, rows);
}

/** When each student last came or practised, by student. */
export async function lastSessions(
  { models }: Database,
  principal: Principal,
): Promise<Map<string, Date>> {
  const sessions = await models.session.findAll({
    attributes: ['studentId', 'startedAt'],
    where: scoped(principal, 'session', SHOWN),
    order: [['startedAt', 'ASC']],
  });
  return new Map(sessions.map(({ studentId, startedAt }) => [studentId, startedAt]));
}

/** When each student was last tested cold, by student. */
export async function lastColdTests(
  { models }: Database,
  principal: Principal,
): Promise<Map<string, Date>> {
  const runs = await models.run.findAll({ attributes: ['sessionId'], where: { cold: true } });
  const sessions = await models.session.findAll({
    attributes: ['studentId', 'startedAt'],
    where: scoped(principal, 'session', {
      ...SHOWN,
      id: runs.map(({ sessionId }) => sessionId),
    }),
    order: [['startedAt', 'ASC']],
  });
  return new Map(sessions.map(({ studentId, startedAt }) => [studentId, startedAt]));
}

/** Keeps what the coach notes of a session. */
export async function noteSession(
  { models, change }: Database,
  principal: CoachPrincipal,
  id: string,
  note: string,
): Promise<void> {
  await change(principal, 'note changed', async (transaction) => {
    const row = seesNotes(principal)
      ? await models.session.findOne({
          where: scoped(principal, 'session', { id }, 'change'),
          transaction,
        })
      : null;
    if (!row) throw notFound('session');
    await row.update({ note }, { transaction });
  });
}

export async function getSession(
  database: Database,
  principal: Principal,
  id: string,
): Promise<Session> {
  const row = await database.models.session.findOne({
    where: scoped(principal, 'session', { id }),
  });
  const [session] = row ? await withRuns(database, principal, [row]) : [];
  if (!session) throw notFound('session');
  return session;
}

/**
 * Finishes a session; finishing it again changes nothing. One without any putt is shown no more, and kept: a device that has
 * no signal may still bring some.
 *
 * @returns whether there is anything in it
 */
export async function finishSession(
  database: Database,
  principal: Principal,
  id: string,
  finishedAt: Date,
): Promise<'kept' | 'empty'> {
  const { models, change } = database;
  return change(principal, 'session finished', async (transaction) => {
    const session = await models.session.findOne({
      where: scoped(principal, 'session', { id }, 'change'),
      transaction,
    });
    if (!session) throw notFound('session');
    const runs = await models.run.findAll({ where: { sessionId: id }, transaction });
    const putts = await models.putt.count({
      where: { runId: runs.map((run) => run.id) },
      transaction,
    });
    if (putts === 0) {
      if (!session.finishedAt) {
        await session.update({ finishedAt, abandonedAt: finishedAt }, { transaction });
      }
      return 'empty';
    }
    if (!session.finishedAt) await session.update({ finishedAt }, { transaction });
    return 'kept';
  });
}

/** Opens a finished session again. */
export async function reopenSession(
  { models, change }: Database,
  principal: Principal,
  id: string,
): Promise<void> {
  await change(principal, 'session reopened', async (transaction) => {
    const row = await models.session.findOne({
      where: scoped(principal, 'session', { id }, 'change'),
      transaction,
    });
    if (!row) throw notFound('session');
    await row.update({ finishedAt: null, abandonedAt: null }, { transaction });
  });
}

/**
 * Runs as scoring reads them: only the putts that count, and of a trial only those with the player's own set-up.
 *
 * @param options `others` takes those with the other set-up too
 */
export const toLoggedRuns = (
  runs: readonly Run[],
  { others = false }: { others?: boolean } = {},
): LoggedRun[] =>
  runs.map(({ layout, putts, rule }) => ({
    layout,
    putts: counted(putts)
      .filter((_, index) => others || withOwn(rule, index))
      .map(({ outcomes, points, place, manner, measured, filled }) => ({
        outcomes,
        points,
        place,
        manner,
        ...(Object.keys(measured).length > 0 && { measured, filled }),
      })),
  }));

/** A session as scoring reads it. */
export const toLogged = ({ id, startedAt, runs }: Session): LoggedSession => ({
  id,
  at: startedAt,
  runs: toLoggedRuns(runs),
});
