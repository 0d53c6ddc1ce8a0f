import { z } from 'zod';
import {
  outcomesSchema,
  pointsSchema,
  type Outcomes,
  type Points,
  type PuttPlace,
} from '@/core/layout';
import type { Manner } from './manner';

/** What was guessed of a putt before it was looked at. */
export const guessSchema = z.object({ outcomes: outcomesSchema, points: pointsSchema });
export type Guess = z.infer<typeof guessSchema>;

/** A putt as all of the program knows it; what is left out was not seen, or is as the drill stands. */
export interface Putt {
  /** What happened, element by element. */
  outcomes: Outcomes;
  /** Where it was pointed at. */
  points?: Points;
  /** What was guessed before looking. */
  guess?: Guess | null;
  /** Where it was made; at the layout's own ball mark when left out. */
  place?: PuttPlace;
  /** How it was struck; as usual when left out. */
  manner?: Manner;
}

/** A putt and when it was made. */
export interface TimedPutt extends Putt {
  at: Date;
}
