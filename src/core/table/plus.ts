import type { Hand } from '@/core/people';
import { quantityOf } from '@/core/quantity';

/** Which way a column counts up: to a side of the line, or towards a word of the player's own hand. */
export interface Plus {
  value: string;
  label: string;
}

/** The words at a quantity's ends, for a right-hander; none where both hands have the same. */
function sidedEnds(id: string): [string, string] | null {
  const { ends } = quantityOf(id);
  const [right, left] = [ends('right'), ends('left')];
  return right.left === left.left ? null : [right.right, right.left];
}

/**
 * The ways in which a column of a quantity can count up. Programs differ: one says degrees to the right, another degrees open,
 * which for a left-hander is the other side.
 *
 * @example plusOptions('face').map(({ value }) => value) // ["open", "closed", "right", "left"]
 */
export function plusOptions(id: string): Plus[] {
  const words = sidedEnds(id);
  if (!words) {
    const { left, right } = quantityOf(id).ends('right');
    return [
      { value: 'right', label: `+ ${right}` },
      { value: 'left', label: `+ ${left}` },
    ];
  }
  return [
    ...words.map((word) => ({ value: word, label: `+ ${word}` })),
    { value: 'right', label: '+ right' },
    { value: 'left', label: '+ left' },
  ];
}

/** How a column counts up where nothing says otherwise; what this program writes itself counts to the right. */
export const usualPlus = (id: string, own: boolean): string =>
  own ? 'right' : (sidedEnds(id)?.[0] ?? 'right');

/**
 * What a value of a column is multiplied by so that right and long are positive.
 *
 * @param id of the quantity
 * @param plus which way the column counts up
 * @param hand the player's
 */
export function signOf(id: string, plus: string, hand: Hand): 1 | -1 {
  const { ends, mirrored } = quantityOf(id);
  if (plus === 'right' || plus === 'left') return plus === 'right' ? 1 : -1;
  // The ruler's right end; where it shows the face, the head is on the other side.
  const onRight = ends(hand).right === plus;
  return onRight === !mirrored ? 1 : -1;
}
