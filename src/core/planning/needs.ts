import type { Basis, Estimate, Scores, SkillName } from '@/core/scoring';
import { DEGREE } from '@/core/units';

/** Skills that a plan can work on. */
export const TRAINED = ['face', 'path', 'strike', 'pace', 'start'] as const satisfies SkillName[];
export type Trained = (typeof TRAINED)[number];

/**
 * Eight-in-ten windows that are good enough to leave alone for now. Start: what the hole takes at 8 ft, level, 45 cm past
 * (±0.954°). Face: the same through its share of the start. Path: it moves the start by a quarter of that. Strike: 10 mm
 * off the middle loses two per cent of the distance, so this loses about one. Pace: a tenth of the length, as for long putts.
 */
export const GOOD: Record<Trained, number> = {
  start: 0.954 * DEGREE,
  face: 1.04 * DEGREE,
  path: 3 * DEGREE,
  strike: 0.007,
  pace: 0.1,
};

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
    return { skill, window, ratio: window.middle / GOOD[skill], known: basis[skill] >= SPOKEN };
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
