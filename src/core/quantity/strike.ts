import { headEnd } from '@/core/people';
import type { Quantity } from './quantity';

/** Where the head's middle is at impact, right of the ball's. */
export const strike: Quantity = {
  id: 'strike',
  name: 'Strike',
  symbol: 's',
  about: 'Where on the face the ball is met, from the heel to the toe.',
  dimension: 'length',
  digits: { amount: 1, bias: 1 },
  says: 'are struck within',
  ends: (hand) => ({ left: headEnd('left', hand), right: headEnd('right', hand) }),
  mirrored: true,
  good: {
    window: 0.007,
    source: '10 mm off the centre loses two per cent of the distance, so this loses about one',
  },
  nothing: 0.0005,
  prior: {
    biasSpread: 0.005,
    middleSpread: 0.005,
    logSpreadSpread: 0.6,
    step: { bias: 0.0002, logSpread: 0.04 },
    slip: 0.025,
  },
  steers: true,
  ruled: true,
  told: { words: 'a putter gate or a mark on the face', drill: 'marked-face' },
  instrument: { error: 0.0015, mount: 0.002 },
  sane: 0.1,
  columns: [
    'strike',
    'impact spot',
    'impact point',
    'impact horizontal',
    'impact location',
    'heel toe',
  ],
};
