import { bothDensity, normalBelow, rectangle } from '@/core/numbers';
import type { Bounds, Cell, Term } from './cells';
import { DIMENSION, KNOWN, LATENTS, SLIP_SHARE, biasAt, logSpreadAt, type Latent } from './latents';

// Taken once: a look-up of the global in the innermost loop costs more than the arithmetic.
const { exp, log, max, min, sqrt, hypot } = Math;
const below = normalBelow;
const both = rectangle;
const bothAt = bothDensity;
const SIZE = DIMENSION;
const SLIPPED = SLIP_SHARE;

/** Biases and log spreads of all latents, in turn. */
export type Parameters = Float64Array;

const ROOT = sqrt(2 * Math.PI);
const density = (z: number): number => (z > 38 || z < -38 ? 0 : exp((-z * z) / 2) / ROOT);

/** A reading with its error, as one standard deviation. */
interface Reading {
  value: number;
  error: number;
}

/**
 * A sum of two latents with fixed shares, which is normal again: `first · a + second · b`. The start direction is one of
 * face and path, the head at a distance from the ball one of strike and path.
 */
interface Blend {
  first: Latent;
  a: number;
  second: Latent;
  b: number;
}

/** One thing that a term asks: that a blend lay within bounds, or that two did. */
type Question =
  | { type: 'one'; blend: Blend; bounds: Bounds }
  | { type: 'two'; blends: [Blend, Blend]; bounds: [Bounds, Bounds] }
  | { type: 'read'; latent: Latent; reading: Reading; bounds: Bounds };

/** A term as factors that are taken as independent: their latents differ, or nearly so. */
interface Factored {
  sign: 1 | -1;
  questions: Question[];
}

const EVERYWHERE: Bounds = [-Infinity, Infinity];
const alone = (latent: Latent): Blend => ({ first: latent, a: 1, second: latent, b: 0 });

/** Bounds at the same distance from the ball, cut to one. */
function headsOf(heads: Term['heads']): Term['heads'] {
  const found = new Map<number, Bounds>();
  for (const { at, bounds } of heads) {
    const known = found.get(at) ?? EVERYWHERE;
    found.set(at, [max(known[0], bounds[0]), min(known[1], bounds[1])]);
  }
  return [...found].map(([at, bounds]) => ({ at, bounds })).sort((x, y) => x.at - y.at);
}

/**
 * The questions that a term asks. Of three or more places of the head the outermost two are asked: what lies between
 * follows from them all but wholly.
 */
function questionsOf({ start, face, heads, pace, direct }: Term, faceShare: number): Question[] {
  const questions: Question[] = [];
  const line: Blend = { first: 'face', a: faceShare, second: 'path', b: 1 - faceShare };
  if (start && face) {
    questions.push({ type: 'two', blends: [alone('face'), line], bounds: [face, start] });
  } else if (start) questions.push({ type: 'one', blend: line, bounds: start });
  else if (face) questions.push({ type: 'one', blend: alone('face'), bounds: face });

  const places = headsOf(heads);
  const [near, far] = [places[0], places.length > 1 ? places.at(-1) : undefined];
  const headAt = (at: number): Blend => ({ first: 'strike', a: 1, second: 'path', b: at });
  if (direct.strike) {
    const level = places.find(({ at }) => at === 0)?.bounds ?? EVERYWHERE;
    questions.push({ type: 'read', latent: 'strike', reading: direct.strike, bounds: level });
  } else if (near && far) {
    questions.push({
      type: 'two',
      blends: [headAt(near.at), headAt(far.at)],
      bounds: [near.bounds, far.bounds],
    });
  } else if (near) questions.push({ type: 'one', blend: headAt(near.at), bounds: near.bounds });

  if (direct.pace) {
    questions.push({
      type: 'read',
      latent: 'pace',
      reading: direct.pace,
      bounds: pace ?? EVERYWHERE,
    });
  } else if (pace) questions.push({ type: 'one', blend: alone('pace'), bounds: pace });
  if (direct.height) {
    questions.push({
      type: 'read',
      latent: 'height',
      reading: direct.height,
      bounds: EVERYWHERE,
    });
  }
  return questions;
}

