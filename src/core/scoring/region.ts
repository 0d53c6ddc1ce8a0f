import { gaussLegendre, normalBetween, normalDensity } from '@/core/numbers';
import { biasAt, logSpreadAt } from './latents';
import type { Bounds } from './terms';

/** Three or more places of the head on one putt: a region of strike and path. */
export interface Region {
  /** Its probability at the parameters; slopes are added where asked for. */
  chance(at: Float64Array, slopes: Float64Array | null): number;
}

/** Nobody meets the ball, nor swings, farther off than this: m and rad. */
const FAR = { strike: 0.12, path: 0.6 } as const;

const NODES = gaussLegendre(8);

/** A stretch of strike is halved until it is no wider than this, m. */
const WIDTH = 0.004;

/**
 * The region in which `s + y p` lies within bounds at every place. It is cut along the strike at its corners, which do not
 * move with the player, so that Gauss-Legendre's nodes never step over a kink; across, the path's share is exact.
 *
 * @param places of the head at distances y from the ball, m
 */
export function regionOf(places: readonly { at: number; bounds: Bounds }[]): Region {
  /** Straight lines that bound the path from above or below as a function of the strike. */
  const lines = places.flatMap(({ at, bounds: { lower, upper } }) =>
    at === 0
      ? []
      : [lower.at, upper.at]
          .filter(Number.isFinite)
          .map((edge) => ({ from: edge / at, slope: -1 / at })),
  );
  const level = places.filter(({ at }) => at === 0);
  const least = Math.max(-FAR.strike, ...level.map(({ bounds }) => bounds.lower.at));
  const most = Math.min(FAR.strike, ...level.map(({ bounds }) => bounds.upper.at));
  const corners = new Set([least, most]);
  lines.forEach((one, i) =>
    lines.slice(0, i).forEach((other) => {
      const strike = (one.from - other.from) / (other.slope - one.slope);
      if (strike > least && strike < most) corners.add(strike);
    }),
  );
  /** The paths that pass at a strike; none where the first is beyond the second. */
  const pathsAt = (strike: number): [number, number] =>
    places.reduce<[number, number]>(
      ([low, high], { at, bounds: { lower, upper } }) => {
        if (at === 0) return [low, high];
        const edges = [(lower.at - strike) / at, (upper.at - strike) / at];
        return [Math.max(low, Math.min(...edges)), Math.min(high, Math.max(...edges))];
      },
      [-FAR.path, FAR.path],
    );
  const ends = [...corners].sort((a, b) => a - b);
  const nodes = ends.slice(1).flatMap((end, i) => {
    const begin = ends[i]!;
    const parts = Math.max(1, Math.ceil((end - begin) / WIDTH));
    const half = (end - begin) / parts / 2;
    return Array.from({ length: parts }, (_, part) => begin + (2 * part + 1) * half).flatMap(
      (middle) =>
        NODES.flatMap(([x, weight]) => {
          const strike = middle + half * x;
          const [low, high] = pathsAt(strike);
          return low < high ? [{ strike, weight: weight * half, low, high }] : [];
        }),
    );
  });
  const [sb, ss, pb, ps] = [
    biasAt('strike'),
    logSpreadAt('strike'),
    biasAt('path'),
    logSpreadAt('path'),
  ];
  return {
    chance: (at, slopes) => {
      const [strikeBias, strikeSpread] = [at[sb]!, Math.exp(at[ss]!)];
      const [pathBias, pathSpread] = [at[pb]!, Math.exp(at[ps]!)];
      let sum = 0;
      for (const { strike, weight, low, high } of nodes) {
        const z = (strike - strikeBias) / strikeSpread;
        const here = (weight * normalDensity(z)) / strikeSpread;
        if (here === 0) continue;
        const [l, u] = [(low - pathBias) / pathSpread, (high - pathBias) / pathSpread];
        const passes = normalBetween(l, u);
        sum += here * passes;
        if (!slopes) continue;
        slopes[sb]! += (here * passes * z) / strikeSpread;
        slopes[ss]! += here * passes * (z * z - 1);
        slopes[pb]! += (here * (normalDensity(l) - normalDensity(u))) / pathSpread;
        slopes[ps]! += here * (l * normalDensity(l) - u * normalDensity(u));
      }
      return sum;
    },
  };
}
