import { gaussLegendre, normalDensity } from '@/core/numbers';
import { biasAt, logSpreadAt, standIndex, type Parameters } from './latents';
import type { Question } from './question';
import type { Bound, HeadPlace } from './terms';

// Taken once: a look-up in the innermost loop costs more than the arithmetic.
const { abs, exp, log, max, min, sqrt } = Math;
const density = normalDensity;

/** Few nodes are enough where the rear edge moves little against the front edge. */
const [FEW, MANY] = [gaussLegendre(6), gaussLegendre(10)];
/** That is less than this for each standard deviation of the turn, in standard deviations of the front edge. */
const LITTLE = 0.6;

/** The turn of the path against the face is taken within so many standard deviations, split within so many. */
const FAR = 4;
const SPLIT = 3.5;

/** A panel is no wider than so many standard deviations of what the turn moves, so that the nodes see how it changes. */
const WIDE = 6;
const MOST_PANELS = 12;
/** Nor wider than so many standard deviations of the turn, so that few nodes integrate its density to a ten-thousandth. */
const WIDEST = 5;

/**
 * Panels of standard deviations of the turn on both sides of the kink.
 *
 * @param sharpness how far one of them moves the rear edge, in standard deviations of the front edge
 */
function panelsOf(kink: number, sharpness: number): [begin: number, end: number][] {
  return [
    [-FAR, kink],
    [kink, FAR],
  ].flatMap(([begin, end]) => {
    const width = end! - begin!;
    const count = Math.max(
      Math.ceil(width / WIDEST),
      Math.min(MOST_PANELS, Math.ceil((width * sharpness) / WIDE)),
    );
    return Array.from({ length: count }, (_, i): [number, number] => [
      begin! + (width * i) / count,
      begin! + (width * (i + 1)) / count,
    ]);
  });
}

/** Where a bound really is, with its stand set so. */
export const edgeAt = ({ at: planned, by, stand }: Bound, at: Parameters): number =>
  stand < 0 ? planned : planned + by * at[standIndex(stand)]!;

/** The gap between two tees as they really stand: both stand off alike. */
const gapAt = (tee: number, bound: Bound, side: -1 | 1, planned: number): number =>
  planned + 2 * side * (tee - bound.at);

/** What is asked of the front edge alone. */
export interface Front {
  question(places: readonly HeadPlace[]): Question;
  answer(question: Question, at: Parameters): number;
  answerSloped(question: Question, at: Parameters, slopes: Float64Array): number;
}

/** One bound of the front edge, as it is moved by the rear edge: it is a stand of its own, so that it has a slope. */
interface Edge {
  bound: Bound;
  /** The same in the question of the front edge. */
  shifted: Bound;
  depth: number;
  lag: number;
  gap: number;
  /** The side that the rear edge has to be on for this bound to move: -1 left, 1 right. */
  side: -1 | 1;
}

/**
 * The probability that a head of some depth passed or touched tees. With the strike s measured on the face, its front edge is
 * at `s + y p` and its rear edge is aside of that by `T (p - f)`, the depth times the turn of the path against the face: it
 * leaves the front edge less room on one side. Given the turn, strike and path are normal again and what is asked of the front
 * edge is in closed form; the turn is taken by Gauss-Legendre's nodes on both sides of a head that follows its own axis.
 *
 * @param places one or two, at distances from the ball, each with its rear edge
 * @param front what is asked of the front edge
 * @returns a function of the parameters, which adds its slopes where they are asked for
 */
