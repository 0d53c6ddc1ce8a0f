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
  if (fit.of === 0) return { type: 'again', rung, why: 'Nothing was counted yet.' };
  if (fit.verdict === 'too easy') {
    if (rung !== null && rung + 1 < rungs) return { type: 'up', rung: rung + 1, why: why! };
    return {
      type: 'other',
      rung: null,
      why: `${why!} ${rungs > 0 && rung !== null ? 'It is the top of its ladder.' : 'Make it stricter, or take another drill.'}`,
    };
  }
  if (fit.verdict === 'too hard') {
    if (rung !== null && rung > 0) return { type: 'down', rung: rung - 1, why: why! };
    return { type: 'other', rung: null, why: `${why!} Take a roomier one first.` };
  }
  if (ended === 'done' && rung !== null && rung + 1 < rungs && fit.passed > 0.8 * fit.of) {
    return {
      type: 'up',
      rung: rung + 1,
      why: `It was finished, ${fit.passed} of the last ${fit.of} passed: the next rung is near.`,
    };
  }
  return {
    type: 'again',
    rung,
    why:
      why ?? `${fit.passed} of ${fit.of} passed: too few to say that it is too hard or too easy.`,
  };
}
