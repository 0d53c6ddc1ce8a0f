import type { Quantity } from './quantity';

/** The distance that a ball is sent for against the one intended, less one. */
export const pace: Quantity = {
  id: 'pace',
  name: 'Pace',
  symbol: 'q',
  about: 'How far the ball is sent, compared with the intended distance.',
  dimension: 'share',
  digits: { amount: 0, bias: 0 },
  says: 'roll within',
  ends: () => ({ left: 'short', right: 'long' }),
  good: { window: 0.1, source: 'a tenth of the distance, as for long putts' },
  nothing: 0.01,
  prior: {
    biasSpread: 0.08,
    middleSpread: 0.11,
    logSpreadSpread: 0.5,
    step: { bias: 0.004, logSpread: 0.04 },
    slip: 0.5,
    topped: { middle: -0.5, spread: 0.15 },
  },
  steers: true,
  ruled: true,
  told: { words: 'a pace zone past the hole', drill: 'limit-line' },
  instrument: { error: 0.03, mount: 0.04 },
  sane: 20,
  trained: { name: 'pace', phase: 'pace', usual: 9 },
  misses: [
    {
      id: 'short',
      side: () => -1,
      least: 0.03,
      putts: 12,
      seen: (size) => `Leaves putts ${Math.round(size * 100)} % short on average`,
      cause: 'The putter head slows into the ball, or the student judges distances too short.',
    },
    {
      id: 'long',
      side: () => 1,
      least: 0.03,
      putts: 12,
      seen: (size) => `Hits putts ${Math.round(size * 100)} % long on average`,
      cause:
        'The stroke is too long for the distance, or the green is faster than the student judges it.',
    },
  ],
  columns: ['pace', 'distance error', 'roll error'],
};
