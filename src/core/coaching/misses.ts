import { LIBRARY, type LibraryDrill, type Miss } from '@/core/drill';
import { headEnd, type Hand, type PathSchool } from '@/core/people';
import type { Basis, SkillName, SkillPoints } from '@/core/scoring';
import { DEGREE, showDegrees } from '@/core/units';
import { rateBelow } from './gate-fit';

/** What is known of a player when their misses are read. */
export interface Known {
  hand: Hand;
  school: PathSchool;
  /** Evenly likely values of bias and spread, skill by skill. */
  points: Record<SkillName, SkillPoints>;
  basis: Basis;
  counts: MissCounts;
}

/** What a gate and the hole say of the same putts, and cold putts against warm ones. */
export interface MissCounts {
  /** Putts of which both are known. */
  both: number;
  clearMissed: number;
  hitHoled: number;
  /** Window of the start line cold over that when warm, and how likely it is larger; null while too few putts say it. */
  cold: { ratio: number; larger: number } | null;
  /** The same where a miss costs something, over free practice. */
  pressure: { ratio: number; larger: number } | null;
  /** Strike window now over that at the first session, and how likely it has shrunk; null while too few putts say it. */
  strike: { ratio: number; smaller: number } | null;
}

/** A pattern found in a player's misses. */
export interface Finding {
  id: string;
  /** What is seen, with its numbers. */
  seen: string;
  /** How sure it is, 0 to 1. */
  probability: number;
  /** What is likely behind it. */
  cause: string;
  /** Putts that it rests on. */
  putts: number;
  /** What it is, as drills say what they are for. */
  misses: Miss[];
  /** Built-in drills for it; those that make it worse are left out. */
  drills: LibraryDrill[];
  /** Built-in drills that make it worse. */
  avoid: LibraryDrill[];
}

/** What a pattern finds before its drills are looked up. */
type Match = Pick<Finding, 'seen' | 'probability' | 'putts'> & { cause?: string };

interface Pattern {
  id: string;
  /** Putts that must speak of it, at the least. */
  putts: number;
  match(known: Known): Match | null;
  cause: string;
  misses: Miss[];
}

/** Share of the points that are so. */
function share(count: number, test: (i: number) => boolean): number {
  let sum = 0;
  for (let i = 0; i < count; i++) sum += Number(test(i));
  return sum / count;
}

const middleOf = (values: Float64Array): number => {
  const sorted = Float64Array.from(values).sort();
  return sorted[Math.floor(sorted.length / 2)]!;
};

/** A bias beyond a size, on one side: `sign` is 1 for right or long. */
function biased(
  { bias }: SkillPoints,
  least: number,
  sign: 1 | -1,
): { probability: number; middle: number } {
  return {
    probability: share(bias.length, (i) => sign * bias[i]! > least),
    middle: Math.abs(middleOf(bias)),
  };
}

/** The side that a push goes to: right for a right-hander. */
const pushSide = (hand: Hand): 1 | -1 => (hand === 'right' ? 1 : -1);
const mm = (metres: number): string => `${(metres * 1000).toFixed(1)} mm`;
const percent = (value: number): string => `${Math.round(value * 100)} %`;

/** Starts to one side: with a quiet path the face is meant, else the path is named beside it. */
const start = (id: 'push' | 'pull', cause: string): Pattern => ({
  id,
  putts: 12,
  misses: [id],
  cause,
  match: ({ hand, points, basis }) => {
    const sign = id === 'push' ? pushSide(hand) : (-pushSide(hand) as 1 | -1);
    const { probability, middle } = biased(points.start, 0.25 * DEGREE, sign);
    const quiet = share(
      points.path.bias.length,
      (i) => Math.abs(points.path.bias[i]!) < 2 * DEGREE,
    );
    const known = basis.path >= 10;
    return {
      probability,
      putts: basis.start,
      seen: `Starts ${showDegrees(middle, 1)} to the ${sign > 0 ? 'right' : 'left'}, a ${id}${
        known && quiet > 0.8 ? ', with a quiet path' : ''
      }.`,
    };
  },
});

const path = (id: 'in-to-out' | 'out-to-in', cause: string): Pattern => ({
  id,
  putts: 12,
  misses: [id],
  cause,
  match: ({ hand, points, basis }) => {
    // Through to the player's far side is in-to-out: to the right for a right-hander.
    const sign = id === 'in-to-out' ? pushSide(hand) : (-pushSide(hand) as 1 | -1);
    const { probability, middle } = biased(points.path, 1 * DEGREE, sign);
    return {
      probability,
      putts: basis.path,
      seen: `The path runs ${showDegrees(middle, 1)} ${id}.`,
    };
  },
});

const strike = (id: 'heel' | 'toe', cause: string): Pattern => ({
  id,
  putts: 12,
  misses: [id],
  cause,
  match: ({ hand, points, basis }) => {
    // A ball met on the left end of the face is a head whose middle was right of the ball.
    const sign = headEnd('left', hand) === id ? 1 : -1;
    const { probability, middle } = biased(points.strike, 0.002, sign);
    return { probability, putts: basis.strike, seen: `Struck ${mm(middle)} towards the ${id}.` };
  },
});

