import { DEGREE } from '@/core/units';
import type { Quantity } from './quantity';

export const wristTurn: Quantity = {
  id: 'wristTurn',
  name: 'Lead wrist turn',
  symbol: 'u',
  about: 'How far the lead wrist is turned at impact.',
  dimension: 'angle',
  digits: { amount: 1, bias: 1 },
  says: 'have the wrist within',
  ends: () => ({ left: 'palm down', right: 'palm up' }),
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
  columns: ['wrist turn', 'lead wrist turn', 'wrist turn impact', 'pronation supination'],
};
