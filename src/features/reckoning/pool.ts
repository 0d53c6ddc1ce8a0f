import 'server-only';
import type { AsyncLocalStorage } from 'node:async_hooks';
import { availableParallelism } from 'node:os';
import { setTimeout } from 'node:timers/promises';
import { Piscina } from 'piscina';
import { Problem, beforeSwap, connection, type CoachPrincipal } from '@/data';
import { close, newGate } from './gate';
import { joining } from './joining';
import type { Order, Outcome } from './worker';
import type { Answered, Asked, WorkName } from './works';

/** How long work goes on that nobody waits for, ms: giving it up costs the thread that does it. */
const GRACE = 4000;

/** Kept across the parts that the program is built of. */
const kept = globalThis as typeof globalThis & {
  dirigoPool?: Piscina<Order, Outcome>;
  /** Of what is being reckoned. */
  dirigoGates?: Set<Int32Array>;
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
    // What is reckoned with is soon thrown away: with more room it is cleared less often, which is a fifth of the work.
    resourceLimits: { maxYoungGenerationSizeMb: 128 },
    workerData: { file: path },
  });
  return kept.dirigoPool;
}

/** From one try to end a thread to the next, ms. */
const AGAIN = 2;

/** Waits until a work reads nothing, and bars it from reading any more; or until it is done. */
async function closed(gate: Int32Array): Promise<void> {
  while (kept.dirigoGates?.has(gate) && !close(gate)) await setTimeout(AGAIN);
}

beforeSwap(async () => {
  const { dirigoPool, dirigoGates } = kept;
  kept.dirigoPool = undefined;
  await Promise.all([...(dirigoGates ?? [])].map(closed));
  await dirigoPool?.destroy();
});

/** Has an order done. Who no longer wants it ends the thread, as soon as that reads nothing. */
async function ordered(order: Omit<Order, 'gate'>, signal: AbortSignal): Promise<Outcome> {
  const gate = newGate();
  const gates = (kept.dirigoGates ??= new Set());
  gates.add(gate);
  const end = new AbortController();
  signal.addEventListener('abort', () => void closed(gate).then(() => end.abort()), { once: true });
  try {
    return await (await pool()).run({ ...order, gate }, { signal: end.signal });
  } finally {
    gates.delete(gate);
  }
}

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
    (signal) => ordered({ name, principal, asked }, signal),
    kept.dirigoAsking?.getStore(),
  );
  if (outcome.ok) return outcome.value as Answered<Name>;
  if ('problem' in outcome) throw new Problem(outcome.problem.code, outcome.problem.message);
  throw await database.foundDamaged(outcome.damage);
}
