import { aimFor, type Aim } from './aim';
import { rollPutt, type PuttOutcome } from './outcome';
import type { Putt } from './putt';

/** What a wrong green speed does to a putt. */
export interface OtherGreen {
  greenSpeed: number;
  /** What became of the putt that was aimed and struck for the speed believed. */
  outcome: PuttOutcome;
  /** How far past the hole it came to rest along the line, m; below 0 short, null when it fell or ran away. */
  past: number | null;
  /** The start that this green would have asked for, or null when its slope cannot hold the pace. */
  needed: Aim | null;
}

/**
 * Rolls a putt that was made for one green speed on a green of another: how much a wrong speed matters.
 *
 * @param putt with the green speed that was believed
 * @param greenSpeed the one that was true, 1.2 to 5 m
 * @throws RangeError when a green speed is outside its range or the putt as believed has no aim
 */
export function onOtherGreen(putt: Putt, greenSpeed: number): OtherGreen {
  const { startSpeed, direction } = aimFor(putt);
  const there = { ...putt, greenSpeed };
  const outcome = rollPutt(there, startSpeed, direction);
  const rested = outcome.result === 'short' || outcome.result === 'past' ? outcome.rest : null;
  return {
    greenSpeed,
    outcome,
    past: rested && rested.along - putt.distance,
    needed: aimOrNull(there),
  };
}

function aimOrNull(putt: Putt): Aim | null {
  try {
    return aimFor(putt);
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}
