import { scaleLinear } from 'd3-scale';
import { HOLE_RADIUS } from '@/core/green';
import type { Mark, Spot } from '@/core/layout';

/** How the line lies: along the screen from left to right, or up it with the ball near the thumb. */
export type Lie = 'along' | 'up';

export interface Pixel {
  x: number;
  y: number;
}

export interface Geometry {
  lie: Lie;
  /** Where a spot on the green is drawn. */
  pixel(spot: Spot): Pixel;
  /** The spot on the green that is drawn there. */
  spot(pixel: Pixel): Spot;
  /** How far along the line a distance from the ball is drawn, px from the ball's end. */
  alongPixel(along: number): number;
  /** Exaggeration across the line, against along it. */
  across: number;
  /** Pixels per metre across. */
  acrossScale: number;
  /** The stretch left out of a long putt, m along; null when all is drawn. */
  cut: { from: number; to: number } | null;
}

export interface Room {
  width: number;
  height: number;
  lie: Lie;
  margin: { top: number; right: number; bottom: number; left: number };
  /** The hole is not drawn larger than this across, px from its centre. */
  holeAtMost: number;
}

/** Room for dimension strings and words around a drawing, and below it for a dial where there is none beside it, px. */
export const marginsOf = (lie: Lie, dialBelow = false): Room['margin'] =>
  lie === 'along'
    ? { top: 94, right: 64, bottom: dialBelow ? 124 : 66, left: dialBelow ? 70 : 104 }
    : { top: 26, right: 96, bottom: 56, left: 64 };

const EXAGGERATIONS = [1, 2, 3, 4, 5, 6, 8, 10, 12, 15, 20, 25, 30, 40, 50, 75, 100];
/** A gate nearer to the ball than this is hard to see or touch, px. */
const CLOSE = 92;
/** The same on a putt that breaks: a cut would take its curve away, so only what lies on top of each other is drawn apart. */
const CLOSE_ON_CURVE = 14;
/** A roll that leaves the line by more than this is seen to break, m. */
const BENDS = 0.02;
/** What a cut takes on the screen, px. */
const CUT_WIDTH = 26;
/** Drawn after the last thing on the line, m. */
const BEYOND = 0.06;

/** What must be seen across the line, m: at least 3 cm to either side of it. */
function acrossRange(marks: Mark[]): { from: number; to: number } {
  const seen = marks.flatMap((mark): number[] => {
    switch (mark.type) {
      case 'tee':
      case 'ball':
        return [mark.at.across - 0.012, mark.at.across + 0.012];
      case 'hole':
      case 'coin':
        return [mark.at.across - mark.radius, mark.at.across + mark.radius];
      case 'head':
        return [mark.at.across - mark.length / 2, mark.at.across + mark.length / 2];
      case 'line':
        return mark.role === 'tier' ? [] : [mark.from.across, mark.to.across];
      case 'rod':
        return [mark.from.across, mark.to.across];
      case 'wedge':
        return [mark.direction - mark.left, mark.direction + mark.right].map(
          (angle) => mark.until * Math.tan(Math.max(-1, Math.min(1, angle))),
        );
      case 'curve':
        return mark.role === 'zone' ? [] : mark.points.map(({ across }) => across);
      case 'aim':
      case 'midpoint':
        return [mark.at.across];
      case 'zone':
        // A half disc is as wide on each side as it is deep; a band has no sides.
        return mark.round ? [mark.from - mark.to, mark.to - mark.from] : [];
      case 'peg':
      case 'fall':
      case 'tally':
      case 'dimension':
        return [];
    }
  });
  return { from: Math.min(...seen, -0.03), to: Math.max(...seen, 0.03) };
}

/** Where a mark begins and ends along the line, m; null when it lies nowhere of its own. */
function reach(mark: Mark): [from: number, to: number] | null {
  switch (mark.type) {
    case 'tee':
    case 'peg':
    case 'coin':
    case 'ball':
    case 'hole':
    case 'aim':
    case 'midpoint':
      return [mark.at.along, mark.at.along];
    case 'head':
      return [mark.at.along - mark.depth, mark.at.along];
    case 'curve': {
      const along = mark.points.map((point) => point.along);
      return [Math.min(...along), Math.max(...along)];
    }
    case 'line':
    case 'rod':
      return [Math.min(mark.from.along, mark.to.along), Math.max(mark.from.along, mark.to.along)];
    case 'zone':
    case 'dimension':
      return [mark.from, mark.to];
    case 'wedge':
      return [0, mark.until];
    case 'fall':
    case 'tally':
      return null;
  }
}

function span(marks: Mark[]): { from: number; until: number } {
  const reaches = marks.map(reach).filter((one) => one !== null);
  const first = Math.min(0, ...reaches.map(([from]) => from));
  return {
    from: first < -0.001 ? first - BEYOND / 2 : 0,
    until: Math.max(...reaches.map(([, to]) => to)) + BEYOND,
  };
}

