import { DEGREE, showDegrees } from '@/core/units';
import { farSide, leftRight, nearSide } from './ends';
import type { BiasMiss, Quantity } from './quantity';

const least = 0.25 * DEGREE;

/** Starts to one side: with a quiet path the face is meant. */
const sideways = (id: 'push' | 'pull', side: BiasMiss['side'], cause: string): BiasMiss => ({
  id,
  side,
  least,
  putts: 12,
  seen: (size, to) =>
    `Starts putts ${showDegrees(size, 1)} to the ${to > 0 ? 'right' : 'left'} (a ${id})`,
  cause,
  beside: { quantity: 'path', within: 2 * DEGREE, putts: 10, words: ', with a neutral path' },
  before: {
    quantity: 'aim',
    putts: 10,
    unseen:
      'The aim has not been checked yet, so the putter may simply be aimed that way. If it is the stroke, ',
    cause: 'The putter is already aimed that way. The stroke adds nothing to that side.',
  },
});

/** Where the ball leaves, against the line meant; made of the face and the path. */
export const start: Quantity = {
  id: 'start',
  name: 'Start line',
  symbol: 'θ',
  about: 'The direction the ball starts in, relative to the intended line.',
  dimension: 'angle',
  digits: { amount: 2, bias: 1 },
  says: 'start within',
  ends: leftRight('pull', 'push'),
  good: {
    window: 0.954 * DEGREE,
    source: 'what the hole accepts on a level 8 ft putt that would run 45 cm past',
  },
  nothing: 0.0009,
  ruled: true,
  told: { words: 'a ball gate', drill: 'straight-gate' },
  instrument: { error: 0.3 * DEGREE, mount: DEGREE, standsAs: 'face' },
  sane: 1.2,
  trained: { name: 'start line', phase: 'technique', usual: 0.8 },
  misses: [
    sideways(
      'push',
      farSide,
      'The face is open at impact, or the student holds off the release with the ball too far forward.',
    ),
    sideways(
      'pull',
      nearSide,
      'The face is closed at impact because the wrists flip or the body turns early.',
    ),
  ],
  columns: [
    'start',
    'start line',
    'start direction',
    'launch direction',
    'ball direction',
    'push pull',
  ],
};
