import 'server-only';
import type { AsyncLocalStorage } from 'node:async_hooks';
import { availableParallelism } from 'node:os';
import { Piscina } from 'piscina';
import { Problem, beforeSwap, connection, type CoachPrincipal } from '@/data';
import { joining } from './joining';
import type { Order, Outcome } from './worker';
import type { Answered, Asked, WorkName } from './works';

/** How long work goes on that nobody waits for, ms: giving it up costs the thread that does it. */
const GRACE = 4000;

/** Kept across the parts that the program is built of. */
const kept = globalThis as typeof globalThis & {
  dirigoPool?: Piscina<Order, Outcome>;
  /** Set by the server: whose request is being answered, and whether they still wait. */
  dirigoAsking?: AsyncLocalStorage<AbortSignal>;
  dirigoJoined?: ReturnType<typeof joining<Outcome>>;
};

/** The threads that reckon: as many as there are processors beside the one that answers. */
async function pool(): Promise<Piscina<Order, Outcome>> {
  const { path } = await connection();
  const filename = process.env.DIRIGO_RECKONER;
  if (!filename) throw new RangeError('The server says where the part that reckons lies.');
  kept.dirigoPool ??= new Piscina<Order, Outcome>({
    filename,
    minThreads: 1,
    maxThreads: Math.max(1, availableParallelism() - 1),
    // Whoever reckons steps back for whoever answers, where there are no more processors than that.
    niceIncrement: 10,
    workerData: { file: path },
  });
  return kept.dirigoPool;
}

beforeSwap(async () => {
  const { dirigoPool } = kept;
  kept.dirigoPool = undefined;
  await dirigoPool?.destroy();
});

/**
 * Has something reckoned in a thread of its own. Who asks the same meanwhile gets the same answer; what nobody waits for any
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
  const outcome = await kept.dirigoJoined(
    JSON.stringify([name, as, coachId, database.lineage, asked]),
    async (signal) => (await pool()).run({ name, principal, asked }, { signal }),
    kept.dirigoAsking?.getStore(),
  );
  if (outcome.ok) return outcome.value as Answered<Name>;
  if ('problem' in outcome) throw new Problem(outcome.problem.code, outcome.problem.message);
  throw await database.foundDamaged(outcome.damage);
}
