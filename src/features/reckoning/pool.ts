import 'server-only';
import { availableParallelism } from 'node:os';
import { Problem, beforeSwap, connection, type CoachPrincipal } from '@/data';
import { requestSignal } from '../shared/request-context';
import { standingAside } from './aside';
import { Crew } from './crew';
import { joining } from './joining';
import { Reckoner } from './reckoner';
import type { Order, Outcome } from './worker';
import type { Answered, Asked, WorkName } from './works';

/** How long work goes on that nobody waits for, ms: giving it up costs the process that does it. */
const GRACE = 4000;

/** Kept across the parts that the program is built of. */
const kept = globalThis as typeof globalThis & {
  dirigoCrew?: Crew<Reckoner>;
  dirigoAside?: ReturnType<typeof standingAside>;
  dirigoJoined?: ReturnType<typeof joining<Outcome>>;
};

/** The processes that reckon: as many as there are processors beside the one that answers. */
async function crew(): Promise<Crew<Reckoner>> {
  const { path } = await connection();
  const script = process.env.DIRIGO_RECKONER;
  if (!script) throw new RangeError('The server did not say where the calculation worker is.');
  kept.dirigoCrew ??= new Crew(
    Math.max(1, availableParallelism() - 1),
    () => new Reckoner(script, path),
  );
  return kept.dirigoCrew;
}

beforeSwap(async () => {
  const { dirigoCrew } = kept;
  kept.dirigoCrew = undefined;
  await dirigoCrew?.end();
});

/** How many computations run, or wait for their turn. */
export const computationsQueued = (): number => kept.dirigoCrew?.queueLength ?? 0;

/**
 * Begins an answer that is not to wait for what is reckoned: that stands still until it is given.
 *
 * @returns ends it
 */
export function beforeReckoning(): () => void {
  kept.dirigoAside ??= standingAside(
    () => kept.dirigoCrew?.still() ?? false,
    () => kept.dirigoCrew?.on(),
  );
  return kept.dirigoAside();
}

/**
 * Has something reckoned in a process of its own. Who asks the same meanwhile gets the same answer; what nobody waits for any
 * more is given up.
 *
 * @param name which
 * @param principal who asks, and sees what is theirs
 * @param asked with what
 * @throws Problem as the work does
 */
export async function reckon<Name extends WorkName>(
  name: Name,
  principal: CoachPrincipal,
  asked: Asked<Name>,
): Promise<Answered<Name>> {
  const database = await connection();
  kept.dirigoJoined ??= joining<Outcome>(GRACE);
  const { as, coachId } = principal;
  const order: Order = { name, principal, asked };
  const outcome = await kept.dirigoJoined(
    JSON.stringify([name, as, coachId, database.lineage, asked]),
    async (signal) => (await crew()).does<Outcome>(order, signal),
    requestSignal(),
  );
  if (outcome.ok) return outcome.value as Answered<Name>;
  if ('problem' in outcome) throw new Problem(outcome.problem.code, outcome.problem.message);
  if ('failed' in outcome) throw new Error(outcome.failed);
  throw await database.foundDamaged(outcome.damage);
}
