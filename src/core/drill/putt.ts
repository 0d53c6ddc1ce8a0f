import type { MeasuredValues } from '@/core/quantity';
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

/** Elements at which nobody looked: what happened there follows from what was measured. */
export const filledSchema = z.array(z.string().max(60)).max(40);

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
  /** What instruments read of it. */
  measured?: MeasuredValues;
  /** Elements at which nobody looked: what happened there was found from what was measured. */
  filled?: readonly string[];
}

/** A putt and when it was made. */
export interface TimedPutt extends Putt {
  at: Date;
}