/** A cell made ready: its questions, which parameters move it, and what a slip would make of it. */
export interface Ready {
  terms: Factored[];
  count: number;
  active: number[];
  slip: number;
}

/** Mean and spread of a blend, and where its parameters are. */
function meanOf({ first, a, second, b }: Blend, at: Parameters): number {
  return a * at[biasAt(first)]! + (b === 0 ? 0 : b * at[biasAt(second)]!);
}
function spreadOf({ first, a, second, b }: Blend, at: Parameters): number {
  const one = a * exp(at[logSpreadAt(first)]!);
  return b === 0 ? one : hypot(one, b * exp(at[logSpreadAt(second)]!));
}

/** Adds slopes by a blend's mean and log spread to those of its parameters. */
function spreadSlopes(
  { first, a, second, b }: Blend,
  at: Parameters,
  spread: number,
  byMean: number,
  byLogSpread: number,
  slopes: Float64Array,
): void {
  const share = (a * exp(at[logSpreadAt(first)]!)) / spread;
  slopes[biasAt(first)]! += a * byMean;
  slopes[logSpreadAt(first)]! += share * share * byLogSpread;
  if (b === 0) return;
  slopes[biasAt(second)]! += b * byMean;
  slopes[logSpreadAt(second)]! += (1 - share * share) * byLogSpread;
}

/** P(lower < z < upper) of a standard normal, taken where far tails are not lost. */
const mass = (l: number, u: number): number => {
  if (l >= u) return 0;
  return l > 0 ? below(-l) - below(-u) : below(u) - below(l);
};

/** z times its density, which is nothing at infinity. */
const pulled = (z: number): number => {
  const d = density(z);
  return d === 0 ? 0 : z * d;
};

/** Covariance of two blends of the same latents in the same order, over both spreads. */
function tieOf([one, two]: [Blend, Blend], at: Parameters, s1: number, s2: number): number {
  return limited(sharedVariance(one, two, at) / (s1 * s2));
}
/** A correlation that rounding has not carried beyond one. */
const limited = (r: number): number => max(-0.999999, min(0.999999, r));

function sharedVariance(one: Blend, two: Blend, at: Parameters): number {
  let sum = 0;
  for (const [latent, share] of [
    [one.first, one.a],
    [one.second, one.b],
  ] as const) {
    const other = (two.first === latent ? two.a : 0) + (two.second === latent ? two.b : 0);
    if (share !== 0 && other !== 0) sum += share * other * exp(2 * at[logSpreadAt(latent)]!);
  }
  return sum;
}

/** The probability of an answer. */
function answer(question: Question, at: Parameters): number {
  switch (question.type) {
    case 'one': {
      const { blend, bounds } = question;
      const [mean, spread] = [meanOf(blend, at), spreadOf(blend, at)];
      return mass((bounds[0] - mean) / spread, (bounds[1] - mean) / spread);
    }
    case 'two': {
      const { blends, bounds } = question;
      const [m1, m2] = [meanOf(blends[0], at), meanOf(blends[1], at)];
      const [s1, s2] = [spreadOf(blends[0], at), spreadOf(blends[1], at)];
      return both(
        {
          lower: [(bounds[0][0] - m1) / s1, (bounds[1][0] - m2) / s2],
          upper: [(bounds[0][1] - m1) / s1, (bounds[1][1] - m2) / s2],
        },
        tieOf(blends, at, s1, s2),
      );
    }
    case 'read': {
      const { latent, reading, bounds } = question;
      const [bias, spread] = [at[biasAt(latent)]!, exp(at[logSpreadAt(latent)]!)];
      const variance = spread * spread + reading.error * reading.error;
      const off = reading.value - bias;
      const seen = exp((-off * off) / (2 * variance)) / sqrt(variance);
      if (bounds === EVERYWHERE) return seen;
      const share = (spread * spread) / variance;
      const [middle, left] = [bias + share * off, sqrt(share) * reading.error];
      return seen * mass((bounds[0] - middle) / left, (bounds[1] - middle) / left);
    }
  }
}

