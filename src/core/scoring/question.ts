import { bothDensity, normalBetween, normalDensity, rectangle } from '@/core/numbers';
import { biasAt, partsOf, standIndex, type Parameters, type Part } from './latents';
import { regionOf, type Region } from './region';
import { edgeAt, sweptChance, type Front } from './swept-head';
import {
  cut,
  type Bound,
  type Bounds,
  type HeadPlace,
  type Measured,
  type Mount,
  type Reading,
  type Term,
} from './terms';

// Taken once: a look-up of the global in the innermost loop costs more than the arithmetic.
const { abs, exp, log, max, min, sqrt } = Math;
const density = normalDensity;
const mass = normalBetween;
const both = rectangle;
const bothAt = bothDensity;

/**
 * A sum of latents with fixed shares, which is normal again. The start direction is one of face and path, the head at a
 * distance from the ball one of strike and path.
 */
type Blend = readonly Part[];

/** One thing that a term asks: that a blend lay within bounds, that two did, or where a head passed. */
export type Question =
  | { type: 'one'; blend: Blend; bounds: Bounds }
  | { type: 'two'; blends: [Blend, Blend]; bounds: [Bounds, Bounds] }
  | { type: 'region'; region: Region }
  | { type: 'swept'; chance: ReturnType<typeof sweptChance>; places: HeadPlace[] }
  | { type: 'read'; blend: Blend; reading: Reading; bounds: Bounds | null };

const alone = (latent: string): Blend => partsOf(latent, 0);

/** How far the errors of an instrument may be from what it says: of their log. */
const ERROR_SPREAD = 0.3;

/** Bounds at the same distance from the ball, cut to one. */
function headsOf(heads: readonly HeadPlace[]): HeadPlace[] {
  const found = new Map<number, HeadPlace>();
  for (const place of heads) {
    const known = found.get(place.at);
    found.set(place.at, { ...known, ...place, bounds: cut(known?.bounds, place.bounds) });
  }
  return [...found.values()].sort((x, y) => x.at - y.at);
}

/** The head's middle at a distance from the ball, m. */
const headAt = (at: number): Blend => [
  ...alone('strike'),
  ...(at === 0 ? [] : [{ at: biasAt('path'), share: at }]),
];

/** The question of where the front edge of a head was, at one or two pairs of tees. */
function frontQuestion([near, far]: readonly HeadPlace[]): Question {
  return far
    ? {
        type: 'two',
        blends: [headAt(near!.at), headAt(far.at)],
        bounds: [near!.bounds, far.bounds],
      }
    : { type: 'one', blend: headAt(near!.at), bounds: near!.bounds };
}
const FRONT: Front = { question: frontQuestion, answer, answerSloped };

/** The questions that a term asks, taken as independent: their latents differ, or nearly so. */
export function questionsOf(
  { start, byReading, face, heads, pace, height, direct, others = [] }: Term,
  faceShare: number,
): Question[] {
  const questions: Question[] = [];
  const line: Blend = [
    ...partsOf('start', faceShare),
    ...(byReading === undefined ? [] : [{ at: biasAt('reading'), share: byReading }]),
  ];
  /** What was said of the break that the ball then started along. */
  const read = others.find(
    ({ latent }) => latent === 'reading' && byReading !== undefined && start && !direct.start,
  );
  if (direct.start) {
    questions.push({ type: 'read', blend: line, reading: direct.start, bounds: start ?? null });
  } else if (start && read) {
    questions.push({
      type: 'two',
      blends: [alone('reading'), line],
      bounds: [read.bounds, start],
    });
    if (face) questions.push({ type: 'one', blend: alone('face'), bounds: face });
  } else if (start && face) {
    questions.push({ type: 'two', blends: [alone('face'), line], bounds: [face, start] });
  } else if (start) questions.push({ type: 'one', blend: line, bounds: start });
  else if (face) questions.push({ type: 'one', blend: alone('face'), bounds: face });

  const places = headsOf(heads);
  if (direct.strike) {
    const level = places.find(({ at }) => at === 0)?.bounds ?? null;
    questions.push({
      type: 'read',
      blend: alone('strike'),
      reading: direct.strike,
      bounds: level,
    });
  } else if (places.some(({ rear }) => rear)) {
    // A head that passes both outer pairs passes the middle one.
    const outer = places.length > 2 ? [places[0]!, places.at(-1)!] : places;
    questions.push({ type: 'swept', chance: sweptChance(outer, FRONT), places: outer });
  } else if (places.length > 2) {
    questions.push({ type: 'region', region: regionOf(places) });
  } else if (places.length > 0) questions.push(frontQuestion(places));

  if (direct.pace) {
    questions.push({
      type: 'read',
      blend: alone('pace'),
      reading: direct.pace,
      bounds: pace ?? null,
    });
  } else if (pace) questions.push({ type: 'one', blend: alone('pace'), bounds: pace });
  if (direct.height) {
    questions.push({ type: 'read', blend: alone('height'), reading: direct.height, bounds: null });
  } else if (height) questions.push({ type: 'one', blend: alone('height'), bounds: height });
  for (const other of others) {
    if (other === read) continue;
    const { latent, bounds } = other;
    questions.push({ type: 'one', blend: alone(latent), bounds });
  }
  return questions;
}

