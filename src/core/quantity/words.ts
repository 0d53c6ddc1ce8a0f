import type { Hand } from '@/core/people';
import { quantityOf } from './register';
import { shownUnit } from './unit';

/**
 * An amount in the unit that is shown, without its sign.
 *
 * @param id of the quantity
 * @param amount SI
 * @param digits after the point; the quantity's own where left out
 * @example showAmount('strike', -0.0062) // "6.2 mm"
 */
export function showAmount(id: string, amount: number, digits?: number): string {
  const { dimension, digits: own } = quantityOf(id);
  const { si, symbol } = shownUnit(dimension);
  return `${(Math.abs(amount) / si).toFixed(digits ?? own.amount)}${symbol}`;
}

/**
 * An interval in that unit, told once where a number and its unit are apart.
 *
 * @example showInterval('strike', { low: 0.0062, high: 0.0093 }) // "6.2 to 9.3 mm"
 */
export function showInterval(id: string, { low, high }: { low: number; high: number }): string {
  const near = showAmount(id, low);
  return `${near.includes(' ') ? near.split(' ')[0] : near} to ${showAmount(id, high)}`;
}

/**
 * What one putt's value is, in words: against what the putt asks for where it has a side, by itself otherwise.
 *
 * @param id of the quantity
 * @param value SI, as it was read
 * @param hand the player's
 * @example showValue('face', -0.007, 'right') // "0.4° closed"
 */
export function showValue(id: string, value: number, hand: Hand): string {
  const { ends, middle, mirrored, digits } = quantityOf(id);
  const size = showAmount(id, value, digits.bias);
  if (Number.parseFloat(size) === 0) return size;
  if (middle) return value < 0 ? `−${size}` : size;
  const words = ends(hand);
  return `${size} ${(mirrored ? -value : value) < 0 ? words.left : words.right}`;
}
