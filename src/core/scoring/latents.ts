import { DEGREE } from '@/core/units';

/**
 * What differs from putt to putt: the face's angle and the path's direction (rad, right positive), where the head's
 * middle meets the ball (m, right positive), the distance rolled against the one intended (a share, long positive), and
 * how high on the face (m).
 */
export const LATENTS = ['face', 'path', 'strike', 'pace', 'height'] as const;
export type Latent = (typeof LATENTS)[number];

/** Parameters: bias and log spread of each latent, in turn. */
export const DIMENSION = 2 * LATENTS.length;
export const biasAt = (latent: Latent): number => 2 * LATENTS.indexOf(latent);
export const logSpreadAt = (latent: Latent): number => biasAt(latent) + 1;

/** What is known of a latent before any putt, and how it wanders. */
interface Known {
  /** Of the bias, around none. */
  biasSpread: number;
  middleSpread: number;
  /** Of the log of the spread. */
  logSpreadSpread: number;
  /** Standard deviations of a day's step of the bias and of the log of the spread. */
  step: { bias: number; logSpread: number };
  /** Spread of slips: a topped ball, a slip of the finger. */
  slip: number;
}

/**
 * The mild prior, wide enough for beginners and masters; the daily wander, set between players who stay as they are and
 * players whose window halves in ten weeks. Calibration says whether they may stay.
 */
export const KNOWN: Record<Latent, Known> = {
  face: {
    biasSpread: 1 * DEGREE,
    middleSpread: 1.2 * DEGREE,
    logSpreadSpread: 0.7,
    step: { bias: 0.05 * DEGREE, logSpread: 0.04 },
    slip: 6 * DEGREE,
  },
  path: {
    biasSpread: 2.5 * DEGREE,
    middleSpread: 1.8 * DEGREE,
    logSpreadSpread: 0.6,
    step: { bias: 0.1 * DEGREE, logSpread: 0.04 },
    slip: 9 * DEGREE,
  },
  strike: {
    biasSpread: 0.005,
    middleSpread: 0.005,
    logSpreadSpread: 0.6,
    step: { bias: 0.0002, logSpread: 0.04 },
    slip: 0.025,
  },
  pace: {
    biasSpread: 0.08,
    middleSpread: 0.11,
    logSpreadSpread: 0.5,
    step: { bias: 0.004, logSpread: 0.04 },
    slip: 0.5,
  },
  height: {
    biasSpread: 0.004,
    middleSpread: 0.003,
    logSpreadSpread: 0.6,
    step: { bias: 0.0002, logSpread: 0.04 },
    slip: 0.01,
  },
};

/** Share of putts that are anything-goes slips. */
export const SLIP_SHARE = 0.004;

/** How much of the start direction is taken to be the face's unless a coach's school says otherwise. */
export const DEFAULT_FACE_SHARE = 0.92;

/**
 * Biases and log spreads of all latents in turn, then how many more slips than usual there are, and then how each stand was
 * really set, both in standard deviations.
 */
export type Parameters = Float64Array;

/** Where the share of slips is; stands follow it. */
export const SLIPS_AT = DIMENSION;
export const standIndex = (stand: number): number => DIMENSION + 1 + stand;
