import type { Evidence, Interval, RearEdge } from '@/core/layout';

/** A bound that moves with how a stand was really set: by `by` for each standard deviation of it. */
export interface Bound {
  at: number;
  by: number;
  /** Which stand, from 0; -1 when it does not move. */
  stand: number;
}

/** Bounds that a quantity lay between, infinite where unbounded. */
export interface Bounds {
  lower: Bound;
  upper: Bound;
}

export type ReadQuantity = 'strike' | 'height' | 'pace' | 'start';

/** How an instrument stands, which nobody knows: shared by all that it read from there. */
export interface Mount {
  /** Which instrument, among those of the findings, and by how much its readings are off for each standard deviation of it. */
  instrument: number;
  by: number;
  /** The same of this one set-up of it, and of each step that it has turned since, as stands. */
  stands: { stand: number; by: number }[];
  /** The stand of how much larger its errors are than it says. */
  errors: number;
}

/** A value read off, with its error as one standard deviation; an instrument's is off by how it stands, too. */
export interface Reading {
  value: number;
  error: number;
  mount?: Mount;
}

/** What an instrument read of a latent. */
export interface Measured extends Reading {
  latent: string;
}

/** Bounds that the middle of a head lay between at a distance from the ball, as its front edge passed and its rear edge did. */
export interface HeadPlace {
  at: number;
  bounds: Bounds;
  rear?: RearEdge;
}

/** What is said of one putt, all of it true at once. */
export interface Term {
  start?: Bounds;
  /** How far the start is turned, rad, for each whole break that the player reads too much; left out where the line was seen. */
  byReading?: number;
  face?: Bounds;
  /** The head's middle at distances from the ball: `s + y p`. */
  heads: HeadPlace[];
  /** Share of the distance intended, less one. */
  pace?: Bounds;
  /** On the face, above its middle. */
  height?: Bounds;
  /** Read off, with the error of reading. */
  direct: Partial<Record<ReadQuantity, Reading>>;
  /** What instruments read. */
  measured?: Measured[];
  /** Quantities by their names that lay between bounds, apart from the ball and the head. */
  others?: { latent: string; bounds: Bounds }[];
}

/** An outcome's evidence with how each of its bounds moves, in the order of {@link edgesOf}. */
export interface Said {
  evidence: Evidence;
  by: number[];
  stand: number;
}

/** The bounds of an evidence in a row. */
export const edgesOf = (evidence: Evidence): number[] =>
  evidence.quantity === 'roll'
    ? evidence.areas.flatMap(({ start, pace }) => [...start, ...pace])
    : evidence.quantity === 'mark'
      ? evidence.areas.flatMap(({ strike, height }) => [...strike, ...height])
      : [evidence.lower, evidence.upper];

/** The stand of bounds that do not move. */
export const AS_PLANNED = -1;

const still = (at: number): Bound => ({ at, by: 0, stand: AS_PLANNED });

const moved = (
  [lower, upper]: Interval,
  byLower: number,
  byUpper: number,
  stand: number,
): Bounds => ({
  lower: Number.isFinite(lower) && byLower !== 0 ? { at: lower, by: byLower, stand } : still(lower),
  upper: Number.isFinite(upper) && byUpper !== 0 ? { at: upper, by: byUpper, stand } : still(upper),
});

/** What both bounds allow. */
export const cut = (a: Bounds | undefined, b: Bounds): Bounds =>
  a
    ? {
        lower: a.lower.at >= b.lower.at ? a.lower : b.lower,
        upper: a.upper.at <= b.upper.at ? a.upper : b.upper,
      }
    : b;

/** Whether anything lies within. */
export const open = ({ lower, upper }: Bounds): boolean => lower.at < upper.at;

/** Bounds of an evidence that has just two. */
export const boundsOf = (
  { lower, upper }: { lower: number; upper: number },
  { by, stand }: Pick<Said, 'by' | 'stand'>,
): Bounds => moved([lower, upper], by[0] ?? 0, by[1] ?? 0, stand);

/** Areas of start and pace with how they move. */
export const areasOf = ({ evidence, by, stand }: Said): { start: Bounds; pace: Bounds }[] =>
  evidence.quantity !== 'roll'
    ? []
    : evidence.areas.map(({ start, pace }, i) => ({
        start: moved(start, by[4 * i] ?? 0, by[4 * i + 1] ?? 0, stand),
        pace: moved(pace, by[4 * i + 2] ?? 0, by[4 * i + 3] ?? 0, stand),
      }));

export const within = (lower: number, upper: number): Bounds => ({
  lower: still(lower),
  upper: still(upper),
});
export const anywhere: Bounds = within(-Infinity, Infinity);

/** A cell whose bounds and readings move with other stands, and whose instruments are others. */
export function shifted<Cell extends { terms: Term[] }>(
  cell: Cell,
  to: (stand: number) => number,
  toMount: (instrument: number) => number = (instrument) => instrument,
): Cell {
  const bound = (one: Bound): Bound => (one.stand < 0 ? one : { ...one, stand: to(one.stand) });
  const both = ({ lower, upper }: Bounds): Bounds => ({ lower: bound(lower), upper: bound(upper) });
  const read = <One extends Reading>(one: One): One =>
    one.mount
      ? {
          ...one,
          mount: {
            ...one.mount,
            instrument: toMount(one.mount.instrument),
            stands: one.mount.stands.map(({ stand, by }) => ({ stand: to(stand), by })),
            errors: to(one.mount.errors),
          },
        }
      : one;
  return {
    ...cell,
    terms: cell.terms.map(
      ({ start, face, pace, height, heads, direct, measured, others, ...rest }) => ({
        ...rest,
        direct: direct.start ? { ...direct, start: read(direct.start) } : direct,
        ...(measured && { measured: measured.map(read) }),
        heads: heads.map((place) => ({ ...place, bounds: both(place.bounds) })),
        ...(others && {
          others: others.map(({ latent, bounds }) => ({ latent, bounds: both(bounds) })),
        }),
        ...(start && { start: both(start) }),
        ...(face && { face: both(face) }),
        ...(pace && { pace: both(pace) }),
        ...(height && { height: both(height) }),
      }),
    ),
  };
}