/** The stretch to leave out: the middle of the longest one in which nothing stands, when it crowds the rest together. */
function cutFor(
  marks: Mark[],
  length: number,
  { from: first, until }: { from: number; until: number },
): Geometry['cut'] {
  const standing = ['tee', 'coin', 'ball', 'hole', 'head', 'zone', 'peg'];
  const stops = marks
    .filter(
      (mark) => standing.includes(mark.type) || (mark.type === 'line' && mark.role === 'tier'),
    )
    .flatMap((mark) => reach(mark) ?? [])
    .sort((a, b) => a - b);
  if (!marks.some(({ type }) => type === 'tee' || type === 'coin' || type === 'head')) return null;
  const steps = stops
    .slice(1)
    .map((to, index) => ({ from: stops[index]!, to }))
    .filter(({ from, to }) => to - from > 0.02);
  const perMetre = length / (until - first);
  const tightest = Math.min(...steps.map(({ from, to }) => to - from));
  const bends = marks.some(
    (mark) =>
      mark.type === 'curve' &&
      mark.role === 'roll' &&
      mark.points.some(({ across }) => Math.abs(across) > BENDS),
  );
  if (tightest * perMetre >= (bends ? CLOSE_ON_CURVE : CLOSE)) return null;
  const longest = steps.reduce((best, step) =>
    step.to - step.from > best.to - best.from ? step : best,
  );
  const near = Math.max(longest.from - first, 0.1);
  const from = longest.from + 0.45 * near;
  const to = longest.to - Math.max((until - longest.to) * 0.6, HOLE_RADIUS + 0.02);
  return to - from > 0.15 * (until - first) ? { from, to } : null;
}

/** Leaves out less of a long putt, so that what is drawn of it fills the line at no larger a scale. */
function lessCut(
  cut: Geometry['cut'],
  { from, until }: { from: number; until: number },
  length: number,
  largest: number,
): Geometry['cut'] {
  if (!cut) return null;
  const drawn = until - from - (cut.to - cut.from);
  const more = Math.max(0, (length - CUT_WIDTH) / largest - drawn);
  const rest = cut.to - cut.from - more;
  if (rest <= 0.15 * (until - from)) return null;
  return { from: cut.from + more / 2, to: cut.to - more / 2 };
}

/**
 * Fits a drawing into its room: to scale along the line (with a stretch cut out of a long putt), and as
 * exaggerated across as the room allows, by a round number.
 */
export function fit(marks: Mark[], { width, height, lie, margin, holeAtMost }: Room): Geometry {
  const inner = {
    width: Math.max(40, width - margin.left - margin.right),
    height: Math.max(40, height - margin.top - margin.bottom),
  };
  const length = lie === 'along' ? inner.width : inner.height;
  const breadth = lie === 'along' ? inner.height : inner.width;
  const whole = span(marks);
  const { from, until } = whole;
  const range = acrossRange(marks);
  // Drawn true, everything across must have its room: the line along is drawn no larger than that.
  const largest = Math.min(breadth / (range.to - range.from), holeAtMost / HOLE_RADIUS);
  const cut = lessCut(cutFor(marks, length, whole), whole, length, largest);
  const drawn = until - from - (cut ? cut.to - cut.from : 0);
  const room = length - (cut ? CUT_WIDTH : 0);
  const perMetre = Math.min(room / drawn, largest);
  const end = (cut ? CUT_WIDTH : 0) + drawn * perMetre;
  const along = cut
    ? scaleLinear()
        .domain([from, cut.from, cut.to, until])
        .range([0, (cut.from - from) * perMetre, (cut.from - from) * perMetre + CUT_WIDTH, end])
    : scaleLinear().domain([from, until]).range([0, end]);
  const most = largest / perMetre;
  const across = EXAGGERATIONS.findLast((factor) => factor <= most) ?? 1;
  const acrossScale = across * perMetre;
  const centre = (range.from + range.to) / 2;
  const middle = (lie === 'along' ? margin.top : margin.left) + breadth / 2 - centre * acrossScale;
  const start = lie === 'along' ? margin.left : margin.top + inner.height;
  return {
    lie,
    across,
    acrossScale,
    cut,
    alongPixel: (metres) => along(metres),
    spot: ({ x, y }) =>
      lie === 'along'
        ? { along: along.invert(x - start), across: (y - middle) / acrossScale }
        : { along: along.invert(start - y), across: (x - middle) / acrossScale },
    pixel: (spot) =>
      lie === 'along'
        ? { x: start + along(spot.along), y: middle + spot.across * acrossScale }
        : { x: middle + spot.across * acrossScale, y: start - along(spot.along) },
  };
}
