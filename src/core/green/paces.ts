import { PAST_RANGE } from './constants';

/** A school of pace: how far past the hole a putt is meant to run were there no hole. */
export interface Pace {
  id: string;
  /** Words for a coach. */
  name: string;
  /** Run past the hole for a putt of this length, m. */
  past(distance: number): number;
}

/**
 * The schools of pace. The middle of "0 to 15 cm", 45 cm, twice that for "firm to the back of the cup", and a tenth of
 * the length for long putts.
 */
export const PACES = [
  { id: 'dies', name: 'dies at the hole', past: () => 0.08 },
  { id: 'rolls', name: 'rolls past', past: () => 0.45 },
  { id: 'firm', name: 'firm, back of the cup', past: () => 0.9 },
  {
    id: 'tenth',
    name: 'past by a tenth of the putt',
    past: (distance: number) => Math.min(distance / 10, PAST_RANGE.max),
  },
] as const satisfies Pace[];

export type PaceId = (typeof PACES)[number]['id'];

/**
 * The school that a putt's pace follows.
 *
 * @param past run past the hole, m
 * @param distance of the putt, m
 * @returns its id, or null for a pace of the coach's own
 */
export const paceOf = (past: number, distance: number): PaceId | null =>
  PACES.find((pace) => Math.abs(pace.past(distance) - past) < 5e-4)?.id ?? null;
