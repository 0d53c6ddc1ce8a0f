import type { Quantity } from './quantity';

export const edge: Quantity = {
  id: 'edge',
  name: 'Edge height on the ball',
  symbol: 'w',
  about: 'How far above or below the middle of the ball the edge of a wedge strikes it.',
  dimension: 'length',
  digits: { amount: 0, bias: 0 },
  says: 'are struck within',
  ends: () => ({ left: 'low', right: 'high' }),
  good: { window: 0.004, source: 'a working figure: within this the ball rolls at once' },
  nothing: 0.0005,
  prior: {
    biasSpread: 0.004,
    middleSpread: 0.004,
    logSpreadSpread: 0.6,
    step: { bias: 0.0002, logSpread: 0.04 },
    slip: 0.012,
  },
  manner: 'wedge',
  told: { words: 'a wedge on the ball’s equator', drill: 'equator-club' },
  instrument: { error: 0.002, mount: 0.002 },
  sane: 0.03,
  columns: ['edge on the ball', 'edge height'],
};
