/** Workers that the browser tests have; each has a server and a database of its own. */
export const WORKERS = 2;

/** The port of a worker's server. */
export const portOf = (worker: number): number => 3417 + worker;
