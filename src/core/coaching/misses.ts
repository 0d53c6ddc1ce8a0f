import { LIBRARY, ruleTraits, type LibraryDrill, type Miss } from '@/core/drill';
import type { Hand, PathSchool } from '@/core/people';
import { quantities, type BiasMiss } from '@/core/quantity';
import { missWord, type Basis, type ByQuantity, type SkillPoints } from '@/core/scoring';
import { likelyLarger, rateOf } from './checks';
import { rateBelow } from './gate-fit';
import { differenceOfDraws } from './difference-of-draws';
import type { Cause, MissCause } from './miss-cause';

/** What is known of a player when their misses are read. */
export interface Known {
  hand: Hand;
  school: PathSchool;
  /** Evenly likely values of bias and spread, skill by skill. */
  points: ByQuantity<SkillPoints>;
  basis: Basis;
  counts: MissCounts;
  /** Why putts on the player's own line miss to one side; null or left out where they lean to none, or are too few. */
  cause?: MissCause | null;
  /** Directions of which only an instrument tells, with its name: of their bias nothing is claimed. */
  relative?: Partial<Record<string, string>>;
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
  /** How often the eyes came up early, of the putts on which somebody looked for it. */
  early: { seen: number; of: number };
  /** Putts that did what counted, of those that broke away from the player, and of those that broke towards them. */
  away: { passed: number; of: number };
  towards: { passed: number; of: number };
}

/** Nothing counted: no pattern that rests on counts is told. */
export const NO_COUNTS: MissCounts = {
  both: 0,
  clearMissed: 0,
  hitHoled: 0,
  cold: null,
  pressure: null,
  strike: null,
  early: { seen: 0, of: 0 },
  away: { passed: 0, of: 0 },
  towards: { passed: 0, of: 0 },
};

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
type Match = Pick<Finding, 'seen' | 'probability' | 'putts'> & {
  cause?: string;
  misses?: Miss[];
  /** The only drill for it. */
  telling?: LibraryDrill;
};

interface Pattern {
  id: string;
  /** Putts that must speak of it, at the least. */
  putts: number;
  match(known: Known): Match | null;
  cause: string;
  misses: Miss[];
}

/** Fewer looks, or putts of a kind, than this are not told. */
const LOOKED = 12;
/** What happens more often than this is a habit. */
const OFTEN = 0.25;
/** A difference of shares between two sides that is worth a word. */
const ASIDE = 0.1;
/** Lower on the face than this, m, and shorter than this share of the way. */
const THIN = 0.0015;
const SHORT = 0.03;

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

const percent = (value: number): string => `${Math.round(value * 100)} %`;

/** What is likely behind a miss: the stroke is not blamed for what comes before it. */
function causeOf(
  { before, cause, least }: BiasMiss,
  { points, basis }: Known,
  of: SkillPoints,
  side: 1 | -1,
): string {
  if (!before) return cause;
  const first = points[before.quantity];
  if (!first || (basis[before.quantity] ?? 0) < before.putts) {
    return `${before.unseen}${cause[0]!.toLowerCase()}${cause.slice(1)}`;
  }
  const { left } = differenceOfDraws(of, first);
  return share(left.length, (i) => side * left[i]! > least) < 0.5 ? before.cause : cause;
}

/** A pattern of a quantity's bias, as the register has it. */
const biasPattern = (id: string, miss: BiasMiss): Pattern => ({
  id: miss.id,
  putts: miss.putts,
  cause: miss.cause,
  misses: [miss.drillsSay ?? miss.id],
  match: (known) => {
    const { hand, points, basis } = known;
    const of = points[id];
    if (!of || known.relative?.[id]) return null;
    const side = miss.side(hand);
    const { probability, middle } = biased(of, miss.least, side);
    const { beside } = miss;
    const other = beside && points[beside.quantity];
    const quiet =
      beside &&
      other &&
      (basis[beside.quantity] ?? 0) >= beside.putts &&
      share(other.bias.length, (i) => Math.abs(other.bias[i]!) < beside.within) > QUIET_ENOUGH;
    return {
      probability,
      putts: basis[id] ?? 0,
      seen: `${miss.seen(middle, side)}${quiet ? beside.words : ''}.`,
      cause: causeOf(miss, known, of, side),
    };
  },
});

/** It is silent where another pattern says the same of its cause. */
const ONE_SIDE = 'one side';

const CAUSE_NAMES: Record<Cause, string> = {
  read: 'the read',
  aim: 'the aim',
  stroke: 'the stroke',
  pace: 'the pace',
};
/** What drills call a miss of some cause. */
const missOf = (cause: Cause, { side, towards }: MissCause, hand: Hand): Miss => {
  switch (cause) {
    case 'read':
      return 'misread';
    case 'aim':
      return 'aim';
    case 'stroke':
      return missWord(towards, hand);
    case 'pace':
      return side === 'low' ? 'short' : 'long';
  }
};

