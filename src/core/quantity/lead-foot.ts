import type { Quantity } from './quantity';

export const leadFoot: Quantity = {
  id: 'leadFoot',
  name: 'Weight on the lead foot',
  symbol: 'm',
  about: 'The share of the student’s weight on the lead foot at impact.',
  dimension: 'share',
  digits: { amount: 0, bias: 0 },
  says: 'fall within',
  ends: () => ({ left: 'less', right: 'more' }),
  against: 'than 55 %',
  middle: () => 0.55,
  good: { window: 0.05, source: 'a working figure, with no measurement behind it' },
  nothing: 0.01,
  prior: {
    biasSpread: 0.08,
    middleSpread: 0.03,
    logSpreadSpread: 0.6,
    step: { bias: 0.004, logSpread: 0.04 },
    slip: 0.2,
  },
  told: { words: 'a balance plate', drill: null },
  instrument: { error: 0.01, mount: 0.01 },
  sane: 0.6,
  columns: [
    'lead foot',
    'weight lead',
    'weight on lead foot',
    'balance',
    'lead foot share',
    'lead side',
  ],
};
