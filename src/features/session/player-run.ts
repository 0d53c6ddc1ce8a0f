import 'server-only';
import { blocksOf } from '@/core/drill';
import { nearestRung } from '@/core/layout';
import { nextBlock } from '@/core/planning';
import type { UnitPreferences } from '@/core/units';
import {
  counted,
  getDrill,
  getPlan,
  getStudent,
  type Database,
  type Session,
  type Principal,
} from '@/data';
import { rungWords } from '../drills/rung-words';
import { knownCard } from '../setup/known-card';
import type { PlayerRun } from './play';
import { toWire } from './to-wire';

/** A session as the logging screen takes it: on the last run, with those before it of the same going at the drill. */
export async function playerRun(
  database: Database,
  principal: Principal,
  session: Session,
  units: UnitPreferences,
): Promise<PlayerRun> {
  const block = blocksOf(session.runs).at(-1)!;
  const run = block.at(-1)!;
  const { id, name } = await getStudent(database, principal, session.studentId);
  const known = await knownCard(database, principal, id);
  return {
    sessionId: session.id,
    runId: run.id,
    student: { id, name },
    drillId: run.drillId,
    drillName: run.drillName,
    layout: run.layout,
    run: toWire(run),
    rule: run.rule,
    cap: run.cap,
    manners: run.cold ? [] : run.manners,
    spots: run.spots,
    farther: units.own.putter,
    cold: run.cold,
    ladder: run.ladder.map((rung) => rungWords(rung, units)),
    rung: run.rung,
    begunOn: block[0]!.rung,
    nearest: run.rung ?? nearestRung(run.layout, run.ladder),
    card: {
      last: known.card,
      today: known.card !== null && new Date(known.card.at) >= session.startedAt,
      putters: known.putters,
    },
    plan: await planOf(database, principal, session),
    earlier: block.slice(0, -1).map(({ layout, putts, marks }) => ({
      layout,
      putts: counted(putts).map(({ outcomes, points, guess, place, manner, at }) => ({
        outcomes,
        points,
        guess,
        place,
        manner,
        at,
      })),
      marks: marks.map(({ mark, at }) => ({ mark, at })),
    })),
  };
}

/** Where a session stands in the plan it follows; null where it follows none. */
export async function planOf(
  database: Database,
  principal: Principal,
  { planId, runs }: Pick<Session, 'planId' | 'runs'>,
): Promise<PlayerRun['plan']> {
  if (!planId) return null;
  const { blocks } = await getPlan(database, principal, planId);
  const played = runs.map(({ planBlock }) => planBlock);
  const index = blocks.findLastIndex(({ id }) => played.includes(id));
  if (index === -1) return null;
  const next = nextBlock(blocks, played);
  const name = next && (await getDrill(database, principal, next.drillId)).name;
  return { index, count: blocks.length, next: name };
}