/** The probability of an answer, and its slopes by all parameters, added to `slopes`. */
function answerSloped(question: Question, at: Parameters, slopes: Float64Array): number {
  switch (question.type) {
    case 'one': {
      const { blend, bounds } = question;
      const [mean, spread] = [meanOf(blend, at), spreadOf(blend, at)];
      const [l, u] = [(bounds[0] - mean) / spread, (bounds[1] - mean) / spread];
      const byMean = (density(l) - density(u)) / spread;
      spreadSlopes(blend, at, spread, byMean, pulled(l) - pulled(u), slopes);
      return mass(l, u);
    }
    case 'two':
      return twoSloped(question, at, slopes);
    case 'read': {
      const { latent, reading, bounds } = question;
      const spread = exp(at[logSpreadAt(latent)]!);
      const variance = spread * spread + reading.error * reading.error;
      const off = reading.value - at[biasAt(latent)]!;
      const value = answer(question, at);
      const seen = exp((-off * off) / (2 * variance)) / sqrt(variance);
      const inside = seen > 0 ? value / seen : 0;
      let byBias = off / variance;
      let byLogSpread = ((off * off) / (variance * variance) - 1 / variance) * spread * spread;
      byBias *= value;
      byLogSpread *= value;
      if (bounds !== EVERYWHERE && inside > 0) {
        // What is left of the latent, given the reading: its middle and its width move too.
        const share = (spread * spread) / variance;
        const left = sqrt(share) * reading.error;
        const middle = at[biasAt(latent)]! + share * off;
        const [l, u] = [(bounds[0] - middle) / left, (bounds[1] - middle) / left];
        const error2 = reading.error * reading.error;
        const byMiddle = (seen * (density(l) - density(u))) / left;
        byBias += byMiddle * (1 - share);
        byLogSpread += byMiddle * ((2 * share * error2 * off) / variance);
        byLogSpread += (seen * (pulled(l) - pulled(u)) * error2) / variance;
      }
      slopes[biasAt(latent)]! += byBias;
      slopes[logSpreadAt(latent)]! += byLogSpread;
      return value;
    }
  }
}

function twoSloped(
  { blends, bounds }: Extract<Question, { type: 'two' }>,
  at: Parameters,
  slopes: Float64Array,
): number {
  const spreads = [spreadOf(blends[0], at), spreadOf(blends[1], at)] as const;
  const edges = blends.map((blend, i) => {
    const mean = meanOf(blend, at);
    return bounds[i]!.map((bound) => (bound - mean) / spreads[i]!) as [number, number];
  }) as [[number, number], [number, number]];
  const [[a, b], [c, d]] = edges;
  if (a >= b || c >= d) return 0;
  const r = tieOf(blends, at, spreads[0], spreads[1]);
  const rest = sqrt(1 - r * r);
  /** How the probability grows at an edge of one, the other lying within its bounds. */
  const edge = (x: number, lower: number, upper: number): number => {
    const there = density(x);
    return there === 0 ? 0 : there * mass((lower - r * x) / rest, (upper - r * x) / rest);
  };
  const grows = [
    [edge(a, c, d), edge(b, c, d)],
    [edge(c, a, b), edge(d, a, b)],
  ] as const;
  const times = (x: number, by: number) => (by === 0 ? 0 : x * by);
  blends.forEach((blend, i) => {
    const [low, high] = grows[i]!;
    const byMean = (low - high) / spreads[i]!;
    const byLogSpread = times(edges[i]![0], low) - times(edges[i]![1], high);
    spreadSlopes(blend, at, spreads[i]!, byMean, byLogSpread, slopes);
  });
  const byTie = bothAt(b, d, r) - bothAt(a, d, r) - bothAt(b, c, r) + bothAt(a, c, r);
  if (byTie !== 0) tieSlopes(blends, at, spreads, r, byTie, slopes);
  return both({ lower: [a, c], upper: [b, d] }, r);
}

