import { DEGREE } from '@/core/units';
import type { Quantity } from './quantity';

export const wristBend: Quantity = {
  id: 'wristBend',
  name: 'Lead wrist bend',
  symbol: 'b',
  about: 'How far the lead wrist is bent at impact.',
  dimension: 'angle',
  digits: { amount: 1, bias: 1 },
  says: 'have the wrist within',
  ends: () => ({ left: 'cupped', right: 'bowed' }),
  good: { window: 3 * DEGREE, source: 'a working figure: no measurement stands behind it' },
  nothing: 0.1 * DEGREE,
  prior: {
    biasSpread: 8 * DEGREE,
    middleSpread: 2 * DEGREE,
    logSpreadSpread: 0.6,
    step: { bias: 0.4 * DEGREE, logSpread: 0.04 },
    slip: 15 * DEGREE,
  },
  told: { words: 'a wrist sensor', drill: null },
  instrument: { error: 0.7 * DEGREE, mount: 2 * DEGREE },
  sane: 120 * DEGREE,
  columns: ['wrist bend', 'lead wrist bend', 'wrist bend impact', 'flexion extension'],
};
