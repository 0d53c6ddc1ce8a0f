import { z } from 'zod';
import { isTrained, quantityOf, trainedIds } from '@/core/quantity';
import type { Basis, Estimate, Scores } from '@/core/scoring';

/** A quantity that a plan can work on. */
export const trainedSchema = z.string().refine(isTrained, {
  error: ({ input }) =>
    `“${String(input)}” cannot be trained. Choose one of: ${trainedIds().join(', ')}.`,
});

/** How much a player needs a skill. */
export interface Need {
  /** A quantity that is trained. */
  skill: string;
  /** Window over the good one: 1 is good enough, 2 twice as wide. */
  ratio: number;
  window: Estimate;
  /** Whether putts have spoken of it; else it is a guess, and a drill that tells comes first. */
  known: boolean;
}

/** Fewer putts than this have not spoken of a skill. */
const SPOKEN = 10;

/** What a player needs, the most needed first. */
export function needsOf(scores: Scores, basis: Basis): Need[] {
  return trainedIds()
    .flatMap((skill): Need[] => {
      const window = scores[skill]?.window;
      const { steers, prior } = quantityOf(skill);
      // What does not steer the ball by itself is asked for once it has been looked at.
      if (!window || (prior && !steers && !basis[skill])) return [];
      const ratio = window.middle / quantityOf(skill).good.window;
      return [{ skill, window, ratio, known: (basis[skill] ?? 0) >= SPOKEN }];
    })
    .sort((a, b) => b.ratio - a.ratio);
}

/** What a group needs: on average over its players; known where one of them is known. */
export function needsOfGroup(players: readonly Need[][]): Need[] {
  const [first] = players;
  if (!first || players.length === 1) return first ?? [];
  return [...new Set(players.flatMap((needs) => needs.map(({ skill }) => skill)))]
    .map((skill): Need => {
      const of = players.flatMap((needs) => needs.filter((one) => one.skill === skill));
      const mean = (value: (need: Need) => number) =>
        of.reduce((sum, need) => sum + value(need), 0) / of.length;
      return {
        skill,
        ratio: mean(({ ratio }) => ratio),
        window: {
          low: mean(({ window }) => window.low),
          middle: mean(({ window }) => window.middle),
          high: mean(({ window }) => window.high),
        },
        known: of.some(({ known }) => known),
      };
    })
    .sort((a, b) => b.ratio - a.ratio);
}
