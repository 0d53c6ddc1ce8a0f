import { addDays, addMinutes } from 'date-fns';
import type { Rule } from '@/core/drill';
import { checkLayout, type Layout } from '@/core/layout';
import type { Database } from './database';
import { scoped, seesNotes, type Principal } from './principal';
import { Problem, notFound } from './problem';
import { CLOCK } from './recording';

/** A run of a session that was begun on a device, as it was putted there. */
export interface BegunRun {
  id: string;
  drillId: string;
  /** The drill's version, as the device knew it; the newest when left out. */
  versionId?: string;
  drillName: string;
  layout: Layout;
  rung: number | null;
  block: number;
  cold: boolean;
  rule: Rule | null;
}

/** A session that was begun on a device with no server, without its putts. */
export interface Begun {
  id: string;
  studentId: string;
  groupId: string | null;
  place: number;
  homeworkId: string | null;
  startedAt: Date;
  note: string;
  /** The server's note when the device last knew it. */
  noteWas: string;
  runs: BegunRun[];
}

/** What became of it: the note as it stands, and whether it was written differently here meanwhile. */
export interface BegunKept {
  note: string;
  conflict: boolean;
}

/** How long a device may have been away, days. */
const AWAY = 60;

/** The version of a drill that a run was putted on, when the drill may be seen. */
async function versionOf(
  { models }: Database,
  principal: Principal,
  { drillId, versionId, drillName }: BegunRun,
): Promise<string> {
  const reached = await models.drill.count({ where: scoped(principal, 'drill', { id: drillId }) });
  const version =
    reached > 0 &&
    ((versionId && (await models.drillVersion.findOne({ where: { id: versionId, drillId } }))) ||
      (await models.drillVersion.findOne({ where: { drillId }, order: [['number', 'DESC']] })));
  if (!version) {
    throw new Problem(
      'not-found',
      `The drill ${drillName} no longer exists or is no longer yours.`,
    );
  }
  return version.id;
}

/** Whether a principal may begin a session of a student. */
async function checkStudent(
  { models }: Database,
  principal: Principal,
  { studentId, homeworkId }: Begun,
): Promise<void> {
  const where = scoped(principal, 'student', { id: studentId });
  const reached = await models.student.count({ where });
  const given =
    principal.as !== 'student' ||
    (homeworkId &&
      (await models.homework.count({
        where: scoped(principal, 'homework', { id: homeworkId }),
      })) > 0);
  if (reached === 0 || !given) {
    throw new Problem(
      'not-found',
      'The student no longer exists or is no longer yours, so these putts cannot be saved.',
    );
  }
}

/**
 * Keeps a session that was begun on a device with no server, as far as it goes: sent again with more, what is new is added. What
 * somebody else did meanwhile stays: their runs come before, and a note that both have written is told and not changed.
 *
 * @param now by which the device's clock is judged
 * @throws Problem when the student or a drill is no longer the principal's to use
 */
export async function keepBegun(
  database: Database,
  principal: Principal,
  begun: Begun,
  now: Date,
): Promise<BegunKept> {
  const { models } = database;
  await checkStudent(database, principal, begun);
  const versions: string[] = [];
  for (const run of begun.runs) {
    const wrong = checkLayout(run.layout).find(({ severity }) => severity === 'error');
    if (wrong)
      throw new Problem(
        'invalid',
        `${run.drillName} cannot be set up with the layout that was sent.`,
      );
    versions.push(await versionOf(database, principal, run));
  }
  const { id, studentId, groupId, place, homeworkId, noteWas } = begun;
  const { startedAt: told } = begun;
  const sane = told >= addDays(now, -AWAY) && told <= addMinutes(now, CLOCK);
  return database.change(principal, 'session started offline', async (transaction) => {
    const known = await models.session.findByPk(id, { transaction });
    if (known) {
      const own = await models.session.count({
        where: scoped(principal, 'session', { id, studentId }, 'change'),
        transaction,
      });
      if (own === 0) throw notFound('session');
    }
    const session =
      known ??
      (await models.session.create(
        {
          ...{ id, studentId, groupId, place, homeworkId, coachId: principal.coachId },
          startedAt: sane ? told : now,
        },
        { transaction },
      ));
    const there = await models.run.findAll({ where: { sessionId: id }, transaction });
    const blockOf = new Map(there.map((run) => [run.id, run.block]));
    let last = Math.max(0, ...there.map(({ position }) => position));
    for (const [index, run] of begun.runs.entries()) {
      if (blockOf.has(run.id)) continue;
      if (await models.run.findByPk(run.id, { transaction })) throw notFound('run');
      const before = begun.runs[index - 1];
      const goesOn = before?.block === run.block ? blockOf.get(before.id) : undefined;
      const block = goesOn ?? 1 + Math.max(0, ...blockOf.values());
      await models.run.create(
        {
          ...{ id: run.id, sessionId: id, drillVersionId: versions[index]! },
          ...{ drillName: run.drillName, layout: run.layout, rung: run.rung },
          ...{ cold: run.cold, rule: run.rule, block, position: ++last },
        },
        { transaction },
      );
      blockOf.set(run.id, block);
    }
    if (!seesNotes(principal) || begun.note === session.note || begun.note === noteWas) {
      return { note: session.note, conflict: false };
    }
    if (session.note !== '' && session.note !== noteWas) {
      return { note: session.note, conflict: true };
    }
    await session.update({ note: begun.note }, { transaction });
    return { note: begun.note, conflict: false };
  });
}