/** How the correlation of two blends moves with the spreads of their latents. */
function tieSlopes(
  [one, two]: [Blend, Blend],
  at: Parameters,
  [s1, s2]: readonly [number, number],
  r: number,
  byTie: number,
  slopes: Float64Array,
): void {
  for (const latent of new Set([one.first, one.second, two.first, two.second])) {
    const variance = exp(2 * at[logSpreadAt(latent)]!);
    const shareIn = ({ first, a, second, b }: Blend) =>
      (first === latent ? a : 0) + (second === latent && second !== first ? b : 0);
    const [x, y] = [shareIn(one), shareIn(two)];
    const shared = (2 * x * y * variance) / (s1 * s2);
    const own = r * ((x * x * variance) / (s1 * s1) + (y * y * variance) / (s2 * s2));
    slopes[logSpreadAt(latent)]! += byTie * (shared - own);
  }
}

/** The parameters of anything-goes slips. */
const SLIPS: Parameters = Float64Array.from(
  LATENTS.flatMap((latent) => [0, log(KNOWN[latent].slip)]),
);

/**
 * The model: the probability of what was said of a putt, given a player. All of it is in closed form: what a ball gate, a
 * held finish or a head's place asks is whether a sum of normals lay within bounds, and what a box gate asks is whether
 * two such sums did.
 *
 * @param faceShare how much of the start direction is the face's: `start = w f + (1-w) p`
 */
export function model(faceShare: number) {
  const own = new Float64Array(SIZE);

  function bare({ terms }: Pick<Ready, 'terms'>, at: Parameters): number {
    let sum = 0;
    for (const { sign, questions } of terms) {
      let value = sign as number;
      for (const question of questions) value *= answer(question, at);
      sum += value;
    }
    return max(sum, 0);
  }

  /** The probability of a cell, slips included. */
  const chance = (cell: Ready, at: Parameters): number =>
    max((1 - SLIPPED) * bare(cell, at) + SLIPPED * cell.slip, 1e-300);

  /** The same with its slopes by all parameters in `gradient`, which is emptied first. */
  function chanceSloped({ terms, slip }: Ready, at: Parameters, gradient: Float64Array): number {
    gradient.fill(0);
    let sum = 0;
    for (const { sign, questions } of terms) {
      const values = questions.map((question) => answer(question, at));
      const product = values.reduce((all, one) => all * one, 1);
      sum += sign * product;
      questions.forEach((question, i) => {
        const others = values.reduce((all, one, j) => (j === i ? all : all * one), 1);
        if (others === 0) return;
        own.fill(0);
        answerSloped(question, at, own);
        for (let j = 0; j < SIZE; j++) gradient[j]! += (1 - SLIPPED) * sign * others * own[j]!;
      });
    }
    return max((1 - SLIPPED) * max(sum, 0) + SLIPPED * slip, 1e-300);
  }

  return {
    ready: ({ terms, count }: Cell): Ready => {
      const factored = terms.map(({ sign, term }): Factored => ({
        sign,
        questions: questionsOf(term, faceShare),
      }));
      const latents = new Set(
        factored.flatMap(({ questions }) =>
          questions.flatMap((question) =>
            question.type === 'read'
              ? [question.latent]
              : (question.type === 'one' ? [question.blend] : question.blends).flatMap(
                  ({ first, second, b }) => (b === 0 ? [first] : [first, second]),
                ),
          ),
        ),
      );
      return {
        terms: factored,
        count,
        active: LATENTS.flatMap((latent) =>
          latents.has(latent) ? [biasAt(latent), logSpreadAt(latent)] : [],
        ),
        slip: bare({ terms: factored }, SLIPS),
      };
    },
    chance,
    chanceSloped,
  };
}

export type Model = ReturnType<typeof model>;