/** Mean and spread of a blend, and where its parameters are. */
function meanOf(blend: Blend, at: Parameters): number {
  let sum = 0;
  for (const { at: place, share } of blend) sum += share * at[place]!;
  return sum;
}
function spreadOf(blend: Blend, at: Parameters): number {
  if (blend.length === 1) return abs(blend[0]!.share) * exp(at[blend[0]!.at + 1]!);
  let sum = 0;
  for (const { at: place, share } of blend) {
    const one = share * exp(at[place + 1]!);
    sum += one * one;
  }
  return sqrt(sum);
}

/** How a probability that grows so with a bound moves with its stand. */
function boundSlope({ by, stand }: Bound, grows: number, slopes: Float64Array): void {
  if (stand >= 0 && grows !== 0) slopes[standIndex(stand)]! += by * grows;
}

/** Adds slopes by a blend's mean and log spread to those of its parameters. */
function spreadSlopes(
  blend: Blend,
  at: Parameters,
  spread: number,
  byMean: number,
  byLogSpread: number,
  slopes: Float64Array,
): void {
  for (const { at: place, share } of blend) {
    const part = (share * exp(at[place + 1]!)) / spread;
    slopes[place]! += share * byMean;
    slopes[place + 1]! += part * part * byLogSpread;
  }
}

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
  for (const { at: place, share } of one) {
    const other = shareIn(two, place);
    if (other !== 0) sum += share * other * exp(2 * at[place + 1]!);
  }
  return sum;
}

/** The share of the latent whose bias is there. */
function shareIn(blend: Blend, place: number): number {
  for (const part of blend) if (part.at === place) return part.share;
  return 0;
}

/** How far off an instrument's reading is because of how it stands, and its real error. */
function readAt(
  { value, error, mount }: Reading,
  at: Parameters,
): { value: number; error: number } {
  if (!mount) return { value, error };
  let off = mount.by * at[standIndex(mount.instrument)]!;
  for (const { stand, by } of mount.stands) off += by * at[standIndex(stand)]!;
  return {
    value: value - off,
    error: error * exp(ERROR_SPREAD * at[standIndex(mount.errors)]!),
  };
}

/** How a probability that moves so with a reading's value and with the log of its error moves with its instrument. */
function mountSlopes(
  mount: Mount,
  byValue: number,
  byLogError: number,
  slopes: Float64Array,
): void {
  slopes[standIndex(mount.instrument)]! -= mount.by * byValue;
  for (const { stand, by } of mount.stands) slopes[standIndex(stand)]! -= by * byValue;
  slopes[standIndex(mount.errors)]! += ERROR_SPREAD * byLogError;
}

