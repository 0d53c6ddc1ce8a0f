import type { Hand } from '@/core/people';

/** Words of a right-hander's left and right, turned round for a left-hander. */
export const leftRight =
  (left: string, right: string) =>
  (hand: Hand): { left: string; right: string } =>
    hand === 'right' ? { left, right } : { left: right, right: left };
