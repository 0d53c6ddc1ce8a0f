import { DEGREE } from '@/core/units';
import type { Quantity } from './quantity';

/** How steeply the head rises through impact, at 2° where all is as meant. */
export const rise: Quantity = {
  id: 'rise',
  name: 'Rise angle',
  symbol: 'a',
  about: 'How steeply the head rises through impact.',
  dimension: 'angle',
  digits: { amount: 1, bias: 1 },
  says: 'fall within',
  ends: () => ({ left: 'flatter', right: 'steeper' }),
  against: 'than 2°',
  middle: () => 2 * DEGREE,
  good: { window: 1.5 * DEGREE, source: 'a working figure, with no measurement behind it' },
  nothing: 0.1 * DEGREE,
  prior: {
    biasSpread: 2 * DEGREE,
    middleSpread: 1 * DEGREE,
    logSpreadSpread: 0.6,
    step: { bias: 0.1 * DEGREE, logSpread: 0.04 },
    slip: 8 * DEGREE,
  },
  told: { words: 'a putting sensor', drill: null },
  instrument: { error: 0.3 * DEGREE, mount: 0.5 * DEGREE },
  sane: 30 * DEGREE,
  columns: ['rise', 'rise angle', 'attack angle', 'angle of attack', 'vertical angle'],
};
