import { ruleTraits, type DrillDetails } from '@/core/drill';
import { isTrained, quantityOf } from '@/core/quantity';

/** The order of a good hour: cold first, if at all; then from the parts to the whole, and last with a cost. */
export const PHASES = ['test', 'technique', 'reading', 'pace', 'together', 'pressure'] as const;
export type Phase = (typeof PHASES)[number];

export const PHASE_WORDS: Record<Phase, string> = {
  test: 'cold test',
  technique: 'technique',
  reading: 'reading and targeting',
  pace: 'pace',
  together: 'combined skills',
  pressure: 'pressure',
};

/**
 * Where in an hour a drill belongs, by what it trains.
 *
 * @param drill its skills and its rule
 */
export function phaseOf({ skills, rule }: Pick<DrillDetails, 'skills' | 'rule'>): Phase {
  if (ruleTraits(rule).cold) return 'test';
  if (skills.includes('pressure')) return 'pressure';
  if (skills.includes('reading')) return 'reading';
  const phases = skills.filter(isTrained).map((skill) => quantityOf(skill).trained!.phase);
  const parts = phases.filter((phase) => phase === 'technique').length;
  if (phases.includes('pace')) return parts > 0 ? 'together' : 'pace';
  return parts > 2 ? 'together' : 'technique';
}

/** Whether phases follow each other as they should. */
export const inOrder = (phases: readonly Phase[]): boolean =>
  phases.every((phase, i) => i === 0 || PHASES.indexOf(phases[i - 1]!) <= PHASES.indexOf(phase));
