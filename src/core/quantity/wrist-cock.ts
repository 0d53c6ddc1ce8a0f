import { DEGREE } from '@/core/units';
import type { Quantity } from './quantity';

export const wristCock: Quantity = {
  id: 'wristCock',
  name: 'Lead wrist cock',
  symbol: 'k',
  about: 'How far the lead wrist is cocked at impact.',
  dimension: 'angle',
  digits: { amount: 1, bias: 1 },
  says: 'have the wrist within',
  ends: () => ({ left: 'hinged down', right: 'hinged up' }),
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
  columns: ['wrist cock', 'lead wrist cock', 'wrist cock impact', 'radial ulnar'],
};