/** The probability of an answer. */
export function answer(question: Question, at: Parameters): number {
  switch (question.type) {
    case 'one': {
      const { blend, bounds } = question;
      const [mean, spread] = [meanOf(blend, at), spreadOf(blend, at)];
      return mass(
        (edgeAt(bounds.lower, at) - mean) / spread,
        (edgeAt(bounds.upper, at) - mean) / spread,
      );
    }
    case 'two': {
      const { blends, bounds } = question;
      const [m1, m2] = [meanOf(blends[0], at), meanOf(blends[1], at)];
      const [s1, s2] = [spreadOf(blends[0], at), spreadOf(blends[1], at)];
      const [a, b] = [
        (edgeAt(bounds[0].lower, at) - m1) / s1,
        (edgeAt(bounds[0].upper, at) - m1) / s1,
      ];
      const [c, d] = [
        (edgeAt(bounds[1].lower, at) - m2) / s2,
        (edgeAt(bounds[1].upper, at) - m2) / s2,
      ];
      if (a >= b || c >= d) return 0;
      return both({ lower: [a, c], upper: [b, d] }, tieOf(blends, at, s1, s2));
    }
    case 'region':
      return question.region.chance(at, null);
    case 'swept':
      return question.chance(at, null);
    case 'read': {
      const { blend, bounds } = question;
      const reading = readAt(question.reading, at);
      const [bias, spread] = [meanOf(blend, at), spreadOf(blend, at)];
      const variance = spread * spread + reading.error * reading.error;
      const off = reading.value - bias;
      const seen = exp((-off * off) / (2 * variance)) / sqrt(variance);
      if (!bounds) return seen;
      const share = (spread * spread) / variance;
      const [middle, left] = [bias + share * off, sqrt(share) * reading.error];
      return (
        seen *
        mass((edgeAt(bounds.lower, at) - middle) / left, (edgeAt(bounds.upper, at) - middle) / left)
      );
    }
  }
}

