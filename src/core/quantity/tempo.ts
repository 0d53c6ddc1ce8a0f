import type { Quantity } from './quantity';

export const tempo: Quantity = {
  id: 'tempo',
  name: 'Tempo',
  symbol: 't₁/t₂',
  about: 'Backstroke time divided by forward-stroke time to impact.',
  dimension: 'ratio',
  digits: { amount: 2, bias: 2 },
  says: 'fall within',
  ends: () => ({ left: 'lower', right: 'higher' }),
  against: 'than 2 to 1',
  middle: () => 2,
  good: { window: 0.2, source: 'a working figure, with no measurement behind it' },
  nothing: 0.02,
  prior: {
    biasSpread: 0.4,
    middleSpread: 0.15,
    logSpreadSpread: 0.6,
    step: { bias: 0.02, logSpread: 0.04 },
    slip: 1,
  },
  told: { words: 'a putting sensor', drill: null },
  instrument: { error: 0.06, mount: 0.05 },
  from: ({ timeBack, timeThrough }) =>
    timeBack !== undefined && timeThrough !== undefined && timeThrough > 0
      ? timeBack / timeThrough
      : undefined,
  sane: 8,
  columns: ['tempo', 'rhythm', 'stroke ratio', 'tempo ratio'],
};
