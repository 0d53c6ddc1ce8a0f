import { quantityOf } from '@/core/quantity';
import type { Basis, Estimate, Scores, SkillName } from '@/core/scoring';

/** Skills that a plan can work on. */
export const TRAINED = ['face', 'path', 'strike', 'pace', 'start'] as const satisfies SkillName[];
export type Trained = (typeof TRAINED)[number];

/** How much a player needs a skill. */
export interface Need {
  skill: Trained;
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
  return TRAINED.map((skill): Need => {
    const { window } = scores[skill];
    return {
      skill,
      window,
      ratio: window.middle / quantityOf(skill).good.window,
      known: basis[skill] >= SPOKEN,
    };
  }).sort((a, b) => b.ratio - a.ratio);
}

/** What a group needs: on average over its players; known where one of them is known. */
export function needsOfGroup(players: readonly Need[][]): Need[] {
  const [first] = players;
  if (!first || players.length === 1) return first ?? [];
  return first
    .map(({ skill }): Need => {
      const of = players.map((needs) => needs.find((one) => one.skill === skill)!);
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
