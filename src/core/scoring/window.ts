import { normalBelow, normalDensity } from '@/core/numbers';

/** The share of putts that the window holds. */
export const WINDOW_SHARE = 0.8;

/**
 * The eight-in-ten window: half-width, centred on the target, that holds 80 % of a player's putts.
 *
 * Solves `Φ((W-β)/σ) - Φ((-W-β)/σ) = 0.8` by Newton steps kept inside a bracket.
 *
 * @param bias mean of the player's putts from the target, any unit
 * @param spread standard deviation, same unit, above 0
 * @returns half-width in that unit: 1.2816 σ without bias, towards |β| + 0.8416 σ with much
 */
export function eightInTenWindow(bias: number, spread: number): number {
  const shift = Math.abs(bias) / spread;
  let low = Math.max(shift, 1.2);
  let high = shift + 1.2816;
  let width = shift + 1.2816 / (1 + shift);
  for (let step = 0; step < 60; step++) {
    const excess = normalBelow(width - shift) - normalBelow(-width - shift) - WINDOW_SHARE;
    if (excess > 0) high = width;
    else low = width;
    const next = width - excess / (normalDensity(width - shift) + normalDensity(width + shift));
    const inside = next > low && next < high ? next : (low + high) / 2;
    if (Math.abs(inside - width) < 1e-10) break;
    width = inside;
  }
  return width * spread;
}
