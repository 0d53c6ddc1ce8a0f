import { expose } from 'comlink';
import { expectedPutts, makeMap } from '@/core/green';

/** Heavy reckoning on a green, off the main thread. */
const work = { makeMap, expectedPutts };

export type GreenWork = typeof work;

expose(work);