/** Patterns that no single bias makes. */
const OTHERS: Pattern[] = [
  {
    id: ONE_SIDE,
    putts: 0,
    misses: [],
    cause: '',
    match: ({ cause: found, hand }) => {
      if (!found) return null;
      const { side, putts, probability, named, remain, telling } = found;
      const [first, second] = remain.map((one) => CAUSE_NAMES[one]);
      return {
        probability,
        putts,
        seen: `Misses more often on the ${side} when the player chooses the line.`,
        cause: named
          ? `The cause is ${CAUSE_NAMES[named]}. The others are unlikely.`
          : `The cause is ${first} or ${second}. The putts so far cannot separate the two; the drill below can.`,
        misses: named ? [missOf(named, found, hand)] : [],
        ...(telling && { telling }),
      };
    },
  },
  {
    id: 'clear and missed',
    putts: 10,
    misses: ['aim', 'short', 'long'],
    cause: 'The stroke was right. The cause is the read or the pace.',
    match: ({ counts: { both, clearMissed } }) => ({
      probability: 1 - rateBelow(0.4, clearMissed, both),
      putts: both,
      seen: `${clearMissed} of ${both} putts went through the gate but missed the hole.`,
    }),
  },
  {
    id: 'hit and holed',
    putts: 10,
    misses: [],
    cause: 'That is luck. Do not reward it.',
    match: ({ counts: { both, hitHoled } }) => ({
      probability: 1 - rateBelow(0.15, hitHoled, both),
      putts: both,
      seen: `${hitHoled} of ${both} putts were holed although they missed the gate.`,
    }),
  },
  {
    id: 'cold',
    putts: 0,
    misses: ['nerves'],
    cause:
      'The stroke holds in blocked practice but not cold. Practise from new spots, with a cost for a miss.',
    match: ({ counts: { cold }, basis }) =>
      cold && {
        probability: cold.larger,
        putts: basis.start,
        seen: `The start-line window is ${cold.ratio.toFixed(1)} times as wide cold as warm.`,
      },
  },
  {
    id: 'pressure',
    putts: 0,
    misses: ['nerves'],
    cause:
      'The stroke holds in free practice but not when a miss costs something. Practise with a cost for a miss, and with the routine.',
    match: ({ counts: { pressure }, basis }) =>
      pressure && {
        probability: pressure.larger,
        putts: basis.start,
        seen: `When a miss costs something, the start-line window is ${pressure.ratio.toFixed(1)} times as wide.`,
      },
  },
  {
    id: 'early look',
    putts: 0,
    misses: ['early look'],
    cause:
      'The eyes follow the ball before it is struck, and the shoulders go with them. Listen for the ball to drop.',
    match: ({ counts: { early } }) =>
      early.of >= LOOKED
        ? {
            probability: 1 - rateBelow(OFTEN, early.seen, early.of),
            putts: early.of,
            seen: `Looks up early on ${early.seen} of ${early.of} putts.`,
          }
        : null,
  },
  {
    id: 'thin and short',
    putts: 20,
    misses: ['low on the face', 'short'],
    cause:
      'A ball struck low on the face comes off slower. Correct the height of the strike first, then the pace.',
    match: ({ points: { height, pace }, basis }) => {
      if (!height || !pace || (basis.height ?? 0) < 20) return null;
      return {
        probability: share(
          height.bias.length,
          (i) => height.bias[i]! < -THIN && pace.bias[i]! < -SHORT,
        ),
        putts: Math.min(basis.height ?? 0, basis.pace),
        seen: `Strikes low on the face and leaves putts ${percent(-middleOf(pace.bias))} short.`,
      };
    },
  },
  {
    id: 'breaks away',
    putts: 0,
    misses: ['aim'],
    cause:
      'Putts that break away are often aimed too low and then pushed with the break. Read them from behind the hole, and aim higher.',
    match: ({ counts: { away, towards } }) =>
      Math.min(away.of, towards.of) >= LOOKED
        ? {
            probability: likelyLarger(
              rateOf(towards.passed, towards.of),
              rateOf(away.passed, away.of),
              ASIDE,
            ),
            putts: away.of + towards.of,
            seen: `Passed ${away.passed} of ${away.of} putts that break away from the student, against ${towards.passed} of ${towards.of} that break towards the student.`,
          }
        : null,
  },
  {
    id: 'pace again',
    putts: 0,
    misses: [],
    cause:
      'A better strike gives more ball speed. Roll a few putts to three distances to set the pace again.',
    match: ({ counts: { strike: changed }, basis }) =>
      changed && changed.ratio < 0.85
        ? {
            probability: changed.smaller,
            putts: basis.strike,
            seen: `The strike window is ${percent(1 - changed.ratio)} smaller than in the first session.`,
          }
        : null,
  },
];

/** All patterns: what the register's quantities say, and the others. */
const patterns = (): Pattern[] => [
  ...quantities().flatMap(({ id, misses = [] }) => misses.map((miss) => biasPattern(id, miss))),
  ...OTHERS,
];

/** A bias beside is quiet when it is this likely to be within its bound. */
const QUIET_ENOUGH = 0.8;
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
  const matched = patterns().flatMap((pattern) => {
    const match = pattern.match(known);
    if (!match || match.probability < SURE_ENOUGH || match.putts < pattern.putts) return [];
    return [{ pattern, match }];
  });
  const found = matched.filter(
    ({ pattern, match }) =>
      pattern.id !== ONE_SIDE ||
      !match.misses?.some((miss) =>
        matched.some(
          (other) => other.pattern.id !== ONE_SIDE && other.pattern.misses.includes(miss),
        ),
      ),
  );
  const all = found.flatMap(({ pattern, match }) => match.misses ?? pattern.misses);
  return found
    .map(({ pattern, match: { telling, ...match } }): Finding => {
      const { id, cause } = pattern;
      const misses = match.misses ?? pattern.misses;
      const suits = (drill: LibraryDrill) =>
        (drill.school === 'any' || drill.school === known.school) &&
        !drill.avoid.some((miss) => all.includes(miss));
      return {
        id,
        cause,
        ...match,
        misses,
        drills: telling
          ? [telling]
          : LIBRARY.filter(
              (drill) =>
                !ruleTraits(drill.rule).cold &&
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
