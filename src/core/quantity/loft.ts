import { DEGREE } from '@/core/units';
import type { Quantity } from './quantity';

/** How far the face leans back at impact, at 3° where all is as meant. */
export const loft: Quantity = {
  id: 'loft',
  name: 'Loft at impact',
  symbol: 'l',
  about: 'How far the face leans back at impact.',
  dimension: 'angle',
  digits: { amount: 1, bias: 1 },
  says: 'fall within',
  ends: () => ({ left: 'less', right: 'more' }),
  against: 'than 3°',
  middle: () => 3 * DEGREE,
  good: { window: 1.5 * DEGREE, source: 'a working figure, with no measurement behind it' },
  nothing: 0.1 * DEGREE,
  prior: {
    biasSpread: 1.5 * DEGREE,
    middleSpread: 1 * DEGREE,
    logSpreadSpread: 0.6,
    step: { bias: 0.075 * DEGREE, logSpread: 0.04 },
    slip: 8 * DEGREE,
  },
  told: { words: 'a putting sensor', drill: null },
  instrument: { error: 0.3 * DEGREE, mount: 0.5 * DEGREE },
  sane: 30 * DEGREE,
  columns: ['loft', 'dynamic loft', 'loft at impact', 'effective loft'],
};
