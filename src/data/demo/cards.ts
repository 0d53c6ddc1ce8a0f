import { emptyCard, type Card } from '@/core/setup';
import { chance } from '@/core/simulate';
import { DEGREE, INCH } from '@/core/units';
import type { Database } from '../database';
import type { CoachPrincipal } from '../principal';
import { addPutter, listPutters } from '../putters';
import { idsOf } from './ids';

/** What the coach saw of her students, from which visit on, from 0; and how Ivo came to a second putter. */
const SEEN: Record<string, [visit: number, card: Partial<Card>][]> = {
  'Oona Brandt': [
    [
      0,
      {
        grip: 'reverse overlap',
        pressure: 6,
        stance: 0.28,
        ball: 0.03,
        eyes: 0.01,
        leadFoot: 50,
        posture: 'tall',
        moves: 'shoulders',
        gaze: 'still',
        sole: 'flat',
      },
    ],
    [7, { grip: 'lead low', pressure: 4 }],
  ],
  'Ivo Castellane': [
    [
      0,
      {
        grip: 'claw',
        pressure: 3,
        stance: 0.34,
        ball: 0.035,
        eyes: -0.02,
        leadFoot: 55,
        posture: 'tall',
        moves: 'shoulders',
        gaze: 'still',
        sole: 'toe',
      },
    ],
  ],
};

/** Writes down the set-up cards of the demo, as the coach filled them in, and the putter that is tried. */
export async function addDemoCards(
  database: Database,
  principal: CoachPrincipal,
  students: ReadonlyMap<string, string>,
  seed: number,
): Promise<void> {
  const { models } = database;
  // Chance of its own: what was there before keeps its numbers.
  const id = idsOf(chance(seed + 1));
  for (const [name, seen] of Object.entries(SEEN)) {
    const studentId = students.get(name)!;
    const [own] = await listPutters(database, principal, studentId);
    const sessions = await models.session.findAll({
      where: { studentId },
      order: [['startedAt', 'ASC']],
    });
    let card: Card = { ...emptyCard(), putter: { id: own!.id, name: own!.name } };
    for (const [visit, { id: sessionId, startedAt }] of sessions.entries()) {
      const now = seen.find(([from]) => from === visit);
      if (now) card = { ...card, ...now[1] };
      const run = await models.run.findOne({ where: { sessionId, position: 1 } });
      if (!run) continue;
      await database.change(principal, 'set-up checked', (transaction) =>
        models.runMark.create(
          {
            id: id(),
            runId: run.id,
            position: 1,
            mark: { type: 'card', card },
            at: startedAt,
            savedAt: startedAt,
          },
          { transaction },
        ),
      );
    }
  }
  await addPutter(
    database,
    principal,
    students.get('Ivo Castellane')!,
    {
      name: 'Short blade',
      headLength: 0.112,
      headDepth: 0.024,
      lieAngle: 71 * DEGREE,
      length: 33 * INCH,
      loft: 3 * DEGREE,
      shape: 'blade',
      mass: 0.345,
      inertia: null,
      grip: 'thin, pistol',
    },
    id(),
  );
}
