import type { Hand } from '@/core/people';

/** The player's far side, where a push goes: right for a right-hander. */
export const farSide = (hand: Hand): 1 | -1 => (hand === 'right' ? 1 : -1);

/** The player's near side, where a pull goes. */
export const nearSide = (hand: Hand): 1 | -1 => (hand === 'right' ? -1 : 1);

/** A length on the face in words. */
export const onTheFace = (metres: number): string => `${(metres * 1000).toFixed(1)} mm`;

/** Words of a right-hander's left and right, turned round for a left-hander. */
export const leftRight =
  (left: string, right: string) =>
  (hand: Hand): { left: string; right: string } =>
    hand === 'right' ? { left, right } : { left: right, right: left };
