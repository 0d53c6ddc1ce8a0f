import { latents, quantities, quantityOf, type Prior } from '@/core/quantity';
import { SKILLS, type SkillName } from './by-quantity';

/** A quantity with a bias and a spread of its own, by its name. */
export type Latent = string;

/** Names of the latents, in order. */
export const latentIds = (): Latent[] => latents().map(({ id }) => id);

/** Names of those that move the ball by themselves, in order. */
export const steeringIds = (): Exclude<SkillName, 'start'>[] =>
  SKILLS.filter((id): id is Exclude<SkillName, 'start'> => !!quantityOf(id).steers);

/**
 * What is known of a latent before any putt: wide enough for beginners and masters, with a daily wander between players who
 * stay as they are and players whose window halves in ten weeks. Calibration says whether it may stay.
 *
 * @throws RangeError where the quantity is made of others
 */
export function knownOf(latent: Latent): Prior {
  const { prior, name } = quantityOf(latent);
  if (!prior)
    throw new RangeError(
      `${name} is derived from other quantities, so it has no prior of its own.`,
    );
  return prior;
}

/** Numbers of a player: bias and log spread of each latent, in turn. */
export const dimension = (): number => 2 * latents().length;

/** Where the bias of a latent is. */
export function biasAt(latent: Latent): number {
  const place = latents().findIndex(({ id }) => id === latent);
  if (place < 0) throw new RangeError(`“${latent}” has no bias and spread of its own.`);
  return 2 * place;
}

/** Where the log of its spread is. */
export const logSpreadAt = (latent: Latent): number => biasAt(latent) + 1;

/** Share of putts that are anything-goes slips. */
export const SLIP_SHARE = 0.004;

/** How much of the start direction is taken to be the face's unless a coach's school says otherwise. */
export const DEFAULT_FACE_SHARE = 0.92;

/** One latent's part in a sum of some. */
export interface Part {
  /** Where its bias is; the log of its spread follows. */
  at: number;
  share: number;
}

/** What a quantity is made of: itself, or shares of those that make it. */
export function partsOf(quantity: string, faceShare: number): Part[] {
  if (quantityOf(quantity).prior) return [{ at: biasAt(quantity), share: 1 }];
  return quantities().flatMap(({ id, startShare }) =>
    startShare ? [{ at: biasAt(id), share: startShare(faceShare) }] : [],
  );
}

/**
 * Biases and log spreads of all latents in turn, then how many more slips and topped putts than usual there are, then how each
 * instrument and each stand was really set, all in standard deviations.
 */
export type Parameters = Float64Array;

/** How many parameters say how often a putt goes wrong: the shares of slips and of topped putts. */
export const MISHITS = 2;

/** Where the shares of slips and of topped putts are; instruments and stands follow them. */
export const slipsIndex = (): number => dimension();
export const toppedIndex = (): number => dimension() + 1;
export const standIndex = (stand: number): number => dimension() + MISHITS + stand;
