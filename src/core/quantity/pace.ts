import type { Quantity } from './quantity';

/** The distance that a ball is sent for against the one intended, less one. */
export const pace: Quantity = {
  id: 'pace',
  name: 'Pace',
  symbol: 'q',
  about: 'How far the ball is sent against the distance meant.',
  dimension: 'share',
  digits: { amount: 0, bias: 0 },
  says: 'roll within',
  ends: () => ({ left: 'short', right: 'long' }),
  good: { window: 0.1, source: 'a tenth of the length, as for long putts' },
  nothing: 0.01,
  prior: {
    biasSpread: 0.08,
    middleSpread: 0.11,
    logSpreadSpread: 0.5,
    step: { bias: 0.004, logSpread: 0.04 },
    slip: 0.5,
  },
  steers: true,
  ruled: true,
  told: { words: 'a zone past the hole', drill: 'limit-line' },
  instrument: { error: 0.03, mount: 0.04 },
  sane: 20,
  columns: ['pace', 'distance error', 'roll error'],
};
