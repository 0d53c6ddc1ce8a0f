import type { Mark } from './element';
import type { Spot } from './spot';

/** What stands for a tee: how wide it lies across the line, m, and as what it counts. */
export const THINGS = {
  tees: { one: 'tee', edge: '', kit: 'tee', wide: 0 },
  books: { one: 'book', edge: ', front inner corner', kit: 'book', wide: 0.15 },
  sleeves: { one: 'sleeve', edge: ', front inner corner', kit: 'sleeve', wide: 0.045 },
} as const;

export type Thing = keyof typeof THINGS;
export const THINGS_NAMED = Object.keys(THINGS) as [Thing, ...Thing[]];

/** A book's corner is sharp: it counts as the thinnest of tees. */
const CORNER = 0;

/** The thickness that a ball meets, m. */
export const thickOf = ({ made = 'tees', shank }: { made?: Thing; shank: number }): number =>
  made === 'tees' ? shank : CORNER;

/** The front edges of what lies there instead of tees, from the corner outwards. */
export const thingsDrawn = (made: Thing, corners: { left: Spot; right: Spot }): Mark[] => {
  const { wide } = THINGS[made];
  if (wide === 0) return [];
  const { left, right } = corners;
  const across = Math.hypot(right.along - left.along, right.across - left.across);
  return [[left, right] as const, [right, left] as const].map(([from, other]) => ({
    type: 'rod',
    role: 'stop',
    from,
    to: {
      along: from.along + (wide * (from.along - other.along)) / across,
      across: from.across + (wide * (from.across - other.across)) / across,
    },
  }));
};
