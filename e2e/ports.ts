import { availableParallelism } from 'node:os';

/** Workers that the browser tests have, as many as there are processors; each has a server and a database of its own. */
export const WORKERS = Math.min(4, Math.max(2, availableParallelism()));

/** The port of a worker's server. */
export const portOf = (worker: number): number => 3417 + worker;

/** Who needs servers of their own. Files of tests run beside each other: no two may share a port. */
const OWN = [
  ...['borders', 'kept', 'never lost', 'offline', 'phone', 'in front of phone', 'planning'],
  ...['signing in', 'screenshots', 'load', 'kills', 'beside', 'faults', 'soak', 'in the hand'],
  ...['a whole book', 'stranded', 'stopping'],
] as const;

/**
 * The port of a server that a test or a script starts by itself.
 *
 * @param who starts it, one server at a time
 */
export const ownPort = (who: (typeof OWN)[number]): number => 3430 + OWN.indexOf(who);
