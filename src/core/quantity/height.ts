import { onTheFace } from './ends';
import type { Quantity } from './quantity';

/** Where on the face the ball is met, above its middle. */
export const height: Quantity = {
  id: 'height',
  name: 'Height on the face',
  symbol: 'h',
  about: 'Where on the face the ball is struck, from low to high.',
  dimension: 'length',
  digits: { amount: 1, bias: 1 },
  says: 'are struck within',
  ends: () => ({ left: 'low', right: 'high' }),
  good: { window: 0.004, source: 'a working figure, with no measurement behind it' },
  nothing: 0.0005,
  prior: {
    biasSpread: 0.004,
    middleSpread: 0.003,
    logSpreadSpread: 0.6,
    step: { bias: 0.0002, logSpread: 0.04 },
    slip: 0.01,
    topped: { middle: -0.01, spread: 0.004 },
  },
  steers: true,
  told: { words: 'a mark on the face', drill: 'marked-face' },
  instrument: { error: 0.0015, mount: 0.002 },
  sane: 0.05,
  misses: [
    {
      id: 'low on the face',
      side: () => -1,
      least: 0.001,
      putts: 8,
      seen: (size) => `Strikes ${onTheFace(size)} low on the face`,
      cause: 'The follow-through rises, or the weight stays back.',
    },
  ],
  columns: ['height', 'impact vertical', 'impact height', 'height on face', 'low high'],
};
