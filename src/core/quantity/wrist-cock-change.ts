import { DEGREE } from '@/core/units';
import type { Quantity } from './quantity';

export const wristCockChange: Quantity = {
  id: 'wristCockChange',
  name: 'Lead wrist cock, change',
  symbol: 'Δk',
  about: 'How much the lead wrist is cocked from address to impact.',
  dimension: 'angle',
  digits: { amount: 1, bias: 1 },
  says: 'change within',
  ends: () => ({ left: 'more hinged down', right: 'more hinged up' }),
  good: { window: 2 * DEGREE, source: 'a working figure: no measurement stands behind it' },
  nothing: 0.1 * DEGREE,
  prior: {
    biasSpread: 3 * DEGREE,
    middleSpread: 1.5 * DEGREE,
    logSpreadSpread: 0.6,
    step: { bias: 0.15 * DEGREE, logSpread: 0.04 },
    slip: 12 * DEGREE,
  },
  told: { words: 'a wrist sensor', drill: null },
  instrument: { error: 0.7 * DEGREE, mount: 0.3 * DEGREE },
  sane: 120 * DEGREE,
  columns: ['wrist cock change', 'cock address to impact', 'change of wrist cock'],
};