/** The probability of an answer, and its slopes by all parameters, added to `slopes`. */
export function answerSloped(question: Question, at: Parameters, slopes: Float64Array): number {
  switch (question.type) {
    case 'one': {
      const { blend, bounds } = question;
      const [mean, spread] = [meanOf(blend, at), spreadOf(blend, at)];
      const [l, u] = [
        (edgeAt(bounds.lower, at) - mean) / spread,
        (edgeAt(bounds.upper, at) - mean) / spread,
      ];
      if (l >= u) return 0;
      const [dl, du] = [density(l) / spread, density(u) / spread];
      spreadSlopes(blend, at, spread, dl - du, pulled(l) - pulled(u), slopes);
      boundSlope(bounds.lower, -dl, slopes);
      boundSlope(bounds.upper, du, slopes);
      return mass(l, u);
    }
    case 'two':
      return twoSloped(question, at, slopes);
    case 'region':
      return question.region.chance(at, slopes);
    case 'swept':
      return question.chance(at, slopes);
    case 'read': {
      const { blend, bounds } = question;
      const reading = readAt(question.reading, at);
      const spread = spreadOf(blend, at);
      const variance = spread * spread + reading.error * reading.error;
      const bias = meanOf(blend, at);
      const off = reading.value - bias;
      const value = answer(question, at);
      const seen = exp((-off * off) / (2 * variance)) / sqrt(variance);
      const inside = seen > 0 ? value / seen : 0;
      const error2 = reading.error * reading.error;
      const byVariance = ((off * off) / (variance * variance) - 1 / variance) * value;
      let byBias = (off / variance) * value;
      let byValue = -byBias;
      let byLogSpread = byVariance * spread * spread;
      let byLogError = byVariance * error2;
      if (bounds && inside > 0) {
        // What is left of the latent, given the reading: its middle and its width move too.
        const share = (spread * spread) / variance;
        const left = sqrt(share) * reading.error;
        const middle = bias + share * off;
        const [l, u] = [
          (edgeAt(bounds.lower, at) - middle) / left,
          (edgeAt(bounds.upper, at) - middle) / left,
        ];
        const [dl, du] = [(seen * density(l)) / left, (seen * density(u)) / left];
        const wider = seen * (pulled(l) - pulled(u));
        byBias += (dl - du) * (1 - share);
        byValue += (dl - du) * share;
        byLogSpread +=
          (dl - du) * ((2 * share * error2 * off) / variance) + (wider * error2) / variance;
        byLogError += wider * share - (dl - du) * ((2 * share * error2 * off) / variance);
        boundSlope(bounds.lower, -dl, slopes);
        boundSlope(bounds.upper, du, slopes);
      }
      spreadSlopes(blend, at, spread, byBias, byLogSpread, slopes);
      if (question.reading.mount) mountSlopes(question.reading.mount, byValue, byLogError, slopes);
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
    const { lower, upper } = bounds[i]!;
    return [lower, upper].map((bound) => (edgeAt(bound, at) - mean) / spreads[i]!) as [
      number,
      number,
    ];
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
    boundSlope(bounds[i]!.lower, -low / spreads[i]!, slopes);
    boundSlope(bounds[i]!.upper, high / spreads[i]!, slopes);
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
  for (const place of new Set([...one, ...two].map((part) => part.at))) {
    const variance = exp(2 * at[place + 1]!);
    const [x, y] = [shareIn(one, place), shareIn(two, place)];
    const shared = (2 * x * y * variance) / (s1 * s2);
    const own = r * ((x * x * variance) / (s1 * s1) + (y * y * variance) / (s2 * s2));
    slopes[place + 1]! += byTie * (shared - own);
  }
}

/** Parameters that a bound moves with. */
export const standsOf = ({ lower, upper }: Bounds): number[] =>
  [lower, upper].flatMap(({ stand }) => (stand < 0 ? [] : [stand]));

/** The stands that a question's reading moves with. */
export const readStands = (question: Question): number[] =>
  question.type === 'read' && question.reading.mount ? mountStands(question.reading.mount) : [];

export const boundsIn = (question: Question): Bounds[] => {
  switch (question.type) {
    case 'one':
      return [question.bounds];
    case 'two':
      return question.bounds;
    case 'region':
      return [];
    case 'swept':
      return question.places.map(({ bounds }) => bounds);
    case 'read':
      return question.bounds ? [question.bounds] : [];
  }
};

/** Where the biases of the latents are that a question asks for. */
export const placesIn = (question: Question): number[] => {
  switch (question.type) {
    case 'one':
    case 'read':
      return question.blend.map(({ at }) => at);
    case 'two':
      return question.blends.flatMap((blend) => blend.map(({ at }) => at));
    case 'region':
      return [biasAt('strike'), biasAt('path')];
    case 'swept':
      return [biasAt('strike'), biasAt('path'), biasAt('face')];
  }
};

/** The question of a latent that an instrument read. */
export const readingQuestion = ({ latent, ...reading }: Measured): Question => ({
  type: 'read',
  blend: alone(latent),
  reading,
  bounds: null,
});

/** The stands that a mount moves with: its instrument's, its set-up's and steps, and its error's. */
export const mountStands = ({ instrument, stands, errors }: Mount): number[] => [
  instrument,
  ...stands.map(({ stand }) => stand),
  errors,
];

/**
 * The player of one putt, once instruments have read some of its latents: what is left of each is normal again.
 *
 * @param given what was read, at most once of a latent
 * @param at the player's parameters
 */
export function givenReadings(given: readonly Measured[], at: Parameters): Parameters {
  const left = at.slice();
  for (const one of given) {
    const place = biasAt(one.latent);
    const { value, error } = readAt(one, at);
    const spread2 = exp(2 * at[place + 1]!);
    const share = spread2 / (spread2 + error * error);
    left[place]! += share * (value - at[place]!);
    left[place + 1]! += 0.5 * log(1 - share);
  }
  return left;
}

/**
 * Slopes by the player's parameters from those by what {@link givenReadings} left of them, in place.
 *
 * @param slopes by what is left, which become those by the player's
 */
export function slopesGiven(
  given: readonly Measured[],
  at: Parameters,
  slopes: Float64Array,
): void {
  for (const one of given) {
    const place = biasAt(one.latent);
    const { value, error } = readAt(one, at);
    const spread2 = exp(2 * at[place + 1]!);
    const share = spread2 / (spread2 + error * error);
    const off = value - at[place]!;
    const [byMiddle, byWidth] = [slopes[place]!, slopes[place + 1]!];
    slopes[place] = (1 - share) * byMiddle;
    slopes[place + 1] = 2 * share * (1 - share) * off * byMiddle + (1 - share) * byWidth;
    if (!one.mount) continue;
    mountSlopes(
      one.mount,
      share * byMiddle,
      share * byWidth - 2 * share * (1 - share) * off * byMiddle,
      slopes,
    );
  }
}
