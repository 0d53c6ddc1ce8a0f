import type { Ended } from '@/core/drill';
import { gateFitWords, type GateFit } from './gate-fit';

/** What to do with a drill the next time. */
export interface NextStep {
  type: 'up' | 'down' | 'again' | 'other';
  /** Rung to begin on, from 0; null when the drill has none. */
  rung: number | null;
  why: string;
}

/**
 * What is proposed after a drill: a rung up, a rung down, the same again, or another drill.
 *
 * @param fit how it suited the player today
 * @param ended how its rule ended; null when it was broken off
 * @param rung played on last, from 0; null when on none
 * @param rungs of its ladder
 */
export function nextStep(
  fit: GateFit,
  ended: Ended | null,
  rung: number | null,
  rungs: number,
): NextStep {
  const why = gateFitWords(fit);
  if (fit.of === 0) return { type: 'again', rung, why: 'No putts counted yet.' };
  if (fit.verdict === 'too easy') {
    if (rung !== null && rung + 1 < rungs) return { type: 'up', rung: rung + 1, why: why! };
    return {
      type: 'other',
      rung: null,
      why: `${why!} ${rungs > 0 && rung !== null ? 'This is the top rung.' : 'Make it stricter or choose another drill.'}`,
    };
  }
  if (fit.verdict === 'too hard') {
    if (rung !== null && rung > 0) return { type: 'down', rung: rung - 1, why: why! };
    return { type: 'other', rung: null, why: `${why!} Try an easier drill first.` };
  }
  if (ended === 'done' && rung !== null && rung + 1 < rungs && fit.passed > 0.8 * fit.of) {
    return {
      type: 'up',
      rung: rung + 1,
      why: `Finished with ${fit.passed} of the last ${fit.of} passed: time for the next rung.`,
    };
  }
  return {
    type: 'again',
    rung,
    why:
      why ??
      `Passed ${fit.passed} of ${fit.of}: not enough data yet to say whether it is too hard or too easy.`,
  };
}
