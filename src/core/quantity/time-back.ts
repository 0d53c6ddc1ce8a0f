import type { Quantity } from './quantity';

export const timeBack: Quantity = {
  id: 'timeBack',
  name: 'Backstroke time',
  symbol: 't₁',
  about: 'How long the backstroke takes.',
  dimension: 'time',
  digits: { amount: 2, bias: 2 },
  says: 'fall within',
  ends: () => ({ left: 'shorter', right: 'longer' }),
  against: 'than 0.65 s',
  middle: () => 0.65,
  good: { window: 0.06, source: 'a working figure, with no measurement behind it' },
  nothing: 0.005,
  prior: {
    biasSpread: 0.15,
    middleSpread: 0.04,
    logSpreadSpread: 0.6,
    step: { bias: 0.0075, logSpread: 0.04 },
    slip: 0.32,
  },
  told: { words: 'a putting sensor', drill: null },
  instrument: { error: 0.01, mount: 0.01 },
  sane: 3,
  columns: ['time back', 'backstroke time', 'backswing time', 'back time'],
};
