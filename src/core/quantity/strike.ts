import { headEnd } from '@/core/people';
import { onTheFace } from './ends';
import type { BiasMiss, Quantity } from './quantity';

/** A ball met on the left end of the face is a head whose middle was right of the ball. */
const towards = (id: 'heel' | 'toe', cause: string): BiasMiss => ({
  id,
  side: (hand) => (headEnd('left', hand) === id ? 1 : -1),
  least: 0.002,
  putts: 12,
  seen: (size) => `Strikes ${onTheFace(size)} towards the ${id}`,
  cause,
});

/** Where the head's middle is at impact, right of the ball's. */
export const strike: Quantity = {
  id: 'strike',
  name: 'Strike',
  symbol: 's',
  about: 'Where on the face the ball is struck, from heel to toe.',
  dimension: 'length',
  digits: { amount: 1, bias: 1 },
  says: 'are struck within',
  ends: (hand) => ({ left: headEnd('left', hand), right: headEnd('right', hand) }),
  mirrored: true,
  good: {
    window: 0.007,
    source: '10 mm off centre loses 2 % of the distance, so this loses about 1 %',
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
  trained: { name: 'strike', phase: 'technique', usual: 6 },
  misses: [
    towards('heel', 'The student stands too near the ball, or their head moves forward.'),
    towards('toe', 'The student stands too far from the ball, or reaches for it.'),
  ],
  columns: [
    'strike',
    'impact spot',
    'impact point',
    'impact horizontal',
    'impact location',
    'heel toe',
  ],
};
