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

const EXAGGERATIONS = [1, 2, 3, 4, 5, 6, 8, 10, 12, 15, 20, 25, 30, 40, 50, 75, 100];
/** A gate nearer to the ball than this is hard to see or touch, px. */
const CLOSE = 92;
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
        return [mark.at.across - mark.radius, mark.at.across + mark.radius];
      case 'line':
        return mark.role === 'tier' ? [] : [mark.from.across, mark.to.across];
      case 'wedge':
        return [mark.direction - mark.left, mark.direction + mark.right].map(
          (angle) => mark.until * Math.tan(Math.max(-1, Math.min(1, angle))),
        );
      case 'curve':
        return mark.points.map(({ across }) => across);
      case 'aim':
      case 'midpoint':
        return [mark.at.across];
      case 'fall':
      case 'dimension':
        return [];
    }
  });
  return { from: Math.min(...seen, -0.03), to: Math.max(...seen, 0.03) };
}

function furthest(marks: Mark[]): number {
  const end = (mark: Mark): number => {
    switch (mark.type) {
      case 'tee':
      case 'ball':
      case 'hole':
      case 'aim':
      case 'midpoint':
        return mark.at.along;
      case 'curve':
        return Math.max(...mark.points.map(({ along }) => along));
      case 'fall':
        return 0;
      case 'line':
        return Math.max(mark.from.along, mark.to.along);
      case 'wedge':
        return mark.until;
      case 'dimension':
        return mark.to;
    }
  };
  return Math.max(...marks.map(end));
}

/** Where to cut a long putt so that a gate near the ball can be seen: between the last tee and the hole. */
function cutFor(marks: Mark[], length: number, until: number): { from: number; to: number } | null {
  const tees = marks.flatMap((mark) => (mark.type === 'tee' ? [mark.at.along] : []));
  const edges = marks.flatMap((mark) =>
    mark.type === 'line' && mark.role === 'tier' ? [mark.from.along] : [],
  );
  const hole = marks.find((mark) => mark.type === 'hole');
  if (tees.length === 0 || !hole) return null;
  if ((Math.min(...tees) / until) * length >= CLOSE) return null;
  const from = Math.max(Math.max(...tees) * 1.45, ...edges.map((edge) => edge + 0.05 * until));
  const to = hole.at.along - (until - hole.at.along) * 0.6;
  return to - from > 0.15 * until ? { from, to } : null;
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
  const until = furthest(marks) + BEYOND;
  const cut = cutFor(marks, length, until);
  const drawn = cut ? until - (cut.to - cut.from) : until;
  const perMetre = (length - (cut ? CUT_WIDTH : 0)) / drawn;
  const along = cut
    ? scaleLinear()
        .domain([0, cut.from, cut.to, until])
        .range([0, cut.from * perMetre, cut.from * perMetre + CUT_WIDTH, length])
    : scaleLinear().domain([0, until]).range([0, length]);
  const range = acrossRange(marks);
  const most = Math.min(breadth / (range.to - range.from), holeAtMost / HOLE_RADIUS) / perMetre;
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
    pixel: (spot) =>
      lie === 'along'
        ? { x: start + along(spot.along), y: middle + spot.across * acrossScale }
        : { x: middle + spot.across * acrossScale, y: start - along(spot.along) },
  };
}
