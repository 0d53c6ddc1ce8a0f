import { v4 } from 'uuid';
import { drillDetails } from '@/core/drill';
import {
  asBuilt,
  checkLayout,
  findingWords,
  fitted,
  layoutSchema,
  nearestRung,
  onReading,
  onRung,
  type Layout,
} from '@/core/layout';
import { fittingOf } from '@/core/people';
import { getCoach } from './coaches';
import type { Database } from './database';
import { getDrill, type Drill } from './drills';
import { latestRead, type GreenSpot } from './greens';
import { Problem, notFound } from './problem';
import { getStudent } from './students';

/**
 * Starts a session of one student on one drill, on the drill's newest layout fitted to the student; on a rung of its
 * ladder, and on a green with that green's latest reading in place of the drill's own speed and slope.
 *
 * @throws Problem when the layout cannot be built for this student, there or on that green
 */
export async function startSession(
  database: Database,
  owner: string,
  {
    studentId,
    drillId,
    startedAt,
    green,
    rung,
  }: { studentId: string; drillId: string; startedAt: Date; green?: GreenSpot; rung?: number },
  id = v4(),
): Promise<string> {
  const student = await getStudent(database, owner, studentId);
  const drill = await getDrill(database, owner, drillId);
  const begun =
    rung ??
    // A drill that climbs a ladder begins on a rung, so that its next one is known.
    (drill.details.rule.type === 'ladder'
      ? (nearestRung(drill.layout, drill.details.ladder) ?? undefined)
      : undefined);
  const asked = rungLayout(drill, begun);
  const own = fitted(asked, fittingOf(student));
  const layout = green ? await readLayout(database, owner, own, green) : own;
  const wrong = checkLayout(layout).find(({ severity }) => severity === 'error');
  if (wrong) {
    const { units } = (await getCoach(database, owner)).settings;
    throw new Problem(
      'invalid',
      `${drill.name} cannot be set up for ${student.name}: ${findingWords(wrong, units)}`,
    );
  }
  await database.atomically(async (transaction) => {
    await database.models.session.create(
      { id, coachId: owner, studentId, startedAt },
      { transaction },
    );
    await database.models.run.create(
      {
        id: v4(),
        sessionId: id,
        drillVersionId: drill.versionId,
        drillName: drill.name,
        layout,
        position: 1,
        rung: begun ?? null,
      },
      { transaction },
    );
  });
  return id;
}

function rungLayout({ name, layout, details }: Drill, rung: number | undefined): Layout {
  if (rung === undefined) return layout;
  const found = details.ladder[rung];
  if (!found) {
    throw new Problem(
      'invalid',
      `${name} has ${details.ladder.length} rungs: there is no rung ${rung + 1}.`,
    );
  }
  return onRung(layout, found);
}

async function readLayout(
  database: Database,
  owner: string,
  layout: Layout,
  green: GreenSpot,
): Promise<Layout> {
  const { read, current } = await latestRead(database, owner, green);
  try {
    return onReading(layout, read, current);
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    throw new Problem(
      'invalid',
      `${read.green} as it was read cannot hold this drill's pace: ${error.message}`,
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
  { models, atomically }: Database,
  owner: string,
  sessionId: string,
  rung: number,
): Promise<void> {
  await atomically(async (transaction) => {
    const session = await models.session.findOne({
      where: { id: sessionId, coachId: owner },
      transaction,
    });
    const last = await models.run.findOne({
      where: { sessionId },
      order: [['position', 'DESC']],
      transaction,
    });
    const version =
      last && (await models.drillVersion.findByPk(last.drillVersionId, { transaction }));
    if (!session || !last || !version) throw notFound('session');
    if (session.finishedAt) throw new Problem('finished', 'This session is finished.');
    const { ladder } = drillDetails.parse(version.details);
    const found = ladder[rung];
    if (!found) {
      throw new Problem(
        'invalid',
        `This drill has ${ladder.length} rungs: there is no rung ${rung + 1}.`,
      );
    }
    const { player, putt, read } = layoutSchema.parse(last.layout);
    const drawn = { ...layoutSchema.parse(version.layout), player, putt, ...(read && { read }) };
    await models.run.create(
      {
        id: v4(),
        sessionId,
        drillVersionId: version.id,
        drillName: last.drillName,
        layout: onRung(drawn, found),
        position: last.position + 1,
        rung,
      },
      { transaction },
    );
  });
}

/**
 * Keeps what was measured of one element of a run once it stood; the run is scored on it, putts already logged too.
 *
 * @param measured metres by the name of the measure; an empty record goes back to the plan
 * @returns the layout as it now stands
 * @throws Problem when it cannot be played so
 */
export async function keepBuilt(
  database: Database,
  owner: string,
  runId: string,
  element: string,
  measured: Record<string, number>,
): Promise<Layout> {
  const { models } = database;
  const run = await models.run.findByPk(runId);
  const session =
    run && (await models.session.findOne({ where: { id: run.sessionId, coachId: owner } }));
  if (!run || !session) throw notFound('run');
  const built = asBuilt(layoutSchema.parse(run.layout), element, measured);
  if (!built.ok) {
    const { units } = (await getCoach(database, owner)).settings;
    throw new Problem('invalid', findingWords(built.finding, units));
  }
  await run.update({ layout: built.layout });
  return built.layout;
}
