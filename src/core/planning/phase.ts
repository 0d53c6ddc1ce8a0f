import type { DrillDetails } from '@/core/drill';

/** The order of a good hour: cold first, if at all; then from the parts to the whole, and last with a cost. */
export const PHASES = ['test', 'technique', 'reading', 'pace', 'together', 'pressure'] as const;
export type Phase = (typeof PHASES)[number];

export const PHASE_WORDS: Record<Phase, string> = {
  test: 'cold test',
  technique: 'technique',
  reading: 'reading and targeting',
  pace: 'pace',
  together: 'all at once',
  pressure: 'pressure',
};

const TECHNIQUE = ['start', 'face', 'strike', 'path'] as const;

/**
 * Where in an hour a drill belongs, by what it trains.
 *
 * @param drill its skills and its rule
 */
export function phaseOf({ skills, rule }: Pick<DrillDetails, 'skills' | 'rule'>): Phase {
  if (rule.type === 'assessment') return 'test';
  if (skills.includes('pressure')) return 'pressure';
  if (skills.includes('reading')) return 'reading';
  const parts = TECHNIQUE.filter((skill) => skills.includes(skill)).length;
  if (skills.includes('pace')) return parts > 0 ? 'together' : 'pace';
  return parts > 2 ? 'together' : 'technique';
}

/** Whether phases follow each other as they should. */
export const inOrder = (phases: readonly Phase[]): boolean =>
  phases.every((phase, i) => i === 0 || PHASES.indexOf(phases[i - 1]!) <= PHASES.indexOf(phase));
