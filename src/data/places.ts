import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import { z } from 'zod';
import {
  blocksOf,
  drillDetails,
  guessSchema,
  libraryDrill,
  replay,
  ruleGround,
  ruleSchema,
  type Course,
} from '@/core/drill';
import { elementOf, layoutSchema, outcomesSchema, pointsSchema, type Layout } from '@/core/layout';
import { DEFAULT_OWN } from '@/core/units';
import { groupBy } from './group-by';

/** JSON as SQLite has it: text, or already read by the driver. */
const json = z.preprocess((value) => {
  if (typeof value !== 'string') return value;
  try {
    return JSON.parse(value) as unknown;
  } catch {
    return null;
  }
}, z.unknown());

const runRow = z.object({
  id: z.string(),
  sessionId: z.string(),
  layout: json,
  block: z.number(),
  rung: z.number().nullable(),
  cold: z.coerce.boolean(),
  rule: json,
  details: json,
  settings: json,
});
type RunRow = z.infer<typeof runRow>;

const puttRow = z.object({
  id: z.string(),
  runId: z.string(),
  outcomes: json,
  points: json,
  guess: json,
  at: z.coerce.date(),
  undoneAt: z.unknown(),
  leftOut: z.coerce.boolean(),
  known: z.coerce.boolean(),
});
type PuttRow = z.infer<typeof puttRow>;

interface Where {
  sequelize: Sequelize;
  transaction?: Transaction;
}

const select = async <Row>(
  { sequelize, transaction }: Where,
  row: z.ZodType<Row, unknown>,
  sql: string,
  replacements: Record<string, unknown> = {},
): Promise<Row[]> =>
  z.array(row).parse(
    await sequelize.query(sql, {
      type: QueryTypes.SELECT,
      transaction: transaction ?? null,
      replacements: { ...replacements },
    }),
  );

/** How long the coach's own putter is, from their settings, m. */
const farther = z
  .object({ units: z.object({ own: z.object({ putter: z.number() }) }) })
  .transform(({ units }) => units.own.putter)
  .catch(DEFAULT_OWN.putter);

function courseOf({ details, rule, settings, cold }: RunRow): Course & { rungs: number } {
  const drill = drillDetails.parse(details);
  return {
    rule: rule ? ruleSchema.parse(rule) : drill.rule,
    // A cold test is putted as usual, whatever the drill asks for.
    manners: cold ? [] : drill.manners,
    spots: drill.spots,
    farther: farther.parse(settings),
    rungs: drill.ladder.length,
  };
}

/**
 * Gives putts that have none their place and their manner, by playing the rules of their drills again; a run whose layout
 * or rule can no longer be read keeps its putts without, and they say nothing of the player.
 *
 * @param sequelize the database
 * @param transaction that all of it belongs to
 * @param sessionIds only of these sessions; all of them when left out
 */
export async function fillPlaces(
  sequelize: Sequelize,
  transaction?: Transaction,
  sessionIds?: readonly string[],
): Promise<void> {
  const where: Where = { sequelize, transaction };
  const only = sessionIds ? 'AND run.sessionId IN (:sessionIds)' : '';
  const runs = await select(
    where,
    runRow,
    `SELECT run.id, run.sessionId, run.layout, run.block, run.rung, run.cold, run.rule,
            drillVersion.details, coach.settings
       FROM run JOIN drillVersion ON drillVersion.id = run.drillVersionId
                JOIN session ON session.id = run.sessionId
                JOIN coach ON coach.id = session.coachId
      WHERE EXISTS (SELECT 1 FROM putt WHERE putt.runId = run.id) ${only}
      ORDER BY run.sessionId, run.position`,
    { sessionIds: sessionIds ?? [] },
  );
  const sessions = groupBy(runs, ({ sessionId }) => sessionId);
  for (const [sessionId, own] of sessions) {
    const putts = await select(
      where,
      puttRow,
      `SELECT putt.id, runId, outcomes, points, guess, at, undoneAt, leftOut,
              place IS NOT NULL AS known
         FROM putt JOIN run ON run.id = putt.runId
        WHERE run.sessionId = :sessionId ORDER BY putt.position`,
      { sessionId },
    );
    if (putts.every(({ known }) => known)) continue;
    for (const block of blocksOf(own)) await fillBlock(where, block, putts);
  }
}

