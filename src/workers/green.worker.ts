import { expose } from 'comlink';
import { expectedPutts, makeMap, makeProbability } from '@/core/green';

/** Heavy reckoning on a green, off the main thread. */
const work = { makeMap, makeProbability, expectedPutts };

export type GreenWork = typeof work;

expose(work);