export function sweptChance(places: readonly HeadPlace[], front: Front) {
  const [sb, ss] = [biasAt('strike'), logSpreadAt('strike')];
  const [pb, ps] = [biasAt('path'), logSpreadAt('path')];
  const [fb, fs] = [biasAt('face'), logSpreadAt('face')];
  const lean = places.reduce((sum, { rear }) => sum + (rear ? rear.lag / rear.depth : 0), 0);
  const straight = -lean / places.length;
  let edges: Edge[] = [];
  let question: Question | null = null;

  /** Each bound as a stand of its own, behind all others. */
  function prepared(size: number): Question {
    edges = [];
    const first = size - standIndex(0);
    const moving = places.map(({ at, bounds, rear }) => {
      const { lower, upper } = bounds;
      const edge = (bound: Bound, side: -1 | 1): Bound => {
        if (!Number.isFinite(bound.at) || !rear) return bound;
        const shifted = { at: bound.at, by: 1, stand: first + edges.length };
        edges.push({ bound, shifted, side, ...rear });
        return shifted;
      };
      // A single bound is where the tee stands that was touched: the right one below, the left one above it.
      return {
        at,
        bounds: {
          lower: edge(lower, upper.at === Infinity ? 1 : -1),
          upper: edge(upper, lower.at === -Infinity ? -1 : 1),
        },
      };
    });
    return front.question(moving);
  }

  /** Spread of the front edge, given the turn, for each unit of depth, rad: the least of all tees. */
  const steadiest = (at: Parameters, given: Parameters): number =>
    min(
      ...places.map(
        ({ at: y, rear }) =>
          sqrt(exp(2 * at[ss]!) + y * y * exp(2 * given[ps]!)) / (rear?.depth ?? 1),
      ),
    );

  return (at: Parameters, slopes: Float64Array | null): number => {
    question ??= prepared(at.length);
    const [pathVariance, faceVariance] = [exp(2 * at[ps]!), exp(2 * at[fs]!)];
    const variance = pathVariance + faceVariance;
    const spread = sqrt(variance);
    const share = pathVariance / variance;
    const mean = at[pb]! - at[fb]!;
    const follows = (straight - mean) / spread;
    const kink = max(-SPLIT, min(SPLIT, follows));
    const splits = abs(follows) < SPLIT;
    const given = new Float64Array(at.length + edges.length);
    given.set(at);
    given[ps] = at[ps]! + 0.5 * log(1 - share);
    const own = new Float64Array(slopes ? given.length : 0);
    /** All that the front edge's question has slopes by: strike and path, and its own edges. */
    const moved = [sb, ss, pb, ps, ...edges.map((_, i) => at.length + i)];
    let sum = 0;
    const sharpness = spread / steadiest(at, given);
    const nodes = sharpness < LITTLE ? FEW : MANY;
    for (const [begin, end] of panelsOf(kink, sharpness)) {
      const half = (end - begin) / 2;
      // How the ends of a panel move with the kink: all in step with it, none at the far ends.
      const [beginBy, endBy] = [begin, end].map((z) =>
        z < kink ? (FAR + z) / (FAR + kink) : (FAR - z) / (FAR - kink),
      ) as [number, number];
      for (const [x, w] of nodes) {
        const z = begin + half * (1 + x);
        const weight = w * half * density(z);
        const turn = mean + spread * z;
        given[pb] = at[pb]! + share * spread * z;
        for (const { bound, shifted, side, depth, lag, gap } of edges) {
          const aside = turn * depth + lag;
          const tee = edgeAt(bound, at);
          // Between the tees there is no more room than their gap: a head that is turned farther touches both.
          const room = aside * side > 0 ? min(abs(aside), gapAt(tee, bound, side, gap)) : 0;
          shifted.at = tee - side * room;
        }
        if (!slopes) {
          sum += weight * front.answer(question, given);
          continue;
        }
        for (const index of moved) own[index] = 0;
        const here = front.answerSloped(question, given, own);
        sum += weight * here;
        let byTurn = 0;
        edges.forEach(({ bound, side, depth, lag, gap }, i) => {
          const slope = own[at.length + i]!;
          const aside = turn * depth + lag;
          const turned = aside * side > 0;
          const jammed = turned && abs(aside) >= gapAt(edgeAt(bound, at), bound, side, gap);
          if (turned && !jammed) byTurn -= slope * depth;
          // Where the head fills the gap, the bound is the other tee, which stands off the other way.
          const by = jammed ? -bound.by : bound.by;
          if (bound.stand >= 0) slopes[standIndex(bound.stand)]! += weight * by * slope;
        });
        slopes[sb]! += weight * own[sb]!;
        slopes[ss]! += weight * own[ss]!;
        const [byMiddle, byWidth] = [own[pb]!, own[ps]!];
        // How the node itself moves, and its weight, where the kink does.
        const shift = splits ? beginBy + ((endBy - beginBy) * (1 + x)) / 2 : 0;
        const widens = splits ? (w * density(z) * (endBy - beginBy)) / 2 - weight * z * shift : 0;
        const tied = share * spread;
        const along = (kinkBy: number, turnBy: number, middleBy: number, widthBy: number) =>
          widens * kinkBy * here +
          weight *
            (byTurn * (turnBy + spread * shift * kinkBy) +
              byMiddle * (middleBy + tied * shift * kinkBy) +
              byWidth * widthBy);
        slopes[pb]! += along(-1 / spread, 1, 1, 0);
        slopes[fb]! += along(1 / spread, -1, 0, 0);
        slopes[ps]! += along(-kink * share, spread * z * share, tied * z * (2 - share), 1 - share);
        slopes[fs]! += along(
          -kink * (1 - share),
          spread * z * (1 - share),
          -tied * z * (1 - share),
          share,
        );
      }
    }
    return sum;
  };
}