/** Runs of one going at a drill, played again from its first putt. */
async function fillBlock(where: Where, block: RunRow[], putts: PuttRow[]): Promise<void> {
  const first = block[0]!;
  const read = block.flatMap((run) => {
    const layout = layoutSchema.safeParse(run.layout);
    const rows = putts.filter(({ runId }) => runId === run.id);
    return layout.success ? [{ layout: layout.data, rows }] : [];
  });
  if (read.length < block.length) return;
  const course = courseOf(first);
  const { made } = replay(
    course,
    ruleGround(read[0]!.layout, course.rungs, first.rung),
    read.map(({ layout, rows }) => ({
      layout,
      putts: rows.map(({ outcomes, points, guess, at, undoneAt, leftOut }) => ({
        outcomes: outcomesSchema.catch({}).parse(outcomes),
        points: pointsSchema.catch({}).parse(points),
        guess: guessSchema.nullable().catch(null).parse(guess),
        at,
        passedOver: leftOut || undoneAt !== null,
      })),
    })),
  );
  for (const [index, { rows }] of read.entries()) {
    for (const [number, row] of rows.entries()) {
      if (row.known) continue;
      const { place, manner } = made[index]![number]!;
      await where.sequelize.query(
        'UPDATE putt SET place = :place, manner = COALESCE(manner, :manner) WHERE id = :id',
        {
          transaction: where.transaction,
          replacements: { place: JSON.stringify(place), manner, id: row.id },
        },
      );
    }
  }
}

/** The same layout with as many balls from each station as the built-in drill says. */
function withBalls(layout: unknown, built: Layout): unknown {
  const stationsIn = ({ elements }: Layout) =>
    elements.find(({ kind, params }) => elementOf(kind).stations?.(params));
  const stations = stationsIn(built);
  const read = layoutSchema.safeParse(layout);
  if (!read.success || !stations) return layout;
  const { balls } = elementOf(stations.kind).stations!(stations.params);
  const own = stationsIn(read.data);
  return {
    ...read.data,
    elements: read.data.elements.map((piece) =>
      piece === own ? { ...piece, params: { ...piece.params, balls } } : piece,
    ),
  };
}

/**
 * Tells drills that were taken from the library before it said how each ball is struck, and from where, what it says now.
 *
 * @param sequelize the database
 * @param transaction that all of it belongs to
 */
export async function tellManners(sequelize: Sequelize, transaction: Transaction): Promise<void> {
  const where: Where = { sequelize, transaction };
  const versions = await select(
    where,
    z.object({ id: z.string(), origin: z.string(), layout: json, details: json }),
    `SELECT drillVersion.id, drill.origin, drillVersion.layout, drillVersion.details
       FROM drillVersion JOIN drill ON drill.id = drillVersion.drillId
      WHERE drill.origin IS NOT NULL`,
  );
  for (const { id, origin, layout, details } of versions) {
    const drill = libraryDrill(origin);
    if (!drill || typeof details !== 'object') continue;
    const { manners, spots } = drill;
    const told = { ...details, manners, spots };
    await sequelize.query(
      'UPDATE drillVersion SET details = :details, layout = :layout WHERE id = :id',
      {
        transaction,
        replacements: {
          id,
          details: JSON.stringify(told),
          layout: JSON.stringify(withBalls(layout, drill.layout)),
        },
      },
    );
    const runs = await select(
      where,
      z.object({ id: z.string(), layout: json }),
      'SELECT id, layout FROM run WHERE drillVersionId = :id',
      { id },
    );
    for (const run of runs) {
      await sequelize.query('UPDATE run SET layout = :layout WHERE id = :id', {
        transaction,
        replacements: {
          id: run.id,
          layout: JSON.stringify(withBalls(run.layout, drill.layout)),
        },
      });
    }
  }
}
