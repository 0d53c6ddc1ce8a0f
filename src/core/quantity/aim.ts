import { DEGREE, showDegrees } from '@/core/units';
import type { BiasMiss, Quantity } from './quantity';

const aimed = (to: 'left' | 'right'): BiasMiss => ({
  id: `aims ${to}`,
  drillsSay: 'aim',
  side: () => (to === 'right' ? 1 : -1),
  least: 0.3 * DEGREE,
  putts: 10,
  seen: (size) => `Aims ${showDegrees(size, 1)} to the ${to}`,
  cause:
    'The eyes are not over the line, the putter is set down from the inside, or the line looks crooked from where the student stands.',
});

/** Where the face points at address, before the stroke adds to it. */
export const aim: Quantity = {
  id: 'aim',
  name: 'Aim',
  symbol: 'a',
  about: 'Where the putter face points at address, relative to the intended line.',
  dimension: 'angle',
  digits: { amount: 2, bias: 1 },
  says: 'are aimed within',
  ends: () => ({ left: 'left', right: 'right' }),
  good: {
    window: 0.954 * DEGREE,
    source: 'the same as the start line, because the stroke must make up for any aim error',
  },
  nothing: 0.0009,
  prior: {
    biasSpread: 1.2 * DEGREE,
    middleSpread: 0.7 * DEGREE,
    logSpreadSpread: 0.6,
    step: { bias: 0.05 * DEGREE, logSpread: 0.04 },
    slip: 6 * DEGREE,
  },
  told: { words: 'an aim check', drill: 'aim-string' },
  instrument: { error: 0.4 * DEGREE, mount: DEGREE, look: 0.55 * DEGREE, standsAs: 'face' },
  sane: 0.5,
  trained: { name: 'aim', phase: 'technique', usual: 0.9 },
  misses: [aimed('left'), aimed('right')],
  columns: ['aim', 'aim angle', 'face at address', 'address face', 'face address', 'alignment'],
};
