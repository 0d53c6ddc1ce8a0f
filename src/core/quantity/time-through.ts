import type { Quantity } from './quantity';

export const timeThrough: Quantity = {
  id: 'timeThrough',
  name: 'Forward-stroke time',
  symbol: 't₂',
  about: 'How long the stroke takes from the top of the backstroke to impact.',
  dimension: 'time',
  digits: { amount: 2, bias: 2 },
  says: 'fall within',
  ends: () => ({ left: 'shorter', right: 'longer' }),
  against: 'than 0.32 s',
  middle: () => 0.32,
  good: { window: 0.03, source: 'a working figure, with no measurement behind it' },
  nothing: 0.005,
  prior: {
    biasSpread: 0.06,
    middleSpread: 0.02,
    logSpreadSpread: 0.6,
    step: { bias: 0.003, logSpread: 0.04 },
    slip: 0.16,
  },
  told: { words: 'a putting sensor', drill: null },
  instrument: { error: 0.01, mount: 0.01 },
  sane: 3,
  columns: ['time through', 'forward time', 'downswing time', 'through time', 'time to impact'],
};
