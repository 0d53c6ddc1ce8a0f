import { gaussLegendre } from './gauss-legendre';
import { normalBelow } from './normal';

// Taken once: a look-up of the global in the innermost loop costs more than the arithmetic.
const { asin, exp, sqrt, abs, sin, min, max } = Math;
const below = normalBelow;
const TURN = 2 * Math.PI;

/** Nodes and weights: few where the correlation is small (Genz 2004). */
const [FEW, SOME, MANY] = [6, 12, 20].map(gaussLegendre) as [Nodes, Nodes, Nodes];
type Nodes = ReturnType<typeof gaussLegendre>;

/**
 * P(X < h, Y < k) of two standard normals with a correlation (Drezner and Wesolowsky 1990, in the form given by
 * Genz 2004, "Numerical computation of rectangular bivariate and trivariate normal and t probabilities").
 *
 * @param h any number or ±Infinity
 * @param k any number or ±Infinity
 * @param correlation -1 to 1
 * @returns to about 1e-14 for correlations within ±0.925 and 1e-12 beyond
 */
export function bothBelow(h: number, k: number, correlation: number): number {
  if (h === -Infinity || k === -Infinity) return 0;
  if (h === Infinity) return below(k);
  if (k === Infinity) return below(h);
  return bothAbove(-h, -k, correlation);
}

function bothAbove(h: number, k: number, r: number): number {
  if (r === 0) return below(-h) * below(-k);
  const product = h * k;
  if (abs(r) < 0.925) {
    const half = (h * h + k * k) / 2;
    const turn = asin(r) / 2;
    const nodes = abs(r) < 0.3 ? FEW : abs(r) < 0.75 ? SOME : MANY;
    let sum = 0;
    for (let i = 0; i < nodes.length; i++) {
      const node = nodes[i]!;
      const s = sin(turn * (1 + node[0]));
      sum += node[1] * exp((s * product - half) / (1 - s * s));
    }
    return (sum * turn) / TURN + below(-h) * below(-k);
  }
  return nearlyTied(h, r < 0 ? -k : k, r, r < 0 ? -product : product);
}

/** The same where the two hardly differ: the difference from wholly tied is expanded. */
function nearlyTied(h: number, k: number, r: number, product: number): number {
  let value = 0;
  if (abs(r) < 1) {
    const rest = 1 - r * r;
    const apart = (h - k) ** 2;
    const c = (4 - product) / 8;
    const d = (12 - product) / 80;
    const first = -(apart / rest + product) / 2;
    let a = sqrt(rest);
    if (first > -100) {
      value =
        a * exp(first) * (1 - (c * (apart - rest) * (1 - d * apart)) / 3 + c * d * rest * rest);
    }
    if (product > -100) {
      const b = sqrt(apart);
      const tail = sqrt(TURN) * below(-b / a);
      value -= exp(-product / 2) * tail * b * (1 - (c * apart * (1 - d * apart)) / 3);
    }
    a /= 2;
    let sum = 0;
    for (const [node, weight] of MANY) {
      const x = (a * (1 + node)) ** 2;
      const power = -(apart / x + product) / 2;
      if (power <= -100) continue;
      const root = sqrt(1 - x);
      const smooth = 1 + c * x * (1 + 5 * d * x);
      const exact = exp((-(product / 2) * x) / (1 + root) ** 2) / root;
      sum += weight * exp(power) * (smooth - exact);
    }
    value = (a * sum - value) / TURN;
  }
  if (r > 0) return value + below(-max(h, k));
  if (h >= k) return -value;
  return (h < 0 ? below(k) - below(h) : below(-h) - below(-k)) - value;
}

/** Bounds of two standard normals. */
export interface Rectangle {
  lower: [number, number];
  upper: [number, number];
}

/**
 * P(lower < (X, Y) < upper) of two standard normals with a correlation.
 *
 * @returns 0 to 1
 */
export function rectangle(
  { lower: [a, c], upper: [b, d] }: Rectangle,
  correlation: number,
): number {
  if (a >= b || c >= d) return 0;
  const r = correlation;
  const value = bothBelow(b, d, r) - bothBelow(a, d, r) - bothBelow(b, c, r) + bothBelow(a, c, r);
  return min(1, max(0, value));
}

/** The density of two standard normals with a correlation. */
export function bothDensity(x: number, y: number, correlation: number): number {
  if (abs(x) === Infinity || abs(y) === Infinity) return 0;
  const rest = 1 - correlation * correlation;
  return exp(-(x * x - 2 * correlation * x * y + y * y) / (2 * rest)) / (TURN * sqrt(rest));
}