const pace = (id: 'short' | 'long', cause: string): Pattern => ({
  id,
  putts: 12,
  misses: [id],
  cause,
  match: ({ points, basis }) => {
    const { probability, middle } = biased(points.pace, 0.03, id === 'long' ? 1 : -1);
    return {
      probability,
      putts: basis.pace,
      seen: `Rolls ${percent(middle)} ${id === 'short' ? 'short of' : 'beyond'} the distance meant.`,
    };
  },
});

/** Misses and what is likely behind them, as data: sure ones first when they are read. */
const PATTERNS: Pattern[] = [
  start(
    'push',
    'The face is open at the strike, or the hands are held off with the ball too far forward.',
  ),
  start('pull', 'The face is closed at the strike: the wrists flip, or the body turns early.'),
  path(
    'out-to-in',
    'The head comes across the ball: shoulders open, or the hands start the through-stroke.',
  ),
  path('in-to-out', 'The head comes from too far inside: the stroke turns round the body.'),
  strike('heel', 'Too near the ball, or the head of the player moves forward.'),
  strike('toe', 'Too far from the ball, or reaching for it.'),
  {
    id: 'low on the face',
    putts: 8,
    misses: ['low on the face'],
    cause: 'The through-stroke rises, or the weight stays back.',
    match: ({ points, basis }) => {
      const { probability, middle } = biased(points.height, 0.001, -1);
      return { probability, putts: basis.height, seen: `Struck ${mm(middle)} low on the face.` };
    },
  },
  pace('short', 'The head slows into the ball, or distances are read too short.'),
  pace('long', 'The stroke is too long for the distance, or the green is faster than it is read.'),
  {
    id: 'clear and missed',
    putts: 10,
    misses: ['aim', 'short', 'long'],
    cause: 'The stroke was right: it is the read or the pace.',
    match: ({ counts: { both, clearMissed } }) => ({
      probability: 1 - rateBelow(0.4, clearMissed, both),
      putts: both,
      seen: `Clear through the gate and yet missed: ${clearMissed} of ${both}.`,
    }),
  },
  {
    id: 'hit and holed',
    putts: 10,
    misses: [],
    cause: 'Luck: do not reward it.',
    match: ({ counts: { both, hitHoled } }) => ({
      probability: 1 - rateBelow(0.15, hitHoled, both),
      putts: both,
      seen: `Holed although the gate was missed: ${hitHoled} of ${both}.`,
    }),
  },
  {
    id: 'cold',
    putts: 0,
    misses: ['nerves'],
    cause: 'Good in blocks, poorer cold: practise from new spots and with a cost for a miss.',
    match: ({ counts: { cold }, basis }) =>
      cold && {
        probability: cold.larger,
        putts: basis.start,
        seen: `Cold, the start line is ${cold.ratio.toFixed(1)} times as wide as when warm.`,
      },
  },
  {
    id: 'pressure',
    putts: 0,
    misses: ['nerves'],
    cause:
      'Good in free practice, poorer when a miss costs: practise with a cost, and with the routine.',
    match: ({ counts: { pressure }, basis }) =>
      pressure && {
        probability: pressure.larger,
        putts: basis.start,
        seen: `When a miss costs something, the start line is ${pressure.ratio.toFixed(1)} times as wide.`,
      },
  },
  {
    id: 'pace again',
    putts: 0,
    misses: [],
    cause:
      'A better strike gives more speed: roll a few to three distances and set the pace again.',
    match: ({ counts: { strike: changed }, basis }) =>
      changed && changed.ratio < 0.85
        ? {
            probability: changed.smaller,
            putts: basis.strike,
            seen: `The strike is ${percent(1 - changed.ratio)} tighter than at first.`,
          }
        : null,
  },
];

/** Verdicts less sure than this are kept silent. */
const SURE_ENOUGH = 0.85;
/** Drills offered for a finding. */
const OFFERED = 3;

/**
 * Reads a player's misses: what is seen, how sure it is, what is likely behind it, and which drills are for it and which
 * against it. Silent where the evidence is thin.
 *
 * @param known what is known of the player
 * @returns the surest first
 */
export function readMisses(known: Known): Finding[] {
  const found = PATTERNS.flatMap((pattern) => {
    const match = pattern.match(known);
    if (!match || match.probability < SURE_ENOUGH || match.putts < pattern.putts) return [];
    return [{ pattern, match }];
  });
  const all = found.flatMap(({ pattern }) => pattern.misses);
  return found
    .map(({ pattern: { id, cause, misses }, match }): Finding => {
      const suits = (drill: LibraryDrill) =>
        (drill.school === 'any' || drill.school === known.school) &&
        !drill.avoid.some((miss) => all.includes(miss));
      return {
        id,
        cause,
        misses,
        ...match,
        drills: LIBRARY.filter(
          (drill) =>
            drill.rule.type !== 'assessment' &&
            drill.misses.some((miss) => misses.includes(miss)) &&
            suits(drill),
        )
          // Those for few misses are the more to the point.
          .sort((a, b) => a.misses.length - b.misses.length)
          .slice(0, OFFERED),
        avoid: LIBRARY.filter((drill) => drill.avoid.some((miss) => misses.includes(miss))),
      };
    })
    .sort((a, b) => b.probability - a.probability);
}
